import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import type { PlanTrial, Rules } from '../../api/types';
import { clean, Refused, serve, showAt } from '../../test/desk';
import { fromCreditDraft, newCredit, placeInCredits, toCreditDraft } from './credit';
import { CLOSING } from '../../test/samples';
import { SharedCredit } from './SharedCredit';

const PEOPLE = [
  { rep: 'A', name: 'Ada', region: 'North', plan: null },
  { rep: 'B', name: 'Bo', region: 'North', plan: null },
];

const RULES: Rules & { tag: string } = {
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
  approval: { goals: false, plans: false, ladders: false },
  credits: [{ rep: 'A', from: '2026-08', shares: { A: '0.6', B: '0.4' } }],
  tag: '"1"',
};

const TRIAL: PlanTrial = {
  months: ['2026-08', '2026-09', '2026-10'],
  quota: null,
  floor: null,
  ceiling: null,
  curveNow: [],
  budget: null,
  curve: [],
  reps: [
    {
      rep: 'B',
      name: 'Bo',
      before: ['1.00', '1.00', '1.00'],
      after: ['1.00', '1.00', '4.00'],
      beforeWhy: [null, null, null],
      afterWhy: [null, null, null],
      change: '3.00',
    },
  ],
  before: '3.00',
  after: '6.00',
};

afterEach(clean);

const show = () =>
  showAt(<SharedCredit rules={RULES} people={PEOPLE} month="2026-10" />, '/rules?show=credit');

describe('shared credit', () => {
  it('goes into the form and comes out again', () => {
    for (const credit of [
      ...RULES.credits,
      { rep: 'A', shares: { A: '1/3', B: '2/3' } },
      { rep: 'B', from: '2026-01', until: '2026-03', shares: { A: '1' } },
    ]) {
      expect(fromCreditDraft(toCreditDraft(credit))).toEqual({ credit });
    }
  });

  it('says what is missing', () => {
    const draft = { ...newCredit('2026-10'), rep: 'A' };
    const shares = (...all: [string, string][]) => ({
      ...draft,
      shares: all.map(([rep, share]) => ({ rep, share })),
    });
    expect(fromCreditDraft(newCredit('')).fault).toContain('whose sales');
    expect(fromCreditDraft(draft).fault).toContain('who gets');
    expect(fromCreditDraft(shares(['A', '60 %'], ['A', '40 %'])).fault).toContain('two shares');
    expect(fromCreditDraft(shares(['A', 'half'])).fault).toContain('percent or a fraction');
    expect(fromCreditDraft(shares(['A', '60'], ['B', '40 %'])).credit?.shares).toEqual({
      A: '0.6',
      B: '0.4',
    });
    expect(placeInCredits('credits[2].shares')).toBe(2);
    expect(placeInCredits('plans[0].name')).toBeNull();
  });

  it('is tried while it is typed, and saved over what was read', async () => {
    const asked = serve({ '/trial': TRIAL });
    show();
    const first = within(screen.getByRole('group', { name: 'Credit split 1' }));
    expect(screen.getByRole('button', { name: 'Save credit splits' })).toBeDisabled();
    const share = first.getAllByLabelText('Share')[0] as HTMLElement;
    await userEvent.clear(share);
    await userEvent.type(share, '1/2');
    await userEvent.clear(first.getAllByLabelText('Share')[1] as HTMLElement);
    await userEvent.type(first.getAllByLabelText('Share')[1] as HTMLElement, '50');
    expect(await screen.findByRole('cell', { name: '+3.00' })).toBeVisible();
    serve({ '/rules': RULES, '/trial': TRIAL });
    await userEvent.click(screen.getByRole('button', { name: 'Save credit splits' }));
    expect(await screen.findByText('Saved.')).toBeVisible();
    expect(asked.at(-1)?.body).toEqual({
      credits: [{ rep: 'A', from: '2026-08', shares: { A: '1/2', B: '0.5' } }],
    });
  });

  it('that does not add up is said where it stands', async () => {
    serve({
      '/trial': new Refused(400, 'The shares add to 99 %, must be 100 %.', 'credits[0].shares'),
    });
    show();
    const first = within(screen.getByRole('group', { name: 'Credit split 1' }));
    await userEvent.type(
      first.getAllByLabelText('Share')[0] as HTMLElement,
      '{Backspace}{Backspace}{Backspace}9 %',
    );
    expect(await first.findByRole('alert')).toHaveTextContent('99 %');
    expect(screen.getByRole('button', { name: 'Save credit splits' })).toBeDisabled();
  });

  it('can be begun and taken out', async () => {
    const asked = serve({ '/trial': { ...TRIAL, reps: [] } });
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Add credit split' }));
    const second = within(screen.getByRole('group', { name: 'Credit split 2' }));
    expect(second.getByRole('alert')).toHaveTextContent('Select whose sales');
    for (let at = 0; at < 2; at++) {
      await userEvent.click(
        screen.getAllByRole('button', { name: 'Remove credit split' })[0] as HTMLElement,
      );
    }
    expect(screen.getByText('There is no credit split.')).toBeVisible();
    expect(await screen.findByText('Nobody’s pay changes.')).toBeVisible();
    expect(asked.at(-1)?.body).toEqual({ credits: [] });
  });
});
