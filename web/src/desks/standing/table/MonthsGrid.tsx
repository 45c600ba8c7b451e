import { useState, type ReactNode } from 'react';
import { shortMonth } from '../../../format/figures';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { VirtualRows } from '../../../ui/VirtualRows';
import { ROW_HEIGHT } from './StandingLine';

const HEAD_HEIGHT = 36;
/** Names and totals stay in view while the months scroll between them. */
const STAYS_LEFT = 'sticky left-0 z-[1] bg-sheet';
export const STAYS_RIGHT = 'sticky right-0 z-[1] border-l border-rule bg-sheet';

export interface MonthsColumns {
  gridTemplateColumns: string;
  minWidth: number;
}

interface MonthsGridProps<T> {
  label: string;
  /** Heads of the names and of what the months come to together. */
  nameHead: string;
  wholeHead: string;
  months: string[];
  rows: T[];
  keyOf: (row: T) => string;
  /** Place of the row that is kept in sight, −1 for none. */
  selectedAt?: number;
  /** The line of all, on top. */
  total: (columns: MonthsColumns, rowIndex: number) => ReactNode;
  line: (row: T, columns: MonthsColumns, rowIndex: number) => ReactNode;
  /** Said where there is no row. */
  empty?: ReactNode;
}

/** Members down, months across, the line of all on top and all months together at the end. */
export function MonthsGrid<T>(props: MonthsGridProps<T>) {
  const { months, rows, line, total } = props;
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW_HEIGHT);
  const columns = {
    gridTemplateColumns: `minmax(130px, 164px) repeat(${months.length}, minmax(84px, 1fr)) minmax(100px, 1fr)`,
    minWidth: 130 + months.length * 84 + 100,
  };
  return (
    <div
      ref={setScroll}
      className="print-whole mb-3 min-h-0 overflow-auto border-b border-rule bg-sheet"
    >
      <div
        ref={setGrid}
        role="grid"
        aria-label={props.label}
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
              {props.nameHead}
            </span>
            {months.map((month) => (
              <span role="columnheader" key={month} className="pr-2 text-right">
                {shortMonth(month)} {month.slice(2, 4)}
              </span>
            ))}
            <span role="columnheader" className={`pr-2 text-right text-ink ${STAYS_RIGHT}`}>
              {props.wholeHead}
            </span>
          </div>
          {total(columns, 2)}
        </div>
        <VirtualRows
          items={rows}
          keyOf={props.keyOf}
          height={ROW_HEIGHT}
          top={HEAD_HEIGHT + ROW_HEIGHT}
          scroll={scroll}
          selectedAt={props.selectedAt ?? -1}
        >
          {(row, at) => line(row, columns, at + 3)}
        </VirtualRows>
        {rows.length === 0 && props.empty}
      </div>
    </div>
  );
}

interface MonthsLineProps {
  rowIndex: number;
  name: string;
  note?: string | undefined;
  columns: MonthsColumns;
  isStrong?: boolean | undefined;
  isSelected: boolean;
  onSelect: () => void;
  /** A cell per month, and one for all together. */
  children: ReactNode;
}

/** One line of the grid: the name that it is chosen by, then its cells. */
export function MonthsLine(props: MonthsLineProps) {
  const { name, note, isStrong, isSelected } = props;
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      aria-selected={isSelected}
      onClick={props.onSelect}
      className={`grid cursor-pointer items-center border-b border-rule ${isStrong ? 'border-ink font-bold' : ''} ${isSelected ? 'on-selection bg-select-ground' : 'hover:bg-ground/60'}`}
      style={{ ...props.columns, height: ROW_HEIGHT }}
    >
      <span role="rowheader" className={`flex h-full min-w-0 items-center pl-2 ${STAYS_LEFT}`}>
        <button
          type="button"
          {...gridStop}
          aria-current={isSelected ? 'true' : undefined}
          className="block w-full truncate text-left font-semibold"
          title={name}
        >
          {name}
          {note && <span className="block truncate text-[11.5px] text-near-text">✎ {note}</span>}
        </button>
      </span>
      {props.children}
    </div>
  );
}
