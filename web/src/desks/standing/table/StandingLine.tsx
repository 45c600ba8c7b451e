import type { Direction, Reading, Rung, Standing } from '../../../api/types';
import { amount, growth, NONE, signed } from '../../../format/figures';
import type { LastColumn } from '../../../address/useView';
import { count } from '../../../format/nouns';
import { goalPlace, Lane, type LaneScale } from '../../../marks/Lane';
import { shadeColour } from '../../../marks/shading';
import { StatusMark } from '../../../marks/StatusMark';
import { toneText } from '../../../marks/tones';
import type { Held } from '../../../ui/picks';
import { gridStop } from '../../../ui/useGridKeys';
import { goalText, gridOf, type Decimals } from './columns';
import { EMPTY, figuresOf, isPast, laneOf, statusOf, varianceOf } from '../rows';
import { t } from '../words';

export const ROW_HEIGHT = 37;

/** What all lines of a table share. */
export interface LineLook {
  stretches: Standing['stretches'];
  scale: LaneScale;
  decimals: Decimals;
  direction: Direction;
  hasGoals: boolean;
  hasBeside: boolean;
  unit: string;
  rungs: Rung[];
  /** How many months the span has. */
  months: number;
  /** Whether the last of them is running. */
  isRunning: boolean;
  /** Whether there is nothing to compare with. */
  isPlain: boolean;
  lastColumn: LastColumn;
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
  /** Whether j, k and x go on from here while others are read together. */
  isNext?: boolean;
  onSelect: (held: Held) => void;
}

/** One line of the table: a total, a subtotal or a row, with its lane. */
export function Line(props: LineProps) {
  const { look, name, under, reading, kind = 'row', isSelected } = props;
  const figures = figuresOf(reading);
  const { spoken } = reading;
  const isEmpty = spoken.noReading === EMPTY;
  const weight = { total: 'border-ink font-bold', group: 'font-semibold', row: '', inner: '' };
  const note = reading.notes?.map((one) => one.reasonName ?? one.text).join(', ');
  const remarks = remarksOf(reading, look);
  const isChange = look.lastColumn === 'year' || look.lastColumn === 'period';
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      aria-selected={isSelected}
      onClick={props.onSelect}
      style={{ height: ROW_HEIGHT }}
      className={`${gridOf(look)} cursor-pointer items-center border-b border-rule ${weight[kind]} ${isSelected ? 'on-selection bg-select-ground' : kind === 'group' ? 'bg-ground/70' : 'hover:bg-ground/60'} ${props.extreme ? `standing-${props.extreme}` : ''} ${props.isNext ? 'is-next' : ''}`}
    >
      <span role="rowheader" className="flex min-w-0 items-center pl-2">
        {kind === 'group' && (
          <button
            type="button"
            {...gridStop}
            aria-expanded={props.isOpen}
            aria-label={`${props.isOpen ? t('standingLine.close') : t('standingLine.open')} ${name}`}
            className="mr-0.5 -ml-1 h-6 w-6 shrink-0 rounded-sm text-quiet hover:text-ink"
            onClick={(event) => {
              event.stopPropagation();
              props.onToggle?.();
            }}
          >
            <span aria-hidden="true">{props.isOpen ? '▾' : '▸'}</span>
          </button>
        )}
        {/* eslint-disable-next-line jsx-a11y/role-supports-aria-props -- global since ARIA 1.3 */}
        <button
          type="button"
          {...gridStop}
          aria-description={spokenRow(reading, look)}
          aria-current={isSelected ? 'true' : undefined}
          className={`block min-w-0 flex-1 text-left leading-tight ${kind === 'inner' ? 'pl-4' : ''}`}
          title={name}
        >
          <span className="block truncate font-semibold">{name}</span>
          {(note ?? remarks ?? under) && (
            <span
              className={`block truncate text-[11.5px] font-normal ${note || remarks ? 'text-near-text' : 'text-quiet'}`}
              title={[note, remarks, under].filter(Boolean).join('; ')}
            >
              {[remarks, note && `✎ ${note}`].filter(Boolean).join('; ') || under}
            </span>
          )}
        </button>
      </span>
      <span role="gridcell" className="pr-2 text-right whitespace-nowrap">
        {props.extreme && <ExtremeMark extreme={props.extreme} />}
        {amount(figures.actual, look.decimals.actual)}
      </span>
      <span role="gridcell" className="of-goal pr-2 text-right whitespace-nowrap text-quiet">
        {goalText(reading, look.decimals.goal)}
      </span>
      <span
        role="gridcell"
        className="of-goal flex h-full items-center justify-end pr-2 whitespace-nowrap"
        style={{ background: props.isShaded ? shadeColour(spoken.shade) : undefined }}
      >
        {isEmpty ? NONE : signed(varianceOf(reading), look.decimals.variance)}
      </span>
      {look.hasBeside && (
        <BesideCells reading={reading} unit={look.unit} isShaded={props.isShaded} />
      )}
      <span role="gridcell" className="relative h-full">
        {(kind !== 'total' || look.scale.kind === 'percent') && (
          <Lane
            reading={laneOf(reading)}
            scale={look.scale}
            direction={look.direction}
            stretches={look.stretches}
          />
        )}
        {look.hasGoals && <GoalLine scale={look.scale} />}
      </span>
      <span
        role="gridcell"
        className={`of-goal pr-1 text-right font-semibold ${toneText(spoken.tone)}`}
      >
        {reading.shareOfCompany !== undefined
          ? amount(reading.shareOfCompany)
          : isEmpty || spoken.percentShown === null
            ? NONE
            : amount(spoken.percentShown)}
      </span>
      <span role="gridcell" className="of-goal flex items-center pl-3">
        {reading.shareOfCompany === undefined ? (
          <StatusMark
            status={statusOf(reading)}
            tone={spoken.tone}
            isPast={isPast(reading, look.rungs)}
          />
        ) : (
          NONE // a goal of the company judges nobody
        )}
      </span>
      <span
        role="gridcell"
        className="standing-wide pr-2 text-right text-quiet"
        title={isChange && look.isRunning ? t('standingLine.anOpenMonthIsNot') : undefined}
      >
        {isEmpty || (isChange && look.isRunning) ? NONE : lastText(reading, look.lastColumn)}
      </span>
    </div>
  );
}

/** The last column's figure: a change in percent, or a share of the goal. */
function lastText(reading: Reading, column: LastColumn): string {
  if (column === 'year') return growth(reading.growthOnYearShown);
  if (column === 'period') return growth(reading.growthShown);
  const { remainingShown, overShown } = reading.spoken;
  return amount(column === 'remaining' ? remainingShown : overShown);
}

/** A row's figures as they are read out when it gets the focus. */
function spokenRow(reading: Reading, look: LineLook): string {
  const figures = figuresOf(reading);
  return t('standingLine.row', {
    actual: amount(figures.actual),
    goal: goalText(reading, look.decimals.goal),
    variance: signed(varianceOf(reading)),
    percent: reading.spoken.percentShown === null ? NONE : amount(reading.spoken.percentShown),
    status: statusOf(reading),
  });
}

/** What has to be known to read the row rightly; undefined for nothing. */
function remarksOf(reading: Reading, look: LineLook): string | undefined {
  const remarks: string[] = [];
  if (reading.waiting) {
    remarks.push(
      reading.waitsFor
        ? t('standingLine.waitsFor', { waitsFor: reading.waitsFor })
        : t('standingLine.waitsForItsFile'),
    );
  }
  if (reading.spoken.kind === 'comparable') {
    remarks.push(
      t('standingLine.goalForOfMonths', { goalMonths: reading.goalMonths, months: look.months }),
    );
  }
  if (reading.correction) {
    const { actual, lines } = reading.correction;
    remarks.push(
      t('standingLine.sinceClose', { actual: signed(actual), lines: count(lines, 'line') }),
    );
  }
  return remarks.length === 0 ? undefined : remarks.join('; ');
}

interface BesideProps {
  reading: Reading;
  unit: string;
  isShaded?: boolean | undefined;
}

/** The variance and percent-to-goal on the second basis. */
function BesideCells({ reading, unit, isShaded }: BesideProps) {
  const { beside } = reading;
  return (
    <>
      <span
        role="gridcell"
        className="flex h-full items-center justify-end pr-2 whitespace-nowrap"
        style={{ background: isShaded ? shadeColour(beside?.shade) : undefined }}
      >
        {unit === 'rate'
          ? signed(beside?.variancePercent ?? null)
          : signed(beside?.variance ?? null, 'drop')}
      </span>
      <span
        role="gridcell"
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
    <span title={t('standingLine.actual', { extreme })} className="float-left pl-1 text-quiet">
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
export function GoalLine({ scale }: { scale: LaneScale }) {
  const place = goalPlace(scale);
  return place === null ? null : (
    <span
      aria-hidden="true"
      className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
      style={{ left: `${place * 100}%` }}
    />
  );
}
