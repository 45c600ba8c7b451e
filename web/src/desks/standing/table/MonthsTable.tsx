import { useState } from 'react';
import type { Cell, MonthSheet, Reading, Row, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, hasFraction, NONE, signed } from '../../../format/figures';
import { capital, plural, singular } from '../../../format/nouns';
import { shadeColour } from '../../../marks/shading';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading } from '../../../ui/Notice';
import { EMPTY, figuresOf, readSort, sortRows, TOTAL, varianceOf } from '../rows';
import { MonthsGrid, MonthsLine, STAYS_RIGHT, type MonthsColumns } from './MonthsGrid';
import { useSheet } from '../useStanding';
import { t } from '../words';

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
  const cellsOf = new Map(sheet.rows.map((row) => [row.whole.key, row.cells]));
  const rows = sortRows(
    sheet.rows.map((row) => row.whole),
    readSort(sort),
  );
  const keep = sheet.rows.some(({ cells }) =>
    cells.some((cell) => hasFraction(cell?.actual ?? null)),
  );
  const look: Look = { figure, isRate, decimals: keep && !isRate ? 'keep' : 'drop' };
  return (
    <MonthsGrid
      label={t('monthsTable.monthsBy', { axis })}
      nameHead={capital(singular(axis))}
      wholeHead={t('monthsTable.total')}
      months={sheet.months}
      rows={rows}
      keyOf={(row) => row.key}
      empty={<p className="px-2 py-2 text-quiet">{t('monthsTable.noRowHasFiguresIn')}</p>}
      total={(columns, rowIndex) => (
        <MonthsRow
          rowIndex={rowIndex}
          name={t('monthsTable.all', { axis: plural(axis) })}
          cells={sheet.totals}
          whole={sheet.total}
          look={look}
          columns={columns}
          isStrong
          isSelected={selected === TOTAL}
          onSelect={() => onSelect(TOTAL)}
        />
      )}
      line={(row, columns, rowIndex) => (
        <MonthsRow
          rowIndex={rowIndex}
          name={row.name}
          cells={cellsOf.get(row.key) ?? []}
          whole={row}
          look={look}
          columns={columns}
          isSelected={selected === row.key}
          onSelect={() => onSelect(row.key)}
        />
      )}
    />
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
  columns: MonthsColumns;
  isStrong?: boolean;
  isSelected: boolean;
  onSelect: () => void;
}

function MonthsRow(props: MonthsRowProps) {
  const { cells, whole, look, isStrong } = props;
  const note = whole.notes?.map((one) => one.reasonName ?? one.text).join(', ');
  return (
    <MonthsLine {...props} note={note}>
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
    </MonthsLine>
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
