import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, query } from '../../../api/client';
import type { Outlook, OutlookMember, OutlookRow } from '../../../api/types';
import { plusMonths } from '../../../address/span';
import type { View } from '../../../address/useView';
import { amount, NONE } from '../../../format/figures';
import { capital, plural, singular } from '../../../format/nouns';
import { toneText } from '../../../marks/tones';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading } from '../../../ui/Notice';
import { TOTAL } from '../rows';
import { MonthsGrid, MonthsLine, STAYS_RIGHT, type MonthsColumns } from '../table/MonthsGrid';
import type { OutlookItem } from './rows';
import { outlookQuery } from './useOutlook';
import { t } from './words';

const MOST_MONTHS = 12;

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
      <MonthsGrid
        label={t('months.grid', { axis: singular(outlook.axis) })}
        nameHead={capital(singular(outlook.axis))}
        wholeHead={t('months.whole')}
        months={months}
        rows={rows}
        keyOf={(item) => item.id}
        selectedAt={rows.findIndex(({ id }) => id === selected)}
        total={(columns, rowIndex) => (
          <OutlookLine
            rowIndex={rowIndex}
            name={t('months.all', { axis: plural(outlook.axis) })}
            cells={asked.map(({ data }) => data?.total)}
            whole={outlook.total}
            figure={figure}
            columns={columns}
            isStrong
            isSelected={selected === TOTAL}
            onSelect={() => onSelect(TOTAL)}
          />
        )}
        line={({ id, row }, columns, rowIndex) => (
          <OutlookLine
            rowIndex={rowIndex}
            name={row.name}
            cells={cellsOf(row)}
            whole={row}
            figure={figure}
            columns={columns}
            isSelected={selected === id}
            onSelect={() => onSelect(id)}
          />
        )}
      />
    </>
  );
}

interface OutlookLineProps {
  rowIndex: number;
  name: string;
  /** A month in which the member is no row has none. */
  cells: (OutlookRow | undefined)[];
  whole: OutlookRow;
  figure: Figure;
  columns: MonthsColumns;
  isStrong?: boolean;
  isSelected: boolean;
  onSelect: () => void;
}

function OutlookLine(props: OutlookLineProps) {
  const { cells, whole, figure } = props;
  const tone = (row: OutlookRow | undefined) =>
    figure === 'percent' && row ? toneText(row.expectedTone) : '';
  return (
    <MonthsLine {...props}>
      {cells.map((row, at) => (
        <span
          role="gridcell"
          key={at}
          title={row && (row.noReading ?? row.expectedStatus)}
          className={`pr-2 text-right ${tone(row)}`}
        >
          {row ? FIGURES[figure](row) : NONE}
        </span>
      ))}
      <span
        role="gridcell"
        title={whole.noReading ?? whole.expectedStatus}
        className={`flex h-full items-center justify-end pr-2 font-semibold ${STAYS_RIGHT} ${tone(whole)}`}
      >
        {FIGURES[figure](whole)}
      </span>
    </MonthsLine>
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
