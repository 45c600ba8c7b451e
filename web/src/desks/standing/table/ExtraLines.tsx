import type { ReactNode } from 'react';
import type { Standing } from '../../../api/types';
import { amount, NONE, signed } from '../../../format/figures';
import { count, countOf, singular } from '../../../format/nouns';
import { gridStop } from '../../../ui/useGridKeys';
import { gridOf } from './columns';
import { GoalLine, ROW_HEIGHT, type LineLook } from './StandingLine';
import { t } from '../words';

interface ExtraProps {
  standing: Standing;
  look: LineLook;
}

interface ExtraLineProps {
  look: LineLook;
  name: ReactNode;
  under: string;
  actual: string;
  goal: string;
}

/** A quiet line under the total that explains it; never judged. */
function ExtraLine({ look, name, under, actual, goal }: ExtraLineProps) {
  return (
    <div
      role="row"
      style={{ height: ROW_HEIGHT }}
      className={`${gridOf(look)} items-center border-b border-rule text-quiet`}
    >
      <span role="rowheader" className="min-w-0 pl-2 leading-tight">
        <span className="block truncate">{name}</span>
        <span className="block truncate text-[11.5px]">{under}</span>
      </span>
      <span role="gridcell" className="pr-2 text-right whitespace-nowrap">
        {actual}
      </span>
      <span role="gridcell" className="of-goal pr-2 text-right whitespace-nowrap">
        {goal}
      </span>
      <span role="gridcell" className="of-goal pr-2 text-right">
        {NONE}
      </span>
      {look.hasBeside && (
        <>
          <span role="gridcell" />
          <span role="gridcell" />
        </>
      )}
      <span role="gridcell" className="relative h-full">
        {look.hasGoals && <GoalLine scale={look.scale} />}
      </span>
      <span role="gridcell" className="of-goal" />
      <span role="gridcell" className="of-goal" />
      <span role="gridcell" className="standing-wide" />
    </div>
  );
}

/** The company's one goal, of which the rows show their shares. */
export function CompanyGoalLine({ standing, look }: ExtraProps) {
  const { goal, actual, remaining } = standing.companyGoal ?? {};
  return (
    <ExtraLine
      look={look}
      name={t('extraLines.companyGoal')}
      under={t('extraLines.remaining', {
        remaining: amount(remaining ?? null),
        unit: standing.unit === 'count' ? '' : standing.unit,
      })}
      actual={amount(actual ?? null, look.decimals.actual)}
      goal={amount(goal ?? null)}
    />
  );
}

/** What the total holds beyond the members with a goal. */
export function NoGoalLine({ standing, look }: ExtraProps) {
  const { noGoal, unassigned } = standing;
  const lines =
    unassigned.lines > 0
      ? t('extraLines.withoutA', {
          lines: count(unassigned.lines, 'line'),
          axis: singular(standing.axis),
        })
      : '';
  const members = noGoal.members > 0 ? countOf(noGoal.members, standing.axis) : '';
  return (
    <ExtraLine
      look={look}
      name={t('extraLines.noGoalAssigned')}
      under={[members, lines].filter(Boolean).join(', ')}
      actual={look.unit === 'rate' ? NONE : amount(noGoal.actual, look.decimals.actual)}
      goal={NONE}
    />
  );
}

interface CorrectionsLineProps extends ExtraProps {
  onOpen: () => void;
}

/** What was posted for closed months since they were closed; the total lacks it. */
export function CorrectionsLine({ standing, look, onOpen }: CorrectionsLineProps) {
  const { corrections } = standing;
  if (!corrections) return null;
  return (
    <ExtraLine
      look={look}
      name={
        <button
          type="button"
          {...gridStop}
          onClick={onOpen}
          className="text-select underline underline-offset-2"
        >
          {t('extraLines.correctionsSinceClose')}
        </button>
      }
      under={t('extraLines.notInTheTotal', { lines: count(corrections.lines, 'line') })}
      actual={signed(corrections.actual, look.decimals.actual)}
      goal={NONE}
    />
  );
}

/** Goals of members whose rows lie in several groups. */
export function UnsplitLine({ standing, look }: ExtraProps) {
  const { unsplit } = standing;
  if (!unsplit) return null;
  return (
    <ExtraLine
      look={look}
      name={t('extraLines.goalsNotSplitByThese')}
      under={countOf(unsplit.members, standing.axis)}
      actual={NONE}
      goal={amount(unsplit.goal, look.decimals.goal)}
    />
  );
}
