import type { Rung } from '../api/types';
import { compareDecimals, percentOf, shareOf } from '../format/decimals';
import { readNumber } from '../format/numbers';
import { typed } from '../format/writing';
import { t } from './words';

/** A rung while it is edited; the bound as it is typed, in percent where the scale is a share. */
export interface RungDraft {
  name: string;
  tone: Rung['tone'];
  bound: string;
  isAbove: boolean;
}

export const SCALES: { value: string; word: string; isShare: boolean }[] = [
  { value: 'percent-to-goal', word: t('ladder.ofGoal'), isShare: true },
  { value: 'variance', word: t('ladder.varianceAmount'), isShare: false },
  { value: 'variance-percent', word: t('ladder.variance'), isShare: true },
  { value: 'value', word: t('ladder.actualAmount'), isShare: false },
  { value: 'share-of-highest', word: t('ladder.ofTheHighestRow'), isShare: true },
];

/** What thresholds are based on, in words. */
export const scaleWord = (scale: string | undefined) =>
  SCALES.find((one) => one.value === scale)?.word ?? scale;

/** Whether bounds of a scale are percentages; those of a rate's value are too. */
export function isShareScale(scale: string, unit: string): boolean {
  const isOfRate = unit === 'rate' && (scale === 'value' || scale === 'variance');
  return isOfRate || (SCALES.find((one) => one.value === scale)?.isShare ?? false);
}

/** Whether a scale reads amounts, whose bounds may be those of one month. */
export function isAmountScale(scale: string): boolean {
  return scale === 'variance' || scale === 'value';
}

/** The same rungs on a scale of another kind: 90 % is not 90.00, so bounds are asked for anew. */
export function withoutBounds(rungs: RungDraft[]): RungDraft[] {
  return rungs.map((rung) => ({ ...rung, bound: '' }));
}

/** Thresholds while they are edited. */
export interface LadderDraft {
  scale: string;
  perMonth: boolean;
  rungs: RungDraft[];
}

export function draftOf(
  ladder: { scale?: string; perMonth?: boolean; rungs: Rung[] },
  unit: string,
): LadderDraft {
  const scale = ladder.scale ?? 'percent-to-goal';
  return {
    scale,
    perMonth: ladder.perMonth ?? false,
    rungs: draftsOf(ladder.rungs, isShareScale(scale, unit)),
  };
}

export function draftsOf(rungs: Rung[], isShare: boolean): RungDraft[] {
  return rungs.map((rung) => ({
    name: rung.name,
    tone: rung.tone,
    bound: rung.from === undefined ? '' : typed(isShare ? percentOf(rung.from) : rung.from),
    isAbove: rung.bound === 'above',
  }));
}

/** What is wrong with a ladder while it is typed, in words; null where it can be tried. */
export function faultOf(rungs: RungDraft[]): string | null {
  if (rungs.length === 0) return t('ladder.atLeastOneThresholdIs');
  const names = rungs.map((rung) => rung.name.trim().toLowerCase());
  if (names.some((name) => name === '')) return t('ladder.eachThresholdNeedsAName');
  const twice = names.find((name, at) => names.indexOf(name) !== at);
  if (twice !== undefined) return t('ladder.twoThresholdsAreCalled', { twice });
  const bounds = rungs.slice(1);
  for (const { bound, name } of bounds) {
    const read = readNumber(bound, BOUND);
    if (read.kind === 'empty') return t('ladder.needsANumberToStart', { name });
    if (read.kind === 'fault') return `“${name}”: ${read.words}`;
  }
  for (let at = 1; at < bounds.length; at++) {
    const [low, high] = [bounds[at - 1], bounds[at]];
    if (!low || !high) continue;
    const order = compareDecimals(boundOf(high), boundOf(low));
    if (order < 0) return t('ladder.mustStartAbove', { name: high.name, name2: low.name });
    if (order === 0 && !(high.isAbove && !low.isAbove)) {
      return t('ladder.andStartAtTheSame', { name: low.name, name2: high.name });
    }
  }
  return null;
}

/** The ladder as the server takes it; `since` is the first month that it judges, null for all. */
export function ladderBody(
  target: Record<string, string>,
  { scale, perMonth, rungs }: LadderDraft,
  unit: string,
  since: string | null,
) {
  const isShare = isShareScale(scale, unit);
  return {
    ...target,
    ...(since ? { since } : {}),
    scale,
    ...(perMonth && isAmountScale(scale) ? { perMonth } : {}),
    rungs: rungs.map((rung, at) => ({
      name: rung.name.trim(),
      tone: rung.tone,
      ...(at === 0
        ? {}
        : { from: boundText(rung, isShare), bound: rung.isAbove ? 'above' : 'at or above' }),
    })),
  };
}

/** A bound is an amount or a percentage, with at most six decimals. */
const BOUND = { decimals: 6, isSigned: true, isPercent: true };

/** What was typed as a plain decimal; as it is where it cannot be read. */
function boundOf({ bound }: RungDraft): string {
  const read = readNumber(bound, BOUND);
  return read.kind === 'number' ? read.decimal : bound.trim();
}

/** A bound as the server takes it. */
export function boundText(rung: RungDraft, isShare: boolean): string {
  const text = boundOf(rung);
  return isShare ? (shareOf(text) ?? text) : text;
}
