import type { Claim, Reading, Row, Standing } from '../../api/types';
import { NO_NARROWING, type Changes, type View } from '../../app/useView';

export type SortKey = 'name' | 'actual' | 'goal' | 'favourable' | 'attainment' | 'growth';

export interface Sort {
  key: SortKey;
  isFalling: boolean;
}

const KEYS: SortKey[] = ['name', 'actual', 'goal', 'favourable', 'attainment', 'growth'];

/** The key of everything in scope. */
export const TOTAL = '*';

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

// one collator for all: making one for each comparison takes most of a sort's time
const words = new Intl.Collator('en');

/** A row with what it is sorted by; the number is the nearest and settles nearly every pair. */
interface Keyed<T> {
  row: T;
  text: string | null;
  nearest: number;
}

/** Sorts rows; those without the figure come last either way, equal ones by key. */
export function sortRows<T extends Row>(rows: T[], { key, isFalling }: Sort): T[] {
  const field = key === 'goal' ? goalOf : (row: Row) => row[key];
  const keyed = rows.map((row): Keyed<T> => {
    const text = field(row);
    return { row, text, nearest: key === 'name' || text === null ? 0 : Number(text) };
  });
  const order = (a: Keyed<T>, b: Keyed<T>) => {
    if (a.text === null || b.text === null) {
      return a.text === b.text ? 0 : a.text === null ? 1 : -1;
    }
    const sign = isFalling ? -1 : 1;
    if (key === 'name') return sign * words.compare(a.text, b.text);
    // rounding keeps the order, so only equal numbers need the exact comparison
    return sign * (a.nearest - b.nearest || compareDecimals(a.text, b.text));
  };
  return keyed
    .sort((a, b) => order(a, b) || words.compare(a.row.key, b.row.key))
    .map(({ row }) => row);
}

/** The goal, of a range its lower end. */
function goalOf(row: Row): string | null {
  return row.goalLow ?? row.goal;
}

/** A line of the table: a row, or a group's subtotal. */
export interface Item {
  /** Stands in the address as the selected row. */
  id: string;
  row: Row;
  kind: 'row' | 'group';
  isOpen: boolean;
}

/** How a row stands in the address: by key, in groups behind its group's. */
export function rowId(row: Row): string {
  return row.group === undefined ? row.key : `${row.group}/${row.key}`;
}

export function groupId(key: string): string {
  return `${key}/`;
}

/** The table's lines in their order: rows alone, or each group with its open rows beneath. */
export function itemsOf(standing: Standing, view: View): Item[] {
  const sort = readSort(view.sort);
  const item = (row: Row): Item => ({ id: rowId(row), row, kind: 'row', isOpen: false });
  if (!standing.groups || view.isFlat) return sortRows(standing.rows, sort).map(item);
  const byGroup = new Map<string, Row[]>();
  for (const row of standing.rows) {
    const rows = byGroup.get(row.group ?? '');
    if (rows) rows.push(row);
    else byGroup.set(row.group ?? '', [row]);
  }
  return sortRows(standing.groups, sort).flatMap((group) => {
    const isOpen = !view.closed.includes(group.key);
    const head: Item = { id: groupId(group.key), row: group, kind: 'group', isOpen };
    return isOpen ? [head, ...sortRows(byGroup.get(group.key) ?? [], sort).map(item)] : [head];
  });
}

/** A member of an axis. */
export interface Member {
  axis: string;
  key: string;
}

/** What a selected id means: the axis and key to explain, and the group that it stands in. */
export function targetOf(
  standing: Standing,
  view: View,
): { axis: string; key: string; group: string | null; row: Row | null; noteOf: Member | null } {
  const id = view.selected ?? TOTAL;
  const group = standing.groups?.find((one) => groupId(one.key) === id);
  if (group && standing.group && group.key !== '') {
    const own = { axis: standing.group, key: group.key };
    // a subtotal of the rows' goals is explained by its rows, one with its own goal by itself
    const isOfRows = standing.rows.some((row) => row.group === group.key && row.goalMonths > 0);
    return isOfRows
      ? { axis: standing.axis, key: TOTAL, group: group.key, row: group, noteOf: own }
      : { ...own, group: null, row: group, noteOf: own };
  }
  const row = standing.rows.find((one) => rowId(one) === id || one.key === id);
  if (!row) return { axis: standing.axis, key: TOTAL, group: null, row: null, noteOf: null };
  const noteOf = standing.axis === 'company' ? null : { axis: standing.axis, key: row.key };
  return { axis: standing.axis, key: row.key, group: row.group ?? null, row, noteOf };
}

/** The view that shows what a claim says. */
export function claimChanges(claim: Claim, view: View): Changes {
  const changes: Changes = {
    ...NO_NARROWING,
    layout: claim.byMonth ? 'months' : null,
    only: claim.only,
    selected: claim.select,
  };
  if (claim.byMonth) changes.span = 't';
  if (claim.axis && claim.axis !== view.axis) {
    changes.axis = claim.axis;
    changes.group = null;
    changes.against = null;
    if (claim.withinAxis) changes[claim.withinAxis] = claim.withinKey;
  }
  return changes;
}

/** A reading's figures as they are shown: amounts, or a rate's percentages. */
export function figuresOf(reading: Reading): {
  actual: string | null;
  goal: string | null;
  variance: string | null;
} {
  return reading.rate ?? reading;
}
