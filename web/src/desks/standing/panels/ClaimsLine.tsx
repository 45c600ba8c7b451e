import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { withChanges, type View } from '../../../address/useView';
import { claimChanges } from '../rows';
import { useClaims } from '../useStanding';
import { t } from '../words';

/** How many stand on the one line that leaves the height to the rows. */
const FOLDED = 2;

/** What else is worth saying, each sentence a link to the view that shows it. */
export function ClaimsLine({ view }: { view: View }) {
  const [search] = useSearchParams();
  const [isOpen, setOpen] = useState(false);
  const claims = useClaims(view);
  const found = claims.data?.claims ?? [];
  if (found.length === 0) return null;
  const shown = isOpen ? found : found.slice(0, FOLDED);
  const more = found.length - FOLDED;
  return (
    <div className={`mb-1 flex gap-x-3 text-[13px] text-quiet ${isOpen ? 'flex-wrap' : ''}`}>
      <ul
        aria-label={t('claimsLine.insights')}
        className={`flex min-w-0 gap-x-3 ${isOpen ? 'flex-wrap' : ''}`}
      >
        {shown.map((claim) => (
          <li key={claim.kind} className="min-w-0">
            <Link
              to={`?${withChanges(search, claimChanges(claim)).toString()}`}
              title={claim.text}
              className="block min-h-6 truncate underline decoration-rule underline-offset-2 hover:text-ink hover:decoration-ink"
            >
              {claim.text}
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
          {isOpen ? t('claimsLine.fewer') : t('claimsLine.more', { n: more })}
        </button>
      )}
    </div>
  );
}
