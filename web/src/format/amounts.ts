import { writing } from './writing';

const MINUS = '\u2212';
export const NONE = '–';

/** Whether a decimal string has anything but zeros behind its point. */
export function hasFraction(decimal: string | null): boolean {
  return decimal !== null && /\.\d*[1-9]/.test(decimal);
}

/**
 * An amount in the company's way of writing, with a true minus; digits are never recomputed.
 * @param decimals keep those that are there, or drop them where the whole column has none
 */
export function amount(decimal: string | null, decimals: 'keep' | 'drop' = 'keep'): string {
  if (decimal === null) return NONE;
  const isNegative = decimal.startsWith('-');
  const [whole = '', fraction] = decimal.replace('-', '').split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, writing().grouping);
  const shown =
    fraction && decimals === 'keep' ? `${grouped}${writing().decimal}${fraction}` : grouped;
  return isNegative ? MINUS + shown : shown;
}
