import type { PlanTrial } from '../../api/types';
import { amount, shortMonth, signed } from '../../format/figures';
import { FigureTable } from '../../marks/ChartFrame';
import { PayCurveChart } from '../../marks/PayCurveChart';
import { t } from './words';

interface EffectPartProps {
  name: string;
  trial: PlanTrial | undefined;
  isReading: boolean;
  /** What stands there while nothing is tried. */
  without?: string;
}

const WITHOUT = t('effectPart.thePayCurveAndIts');

/** The pay curve, and what every rep of the plan would have got in the last months. */
export function EffectPart({ name, trial, isReading, without = WITHOUT }: EffectPartProps) {
  return (
    <aside
      aria-label={t('effectPart.effect')}
      aria-busy={isReading}
      className="min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-3"
    >
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
            />
          ) : name === '' ? null : (
            <p className="mb-4 text-quiet">{t('effectPart.noRepWithAQuota')}</p>
          )}
          <h2 className="mb-1 font-semibold text-quiet">
            {t('effectPart.whatItWouldHavePaid', { join: trial.months.map(shortMonth).join(', ') })}
          </h2>
          <p className="mb-2">
            {amount(trial.before)} → <b>{amount(trial.after)}</b>
          </p>
          <FigureTable
            head={[t('effectPart.rep'), ...trial.months.map(shortMonth), t('effectPart.change')]}
            rows={trial.reps.map((rep) => [
              rep.name,
              ...rep.after.map((pay, at) =>
                pay === null ? `– ${rep.afterWhy[at] ?? ''}`.trim() : amount(pay),
              ),
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
    </aside>
  );
}
