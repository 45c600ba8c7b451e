import { useState } from 'react';
import type { Orders, Standing } from '../../api/types';
import type { View } from '../../app/useView';
import { amount, count, monthName } from '../../format/figures';
import { field } from '../../ui/Drop';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { SourceLink } from '../../ui/SourceLink';
import { targetOf } from './standing';
import { useOrders } from './useStanding';

const PAGE = 50;

interface OrdersPanelProps {
  view: View;
  standing: Standing;
  onClose: () => void;
}

/** The order lines behind a row, each against a goal of its own or a threshold of its rep. */
export function OrdersPanel({ view, standing, onClose }: OrdersPanelProps) {
  const [threshold, setThreshold] = useState('');
  const [isOnlyMet, setOnlyMet] = useState(false);
  const [page, setPage] = useState(0);
  const found = targetOf(standing, view);
  const orders = useOrders(view, found, {
    threshold: threshold || undefined,
    onlyMet: isOnlyMet ? 'true' : undefined,
    page: String(page),
    size: String(PAGE),
  });
  return (
    <aside
      aria-label="Order lines"
      className="print-whole min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <div className="mb-1 flex items-baseline justify-between gap-2">
        <h2 className="text-[18px] font-bold">Order lines</h2>
        <button type="button" className={`${smallButton} no-print`} onClick={onClose}>
          Close
        </button>
      </div>
      <p className="mb-2 text-quiet">{found.row?.name ?? 'Everything in this view'}</p>
      {orders.isPending ? (
        <Loading what="the lines" />
      ) : orders.isError ? (
        <Failed error={orders.error} onRetry={() => void orders.refetch()} />
      ) : (
        <>
          <label className="no-print mb-2 block">
            <span className="text-quiet">Each line against</span>
            <select
              className={field}
              value={threshold}
              onChange={(event) => {
                setThreshold(event.target.value);
                setPage(0);
              }}
            >
              <option value="">the goal that its file brings beside it</option>
              {orders.data.thresholds.map((name) => (
                <option key={name} value={name}>
                  its rep’s month in {name}
                </option>
              ))}
            </select>
          </label>
          <Lines
            orders={orders.data}
            isOnlyMet={isOnlyMet}
            onOnlyMet={(is) => {
              setOnlyMet(is);
              setPage(0);
            }}
            onTurn={setPage}
          />
        </>
      )}
    </aside>
  );
}

interface LinesProps {
  orders: Orders;
  isOnlyMet: boolean;
  onOnlyMet: (is: boolean) => void;
  onTurn: (page: number) => void;
}

function Lines({ orders, isOnlyMet, onOnlyMet, onTurn }: LinesProps) {
  const pages = Math.max(1, Math.ceil(orders.lineCount / PAGE));
  return (
    <>
      {orders.judged > 0 ? (
        <p className="mb-2">
          <b>{amount(String(orders.met))}</b> of {count(orders.judged, 'line')} meet it.{' '}
          <label className="no-print inline-flex min-h-6 items-center gap-1">
            <input
              type="checkbox"
              checked={isOnlyMet}
              onChange={(event) => onOnlyMet(event.target.checked)}
            />
            only these
          </label>
        </p>
      ) : (
        <p className="mb-2 text-quiet">
          {count(orders.lineCount, 'line')}; no goal stands beside them.
        </p>
      )}
      <ul>
        {orders.lines.map((line) => (
          <li key={`${line.load} ${line.line} ${line.month}`} className="border-t border-rule py-1">
            <span className="flex justify-between gap-2">
              <span>
                {line.isMet !== null && (
                  <span className={line.isMet ? 'text-good' : 'text-quiet'}>
                    {line.isMet ? '✓ ' : '– '}
                    <span className="sr-only">{line.isMet ? 'met' : 'not met'}</span>
                  </span>
                )}
                {monthName(line.month)}
                {line.rep && <span className="text-quiet">, {line.rep}</span>}
              </span>
              <b>{amount(line.amount)}</b>
            </span>
            <span className="flex justify-between gap-2 text-[12px] text-quiet">
              <SourceLink load={line.load} line={line.line}>
                {line.file}, line {line.line}
              </SourceLink>
              <span className="text-right">{line.why}</span>
            </span>
          </li>
        ))}
      </ul>
      {pages > 1 && (
        <p className="no-print mt-2 flex items-center gap-2">
          <button
            type="button"
            className={smallButton}
            disabled={orders.page === 0}
            onClick={() => onTurn(orders.page - 1)}
          >
            Before
          </button>
          Page {orders.page + 1} of {pages}
          <button
            type="button"
            className={smallButton}
            disabled={orders.page + 1 >= pages}
            onClick={() => onTurn(orders.page + 1)}
          >
            Next
          </button>
        </p>
      )}
    </>
  );
}
