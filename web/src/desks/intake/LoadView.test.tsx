import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Changes, Checks, Company, Load, Sheet } from '../../api/types';
import { LoadView } from './LoadView';
import { UNSET } from '../../format/writing';

const LOAD: Load = {
  id: 7,
  state: 'staged',
  kind: 'actuals',
  stagedAt: '2026-11-02T09:00:00Z',
  file: 'october.csv',
  goalSet: null,
  axis: null,
  lines: 3,
  ready: 2,
  held: 1,
  leftOut: 0,
  sums: { revenue: { file: '30.00', ready: '20.00', held: '10.00', leftOut: '0.00' } },
  controlTotal: { measure: 'revenue', given: '31.00', found: '30.00', met: false },
  findingCount: 1,
  firstMonth: '2026-10',
  lastMonth: '2026-10',
  postedAt: null,
  reversedAt: null,
  because: null,
  mode: null,
  readAs: 'semicolon, UTF-8',
  remainderOf: null,
  problem: null,
  progress: null,
  sameAs: null,
  sameState: null,
  origin: 'file',
  enteredBy: null,
};

const column = {
  isGuessed: false,
  isAmount: false,
  isDate: false,
  decimals: 'auto' as const,
  dates: 'auto' as const,
  power: 0,
  flip: false,
  samples: [],
};

const SHEET: Sheet = {
  recordCount: 2,
  headerLine: 1,
  from: 0,
  sheet: '',
  sheets: [],
  kind: 'actuals',
  goalSet: null,
  axis: null,
  measure: null,
  fiscalYear: 2027,
  asOf: null,
  source: null,
  isWide: false,
  columns: [
    { ...column, title: 'Acct mgr', target: 'rep', isGuessed: true },
    { ...column, title: 'Net EUR', target: 'revenue', isAmount: true },
  ],
  targets: ['date', 'rep', 'revenue'],
  lines: [
    { line: 2, cells: ['Dario Venn', '20.00'], part: 'ready', faults: [], rewritten: [] },
    {
      line: 3,
      cells: ['D. Ven', '1O.00'],
      part: 'held',
      faults: [
        { at: 0, code: 'member-unknown', held: true, accepted: false, message: 'No such rep.' },
        { at: 1, code: 'amount-unreadable', held: true, accepted: false, message: 'No amount.' },
      ],
      rewritten: [],
    },
  ],
};

const CHECKS: Checks = {
  decidedLines: 2,
  groups: [
    {
      code: 'member-unknown',
      held: true,
      ofFile: false,
      count: 9,
      open: 9,
      findings: [
        {
          line: 3,
          column: 'Acct mgr',
          accepted: false,
          message: 'No such rep.',
          details: { value: 'D. Ven', axis: 'rep' },
        },
      ],
    },
    {
      code: 'date-ambiguous',
      held: true,
      ofFile: false,
      count: 1,
      open: 1,
      findings: [
        { line: 3, column: 'Booking dt', accepted: false, message: 'Two ways.', details: {} },
      ],
    },
  ],
  names: [
    {
      axis: 'rep',
      text: 'D. Ven',
      lines: 9,
      firstLine: 3,
      proposals: [{ key: 'R2', name: 'Dario Venn' }],
    },
  ],
};

const CHANGES: Changes = {
  proposed: 'replace',
  mode: 'replace',
  scopeAxis: 'region',
  covered: ['South Reach'],
  months: ['2026-10'],
  sealedMonths: [],
  changeCount: 1,
  changes: [
    {
      key: 'R2',
      name: 'Dario Venn',
      month: '2026-10',
      measure: 'revenue',
      isGoal: false,
      before: '10.00',
      after: '20.00',
    },
  ],
};

const COMPANY: Company = {
  name: 'Saltmarsh Chandlery',
  isNamed: true,
  timeZone: null,
  writing: UNSET,
  calendar: { startMonth: 7, yearNamedBy: 'end' },
  measures: [
    {
      code: 'revenue',
      name: 'Revenue',
      unit: 'EUR',
      scale: 2,
      direction: 'HIGHER',
      hasActuals: true,
    },
  ],
  goalSets: [],
  regions: [],
  firstMonth: null,
  lastMonth: null,
  thisMonth: '2026-11',
};

const sent: { path: string; method: string; body: unknown }[] = [];
let refusal: { code: string; detail: string } | null = null;

function answer(path: string, init?: RequestInit): Response {
  if (init?.method && init.method !== 'GET') {
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : null;
    sent.push({ path, method: init.method, body });
    if (refusal) return new Response(JSON.stringify(refusal), { status: 409 });
    return new Response(JSON.stringify(LOAD));
  }
  const found = path.includes('/sheet')
    ? SHEET
    : path.includes('/checks')
      ? CHECKS
      : path.includes('/changes')
        ? CHANGES
        : LOAD;
  return new Response(JSON.stringify(found));
}

function show(load: Load) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <LoadView
          load={load}
          company={COMPANY}
          line={null}
          onGone={() => undefined}
          onOpen={() => undefined}
        />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  sent.length = 0;
  refusal = null;
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => Promise.resolve(answer(path, init)));
  for (const side of ['offsetHeight', 'offsetWidth', 'clientHeight'] as const) {
    vi.spyOn(HTMLElement.prototype, side, 'get').mockReturnValue(400);
  }
  Element.prototype.scrollTo = () => undefined;
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

it('an unmet control total asks for a reason before posting, and sends it with the mode', async () => {
  show(LOAD);
  const post = screen.getByRole('button', { name: /Post 2 lines/ });
  expect(post).toBeDisabled();
  expect(screen.getByText(/the file has 30.00/)).toBeVisible();
  expect(await screen.findByText(/posted for South Reach in October 2026/)).toBeVisible();
  await userEvent.type(screen.getByLabelText(/Reason for posting/), 'rounded at the source');
  await userEvent.click(post);
  expect(sent[0]?.path).toBe(
    '/api/v1/loads/7/post?held=leave&because=rounded+at+the+source&mode=replace&sealed=refuse',
  );
});

it('a refusal of the server is said where the button is', async () => {
  refusal = { code: 'members-gone', detail: 'Reps are gone.' };
  show({ ...LOAD, controlTotal: null });
  await userEvent.click(screen.getByRole('button', { name: /Post/ }));
  expect(await screen.findByRole('alert')).toHaveTextContent('Reps are gone.');
});

it('a name is accepted for whom it is close to, in all its lines', async () => {
  show(LOAD);
  await userEvent.click(
    await screen.findByRole('button', { name: 'Use Dario Venn for all 9 lines' }),
  );
  expect(sent[0]).toEqual({
    path: '/api/v1/loads/7/names',
    method: 'POST',
    body: [{ axis: 'rep', text: 'D. Ven', member: 'R2' }],
  });
});

it('a faulty cell is corrected where it stands', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: /1O.00: No amount/ }));
  const editor = screen.getByRole('textbox', { name: 'Net EUR in line 3' });
  await userEvent.clear(editor);
  await userEvent.type(editor, '10.00{Enter}');
  expect(sent[0]?.body).toEqual({ action: 'rewrite', lines: [3], column: 1, value: '10.00' });
});

it('what was settled by hand can be taken back', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: 'Undo all' }));
  expect(sent[0]).toMatchObject({ path: '/api/v1/loads/7/fixes', method: 'DELETE' });
});

it('an order of dates is said for the whole column', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: /Ambiguous dates/ }));
  await userEvent.click(screen.getByRole('button', { name: 'Day first' }));
  expect(sent[0]?.body).toEqual({ columns: { 'Booking dt': { dates: 'day-first' } } });
});

it('what posting changes is said, old to new, and opens to a table', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: 'Show table' }));
  const part = screen.getByRole('region', { name: 'What posting changes' });
  expect(part).toHaveTextContent('Dario Venn 10.00 → 20.00');
  expect(within(part).getByRole('cell', { name: 'October 2026' })).toBeVisible();
});

it('work that goes on can be stopped', async () => {
  show({
    ...LOAD,
    state: 'reading',
    progress: { phase: 'checking', lines: 5, percent: 62, secondsLeft: 8 },
  });
  expect(screen.getByText(/Checking, 62 %/)).toHaveTextContent('8 s left');
  expect(screen.queryByRole('button', { name: /Post/ })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Stop loading' }));
  await waitFor(() => expect(sent[0]?.path).toBe('/api/v1/loads/7/cancel'));
});

it('says that it asks every now and then while the live connection is lost', () => {
  const heard: Record<string, (event: unknown) => void> = {};
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(kind: string, listener: (event: unknown) => void) {
        heard[kind] = listener;
      }
      close() {
        // nothing is open
      }
    },
  );
  show({
    ...LOAD,
    state: 'reading',
    progress: { phase: 'checking', lines: 5, percent: 62, secondsLeft: 8 },
  });
  act(() => heard['error']?.({}));
  expect(screen.getByText(/^The live connection is interrupted/)).toBeVisible();
  const told = { phase: 'checking', lines: 9, percent: 80, secondsLeft: 2 };
  act(() => heard['progress']?.({ data: JSON.stringify(told) }));
  expect(screen.getByText(/Checking, 80 %/)).toBeVisible();
  expect(screen.queryByText(/^The live connection/)).toBeNull();
});

it('a file that was not understood says why, and what its columns are can be told', async () => {
  show({
    ...LOAD,
    state: 'received',
    problem: { code: 'column-missing', message: 'No column revenue.' },
  });
  expect(screen.getByRole('alert')).toHaveTextContent('No column revenue.');
  await userEvent.click(await screen.findByRole('button', { name: /Acct mgr maps to rep/ }));
  await userEvent.selectOptions(await screen.findByLabelText('Maps to'), 'date');
  expect(sent[0]?.body).toEqual({ columns: { 'Acct mgr': { column: 'date' } } });
});

it('a control total is typed in, taken from a file, or changed', async () => {
  show({ ...LOAD, controlTotal: null });
  await userEvent.click(screen.getByRole('button', { name: 'Enter control total' }));
  await userEvent.type(screen.getByLabelText('Control total'), '30.00');
  await userEvent.click(screen.getByRole('button', { name: 'Compare control total' }));
  expect(sent[0]).toEqual({
    path: '/api/v1/loads/7/control',
    method: 'PUT',
    body: { totals: { revenue: '30.00' }, trailer: false },
  });
  await userEvent.click(await screen.findByRole('button', { name: 'Enter control total' }));
  const file = new File(['measure,total'], 'control.csv', { type: 'text/csv' });
  await userEvent.upload(screen.getByLabelText('Control file'), file);
  await waitFor(() => expect(sent[1]?.method).toBe('POST'));
});

it('what a file brings can be said otherwise', async () => {
  show(LOAD);
  const line = (await screen.findByText(/File type/)).closest('p');
  expect(line).toHaveTextContent('File type: actuals, semicolon, UTF-8.');
  await userEvent.click(within(line as HTMLElement).getByRole('button', { name: 'Change' }));
  await userEvent.selectOptions(screen.getByLabelText('File type'), 'goals');
  await userEvent.selectOptions(screen.getByLabelText('Goals by'), 'region');
  const set = screen.getByLabelText('Goal set');
  await userEvent.clear(set);
  await userEvent.type(set, 'region plan');
  await userEvent.click(screen.getByRole('button', { name: 'Apply' }));
  expect(sent[0]?.body).toMatchObject({
    kind: 'goals',
    axis: 'region',
    goalSet: 'region plan',
    fiscalYear: 2027,
  });
});

it('a rep that the file names can be made, or someone else chosen', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: 'Create a new rep' }));
  await userEvent.type(screen.getByLabelText('Region'), 'South');
  await userEvent.type(screen.getByLabelText(/^From month/), '2026-10');
  await userEvent.click(screen.getByRole('button', { name: 'Create D. Ven' }));
  expect(sent[0]).toMatchObject({
    path: '/api/v1/loads/7/members',
    body: [{ axis: 'rep', key: 'D. Ven', name: 'D. Ven', region: 'South', fromMonth: '2026-10' }],
  });
  await userEvent.click(await screen.findByRole('button', { name: 'Match to an existing rep' }));
  expect(screen.getByRole('button', { name: 'Match' })).toBeDisabled();
});

it('lines of a kind are left out at once, a line alone too', async () => {
  show(LOAD);
  await userEvent.click(await screen.findByRole('button', { name: 'Leave out all 9 lines' }));
  expect(sent[0]?.body).toEqual({ action: 'leave', code: 'member-unknown' });
  await userEvent.click(screen.getByRole('button', { name: /Ambiguous dates/ }));
  await userEvent.click(await screen.findByRole('button', { name: 'Leave out' }));
  expect(sent[1]?.body).toEqual({ action: 'leave', lines: [3] });
});

it('how it is booked can be chosen, and is said in words', async () => {
  show({ ...LOAD, controlTotal: null, sameAs: 5, sameState: 'posted' });
  await userEvent.click(await screen.findByLabelText(/Add to what is posted/));
  expect(screen.getByText('Every line is added to what is posted.')).toBeVisible();
  expect(screen.getByText(/counts every line twice/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Post 2 lines again' }));
  expect(sent[0]?.path).toContain('mode=add');
});

it('a roster that moves somebody in a sealed month is posted as a correction', async () => {
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) =>
    Promise.resolve(
      path.includes('/changes')
        ? new Response(JSON.stringify({ ...CHANGES, changes: [], sealedMonths: ['2026-07'] }))
        : answer(path, init),
    ),
  );
  show({ ...LOAD, kind: 'roster', sums: {}, controlTotal: null, held: 0 });
  await userEvent.click(
    await screen.findByRole('button', { name: 'Post 2 lines as a correction' }),
  );
  expect(screen.getByText(/lines of July 2026, which is closed/)).toBeVisible();
  expect(screen.queryByText('Posting method')).toBeNull();
  await waitFor(() => expect(sent[0]?.path).toContain('sealed=correct'));
});

it('a posted load offers what stayed behind, and its way back', async () => {
  show({ ...LOAD, state: 'posted', mode: 'replace', because: 'rounded' });
  expect(screen.getByText(/1 line is on hold/)).toBeVisible();
  expect(screen.getByRole('link', { name: 'Download as CSV' })).toHaveAttribute(
    'href',
    '/api/v1/loads/7/remainder.csv',
  );
  expect(screen.getByText('Posting method: replace what is posted.')).toBeVisible();
  expect(screen.getByText('Posted because: rounded')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Correct the lines on hold' }));
  await waitFor(() => expect(sent[0]?.path).toBe('/api/v1/loads/7/remainder'));
});

it('reading that was stopped can be taken up again', async () => {
  show({
    ...LOAD,
    state: 'received',
    problem: { code: 'load-cancelled', message: 'Reading was stopped.' },
  });
  await userEvent.click(screen.getByRole('button', { name: 'Load the file again' }));
  await waitFor(() => expect(sent[0]?.path).toBe('/api/v1/loads/7/read'));
});
