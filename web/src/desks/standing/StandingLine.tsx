import type { Direction, Reading, Standing } from '../../api/types';
import { amount, count, growth, NONE, signed, plural } from '../../format/figures';
import { goalPlace, Lane, type LaneScale } from '../../marks/Lane';
import { shadeColour } from '../../marks/shading';
import { StatusMark } from '../../marks/StatusMark';
import { toneText } from '../../marks/tones';
import { goalText, gridOf, type Decimals } from './columns';
import { figuresOf } from './standing';

export const ROW_HEIGHT = 37;

/** What all lines of a table share. */
export interface LineLook {
  scale: LaneScale;
  decimals: Decimals;
  direction: Direction;
  hasGoals: boolean;
  hasBeside: boolean;
  unit: string;
}

interface LineProps {
  look: LineLook;
  name: string;
  under?: string | undefined;
  reading: Reading;
  rowIndex?: number;
  /** Whether the actual is the highest or the lowest of all rows. */
  extreme?: 'highest' | 'lowest' | undefined;
  kind?: 'total' | 'group' | 'row' | 'inner';
  isOpen?: boolean;
  onToggle?: () => void;
  isShaded?: boolean;
  isSelected: boolean;
  onSelect: () => void;
}

/** One line of the table: a total, a subtotal or a row, with its lane. */
export function Line(props: LineProps) {
  const { look, name, under, reading, kind = 'row', isSelected } = props;
  const figures = figuresOf(reading);
  const status =
    reading.noReading && reading.tone === 'neutral' ? reading.noReading : reading.status;
  const weight = { total: 'border-ink font-bold', group: 'font-semibold', row: '', inner: '' };
  const note = reading.notes?.map((one) => one.reasonName ?? one.text).join(', ');
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      onClick={props.onSelect}
      style={{ height: ROW_HEIGHT }}
      className={`${gridOf(look.hasBeside)} cursor-pointer items-center border-b border-rule ${weight[kind]} ${isSelected ? 'on-selection bg-select-ground' : kind === 'group' ? 'bg-ground/70' : 'hover:bg-ground/60'}`}
    >
      <span role="rowheader" className="flex min-w-0 items-center pl-2">
        {kind === 'group' && (
          <button
            type="button"
            aria-expanded={props.isOpen}
            aria-label={`${props.isOpen ? 'Close' : 'Open'} ${name}`}
            className="mr-0.5 -ml-1 h-6 w-6 shrink-0 rounded-sm text-quiet hover:text-ink"
            onClick={(event) => {
              event.stopPropagation();
              props.onToggle?.();
            }}
          >
            <span aria-hidden="true">{props.isOpen ? '▾' : '▸'}</span>
          </button>
        )}
        <button
          type="button"
          aria-current={isSelected ? 'true' : undefined}
          className={`block min-w-0 flex-1 text-left leading-tight ${kind === 'inner' ? 'pl-4' : ''}`}
          title={name}
        >
          <span className="block truncate font-semibold">{name}</span>
          {(note ?? under) && (
            <span
              className={`block truncate text-[11.5px] font-normal ${note ? 'text-near-text' : 'text-quiet'}`}
            >
              {note ? `✎ ${note}` : under}
            </span>
          )}
        </button>
      </span>
      <span role="cell" className="pr-2 text-right whitespace-nowrap">
        {props.extreme && <ExtremeMark extreme={props.extreme} />}
        {amount(figures.actual, look.decimals.actual)}
      </span>
      <span role="cell" className="pr-2 text-right whitespace-nowrap text-quiet">
        {goalText(reading, look.decimals.goal)}
      </span>
      <span
        role="cell"
        className="flex h-full items-center justify-end pr-2 whitespace-nowrap"
        style={{ background: props.isShaded ? shadeColour(reading.shade) : undefined }}
      >
        {signed(figures.variance, look.decimals.variance)}
      </span>
      {look.hasBeside && <BesideCells reading={reading} unit={look.unit} />}
      <span role="cell" className="relative h-full">
        {(kind !== 'total' || look.scale.kind === 'percent') && (
          <Lane reading={reading} scale={look.scale} direction={look.direction} />
        )}
        {look.hasGoals && <GoalLine scale={look.scale} />}
      </span>
      <span role="cell" className={`pr-1 text-right font-semibold ${toneText(reading.tone)}`}>
        {reading.percentShown === null ? NONE : amount(reading.percentShown)}
      </span>
      <span role="cell" className="flex items-center pl-3">
        <StatusMark status={status} tone={reading.tone} isPast={reading.status === 'well past'} />
      </span>
      <span role="cell" className="standing-wide pr-2 text-right text-quiet">
        {growth(reading.growthShown)}
      </span>
    </div>
  );
}

/** The variance and percent-to-goal on the second basis. */
function BesideCells({ reading, unit }: { reading: Reading; unit: string }) {
  const { beside } = reading;
  return (
    <>
      <span role="cell" className="pr-2 text-right whitespace-nowrap">
        {unit === 'rate'
          ? signed(beside?.variancePercent ?? null)
          : signed(beside?.variance ?? null, 'drop')}
      </span>
      <span
        role="cell"
        className={`pr-2 text-right ${beside ? toneText(beside.tone) : ''}`}
        title={beside ? (beside.noReading ?? beside.status) : undefined}
      >
        {beside?.percentShown ? amount(beside.percentShown) : NONE}
      </span>
    </>
  );
}

/** Marks the highest or lowest actual: an arrow to a bar, and the word for screen readers. */
function ExtremeMark({ extreme }: { extreme: 'highest' | 'lowest' }) {
  return (
    <span title={`${extreme} actual`} className="float-left pl-1 text-quiet">
      <svg width="9" height="12" viewBox="0 0 9 12" className="inline" aria-hidden="true">
        <g transform={extreme === 'lowest' ? 'rotate(180 4.5 6)' : undefined}>
          <path d="M0 1h9M4.5 11V4M1.5 7l3-3 3 3" fill="none" stroke="currentColor" />
        </g>
      </svg>
      <span className="sr-only">{extreme}</span>
    </span>
  );
}

/** The row's stretch of the one goal line; over the row's rule, so that the stretches join. */
function GoalLine({ scale }: { scale: LaneScale }) {
  const place = goalPlace(scale);
  return place === null ? null : (
    <span
      aria-hidden="true"
      className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
      style={{ left: `${place * 100}%` }}
    />
  );
}

/** What the total holds beyond the members with a goal. */
export function NoGoalLine({ standing, look }: { standing: Standing; look: LineLook }) {
  const { noGoal, unassigned } = standing;
  const lines =
    unassigned.lines > 0 ? `${count(unassigned.lines, 'line')} without a ${standing.axis}` : '';
  const members =
    noGoal.members > 0 ? count(noGoal.members, standing.axis, plural(standing.axis)) : '';
  return (
    <div
      role="row"
      style={{ height: ROW_HEIGHT }}
      className={`${gridOf(look.hasBeside)} items-center border-b border-rule text-quiet`}
    >
      <span role="rowheader" className="min-w-0 pl-2 leading-tight">
        <span className="block truncate">No goal assigned</span>
        <span className="block truncate text-[11.5px]">
          {[members, lines].filter(Boolean).join(', ')}
        </span>
      </span>
      <span role="cell" className="pr-2 text-right whitespace-nowrap">
        {look.unit === 'rate' ? NONE : amount(noGoal.actual, look.decimals.actual)}
      </span>
      <span role="cell" className="pr-2 text-right">
        {NONE}
      </span>
      <span role="cell" className="pr-2 text-right">
        {NONE}
      </span>
      {look.hasBeside && (
        <>
          <span role="cell" />
          <span role="cell" />
        </>
      )}
      <span role="cell" className="relative h-full">
        <GoalLine scale={look.scale} />
      </span>
      <span role="cell" />
      <span role="cell" />
      <span role="cell" className="standing-wide" />
    </div>
  );
}
