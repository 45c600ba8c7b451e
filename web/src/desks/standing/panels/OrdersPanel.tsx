import { useState } from 'react';
import { query } from '../../../api/client';
import type { Order, Orders, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, count, monthName } from '../../../format/figures';
import { dayText } from '../../../format/writing';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { Pager } from '../../../ui/Pager';
import { SourceLink } from '../../../ui/SourceLink';
import { targetOf } from '../rows';
import { targetQuery, useOrders } from '../useStanding';
import { Pick } from '../../../ui/Pick';

const PAGE = 50;

const SORTS = [
  { value: '', word: 'as posted' },
  { value: '-date', word: 'newest first' },
  { value: 'date', word: 'oldest first' },
  { value: '-amount', word: 'largest amount' },
  { value: 'amount', word: 'smallest amount' },
  { value: '-variance', word: 'furthest above its goal' },
  { value: 'variance', word: 'furthest below its goal' },
  { value: 'rep', word: 'rep' },
];

interface OrdersPanelProps {
  view: View;
  standing: Standing;
  onClose: () => void;
}

/** The orders behind a row, each with its lines and against its own goal or its rep's threshold. */
export function OrdersPanel({ view, standing, onClose }: OrdersPanelProps) {
  const [threshold, setThreshold] = useState('');
  const [isOnlyMet, setOnlyMet] = useState(false);
  const [sort, setSort] = useState('');
  const [page, setPage] = useState(0);
  const found = targetOf(standing, view);
  const wish = {
    threshold: threshold || undefined,
    onlyMet: isOnlyMet ? 'true' : undefined,
    sort: sort || undefined,
  };
  const orders = useOrders(view, found, { ...wish, page: String(page), size: String(PAGE) });
  const [address, asked] = targetQuery(view, found);
  return (
    <aside
      aria-label="Orders"
      className="print-whole min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <div className="mb-1 flex items-baseline justify-between gap-2">
        <h2 className="text-[18px] font-bold">Orders</h2>
        <button type="button" className={`${smallButton} no-print`} onClick={onClose}>
          Close
        </button>
      </div>
      <p className="mb-2 text-quiet">{found.row?.name ?? 'Everything in this view'}</p>
      {orders.isPending ? (
        <Loading what="the orders" />
      ) : orders.isError ? (
        <Failed error={orders.error} onRetry={() => void orders.refetch()} />
      ) : (
        <>
          <div className="no-print mb-2 flex flex-wrap items-end gap-2">
            <Pick
              label="Compare each order with"
              value={threshold}
              options={[
                { value: '', word: 'the goal beside its lines' },
                ...orders.data.thresholds.map((name) => ({
                  value: name,
                  word: `its rep’s month in ${name}`,
                })),
              ]}
              onChange={(value) => {
                setThreshold(value);
                setPage(0);
              }}
            />
            <Pick
              label="Sort by"
              value={sort}
              options={SORTS}
              onChange={(value) => {
                setSort(value);
                setPage(0);
              }}
            />
            <a
              className={smallButton}
              href={`/api/v1${address}/orders.csv${query({ ...asked, ...wish })}`}
              download
            >
              Export orders
            </a>
          </div>
          <Summary
            orders={orders.data}
            isOnlyMet={isOnlyMet}
            onOnlyMet={(is) => {
              setOnlyMet(is);
              setPage(0);
            }}
          />
          <ul>
            {orders.data.orders.map((order) => {
              const first = order.lines[0];
              return <Item key={`${first?.load} ${first?.line} ${first?.month}`} order={order} />;
            })}
          </ul>
          <Pager
            page={orders.data.page}
            pages={Math.ceil(orders.data.orderCount / PAGE)}
            onTurn={setPage}
          />
        </>
      )}
    </aside>
  );
}

interface SummaryProps {
  orders: Orders;
  isOnlyMet: boolean;
  onOnlyMet: (is: boolean) => void;
}

function Summary({ orders, isOnlyMet, onOnlyMet }: SummaryProps) {
  if (orders.judged === 0) {
    return (
      <p className="mb-2 text-quiet">
        {count(orders.orderCount, 'order')} of {count(orders.lineCount, 'line')}. No goal per order.
      </p>
    );
  }
  return (
    <p className="mb-2">
      <b>{amount(String(orders.met))}</b> of {count(orders.judged, 'order')} with a goal{' '}
      {orders.met === 1 ? 'meets' : 'meet'} it.{' '}
      <label className="no-print inline-flex min-h-6 items-center gap-1">
        <input
          type="checkbox"
          checked={isOnlyMet}
          onChange={(event) => onOnlyMet(event.target.checked)}
        />
        show only these
      </label>
    </p>
  );
}

/** One order, its lines below it where it has several. */
function Item({ order }: { order: Order }) {
  const [only, ...more] = order.lines;
  const isSingle = more.length === 0;
  const facts = [
    order.date ? dayText(order.date) : monthName(order.month),
    order.rep,
    order.product,
    ...(isSingle && only ? Object.values(only.further) : []),
  ].filter((fact) => fact !== null);
  return (
    <li className="border-t border-rule py-1">
      <span className="flex justify-between gap-2">
        <span className="min-w-0">
          {order.isMet !== null && (
            <span className={order.isMet ? 'text-good' : 'text-quiet'}>
              {order.isMet ? '✓ ' : '– '}
              <span className="sr-only">{order.isMet ? 'met' : 'not met'}</span>
            </span>
          )}
          <b>{order.order ?? 'No order number'}</b>
          <span className="text-quiet">, {facts.join(', ')}</span>
        </span>
        <b className="whitespace-nowrap">{amount(order.amount)}</b>
      </span>
      <span className="flex justify-between gap-2 text-[12px] text-quiet">
        {isSingle && only ? (
          <SourceLink load={only.load} line={only.line}>
            {only.file}, line {only.line}
          </SourceLink>
        ) : (
          <span>{count(order.lineCount, 'line')}</span>
        )}
        <span className="text-right">{order.why}</span>
      </span>
      {!isSingle && (
        <ul className="ml-4 text-[12px]">
          {order.lines.map((line) => (
            <li key={`${line.load} ${line.line}`} className="flex justify-between gap-2">
              <span className="min-w-0 text-quiet">
                {[
                  line.date ? dayText(line.date) : monthName(line.month),
                  line.product,
                  ...Object.values(line.further),
                ]
                  .filter((fact) => fact !== null)
                  .join(', ')}
                {' · '}
                <SourceLink load={line.load} line={line.line}>
                  {line.file}, line {line.line}
                </SourceLink>
              </span>
              <span className="whitespace-nowrap">{amount(line.amount)}</span>
            </li>
          ))}
          {order.lineCount > order.lines.length && (
            <li className="text-quiet">
              the first {order.lines.length} of {count(order.lineCount, 'line')}
            </li>
          )}
        </ul>
      )}
    </li>
  );
}
