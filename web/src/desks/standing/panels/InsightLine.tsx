import { useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { withChanges, type Changes } from '../../../address/useView';
import { t } from '../words';

interface Insight {
  key: string;
  text: string;
  /** What to change of the view so that it shows the sentence. */
  changes: Changes;
}

interface InsightLineProps {
  insights: Insight[];
  /** How many stand on the one line that leaves the height to the rows. */
  folded: number;
  /** What must be known before any of them. */
  first?: ReactNode;
}

/** What else is worth saying, each sentence a link to the view that shows it. */
export function InsightLine({ insights, folded, first = null }: InsightLineProps) {
  const [search] = useSearchParams();
  const [isOpen, setOpen] = useState(false);
  if (insights.length === 0 && first === null) return null;
  const more = insights.length - folded;
  return (
    <div className={`mb-1 flex gap-x-3 text-[13px] text-quiet ${isOpen ? 'flex-wrap' : ''}`}>
      {first}
      <ul
        aria-label={t('insightLine.insights')}
        className={`flex min-w-0 gap-x-3 ${isOpen ? 'flex-wrap' : ''}`}
      >
        {(isOpen ? insights : insights.slice(0, folded)).map(({ key, text, changes }) => (
          <li key={key} className="min-w-0">
            <Link
              to={`?${withChanges(search, changes).toString()}`}
              title={text}
              className="block min-h-6 truncate underline decoration-rule underline-offset-2 hover:text-ink hover:decoration-ink"
            >
              {text}
            </Link>
          </li>
        ))}
      </ul>
      {more > 0 && (
        <button
          type="button"
          aria-expanded={isOpen}
          className="no-print min-h-6 shrink-0 whitespace-nowrap text-select"
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? t('insightLine.fewer') : t('insightLine.more', { n: more })}
        </button>
      )}
    </div>
  );
}
