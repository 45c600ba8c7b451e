import { screen, within } from '@testing-library/react';
import type { Account } from '../../api/account';
import type { CloseList, PayDesk, PayRow, PayStatement, SealState } from '../../api/types';
import { ANALYST, as, showAt } from '../../test/desk';
import { COMPANY } from '../../test/samples';
import { EarningsDesk } from './EarningsDesk';

/** A month of a few reps, for the tests of the desk. */
export function row(rep: string, name: string, changes: Partial<PayRow>): PayRow {
  return {
    rep,
    name,
    region: 'North',
    plan: 'Field',
    measure: 'revenue',
    unit: 'EUR',
    quota: '100.00',
    monthQuota: null,
    actual: '95.00',
    credited: '95.00',
    notCredited: '0.00',
    status: 'earning',
    tone: 'near',
    earned: '2.85',
    due: '2.85',
    components: [],
    next: { event: 'target', sales: '5.00', pay: '1500.15' },
    windowFrom: '2026-10',
    closedThrough: null,
    closed: '0.00',
    part: '2.85',
    adjustments: [],
    heldBefore: '0.00',
    held: '0.00',
    capped: '0.00',
    floor: '80.00',
    ceiling: null,
    curve: [
      { sales: '0.00', pay: '0.00' },
      { sales: '80.00', pay: '2.40' },
      { sales: '100.00', pay: '1503.00' },
      { sales: '170.00', pay: '1506.50' },
    ],
    ...changes,
  };
}

export const ADA = row('A', 'Ada', {});
export const BO = row('B', 'Bo', {
  actual: '120.00',
  credited: '120.00',
  status: 'on target',
  tone: 'good',
  earned: '1504.00',
  due: '1468.00',
  next: null,
});
export const CLEO = row('C', 'Cleo', {
  plan: null,
  quota: null,
  credited: null,
  status: 'no plan',
  tone: 'neutral',
  earned: null,
  due: null,
  next: null,
  curve: [],
});

export const DESK: PayDesk = {
  month: '2026-10',
  state: 'open',
  isRunning: false,
  currency: 'EUR',
  headline: 'October 2026 pays 1 470.85 EUR to two reps.',
  totals: {
    reps: 3,
    planned: 2,
    paid: 2,
    quota: '200.00',
    monthQuota: '200.00',
    floor: '120.00',
    credited: '215.00',
    ceiling: null,
    shareShown: '7.01',
    earned: '1506.85',
    due: '1470.85',
  },
  budget: { goalSet: 'budget', goal: '1400.00', variance: '70.85', percent: '1.05', isOver: true },
  trial: null,
  rows: [ADA, CLEO, BO],
};

export const STATEMENT: PayStatement = {
  row: BO,
  state: 'open',
  isRunning: false,
  currency: 'EUR',
  plan: {
    name: 'Field',
    measure: 'revenue',
    goalSet: 'quota',
    window: 'month',
    paidFrom: 'first unit',
    method: 'sliced',
    steps: [{ from: '0', rate: '0.03' }],
    bonus: '0.00',
    bonusPaid: 'when reached',
    negativeDue: 'recover',
  },
  lines: [
    {
      kind: 'fact',
      what: 'fact',
      words: 'Floor at 80.00',
      figure: 'reached',
      base: null,
      rate: null,
      through: null,
    },
    {
      kind: 'sum',
      what: 'sum',
      words: 'Earned, October 2026',
      figure: '1504.00',
      base: null,
      rate: null,
      through: null,
    },
    {
      kind: 'adjustment',
      what: 'adjustment',
      words: 'Adjustment: September 2026 corrected',
      figure: '-36.00',
      base: null,
      rate: null,
      through: '2026-09',
    },
    {
      kind: 'sum',
      what: 'sum',
      words: 'Due with October 2026',
      figure: '1468.00',
      base: null,
      rate: null,
      through: null,
    },
  ],
  page: 0,
  lineCount: 1,
  sales: [{ load: 3, file: 'october.csv', line: 7, month: '2026-10', amount: '120.00' }],
  quota: [{ load: 2, file: 'quota.csv', line: 2, month: '2026-10', amount: '100.00' }],
};

export const SEAL: SealState = {
  month: '2026-10',
  state: 'open',
  sealedAt: null,
  sealedBy: null,
  checksum: null,
  hash: null,
  isIntact: null,
  checks: [
    { code: 'posted', level: 'good', words: 'Lines are posted.', count: 1, names: [] },
    { code: 'quotas', level: 'look', words: '1 with no quota.', count: 1, names: ['Emil'] },
  ],
  history: [],
};

export const CLOSE_LIST: CloseList = {
  month: '2026-10',
  state: 'open',
  open: 1,
  headline: 'October 2026: 1 thing stands between you and closing.',
  sentence: '',
  lines: [
    {
      code: 'quotas',
      name: 'Reps without quota',
      state: 'open',
      isOwn: false,
      figure: '1',
      text: 'Emil sold 9.00',
      by: null,
      at: null,
      reason: null,
      action: null,
      items: [],
    },
  ],
  after: [],
  sources: [],
};

export const ALL = {
  '/desk': DESK,
  '/totals': { ...DESK.totals, reps: 1, planned: 1 },
  '/reps/A': { ...STATEMENT, row: ADA, lines: [] },
  '/reps/B': STATEMENT,
  '/one-more-order': [
    {
      rep: 'A',
      name: 'Ada',
      order: '9.00',
      status: 'earning',
      then: 'on target',
      tone: 'good',
      pay: '1500.35',
    },
  ],
  '/seal': SEAL,
  '/close-list': CLOSE_LIST,
};

export const APPROVER: Account = { ...ANALYST, role: 'approver' };
export const REP: Account = { ...ANALYST, role: 'rep', member: 'A', memberName: 'Ada' };

export function show(search = '', account = ANALYST) {
  showAt(as(account, <EarningsDesk company={COMPANY} />), `/earnings?to=2026-10${search}`);
}

export async function names() {
  const table = await screen.findByRole('grid', { name: 'Commission by rep' });
  return within(table)
    .getAllByRole('rowheader')
    .map((cell) => cell.querySelector('button')?.textContent ?? 'total');
}
