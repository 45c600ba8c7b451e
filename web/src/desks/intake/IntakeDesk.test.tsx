import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, useLocation } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Company, Load, PullSource } from '../../api/types';
import { IntakeDesk } from './IntakeDesk';
import { UNSET } from '../../format/writing';

const COMPANY: Company = {
  name: 'Saltmarsh Chandlery',
  isNamed: true,
  timeZone: null,
  writing: UNSET,
  calendar: { startMonth: 7, yearNamedBy: 'end' },
  measures: [],
  goalSets: [],
  regions: [],
  firstMonth: '2026-07',
  lastMonth: '2026-10',
  thisMonth: '2026-11',
};

const LOAD: Load = {
  id: 4,
  state: 'received',
  kind: null,
  stagedAt: '2026-11-02T09:00:00Z',
  file: 'october.csv',
  goalSet: null,
  axis: null,
  lines: 0,
  ready: 0,
  held: 0,
  leftOut: 0,
  sums: {},
  controlTotal: null,
  findingCount: 0,
  firstMonth: null,
  lastMonth: null,
  postedAt: null,
  reversedAt: null,
  because: null,
  mode: null,
  readAs: null,
  remainderOf: null,
  problem: { code: 'file-beyond-limits', message: 'Line 9: a cell is too long.' },
  progress: null,
  sameAs: null,
  sameState: null,
  origin: 'file',
  enteredBy: null,
};

let loads: Load[] = [];
let sources: PullSource[] = [];
let refusal: { code: string; detail: string } | null = null;
const sent: { path: string; body: unknown }[] = [];

function answer(path: string, init?: RequestInit): Response {
  const json = (value: unknown, status = 200) => new Response(JSON.stringify(value), { status });
  if (init?.method === 'POST') {
    sent.push({ path, body: init.body });
    if (refusal) return json(refusal, 422);
    return json(path.endsWith('/pulls') ? { unchanged: true, load: LOAD } : LOAD);
  }
  if (path.endsWith('/sources')) return json(sources);
  if (path.endsWith('/loads')) return json(loads);
  if (path.endsWith('/loads/4')) return json(LOAD);
  return json({ code: 'sheet-gone', detail: 'gone' }, 404);
}

function Address() {
  return <output aria-label="address">{useLocation().search}</output>;
}

function show(company = COMPANY) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter initialEntries={['/intake?to=2026-10']}>
        <IntakeDesk company={company} />
        <Address />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

function paste(target: Element, text: string) {
  fireEvent.paste(target, { clipboardData: { getData: () => text } });
}

beforeEach(() => {
  loads = [];
  sources = [];
  refusal = null;
  sent.length = 0;
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => Promise.resolve(answer(path, init)));
});

afterEach(() => vi.unstubAllGlobals());

describe('a first start', () => {
  it('leads to the first load, with a blank file of each kind', async () => {
    show({ ...COMPANY, lastMonth: null });
    expect(await screen.findByRole('heading', { name: 'Load the first file.' })).toBeVisible();
    const blank = screen.getByRole('link', { name: 'Blank roster file' });
    expect(blank).toHaveAttribute('href', '/api/v1/templates/roster.csv');
    expect(screen.queryByText(/Pull/)).not.toBeInTheDocument();
  });
});

describe('a file', () => {
  it('is sent as soon as it is chosen, and opened with its problem', async () => {
    show();
    const chooser = await screen.findByLabelText('File to load');
    await userEvent.upload(chooser, new File(['a,b'], 'october.csv', { type: 'text/csv' }));
    await waitFor(() => expect(sent[0]?.path).toBe('/api/v1/loads/receive'));
    expect((sent[0]?.body as FormData).get('file')).toHaveProperty('name', 'october.csv');
    expect(await screen.findByText('Line 9: a cell is too long.')).toBeVisible();
    expect(screen.getByLabelText('address')).toHaveTextContent('load=4');
  });

  it('that is none is said, and the message can be closed', async () => {
    refusal = { code: 'file-empty', detail: '"october.csv" is empty.' };
    show();
    const chooser = await screen.findByLabelText('File to load');
    await userEvent.upload(chooser, new File([''], 'october.csv', { type: 'text/csv' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('"october.csv" is empty.');
    await userEvent.click(screen.getByRole('button', { name: 'Close message' }));
    expect(screen.queryByRole('alert')).not.toBeInTheDocument();
  });
});

describe('pasted cells', () => {
  it('are sent as a file of their own', async () => {
    show();
    await screen.findByLabelText('File to load');
    paste(document.body, 'month\trep\n2026-10\tK1');
    await waitFor(() => expect(sent).toHaveLength(1));
    const file = (sent[0]?.body as FormData).get('file') as File;
    expect(file.name).toMatch(/^pasted .*\.tsv$/);
    expect(file.size).toBe('month\trep\n2026-10\tK1'.length);
  });

  it('are left alone where someone types, and where they are no table', async () => {
    show();
    const chooser = await screen.findByLabelText('File to load');
    paste(chooser, 'month\trep\n2026-10\tK1');
    paste(document.body, 'a sentence');
    await new Promise((done) => setTimeout(done, 20));
    expect(sent).toHaveLength(0);
  });
});

it('asks a deal system for the deals as of a day', async () => {
  sources = [{ name: 'deal system', isOfDeals: true }];
  show();
  fireEvent.change(await screen.findByLabelText('as of'), { target: { value: '2026-11-20' } });
  await userEvent.click(screen.getByRole('button', { name: 'Pull deals from the deal system' }));
  expect(JSON.parse(String(sent[0]?.body))).toEqual({ source: 'deal system', day: '2026-11-20' });
});

describe('an order system', () => {
  it('is asked for the month above, and an unchanged month is said', async () => {
    sources = [{ name: 'order system', isOfDeals: false }];
    show();
    await userEvent.click(
      await screen.findByRole('button', { name: 'Pull October 2026 from the order system' }),
    );
    expect(JSON.parse(String(sent[0]?.body))).toEqual({ source: 'order system', month: '2026-10' });
    expect(await screen.findByText(/^Nothing has changed since load/)).toBeVisible();
  });

  it('that does not answer is said', async () => {
    sources = [{ name: 'order system', isOfDeals: false }];
    refusal = { code: 'pull-failed', detail: 'The order system could not be read.' };
    show();
    await userEvent.click(await screen.findByRole('button', { name: /^Pull/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent('could not be read');
  });
});

describe('the loads', () => {
  it('tells the state of each load, and how far long work has come', async () => {
    loads = [
      {
        ...LOAD,
        id: 9,
        file: 'large.csv',
        state: 'reading',
        progress: { phase: 'reading', lines: 5, percent: 40, secondsLeft: 9 },
      },
      { ...LOAD, id: 8, file: 'odd.csv' },
      {
        ...LOAD,
        id: 7,
        file: 'plan.csv',
        state: 'posted',
        kind: 'goals',
        goalSet: 'quota',
        lines: 12,
        held: 2,
        firstMonth: '2026-07',
        lastMonth: '2027-06',
      },
    ];
    show();
    const large = await screen.findByRole('button', { name: /large\.csv/ });
    expect(large).toHaveTextContent('40 %');
    expect(screen.getByRole('button', { name: /odd\.csv/ })).toHaveTextContent('needs a field');
    expect(screen.getByRole('button', { name: /odd\.csv/ })).toHaveTextContent(
      'file type not recognised',
    );
    const plan = screen.getByRole('button', { name: /plan\.csv/ });
    expect(plan).toHaveTextContent('posted, 2 on hold');
    expect(plan).toHaveTextContent('goals, quota · Jul 26 – Jun 27');
    await userEvent.click(plan);
    expect(screen.getByLabelText('address')).toHaveTextContent('load=7');
  });
});
