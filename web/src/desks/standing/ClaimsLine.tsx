import { Link, useSearchParams } from 'react-router';
import type { View } from '../../app/useView';
import { withChanges } from '../../app/useView';
import { Fragment } from 'react';
import { claimChanges } from './standing';
import { useClaims } from './useStanding';

/** What else is worth saying, each sentence a link to the view that shows it. */
export function ClaimsLine({ view }: { view: View }) {
  const [search] = useSearchParams();
  const claims = useClaims(view);
  const found = claims.data?.claims ?? [];
  if (found.length === 0) return null;
  return (
    <p aria-label="Findings" className="mb-2 text-[13px] leading-relaxed text-quiet">
      {found.map((claim, at) => (
        <Fragment key={claim.kind}>
          {at > 0 && ' '}
          <Link
            to={`?${withChanges(search, claimChanges(claim, view)).toString()}`}
            className="underline decoration-rule underline-offset-2 hover:text-ink hover:decoration-ink"
          >
            {claim.text}
          </Link>
        </Fragment>
      ))}
    </p>
  );
}
