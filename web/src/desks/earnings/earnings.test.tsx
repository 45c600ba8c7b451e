import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { clean, layOut, Refused, serve } from '../../test/desk';
import { keep, nextWords, percent, sentence, sortRows, statusesOf } from './earnings';
import { ADA, ALL, BO, CLEO, names, show, DESK } from './samples';

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
    expect(screen.getByText(/budget 1.400\.00/)).toHaveTextContent('+70.85 EUR, over');
  });

  it('tries another plan, says what it adds, and offers nothing that is for real', async () => {
    const trial = {
      words: ['everybody with a plan under Field'],
      due: '215.00',
      change: '-15.00',
      changes: [{ rep: 'A', due: '100.00', change: '-15.00' }],
    };
    const asked = serve({ ...ALL, '/desk': { ...DESK, trial } });
    show('&trialPlan=Field');
    expect(await screen.findByText('A trial:')).toBeVisible();
    expect(screen.getByText(/−15\.00 EUR to the 215\.00 EUR due as it is/)).toBeVisible();
    expect(asked.some(({ path }) => path.includes('trialPlan=Field'))).toBe(true);
    expect(screen.queryByRole('button', { name: 'Close month' })).toBeNull();
    expect(await screen.findByText('A trial, not saved')).toBeVisible();
    expect(screen.queryByRole('link', { name: 'PDF' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'What if: on trial' }));
    await userEvent.type(screen.getByLabelText('Quotas times'), '0');
    await userEvent.click(screen.getByRole('button', { name: 'Try it' }));
    expect(screen.getByText(/Write a number above 0/)).toBeVisible();
    await userEvent.type(screen.getByLabelText('Quotas times'), '.9');
    await userEvent.selectOptions(screen.getByLabelText(/^Commission plan of everybody/), '');
    await userEvent.click(screen.getByRole('button', { name: 'Try it' }));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('trialFactor=0.9'));
    expect(screen.getByTestId('address')).not.toHaveTextContent('trialPlan');
  });

  it('narrows to a status and says what is left out', async () => {
    serve(ALL);
    show();
    await names();
    await userEvent.click(screen.getByRole('button', { name: 'Status: all' }));
    await userEvent.click(await screen.findByRole('checkbox', { name: /earning/ }));
    expect(await names()).toEqual(['total', 'Ada']);
    expect(screen.getByTestId('address')).toHaveTextContent('pay=earning');
    await userEvent.keyboard('{Escape}');
    await userEvent.click(screen.getByRole('button', { name: '2 reps not shown: show all' }));
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
    expect(await screen.findByText(/moves 1 rep up/)).toHaveTextContent(
      'Ada on target (+1 500.35)',
    );
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

describe('figures and words', () => {
  it('says what comes next', () => {
    expect(nextWords(ADA)).toBe('5.00 to target, +1\u202f500.15');
    expect(nextWords(BO)).toBe('–');
    expect(nextWords(CLEO)).toBe('needs a plan');
    expect(nextWords({ ...CLEO, plan: 'Field', status: 'no quota' })).toBe('needs a quota');
    expect(sentence(ADA, 'October')).toBe(
      '5.00 more to reach the quota, which adds 1\u202f500.15.',
    );
    expect(sentence(CLEO, 'October')).toBe('Cleo has no plan in October.');
    expect(sentence({ ...BO, status: 'at ceiling' }, 'October')).toContain('Sales above 120.00');
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
