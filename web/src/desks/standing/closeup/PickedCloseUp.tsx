import type { Company, Standing } from '../../../api/types';
import { NO_NARROWING, NOT_NARROWED, type Changes, type View } from '../../../address/useView';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { SidePanel } from '../../../ui/SidePanel';
import { rowId } from '../rows';
import { useStanding } from '../useStanding';
import { CloseUp } from './CloseUp';
import { t } from '../words';

const MOST_SIDE_BY_SIDE = 4;

interface PickedCloseUpProps {
  view: View;
  standing: Standing;
  company: Company;
  change: (changes: Changes) => void;
}

/** Some rows read together: their one true total, explained as any row is. */
export default function PickedCloseUp({ view, standing, company, change }: PickedCloseUpProps) {
  const rows = standing.rows.filter((row) => view.picked.includes(rowId(row)));
  const keys = rows.map((row) => row.key);
  const own: View = {
    ...view,
    narrowing: { ...NOT_NARROWED, only: keys },
    group: null,
    selected: null,
    picked: [],
  };
  const together = useStanding(own, { beside: undefined });
  if (together.isPending || together.isError) {
    return (
      <SidePanel label={t('pickedCloseUp.rowsTogether')}>
        {together.isPending ? (
          <Loading what={t('pickedCloseUp.theirTotal')} />
        ) : (
          <Failed error={together.error} onRetry={() => void together.refetch()} />
        )}
      </SidePanel>
    );
  }
  const only = { ...NO_NARROWING, only: keys, selected: null, picked: null };
  return (
    <CloseUp
      view={own}
      standing={together.data}
      company={company}
      change={change}
      about={
        <>
          <p className="mb-1.5 text-quiet">{rows.map((row) => row.name).join(', ')}</p>
          <p className="no-print mb-2 flex flex-wrap gap-1.5">
            <button type="button" className={smallButton} onClick={() => change(only)}>
              {t('pickedCloseUp.showOnlyThese')}
            </button>
            {keys.length <= MOST_SIDE_BY_SIDE && (
              <button
                type="button"
                className={smallButton}
                onClick={() => change({ ...only, layout: 'compare', compare: null })}
              >
                {t('pickedCloseUp.sideBySide')}
              </button>
            )}
            <button type="button" className={smallButton} onClick={() => change({ picked: null })}>
              {t('pickedCloseUp.clear')}
            </button>
          </p>
        </>
      }
    />
  );
}
