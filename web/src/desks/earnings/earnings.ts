import type { PayDesk, PayRow } from '../../api/types';
import { amount, asPercent, signed } from '../../format/figures';
import { placed, placedShare } from '../../format/placing';
import { t } from './words';

/** Best first; within a status by how far the rep has come. */
const ORDER = ['at ceiling', 'on target', 'earning', 'below floor', 'no quota', 'no plan'];

export type PaySort = 'status' | 'name' | 'due' | 'quota' | 'actual' | 'next';

export const SORTS: { value: PaySort; word: string }[] = [
  { value: 'status', word: t('earnings.status') },
  { value: 'name', word: t('earnings.name') },
  { value: 'due', word: t('earnings.due') },
  { value: 'actual', word: t('earnings.creditedSales') },
  { value: 'quota', word: t('earnings.quota') },
  { value: 'next', word: t('earnings.nextTier') },
];

/** A row as it is marked: while the month runs nothing is behind yet. */
export function asMarked(row: PayRow, isRunning: boolean): PayRow {
  return isRunning && row.tone === 'bad' ? { ...row, tone: 'neutral' } : row;
}

/** Statuses in which any row is, in their order, with how many. */
export function statusesOf(rows: PayRow[]): { status: string; rows: number }[] {
  return ORDER.map((status) => ({
    status,
    rows: rows.filter((row) => row.status === status).length,
  })).filter((one) => one.rows > 0);
}

const come = (row: PayRow) => placedShare(row.actual, row.quota) ?? -1;

function toGo(row: PayRow): number {
  return (row.next && placedShare(row.next.sales, row.quota)) ?? Number.MAX_VALUE;
}

export function sortRows(rows: PayRow[], sort: PaySort): PayRow[] {
  const falling = (figure: (row: PayRow) => number | null) => (a: PayRow, b: PayRow) =>
    (figure(b) ?? -Number.MAX_VALUE) - (figure(a) ?? -Number.MAX_VALUE);
  const orders: Record<PaySort, (a: PayRow, b: PayRow) => number> = {
    status: (a, b) => ORDER.indexOf(a.status) - ORDER.indexOf(b.status) || falling(come)(a, b),
    name: (a, b) => a.name.localeCompare(b.name),
    due: falling((row) => placed(row.due)),
    quota: falling((row) => placed(row.quota)),
    actual: falling((row) => placed(row.credited ?? row.actual)),
    next: (a, b) => toGo(a) - toGo(b),
  };
  return [...rows].sort((a, b) => orders[sort](a, b) || a.name.localeCompare(b.name));
}

export interface Kept {
  status: string[];
  plan: string;
  text: string;
}

export function keep(rows: PayRow[], { status, plan, text }: Kept): PayRow[] {
  const wanted = text.trim().toLowerCase();
  return rows.filter(
    (row) =>
      (status.length === 0 || status.includes(row.status)) &&
      (plan === '' || row.plan === plan) &&
      (wanted === '' ||
        [row.name, row.rep, row.region ?? ''].some((word) => word.toLowerCase().includes(wanted))),
  );
}

const EVENTS = {
  floor: t('earnings.theFloor'),
  target: 'target',
  ceiling: t('earnings.theCeiling'),
  step: t('earnings.theNextTier'),
};

/** "3 410.00 to target, +1 227.30". */
export function nextWords(row: PayRow): string {
  if (row.next) {
    return t('earnings.to', {
      sales: amount(row.next.sales),
      EVENTS: EVENTS[row.next.event],
      pay: signed(row.next.pay),
    });
  }
  if (row.status === 'no plan') return t('earnings.needsAPlan');
  return row.status === 'no quota' ? t('earnings.needsAQuota') : '–';
}

/** "3 410.00 more in October reach the quota and add 1 227.30." */
export function sentence(row: PayRow, month: string): string {
  if (row.plan === null) return t('earnings.hasNoPlanIn', { name: row.name, month });
  if (row.quota === null || row.earned === null) return t('earnings.noQuotaAbove0In', { month });
  if (row.next === null) {
    return row.status === 'at ceiling'
      ? t('earnings.salesAboveAreNotCredited', { credited: amount(row.credited) })
      : t('earnings.theHighestTierIsReached');
  }
  const reach = {
    floor: t('earnings.toReachTheThresholdFloor'),
    target: t('earnings.toReachTheQuota'),
    ceiling: t('earnings.toReachTheMaximumCeiling'),
    step: t('earnings.toReachTheNextTier'),
  };
  const gain = /[1-9]/.test(row.next.pay)
    ? t('earnings.adds', { pay: amount(row.next.pay) })
    : t('earnings.addsNoPayByItself');
  return t('earnings.moreWhich', {
    sales: amount(row.next.sales),
    reach: reach[row.next.event],
    gain,
  });
}

/** A ratio as a percent, all its digits; nothing is rounded here. */
export function percent(ratio: string | null): string {
  return ratio === null ? '–' : `${amount(asPercent(ratio))} %`;
}

export function plansOf(desk: PayDesk): string[] {
  return [...new Set(desk.rows.map((row) => row.plan).filter((plan) => plan !== null))].sort();
}
