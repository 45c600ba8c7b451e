import type { View } from '../../../address/useView';
import { claimChanges } from '../rows';
import { useClaims } from '../useStanding';
import { InsightLine } from './InsightLine';

/** What the months of the view say beyond its headline. */
export function ClaimsLine({ view }: { view: View }) {
  const claims = useClaims(view).data?.claims ?? [];
  return (
    <InsightLine
      folded={2}
      insights={claims.map((claim) => ({
        key: claim.kind,
        text: claim.text,
        changes: claimChanges(claim),
      }))}
    />
  );
}
