import type { Row } from '../../api/types';

export type SortKey = 'name' | 'actual' | 'goal' | 'favourable' | 'attainment' | 'growth';

export interface Sort {
  key: SortKey;
  isFalling: boolean;
}

const KEYS: SortKey[] = ['name', 'actual', 'goal', 'favourable', 'attainment', 'growth'];

/** "-favourable" is falling by variance; anything unknown is that too. */
export function readSort(word: string): Sort {
  const key = KEYS.find((one) => one === word.replace('-', ''));
  return key ? { key, isFalling: word.startsWith('-') } : { key: 'favourable', isFalling: true };
}

export function sortWord({ key, isFalling }: Sort): string {
  return (isFalling ? '-' : '') + key;
}

/** The order that a click on a column asks for: names rise first, figures fall first. */
export function nextSort(before: Sort, key: SortKey): Sort {
  if (before.key === key) return { key, isFalling: !before.isFalling };
  return { key, isFalling: key !== 'name' };
}

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

/** Sorts rows; those without the figure come last either way, equal ones by key. */
export function sortRows(rows: Row[], { key, isFalling }: Sort): Row[] {
  return [...rows].sort((a, b) => {
    const one = a[key];
    const other = b[key];
    if (one === null || other === null) {
      return one === other ? a.key.localeCompare(b.key) : one === null ? 1 : -1;
    }
    const order = key === 'name' ? one.localeCompare(other) : compareDecimals(one, other);
    return (isFalling ? -order : order) || a.key.localeCompare(b.key);
  });
}

/** Rows whose name, key or place holds the text. */
export function narrowRows(rows: Row[], text: string): Row[] {
  const wanted = text.trim().toLowerCase();
  if (!wanted) return rows;
  return rows.filter((row) =>
    [row.name, row.key, row.place ?? ''].some((word) => word.toLowerCase().includes(wanted)),
  );
}
