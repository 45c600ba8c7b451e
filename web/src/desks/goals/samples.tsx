import type { GoalDesk, GoalLine } from '../../api/types';

/** Three reps in two regions over a fiscal year from July, which is closed. */
export function line(key: string, name: string, changes: Partial<GoalLine> = {}): GoalLine {
  return {
    key,
    name,
    cells: ['100.00', '200.00', ...Array<string>(10).fill('50.00')],
    was: Array<null>(12).fill(null),
    places: Array<null>(12).fill(null),
    quarters: ['350.00', '150.00', '150.00', '150.00'],
    total: '800.00',
    lastYear: '640.00',
    stretch: '25.0',
    share: '33.3',
    ratio: '0.8',
    ...changes,
  };
}

export function desk(changes: Partial<GoalDesk> = {}): GoalDesk {
  const months = ['07', '08', '09', '10', '11', '12', '01', '02', '03', '04', '05', '06'];
  return {
    goalSet: 'quota',
    isNew: false,
    axis: 'rep',
    measure: 'revenue',
    unit: 'EUR',
    scale: 2,
    isRange: false,
    isRate: false,
    year: 2027,
    months: months.map((month, at) => ({
      month: `${at < 6 ? 2026 : 2027}-${month}`,
      quarter: Math.floor(at / 3) + 1,
      isClosed: at === 0,
      hasActuals: at < 2,
    })),
    group: 'region',
    plan: 'plan',
    plans: ['plan'],
    others: [2026, 2027],
    downFrom: ['plan'],
    upFrom: [],
    copyFrom: ['quota'],
    canDraft: true,
    headline: ['“quota” for fiscal 2027 adds up to 2,400.00 EUR.'],
    insights: ['Cleo has no goal.'],
    total: line('*', 'All', { total: '2400.00' }),
    groups: [
      {
        sum: line('North', 'North', { total: '1600.00' }),
        own: line('North', 'plan', { total: '1500.00' }),
        over: '6.7',
        rows: ['A', 'B'],
      },
      { sum: line('South', 'South'), own: null, over: null, rows: ['C'] },
    ],
    rows: [line('C', 'Cleo'), line('A', 'Ada'), line('B', 'Bo')],
    drafts: [],
    draft: null,
    ...changes,
  };
}
