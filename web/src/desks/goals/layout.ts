import type { GoalDesk, GoalLine, GoalPercents } from '../../api/types';
import { amount } from '../../format/figures';
import { endsOf, shown, signedPercent } from './texts';

/** What stands in the sheet: goals by month or by quarter, or percentages in their place. */
export const SHOWS = ['months', 'quarters', 'stretch', 'share'] as const;

export type Show = (typeof SHOWS)[number];

/** Whether percentages stand in the place of the goals. */
export const isPercent = (show: Show): show is 'stretch' | 'share' =>
  show === 'stretch' || show === 'share';

/** A column by the months that it stands for, its end excluded. */
export interface Column {
  kind: 'month' | 'quarter';
  /** Which month or quarter of the year, from 0. */
  at: number;
  from: number;
  until: number;
}

/** What the sheet shows, and how. */
export interface Layout {
  desk: GoalDesk;
  show: Show;
  columns: Column[];
  /** Null where goals are shown. */
  percents: GoalPercents | null;
}

/** The columns of a year; of a wide sheet each quarter after its months. */
export function columnsOf(show: Show, isWide: boolean): Column[] {
  return [0, 1, 2, 3].flatMap((at) => {
    const from = at * 3;
    const quarter: Column = { kind: 'quarter', at, from, until: from + 3 };
    if (show === 'quarters') return [quarter];
    const months = [from, from + 1, from + 2].map((month): Column => ({
      kind: 'month',
      at: month,
      from: month,
      until: month + 1,
    }));
    return show === 'months' && isWide ? [...months, quarter] : months;
  });
}

/** What a line says in a column; of a group by its key, of the total without one. */
export function textOf(
  { desk, show, percents }: Layout,
  line: GoalLine,
  kind: 'total' | 'group' | 'row',
  column: Column,
): string {
  if (!isPercent(show)) {
    return shown(desk, (column.kind === 'quarter' ? line.quarters : line.cells)[column.at]);
  }
  if (percents === null) return '';
  const all =
    kind === 'total'
      ? percents.total
      : (kind === 'group' ? percents.groups : percents.rows)[line.key];
  const percent = all?.[column.at] ?? null;
  return show === 'stretch' ? signedPercent(percent) : percent === null ? '' : amount(percent);
}

/** The year's goal of a line; of a range both ends. */
export function yearOf(desk: GoalDesk, line: GoalLine): string {
  return desk.isRate || (line.total !== null && endsOf(line.total))
    ? shown(desk, line.total)
    : amount(line.total, 'drop');
}

/** How a column is set off: quarters from each other, sums from the months before them. */
export function edgeOf({ show }: Layout, column: Column): string {
  if (column.kind === 'quarter') return show === 'months' ? 'goal-sum' : 'goal-quarter';
  return column.from % 3 === 0 ? 'goal-quarter' : '';
}
