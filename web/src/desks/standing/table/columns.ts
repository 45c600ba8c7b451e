import type { CSSProperties } from 'react';
import type { Reading, Standing } from '../../../api/types';
import { amount, hasFraction, signed } from '../../../format/figures';
import { figuresOf, varianceOf } from '../rows';

const DIGIT_WIDTH = 7.9;
const LEAST_WIDTH = 84;

/** Whether a column shows decimals: where any of its figures has some. */
export interface Decimals {
  actual: 'keep' | 'drop';
  goal: 'keep' | 'drop';
  variance: 'keep' | 'drop';
}

/**
 * The table's columns; the narrow screen shows fewer, a second basis adds two, and without anything
 * to compare with those of goals are gone.
 */
export function gridOf({ hasBeside, isPlain }: { hasBeside: boolean; isPlain: boolean }): string {
  if (isPlain) return 'standing-grid standing-grid-plain';
  return hasBeside ? 'standing-grid standing-grid-beside' : 'standing-grid';
}

export function allReadings(standing: Standing): Reading[] {
  return [standing.total, ...(standing.groups ?? []), ...standing.rows];
}

/** A goal as it is shown, of a range both ends. */
export function goalText(reading: Reading, decimals: 'keep' | 'drop'): string {
  if (reading.goalLow !== undefined && reading.goalHigh !== undefined) {
    return `${amount(reading.goalLow, decimals)} – ${amount(reading.goalHigh, decimals)}`;
  }
  return amount(figuresOf(reading).goal, decimals);
}

export function decimalsOf(readings: Reading[]): Decimals {
  const keep = (is: boolean) => (is ? 'keep' : 'drop');
  if (readings.some((r) => r.rate)) return { actual: 'keep', goal: 'keep', variance: 'keep' };
  const isActualSplit = readings.some((r) => hasFraction(r.actual));
  const isGoalSplit = readings.some((r) =>
    [r.goal, r.goalLow ?? null, r.goalHigh ?? null].some(hasFraction),
  );
  return {
    actual: keep(isActualSplit),
    goal: keep(isGoalSplit),
    variance: keep(isActualSplit || isGoalSplit),
  };
}

/** Columns as wide as their longest figure, so that large sums do not run into each other. */
export function widthsOf(readings: Reading[], decimals: Decimals): CSSProperties {
  const width = (textOf: (reading: Reading) => string) => {
    const longest = readings.reduce((most, r) => Math.max(most, textOf(r).length), 0);
    return `${Math.max(LEAST_WIDTH, Math.ceil(longest * DIGIT_WIDTH) + 14)}px`;
  };
  return {
    '--actual': width((r) => amount(figuresOf(r).actual, decimals.actual)),
    '--goal': width((r) => goalText(r, decimals.goal)),
    '--variance': width((r) => signed(varianceOf(r), decimals.variance)),
    '--beside': width((r) => signed(r.beside?.variance ?? null, 'drop')),
  } as CSSProperties;
}
