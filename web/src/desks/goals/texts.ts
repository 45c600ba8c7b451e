import type { GoalDesk } from '../../api/types';
import { amount, hasFraction, signed } from '../../format/figures';

const RANGE = /^(.+) \u2013 (.+)$/;

/** A goal as it is read: of a range both ends; empty where there is none. */
export function shown(desk: GoalDesk, text: string | null | undefined): string {
  if (text === null || text === undefined) return '';
  const ends = RANGE.exec(text);
  if (ends) return `${amount(ends[1] ?? null)} \u2013 ${amount(ends[2] ?? null)}`;
  const hasAny =
    desk.isRate || hasFraction(text) || desk.rows.some((r) => r.cells.some(hasFraction));
  return amount(text, hasAny ? 'keep' : 'drop');
}

/** A percent with its sign, in the company's way of writing. */
export function signedPercent(shownPercent: string | null): string {
  return shownPercent === null ? '' : signed(shownPercent);
}
