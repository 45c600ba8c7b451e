import type { Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount } from '../../../format/figures';
import { count } from '../../../format/nouns';
import { useClaims } from '../useStanding';
import { t } from '../words';

interface ReasonsPartProps {
  view: View;
  standing: Standing;
}

/** What was noted as the reason for the shortfalls of the rows, the largest first. */
export function ReasonsPart({ view, standing }: ReasonsPartProps) {
  const claims = useClaims(view);
  const reasons = claims.data?.reasons ?? [];
  if (!reasons.some((one) => one.reason !== null)) return null;
  return (
    <section aria-label={t('reasonsPart.reasonsNoted')} className="mb-5">
      <h3 className="mb-1 font-semibold text-quiet">
        {t('reasonsPart.reasonsForTheOverspend', {
          isLower: String(standing.direction === 'LOWER'),
        })}
      </h3>
      <ul>
        {reasons.map((one) => (
          <li
            key={one.reason ?? ''}
            className="flex justify-between gap-2 border-t border-rule py-1"
          >
            <span className={one.reason === null ? 'text-quiet' : ''}>
              {one.reason ?? t('reasonsPart.noReasonNoted')}
              <span className="text-quiet">, {count(one.months, 'rowAndMonth')}</span>
            </span>
            <span className="whitespace-nowrap">
              {amount(one.shortfall)} · {one.shareShown} %
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
