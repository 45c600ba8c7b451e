import type { PayRow } from '../../api/types';
import type { Changes } from '../../address/useView';
import { amount, monthName, NONE } from '../../format/figures';
import { count } from '../../format/nouns';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { SidePanel } from '../../ui/SidePanel';
import { usePayTotals, type PayTrial } from './useEarnings';
import { t } from './words';

interface PickedPanelProps {
  rows: PayRow[];
  month: string;
  trial: PayTrial;
  change: (changes: Changes) => void;
}

/** Some reps read together: quota, floor, credited sales, ceiling and pay as one true total. */
export function PickedPanel({ rows, month, trial, change }: PickedPanelProps) {
  const together = usePayTotals(month, { rep: rows.map((row) => row.rep) }, trial);
  return (
    <SidePanel
      label={t('pickedPanel.repsTogether')}
      title={t('pickedPanel.title', { reps: count(rows.length, 'rep') })}
    >
      <p className="mb-3 text-quiet">{rows.map((row) => row.name).join(', ')}</p>
      {together.isPending ? (
        <Loading what={t('pickedPanel.theirTotal')} />
      ) : together.isError ? (
        <Failed error={together.error} onRetry={() => void together.refetch()} />
      ) : (
        <dl className="mb-3 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1">
          {[
            [t('pickedPanel.quota'), together.data.quota],
            ...(together.data.monthQuota === together.data.quota
              ? []
              : [
                  [
                    t('pickedPanel.quotaOfMonth', { month: monthName(month) }),
                    together.data.monthQuota,
                  ] as const,
                ]),
            [t('pickedPanel.floor'), together.data.floor],
            [t('pickedPanel.credited'), together.data.credited],
            [t('pickedPanel.ceiling'), together.data.ceiling],
            [t('pickedPanel.earned'), together.data.earned],
            [t('pickedPanel.due'), together.data.due],
          ].map(([what, figure]) => (
            <div key={what} className="contents">
              <dt className="text-quiet">{what}</dt>
              <dd className="text-right font-semibold">{amount(figure ?? null)}</dd>
            </div>
          ))}
          <dt className="text-quiet">{t('pickedPanel.share')}</dt>
          <dd className="text-right font-semibold">
            {together.data.shareShown === null ? NONE : `${amount(together.data.shareShown)} %`}
          </dd>
        </dl>
      )}
      {together.data && Object.values(together.data).includes(null) && (
        <p className="mb-3 text-quiet">{t('pickedPanel.dash')}</p>
      )}
      <button type="button" className={smallButton} onClick={() => change({ picked: null })}>
        {t('pickedPanel.clear')}
      </button>
    </SidePanel>
  );
}
