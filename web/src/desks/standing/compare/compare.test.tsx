import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Load, Path, Row, Standing, StandingComparison } from '../../../api/types';
import { useView } from '../../../address/useView';
import { type Asked, clean, layOut, serve, showAt } from '../../../test/desk';
import CompareView from './CompareView';
import { COMPANY, reading, ROWS, STANDING } from '../../../test/samples';

const [ADA, BO, CLEO] = ROWS as [Row, Row, Row];

const path = (name: string, shares: (string | null)[]): Path => ({
  name,
  fiscalYear: 2027,
  months: shares.map((attainment, at) => ({
    month: `2026-0${at + 7}`,
    number: at + 1,
    quarter: 1,
    state: attainment === null ? 'empty' : 'open',
    reading: reading('1.00', '1.00', {
      attainment,
      percentShown: attainment === null ? null : (SHOWN[attainment] ?? null),
    }),
  })),
});

const LOADS = [
  { id: 7, file: 'late.csv', kind: 'actuals', state: 'posted' },
  { id: 6, file: 'quota.csv', kind: 'goals', state: 'posted' },
  { id: 5, file: 'draft.csv', kind: 'actuals', state: 'staged' },
] as Load[];

const SHOWN: Record<string, string> = { '0.9': '90.0', '1.1': '110.0', '1.2': '120.0' };

function View({ standing }: { standing: Standing }) {
  const [view, change] = useView(COMPANY);
  return <CompareView view={view} standing={standing} change={change} />;
}

function show(search: string, answers: Record<string, unknown> = {}, rows = ROWS): Asked[] {
  const asked = serve({
    '/loads': LOADS,
    '/standing?': STANDING,
    '/standing/rep/A/path': path('Ada', ['0.9', '1.1', null]),
    '/standing/rep/B/path': path('Bo', ['1.2', null, null]),
    ...answers,
  });
  showAt(<View standing={{ ...STANDING, rows }} />, `/standing?to=2026-10&layout=compare${search}`);
  return asked;
}

const address = () => screen.getByTestId('address').textContent;

function cells(table: HTMLElement): string[][] {
  return within(table)
    .getAllByRole('row')
    .slice(1)
    .map((row) =>
      [...row.children].map((cell) => cell.textContent.replace(/[\u202f\u2009]/g, ' ')),
    );
}

beforeEach(layOut);
afterEach(clean);

describe('members compared', () => {
  it('are chosen one by one, up to four', async () => {
    show('');
    expect(screen.getByText('Select two to four reps.')).toBeVisible();
    await userEvent.type(screen.getByRole('combobox', { name: 'Add' }), 'cle');
    await userEvent.click(await screen.findByRole('option', { name: /^Cleo/ }));
    expect(address()).toBe('?to=2026-10&layout=compare&only=C');
  });

  it('stand side by side, with their months on one chart and as figures', async () => {
    show('&only=A&only=B', {}, [ADA, BO]);
    const table = screen.getByRole('table', { name: 'Members compared' });
    expect(cells(table)[0]?.slice(0, 6)).toEqual([
      'AdaNorth',
      '90.00',
      '100.00',
      '−10.00',
      '90.0',
      '–',
    ]);
    expect(await screen.findByRole('img', { name: '% of goal by month of Ada, Bo' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Show table' }));
    const figures = screen.getAllByRole('table')[1] as HTMLElement;
    expect(cells(figures)).toEqual([
      ['July 2026', '90.0', '120.0'],
      ['August 2026', '110.0', '–'],
      ['September 2026', '–', '–'],
    ]);
  });

  it('are taken out again; those that are there are not offered', async () => {
    show('&only=A&only=B', {}, [ADA, BO]);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Add' }));
    expect((await screen.findAllByRole('option')).map((one) => one.textContent)).toEqual(['CleoC']);
    await userEvent.keyboard('{Escape}');
    await userEvent.click(screen.getByRole('button', { name: 'Remove Ada' }));
    expect(address()).toBe('?to=2026-10&layout=compare&only=B');
  });
});

describe('standings compared', () => {
  const THEN: Standing = {
    ...STANDING,
    total: reading('95.10', '200.00', { variance: '-104.90' }),
    rows: [
      { ...ADA, actual: '90.00' },
      {
        ...BO,
        ...reading('5.10', '100.00', { variance: '-94.90', status: 'behind', tone: 'bad' }),
      },
      { ...CLEO, key: 'Z', name: 'Zoë', actual: '1.00' },
    ],
  };

  const pair = (name: string, now: Row | null, then: Row | null, change: string | null) => ({
    key: now?.key ?? then?.key ?? null,
    name,
    now,
    then,
    change,
  });
  const total = {
    key: null,
    name: null,
    now: STANDING.total,
    then: THEN.total as Row,
    change: '119.90',
  };
  const COMPARISON: StandingComparison = {
    now: STANDING,
    then: THEN,
    total,
    rows: [
      pair('Ada', ADA, THEN.rows[0] ?? null, '0.00'),
      pair('Bo', BO, THEN.rows[1] ?? null, '114.90'),
      pair('Cleo', CLEO, null, null),
      pair('Zoë', null, THEN.rows[2] ?? null, null),
    ],
  };
  const SAME: StandingComparison = {
    now: STANDING,
    then: STANDING,
    total: { ...total, then: STANDING.total, change: '0.00' },
    rows: STANDING.rows.map((row) => pair(row.name, row, row, '0.00')),
  };

  it('of this span and the one before: every row with its change, gone ones too', async () => {
    const asked = show('&compare=month', { '/comparison': COMPARISON });
    const table = await screen.findByRole('table', { name: 'Standings compared' });
    expect(asked.find(({ path }) => path.includes('/comparison'))?.path).toContain('with=before');
    expect(within(table).getByRole('columnheader', { name: 'September 2026' })).toBeVisible();
    expect(cells(table).map(([name, then, now, change]) => [name, then, now, change])).toEqual([
      ['All reps', '95.10', '215.00', '+119.90'],
      ['Bo', '5.10', '120.00', '+114.90'],
      ['Ada', '90.00', '90.00', '0.00'],
      ['Cleo', '–', '5.00', '–'],
      ['Zoë', '1.00', '–', '–'],
    ]);
    expect(within(table).getByText('behind →', { exact: false })).toBeVisible();
  });

  it('of a year before, as long a span', async () => {
    const asked = show('&compare=year&span=q', { '/comparison': COMPARISON });
    await screen.findByRole('table', { name: 'Standings compared' });
    expect(asked.find(({ path }) => path.includes('/comparison'))?.path).toContain('with=year');
    expect(screen.getByRole('columnheader', { name: 'October 2025' })).toBeVisible();
  });

  it('with and without a posted load of actuals show what differs first', async () => {
    const asked = show('');
    await userEvent.click(screen.getByRole('button', { name: /^Compare/ }));
    await waitFor(() =>
      expect(screen.getAllByRole('option').map((one) => one.textContent)).toEqual([
        'up to four reps',
        'these months and the prior period',
        'these months and last year',
        'with and without late.csvload 7',
      ]),
    );
    serve({ '/loads': LOADS, '/comparison': COMPARISON });
    await userEvent.click(screen.getByRole('option', { name: /late.csv/ }));
    expect(asked.length).toBeGreaterThan(0);
    const table = await screen.findByRole('table', { name: 'Standings compared' });
    expect(cells(table).map(([name]) => name)).toEqual(['All reps', 'Bo', 'Cleo', 'Zoë']);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Only rows that differ' }));
    expect(cells(table)).toHaveLength(5);
  });

  it('that are the same say so', async () => {
    show('&compare=load:7', { '/comparison': SAME });
    expect(await screen.findByText('No row differs.')).toBeVisible();
  });

  it('say what could not be loaded', async () => {
    show('&compare=year', { '/comparison': undefined });
    expect(await screen.findByRole('alert')).toHaveTextContent('could not be loaded');
  });
});
