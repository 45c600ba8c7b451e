import { useState, type ReactNode } from 'react';
import type { Outlook, OutlookRow } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, hasFraction, isAboveZero, NONE } from '../../../format/figures';
import { capital, countOf, plural, singular } from '../../../format/nouns';
import { StatusMark } from '../../../marks/StatusMark';
import { toneText } from '../../../marks/tones';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { VirtualRows } from '../../../ui/VirtualRows';
import { TOTAL } from '../rows';
import { markOf, type LikelyMarks } from './likely';
import { LikelihoodBar, OutlookLane, outlookEnd } from './OutlookLane';
import { nextOutlookSort, readOutlookSort, type OutlookItem, type OutlookKey } from './rows';
import { t } from './words';

const ROW_HEIGHT = 26;
const TOTAL_HEIGHT = 38;
const HEAD_HEIGHT = 38;
const GRID = 'outlook-grid items-center';

interface OutlookTableProps {
  outlook: Outlook;
  items: OutlookItem[];
  view: View;
  selected: string;
  onSelect: (id: string) => void;
  onSort: (sort: string) => void;
  onToggle: (group: string) => void;
}

/** The total on top, then the rows, all lanes on one goal line. */
export function OutlookTable(props: OutlookTableProps) {
  const { outlook, items, view, selected, onSelect } = props;
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW_HEIGHT);
  const all = [outlook.total, ...outlook.rows, ...(outlook.groups ?? [])];
  const look: Look = {
    end: outlookEnd(all),
    likely: view.likely,
    decimals: {
      actual: keep(all.some((row) => hasFraction(row.actual))),
      open: keep(all.some((row) => hasFraction(row.open))),
      weighted: keep(all.some((row) => hasFraction(row.shown.weighted))),
      goal: keep(all.some((row) => hasFraction(row.goal))),
    },
  };
  return (
    <div
      ref={setScroll}
      className="print-whole mb-1 min-h-0 overflow-auto border-b border-rule bg-sheet"
      data-testid="outlook-scroll"
    >
      <div
        ref={setGrid}
        role="grid"
        aria-label={t('table.outlookBy', { axis: singular(outlook.axis) })}
        aria-rowcount={items.length + 2}
        className="relative min-w-[640px]"
      >
        <div className="sticky top-0 z-10 bg-sheet">
          <Head outlook={outlook} view={view} look={look} onSort={props.onSort} />
          <div role="rowgroup">
            <Line
              look={look}
              row={outlook.total}
              name={t('table.all', { axis: plural(outlook.axis) })}
              under={
                outlook.withGoal === 0
                  ? t('table.noneWithAGoal')
                  : t('table.shouldReach', {
                      reach: outlook.expectedToReach,
                      all: outlook.withGoal,
                    })
              }
              kind="total"
              rowIndex={2}
              isSelected={selected === TOTAL}
              onSelect={() => onSelect(TOTAL)}
            />
          </div>
        </div>
        <VirtualRows
          items={items}
          keyOf={(item) => item.id}
          height={ROW_HEIGHT}
          top={HEAD_HEIGHT + TOTAL_HEIGHT}
          scroll={scroll}
          selectedAt={items.findIndex((item) => item.id === selected)}
        >
          {(item, at) => (
            <Line
              look={look}
              row={item.row}
              name={
                item.row.name || t('table.no', { group: singular(outlook.group ?? outlook.axis) })
              }
              under={
                item.kind === 'group'
                  ? countOf(
                      outlook.rows.filter((row) => row.group === item.row.key).length,
                      outlook.axis,
                    )
                  : item.kind === 'inner' && item.row.place === item.row.group
                    ? undefined
                    : item.row.place
              }
              kind={item.kind}
              isOpen={item.isOpen}
              onToggle={() => props.onToggle(item.row.key)}
              rowIndex={at + 3}
              isSelected={item.id === selected}
              onSelect={() => onSelect(item.id)}
            />
          )}
        </VirtualRows>
        {items.length === 0 && <p className="px-2 py-2 text-quiet">{t('table.noRows')}</p>}
      </div>
    </div>
  );
}

const keep = (is: boolean): 'keep' | 'drop' => (is ? 'keep' : 'drop');

interface Look {
  /** Percent of the goal at which lanes end. */
  end: number;
  likely: LikelyMarks;
  decimals: Record<'actual' | 'open' | 'weighted' | 'goal', 'keep' | 'drop'>;
}

interface HeadProps {
  outlook: Outlook;
  view: View;
  look: Look;
  onSort: (sort: string) => void;
}

function Head({ outlook, view, look, onSort }: HeadProps) {
  const sort = readOutlookSort(view.sort);
  const head = (key: OutlookKey, words: string, className = 'pr-2 text-right'): ReactNode => {
    const isSorted = sort.key === key;
    return (
      <span
        role="columnheader"
        aria-sort={isSorted ? (sort.isFalling ? 'descending' : 'ascending') : undefined}
        className={`leading-tight ${className}`}
      >
        <button
          type="button"
          {...gridStop}
          onClick={() => onSort(nextOutlookSort(sort, key))}
          className={`hover:text-ink ${isSorted ? 'text-ink' : ''}`}
        >
          {words}
          {isSorted && <span aria-hidden="true"> {sort.isFalling ? '↓' : '↑'}</span>}
        </button>
      </span>
    );
  };
  const unit = outlook.unit === 'count' ? '' : `, ${outlook.unit}`;
  return (
    <div role="rowgroup">
      <div
        role="row"
        aria-rowindex={1}
        style={{ height: HEAD_HEIGHT }}
        className="outlook-grid items-end border-b border-ink pb-1.5 text-[12px] font-semibold text-quiet"
      >
        {head('name', capital(singular(outlook.axis)), 'pl-2')}
        {head('actual', t('table.actual', { unit }))}
        {head('goal', t('table.goal'))}
        {head('toGo', t('table.toGo'), 'outlook-middle pr-2 text-right')}
        {head('open', t('table.open'), 'outlook-middle pr-2 text-right')}
        {head('weighted', t('table.weighted'))}
        {head('overdue', t('table.overdue'), 'outlook-wide pr-2 text-right')}
        <span role="columnheader" className="relative h-full">
          <span
            className="absolute bottom-0 -translate-x-1/2 font-bold text-ink"
            style={{ left: `${(100 / look.end) * 100}%` }}
          >
            {t('table.goalMark')}
          </span>
        </span>
        {head('expected', t('table.expected'))}
        {head('atBest', t('table.atBest'), 'outlook-wide pr-2 text-right')}
        <span role="columnheader" className="pl-3 leading-tight">
          {t('table.expectedStatus')}
        </span>
        {head('coverage', t('table.coverage'), 'outlook-wide pr-2 text-right')}
        {head('needed', t('table.needed'))}
      </div>
    </div>
  );
}

interface LineProps {
  look: Look;
  row: OutlookRow;
  name: string;
  under?: string | undefined;
  kind: 'total' | 'group' | 'row' | 'inner';
  isOpen?: boolean;
  onToggle?: () => void;
  rowIndex: number;
  isSelected: boolean;
  onSelect: () => void;
}

function Line(props: LineProps) {
  const { look, row, name, kind, isSelected } = props;
  const isTotal = kind === 'total';
  const weight = {
    total: 'border-ink font-bold',
    group: 'bg-ground/70 font-semibold',
    row: '',
    inner: '',
  };
  const cell = 'pr-2 text-right whitespace-nowrap';
  const isOutOfReach = row.outOfReach;
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      aria-selected={isSelected}
      onClick={props.onSelect}
      style={{ height: isTotal ? TOTAL_HEIGHT : ROW_HEIGHT }}
      className={`${GRID} cursor-pointer border-b border-rule ${weight[kind]} ${isSelected ? 'on-selection bg-select-ground' : 'hover:bg-ground/60'}`}
    >
      <span role="rowheader" className="flex min-w-0 items-center pl-2">
        {kind === 'group' && (
          <button
            type="button"
            {...gridStop}
            aria-expanded={props.isOpen}
            aria-label={props.isOpen ? t('table.fold', { name }) : t('table.unfold', { name })}
            className="mr-0.5 -ml-1 h-6 w-6 shrink-0 rounded-sm text-quiet hover:text-ink"
            onClick={(event) => {
              event.stopPropagation();
              props.onToggle?.();
            }}
          >
            <span aria-hidden="true">{props.isOpen ? '▾' : '▸'}</span>
          </button>
        )}
        {/* eslint-disable-next-line jsx-a11y/role-supports-aria-props -- global since ARIA 1.3 */}
        <button
          type="button"
          {...gridStop}
          aria-description={spoken(row)}
          aria-current={isSelected ? 'true' : undefined}
          className={`flex min-h-6 min-w-0 flex-1 gap-2 text-left leading-tight ${isTotal ? 'flex-col gap-0!' : 'items-center'} ${kind === 'inner' ? 'pl-4' : ''}`}
          title={name}
        >
          <span className={`truncate font-semibold ${isTotal ? '' : 'max-w-[150px] shrink-0'}`}>
            {name}
          </span>
          {props.under && (
            <span
              className={`truncate text-[11.5px] font-normal text-quiet ${isTotal || kind === 'group' ? '' : 'outlook-wide'}`}
            >
              {props.under}
            </span>
          )}
        </button>
      </span>
      <span role="gridcell" className={cell}>
        {amount(row.actual, look.decimals.actual)}
      </span>
      <span role="gridcell" className={`${cell} text-quiet`}>
        {amount(row.goal, look.decimals.goal)}
      </span>
      <span role="gridcell" className={`outlook-middle ${cell}`}>
        {amount(row.toGo, look.decimals.actual)}
      </span>
      <span role="gridcell" className={`outlook-middle ${cell}`}>
        {amount(row.open, look.decimals.open)}
      </span>
      <span role="gridcell" className={cell}>
        {amount(row.shown.weighted, look.decimals.weighted)}
      </span>
      <span
        role="gridcell"
        className={`outlook-wide ${cell} ${isAboveZero(row.overdue) ? 'text-bad' : 'text-quiet'}`}
      >
        {isAboveZero(row.overdue) ? amount(row.overdue, look.decimals.open) : NONE}
      </span>
      <span role="gridcell" className="relative flex h-full items-center">
        <OutlookLane row={row} end={look.end} />
        <span
          aria-hidden="true"
          className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
          style={{ left: `${(100 / look.end) * 100}%` }}
        />
      </span>
      <span role="gridcell" className={`${cell} font-semibold ${toneText(row.expectedTone)}`}>
        {row.shown.expectedPercent === null ? NONE : amount(row.shown.expectedPercent)}
      </span>
      <span role="gridcell" className={`outlook-wide ${cell}`}>
        {row.shown.atBestPercent === null ? NONE : amount(row.shown.atBestPercent)}
      </span>
      <span role="gridcell" className="flex items-center overflow-hidden pl-3">
        <StatusMark
          status={row.noReading ?? row.expectedStatus}
          tone={row.expectedTone}
          isPast={row.expectedRung === 3 && row.expectedTone === 'good'}
        />
      </span>
      <span role="gridcell" className={`outlook-wide ${cell}`}>
        {row.shown.coverage === null ? NONE : amount(row.shown.coverage)}
      </span>
      <span
        role="gridcell"
        className={`flex items-center justify-between pr-2 font-semibold ${isOutOfReach ? 'text-bad' : ''}`}
      >
        <LikelihoodBar row={row} mark={markOf(row.shown.likelihood, look.likely)} />
        {row.shown.likelihoodNeeded === null
          ? isOutOfReach
            ? t('table.noDeals')
            : NONE
          : amount(row.shown.likelihoodNeeded)}
      </span>
    </div>
  );
}

/** A row's figures as they are read out when it gets the focus. */
function spoken(row: OutlookRow): string {
  return t('table.row', {
    actual: amount(row.actual),
    goal: amount(row.goal),
    open: amount(row.open),
    expected: row.shown.expectedPercent === null ? NONE : amount(row.shown.expectedPercent),
    status: row.noReading ?? row.expectedStatus,
    needed: row.shown.likelihoodNeeded === null ? NONE : amount(row.shown.likelihoodNeeded),
  });
}
