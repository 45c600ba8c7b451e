import { useState } from 'react';
import { monthName } from '../../format/figures';
import { Input } from '../../ui/Input';
import { usePull, useSources } from './useIntake';
import { t } from './words';

interface PullProps {
  month: string;
  onPulled: (id: number) => void;
}

/** Today as an ISO day, where the browser is. */
const today = () => new Date().toLocaleDateString('sv-SE');

/**
 * Fetches the month that is chosen above from an order system, or deals as of a day from a deal
 * system; nothing where none is set.
 */
export function Pull({ month, onPulled }: PullProps) {
  const [day, setDay] = useState(today);
  const sources = useSources();
  const [said, setSaid] = useState('');
  const pull = usePull((load, isUnchanged) => {
    setSaid(isUnchanged ? t('pull.unchanged', { load: load.id }) : '');
    onPulled(load.id);
  });
  if (!sources.data || sources.data.length === 0) return null;
  return (
    <>
      {sources.data.map(({ name, isOfDeals }) => (
        <div key={name}>
          <button
            type="button"
            disabled={pull.isPending || (isOfDeals && day === '')}
            onClick={() => pull.mutate({ source: name, ...(isOfDeals ? { day } : { month }) })}
            className="mt-1.5 block min-h-6 text-left font-semibold text-select hover:underline disabled:opacity-60"
          >
            {isOfDeals
              ? t('pull.dealsFromThe', { source: name })
              : t('pull.pullFromThe', { month: monthName(month), source: name })}
          </button>
          {isOfDeals && (
            <label className="flex items-center gap-2 text-quiet">
              {t('pull.asOf')}
              <Input
                type="date"
                className="rounded-sm border border-field bg-sheet px-1 text-ink"
                value={day}
                onChange={(event) => setDay(event.target.value)}
              />
            </label>
          )}
        </div>
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
