/** Month arithmetic for the address; figures are the server's. Months are "2026-10". */
export type SpanKind = 'm' | 'q' | 'y' | 't' | 'range';

export interface Calendar {
  startMonth: number;
  yearNamedBy: 'start' | 'end';
}

export interface Span {
  kind: SpanKind;
  from: string;
  to: string;
}

function toNumber(month: string): number {
  const [year = '0', number = '1'] = month.split('-');
  return Number(year) * 12 + Number(number) - 1;
}

function toMonth(number: number): string {
  return `${Math.floor(number / 12)}-${String((number % 12) + 1).padStart(2, '0')}`;
}

export function isMonth(text: string | null): text is string {
  return text !== null && /^(19|20)\d\d-(0[1-9]|1[0-2])$/.test(text);
}

export function plusMonths(month: string, months: number): string {
  return toMonth(toNumber(month) + months);
}

/** 1 for the fiscal year's first month. */
export function fiscalNumber(month: string, calendar: Calendar): number {
  return ((toNumber(month) - (calendar.startMonth - 1) + 12) % 12) + 1;
}

export function fiscalYear(month: string, calendar: Calendar): number {
  const first = toNumber(month) - fiscalNumber(month, calendar) + 1;
  return Math.floor((calendar.yearNamedBy === 'start' ? first : first + 11) / 12);
}

/** The span of a kind that ends with a month; a range keeps its given first month. */
export function spanOf(kind: SpanKind, to: string, calendar: Calendar, from?: string): Span {
  const number = fiscalNumber(to, calendar);
  const back = { m: 0, q: (number - 1) % 3, y: number - 1, t: 11, range: 0 }[kind];
  return { kind, from: kind === 'range' && from ? from : plusMonths(to, -back), to };
}

/** A range between two months in either order; one month is a month. */
export function rangeOf(one: string, other: string): Span {
  const [from = one, to = other] = [one, other].sort();
  return { kind: from === to ? 'm' : 'range', from, to };
}
