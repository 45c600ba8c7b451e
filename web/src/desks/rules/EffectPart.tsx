import type { PlanTrial } from '../../api/types';
import { amount, shortMonth, signed } from '../../format/figures';
import { FigureTable } from '../../marks/ChartFrame';
import { PayCurveChart } from '../../marks/PayCurveChart';
import { SidePanel } from '../../ui/SidePanel';
import { Pick } from '../../ui/Pick';
import { t } from './words';

interface EffectPartProps {
  name: string;
  trial: PlanTrial | undefined;
  isReading: boolean;
  /** How many months are tried, and how to choose that. */
  months: number;
  onMonths: (months: number) => void;
  /** What it can be compared with beside what is in force; and which of that it is. */
  beside?: {
    value: string;
    options: { value: string; word: string }[];
    onPick: (value: string) => void;
  };
  /** What stands there while nothing is tried. */
  without?: string;
}

/** A quarter, and a year's cost. */
const SPANS = [3, 12];
const WITHOUT = t('effectPart.thePayCurveAndIts');

/** The pay curve, and what every rep of the plan would have got in the last months. */
export function EffectPart({
  name,
  trial,
  isReading,
  months,
  onMonths,
  beside,
  without = WITHOUT,
}: EffectPartProps) {
  const other = beside?.options.find(({ value }) => value === beside.value && value !== '')?.word;
  const isShort = (trial?.months.length ?? 0) <= 3;
  return (
    <SidePanel label={t('effectPart.effect')} isBusy={isReading}>
      {!trial ? (
        <p className="text-quiet">{without}</p>
      ) : (
        <>
          {trial.curve.length > 0 ? (
            <PayCurveChart
              row={{
                name: t('effectPart.aRepOf', { name }),
                actual: '0',
                earned: null,
                tone: 'neutral',
                quota: trial.quota,
                floor: trial.floor,
                ceiling: trial.ceiling,
                curve: trial.curve,
              }}
              beside={
                trial.curveNow.length === 0 ||
                JSON.stringify(trial.curveNow) === JSON.stringify(trial.curve)
                  ? null
                  : { name: other ?? t('effectPart.inForce'), curve: trial.curveNow }
              }
            />
          ) : name === '' ? null : (
            <p className="mb-4 text-quiet">{t('effectPart.noRepWithAQuota')}</p>
          )}
          <h2 className="mb-1 font-semibold text-quiet">
            {isShort
              ? t('effectPart.whatItWouldHavePaid', {
                  join: trial.months.map(shortMonth).join(', '),
                })
              : t('effectPart.whatItWouldHavePaidFrom', {
                  first: shortMonth(trial.months[0] ?? ''),
                  last: shortMonth(trial.months.at(-1) ?? ''),
                })}
          </h2>
          <p className="mb-1 flex gap-4">
            {SPANS.map((span) => (
              <label key={span} className="flex min-h-6 items-center gap-1.5">
                <input
                  type="radio"
                  name="effect-months"
                  checked={months === span}
                  onChange={() => onMonths(span)}
                />
                {t('effectPart.months', { n: span })}
              </label>
            ))}
          </p>
          {beside && beside.options.length > 1 && (
            <div className="mb-2">
              <Pick
                label={t('effectPart.comparedWith')}
                value={beside.value}
                options={beside.options}
                onChange={beside.onPick}
              />
            </div>
          )}
          <p className="mb-2">
            {amount(trial.before)} → <b>{amount(trial.after)}</b>
            {trial.budget !== null && (
              <span className="text-quiet">
                {' '}
                {t('effectPart.budget', { budget: amount(trial.budget) })}
              </span>
            )}
          </p>
          <FigureTable
            head={[
              t('effectPart.rep'),
              ...(isShort ? trial.months.map(shortMonth) : []),
              t('effectPart.change'),
            ]}
            rows={trial.reps.map((rep) => [
              rep.name,
              ...(isShort
                ? rep.after.map((pay, at) =>
                    pay === null ? `– ${rep.afterWhy[at] ?? ''}`.trim() : amount(pay),
                  )
                : []),
              signed(rep.change),
            ])}
          />
          {trial.reps.length === 0 && <p className="mt-2">{t('effectPart.nobodysPayChanges')}</p>}
          <p className="mt-2 text-[12px] text-quiet">
            {t('effectPart.closedMonthsStayAsThey', {
              name:
                name === '' ? t('effectPart.byTheMonthsFromWhich') : t('effectPart.asIfThePlanHad'),
            })}
          </p>
        </>
      )}
    </SidePanel>
  );
}
