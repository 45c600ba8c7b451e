import { useState } from 'react';
import type { Cell, MonthSheet, Reading, Row, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, hasFraction, NONE, shortMonth, signed } from '../../../format/figures';
import { capital, plural, singular } from '../../../format/nouns';
import { shadeColour } from '../../../marks/shading';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading } from '../../../ui/Notice';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { VirtualRows } from '../../../ui/VirtualRows';
import { EMPTY, figuresOf, readSort, sortRows, TOTAL, varianceOf } from '../rows';
import { ROW_HEIGHT } from './StandingLine';
import { useSheet } from '../useStanding';
import { t } from '../words';

const HEAD_HEIGHT = 36;
/** Names and totals stay in view while the months scroll between them. */
const STAYS_LEFT = 'sticky left-0 z-[1] bg-sheet';
const STAYS_RIGHT = 'sticky right-0 z-[1] border-l border-rule bg-sheet';

type Figure = 'variance' | 'percent' | 'actual';

interface MonthsTableProps {
  view: View;
  standing: Standing;
  selected: string;
  onSelect: (key: string) => void;
}

/** The span as a sheet: members down, months across, with totals both ways. */
export default function MonthsTable({ view, standing, selected, onSelect }: MonthsTableProps) {
  const sheet = useSheet(view);
  const [figure, setFigure] = useState<Figure>('variance');
  if (sheet.isPending) return <Loading what={t('monthsTable.theMonths')} />;
  if (sheet.isError) {
    return <Failed error={sheet.error} onRetry={() => void sheet.refetch()} />;
  }
  return (
    <>
      <div className="no-print mb-1.5">
        <Choice
          label={t('monthsTable.figures')}
          value={figure}
          options={[
            { value: 'variance', word: t('monthsTable.variance') },
            { value: 'percent', word: t('monthsTable.ofGoal') },
            { value: 'actual', word: t('monthsTable.actual') },
          ]}
          onChange={(value) => setFigure(value as Figure)}
        />
      </div>
      <Months
        sheet={sheet.data}
        figure={figure}
        sort={view.sort}
        axis={standing.axis}
        isRate={standing.unit === 'rate'}
        selected={selected}
        onSelect={onSelect}
      />
    </>
  );
}

interface MonthsProps {
  sheet: MonthSheet;
  figure: Figure;
  sort: string;
  axis: string;
  isRate: boolean;
  selected: string;
  onSelect: (key: string) => void;
}

function Months({ sheet, figure, sort, axis, isRate, selected, onSelect }: MonthsProps) {
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW_HEIGHT);
  const cellsOf = new Map(sheet.rows.map((row) => [row.whole.key, row.cells]));
  const rows = sortRows(
    sheet.rows.map((row) => row.whole),
    readSort(sort),
  );
  const keep = sheet.rows.some(({ cells }) =>
    cells.some((cell) => hasFraction(cell?.actual ?? null)),
  );
  const look: Look = { figure, isRate, decimals: keep && !isRate ? 'keep' : 'drop' };
  const columns = {
    gridTemplateColumns: `minmax(130px, 164px) repeat(${sheet.months.length}, minmax(84px, 1fr)) minmax(100px, 1fr)`,
    minWidth: 130 + sheet.months.length * 84 + 100,
  };
  const lineOf = (row: Row, at: number) => (
    <MonthsRow
      rowIndex={at + 3}
      name={row.name}
      cells={cellsOf.get(row.key) ?? []}
      whole={row}
      look={look}
      columns={columns}
      isSelected={selected === row.key}
      onSelect={() => onSelect(row.key)}
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
        aria-label={t('monthsTable.monthsBy', { axis })}
        aria-rowcount={rows.length + 2}
        className="relative"
        style={{ minWidth: columns.minWidth }}
      >
        <div className="sticky top-0 z-10 bg-sheet" role="rowgroup">
          <div
            role="row"
            className="grid items-end border-b border-ink pb-1.5 text-[12px] font-semibold text-quiet"
            style={{ ...columns, height: HEAD_HEIGHT }}
          >
            <span role="columnheader" className={`pl-2 ${STAYS_LEFT}`}>
              {capital(singular(axis))}
            </span>
            {sheet.months.map((month) => (
              <span role="columnheader" key={month} className="pr-2 text-right">
                {shortMonth(month)} {month.slice(2, 4)}
              </span>
            ))}
            <span role="columnheader" className={`pr-2 text-right text-ink ${STAYS_RIGHT}`}>
              {t('monthsTable.total')}
            </span>
          </div>
          <MonthsRow
            rowIndex={2}
            name={t('monthsTable.all', { axis: plural(axis) })}
            cells={sheet.totals}
            whole={sheet.total}
            look={look}
            columns={columns}
            isStrong
            isSelected={selected === TOTAL}
            onSelect={() => onSelect(TOTAL)}
          />
        </div>
        <VirtualRows
          items={rows}
          keyOf={(row) => row.key}
          height={ROW_HEIGHT}
          top={HEAD_HEIGHT + ROW_HEIGHT}
          scroll={scroll}
        >
          {lineOf}
        </VirtualRows>
        {rows.length === 0 && (
          <p className="px-2 py-2 text-quiet">{t('monthsTable.noRowHasFiguresIn')}</p>
        )}
      </div>
    </div>
  );
}

interface Look {
  figure: Figure;
  isRate: boolean;
  decimals: 'keep' | 'drop';
}

interface MonthsRowProps {
  rowIndex: number;
  name: string;
  cells: (Cell | null)[];
  whole: Reading | Row;
  look: Look;
  columns: { gridTemplateColumns: string; minWidth: number };
  isStrong?: boolean;
  isSelected: boolean;
  onSelect: () => void;
}

function MonthsRow(props: MonthsRowProps) {
  const { name, cells, whole, look, isStrong } = props;
  const note = whole.notes?.map((one) => one.reasonName ?? one.text).join(', ');
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      aria-selected={props.isSelected}
      onClick={props.onSelect}
      className={`grid cursor-pointer items-center border-b border-rule ${isStrong ? 'border-ink font-bold' : ''} ${props.isSelected ? 'on-selection bg-select-ground' : 'hover:bg-ground/60'}`}
      style={{ ...props.columns, height: ROW_HEIGHT }}
    >
      <span role="rowheader" className={`flex h-full min-w-0 items-center pl-2 ${STAYS_LEFT}`}>
        <button
          type="button"
          {...gridStop}
          aria-current={props.isSelected ? 'true' : undefined}
          className="block w-full truncate text-left font-semibold"
          title={name}
        >
          {name}
          {note && <span className="block truncate text-[11.5px] text-near-text">✎ {note}</span>}
        </button>
      </span>
      {cells.map((cell, at) => (
        <span
          role="gridcell"
          key={at}
          className="flex h-full items-center justify-end pr-2"
          style={{
            background: isStrong ? undefined : shadeColour(cell?.shade),
          }}
          title={cell ? (cell.noReading ?? cell.status) : undefined}
        >
          {cell ? figureText(cell, look) : NONE}
        </span>
      ))}
      <span
        role="gridcell"
        className={`flex h-full items-center justify-end pr-2 font-semibold ${STAYS_RIGHT}`}
        style={{ background: isStrong ? undefined : shadeColour(whole.spoken.shade) }}
      >
        {figureText(wholeFigures(whole), look)}
      </span>
    </div>
  );
}

function wholeFigures(whole: Reading): Figures {
  const { spoken } = whole;
  return {
    actualShown: figuresOf(whole).actual,
    varianceShown: varianceOf(whole),
    percentShown: spoken.percentShown,
    noReading: spoken.noReading,
  };
}

type Figures = Pick<Cell, 'actualShown' | 'varianceShown' | 'percentShown' | 'noReading'>;

/** A cell's figure as the server shows it; a rate's in percent and points. */
function figureText(cell: Figures, { figure, isRate, decimals }: Look): string {
  if (figure !== 'actual' && cell.noReading === EMPTY) return NONE;
  if (figure === 'percent') return amount(cell.percentShown);
  const keep = isRate ? 'keep' : decimals;
  return figure === 'actual' ? amount(cell.actualShown, keep) : signed(cell.varianceShown, keep);
}
