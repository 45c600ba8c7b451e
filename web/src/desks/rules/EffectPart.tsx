import type { PlanTrial } from '../../api/types';
import { amount, shortMonth, signed } from '../../format/figures';
import { FigureTable } from '../../marks/ChartFrame';
import { PayCurveChart } from '../../marks/PayCurveChart';

interface EffectPartProps {
  name: string;
  trial: PlanTrial | undefined;
  isReading: boolean;
  /** What stands there while nothing is tried. */
  without?: string;
}

const WITHOUT = 'The curve and its effect stand here once the plan can be read.';

/** The pay curve, and what every rep of the plan would have got in the last months. */
export function EffectPart({ name, trial, isReading, without = WITHOUT }: EffectPartProps) {
  return (
    <aside
      aria-label="Effect"
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
                name: `a rep of ${name}`,
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
            <p className="mb-4 text-quiet">No rep with a quota has it yet, so there is no curve.</p>
          )}
          <h2 className="mb-1 font-semibold text-quiet">
            What it would have paid, {trial.months.map(shortMonth).join(', ')}
          </h2>
          <p className="mb-2">
            {amount(trial.before)} → <b>{amount(trial.after)}</b>
          </p>
          <FigureTable
            head={['Rep', ...trial.months.map(shortMonth), 'Change']}
            rows={trial.reps.map((rep) => [
              rep.name,
              ...rep.after.map((pay, at) =>
                pay === null ? `– ${rep.afterWhy[at] ?? ''}`.trim() : amount(pay),
              ),
              signed(rep.change),
            ])}
          />
          {trial.reps.length === 0 && <p className="mt-2">Nobody’s pay changes.</p>}
          <p className="mt-2 text-[12px] text-quiet">
            {name === ''
              ? 'By the months from which it holds'
              : 'As if the plan had held in these months'}
            ; sealed ones stay as they are.
          </p>
        </>
      )}
    </aside>
  );
}
