import { useState } from 'react';
import { query } from '../../../api/client';
import type { Order, Orders, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, monthName } from '../../../format/figures';
import { count } from '../../../format/nouns';
import { dayText } from '../../../format/writing';
import { SidePanel } from '../../../ui/SidePanel';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { Pager } from '../../../ui/Pager';
import { SourceLink } from '../../../ui/SourceLink';
import { targetOf } from '../rows';
import { targetQuery, useOrders } from '../useStanding';
import { Pick } from '../../../ui/Pick';
import { t } from '../words';

const PAGE = 50;

const SORTS = [
  { value: '', word: t('ordersPanel.asPosted') },
  { value: '-date', word: t('ordersPanel.newestFirst') },
  { value: 'date', word: t('ordersPanel.oldestFirst') },
  { value: '-amount', word: t('ordersPanel.largestAmount') },
  { value: 'amount', word: t('ordersPanel.smallestAmount') },
  { value: '-variance', word: t('ordersPanel.furthestAboveItsGoal') },
  { value: 'variance', word: t('ordersPanel.furthestBelowItsGoal') },
  { value: 'rep', word: t('ordersPanel.rep') },
];

interface OrdersPanelProps {
  view: View;
  standing: Standing;
  onClose: () => void;
}

/** The orders behind a row, each with its lines and against its own goal or its rep's threshold. */
export default function OrdersPanel({ view, standing, onClose }: OrdersPanelProps) {
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
    <SidePanel label={t('ordersPanel.orders')} title={t('ordersPanel.orders')} onClose={onClose}>
      <p className="mb-2 text-quiet">{found.row?.name ?? t('ordersPanel.allRowsOfThisView')}</p>
      {orders.isPending ? (
        <Loading what={t('ordersPanel.theOrders')} />
      ) : orders.isError ? (
        <Failed error={orders.error} onRetry={() => void orders.refetch()} />
      ) : (
        <>
          <div className="no-print mb-2 flex flex-wrap items-end gap-2">
            <Pick
              label={t('ordersPanel.compareEachOrderWith')}
              value={threshold}
              options={[
                { value: '', word: t('ordersPanel.theGoalOnItsLines') },
                ...orders.data.thresholds.map((name) => ({
                  value: name,
                  word: t('ordersPanel.repsMonthly', { name }),
                })),
              ]}
              onChange={(value) => {
                setThreshold(value);
                setPage(0);
              }}
            />
            <Pick
              label={t('ordersPanel.sortBy')}
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
              {t('ordersPanel.exportOrders')}
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
    </SidePanel>
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
        {t('ordersPanel.inNoGoalPerOrder', {
          orderCount: count(orders.orderCount, 'order'),
          lineCount: count(orders.lineCount, 'line'),
        })}
      </p>
    );
  }
  return (
    <p className="mb-2">
      <b>{amount(String(orders.met))}</b>{' '}
      {t('ordersPanel.ofWithAGoalMeets', {
        judged: count(orders.judged, 'order'),
        met: orders.met,
      })}{' '}
      <label className="no-print inline-flex min-h-6 items-center gap-1">
        <input
          type="checkbox"
          checked={isOnlyMet}
          onChange={(event) => onOnlyMet(event.target.checked)}
        />
        {t('ordersPanel.showOnlyThese')}
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
              <span className="sr-only">
                {order.isMet ? t('ordersPanel.met') : t('ordersPanel.notMet')}
              </span>
            </span>
          )}
          <b>{order.order ?? t('ordersPanel.noOrderNumber')}</b>
          <span className="text-quiet">, {facts.join(', ')}</span>
        </span>
        <b className="whitespace-nowrap">{amount(order.amount)}</b>
      </span>
      <span className="flex justify-between gap-2 text-[12px] text-quiet">
        {isSingle && only ? (
          <SourceLink load={only.load} line={only.line}>
            {t('ordersPanel.line', { file: only.file, line: only.line })}
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
                  {t('ordersPanel.line', { file: line.file, line: line.line })}
                </SourceLink>
              </span>
              <span className="whitespace-nowrap">{amount(line.amount)}</span>
            </li>
          ))}
          {order.lineCount > order.lines.length && (
            <li className="text-quiet">
              {t('ordersPanel.theFirstOf', {
                lines: order.lines.length,
                lineCount: count(order.lineCount, 'line'),
              })}
            </li>
          )}
        </ul>
      )}
    </li>
  );
}
