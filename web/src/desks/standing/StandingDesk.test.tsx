import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Row } from '../../api/types';
import { ANALYST, type Asked, as, clean, layOut, serve, showAt } from '../../test/desk';
import { ANSWERS as ALL, COMPANY, ROWS, STANDING } from '../../test/samples';
import { setWriting } from '../../format/writing';
import { StandingDesk } from './StandingDesk';

function show(search = '') {
  showAt(<StandingDesk company={COMPANY} />, `/standing${search}`);
}

async function rowNames() {
  const table = await screen.findByRole('grid', { name: 'Standing by rep' });
  return within(table)
    .getAllByRole('rowheader')
    .map((cell) => cell.textContent.replace(/North$/, ''));
}

const paths = (asked: Asked[]) => asked.map(({ path }) => path);

beforeEach(layOut);
afterEach(clean);

describe('the standing desk', () => {
  it('shows the headline, the total, the no-goal line and the rows by variance', async () => {
    serve(ALL);
    show();
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      'October 2026 is 7.5 % ahead of quota',
    );
    expect(await rowNames()).toEqual([
      'All reps1 of 2 reached quota',
      'No goal assigned1 rep',
      'Bo',
      'Ada',
      'Cleo',
    ]);
    expect(screen.getByText('1 of 2 reached quota')).toBeInTheDocument();
  });

  it('says which staged files its months do not count', async () => {
    const month = (name: string, staged: number[]) => ({ month: name, state: 'open', staged });
    serve({
      ...ALL,
      '/closes': [month('2026-09', [4]), month('2026-10', [4, 7]), month('2026-11', [9])],
    });
    showAt(as(ANALYST, <StandingDesk company={COMPANY} />), '/standing?to=2026-10&span=y');
    const link = await screen.findByRole('link', { name: '2 staged files are not counted' });
    expect(link).toHaveAttribute('href', '/intake?to=2026-10');
  });

  it('shows shares of a goal of the company, and no status', async () => {
    serve({
      ...ALL,
      '/standing': {
        ...STANDING,
        companyGoal: { goal: '2000.00', actual: '990.00', remaining: '1010.00' },
        rows: STANDING.rows.map((row) => ({ ...row, shareOfCompany: '12.3' })),
      },
    });
    show();
    const line = await screen.findByRole('rowheader', { name: /^Company goal/ });
    expect(line).toHaveTextContent(/1.010\.00 EUR remain/);
    expect(screen.getByRole('columnheader', { name: '% of company' })).toBeVisible();
    expect(screen.getAllByRole('gridcell', { name: '12.3' })).toHaveLength(STANDING.rows.length);
  });

  it('tries other goals, thresholds and an ended month, and marks them as a trial', async () => {
    const asked = serve({ ...ALL, '/standing': { ...STANDING, trial: ['goals × 1.03'] } });
    show('?trialFactor=1.03');
    expect(await screen.findByText('A trial:')).toBeVisible();
    expect(screen.getByRole('complementary')).toHaveTextContent('A trial, not saved');
    expect(paths(asked).some((path) => path.includes('trialFactor=1.03'))).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'What if: on trial' }));
    const begins = screen.getByLabelText(/^reached from/);
    await userEvent.clear(begins);
    await userEvent.type(begins, '80');
    await userEvent.click(screen.getByRole('button', { name: 'Try it' }));
    expect(screen.getByText(/must start above/)).toBeVisible();
    await userEvent.clear(begins);
    await userEvent.type(begins, '95');
    await userEvent.click(screen.getByRole('checkbox', { name: /ends at the pace/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Try it' }));
    const address = screen.getByTestId('address');
    await waitFor(() => expect(address).toHaveTextContent('trialPace=end'));
    expect(decodeURIComponent(address.textContent)).toMatch(/trialThresholds=0\.9,0\.95,/);
    await userEvent.click(screen.getByRole('button', { name: 'End the trial' }));
    expect(address).toBeEmptyDOMElement();
  });

  it('asks for the default view and for no more than the address says', async () => {
    const asked = serve(ALL);
    show('?region=North&to=2026-09');
    await rowNames();
    expect(paths(asked)).toContain(
      '/api/v1/standing?axis=rep&measure=revenue&from=2026-09&to=2026-09&goalSet=quota&region=North',
    );
  });

  it('sorts by a column, and asks the server to narrow by name', async () => {
    const asked = serve(ALL);
    show();
    await rowNames();
    await userEvent.click(screen.getByRole('button', { name: 'Rep' }));
    expect((await rowNames()).slice(2)).toEqual(['Ada', 'Bo', 'Cleo']);
    await userEvent.click(screen.getByRole('button', { name: /^Filter: none/ }));
    await userEvent.type(screen.getByRole('searchbox'), 'bo');
    await waitFor(() =>
      expect(screen.getByTestId('address')).toHaveTextContent('?sort=name&text=bo'),
    );
    await waitFor(() => expect(asked.some(({ path }) => path.includes('text=bo'))).toBe(true));
  });

  it('says what narrowing left out, and takes it back', async () => {
    serve({
      ...ALL,
      '/standing': {
        ...STANDING,
        leftOut: { members: 4, actual: '55.00', shortfallShareShown: '84' },
      },
    });
    show('?text=zz');
    expect(await screen.findByText(/4 rows not shown, with 55.00 together/)).toHaveTextContent(
      'These rows account for 84 % of the total shortfall.',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Show all' }));
    expect(screen.getByTestId('address')).toBeEmptyDOMElement();
  });

  it('leads from a finding to the view that shows it', async () => {
    serve(ALL);
    show();
    const claim = await screen.findByRole('link', {
      name: 'Ada accounts for 100 % of the shortfall.',
    });
    await userEvent.click(claim);
    expect(screen.getByTestId('address')).toHaveTextContent('?only=A&selected=A');
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent('Ada');
  });

  it('opens and closes groups', async () => {
    const group: Row = {
      ...(ROWS[0] as Row),
      key: 'North',
      name: 'North',
      place: undefined as never,
    };
    serve({
      ...ALL,
      '/standing': {
        ...STANDING,
        group: 'region',
        groups: [group],
        rows: ROWS.map((row) => ({ ...row, group: 'North' })),
      },
    });
    show('?group=region');
    expect((await rowNames()).slice(2)).toEqual(['▾North3 reps', 'Bo', 'Ada', 'Cleo']);
    await userEvent.click(screen.getByRole('button', { name: 'Close North' }));
    expect((await rowNames()).slice(2)).toEqual(['▸North3 reps']);
    expect(screen.getByTestId('address')).toHaveTextContent('folded=North');
  });

  it('tries a ladder before it is saved, and says what is wrong with one', async () => {
    const asked = serve({
      ...ALL,
      '/trial': {
        rungs: [{ name: 'behind', rows: 1 }],
        noReading: 1,
        flips: [
          {
            key: 'A',
            name: 'Ada',
            before: 'near',
            beforeTone: 'near',
            after: 'behind',
            afterTone: 'bad',
          },
        ],
      },
      '/rules': {},
    });
    show('?panel=ladder');
    const panel = await screen.findByRole('complementary', { name: 'Status thresholds' });
    expect(await within(panel).findByText('1 row changes its status:')).toBeInTheDocument();
    expect(panel).toHaveTextContent('Ada');
    const bound = within(panel).getByRole('textbox', { name: 'Threshold 2, starts at' });
    await userEvent.clear(bound);
    expect(within(panel).getByRole('alert')).toHaveTextContent('needs a number');
    expect(within(panel).getByRole('button', { name: 'Save thresholds' })).toBeDisabled();
    await userEvent.type(bound, '95');
    await userEvent.click(within(panel).getByRole('button', { name: 'Save thresholds' }));
    expect(await within(panel).findByText('Saved.')).toBeInTheDocument();
    expect(paths(asked)).toContain('/api/v1/rules');
  });

  it('keeps a note with its reason', async () => {
    const sent = serve({ ...ALL, '/notes': {} });
    show('?selected=A');
    await screen.findByRole('option', { name: 'price' });
    await userEvent.selectOptions(await screen.findByRole('combobox', { name: 'Reason' }), 'price');
    await userEvent.type(screen.getByRole('textbox', { name: 'Note' }), 'Cheaper next door');
    await userEvent.click(screen.getByRole('button', { name: 'Save note' }));
    await waitFor(() => expect(paths(sent)).toContain('/api/v1/notes/rep/A/2026-10'));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(sent.filter(({ path }) => path.includes('/notes/')).at(-1)?.body).toEqual({
        reason: null,
        text: '',
        was: 'Cheaper next door',
      }),
    );
  });

  it('reads rows together: their total from the server, by click and by key', async () => {
    const together = {
      ...STANDING,
      total: { ...STANDING.total, actual: '210.00' },
      rows: STANDING.rows.slice(0, 2),
    };
    const only =
      '/standing?axis=rep&measure=revenue&from=2026-10&to=2026-10&goalSet=quota&only=A&only=B';
    const asked = serve({ ...ALL, [only]: together });
    show('?selected=A');
    await rowNames();
    fireEvent.click(screen.getByRole('button', { name: /^Bo/ }), { ctrlKey: true });
    await waitFor(() =>
      expect(screen.getByTestId('address')).toHaveTextContent('picked=A&picked=B'),
    );
    await screen.findByText('2 reps together', {}, { timeout: 3000 });
    expect(paths(asked).some((path) => path.includes('only=A&only=B'))).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'Clear selection' }));
    expect(screen.getByTestId('address')).not.toHaveTextContent('picked');
    await userEvent.keyboard('x');
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('picked=B'));
  });

  it('draws rows as columns, each with its figures, and as a table', async () => {
    serve(ALL);
    show('?layout=columns');
    const chart = await screen.findByRole('img', { name: /^A column for each rep/ });
    expect(chart).toHaveAccessibleName(/Ada: 90.0 % of goal, near\./);
    await userEvent.click(within(chart).getByText('Ada'));
    expect(screen.getByTestId('address')).toHaveTextContent('selected=A');
    await userEvent.click(screen.getAllByRole('button', { name: 'Show table' })[0] as HTMLElement);
    expect(screen.getByRole('rowheader', { name: 'Ada' })).toBeVisible();
  });

  it('shows what remains of the goal in the last column', async () => {
    const [ada] = ROWS as [Row, Row, Row];
    const rest = { ...ada, spoken: { ...ada.spoken, remainingShown: '10.0' } };
    serve({ ...ALL, '/standing': { ...STANDING, rows: [rest] } });
    show('?change=remaining');
    await screen.findByRole('columnheader', { name: /Remaining, % of goal/ });
    const row = screen.getByRole('row', { name: /Ada/ });
    expect(within(row).getByText('10.0')).toBeInTheDocument();
  });

  it('explains the row that is chosen, down to file and line', async () => {
    serve(ALL);
    show();
    await rowNames();
    await userEvent.click(screen.getByRole('button', { name: /Ada/ }));
    const closeUp = screen.getByRole('complementary', { name: 'Close-up' });
    expect(within(closeUp).getByRole('heading', { level: 2 })).toHaveTextContent('Ada');
    expect(closeUp).toHaveTextContent('10.00 short of 100.00.');
    expect(
      await within(closeUp).findByText('2 of 2 reps, down 1 on the prior month'),
    ).toBeVisible();
    expect(closeUp).toHaveTextContent('Needed for “reached”10.00');
    expect(closeUp).toHaveTextContent('Needed per month (8 left)35.00');
    expect(within(closeUp).getByRole('img', { name: /Navigation −15/ })).toBeInTheDocument();
    expect(await within(closeUp).findByText(/90.00 − 100.00/)).toBeInTheDocument();
    expect(closeUp).toHaveTextContent('Change on the prior period = none: nothing posted then');
    expect(closeUp).toHaveTextContent('at or above 90 % of goal, threshold 2');
    expect(closeUp).toHaveTextContent('october.csv, line 7');
    expect(closeUp).toHaveTextContent('Page 1 of 2');
  });

  it('moves through the rows by j and k', async () => {
    serve(ALL);
    show();
    await rowNames();
    await userEvent.keyboard('jj');
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent('Ada');
    await userEvent.keyboard('kk');
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent('Saltmarsh Chandlery');
  });

  it('says what failed and tries again', async () => {
    serve({});
    show();
    expect(await screen.findByRole('alert')).toHaveTextContent('It failed.');
    serve(ALL);
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await rowNames()).toHaveLength(5);
  });
});

describe('the company’s way of writing', () => {
  afterEach(() => setWriting(undefined));

  it('is that of every figure of the rows', async () => {
    setWriting({ decimal: ',', grouping: '.', dates: 'dmy', isSet: true });
    serve(ALL);
    show();
    await rowNames();
    const table = screen.getByRole('grid', { name: 'Standing by rep' });
    expect(table.textContent).toMatch(/\d,\d/);
    expect(table.textContent).not.toMatch(/\d\.\d(?!\d\d)/);
  });
});

describe('a row among all', () => {
  const month = (name: string) => ({
    month: name,
    number: 1,
    quarter: 1,
    state: 'open',
    reading: STANDING.rows[0],
    toDate: null,
    among: {
      average: '50.00',
      total: '100.00',
      highest: { key: 'A', name: 'Ada', actual: '90.00' },
      lowest: { key: 'B', name: 'Bo', actual: '10.00' },
      withGoal: 2,
      atOrAbove: 1,
    },
  });

  it('counts from the percentage that is typed, and keeps the last one where it cannot be read', async () => {
    const asked = serve({
      ...ALL,
      '/path': { name: 'Ada', year: 2027, months: [month('2026-09'), month('2026-10')] },
    });
    show('?selected=A');
    const counted = await screen.findByRole('textbox', { name: '% of goal to count from' });
    await userEvent.clear(counted);
    await userEvent.type(counted, '97,5');
    await waitFor(() =>
      expect(paths(asked).some((path) => path.includes('atOrAbove=0.975'))).toBe(true),
    );
    await userEvent.clear(counted);
    await userEvent.type(counted, 'most');
    expect(await screen.findByText(/is not a number.*97.5 % is used/)).toBeVisible();
  });
});
