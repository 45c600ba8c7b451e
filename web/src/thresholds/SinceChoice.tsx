import { useId } from 'react';
import { monthName } from '../format/figures';
import { t } from './words';

interface SinceChoiceProps {
  /** Months that thresholds may begin with. */
  months: string[];
  /** The month chosen; null for every month. */
  since: string | null;
  onChange: (since: string | null) => void;
}

/** From which month on thresholds decide, or for every month. */
export function SinceChoice({ months, since, onChange }: SinceChoiceProps) {
  const name = useId();
  return (
    <fieldset className="mb-3">
      <legend className="text-quiet">{t('ladder.appliesTo')}</legend>
      {[...months, null].map((month) => (
        <label key={month} className="flex min-h-6 items-center gap-1.5">
          <input
            type="radio"
            name={name}
            checked={since === month}
            onChange={() => onChange(month)}
          />
          {month === null
            ? t('ladder.everyMonthAlsoPastOnes')
            : t('ladder.andLaterEarlierMonthsKeep', { to: monthName(month) })}
        </label>
      ))}
    </fieldset>
  );
}
