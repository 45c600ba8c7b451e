import { amount, NONE } from './amounts';
import { LANGUAGE } from './language';
import { typed } from './writing';

export { amount, hasFraction, NONE } from './amounts';
import { t } from './words';

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

const MONTHS = Array.from({ length: 12 }, (_, month) =>
  new Intl.DateTimeFormat(LANGUAGE, { month: 'long', timeZone: 'UTC' }).format(
    Date.UTC(2000, month, 1),
  ),
);

/** A month's name alone, by its number from 1. */
export const monthWord = (number: number) => MONTHS[number - 1] ?? String(number);

/** "2026-10" as "October 2026". */
export function monthName(month: string): string {
  const [year = '', number = '1'] = month.split('-');
  return `${MONTHS[Number(number) - 1] ?? month} ${year}`;
}

/** "2026-10" as "Oct". */
export function shortMonth(month: string): string {
  return monthName(month).slice(0, 3);
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

/** The size of a file, "12.3 MB". */
export function megabytes(bytes: number): string {
  return t('figures.mb', { toFixed: amount((bytes / 1_000_000).toFixed(1)) });
}
