import type { Direction, Reading } from '../api/types';
import { amount, asPercent } from '../format/figures';
import { t } from './words';
import { toneColour } from './tones';

/**
 * How lanes are drawn: in shares of the goal, where all rows share one goal line, or in amounts,
 * where each goal stands at its own place.
 *
 * `least` is what lies at the lane's left edge and `most` at its right, in shares or whole units.
 */
export interface LaneScale {
  kind: 'percent' | 'amount';
  least: number;
  most: number;
}

const number = (text: string | null | undefined) =>
  text === null || text === undefined ? null : Number(text);

/** Where a value lies, from 0 to 1; beyond the edges at the edge. */
function place(value: number, scale: LaneScale): number {
  const share = (value - scale.least) / (scale.most - scale.least || 1);
  return Math.max(0, Math.min(share, 1));
}

/** Where the goal line that all rows share lies; null where lanes show amounts. */
export function goalPlace(scale: LaneScale): number | null {
  return scale.kind === 'percent' ? place(1, scale) : null;
}

/** A scale for all rows: in percent between 125 and 200 % of goal, in amounts up to the largest. */
export function laneScale(readings: LaneReading[], kind: LaneScale['kind']): LaneScale {
  if (kind === 'percent') {
    const most = readings.reduce((max, r) => Math.max(max, Number(r.attainment ?? 0)), 0);
    return { kind, least: 0, most: Math.min(Math.max(most * 1.04, 1.25), 2) };
  }
  const amounts = readings.flatMap((r) => [number(r.actual) ?? 0, number(middle(r)) ?? 0]);
  return {
    kind,
    least: Math.min(0, ...amounts),
    most: (amounts.reduce((max, amount) => Math.max(max, amount), 0) || 1) * 1.04,
  };
}

/** What a lane needs of a reading. */
export type LaneReading = Pick<
  Reading,
  | 'actual'
  | 'goal'
  | 'attainment'
  | 'tone'
  | 'goalLow'
  | 'goalHigh'
  | 'yearBefore'
  | 'ahead'
  | 'pay'
>;

/** The goal as text, of a range its lower end stands for the place of the line. */
function middle(reading: LaneReading): string | null {
  if (reading.goalLow === undefined || reading.goalHigh === undefined) return reading.goal;
  return String((Number(reading.goalLow) + Number(reading.goalHigh)) / 2);
}

/** The marks of one lane, as places from 0 to 1; for drawing only. */
export interface LaneMarks {
  bar: [number, number];
  gap: [number, number] | null;
  excess: [number, number] | null;
  goal: number | null;
  range: [number, number] | null;
  yearBefore: number | null;
  landing: [number, number] | null;
  floor: number | null;
  ceiling: number | null;
  isCut: boolean;
  isBelowZero: boolean;
}

/** Places a reading's marks; null where it cannot be drawn on that scale. */
export function laneMarks(
  reading: LaneReading,
  scale: LaneScale,
  direction: Direction,
): LaneMarks | null {
  const goal = number(middle(reading));
  const actual = number(reading.actual);
  const unit = scale.kind === 'percent' ? goal : 1;
  if (actual === null || (scale.kind === 'percent' && reading.attainment === null)) return null;
  const at = (amount: number | null) =>
    amount === null || !unit ? null : place(amount / unit, scale);
  const zero = place(0, scale);
  const value = at(actual) ?? zero;
  const line = at(goal);
  const isOver = line !== null && value > line;
  const range: [number, number] | null =
    reading.goalLow === undefined || reading.goalHigh === undefined
      ? null
      : [at(Number(reading.goalLow)) ?? 0, at(Number(reading.goalHigh)) ?? 0];
  const landing = at(number(reading.ahead?.landing));
  const raw = unit ? actual / unit : actual;
  return {
    bar: [Math.min(zero, value), line !== null && isOver && !range ? line : Math.max(zero, value)],
    gap: direction === 'HIGHER' && line !== null && !range && value < line ? [value, line] : null,
    excess: line !== null && isOver && !range ? [line, value] : null,
    goal: line,
    range,
    yearBefore: at(number(reading.yearBefore)),
    landing: landing !== null && landing > value ? [value, landing] : null,
    floor: at(number(reading.pay?.floor)),
    ceiling: at(number(reading.pay?.ceiling)),
    isCut: raw > scale.most,
    isBelowZero: raw < 0,
  };
}

/** Where lanes are parted behind their bars: shares of the goal or of the actual a year before. */
export interface Stretches {
  of: 'goal' | 'last-year';
  at: string[];
}

/** Where a reading's stretches end, as places from 0 to 1, rising; none where that is unknown. */
export function stretchPlaces(
  reading: LaneReading,
  scale: LaneScale,
  stretches: Stretches | null | undefined,
): number[] {
  const goal = number(middle(reading));
  const whole = stretches?.of === 'goal' ? goal : number(reading.yearBefore);
  const unit = scale.kind === 'percent' ? goal : 1;
  if (!stretches || whole === null || !unit || whole / unit <= 0) return [];
  return stretches.at.map((share) => place((whole * Number(share)) / unit, scale));
}

/** "25, 50 and 75 % of the goal". */
export function stretchWords({ of, at }: Stretches): string {
  return t(of === 'goal' ? 'lane.stretchesOfGoal' : 'lane.stretchesOfLastYear', {
    percents: at.map(asPercent).join(', '),
  });
}

/** Where lanes begin. */
export const zeroPlace = (scale: LaneScale) => place(0, scale);

/** How much darker each stretch is than the lane, from the left. */
export const stretchTone = (at: number, of: number) => 0.1 + (0.2 * (of - at)) / of;

interface LaneProps {
  reading: LaneReading;
  scale: LaneScale;
  direction: Direction;
  stretches?: Stretches | null | undefined;
  /** Draws higher bars, for the close-up and comparisons. */
  isLarge?: boolean;
}

const percent = (share: number) => `${share * 100}%`;

/**
 * One row's lane: the bar up to the actual, against the goal. Hatched is the shortfall, taller and
 * darker what passes the goal, a pair of brackets a range, a hollow diamond last year, a dotted run
 * where an open month lands, tinted stretches behind it all where a rule parts lanes, a notch below where commission begins, a bracket where it ends. Draws
 * what the server computed; the row says the figures in words, so the lane is silent to readers of
 * the screen, and each mark says its name and figure to the pointer. No reading: a dotted line and
 * no bar.
 */
export function Lane({ reading, scale, direction, stretches, isLarge = false }: LaneProps) {
  const marks = laneMarks(reading, scale, direction);
  if (!marks) {
    return (
      <div className="relative h-full" aria-hidden="true">
        <div className="absolute top-1/2 right-0 left-0 border-t-2 border-dotted border-quiet/50" />
      </div>
    );
  }
  const height = isLarge ? 14 : 9;
  const middleOf = 'absolute top-1/2 -translate-y-1/2';
  const span = ([from, to]: [number, number]) => ({
    left: percent(from),
    width: percent(to - from),
  });
  const isBadPast = direction !== 'HIGHER';
  const said = sayMarks(reading);
  const places = stretchPlaces(reading, scale, stretches);
  return (
    <div className="relative h-full" aria-hidden="true">
      {places.map((end, at) => (
        <div
          key={end}
          className="absolute top-[3px] bottom-[3px] bg-quiet"
          title={t(stretches?.of === 'goal' ? 'lane.stretchOfGoal' : 'lane.stretchOfLastYear', {
            percent: asPercent(stretches?.at[at] ?? ''),
          })}
          style={{
            ...span([at === 0 ? zeroPlace(scale) : (places[at - 1] ?? 0), end]),
            opacity: stretchTone(at, places.length),
          }}
        />
      ))}
      <div
        className={middleOf}
        title={said.actual}
        style={{ ...span(marks.bar), height, background: toneColour(reading.tone), opacity: 0.82 }}
      />
      {marks.gap && (
        <div
          className={`hatched ${middleOf}`}
          title={said.goal}
          style={{ ...span(marks.gap), height }}
        />
      )}
      {marks.excess && (
        <div
          className={middleOf}
          title={said.actual}
          style={{
            ...span(marks.excess),
            height: height + 6,
            background: isBadPast ? 'var(--bad)' : 'var(--past)',
          }}
        />
      )}
      {marks.landing && (
        <div
          className={`${middleOf} border-t-2 border-dotted border-ink`}
          title={said.landing}
          style={span(marks.landing)}
        />
      )}
      {marks.range && <Brackets range={marks.range} height={height + 10} />}
      {marks.floor !== null && (
        <svg
          className="absolute bottom-[2px]"
          style={{ left: `calc(${percent(marks.floor)} - 4px)` }}
          width="8"
          height="6"
          viewBox="0 0 8 6"
        >
          <title>{said.floor}</title>
          <path d="M4 .6 7.4 5.6H.6Z" fill="var(--quiet)" />
        </svg>
      )}
      {marks.ceiling !== null && marks.ceiling < 1 && (
        <div
          className={`${middleOf} w-[4px] border-y-2 border-r-2 border-quiet`}
          title={said.ceiling}
          style={{ left: `calc(${percent(marks.ceiling)} - 4px)`, height: height + 10 }}
        />
      )}
      {marks.yearBefore !== null && (
        <svg
          className={middleOf}
          style={{ left: `calc(${percent(marks.yearBefore)} - 4px)` }}
          width="8"
          height="8"
          viewBox="0 0 8 8"
        >
          <title>{said.yearBefore}</title>
          <path d="M4 .7 7.3 4 4 7.3 .7 4Z" fill="var(--sheet)" stroke="var(--ink)" />
        </svg>
      )}
      {marks.isBelowZero && scale.least === 0 && (
        <div className={`${middleOf} left-0 h-[15px] w-[3px] bg-bad`} />
      )}
      {marks.isCut && (
        <div className={`${middleOf} right-[3px] h-[19px] w-[5px] -skew-x-12 bg-sheet`} />
      )}
      {scale.kind === 'amount' && marks.goal !== null && !marks.range && (
        <div
          className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
          title={said.goal}
          style={{ left: percent(marks.goal) }}
        />
      )}
    </div>
  );
}

/** Each mark's name and figure. */
function sayMarks(reading: LaneReading) {
  return {
    actual: t('lane.actual', { amount: amount(reading.actual) }),
    goal: t('lane.goal', { amount: amount(reading.goal) }),
    landing: t('lane.projected', { amount: amount(reading.ahead?.landing ?? null) }),
    floor: t('lane.thresholdFloor', { amount: amount(reading.pay?.floor ?? null) }),
    ceiling: t('lane.maximumCeiling', { amount: amount(reading.pay?.ceiling ?? null) }),
    yearBefore: t('lane.lastYear', { amount: amount(reading.yearBefore) }),
  };
}

/** A range's two ends, open toward each other. */
function Brackets({ range, height }: { range: [number, number]; height: number }) {
  const side = 'absolute top-1/2 w-[4px] -translate-y-1/2 border-y-2 border-ink';
  return (
    <>
      <div className={`${side} border-l-2`} style={{ left: percent(range[0]), height }} />
      <div
        className={`${side} border-r-2`}
        style={{ left: `calc(${percent(range[1])} - 4px)`, height }}
      />
    </>
  );
}
