import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Proposal, Rules } from '../../api/types';
import { Refused, clean, layOut, serve, showAt } from '../../test/desk';
import { COMPANY, CLOSING } from '../../test/samples';
import { RulesDesk } from './RulesDesk';

const WAITING: Proposal = {
  id: 7,
  kind: 'goals',
  subject: 'quota, 2 cells, October 2026',
  by: 'Ines',
  at: '2026-11-20T10:00:00Z',
  state: 'waiting',
  decidedBy: null,
  decidedAt: null,
  because: null,
  changes: 60,
  lines: [{ subject: 'Ada Lund, October 2026', before: '1000.00', after: null }],
  stale: [],
  load: null,
  mayDecide: true,
  isOwn: false,
  effect: {
    sentence: '2 cells change: Ada Lund moves to behind.',
    moves: [{ subject: 'Ada Lund, October 2026', before: 'on target', after: 'behind' }],
    pay: [],
  },
};

const RULES: Rules = {
  calendar: { startMonth: 7, yearNamedBy: 'end', holidays: [] },
  measures: [],
  plans: [],
  company: { name: 'Saltmarsh Chandlery' },
  assignments: [],
  shading: [],
  stretches: [],
  stages: [],
  closing: CLOSING,
  ladders: [],
  approval: { goals: false, plans: false, ladders: true },
  credits: [],
};

const serving = (one: Proposal, more: Record<string, unknown> = {}) =>
  serve({
    '/rules': RULES,
    '/proposals': [one],
    '/proposals/7': one,
    '/proposals/7/accept': one,
    '/proposals/7/decline': one,
    ...more,
  });

beforeEach(layOut);
afterEach(clean);

const show = (part = 'proposals') =>
  showAt(<RulesDesk company={COMPANY} />, `/rules?to=2026-10&show=${part}`);

describe('proposals', () => {
  it('show what would change, and are accepted', async () => {
    const asked = serving(WAITING);
    show();
    const one = await screen.findByRole('region', { name: 'Proposal' });
    expect(within(one).getByText('2 cells change: Ada Lund moves to behind.')).toBeVisible();
    expect(within(one).getByRole('table', { name: '60 changes' })).toHaveTextContent(
      /Ada Lund, October 20261.000\.00–/,
    );
    expect(within(one).getByText('59 more changes')).toBeVisible();
    await userEvent.click(within(one).getByRole('button', { name: 'Accept proposal' }));
    await waitFor(() =>
      expect(asked.some(({ path }) => path.endsWith('/proposals/7/accept'))).toBe(true),
    );
  });

  it('are declined with a reason only', async () => {
    const asked = serving(WAITING);
    show();
    const decline = await screen.findByRole('button', { name: 'Decline proposal' });
    expect(decline).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Reason for declining'), 'Too high{Enter}');
    await waitFor(() =>
      expect(asked.find(({ path }) => path.endsWith('/decline'))?.body).toEqual({
        because: 'Too high',
      }),
    );
  });

  it('whose ground has moved cannot be accepted', async () => {
    serving({ ...WAITING, stale: ['Ada Lund, 2026-10 was changed since.'] });
    show();
    expect(await screen.findByRole('alert')).toHaveTextContent('must be renewed');
    expect(screen.getByRole('button', { name: 'Accept proposal' })).toBeDisabled();
  });

  it('of one’s own can be withdrawn, not accepted', async () => {
    const asked = serving({ ...WAITING, mayDecide: false, isOwn: true });
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'Withdraw proposal' }));
    expect(screen.queryByRole('button', { name: 'Accept proposal' })).toBeNull();
    await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
  });

  it('say the refusal of the server', async () => {
    serving(WAITING, { '/proposals/7/accept': new Refused(409, 'It was accepted by Bea.') });
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'Accept proposal' }));
    expect(await screen.findByText('It was accepted by Bea.')).toBeVisible();
  });

  it('are asked for by kind; a save that waits says so', async () => {
    const asked = serving(WAITING, { 'PUT /rules': { ...RULES, proposal: WAITING } });
    show('company');
    const form = await screen.findByRole('form', { name: 'Approval' });
    const thresholds = within(form).getByLabelText('Status thresholds');
    expect(thresholds).toBeChecked();
    await userEvent.click(thresholds);
    await userEvent.click(within(form).getByRole('button', { name: 'Save approval' }));
    expect(await within(form).findByText(/Nothing of it counts/)).toBeVisible();
    expect(within(form).queryByText('Approval is saved.')).toBeNull();
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      approval: { goals: false, plans: false, ladders: false },
    });
  });
});
