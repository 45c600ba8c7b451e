import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CloseLine, CloseList } from '../../../api/types';
import { clean, layOut, serve, showAt } from '../../../test/desk';
import { COMPANY } from '../../../test/samples';
import { ClosePage } from './ClosePage';

const line = (
  code: string,
  state: CloseLine['state'],
  more: Partial<CloseLine> = {},
): CloseLine => ({
  code,
  name: `Line ${code}`,
  state,
  isOwn: false,
  figure: '1',
  text: `text of ${code}`,
  by: null,
  at: null,
  reason: null,
  action: state === 'open' ? { words: `Settle ${code}`, address: `/rules?of=${code}` } : null,
  items: [],
  ...more,
});

const LIST: CloseList = {
  month: '2026-10',
  state: 'open',
  open: 2,
  headline: 'October 2026: 2 things stand between you and closing.',
  sentence: '1 of 4 lines is done.',
  lines: [
    line('held', 'open', {
      items: [
        { key: 'a', name: 'late.csv', text: '3 lines', amount: null, address: '/intake?load=4' },
      ],
    }),
    line('plans', 'done'),
    line('reasons', 'waived', { reason: 'ill', by: 'ann', at: '2026-11-03T09:00:00Z' }),
    line('own-7', 'open', { isOwn: true, action: { words: 'Mark as done', address: '' } }),
  ],
  after: [line('statements', 'open', { action: null })],
  sources: [
    {
      source: 'columns: month, rep',
      name: 'orders.csv',
      header: 'month, rep',
      rhythm: 'monthly',
      isLate: true,
      text: 'missing, 6 days after its usual day',
      months: [
        { month: '2026-09', usual: 3, came: 3, cameOn: '2026-10-03', isLate: false, isDue: false },
        { month: '2026-10', usual: 3, came: null, cameOn: null, isLate: true, isDue: true },
      ],
    },
  ],
};

const CLOSES = [
  {
    month: '2026-09',
    state: 'sealed',
    due: '2026-10-07',
    dueDay: 5,
    closedAt: '2026-10-08T08:00:00Z',
    closedBy: 'ann',
    workingDay: 6,
    corrections: 1,
    staged: [],
  },
];

const select = vi.fn<(line: string | null) => void>();
const choose = vi.fn();

function show(selected: string | null = null, list = LIST) {
  const asked = serve({ '/close-list': list, '/closes': CLOSES, '/source-rhythms': {} });
  showAt(
    <ClosePage
      company={COMPANY}
      month="2026-10"
      selected={selected}
      onSelect={select}
      onChoose={choose}
    />,
    '/intake?to=2026-10',
  );
  return asked;
}

beforeEach(layOut);
afterEach(() => {
  clean();
  vi.clearAllMocks();
});

describe('the close list', () => {
  it('keeps the order of the work and gives open lines their one action', async () => {
    show();
    const grid = await screen.findByRole('grid', { name: 'What October 2026 needs' });
    const rows = within(grid).getAllByRole('row').slice(1);
    expect(rows.map((row) => within(row).getByRole('rowheader').textContent)).toEqual([
      'Line held',
      'Line plans',
      'Line reasons',
      'Line own-7',
    ]);
    expect(
      within(rows[0] as HTMLElement).getByRole('button', { name: 'Settle held' }),
    ).toBeVisible();
    expect(within(rows[1] as HTMLElement).queryByRole('button', { name: /Settle/ })).toBeNull();
    expect(rows[2]).toHaveTextContent('ill');
  });

  it('moves by j and k, and waives by w with a reason', async () => {
    const asked = show('held');
    await screen.findByRole('complementary', { name: 'Line of the close list' });
    await userEvent.keyboard('j');
    expect(select).toHaveBeenCalledWith('plans');
    await userEvent.keyboard('w');
    const reason = await screen.findByLabelText('Reason for the waiver');
    expect(reason).toHaveFocus();
    await userEvent.type(reason, 'They come in December');
    await userEvent.click(screen.getByRole('button', { name: 'Waive line' }));
    await waitFor(() =>
      expect(
        asked.some(({ path }) => path.endsWith('/months/2026-10/close-list/held/waiver')),
      ).toBe(true),
    );
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      reason: 'They come in December',
    });
  });

  it('marks an own line as done, and adds another by a', async () => {
    const asked = show();
    await userEvent.click(await screen.findByRole('button', { name: 'Mark as done' }));
    await waitFor(() =>
      expect(asked.some(({ path }) => path.includes('/lines/7?done=true'))).toBe(true),
    );
    await userEvent.keyboard('a');
    await userEvent.type(await screen.findByLabelText('What is to be done'), 'Freight');
    await userEvent.click(screen.getByRole('checkbox'));
    await userEvent.click(screen.getByRole('button', { name: 'Add line' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
        name: 'Freight',
        recurs: false,
      }),
    );
  });

  it('says of a waived line who waived it and why, and takes it back', async () => {
    const asked = show('reasons');
    const panel = await screen.findByRole('complementary', { name: 'Line of the close list' });
    expect(panel).toHaveTextContent('Waived by ann');
    await userEvent.click(within(panel).getByRole('button', { name: 'Take the waiver back' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
  });

  it('offers nothing to waive in a closed month', async () => {
    show('held', { ...LIST, state: 'sealed' });
    await screen.findByRole('complementary', { name: 'Line of the close list' });
    expect(screen.queryByRole('button', { name: 'Waive line' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Add a line' })).toBeNull();
  });

  it('draws when files came, and takes how often one is expected', async () => {
    const asked = show();
    expect(await screen.findByRole('img', { name: /September 2026: came on/ })).toBeVisible();
    expect(screen.getByRole('img', { name: 'October 2026: due and not there yet' })).toBeVisible();
    await userEvent.selectOptions(
      screen.getByLabelText('How often orders.csv is expected'),
      'has ended',
    );
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
        rhythm: 'ended',
      }),
    );
  });

  it('shows on which working day months were closed', async () => {
    show();
    await userEvent.click(
      await screen.findByText('How fast the months of fiscal 2027 were closed'),
    );
    expect(
      screen.getByRole('img', {
        name: 'September 2026: closed on working day 6, due on working day 5',
      }),
    ).toBeVisible();
  });
});
