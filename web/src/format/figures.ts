import { typed, writing } from './writing';

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

/** As amount, with a plus before what is above 0. */
export function signed(decimal: string | null, decimals: 'keep' | 'drop' = 'keep'): string {
  const shown = amount(decimal, decimals);
  return decimal !== null && isAboveZero(decimal) ? `+${shown}` : shown;
}

export function isAboveZero(decimal: string): boolean {
  return !decimal.startsWith('-') && /[1-9]/.test(decimal);
}

/** A step of a chart's scale; steps are round numbers, so that nothing is rounded here. */
export function tickText(tick: number): string {
  return amount(Number(tick.toPrecision(12)).toString());
}

/** A step with k or M for its thousands or millions, where there is little room. */
export function shortTick(tick: number): string {
  const size = Math.abs(tick);
  if (size >= 1_000_000) return `${tickText(tick / 1_000_000)} M`;
  return size >= 10_000 ? `${tickText(tick / 1000)} k` : tickText(tick);
}

/** A step of a scale of shares, in percent. */
export function percentTick(share: number): string {
  return `${tickText(share * 100)} %`;
}

/** A percentage that the server has rounded, with a sign: "+2.0 %". */
export function growth(shown: string | null): string {
  return shown === null ? NONE : `${signed(shown)} %`;
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** "2026-10" as "October 2026". */
export function monthName(month: string): string {
  const [year = '', number = '1'] = month.split('-');
  return `${MONTHS[Number(number) - 1] ?? month} ${year}`;
}

/** "2026-10" as "Oct". */
export function shortMonth(month: string): string {
  return monthName(month).slice(0, 3);
}

/** "1 line", "1 284 lines". */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${amount(String(number))} ${number === 1 ? one : many}`;
}

/** Moves the point of plain decimal text without rounding. */
export function shifted(decimal: string, places: number): string {
  const isNegative = decimal.startsWith('-');
  const [whole = '', fraction = ''] = decimal.replace('-', '').split('.');
  const digits = (whole + fraction).padStart(
    places < 0 ? whole.length + fraction.length - places : 1,
    '0',
  );
  const padded = places > fraction.length ? digits + '0'.repeat(places - fraction.length) : digits;
  const behind = Math.max(fraction.length - places, 0);
  const left = (behind === 0 ? padded : padded.slice(0, -behind)).replace(/^0+(?=\d)/, '') || '0';
  const right = behind === 0 ? '' : padded.slice(-behind).replace(/0+$/, '');
  const text = right === '' ? left : `${left}.${right}`;
  return isNegative && text !== '0' ? `-${text}` : text;
}

/** A ratio as its percent, as it is typed: "0.035" is "3.5", or "3,5" with a decimal comma. */
export const asPercent = (ratio: string) => typed(shifted(ratio, 2));

/** An axis' word for several. */
export function plural(axis: string): string {
  return axis === 'company' ? 'companies' : `${axis}s`;
}

/** The size of a file, "12.3 MB". */
export function megabytes(bytes: number): string {
  return `${amount((bytes / 1_000_000).toFixed(1))} MB`;
}
