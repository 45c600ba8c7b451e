import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { MonthSheet, Orders } from '../../../api/types';
import { useView } from '../../../address/useView';
import { clean, layOut, Refused, serve, showAt } from '../../../test/desk';
import { Distribution } from './Distribution';
import MonthsTable from '../table/MonthsTable';
import OrdersPanel from './OrdersPanel';
import { ReasonList } from '../../../ui/ReasonList';
import { COMPANY, ROWS, STANDING } from '../../../test/samples';
import { TakeAlong } from '../controls/TakeAlong';

const AT = '/standing?axis=rep&measure=revenue&from=2026-10&to=2026-10&set=quota';

const ORDERS: Orders = {
  per: 'threshold',
  thresholds: ['order floor'],
  page: 0,
  size: 50,
  orderCount: 51,
  lineCount: 52,
  judged: 51,
  met: 2,
  orders: [
    {
      order: 'SO-1',
      month: '2026-10',
      date: '2026-10-05',
      rep: 'Ada',
      product: null,
      amount: '80.00',
      goal: '75.00',
      variance: '5.00',
      isMet: true,
      why: '5.00 over 75.00',
      lineCount: 2,
      lines: [line(9, 'Cleat', '50.00'), line(11, 'Rope', '30.00')],
    },
  ],
};

function line(number: number, product: string, amount: string) {
  return {
    load: 3,
    file: 'october.csv',
    line: number,
    month: '2026-10',
    date: '2026-10-05',
    product,
    amount,
    further: { customer: 'Reef & Co' },
  };
}

function Panel({ onClose }: { onClose: () => void }) {
  const [view] = useView(COMPANY);
  return <OrdersPanel view={view} standing={STANDING} onClose={onClose} />;
}

function Line() {
  const [view, change] = useView(COMPANY);
  return <Distribution view={view} standing={STANDING} change={change} />;
}

function Sheet() {
  const [view] = useView(COMPANY);
  const [selected, setSelected] = useState('A');
  return (
    <>
      <MonthsTable view={view} standing={STANDING} selected={selected} onSelect={setSelected} />
      <output data-testid="selected">{selected}</output>
    </>
  );
}

function Along() {
  const [view] = useView(COMPANY);
  return <TakeAlong view={view} standing={STANDING} />;
}

beforeEach(layOut);
afterEach(clean);

describe('the order lines', () => {
  it('ask for the chosen threshold, for those that meet it, and for the next page', async () => {
    const asked = serve({ '/orders': ORDERS });
    const closed = vi.fn();
    showAt(<Panel onClose={closed} />, `${AT}&row=A`);
    expect(await screen.findByText('5.00 over 75.00')).toBeVisible();
    expect(screen.getByRole('link', { name: 'october.csv, line 9' })).toHaveAttribute(
      'href',
      '/intake?load=3&line=9',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Next' }));
    await waitFor(() => expect(asked.at(-1)?.path).toContain('page=1'));
    expect(screen.getByText(/2026-10-05, Rope, Reef & Co/)).toBeVisible();
    await userEvent.selectOptions(
      await screen.findByRole('combobox', { name: 'Compare each order with' }),
      'order floor',
    );
    await waitFor(() => expect(asked.at(-1)?.path).toMatch(/threshold=order\+floor.*page=0/));
    await userEvent.click(await screen.findByRole('checkbox', { name: 'Show only these' }));
    await waitFor(() => expect(asked.at(-1)?.path).toContain('onlyMet=true'));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Sort by' }), '-amount');
    await waitFor(() => expect(asked.at(-1)?.path).toContain('sort=-amount'));
    expect(screen.getByRole('link', { name: 'Export orders' }).getAttribute('href')).toMatch(
      /orders\.csv\?.*threshold=order\+floor.*onlyMet=true.*sort=-amount/,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Close panel' }));
    expect(closed).toHaveBeenCalledOnce();
  });

  it('say so where no goal stands beside them', async () => {
    serve({ '/orders': { ...ORDERS, orderCount: 1, lineCount: 1, judged: 0, met: 0, orders: [] } });
    showAt(<Panel onClose={() => undefined} />, AT);
    expect(await screen.findByText('1 order in 1 line. No goal per order.')).toBeVisible();
    expect(screen.queryByRole('checkbox')).toBeNull();
  });
});

describe('the list of reasons', () => {
  const reasons = [
    { code: 'price', name: 'price' },
    { code: 'stock', name: 'stock-out' },
  ];

  it('keeps changed, new and remaining reasons, without empty ones', async () => {
    const asked = serve({ '/reasons': reasons });
    const closed = vi.fn();
    showAt(<ReasonList reasons={reasons} onClose={closed} />, AT);
    await userEvent.click(screen.getByRole('button', { name: 'Remove price' }));
    await userEvent.type(screen.getByLabelText('Reason 1'), 's');
    await userEvent.click(screen.getByRole('button', { name: 'Add reason' }));
    await userEvent.type(screen.getByLabelText('Reason 2'), 'weather');
    await userEvent.click(screen.getByRole('button', { name: 'Add reason' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save reasons' }));
    await waitFor(() => expect(closed).toHaveBeenCalledOnce());
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual([
      { code: 'stock', name: 'stock-outs' },
      { name: 'weather' },
    ]);
  });

  it('stays open with the words of a refusal', async () => {
    serve({ '/reasons': new Refused(409, 'The reason "price" stands in 2 notes.') });
    const closed = vi.fn();
    showAt(<ReasonList reasons={reasons} onClose={closed} />, AT);
    await userEvent.click(screen.getByRole('button', { name: 'Save reasons' }));
    expect(await screen.findByRole('alert')).toHaveTextContent(
      'The reason "price" stands in 2 notes.',
    );
    expect(closed).not.toHaveBeenCalled();
  });
});

describe('taking along', () => {
  it('hands out the view as it stands, with its order', async () => {
    serve({ '/views': [] });
    showAt(<Along />, `${AT}&text=a&sort=-actual`);
    await userEvent.click(screen.getByRole('button', { name: 'Export' }));
    const link = await screen.findByRole('menuitem', { name: 'Rows as CSV' });
    const address = link.getAttribute('href') ?? '';
    expect(address).toMatch(/^\/api\/v1\/standing\/export\.csv\?/);
    expect(Object.fromEntries(new URLSearchParams(address.split('?')[1]))).toMatchObject({
      axis: 'rep',
      from: '2026-10',
      to: '2026-10',
      text: 'a',
      sort: '-actual',
    });
  });

  it('keeps and deletes views by name', async () => {
    const asked = serve({ '/views': [{ name: 'short reps', address: '/standing?top=3' }] });
    showAt(<Along />, `${AT}&top=5`);
    await userEvent.click(await screen.findByRole('button', { name: /^Saved views/ }));
    expect(await screen.findByRole('link', { name: 'short reps' })).toHaveAttribute(
      'href',
      '/standing?top=3',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Delete the view short reps' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
        address: '/standing?top=3',
      }),
    );
  });
});

describe('the distribution line', () => {
  it('keeps the stretch that is dragged over, and only a real stretch', () => {
    serve({});
    showAt(<Line />, AT);
    const line = screen.getByRole('img', { name: '2 rows from 0 to 120 % of goal' });
    Object.assign(line, { setPointerCapture: () => undefined });
    vi.spyOn(line, 'getBoundingClientRect').mockReturnValue({ left: 0, width: 860 } as DOMRect);
    fireEvent.pointerDown(line, { clientX: 400, pointerId: 1 });
    fireEvent.pointerUp(line, { clientX: 402, pointerId: 1 });
    expect(screen.getByTestId('address')).not.toHaveTextContent('low=');
    fireEvent.pointerDown(line, { clientX: 430, pointerId: 1 });
    fireEvent.pointerMove(line, { clientX: 680, pointerId: 1 });
    fireEvent.pointerUp(line, { clientX: 680, pointerId: 1 });
    const asked = new URLSearchParams(screen.getByTestId('address').textContent);
    expect(asked.get('low')).toBe('0.612');
    expect(asked.get('high')).toBe('0.973');
  });

  it('is not drawn for fewer than two members with a percent', () => {
    serve({});
    function One() {
      const [view, change] = useView(COMPANY);
      return (
        <Distribution view={view} standing={{ ...STANDING, rows: ROWS.slice(1) }} change={change} />
      );
    }
    showAt(<One />, AT);
    expect(screen.queryByRole('img')).toBeNull();
  });
});

describe('the months side by side', () => {
  const cell = { actualShown: '45.00', varianceShown: '-5.00', percentShown: '90.0' };
  const sheet = {
    months: ['2026-09', '2026-10'],
    total: STANDING.total,
    totals: [cell, { ...cell, varianceShown: '20.00' }],
    rows: ROWS.map((row) => ({ whole: row, cells: [null, cell] })),
  } as unknown as MonthSheet;

  it('stand under their months, missing ones as a dash, in the figure that is selected', async () => {
    serve({ '/sheet': sheet });
    showAt(<Sheet />, `${AT}&layout=months`);
    const table = await screen.findByRole('grid');
    const heads = within(table)
      .getAllByRole('columnheader')
      .map((head) => head.textContent);
    expect(heads).toHaveLength(4);
    const ada = within(table).getByRole('rowheader', { name: /Ada/ }).closest('[role=row]');
    const cells = within(ada as HTMLElement).getAllByRole('gridcell');
    expect(cells[0]).toHaveTextContent('–');
    expect(cells[1]).toHaveTextContent('−5');
    await userEvent.click(within(table).getByRole('rowheader', { name: /Bo/ }));
    expect(screen.getByTestId('selected')).toHaveTextContent('B');
    await userEvent.click(screen.getByRole('button', { name: /^Figures/ }));
    await userEvent.click(await screen.findByRole('option', { name: '% of goal' }));
    expect(within(ada as HTMLElement).getAllByRole('gridcell')[1]).toHaveTextContent('90.0');
  });
});
