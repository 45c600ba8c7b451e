import { Link } from 'react-router';
import { useRights } from '../../../api/account';
import { useCloses } from '../../../api/closes';
import type { Company } from '../../../api/types';
import { fiscalYear } from '../../../address/span';
import type { View } from '../../../address/useView';
import { claimChanges } from '../rows';
import { useClaims } from '../useStanding';
import { t } from '../words';
import { InsightLine } from './InsightLine';

interface ClaimsLineProps {
  company: Company;
  view: View;
}

/** What the months of the view say beyond its headline, and what none of its figures counts yet. */
export function ClaimsLine({ company, view }: ClaimsLineProps) {
  const claims = useClaims(view).data?.claims ?? [];
  const staged = useStaged(company, view);
  return (
    <InsightLine
      folded={staged.length > 0 ? 1 : 2}
      first={
        staged.length > 0 ? (
          <Link
            to={`/intake?to=${view.span.to}`}
            className="min-h-6 shrink-0 font-semibold whitespace-nowrap text-near-text underline underline-offset-2"
          >
            {t('claimsLine.notCounted', { n: staged.length })}
          </Link>
        ) : null
      }
      insights={claims.map((claim) => ({
        key: claim.kind,
        text: claim.text,
        changes: claimChanges(claim),
      }))}
    />
  );
}

/** Loads with actuals of the view's months that wait to be posted; of who may see loads only. */
function useStaged(company: Company, { span }: View): number[] {
  const { isOffice } = useRights();
  const closes = useCloses(fiscalYear(span.to, company.calendar), isOffice);
  const months = (closes.data ?? []).filter(({ month }) => month >= span.from && month <= span.to);
  return [...new Set(months.flatMap(({ staged }) => staged))];
}
