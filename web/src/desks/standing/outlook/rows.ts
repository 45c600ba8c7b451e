import type { AxisWord, Outlook, OutlookMember } from '../../../api/types';
import type { View } from '../../../address/useView';
import { LANGUAGE } from '../../../format/language';
import { placed } from '../../../format/placing';
import { compareDecimals } from '../../../format/decimals';
import { groupId, TOTAL } from '../rows';

export type OutlookKey =
  | 'name'
  | 'actual'
  | 'goal'
  | 'toGo'
  | 'open'
  | 'weighted'
  | 'expected'
  | 'needed'
  | 'atBest'
  | 'coverage'
  | 'overdue';

export interface OutlookSort {
  key: OutlookKey;
  isFalling: boolean;
}

const FIELDS: Record<OutlookKey, (row: OutlookMember) => string | null> = {
  name: (row) => row.name,
  actual: (row) => row.actual,
  goal: (row) => row.goal,
  toGo: (row) => row.toGo,
  open: (row) => row.open,
  weighted: (row) => row.weighted,
  expected: (row) => row.shown.expectedPercent,
  needed: (row) => row.likelihoodNeeded,
  atBest: (row) => row.shown.atBestPercent,
  coverage: (row) => row.coverage,
  overdue: (row) => row.overdue,
};

/** "-expected" falls by what is expected of the goal; anything unknown is that too. */
export function readOutlookSort(word: string): OutlookSort {
  const key = (Object.keys(FIELDS) as OutlookKey[]).find((one) => one === word.replace('-', ''));
  return key ? { key, isFalling: word.startsWith('-') } : { key: 'expected', isFalling: true };
}

/** The order that a click on a column asks for: names rise first, figures fall first. */
export function nextOutlookSort(before: OutlookSort, key: OutlookKey): string {
  const isFalling = before.key === key ? !before.isFalling : key !== 'name';
  return (isFalling ? '-' : '') + key;
}

const words = new Intl.Collator(LANGUAGE);

/** Sorts rows; those without the figure, such as without a goal, come last either way. */
export function sortOutlook(rows: OutlookMember[], sort: OutlookSort): OutlookMember[] {
  const field = FIELDS[sort.key];
  const sign = sort.isFalling ? -1 : 1;
  return [...rows].sort((a, b) => {
    const [one, other] = [field(a), field(b)];
    if (one === null || other === null) {
      return one === other ? words.compare(a.key, b.key) : one === null ? 1 : -1;
    }
    // rounding keeps the order, so only equal numbers need the exact comparison
    const [near, far] = [placed(one), placed(other)];
    const order =
      sort.key === 'name' ? words.compare(one, other) : near - far || compareDecimals(one, other);
    return sign * order || words.compare(a.key, b.key);
  });
}

/** A line of the table. */
export interface OutlookItem {
  id: string;
  row: OutlookMember;
  kind: 'row' | 'inner' | 'group';
  isOpen: boolean;
}

/** The table's lines in their order: rows alone, or each group with its open rows beneath. */
export function outlookItems(outlook: Outlook, view: View): OutlookItem[] {
  const sort = readOutlookSort(view.sort);
  if (!outlook.groups) {
    return sortOutlook(outlook.rows, sort).map((row) => ({
      id: row.key,
      row,
      kind: 'row',
      isOpen: false,
    }));
  }
  return sortOutlook(outlook.groups, sort).flatMap((group): OutlookItem[] => {
    const isOpen = !view.folded.includes(group.key);
    const rows = outlook.rows.filter((row) => row.group === group.key);
    return [
      { id: groupId(group.key), row: group, kind: 'group', isOpen },
      ...(isOpen ? sortOutlook(rows, sort) : []).map((row): OutlookItem => ({
        id: `${group.key}/${row.key}`,
        row,
        kind: 'inner',
        isOpen: false,
      })),
    ];
  });
}

/** Whose deals are looked at: a member, within a group where it stands in one, or everything. */
export function rowPlace(view: View): { axis: AxisWord; key: string; group: string | null } {
  const { selected, group, axis } = view;
  if (selected === null || selected === TOTAL) return { axis, key: TOTAL, group: null };
  const at = selected.indexOf('/');
  if (group === null || at < 0) return { axis, key: selected, group: null };
  const key = selected.slice(at + 1);
  const inside = selected.slice(0, at);
  return key === '' ? { axis: group, key: inside, group: null } : { axis, key, group: inside };
}
