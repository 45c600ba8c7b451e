import type { Standing } from '../../../api/types';
import type { Changes } from '../../../address/useView';
import { t } from '../words';

/** How far the open month is, and a day of it to look ahead from. */
export function AsOf({
  standing,
  change,
}: {
  standing: Standing;
  change: (changes: Changes) => void;
}) {
  const { openMonth } = standing;
  if (!openMonth) return null;
  const { asOf, elapsed, workingDays } = openMonth;
  return (
    <label className="text-quiet">
      {t('asOf.asOf')}{' '}
      <input
        key={asOf}
        type="date"
        defaultValue={asOf}
        min={`${standing.to}-01`}
        max={`${standing.to}-31`}
        onBlur={(event) => {
          const day = event.currentTarget.value;
          if (day.startsWith(standing.to) && day !== asOf) change({ asof: day });
        }}
        className="border-b border-select bg-transparent font-semibold text-ink"
      />{' '}
      {t('asOf.dayOf', { elapsed, workingDays })}
    </label>
  );
}
