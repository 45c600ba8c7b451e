import type { GoalDesk } from '../../api/types';
import { amount, hasFraction, signed } from '../../format/figures';

/** Whether any goal of a sheet has decimals that say something; looked at once per sheet. */
const split = new WeakMap<GoalDesk, boolean>();

function isSplit(desk: GoalDesk): boolean {
  const known = split.get(desk);
  if (known !== undefined) return known;
  const is = desk.rows.some((row) => row.cells.some(hasFraction));
  split.set(desk, is);
  return is;
}

/** Both ends of a range as it is answered, lower first; null of a single amount. */
export function endsOf(text: string): [string, string] | null {
  const [low, high] = text.split(' \u2013 ');
  return low !== undefined && high !== undefined ? [low, high] : null;
}

/** A goal as it is read: of a range both ends; empty where there is none. */
export function shown(desk: GoalDesk, text: string | null | undefined): string {
  if (text === null || text === undefined) return '';
  const ends = endsOf(text);
  if (ends) return ends.map((end) => amount(end)).join(' \u2013 ');
  const hasAny = desk.isRate || hasFraction(text) || isSplit(desk);
  return amount(text, hasAny ? 'keep' : 'drop');
}

/** A percent with its sign, in the company's way of writing. */
export function signedPercent(shownPercent: string | null): string {
  return shownPercent === null ? '' : signed(shownPercent);
}
