import { useQuery } from '@tanstack/react-query';
import type { Query } from '../address/useView';
import { ask, query } from '../api/client';
import type { Trial } from '../api/types';
import { asJson } from '../api/useChange';
import { StatusMark } from '../marks/StatusMark';
import { Failed } from '../ui/Notice';
import { t } from './words';

interface MovesProps {
  /** The standing whose rows are looked at. */
  asked: Query;
  /** As the server takes it. */
  ladder: object;
}

/** Where the rows would land, and which would change. */
export function Moves({ asked, ladder }: MovesProps) {
  const trial = useMoves(asked, ladder);
  if (trial.isPending)
    return <p className="mb-3 text-quiet">{t('ladder.checkingWhichRowsWouldChange')}</p>;
  if (trial.isError) {
    return <Failed error={trial.error} onRetry={() => void trial.refetch()} />;
  }
  const { flips, rungs, noReading } = trial.data;
  return (
    <section
      aria-label={t('ladder.rowsThatWouldChangeTheir')}
      className="mb-4 border-t border-rule pt-2"
    >
      <p className="mb-1 text-quiet">
        {rungs.map(({ name, rows }) => `${name} ${rows}`).join(' · ')}
        {noReading > 0 && t('ladder.noStatus', { noReading })}
      </p>
      <h3 className="font-semibold">
        {flips.length === 0
          ? t('ladder.noRowChangesItsStatus')
          : t('ladder.rowChangesItsStatus', { n: flips.length })}
      </h3>
      <ul className="max-h-[260px] overflow-auto">
        {flips.map((flip) => (
          <li key={flip.key} className="border-b border-rule py-1">
            <span className="font-semibold">{flip.name}</span>
            <span className="flex items-center gap-2">
              <StatusMark status={flip.before} tone={flip.beforeTone} />
              <span aria-label={t('ladder.becomes')}>→</span>
              <StatusMark status={flip.after} tone={flip.afterTone} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What thresholds would change in a standing; nothing is saved. */
function useMoves(asked: Query, ladder: object) {
  return useQuery({
    queryKey: ['standing', 'trial', asked, ladder],
    queryFn: () => ask<Trial>(`/standing/trial${query(asked)}`, asJson('POST', ladder)),
    placeholderData: (before) => before,
  });
}
