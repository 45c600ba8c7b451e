import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Account } from '../../api/account';
import type { Job, PayDesk, PayRow, PayStatement, SealState } from '../../api/types';
import { ANALYST, as, clean, layOut, Refused, serve, showAt } from '../../test/desk';
import { COMPANY } from '../../test/samples';
import { reading } from '../../test/samples';
import { keep, nextWords, percent, sentence, sortRows, statusesOf } from './earnings';
import { EarningsDesk } from './EarningsDesk';
import { MyMonth } from './MyMonth';

function row(rep: string, name: string, changes: Partial<PayRow>): PayRow {
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

const ADA = row('A', 'Ada', {});
const BO = row('B', 'Bo', {
  actual: '120.00',
  credited: '120.00',
  status: 'on target',
  tone: 'good',
  earned: '1504.00',
  due: '1468.00',
  next: null,
});
const CLEO = row('C', 'Cleo', {
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

const DESK: PayDesk = {
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
    credited: '215.00',
    shareShown: '7.01',
    earned: '1506.85',
    due: '1470.85',
  },
  budget: { goalSet: 'budget', goal: '1400.00', variance: '70.85', percent: '1.05', isOver: true },
  rows: [ADA, CLEO, BO],
};

const STATEMENT: PayStatement = {
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

const SEAL: SealState = {
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

const ALL = {
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
};

const APPROVER: Account = { ...ANALYST, role: 'approver' };
const REP: Account = { ...ANALYST, role: 'rep', member: 'A', memberName: 'Ada' };

function show(search = '', account = ANALYST) {
  showAt(as(account, <EarningsDesk company={COMPANY} />), `/earnings?to=2026-10${search}`);
}

async function names() {
  const table = await screen.findByRole('table', { name: 'Commission by rep' });
  return within(table)
    .getAllByRole('rowheader')
    .map((cell) => cell.querySelector('button')?.textContent ?? 'total');
}

beforeEach(layOut);
afterEach(clean);

describe('the earnings desk', () => {
  it('shows the rows best first under totals that add up', async () => {
    serve(ALL);
    show();
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('October 2026 pays');
    expect(await names()).toEqual(['total', 'Bo', 'Ada', 'Cleo']);
    const total = screen.getAllByRole('row')[1] as HTMLElement;
    expect(total).toHaveTextContent('1 470.85');
    expect(total).toHaveTextContent('215.00');
    expect(screen.getByText(/against 1.400\.00 in budget/)).toHaveTextContent('+70.85 EUR, over');
  });

  it('narrows to a status and says what is left out', async () => {
    serve(ALL);
    show();
    await names();
    await userEvent.click(screen.getByRole('button', { name: 'Status all' }));
    await userEvent.click(await screen.findByRole('checkbox', { name: /earning/ }));
    expect(await names()).toEqual(['total', 'Ada']);
    expect(screen.getByTestId('address')).toHaveTextContent('pay=earning');
    await userEvent.keyboard('{Escape}');
    await userEvent.click(screen.getByRole('button', { name: '2 reps left out, show all' }));
    expect(await names()).toHaveLength(4);
  });

  it('opens the statement of the chosen row, down to the source lines', async () => {
    serve(ALL);
    show('&selected=A');
    await names();
    await userEvent.click(screen.getByRole('button', { name: 'Bo' }));
    const panel = await screen.findByRole('complementary', { name: 'Statement' });
    expect(await within(panel).findByText('Due with October 2026')).toBeVisible();
    expect(within(panel).getByText('−36.00')).toBeVisible();
    expect(within(panel).getByRole('link', { name: /September 2026 corrected/ })).toHaveAttribute(
      'href',
      '/earnings?to=2026-09&show=seal',
    );
    await userEvent.click(within(panel).getByText('Sales: 1 line'));
    expect(within(panel).getByRole('link', { name: 'october.csv, line 7' })).toHaveAttribute(
      'href',
      '/intake?load=3&line=7',
    );
    expect(within(panel).getByRole('link', { name: 'PDF' })).toHaveAttribute(
      'href',
      '/api/v1/earnings/reps/B/statement.pdf?month=2026-10',
    );
  });

  it('walks the rows with j and k', async () => {
    serve(ALL);
    show();
    await names();
    await userEvent.keyboard('j');
    expect(screen.getByTestId('address')).toHaveTextContent('selected=A');
    await userEvent.keyboard('k');
    expect(screen.getByTestId('address')).toHaveTextContent('selected=B');
  });

  it('asks what other sales would earn, and shows a refusal', async () => {
    const answers: Record<string, unknown> = {
      ...ALL,
      '/what-if': {
        sales: '100.00',
        status: 'on target',
        tone: 'good',
        earned: '1503.00',
        change: '1500.15',
        components: [],
        next: null,
      },
    };
    const asked = serve(answers);
    show('&selected=A');
    const sales = await screen.findByRole('textbox', { name: 'Sales to date' });
    await userEvent.type(sales, '100');
    expect(await screen.findByText(/^earns/)).toHaveTextContent('earns 1 503.00, +1 500.15');
    expect(asked.some(({ path }) => path.includes('sales=100'))).toBe(true);
    await userEvent.clear(sales);
    await userEvent.type(sales, '60,000');
    expect(await screen.findByRole('alert')).toHaveTextContent('can be read as 60000 or as 60.000');
    answers['/what-if'] = new Refused(400, 'The month is closed.');
    await userEvent.clear(sales);
    await userEvent.type(sales, '7');
    await waitFor(() =>
      expect(screen.getByRole('alert')).toHaveTextContent('The month is closed.'),
    );
  });

  it('names who one more order would turn', async () => {
    serve(ALL);
    show();
    expect(await screen.findByText(/turns 1 rep/)).toHaveTextContent('Ada on target (+1 500.35)');
  });
});

describe('a running month', () => {
  it('marks nobody as behind yet', async () => {
    const behind = { ...DESK.rows[0], status: 'below floor', tone: 'bad' };
    serve({ ...ALL, '/desk': { ...DESK, isRunning: true, rows: [behind] } });
    show();
    const mark = await screen.findByText('below floor');
    expect(mark).toHaveClass('text-quiet');
  });
});

describe('sealing', () => {
  it('shows what to look at, and seals all the same', async () => {
    const asked = serve(ALL);
    show('&show=seal');
    const panel = await screen.findByRole('complementary', { name: 'Sealing' });
    expect(await within(panel).findByText('Emil')).toBeVisible();
    await userEvent.click(
      within(panel).getByRole('button', { name: 'Seal October 2026 all the same' }),
    );
    await waitFor(() =>
      expect(
        asked.some(
          ({ path, method }) => method === 'POST' && path.endsWith('/months/2026-10/seal'),
        ),
      ).toBe(true),
    );
  });

  it('is not offered where something is in the way', async () => {
    serve({
      ...ALL,
      '/seal': {
        ...SEAL,
        checks: [{ code: 'order', level: 'stop', words: '2026-09 is next.', count: 1, names: [] }],
      },
    });
    show('&show=seal');
    expect(await screen.findByRole('button', { name: 'Seal October 2026' })).toBeDisabled();
  });

  it.each([true, false])(
    'offers what was frozen, and says whether it is intact: %s',
    async (is) => {
      serve({
        ...ALL,
        '/seal': {
          ...SEAL,
          state: 'sealed',
          sealedAt: '2026-11-02T10:00:00Z',
          checks: [],
          checksum: 'ab12',
          hash: 'cd34',
          isIntact: is,
        },
        '/changed': { month: '2026-10', settledIn: '2026-11', reps: [], lines: [] },
      });
      show('&show=seal');
      expect(
        await screen.findByRole('link', { name: 'Save what was sealed (ZIP)' }),
      ).toHaveAttribute('href', '/api/v1/months/2026-10/seal/snapshot.zip');
      expect(screen.getByText('Seal cd34')).toBeVisible();
      expect(screen.queryByRole('alert') === null).toBe(is);
    },
  );

  it('shows what changed since, and unseals with a reason only', async () => {
    const asked = serve({
      ...ALL,
      '/seal': { ...SEAL, state: 'sealed', sealedAt: '2026-11-02T10:00:00Z', checks: [] },
      '/changed': {
        month: '2026-10',
        settledIn: '2026-11',
        measure: 'revenue',
        reps: [
          {
            rep: 'A',
            name: 'Ada',
            actualThen: '95.00',
            actualNow: '90.00',
            earnedThen: '2.85',
            earnedNow: '2.70',
            adjustment: '-0.15',
          },
        ],
        lines: [{ load: 9, file: 'late.csv', line: 2, rep: 'Ada', then: null, now: '-5.00' }],
      },
    });
    show('&show=seal', APPROVER);
    expect(await screen.findByText('−0.15')).toBeVisible();
    expect(screen.getByRole('link', { name: 'late.csv, line 2' })).toBeVisible();
    const unseal = screen.getByRole('button', { name: 'Unseal October 2026' });
    expect(unseal).toBeDisabled();
    await userEvent.type(screen.getByRole('textbox', { name: 'Unseal it, because' }), 'wrong file');
    await userEvent.click(unseal);
    await waitFor(() =>
      expect(asked.some(({ path }) => path.includes('unseal?reason=wrong+file'))).toBe(true),
    );
  });
});

describe('statements', () => {
  const job: Job = {
    id: 4,
    kind: 'send',
    state: 'done',
    done: 3,
    total: 3,
    already: 1,
    refused: [{ rep: 'B', name: 'Bo', why: '550 no such box' }],
    problem: null,
  };

  it('are sent, with what was refused, and never what went before', async () => {
    serve({
      ...ALL,
      '/sent': {
        canSend: true,
        statements: [
          { rep: 'A', name: 'Ada', address: 'a@x', begunAt: null, sentAt: null, isPresent: false },
          { rep: 'B', name: 'Bo', address: 'b@x', begunAt: 'x', sentAt: null, isPresent: true },
        ],
      },
      '/jobs/': job,
    });
    show('&show=send');
    expect(await screen.findByText(/October 2026 is not sealed/)).toBeVisible();
    expect(await screen.findByText(/1 statement began to be sent/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Send 1 statement not sent yet' }));
    expect(await screen.findByText(/1 statement sent/)).toHaveTextContent(
      '1 statement sent, 1 had been sent before, 1 refused.',
    );
    expect(screen.getByRole('alert')).toHaveTextContent('Bo: 550 no such box');
  });
});

describe('figures and words', () => {
  it('says what comes next', () => {
    expect(nextWords(ADA)).toBe('5.00 to target, +1\u202f500.15');
    expect(nextWords(BO)).toBe('–');
    expect(nextWords(CLEO)).toBe('needs a plan');
    expect(nextWords({ ...CLEO, plan: 'Field', status: 'no quota' })).toBe('needs a quota');
    expect(sentence(ADA, 'October')).toBe('5.00 more reach the quota, which adds 1\u202f500.15.');
    expect(sentence(CLEO, 'October')).toBe('Cleo has no plan in October.');
    expect(sentence({ ...BO, status: 'at ceiling' }, 'October')).toContain('Nothing beyond 120.00');
  });

  it('shows ratios as percents', () => {
    expect(percent('0.03')).toBe('3 %');
    expect(percent('0.035')).toBe('3.5 %');
    expect(percent('0.036017')).toBe('3.6017 %');
    expect(percent(null)).toBe('–');
  });

  it('sorts and keeps', () => {
    const rows = [ADA, CLEO, BO];
    expect(sortRows(rows, 'due').map((one) => one.rep)).toEqual(['B', 'A', 'C']);
    expect(sortRows(rows, 'next').map((one) => one.rep)).toEqual(['A', 'B', 'C']);
    expect(keep(rows, { status: [], plan: 'Field', text: 'bo' })).toEqual([BO]);
    expect(statusesOf(rows).map((one) => one.status)).toEqual(['on target', 'earning', 'no plan']);
  });
});

describe('for a rep', () => {
  const PATH = {
    name: 'Ada',
    fiscalYear: 2027,
    months: [
      {
        month: '2026-10',
        number: 4,
        quarter: 2,
        state: 'open',
        reading: reading('95.00', '100.00', {
          variance: '-5.00',
          percentShown: '95.0',
          tone: 'near',
          status: 'near',
        }),
      },
    ],
  };

  const CLOSE_UP = {
    milestones: [{ name: 'reached', tone: 'good', at: '100.00', toGo: '5.00', toGoShown: '5.00' }],
    required: {
      perMonth: '120.00',
      monthsLeft: 8,
      yearGoal: '1300.00',
      toDate: '340.00',
      isReached: false,
    },
    parts: [
      {
        axis: 'line',
        split: 'own-goals',
        parts: [
          {
            key: 'rope',
            name: 'rope',
            actual: '40.00',
            goal: '44.00',
            variance: '-4.00',
            varianceShown: '-4.00',
            favourable: '-4.00',
          },
          {
            key: 'deck',
            name: 'deck',
            actual: '55.00',
            goal: '56.00',
            variance: '-1.00',
            varianceShown: '-1.00',
            favourable: '-1.00',
          },
        ],
      },
    ],
  };

  it('the desk offers neither sealing nor the statements of all', async () => {
    serve(ALL);
    show('&show=seal', REP);
    await names();
    expect(screen.queryByRole('button', { name: /^Seal/ })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Statements' })).toBeNull();
    expect(screen.getByRole('complementary', { name: 'Statement' })).toBeVisible();
  });

  it('my month says where I stand and what comes next', async () => {
    serve({ ...ALL, '/path': PATH, '/close-up': CLOSE_UP });
    showAt(as(REP, <MyMonth company={COMPANY} />), '/mine?to=2026-10');
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      'You stand at 95.0 % of your quota for October 2026.',
    );
    expect(screen.getByText('Percent to goal').nextSibling).toHaveTextContent('95.0 %');
    expect(screen.getByText('Variance', { selector: 'dt' }).nextSibling).toHaveTextContent('−5.00');
    expect(await screen.findByRole('img', { name: /rope −4/ })).toBeVisible();
    expect(screen.getByText('Rest of the year').nextSibling).toHaveTextContent(
      '120.00 in each of 8 months',
    );
  });

  it('my month says where there is nothing', async () => {
    serve({ ...ALL, '/desk': { ...DESK, rows: [] }, '/path': PATH });
    showAt(as(REP, <MyMonth company={COMPANY} />), '/mine?to=2026-10');
    expect(await screen.findByText('There is nothing of yours in October 2026.')).toBeVisible();
  });
});
