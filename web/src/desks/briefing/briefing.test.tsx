import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Briefing, BriefingBlock } from '../../api/types';
import { clean, layOut, serve, showAt } from '../../test/desk';
import { COMPANY } from '../../test/samples';
import { BriefingDesk } from './BriefingDesk';

const query = (row: string, field: string) => ({
  of: 'standing',
  view: {} as Record<string, never>,
  row,
  field,
});

const claim = (id: string, more: Partial<BriefingBlock> = {}): BriefingBlock => ({
  id,
  kind: 'claim',
  part: 'total',
  state: 'holds',
  text: 'October ended {pct} below: {actual}.',
  pieces: [
    { figure: null, text: 'October ended ', now: null, isVoid: false },
    { figure: 'pct', text: '6.7 %', now: null, isVoid: false },
    { figure: null, text: ' below: ', now: null, isVoid: false },
    { figure: 'actual', text: '280.00', now: null, isVoid: false },
    { figure: null, text: '.', now: null, isVoid: false },
  ],
  figures: [
    { id: 'pct', query: query('*', 'missPercent') },
    { id: 'actual', query: query('*', 'actual') },
  ],
  unbound: [],
  reason: null,
  reasonBy: null,
  cause: null,
  exhibit: null,
  data: null,
  ...more,
});

const EXHIBIT: BriefingBlock = {
  ...claim('b2'),
  kind: 'exhibit',
  state: null,
  text: 'All regions',
  pieces: [],
  figures: [],
  exhibit: { kind: 'lanes', view: { axis: 'region', goalSet: 'plan' }, row: null },
  data: {
    period: 'October 2026',
    unit: 'EUR',
    source: 'Standing, plan',
    address: '/standing?to=2026-10',
    isGone: false,
    goalAt: '0.6667',
    columns: [
      { title: 'Region', format: 'text', formula: null },
      { title: 'Actual', format: 'amount', formula: null },
    ],
    rows: [
      {
        values: ['North', '130.00'],
        shown: ['North', '130.00'],
        bar: { from: '0', to: '0.8667', more: null, tone: 'good' },
        stair: null,
        isTotal: false,
      },
    ],
  },
};

const PAGE: Briefing = {
  id: 3,
  title: 'October 2026',
  from: '2026-10',
  to: '2026-10',
  scope: null,
  state: 'draft',
  tag: '5',
  holds: 1,
  moved: 0,
  voids: 0,
  readAt: '2026-11-20T10:00:00Z',
  madeBy: 'ann',
  madeAt: '2026-11-20T09:00:00Z',
  signer: null,
  because: null,
  signedBy: null,
  signedAt: null,
  checksum: null,
  maySign: false,
  reviewers: [],
  blocks: [claim('b1'), EXHIBIT],
  remarks: [],
  movedSince: [],
  sent: [],
};

const MOVED = claim('b1', {
  state: 'moved',
  cause: 'late.csv was posted',
  pieces: [
    { figure: null, text: 'It sold ', now: null, isVoid: false },
    { figure: 'actual', text: '280.00', now: '300.00', isVoid: false },
  ],
});

function show(page: Briefing | null, more: Record<string, unknown> = {}) {
  const asked = serve({
    ...more,
    '/candidates': [{ query: query('N', 'actual'), shown: '130.00', words: 'North, actual' }],
    '/templates': [],
    '/schedules': [
      { id: 9, rhythm: 'weekly', to: ['ines'], roles: ['manager'], asPdf: true, lastPeriod: null },
    ],
    '/readers': [
      { name: 'tull', role: 'manager', address: 'tull@reef.example' },
      { name: 'oster', role: 'manager', address: 'oster@reef.example' },
      { name: 'ines', role: 'approver', address: null },
    ],
    '/send': { queued: 1 },
    '/briefings/3': page,
    '/briefings': page === null ? [] : [page],
  });
  showAt(<BriefingDesk company={COMPANY} />, '/briefing?to=2026-10');
  return asked;
}

const sent = (asked: ReturnType<typeof show>, method: string, end: string) =>
  asked.filter((one) => one.method === method && one.path.endsWith(end)).map(({ body }) => body);

beforeEach(() => {
  layOut();
  Element.prototype.scrollIntoView = vi.fn(); // jsdom has none
});
afterEach(clean);

describe('a briefing', () => {
  it('is drafted for months that nobody has told of', async () => {
    const asked = show(null);
    await userEvent.click(await screen.findByRole('button', { name: 'Draft briefing' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/briefings')).toEqual([
        { from: '2026-10', to: '2026-10', template: null },
      ]),
    );
  });

  it('shows claims with their state, and exhibits as tables', async () => {
    show(PAGE);
    const page = await screen.findByRole('article', { name: 'October 2026' });
    expect(within(page).getByRole('heading', { level: 2 })).toHaveTextContent(
      'October ended 6.7 % below: 280.00.',
    );
    expect(within(page).getByText('holds')).toBeVisible();
    const table = within(page).getByRole('table', { name: 'All regions' });
    expect(within(table).getByRole('row', { name: /North/ })).toHaveTextContent('130.00');
    expect(screen.getByRole('link', { name: 'PDF' })).toHaveAttribute(
      'href',
      '/api/v1/briefings/3/briefing.pdf',
    );
  });

  it('keeps figures bound while the words around them change', async () => {
    const asked = show(PAGE);
    await userEvent.click(await screen.findByRole('button', { name: /Edit claim/ }));
    await userEvent.keyboard('j');
    await userEvent.click(await screen.findByRole('button', { name: 'Edit wording' }));
    const words = screen.getByLabelText('Words 1');
    await userEvent.clear(words);
    await userEvent.type(words, 'It closed ');
    await userEvent.click(screen.getByRole('button', { name: 'Remove the figure 280.00' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save wording' }));
    await waitFor(() => expect(sent(asked, 'PUT', '/briefings/3')).toHaveLength(1));
    expect(sent(asked, 'PUT', '/briefings/3')[0]).toMatchObject({
      blocks: [
        { id: 'b1', text: 'It closed {pct} below: .' },
        { id: 'b2', text: 'All regions' },
      ],
    });
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(sent(asked, 'PUT', '/briefings/3')).toHaveLength(2));
    expect(sent(asked, 'PUT', '/briefings/3')[1]).toMatchObject({
      blocks: [{ text: 'October ended {pct} below: {actual}.' }, {}],
    });
  });

  it('marks what has moved, takes it anew, or keeps it with a reason', async () => {
    const asked = show({ ...PAGE, moved: 1, holds: 0, blocks: [MOVED] });
    expect(await screen.findByText('280.00 → 300.00', { exact: false })).toBeVisible();
    expect(screen.getByText(/late\.csv was posted/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Hand over to sign' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Take the new figures' }));
    await waitFor(() => expect(sent(asked, 'POST', '/take?block=b1')).toHaveLength(1));
    await userEvent.click(screen.getByRole('button', { name: 'Keep it as it was' }));
    await userEvent.type(screen.getByLabelText('Reason for keeping it'), 'told on Monday');
    await userEvent.click(screen.getByRole('button', { name: 'Keep claim' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/keep')).toEqual([{ block: 'b1', text: 'told on Monday' }]),
    );
  });

  it('offers what a typed figure may be, and binds it', async () => {
    const typed = claim('b1', {
      text: 'And 130.00 in the North.',
      pieces: [{ figure: null, text: 'And 130.00 in the North.', now: null, isVoid: false }],
      figures: [],
      unbound: ['130.00'],
    });
    const asked = show({ ...PAGE, blocks: [typed] });
    await userEvent.click(await screen.findByRole('button', { name: 'Bind 130.00' }));
    await userEvent.click(await screen.findByRole('button', { name: 'North, actual: 130.00' }));
    await waitFor(() => expect(sent(asked, 'PUT', '/briefings/3')).toHaveLength(1));
    expect(sent(asked, 'PUT', '/briefings/3')[0]).toMatchObject({
      blocks: [{ text: 'And {x1} in the North.', figures: [{ id: 'x1' }] }],
    });
  });

  it('is handed over, signed or declined by who may', async () => {
    const asked = show({ ...PAGE, state: 'handed', maySign: true });
    await userEvent.click(await screen.findByRole('button', { name: 'Sign briefing' }));
    await waitFor(() => expect(sent(asked, 'POST', '/sign')).toHaveLength(1));
    await userEvent.type(screen.getByLabelText('Reason for declining'), 'too long');
    await userEvent.click(screen.getByRole('button', { name: 'Decline briefing' }));
    await waitFor(() => expect(sent(asked, 'POST', '/decline')).toEqual([{ text: 'too long' }]));
  });

  it('does not change once it is signed', async () => {
    show({
      ...PAGE,
      state: 'signed',
      signedBy: 'ines',
      signedAt: '2026-11-21T09:00:00Z',
      checksum: 'ab12',
    });
    expect((await screen.findAllByText('Checksum ab12'))[0]).toBeVisible();
    expect(screen.queryByRole('button', { name: /Edit claim/ })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Discard draft' })).toBeNull();
  });

  it('is sent to people, each of whom gets what they may see', async () => {
    const asked = show(PAGE);
    await userEvent.click(await screen.findByLabelText(/tull/));
    expect(screen.getByText('Weekly, the open month: All managers, ines')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Send after every closing' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/schedules')).toEqual([
        { rhythm: 'after-closing', to: ['tull'], roles: [], asPdf: true },
      ]),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Send draft to 1 person' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/send')).toEqual([{ to: ['tull'], roles: [], asPdf: true }]),
    );
    expect(await screen.findByText('It goes to 1 person.')).toBeVisible();
  });

  it('is sent to everybody with a role', async () => {
    const asked = show(PAGE);
    await userEvent.click(await screen.findByLabelText(/All managers/));
    expect(screen.getByLabelText(/tull/)).toBeChecked();
    expect(screen.getByLabelText(/oster/)).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Send draft to 2 people' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/send')).toEqual([{ to: [], roles: ['manager'], asPdf: true }]),
    );
  });

  it('draws how pay climbs with sales beside its figures', async () => {
    const stair = {
      curve: [
        { sales: '0.0000', pay: '0.0000' },
        { sales: '0.6667', pay: '0.5000' },
      ],
      at: { sales: '0.5333', pay: '0.4000' },
      floor: '0.3333',
      ceiling: null,
      tone: 'near' as const,
    };
    const block = PAGE.blocks[1];
    if (!block?.data?.rows[0]) throw new Error('the page has no exhibit');
    const row = { ...block.data.rows[0], bar: null, stair };
    show({ ...PAGE, blocks: [{ ...block, data: { ...block.data, rows: [row] } }] });
    const figure = await screen.findByRole('figure');
    expect(figure.querySelector('circle')).toHaveAttribute('cx', '95.994');
    expect(figure.querySelectorAll('path')).toHaveLength(5);
    expect(figure).toHaveTextContent('130.00');
  });

  it('takes remarks on the selected part, exhibits and an order for other months', async () => {
    const asked = show(PAGE);
    await userEvent.click(await screen.findByRole('button', { name: /1\. October/ }));
    await userEvent.type(screen.getByLabelText('Remark on the selected part'), 'Really?');
    await userEvent.click(screen.getByRole('button', { name: 'Add remark' }));
    await waitFor(() =>
      expect(sent(asked, 'POST', '/remarks')).toEqual([{ block: 'b1', text: 'Really?' }]),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Ask ines to review' }));
    await waitFor(() => expect(sent(asked, 'POST', '/reviewers')).toEqual([{ to: ['ines'] }]));
    await userEvent.click(screen.getByRole('button', { name: 'Add an exhibit' }));
    await userEvent.click(screen.getByRole('button', { name: 'Commission due by rep' }));
    await waitFor(() => expect(sent(asked, 'PUT', '/briefings/3')).toHaveLength(1));
    expect(sent(asked, 'PUT', '/briefings/3')[0]).toMatchObject({
      blocks: [{ id: 'b1' }, { kind: 'exhibit', exhibit: { kind: 'pay' } }, { id: 'b2' }],
    });
    await userEvent.type(screen.getByLabelText('Keep this order for other months as'), 'short');
    await userEvent.click(screen.getByRole('button', { name: 'Save template' }));
    await waitFor(() =>
      expect(sent(asked, 'PUT', '/templates/short')).toEqual([{ parts: ['total'] }]),
    );
  });
});
