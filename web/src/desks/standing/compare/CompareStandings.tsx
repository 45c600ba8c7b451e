import { useState } from 'react';
import type { ComparedPair, Reading, Standing } from '../../../api/types';
import { plusMonths } from '../../../address/span';
import type { View } from '../../../address/useView';
import { amount, monthName, NONE, signed } from '../../../format/figures';
import { plural } from '../../../format/nouns';
import { Lane, laneScale } from '../../../marks/Lane';
import { Failed, Loading } from '../../../ui/Notice';
import { figuresOf, laneOf, readSort, sortRows, statusOf, varianceOf } from '../rows';
import { useComparison } from '../useStanding';
import { t } from '../words';

/** What the standing is compared with, as the server takes it, and how both are called. */
function otherOf(view: View): { with: string; now: string; then: string } {
  const { from, to } = view.span;
  if (view.compare.startsWith('load:')) {
    return {
      with: view.compare,
      now: t('compareStandings.withTheLoad'),
      then: t('compareStandings.withoutTheLoad'),
    };
  }
  const back = view.compare === 'year' ? 12 : monthsBetween(from, to);
  const words = (first: string, last: string) =>
    first === last
      ? monthName(last)
      : t('compareStandings.to', { first: monthName(first), last: monthName(last) });
  return {
    with: view.compare === 'year' ? 'year' : 'before',
    now: words(from, to),
    then: words(plusMonths(from, -back), plusMonths(to, -back)),
  };
}

function monthsBetween(from: string, to: string): number {
  const number = (month: string) => Number(month.slice(0, 4)) * 12 + Number(month.slice(5));
  return number(to) - number(from) + 1;
}

/** Two standings row by row: then above, now below, on the same line. */
export function CompareStandings({ view, standing }: { view: View; standing: Standing }) {
  const other = otherOf(view);
  const [isOnlyChanged, setOnlyChanged] = useState(view.compare.startsWith('load:'));
  const comparison = useComparison(view, other.with);
  if (comparison.isPending) return <Loading what={t('compareStandings.theOtherStanding')} />;
  if (comparison.isError) {
    return <Failed error={comparison.error} onRetry={() => void comparison.refetch()} />;
  }
  const { now, then, total, rows } = comparison.data;
  const pairOf = new Map(rows.map((pair) => [pair.key, pair]));
  const gone = rows.filter((pair) => pair.now === null);
  const pairs = [
    ...sortRows(now.rows, readSort(view.sort)).flatMap((row) => pairOf.get(row.key) ?? []),
    ...gone,
  ].filter((pair) => !isOnlyChanged || pair.now?.actual !== pair.then?.actual);
  const isJudged = then.rows.some((row) => row.attainment !== null);
  const scale = laneScale([...now.rows, ...then.rows], isJudged ? 'percent' : 'amount');
  const line = `${(100 * (1 - scale.least)) / (scale.most - scale.least)}%`;
  return (
    <div className="overflow-x-auto bg-sheet">
      <label className="no-print flex min-h-8 items-center gap-1.5 px-2">
        <input
          type="checkbox"
          checked={isOnlyChanged}
          onChange={(event) => setOnlyChanged(event.target.checked)}
        />
        {t('compareStandings.onlyRowsThatDiffer')}
      </label>
      <table className="w-full" aria-label={t('compareStandings.standingsCompared')}>
        <thead>
          <tr className="border-b border-ink text-quiet">
            {[
              standing.axis,
              other.then,
              other.now,
              t('compareStandings.change'),
              t('compareStandings.varianceThen'),
              t('compareStandings.varianceNow'),
            ].map((word, at) => (
              <th
                key={word}
                scope="col"
                className={`p-2 font-semibold ${at === 0 ? 'text-left' : 'text-right'}`}
              >
                {word}
              </th>
            ))}
            <th scope="col" className="w-[26%] p-2 text-left font-semibold">
              {t('compareStandings.thenAboveNowBelow')}
            </th>
            <th scope="col" className="p-2 text-left font-semibold">
              {t('compareStandings.status')}
            </th>
          </tr>
        </thead>
        <tbody>
          <CompareLine
            name={t('compareStandings.all', { axis: plural(standing.axis) })}
            pair={total}
            {...{ scale, line, standing }}
          />
          {pairs.map((pair) => (
            <CompareLine
              key={pair.key}
              name={pair.name ?? ''}
              pair={pair}
              {...{ scale, line, standing }}
            />
          ))}
        </tbody>
      </table>
      {pairs.length === 0 && <p className="p-2 text-quiet">{t('compareStandings.noRowDiffers')}</p>}
    </div>
  );
}

interface CompareLineProps {
  name: string;
  pair: ComparedPair;
  scale: ReturnType<typeof laneScale>;
  line: string;
  standing: Standing;
}

function CompareLine({ name, pair, scale, line, standing }: CompareLineProps) {
  const { now, then, change } = pair;
  const status = (reading: Reading | null) => (reading ? statusOf(reading) : NONE);
  const points = standing.unit === 'rate' && change !== null ? t('compareStandings.points') : '';
  const isSame = status(now) === status(then);
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="p-2 text-left">
        {name}
      </th>
      <td className="p-2 text-right whitespace-nowrap text-quiet">
        {amount(then ? figuresOf(then).actual : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">
        {amount(now ? figuresOf(now).actual : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">
        {signed(change)}
        {points}
      </td>
      <td className="p-2 text-right whitespace-nowrap text-quiet">
        {signed(then ? varianceOf(then) : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">{signed(now ? varianceOf(now) : null)}</td>
      <td className="relative h-[44px] p-0">
        <div className="absolute inset-x-0 top-0 h-1/2 opacity-60">
          {then && <Lane reading={laneOf(then)} scale={scale} direction={standing.direction} />}
        </div>
        <div className="absolute inset-x-0 bottom-0 h-1/2">
          {now && <Lane reading={laneOf(now)} scale={scale} direction={standing.direction} />}
        </div>
        {scale.kind === 'percent' && (
          <span
            aria-hidden="true"
            className="absolute top-0 bottom-0 w-[2px] bg-ink"
            style={{ left: line }}
          />
        )}
      </td>
      <td className="p-2 whitespace-nowrap">
        {!isSame && <span className="text-quiet">{status(then)} → </span>}
        {status(now)}
      </td>
    </tr>
  );
}
