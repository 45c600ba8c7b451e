import { Link, useSearchParams } from 'react-router';
import { withChanges, type View } from '../../../address/useView';
import { claimChanges } from '../rows';
import { useClaims } from '../useStanding';
import { t } from '../words';

/** What else is worth saying, each sentence a link to the view that shows it. */
export function ClaimsLine({ view }: { view: View }) {
  const [search] = useSearchParams();
  const claims = useClaims(view);
  const found = claims.data?.claims ?? [];
  if (found.length === 0) return null;
  return (
    <ul
      aria-label={t('claimsLine.insights')}
      className="mb-1.5 flex flex-wrap gap-x-3 text-[13px] text-quiet"
    >
      {found.map((claim) => (
        <li key={claim.kind}>
          <Link
            to={`?${withChanges(search, claimChanges(claim)).toString()}`}
            className="inline-block min-h-6 underline decoration-rule underline-offset-2 hover:text-ink hover:decoration-ink"
          >
            {claim.text}
          </Link>
        </li>
      ))}
    </ul>
  );
}
