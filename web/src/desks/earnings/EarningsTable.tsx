import { useState, type CSSProperties } from 'react';
import type { PayRow, PayTotals } from '../../api/types';
import { amount, hasFraction, NONE } from '../../format/figures';
import { QUOTA_AT, StairLane } from '../../marks/StairLane';
import { StatusMark } from '../../marks/StatusMark';
import { marksOf, type Held } from '../../ui/picks';
import { gridStop, useGridKeys } from '../../ui/useGridKeys';
import { VirtualRows } from '../../ui/VirtualRows';
import { nextWords, type PaySort } from './earnings';
import { t } from './words';

const ROW = 46;
const HEAD = 34;

interface EarningsTableProps {
  /** Sums of the rows; null while they are added up. */
  totals: PayTotals | null;
  /** Whether these are all rows of the month. */
  isWhole: boolean;
  rows: PayRow[];
  selected: string | null;
  /** Reps that are read together. */
  picked: string[];
  sort: PaySort;
  onSelect: (rep: string, held: Held) => void;
  onSort: (sort: PaySort) => void;
}

/** A row per rep on one quota line, with sums that add up on top. */
export function EarningsTable({
  totals,
  isWhole,
  rows,
  selected,
  picked,
  sort,
  onSelect,
  onSort,
}: EarningsTableProps) {
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW);
  const quotas = rows.every((row) => !hasFraction(row.quota)) ? 'drop' : 'keep';
  const widths = {
    '--quota': columnWidth(
      [totals?.quota ?? null, totals?.monthQuota ?? null, ...rows.map((row) => row.quota)],
      quotas,
    ),
    '--credited': columnWidth([totals?.credited ?? null, ...rows.map((row) => row.actual)]),
    '--due': columnWidth([totals?.due ?? null, ...rows.map((row) => row.due)]),
  } as CSSProperties;
  const line = (row: PayRow, at: number) => (
    <Line
      row={row}
      quotas={quotas}
      rowIndex={at + 3}
      {...marksOf({ selected, picked }, row.rep)}
      onSelect={(held) => onSelect(row.rep, held)}
    />
  );
  return (
    <div
      ref={setScroll}
      className="print-whole mb-3 min-h-0 overflow-auto border-b border-rule bg-sheet"
    >
      <div
        ref={setGrid}
        role="grid"
        aria-label={t('earningsTable.commissionByRep')}
        aria-rowcount={rows.length + 2}
        aria-multiselectable
        className="relative min-w-[640px]"
        style={widths}
      >
        <div className="sticky top-0 z-10 bg-sheet">
          <Head sort={sort} onSort={onSort} />
          {totals && <Total totals={totals} isWhole={isWhole} quotas={quotas} />}
        </div>
        <VirtualRows
          items={rows}
          keyOf={(row) => row.rep}
          height={ROW}
          top={HEAD + ROW}
          scroll={scroll}
          selectedAt={rows.findIndex((row) => row.rep === selected)}
        >
          {line}
        </VirtualRows>
        {rows.length === 0 && (
          <p className="px-2 py-3 text-quiet">{t('earningsTable.noRepMatchesTheFilters')}</p>
        )}
      </div>
    </div>
  );
}

function Head({ sort, onSort }: { sort: PaySort; onSort: (sort: PaySort) => void }) {
  const button = (key: PaySort, word: string) => (
    <button
      type="button"
      {...gridStop}
      onClick={() => onSort(key)}
      className={`min-h-6 hover:text-ink ${sort === key ? 'font-bold text-ink' : ''}`}
    >
      {word}
      {sort === key ? ' ↓' : ''}
    </button>
  );
  const sorted = (key: PaySort) =>
    sort === key ? (key === 'name' || key === 'next' ? 'ascending' : 'descending') : undefined;
  return (
    <div role="rowgroup">
      <div
        role="row"
        aria-rowindex={1}
        className="pay-grid h-[34px] items-end border-b border-ink pb-1 text-[12px] text-quiet"
      >
        <span role="columnheader" aria-sort={sorted('name')} className="pl-2">
          {button('name', t('earningsTable.rep'))}
        </span>
        <span role="columnheader" aria-sort={sorted('quota')} className="text-right">
          {button('quota', t('earningsTable.quota'))}
        </span>
        <span role="columnheader" aria-sort={sorted('actual')} className="text-right">
          {button('actual', t('earningsTable.creditedSales'))}
        </span>
        <span role="columnheader" className="relative">
          <span
            className="absolute bottom-0 -translate-x-1/2 font-bold text-ink"
            style={{ left: `${QUOTA_AT * 100}%` }}
          >
            {t('earningsTable.quota2')}
          </span>
          <span className="sr-only">{t('earningsTable.salesAndPay')}</span>
        </span>
        <span role="columnheader" aria-sort={sorted('status')}>
          {button('status', t('earningsTable.status'))}
        </span>
        <span role="columnheader" aria-sort={sorted('due')} className="text-right">
          {button('due', t('earningsTable.commissionDue'))}
        </span>
        <span role="columnheader" aria-sort={sorted('next')}>
          {button('next', t('earningsTable.nextTier'))}
        </span>
      </div>
    </div>
  );
}

interface TotalProps {
  totals: PayTotals;
  isWhole: boolean;
  quotas: 'keep' | 'drop';
}

/**
 * Sums of the rows that are shown. Where plans reckon over different windows, the sum of their
 * quotas says nothing: then the quotas of the month alone are added up.
 */
function Total({ totals, isWhole, quotas }: TotalProps) {
  const isMixed = totals.quota === null && totals.monthQuota !== null;
  return (
    <div role="rowgroup">
      <div
        role="row"
        aria-rowindex={2}
        className="pay-grid h-[46px] items-center border-b border-rule bg-ground"
      >
        <span role="rowheader" className="truncate pl-2 leading-tight font-bold">
          {isWhole ? t('earningsTable.allReps') : t('earningsTable.repsShown')}
          <span className="block text-[11.5px] font-normal text-quiet">
            {t('earningsTable.withPlanAndQuota', { planned: amount(String(totals.planned)) })}
          </span>
        </span>
        <span role="gridcell" className="text-right leading-tight text-quiet">
          {amount(isMixed ? totals.monthQuota : totals.quota, quotas)}
          {isMixed && <span className="block text-[11.5px]">{t('earningsTable.thisMonth')}</span>}
        </span>
        <span role="gridcell" className="text-right font-bold">
          {amount(totals.credited)}
        </span>
        <span role="gridcell" className="relative h-full">
          <QuotaLine />
        </span>
        <span role="gridcell" />
        <span role="gridcell" className="text-right font-bold">
          {amount(totals.due)}
        </span>
        <span role="gridcell" className="pr-2 text-[12px] leading-tight text-quiet">
          {totals.shareShown !== null &&
            t('earningsTable.earnedOfSales', { shareShown: amount(totals.shareShown) })}
        </span>
      </div>
    </div>
  );
}

function QuotaLine() {
  return (
    <span
      aria-hidden="true"
      className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
      style={{ left: `${QUOTA_AT * 100}%` }}
    />
  );
}

/** Wide enough for the longest figure and for the total, which is bold. */
function columnWidth(figures: (string | null)[], decimals: 'keep' | 'drop' = 'keep'): string {
  const longest = figures.reduce((most, one) => Math.max(most, amount(one, decimals).length), 6);
  return `${(longest + 1) * 7.6}px`;
}

interface LineProps {
  row: PayRow;
  quotas: 'keep' | 'drop';
  rowIndex: number;
  isSelected: boolean;
  /** Whether j, k and x go on from here while others are read together. */
  isNext: boolean;
  onSelect: (held: Held) => void;
}

function Line({ row, quotas, rowIndex, isSelected, isNext, onSelect }: LineProps) {
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={rowIndex}
      aria-selected={isSelected}
      onClick={onSelect}
      className={`pay-grid h-[46px] cursor-pointer items-center border-b border-rule ${isSelected ? 'on-selection bg-select-ground' : 'hover:bg-ground'} ${isNext ? 'is-next' : ''}`}
    >
      <span role="rowheader" className="min-w-0 pl-2 leading-tight">
        <button
          type="button"
          {...gridStop}
          className="block max-w-full truncate font-semibold"
          title={row.name}
        >
          {row.name}
        </button>
        <span className="block truncate text-[11.5px] text-quiet">{row.plan ?? NONE}</span>
      </span>
      <span role="gridcell" className="text-right leading-tight text-quiet">
        {amount(row.quota, quotas)}
        {row.monthQuota != null && row.monthQuota !== row.quota && (
          <span className="block text-[11.5px] whitespace-nowrap">
            {t('earningsTable.month', { monthQuota: amount(row.monthQuota, quotas) })}
          </span>
        )}
      </span>
      <span role="gridcell" className="text-right">
        {amount(row.credited ?? row.actual)}
      </span>
      <span role="gridcell" className="relative h-[44px]">
        <StairLane row={row} />
        <QuotaLine />
      </span>
      <span role="gridcell">
        <StatusMark status={row.status} tone={row.tone} isPast={row.status === 'at ceiling'} />
      </span>
      <span role="gridcell" className="text-right font-bold">
        {amount(row.due)}
      </span>
      <span role="gridcell" className="pr-2 text-[12px] leading-[1.15] text-quiet">
        {nextWords(row)}
      </span>
    </div>
  );
}
