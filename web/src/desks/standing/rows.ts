import type { Claim, Reading, Row, Rung, Standing } from '../../api/types';
import { NO_NARROWING, type Changes, type View } from '../../address/useView';
import { placed } from '../../format/placing';
import { monthName } from '../../format/figures';
import { t } from './words';
import { compareDecimals } from '../../format/decimals';

export type SortKey =
  | 'name'
  | 'actual'
  | 'goal'
  | 'favourable'
  | 'attainment'
  | 'growth'
  | 'growthOnYear'
  | 'remaining'
  | 'over';

export interface Sort {
  key: SortKey;
  isFalling: boolean;
}

const KEYS: SortKey[] = [
  'name',
  'actual',
  'goal',
  'favourable',
  'attainment',
  'growth',
  'growthOnYear',
  'remaining',
  'over',
];

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
  const field = FIELDS[key];
  const keyed = rows.map((row): Keyed<T> => {
    const text = field(row);
    return { row, text, nearest: key === 'name' || text === null ? 0 : placed(text) };
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

/** What rows are sorted by: as it is shown, the goal of a range by its lower end. */
const FIELDS: Record<SortKey, (row: Row) => string | null> = {
  name: (row) => row.name,
  actual: (row) => row.actual,
  goal: (row) => row.goalLow ?? row.goal,
  favourable: (row) => row.spoken.favourable,
  attainment: (row) => row.spoken.attainment,
  growth: (row) => row.growth,
  growthOnYear: (row) => row.growthOnYear,
  remaining: (row) => row.spoken.remainingShown,
  over: (row) => row.spoken.overShown,
};

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
    const isOpen = !view.folded.includes(group.key);
    const head: Item = { id: groupId(group.key), row: group, kind: 'group', isOpen };
    return isOpen ? [head, ...sortRows(byGroup.get(group.key) ?? [], sort).map(item)] : [head];
  });
}

/** Ids of the rows whose sum is theirs alone: none where a member stands in several groups. */
export function summable(items: Item[]): string[] {
  const rows = items.filter((item) => item.kind === 'row');
  const isOnce = new Set(rows.map(({ row }) => row.key)).size === rows.length;
  return isOnce ? rows.map(({ id }) => id) : [];
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

/** The view that shows exactly the figures of a claim; the rest stays as it is. */
export function claimChanges(claim: Claim): Changes {
  return {
    ...NO_NARROWING,
    only: claim.only,
    selected: claim.select,
    along: claim.along,
    panel: null,
    ...(claim.from && claim.to
      ? { layout: 'months', span: 'range', from: claim.from, to: claim.to, asof: null }
      : { layout: null }),
  };
}

/** A reading's figures as they are shown: amounts, or a rate's percentages. */
export function figuresOf(reading: Reading): {
  actual: string | null;
  goal: string | null;
  variance: string | null;
} {
  return reading.rate ?? reading;
}

/** The variance that is spoken of; of a rate in points. */
export function varianceOf(reading: Reading): string | null {
  return reading.rate ? reading.rate.variance : reading.spoken.variance;
}

/** The status as it is spoken of: the rung's name, or why there is none. */
export function statusOf({ spoken }: Reading): string {
  return spoken.rung === null ? (spoken.noReading ?? spoken.status) : spoken.status;
}

/** Whether a reading lies on the highest of several good rungs. */
export function isPast({ spoken }: Reading, rungs: Rung[]): boolean {
  return (
    spoken.rung !== null &&
    spoken.tone === 'good' &&
    spoken.rung === rungs.length - 1 &&
    rungs[spoken.rung - 1]?.tone === 'good'
  );
}

/** What a lane draws: whole figures in the tone that is spoken of; of an empty span nothing. */
export function laneOf(reading: Reading): Reading {
  return reading.spoken.noReading === EMPTY
    ? { ...reading, actual: null, attainment: null, tone: 'neutral' }
    : { ...reading, tone: reading.spoken.tone };
}

/** Why nothing is judged where nothing is posted. */
export const EMPTY = 'no actuals yet';

/** How closed months are read, where that makes a difference; else nothing. */
export function readingWords({ closed, corrections }: Standing): string {
  if (closed === 'restated') return t('rows.closedMonthsRestated');
  return (corrections?.lines ?? 0) > 0 ? t('rows.closedMonthsAsClosed') : '';
}

/** The months that are shown, in words. */
export function spanText({ from, to }: Standing): string {
  return from === to ? monthName(to) : t('rows.span', { from: monthName(from), to: monthName(to) });
}
