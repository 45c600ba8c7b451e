import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Job } from '../../api/types';
import { as, clean, layOut, serve, showAt } from '../../test/desk';
import { COMPANY, reading } from '../../test/samples';
import { MyMonth } from './MyMonth';
import { ALL, APPROVER, CLOSE_LIST, REP, names, show, DESK, SEAL } from './samples';

beforeEach(layOut);
afterEach(clean);

describe('sealing', () => {
  it('shows what is open, and closes once it is waived with a reason', async () => {
    const asked = serve(ALL);
    show('&show=seal');
    const panel = await screen.findByRole('complementary', { name: 'Closing the month' });
    expect(await within(panel).findByText('Emil sold 9.00')).toBeVisible();
    const button = within(panel).getByRole('button', {
      name: 'Waive 1 line and close October 2026',
    });
    expect(button).toBeDisabled();
    await userEvent.type(within(panel).getByLabelText('Reason for waiving the open line'), 'new');
    await userEvent.click(button);
    await waitFor(() =>
      expect(
        asked
          .filter(({ method }) => method === 'PUT' || method === 'POST')
          .map(({ path }) => path.replace('/api/v1', '')),
      ).toEqual([
        '/months/2026-10/close-list/quotas/waiver',
        '/months/2026-10/seal?requireChecked=true',
      ]),
    );
  });

  it('closes at once where nothing is open', async () => {
    const asked = serve({ ...ALL, '/close-list': { ...CLOSE_LIST, open: 0, lines: [] } });
    show('&show=seal');
    await userEvent.click(await screen.findByRole('button', { name: 'Close October 2026' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
    expect(asked.some(({ method }) => method === 'PUT')).toBe(false);
  });

  it('is not offered where something is in the way', async () => {
    serve({
      ...ALL,
      '/close-list': { ...CLOSE_LIST, lines: [] },
      '/seal': {
        ...SEAL,
        checks: [{ code: 'order', level: 'stop', words: '2026-09 is next.', count: 1, names: [] }],
      },
    });
    show('&show=seal');
    expect(await screen.findByRole('button', { name: 'Close October 2026' })).toBeDisabled();
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
        await screen.findByRole('link', { name: 'Download the closed figures (ZIP)' }),
      ).toHaveAttribute('href', '/api/v1/months/2026-10/seal/snapshot.zip');
      expect(screen.getByText('Checksum cd34')).toBeVisible();
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
    const unseal = screen.getByRole('button', { name: 'Reopen October 2026' });
    expect(unseal).toBeDisabled();
    await userEvent.type(
      screen.getByRole('textbox', { name: 'Reason for reopening' }),
      'wrong file',
    );
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
    expect(await screen.findByText(/October 2026 is not closed/)).toBeVisible();
    expect(await screen.findByText(/1 statement was being sent/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Send 1 statement not sent yet' }));
    expect(await screen.findByText(/1 statement sent/)).toHaveTextContent(
      '1 statement sent, 1 had been sent before, 1 refused.',
    );
    expect(screen.getByRole('alert')).toHaveTextContent('Bo: 550 no such box');
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
    expect(screen.getByText('% of goal').nextSibling).toHaveTextContent('95.0 %');
    expect(screen.getByText('Variance', { selector: 'dt' }).nextSibling).toHaveTextContent('−5.00');
    expect(await screen.findByRole('img', { name: /rope −4/ })).toBeVisible();
    expect(screen.getByText(/^Needed per month/).nextSibling).toHaveTextContent('120.00');
  });

  it('my month says where there is nothing', async () => {
    serve({ ...ALL, '/desk': { ...DESK, rows: [] }, '/path': PATH });
    showAt(as(REP, <MyMonth company={COMPANY} />), '/mine?to=2026-10');
    expect(await screen.findByText('You have no figures in October 2026.')).toBeVisible();
  });
});
