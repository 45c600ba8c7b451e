import type { View } from '../../../address/useView';
import { amount, NONE } from '../../../format/figures';
import { dayText } from '../../../format/writing';
import { capital, singular } from '../../../format/nouns';
import { FigureTable } from '../../../marks/ChartFrame';
import { Failed, Loading } from '../../../ui/Notice';
import { useAccuracy } from './useOutlook';
import { t } from './words';

/** What earlier snapshots expected against what came, and how often stated likelihoods held. */
export function AccuracyPart({ view }: { view: View }) {
  const accuracy = useAccuracy(view);
  if (accuracy.isPending) return <Loading what={t('accuracy.title')} />;
  if (accuracy.isError) {
    return <Failed error={accuracy.error} onRetry={() => void accuracy.refetch()} />;
  }
  const { snapshots, bands, slipShown, farthest, members } = accuracy.data;
  const known = bands.filter((band) => band.deals > 0);
  if (snapshots.length === 0 && known.length === 0) return null;
  const percent = (shown: string | null) => (shown === null ? NONE : `${amount(shown)} %`);
  return (
    <section aria-label={t('accuracy.title')} className="mb-5">
      <h3 className="mb-1.5 font-semibold text-quiet">{t('accuracy.title')}</h3>
      {farthest !== null && <p className="mb-1">{farthest}</p>}
      {snapshots.length > 0 && (
        <FigureTable
          head={[
            t('accuracy.monthsOver'),
            t('accuracy.expected'),
            t('accuracy.came'),
            t('accuracy.ratio'),
          ]}
          rows={snapshots.map(({ asOf, expected, came, ratioShown }) => [
            dayText(asOf),
            amount(expected, 'drop'),
            amount(came, 'drop'),
            percent(ratioShown),
          ])}
        />
      )}
      {known.length > 0 && (
        <div className="mt-2">
          <FigureTable
            head={[
              t('accuracy.band'),
              t('accuracy.deals'),
              t('accuracy.stated'),
              t('accuracy.won'),
            ]}
            rows={known.map(({ from, to, deals, statedShown, wonShown }) => [
              t('accuracy.bandWords', { from, to }),
              amount(String(deals)),
              percent(statedShown),
              percent(wonShown),
            ])}
          />
        </div>
      )}
      {members.length > 1 && (
        <div className="mt-2">
          <FigureTable
            head={[
              capital(singular(view.axis)),
              t('accuracy.ratio'),
              t('accuracy.ended'),
              t('accuracy.stated'),
              t('accuracy.won'),
            ]}
            rows={members.map((one) => [
              one.name,
              percent(one.ratioShown),
              amount(String(one.ended)),
              percent(one.statedShown),
              percent(one.wonShown),
            ])}
          />
        </div>
      )}
      {slipShown !== null && (
        <p className="mt-1 text-quiet">{t('accuracy.slip', { months: amount(slipShown) })}</p>
      )}
    </section>
  );
}
