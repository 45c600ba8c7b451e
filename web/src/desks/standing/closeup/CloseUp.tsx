import { useRights, type Rights } from '../../../api/account';
import type { Company, CloseUp as CloseUpData, Reading, Standing } from '../../../api/types';
import { isNarrowed, type Changes, type View } from '../../../address/useView';
import { amount, count, growth, NONE, plural, signed } from '../../../format/figures';
import { StatusMark } from '../../../marks/StatusMark';
import { VarianceParts } from '../../../marks/VarianceParts';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { MonthsPart } from './MonthsPart';
import { NotesPart } from './NotesPart';
import { ReasonsPart } from './ReasonsPart';
import { ProofPart } from './ProofPart';
import { EMPTY, figuresOf, isPast, statusOf, targetOf, TOTAL, varianceOf } from '../rows';
import { useCloseUp, type Target } from '../useStanding';

interface CloseUpProps {
  view: View;
  standing: Standing;
  company: Company;
  change: (changes: Changes) => void;
}

/** Whatever is selected, explained: in words, by month, by part, why, and down to the lines. */
export function CloseUp({ view, standing, company, change }: CloseUpProps) {
  const rights = useRights();
  const found = targetOf(standing, view);
  const target: Target = found;
  const closeUp = useCloseUp(view, target);
  const reading = found.row ?? standing.total;
  const isGone = view.selected !== null && view.selected !== TOTAL && found.row === null;
  return (
    <aside
      aria-label="Close-up"
      className="print-whole min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <h2 className="text-[18px] font-bold break-words">
        {found.row?.name ?? totalName(view, standing, company, rights)}
      </h2>
      {found.row?.place && <p className="text-quiet">{found.row.place}</p>}
      {isGone && (
        <p role="status" className="text-quiet">
          “{view.selected}” is no row of this view; this is the total.
        </p>
      )}
      <p className="mt-1.5">
        <StatusMark
          status={statusOf(reading)}
          tone={reading.spoken.tone}
          isPast={isPast(reading, standing.rung.rungs)}
        />
      </p>
      <p className="mb-2 leading-snug">{sentence(reading, standing)}</p>
      {closeUp.isPending ? (
        <Loading what="the close-up" />
      ) : closeUp.isError ? (
        <Failed error={closeUp.error} onRetry={() => void closeUp.refetch()} />
      ) : (
        <Ahead closeUp={closeUp.data} reading={reading} standing={standing} />
      )}
      <MonthsPart view={view} target={target} standing={standing} />
      {closeUp.data && closeUp.data.parts.length > 0 && (
        <VarianceParts
          key={`parts ${target.axis} ${target.key} ${view.along ?? ''}`}
          along={view.along}
          closeUp={closeUp.data}
          isRate={standing.unit === 'rate'}
        />
      )}
      {found.row === null && <ReasonsPart view={view} standing={standing} />}
      {found.noteOf && found.row && (
        <NotesPart
          key={`${found.noteOf.axis} ${found.noteOf.key} ${standing.from} ${standing.to}`}
          member={found.noteOf}
          standing={standing}
          notes={found.row.notes ?? []}
        />
      )}
      <p className="no-print mb-4">
        <button type="button" className={smallButton} onClick={() => change({ panel: 'orders' })}>
          Orders
        </button>
      </p>
      <ProofPart
        key={`${target.axis} ${target.key} ${target.group ?? ''}`}
        view={view}
        standing={standing}
        target={target}
      />
    </aside>
  );
}

/** The total's name: the company, what is seen of it, or how many rows of it are kept. */
function totalName(view: View, standing: Standing, company: Company, rights: Rights): string {
  if (isNarrowed(view)) {
    return `${count(standing.rows.length, standing.axis, plural(standing.axis))} together`;
  }
  if (rights.isOffice) return company.name;
  return rights.isRep ? 'All of yours' : 'Your team';
}

/** The variance that is spoken of in words: "13 650.00 short of 300 000.00". */
export function sentence(reading: Reading, standing: Standing): string {
  const { spoken } = reading;
  const figures = figuresOf(reading);
  const unit = standing.unit === 'rate' ? ' %' : '';
  if (spoken.noReading === EMPTY) {
    const goal = figures.goal === null ? '' : ` The goal is ${amount(figures.goal)}${unit}.`;
    return `Nothing is posted yet.${goal}`;
  }
  if (reading.actual === null) return 'There is nothing to divide by in this span.';
  const actual = amount(figures.actual) + unit;
  if (reading.goalLow !== undefined && reading.goalHigh !== undefined) {
    const range = `${amount(reading.goalLow)} to ${amount(reading.goalHigh)}`;
    const by = amount((spoken.variance ?? '').replace('-', ''));
    if (spoken.kind === 'to-date') return `${actual}, the range is ${range}.`;
    return reading.position === 'inside'
      ? `${actual}, inside ${range}.`
      : `${by} ${reading.position ?? ''} the range of ${range}.`;
  }
  if (reading.goal === null) return `${actual}, and no goal to compare it with.`;
  const goal =
    spoken.kind === 'to-date'
      ? `the ${amount(spoken.goal)} expected so far; the whole goal is ${amount(figures.goal)}`
      : `${amount(figures.goal)}${unit}${goalMonthsWords(reading, standing)}`;
  const variance = varianceOf(reading);
  const size = amount((variance ?? '').replace('-', '')) + (unit && ' points');
  const words = {
    HIGHER: { above: 'ahead of', below: 'short of' },
    LOWER: { above: 'over', below: 'under' },
    NEAREST: { above: 'above', below: 'below' },
  }[standing.direction];
  const isZero = variance === null || !/[1-9]/.test(variance);
  const isBelow = variance?.startsWith('-') ?? false;
  return isZero ? `Exactly on ${goal}.` : `${size} ${isBelow ? words.below : words.above} ${goal}.`;
}

function goalMonthsWords({ spoken, goalMonths }: Reading, standing: Standing): string {
  if (standing.from === standing.to) return '';
  const months = `${goalMonths} ${goalMonths === 1 ? 'month' : 'months'}`;
  return spoken.kind === 'comparable'
    ? `, in the ${months} that ${goalMonths === 1 ? 'has' : 'have'} a goal`
    : ` (${months} with a goal)`;
}

interface AheadProps {
  closeUp: CloseUpData;
  reading: Reading;
  standing: Standing;
}

/** Rank and movement, the open month, what comes next. */
function Ahead({ closeUp, reading, standing }: AheadProps) {
  const lines: [string, string][] = [];
  const rank = rankWords(closeUp, standing);
  if (rank) lines.push(['Rank', rank]);
  const { ahead } = reading;
  if (ahead?.expected) {
    const pace = ahead.paceShown === null ? '' : `, pace ${amount(ahead.paceShown)} %`;
    lines.push(['Expected so far', `${amount(ahead.expected)}${pace}`]);
  }
  if (ahead?.landing) {
    const against = ahead.landingVariance
      ? `, ${signed(ahead.landingVariance)} vs ${standing.goal}`
      : '';
    lines.push(['Lands at', amount(ahead.landing) + against]);
  }
  if (closeUp.lastYear) {
    const { actual, changeShown } = closeUp.lastYear;
    lines.push(['Change vs last year', `${growth(changeShown)} from ${amount(actual)}`]);
  }
  const isLower = standing.direction === 'LOWER';
  for (const { name, toGoShown } of closeUp.milestones.slice(0, 2)) {
    const left = standing.unit === 'rate' ? `${amount(toGoShown)} points` : amount(toGoShown);
    lines.push([isLower ? `Until “${name}”` : `To “${name}”`, `${left} more`]);
  }
  if (closeUp.required) {
    const { perMonth, monthsLeft, isReached } = closeUp.required;
    lines.push([
      'Rest of the year',
      isReached
        ? 'year goal reached'
        : `${amount(perMonth)} in each of ${count(monthsLeft, 'month')}`,
    ]);
  }
  for (const { goalSet, amount: sum, overShown } of closeUp.assigned) {
    const share = overShown === null ? NONE : `${signed(overShown)} %`;
    lines.push([`Sum of assigned ${goalSet}`, `${amount(sum)} (${share})`]);
  }
  if (lines.length === 0) return null;
  return (
    <dl className="mb-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-[13px]">
      {lines.map(([what, words]) => (
        <div key={what} className="contents">
          <dt className="text-quiet">{what}</dt>
          <dd className="text-right">{words}</dd>
        </div>
      ))}
    </dl>
  );
}

function rankWords(closeUp: CloseUpData, standing: Standing): string | null {
  const { place, places, placeBefore } = closeUp;
  if (place === null || places < 2) return null;
  const of = `${place} of ${places} ${plural(standing.axis)}`;
  if (placeBefore === null) return `${of}, new`;
  const moved = placeBefore - place;
  if (moved === 0) return `${of}, as a month before`;
  return `${of}, ${moved > 0 ? 'up' : 'down'} ${Math.abs(moved)} on a month before`;
}
