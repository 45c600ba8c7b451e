import { shifted } from './figures';

/** Compares decimal strings exactly, of any length. */
export function compareDecimals(one: string, other: string): number {
  const isNegative = one.startsWith('-');
  if (isNegative !== other.startsWith('-')) return isNegative ? -1 : 1;
  const [first, second] = [one.replace('-', ''), other.replace('-', '')];
  return isNegative ? compareUnsigned(second, first) : compareUnsigned(first, second);
}

function compareUnsigned(one: string, other: string): number {
  const [wholeOne = '', fractionOne = ''] = one.split('.');
  const [wholeOther = '', fractionOther = ''] = other.split('.');
  if (wholeOne.length !== wholeOther.length) return wholeOne.length - wholeOther.length;
  if (wholeOne !== wholeOther) return wholeOne < wholeOther ? -1 : 1;
  const places = Math.max(fractionOne.length, fractionOther.length);
  const padOne = fractionOne.padEnd(places, '0');
  const padOther = fractionOther.padEnd(places, '0');
  return padOne === padOther ? 0 : padOne < padOther ? -1 : 1;
}

/** A percentage as a ratio with its digits kept: "97.5" is "0.975"; null for anything else. */
export function shareOf(percent: string): string | null {
  return /^-?\d{1,12}(\.\d{1,6})?$/.test(percent) ? shifted(percent, -2) : null;
}

/** A ratio as a percentage with its digits kept: "0.975" is "97.5"; empty for anything else. */
export function percentOf(share: string): string {
  return /^-?\d+(\.\d+)?$/.test(share) ? shifted(share, 2) : '';
}
