/**
 * How the company writes numbers, days and times. Set once with the company, before a screen is
 * drawn; every figure and field reads it here.
 */
export interface Writing {
  decimal: '.' | ',';
  /** Between thousands: a point, a comma, an apostrophe, a blank, or nothing. */
  grouping: string;
  dates: 'dmy' | 'mdy' | 'ymd';
  /** Whether the company chose its marks; else a field refuses what could be read in two ways. */
  isSet: boolean;
}

/** While nothing is set. */
export const UNSET: Writing = { decimal: '.', grouping: '\u202f', dates: 'ymd', isSet: false };

let current: Writing = UNSET;
let zone: string | undefined;

/** Called with the company as the server describes it; nothing takes the setting back. */
export function setWriting(writing: Writing | undefined, timeZone: string | null = null): void {
  current = writing ?? UNSET;
  zone = timeZone ?? undefined;
}

export const writing = () => current;

/** A plain decimal with the company's decimal mark and no thousands, as a field begins with it. */
export function typed(decimal: string): string {
  return decimal.replace('.', current.decimal);
}

const SHORT_MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** "2026-11-14" in the company's order, the month by name: "14 Nov 2026". */
export function dayText(day: string): string {
  const [year = '', month = '', date = ''] = day.split('-');
  const name = SHORT_MONTHS[Number(month) - 1];
  if (current.dates === 'ymd' || name === undefined) return day;
  const plain = date.replace(/^0/, '');
  return current.dates === 'dmy' ? `${plain} ${name} ${year}` : `${name} ${plain}, ${year}`;
}

/** An instant in the company's time zone, or the reader's while none is set. */
export function timeText(instant: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(new Date(instant));
  const part = (type: Intl.DateTimeFormatPartTypes) =>
    parts.find((one) => one.type === type)?.value ?? '';
  const day = dayText(`${part('year')}-${part('month')}-${part('day')}`);
  return `${day}, ${part('hour')}:${part('minute')}`;
}
