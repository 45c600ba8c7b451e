import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ANALYST, as, clean, layOut, Refused, serve, showAt } from '../../test/desk';
import { COMPANY } from '../../test/samples';
import { GoalsDesk } from './GoalsDesk';
import { desk, line } from './samples';

const SUM = {
  cells: 1,
  before: '50.00',
  after: '50.00',
  lastYear: '40.00',
  stretchBefore: '25.0',
  stretchAfter: '25.0',
};

const changed = desk({
  rows: [line('C', 'Cleo'), line('A', 'Ada', { was: [null, '200.00'] }), line('B', 'Bo')],
  draft: {
    changed: 1,
    before: '2400.00',
    after: '2300.00',
    stale: [],
    sentence: 'One cell changes: Ada moves to reached, and no pay changes.',
    moves: [
      {
        key: 'A',
        name: 'Ada',
        month: '2026-08',
        before: 'near',
        toneBefore: 'near',
        after: 'reached',
        toneAfter: 'good',
        attainmentBefore: '95.0',
        attainmentAfter: '100.0',
      },
    ],
    pays: [],
    payChange: null,
  },
});

const ALL = {
  '/goals/quota/desk': desk(),
  'PUT /goals/quota/draft': changed,
  'POST /goals/quota/draft/sum': SUM,
};

const show = (company = COMPANY, more = '') =>
  showAt(as(ANALYST, <GoalsDesk company={company} />), `/goals?to=2026-10&measure=revenue${more}`);

const cellOf = (amount: string | null, change: string | null = null) => ({ amount, change });

const cell = (name: string, month: number) =>
  within(screen.getByRole('rowheader', { name }).closest('[role="row"]') as HTMLElement)
    .getAllByRole('gridcell')
    .at(month) as HTMLElement;

beforeEach(layOut);
afterEach(clean);

describe('the goal sheet', () => {
  it('shows the year by groups with their own goals, closed months marked', async () => {
    serve(ALL);
    show();
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('adds up to');
    const names = screen.getAllByRole('rowheader').map((head) => head.textContent);
    expect(names).toEqual(['Total', '▾North', 'plan', 'Ada', 'Bo', '▾South', 'Cleo']);
    expect(cell('Ada', 0)).toHaveAttribute('aria-readonly', 'true');
    expect(cell('Ada', 1)).toHaveAttribute('aria-readonly', 'false');
  });

  it('is typed in by keyboard, and says what the draft does', async () => {
    const asked = serve(ALL);
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('1');
    await userEvent.keyboard('80');
    await userEvent.keyboard('{Enter}');
    await screen.findByText('One cell changes: Ada moves to reached, and no pay changes.');
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      cells: [{ key: 'A', month: '2026-08', amount: '180' }],
    });
    await waitFor(() => expect(cell('Bo', 1)).toHaveFocus());
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(asked.filter(({ method }) => method === 'PUT').at(-1)?.body).toMatchObject({
        cells: [{ key: 'A', month: '2026-08', amount: '200.00' }],
      }),
    );
    await waitFor(() => expect(screen.getByRole('button', { name: 'Redo' })).toBeEnabled());
  });

  it('stands beside other sets and drafts, and columns are added and removed', async () => {
    const asked = serve({
      ...ALL,
      '/goals/quota/compared': {
        year: 2027,
        columns: [
          {
            word: 'draft:1',
            name: 'Draft 1',
            changed: 2,
            sentence: 'Two cells change.',
            payChange: '-12.00',
          },
          { word: 'stands', name: 'As it stands', changed: null, sentence: null, payChange: null },
        ],
        rows: [
          { key: '*', name: 'All', cells: [cellOf('2500.00'), cellOf('2400.00', '4.2')] },
          { key: 'A', name: 'Ada', cells: [cellOf('900.00'), cellOf(null)] },
        ],
      },
    });
    show(COMPANY, '&view=beside&with=stands');
    const row = await screen.findByRole('row', { name: /^Total/ });
    expect(row).toHaveTextContent(/2.500.*2.400.*\+4\.2 %/);
    expect(screen.getByText(/Two cells change\. Pay of open months −12\.00\./)).toBeVisible();
    expect(asked.some(({ path }) => /compared\?.*draft=1&with=stands/.test(path))).toBe(true);
    await userEvent.selectOptions(screen.getByLabelText('Add a column'), 'This year at its pace');
    const address = screen.getByTestId('address');
    expect(address).toHaveTextContent('with=stands&with=projected');
    await userEvent.click(screen.getByRole('button', { name: 'Remove the column As it stands' }));
    expect(address).not.toHaveTextContent('stands');
    await userEvent.click(screen.getByRole('button', { name: 'Back to the sheet' }));
    expect(await screen.findByRole('grid')).toBeVisible();
  });

  it('gives a set another name, retires it, and says why it may not', async () => {
    const answers: Record<string, unknown> = {
      ...ALL,
      'PUT /goals/quota/set': new Refused(
        409,
        '“quota” keeps its name, as it is named by the plan Field.',
      ),
    };
    const asked = serve(answers);
    show();
    await screen.findByRole('grid');
    await userEvent.click(screen.getByRole('button', { name: 'This set: in use' }));
    const name = screen.getByLabelText('Name');
    await userEvent.clear(name);
    await userEvent.type(name, 'targets');
    await userEvent.click(screen.getByRole('button', { name: 'Rename' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('keeps its name');
    expect(name).toHaveAttribute('aria-invalid', 'true');
    answers['PUT /goals/quota/set'] = { name: 'quota' };
    await userEvent.click(screen.getByRole('button', { name: 'Retire' }));
    await waitFor(() =>
      expect(asked.filter(({ method }) => method === 'PUT').at(-1)?.body).toEqual({
        isRetired: true,
      }),
    );
  });

  it('refuses what cannot be read beside the cell, and closed months', async () => {
    const asked = serve(ALL);
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('1,2,3x{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('Ada, August 2026');
    await userEvent.keyboard('{Escape}');
    await userEvent.click(cell('Ada', 0));
    await userEvent.keyboard('{Delete}');
    expect(screen.getByRole('alert')).toHaveTextContent('July 2026 is closed');
    expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(0);
  });

  it('spreads over the chosen cells, locked ones kept, and says a refusal', async () => {
    const asked = serve({
      ...ALL,
      'POST /goals/quota/draft/spread': new Refused(400, 'The locked cells add up to 50.00.'),
    });
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('{Shift>}{ArrowRight}{ArrowRight}{/Shift}');
    const panel = screen.getByRole('complementary');
    expect(await within(panel).findByText(/3 open cells, Aug to Oct/)).toBeVisible();
    await userEvent.type(within(panel).getByLabelText('Amount'), '30');
    await userEvent.selectOptions(within(panel).getByLabelText('Spread by'), 'evenly');
    await userEvent.click(within(panel).getByRole('button', { name: 'Spread over 3 cells' }));
    expect(await within(panel).findByRole('alert')).toHaveTextContent('The locked cells');
    expect(asked.find(({ path }) => path.endsWith('/spread'))?.body).toMatchObject({
      kind: 'even',
      whole: '30',
      parts: [{ key: 'A', month: '2026-08', locked: false }, {}, {}],
    });
  });

  it('spreads both ends of ranges', async () => {
    const ranges = desk({ isRange: true });
    const asked = serve({
      ...ALL,
      '/goals/quota/desk': ranges,
      'POST /goals/quota/draft/spread': ranges,
    });
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('{Shift>}{ArrowRight}{/Shift}');
    await userEvent.type(await screen.findByLabelText('Lower ends together'), '30');
    expect(screen.getByRole('button', { name: 'Spread over 2 cells' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Upper ends together'), '40');
    await userEvent.click(screen.getByRole('button', { name: 'Spread over 2 cells' }));
    expect(asked.find(({ path }) => path.endsWith('/spread'))?.body).toMatchObject({
      kind: 'last-year',
      whole: '30',
      high: '40',
    });
  });

  it('puts one rate into every chosen cell', async () => {
    const rates = serve({
      ...ALL,
      '/goals/quota/desk': desk({ isRate: true }),
      'POST /goals/quota/draft/spread': desk({ isRate: true }),
    });
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    await userEvent.type(await screen.findByLabelText('Rate'), '0.02');
    expect(screen.queryByLabelText('Spread by')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Set the rate of 1 cell' }));
    expect(rates.find(({ path }) => path.endsWith('/spread'))?.body).toMatchObject({
      whole: '0.02',
    });
  });

  it('takes a sheet back that was edited elsewhere, as one step that can be undone', async () => {
    const asked = serve({ ...ALL, 'POST /goals/quota/draft/file': changed });
    show();
    await screen.findByRole('grid');
    await userEvent.upload(screen.getByLabelText('Import'), new File(['rep,2026-08'], 'q.csv'));
    await screen.findByText('One cell changes: Ada moves to reached, and no pay changes.');
    expect(asked.find(({ path }) => path.includes('/draft/file'))?.path).toContain('year=2027');
    await waitFor(() => expect(screen.getByRole('button', { name: 'Undo' })).toBeEnabled());
  });

  it('offers a first goal set where there is none', async () => {
    serve(ALL);
    show({ ...COMPANY, goalSets: [] });
    await userEvent.type(screen.getByLabelText('Name'), 'quota');
    await userEvent.click(screen.getByRole('button', { name: 'Create goal set' }));
    expect(screen.getByTestId('address')).toHaveTextContent('set=quota');
    expect(await screen.findByRole('grid')).toBeVisible();
  });

  it('hands goals over within the year from the chosen month on', async () => {
    const asked = serve({ ...ALL, 'POST /goals/quota/draft/takeover': changed });
    show();
    await screen.findByRole('grid');
    await userEvent.click(cell('Ada', 1));
    const form = await screen.findByRole('form', { name: 'Change within the year' });
    await userEvent.selectOptions(within(form).getByLabelText('Who takes over'), 'B');
    await userEvent.click(within(form).getByRole('button', { name: 'Show in the draft' }));
    await screen.findByText('One cell changes: Ada moves to reached, and no pay changes.');
    expect(asked.find(({ path }) => path.includes('takeover'))?.body).toMatchObject({
      kind: 'leaves',
      key: 'A',
      from: '2026-08',
      others: ['B'],
      by: 'as-it-stands',
      over: 'own',
    });
    await userEvent.click(within(form).getByLabelText(/joins in/));
    await userEvent.type(within(form).getByLabelText('Goal of a whole month'), '400');
    await userEvent.type(within(form).getByLabelText(/Ramp/), '25 fifty');
    expect(within(form).getByRole('button', { name: 'Show in the draft' })).toBeDisabled();
    await userEvent.clear(within(form).getByLabelText(/Ramp/));
    await userEvent.type(within(form).getByLabelText(/Ramp/), '25 % 50');
    await userEvent.click(within(form).getByRole('button', { name: 'Show in the draft' }));
    await waitFor(() =>
      expect(asked.filter(({ path }) => path.includes('takeover'))[1]?.body).toMatchObject({
        kind: 'joins',
        goal: '400',
        ramp: ['25', '50'],
      }),
    );
  });

  it('says that an applied draft waits for a second person', async () => {
    serve({
      ...ALL,
      '/goals/quota/desk': changed,
      'POST /goals/quota/draft/apply': { load: null, proposal: { id: 7 }, desk: desk() },
    });
    show();
    await userEvent.click(await screen.findByRole('button', { name: /^Apply/ }));
    expect(await screen.findByText(/Nothing of it counts/)).toBeVisible();
    expect(screen.getByRole('link', { name: 'Open the proposal' })).toHaveAttribute(
      'href',
      '/rules?show=proposals&proposal=7',
    );
  });

  it('folds a group by keyboard, and goes on from its line', async () => {
    serve(ALL);
    show();
    await screen.findByRole('rowheader', { name: 'Ada' });
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('{ArrowUp}');
    await waitFor(() =>
      expect(screen.getByRole('rowheader', { name: /^North, open/ })).toHaveFocus(),
    );
    await userEvent.keyboard('{ArrowLeft}');
    const folded = await screen.findByRole('rowheader', { name: /^North, folded/ });
    expect(screen.queryByRole('rowheader', { name: 'Ada' })).toBeNull();
    await waitFor(() => expect(folded).toHaveFocus());
    await userEvent.keyboard('{ArrowDown}{ArrowDown}');
    await waitFor(() => expect(cell('Cleo', 1)).toHaveFocus());
    await userEvent.keyboard('{ArrowUp}{ArrowUp}{ArrowRight}');
    expect(await screen.findByRole('rowheader', { name: 'Ada' })).toBeVisible();
  });

  it('shows quarters, and takes what is typed over one as an amount to spread', async () => {
    const asked = serve({ ...ALL, 'POST /goals/quota/draft/spread': changed });
    show(COMPANY, '&view=quarters');
    await screen.findByRole('rowheader', { name: 'Ada' });
    expect(screen.getByRole('columnheader', { name: 'Q4' })).toBeVisible();
    expect(screen.queryByRole('columnheader', { name: 'Oct' })).toBeNull();
    expect(cell('Ada', 0)).toHaveTextContent('350');
    expect(cell('Ada', 0)).toHaveAttribute('tabindex', '0');
    await userEvent.click(cell('Ada', 0));
    await userEvent.keyboard('{ArrowRight}6');
    const amount = await screen.findByRole('textbox', { name: 'Amount' });
    expect(amount).toHaveFocus();
    await userEvent.keyboard('00');
    await userEvent.click(screen.getByRole('button', { name: 'Spread over 3 cells' }));
    const body = asked.find(({ path }) => path.endsWith('/spread'))?.body;
    expect(body).toMatchObject({ whole: '600' });
    expect((body as { parts: { month: string }[] }).parts.map(({ month }) => month)).toEqual([
      '2026-10',
      '2026-11',
      '2026-12',
    ]);
  });

  it('shows percentages that cannot be typed over, and copies what is seen', async () => {
    serve({
      ...ALL,
      '/goals/quota/desk/percents': {
        total: Array<string>(12).fill('5.0'),
        groups: { North: Array<string>(12).fill('7.5') },
        rows: { A: ['12.5', ...Array<null>(11).fill(null)] },
      },
    });
    show(COMPANY, '&view=stretch');
    await screen.findByRole('rowheader', { name: 'Ada' });
    await waitFor(() => expect(cell('Ada', 0)).toHaveTextContent('+12.5'));
    await userEvent.click(cell('Ada', 1));
    await userEvent.keyboard('5');
    expect(screen.getByRole('alert')).toHaveTextContent('Goals are typed by month');
  });

  it('takes the goals of the company down by way of the regions, and says where the rest is', async () => {
    const asked = serve({
      ...ALL,
      '/goals/quota/desk': desk({ downFrom: ['target', 'plan'] }),
      'POST /goals/quota/draft/levels': changed,
    });
    const set = COMPANY.goalSets[0];
    show({
      ...COMPANY,
      goalSets: [
        ...COMPANY.goalSets,
        { ...set, name: 'target', axis: 'company' },
        { ...set, name: 'plan', axis: 'region' },
      ] as typeof COMPANY.goalSets,
    });
    await screen.findByRole('rowheader', { name: 'Ada' });
    await userEvent.click(screen.getByText('Other levels, sets and years'));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'By way of' }), 'plan');
    await userEvent.click(screen.getByRole('button', { name: /Spread over the reps/ }));
    expect(asked.find(({ path }) => path.endsWith('/levels'))?.body).toMatchObject({
      direction: 'down',
      from: 'target',
      through: 'plan',
    });
    const link = await screen.findByRole('link', { name: 'Open “plan”' });
    expect(link).toHaveAttribute('href', '/goals?set=plan&measure=revenue&to=2027-06');
  });
});
