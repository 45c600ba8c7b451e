import { useState } from 'react';
import { monthName } from '../../format/figures';
import { usePull, useSources } from './useIntake';
import { t } from './words';

/** Fetches the month that is chosen above from an order system; nothing where none is set. */
export function Pull({ month, onPulled }: { month: string; onPulled: (id: number) => void }) {
  const sources = useSources();
  const [said, setSaid] = useState('');
  const pull = usePull((load, isUnchanged) => {
    setSaid(isUnchanged ? t('pull.hasNotChangedSinceIt', { month: monthName(month) }) : '');
    onPulled(load.id);
  });
  if (!sources.data || sources.data.length === 0) return null;
  return (
    <>
      {sources.data.map((source) => (
        <button
          key={source}
          type="button"
          disabled={pull.isPending}
          onClick={() => pull.mutate({ source, month })}
          className="mt-1.5 block min-h-6 text-left font-semibold text-select hover:underline disabled:opacity-60"
        >
          {t('pull.pullFromThe', { month: monthName(month), source })}
        </button>
      ))}
      <p role="status" className="text-quiet">
        {pull.isPending ? t('pull.pulling') : said}
      </p>
      {pull.isError && (
        <p role="alert" className="text-bad">
          {pull.error.message}
        </p>
      )}
    </>
  );
}
