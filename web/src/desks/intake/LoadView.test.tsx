import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import type { Load } from '../../api/types';
import { LoadView } from './LoadView';

const LOAD: Load = {
  id: 7,
  state: 'staged',
  kind: 'actuals',
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
  findings: [{ line: 3, column: 'rep', code: 'member-unknown', held: true, message: 'Who is it' }],
  firstMonth: '2026-10',
  lastMonth: '2026-10',
  postedAt: null,
  reversedAt: null,
  because: null,
  sameAs: 5,
  sameState: 'posted',
};

function show(load: Load) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <LoadView load={load} onDiscarded={() => undefined} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

afterEach(() => vi.unstubAllGlobals());

it('an unmet control total asks for a reason before posting, and sends it', async () => {
  const fetched = vi.fn(() => Promise.resolve(new Response(JSON.stringify(LOAD))));
  vi.stubGlobal('fetch', fetched);
  show(LOAD);
  const post = screen.getByRole('button', { name: /Post 2 lines again/ });
  expect(post).toBeDisabled();
  expect(screen.getByText(/the file has 30.00/)).toBeVisible();
  await userEvent.type(screen.getByLabelText(/Why post/), 'rounded at the source');
  expect(post).toBeEnabled();
  await userEvent.click(post);
  expect(fetched).toHaveBeenCalledWith(
    '/api/v1/loads/7/post?held=leave&because=rounded+at+the+source',
    { method: 'POST' },
  );
});

it('a refusal of the server is said where the button is', async () => {
  const problem = { code: 'members-gone', detail: 'Reps are gone.' };
  vi.stubGlobal('fetch', () =>
    Promise.resolve(new Response(JSON.stringify(problem), { status: 409 })),
  );
  show({ ...LOAD, controlTotal: null });
  await userEvent.click(screen.getByRole('button', { name: /Post/ }));
  expect(await screen.findByRole('alert')).toHaveTextContent('Reps are gone.');
});

it('a check chosen narrows the findings to its own, and lets go again', async () => {
  show({
    ...LOAD,
    findings: [
      ...(LOAD.findings ?? []),
      { line: 4, column: null, code: 'duplicate-line', held: false, message: 'Same as line 2' },
    ],
  });
  const check = screen.getByRole('button', { name: /Twice in this file/ });
  await userEvent.click(check);
  expect(screen.queryByText('Who is it')).not.toBeInTheDocument();
  expect(screen.getByText('Same as line 2')).toBeVisible();
  await userEvent.click(check);
  expect(screen.getByText('Who is it')).toBeVisible();
});
