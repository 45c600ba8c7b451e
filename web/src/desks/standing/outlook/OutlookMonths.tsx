import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, query } from '../../../api/client';
import type { Outlook, OutlookMember, OutlookRow } from '../../../api/types';
import { plusMonths } from '../../../address/span';
import type { View } from '../../../address/useView';
import { amount, NONE, shortMonth } from '../../../format/figures';
import { capital, plural, singular } from '../../../format/nouns';
import { toneText } from '../../../marks/tones';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading } from '../../../ui/Notice';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { VirtualRows } from '../../../ui/VirtualRows';
import { TOTAL } from '../rows';
import { ROW_HEIGHT } from '../table/StandingLine';
import type { OutlookItem } from './rows';
import { outlookQuery } from './useOutlook';
import { t } from './words';

const HEAD_HEIGHT = 36;
const MOST_MONTHS = 12;
const STAYS_LEFT = 'sticky left-0 z-[1] bg-sheet';
const STAYS_RIGHT = 'sticky right-0 z-[1] border-l border-rule bg-sheet';

const FIGURES = {
  percent: (row: OutlookRow) =>
    row.shown.expectedPercent === null ? NONE : amount(row.shown.expectedPercent),
  expected: (row: OutlookRow) => amount(row.shown.expected, 'drop'),
  open: (row: OutlookRow) => amount(row.open, 'drop'),
  toGo: (row: OutlookRow) => amount(row.toGo, 'drop'),
};
type Figure = keyof typeof FIGURES;

interface OutlookMonthsProps {
  view: View;
  outlook: Outlook;
  items: OutlookItem[];
  selected: string;
  onSelect: (id: string) => void;
}

/** Each month of the span by itself, members down and months across, the whole span at the end. */
export function OutlookMonths({ view, outlook, items, selected, onSelect }: OutlookMonthsProps) {
  const [figure, setFigure] = useState<Figure>('percent');
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW_HEIGHT);
  const months = monthsOf(outlook);
  const asked = useQueries({
    queries: months.map((month) => {
      const one = {
        ...outlookQuery(view),
        tryDeal: view.tried,
        group: undefined,
        from: month,
        to: month,
      };
      return {
        queryKey: ['standing', 'outlook', one],
        queryFn: ({ signal }: { signal: AbortSignal }) =>
          ask<Outlook>(`/outlook${query(one)}`, { signal }),
      };
    }),
  });
  const failed = asked.find((one) => one.isError);
  if (failed?.error) {
    return <Failed error={failed.error} onRetry={() => void failed.refetch()} />;
  }
  if (asked.some((one) => one.isPending)) return <Loading what={t('months.theMonths')} />;
  const byMonth = asked.map(
    ({ data }) => new Map((data?.rows ?? []).map((row) => [row.key, row] as const)),
  );
  const rows = items.filter(({ kind }) => kind !== 'group');
  const columns = {
    gridTemplateColumns: `minmax(130px, 164px) repeat(${months.length}, minmax(84px, 1fr)) minmax(100px, 1fr)`,
    minWidth: 130 + months.length * 84 + 100,
  };
  const line = (
    name: string,
    id: string,
    whole: OutlookRow,
    cells: (OutlookRow | undefined)[],
    place: number,
  ) => (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={place}
      aria-selected={id === selected}
      onClick={() => onSelect(id)}
      style={{ ...columns, height: ROW_HEIGHT }}
      className={`grid cursor-pointer items-center border-b border-rule ${id === TOTAL ? 'border-ink font-bold' : ''} ${id === selected ? 'on-selection bg-select-ground' : 'hover:bg-ground/60'}`}
    >
      <span role="rowheader" className={`flex h-full min-w-0 items-center pl-2 ${STAYS_LEFT}`}>
        <button
          type="button"
          {...gridStop}
          className="block w-full truncate text-left font-semibold"
          title={name}
        >
          {name}
        </button>
      </span>
      {cells.map((row, at) => (
        <span
          role="gridcell"
          key={months[at]}
          title={row && (row.noReading ?? row.expectedStatus)}
          className={`pr-2 text-right ${figure === 'percent' && row ? toneText(row.expectedTone) : ''}`}
        >
          {row ? FIGURES[figure](row) : NONE}
        </span>
      ))}
      <span
        role="gridcell"
        title={whole.noReading ?? whole.expectedStatus}
        className={`flex h-full items-center justify-end pr-2 font-semibold ${STAYS_RIGHT} ${figure === 'percent' ? toneText(whole.expectedTone) : ''}`}
      >
        {FIGURES[figure](whole)}
      </span>
    </div>
  );
  const cellsOf = (row: OutlookMember) => byMonth.map((members) => members.get(row.key));
  return (
    <>
      <div className="no-print mb-1.5">
        <Choice
          label={t('months.figures')}
          value={figure}
          options={[
            { value: 'percent', word: t('months.percent') },
            { value: 'expected', word: t('months.expected') },
            { value: 'open', word: t('months.open') },
            { value: 'toGo', word: t('months.toGo') },
          ]}
          onChange={(value) => setFigure(value as Figure)}
        />
      </div>
      <div
        ref={setScroll}
        className="print-whole mb-3 min-h-0 overflow-auto border-b border-rule bg-sheet"
      >
        <div
          ref={setGrid}
          role="grid"
          aria-label={t('months.grid', { axis: singular(outlook.axis) })}
          aria-rowcount={rows.length + 2}
          className="relative"
          style={{ minWidth: columns.minWidth }}
        >
          <div className="sticky top-0 z-10 bg-sheet" role="rowgroup">
            <div
              role="row"
              aria-rowindex={1}
              className="grid items-end border-b border-ink pb-1.5 text-[12px] font-semibold text-quiet"
              style={{ ...columns, height: HEAD_HEIGHT }}
            >
              <span role="columnheader" className={`pl-2 ${STAYS_LEFT}`}>
                {capital(singular(outlook.axis))}
              </span>
              {months.map((month) => (
                <span role="columnheader" key={month} className="pr-2 text-right">
                  {shortMonth(month)} {month.slice(2, 4)}
                </span>
              ))}
              <span role="columnheader" className={`pr-2 text-right text-ink ${STAYS_RIGHT}`}>
                {t('months.whole')}
              </span>
            </div>
            {line(
              t('months.all', { axis: plural(outlook.axis) }),
              TOTAL,
              outlook.total,
              asked.map(({ data }) => data?.total),
              2,
            )}
          </div>
          <VirtualRows
            items={rows}
            keyOf={(item) => item.id}
            height={ROW_HEIGHT}
            top={HEAD_HEIGHT + ROW_HEIGHT}
            scroll={scroll}
            selectedAt={rows.findIndex(({ id }) => id === selected)}
          >
            {(item, at) => line(item.row.name, item.id, item.row, cellsOf(item.row), at + 3)}
          </VirtualRows>
        </div>
      </div>
    </>
  );
}

/** The span's months, at most the last twelve. */
function monthsOf({ from, to }: Outlook): string[] {
  const months: string[] = [];
  for (
    let month = to;
    month >= from && months.length < MOST_MONTHS;
    month = plusMonths(month, -1)
  ) {
    months.unshift(month);
  }
  return months;
}
