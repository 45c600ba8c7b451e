import type { GoalCell, GoalDesk, GoalLine } from '../../api/types';
import { monthName } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { t } from './words';

/** A cell by its row among those that can be changed and its month, both from 0. */
export interface Place {
  row: number;
  month: number;
}

/** A block of cells, its edges included. */
export interface Block {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

export const MONTHS = 12;

const RANGE = /^(.+?)\s*(?:\.\.|\u2013)\s*(.+)$/;

export function blockOf(one: Place, other: Place): Block {
  return {
    top: Math.min(one.row, other.row),
    bottom: Math.max(one.row, other.row),
    left: Math.min(one.month, other.month),
    right: Math.max(one.month, other.month),
  };
}

/** Whether some of a row is in a block. */
export function isRowOf(block: Block | null, row: number): block is Block {
  return block !== null && row >= block.top && row <= block.bottom;
}

/** The places of a block, row by row. */
export function placesOf(block: Block): Place[] {
  const places: Place[] = [];
  for (let row = block.top; row <= block.bottom; row++) {
    for (let month = block.left; month <= block.right; month++) places.push({ row, month });
  }
  return places;
}

/** The rows in the order in which the sheet shows them: group by group. */
export function rowsInOrder(desk: GoalDesk): GoalLine[] {
  if (desk.groups.length === 0) return desk.rows;
  const byKey = new Map(desk.rows.map((row) => [row.key, row]));
  return desk.groups.flatMap((group) =>
    group.rows.flatMap((key) => {
      const row = byKey.get(key);
      return row ? [row] : [];
    }),
  );
}

export type CellRead = { kind: 'cell'; cell: GoalCell } | { kind: 'fault'; words: string };

/** A cell as it is asked for: what somebody typed, as plain decimals; empty takes the goal away. */
export function readCell(key: string, month: string, typed: string, decimals: number): CellRead {
  const empty = { key, month, amount: null, low: null, high: null };
  const range = RANGE.exec(typed.trim());
  if (range) {
    const [low, high] = [range[1], range[2]].map((end) =>
      readNumber(end ?? '', { decimals, isSigned: true }),
    );
    if (low?.kind === 'number' && high?.kind === 'number') {
      return { kind: 'cell', cell: { ...empty, low: low.decimal, high: high.decimal } };
    }
    const fault = [low, high].find((end) => end?.kind === 'fault');
    return { kind: 'fault', words: fault?.kind === 'fault' ? fault.words : t('sheet.bothEnds') };
  }
  const read = readNumber(typed, { decimals, isSigned: true });
  if (read.kind === 'fault') return { kind: 'fault', words: read.words };
  return {
    kind: 'cell',
    cell: { ...empty, amount: read.kind === 'number' ? read.decimal : null },
  };
}

export const monthOf = (desk: GoalDesk, at: number) => desk.months[at]?.month ?? '';

/** Cells that are to be changed, or why none of them can be. */
export type Cells = { kind: 'cells'; cells: GoalCell[] } | { kind: 'fault'; words: string };

/**
 * A block from another program, laid down from a place on; one cell fills the whole block that is
 * chosen. What does not fit, is closed, or cannot be read pastes nothing.
 */
export function pasted(text: string, desk: GoalDesk, rows: GoalLine[], block: Block): Cells {
  const lines = text.replace(/\r/g, '').replace(/\n$/, '').split('\n');
  const table = lines.map((line) => line.split('\t'));
  const width = Math.max(...table.map((line) => line.length));
  const isOne = table.length === 1 && width === 1;
  const height = isOne ? block.bottom - block.top + 1 : table.length;
  const across = isOne ? block.right - block.left + 1 : width;
  if (block.top + height > rows.length || block.left + across > MONTHS) {
    return { kind: 'fault', words: t('sheet.doesNotFit', { rows: table.length, months: width }) };
  }
  const cells: GoalCell[] = [];
  for (let row = 0; row < height; row++) {
    for (let month = 0; month < across; month++) {
      const typed = isOne ? table[0]?.[0] : table[row]?.[month];
      const read = cellAt(desk, rows, { row: block.top + row, month: block.left + month }, typed);
      if (read.kind === 'fault') return read;
      cells.push(read.cell);
    }
  }
  return { kind: 'cells', cells };
}

/** A block's first row or column repeated over the rest of it. */
export function filled(
  desk: GoalDesk,
  rows: GoalLine[],
  block: Block,
  way: 'down' | 'right',
): Cells {
  const cells: GoalCell[] = [];
  for (const place of placesOf(block)) {
    const from =
      way === 'down'
        ? { row: block.top, month: place.month }
        : { row: place.row, month: block.left };
    if (from.row === place.row && from.month === place.month) continue;
    const source = rows[from.row];
    const read = cellAt(desk, rows, place, source?.cells[from.month] ?? '');
    if (read.kind === 'fault') return read;
    cells.push(read.cell);
  }
  return { kind: 'cells', cells };
}

/** A block without any goal. */
export function emptied(desk: GoalDesk, rows: GoalLine[], block: Block): Cells {
  const cells: GoalCell[] = [];
  for (const place of placesOf(block)) {
    const read = cellAt(desk, rows, place, '');
    if (read.kind === 'fault') return read;
    cells.push(read.cell);
  }
  return { kind: 'cells', cells };
}

/** One cell as it is to be; a fault names it. */
export function cellAt(
  desk: GoalDesk,
  rows: GoalLine[],
  { row: at, month }: Place,
  typed: string | undefined,
): CellRead {
  const row = rows[at];
  const head = desk.months[month];
  if (!row || !head) return { kind: 'fault', words: t('sheet.outside') };
  if (head.isClosed) {
    return { kind: 'fault', words: t('sheet.closed', { month: monthName(head.month) }) };
  }
  const read = readCell(row.key, head.month, typed ?? '', desk.scale);
  return read.kind === 'cell'
    ? read
    : {
        kind: 'fault',
        words: t('sheet.at', { name: row.name, month: monthName(head.month), words: read.words }),
      };
}

/** A block as other programs take it: cells by tabs, rows by lines. */
export function copied(rows: GoalLine[], block: Block): string {
  return rows
    .slice(block.top, block.bottom + 1)
    .map((row) =>
      row.cells
        .slice(block.left, block.right + 1)
        .map((cell) => cell ?? '')
        .join('\t'),
    )
    .join('\n');
}
