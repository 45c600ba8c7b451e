import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { desk } from './samples';
import { copied, emptied, filled, pasted, readCell, rowsInOrder } from './sheet';

const DESK = desk();
const ROWS = rowsInOrder(DESK);
const at = (row: number, month: number) => ({ top: row, bottom: row, left: month, right: month });

describe('cells as they are typed', () => {
  it('are read in the company’s way of writing, a range by both ends', () => {
    expect(readCell('A', '2026-10', '57 500', 2)).toEqual({
      kind: 'cell',
      cell: { key: 'A', month: '2026-10', amount: '57500', low: null, high: null },
    });
    expect(readCell('A', '2026-10', '', 2)).toMatchObject({ cell: { amount: null } });
    expect(readCell('A', '2026-10', '90..110.5', 2)).toMatchObject({
      cell: { amount: null, low: '90', high: '110.5' },
    });
    expect(readCell('A', '2026-10', '12a', 2)).toMatchObject({ kind: 'fault' });
    expect(readCell('A', '2026-10', '1.005', 2)).toMatchObject({ kind: 'fault' });
  });

  it('stand in the order of the groups', () => {
    expect(ROWS.map((row) => row.key)).toEqual(['A', 'B', 'C']);
  });
});

describe('a block', () => {
  it('is pasted cell by cell, one cell over the whole block', () => {
    expect(pasted('1\t2\r\n3\t\r\n', DESK, ROWS, at(1, 2))).toEqual({
      kind: 'cells',
      cells: [
        { key: 'B', month: '2026-09', amount: '1', low: null, high: null },
        { key: 'B', month: '2026-10', amount: '2', low: null, high: null },
        { key: 'C', month: '2026-09', amount: '3', low: null, high: null },
        { key: 'C', month: '2026-10', amount: null, low: null, high: null },
      ],
    });
    const all = pasted('7', DESK, ROWS, { top: 0, bottom: 2, left: 1, right: 2 });
    expect(all).toMatchObject({ kind: 'cells' });
    expect(all.kind === 'cells' && all.cells).toHaveLength(6);
  });

  it('that does not fit, is closed or unreadable pastes nothing and says where', () => {
    expect(pasted('1\n2', DESK, ROWS, at(2, 3))).toEqual({
      kind: 'fault',
      words: 'A block of 2 × 1 cells does not fit from here. Nothing was pasted.',
    });
    expect(pasted('1\t2', DESK, ROWS, at(0, 11))).toMatchObject({ kind: 'fault' });
    expect(pasted('1', DESK, ROWS, at(0, 0))).toMatchObject({
      words: expect.stringContaining('July 2026 is closed') as string,
    });
    expect(pasted('1\tx', DESK, ROWS, at(0, 1))).toMatchObject({
      words: expect.stringContaining('Ada, September 2026') as string,
    });
  });

  it('is filled down and right from its edge, and emptied', () => {
    const block = { top: 0, bottom: 2, left: 1, right: 1 };
    expect(filled(DESK, ROWS, block, 'down')).toMatchObject({
      cells: [
        { key: 'B', amount: '200.00' },
        { key: 'C', amount: '200.00' },
      ],
    });
    expect(filled(DESK, ROWS, { top: 0, bottom: 0, left: 1, right: 3 }, 'right')).toMatchObject({
      cells: [
        { month: '2026-09', amount: '200.00' },
        { month: '2026-10', amount: '200.00' },
      ],
    });
    expect(emptied(DESK, ROWS, block)).toMatchObject({
      cells: [{ amount: null }, { amount: null }, { amount: null }],
    });
    expect(emptied(DESK, ROWS, at(0, 0))).toMatchObject({ kind: 'fault' });
  });

  it('comes back as it was copied', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 }),
        fc.integer({ min: 0, max: 2 }),
        fc.integer({ min: 1, max: 11 }),
        fc.integer({ min: 1, max: 11 }),
        (row, other, month, last) => {
          const block = {
            top: Math.min(row, other),
            bottom: Math.max(row, other),
            left: Math.min(month, last),
            right: Math.max(month, last),
          };
          const cells = pasted(copied(ROWS, block), DESK, ROWS, block);
          expect(cells.kind === 'cells' && cells.cells.map((cell) => cell.amount)).toEqual(
            ROWS.slice(block.top, block.bottom + 1).flatMap((line) =>
              line.cells.slice(block.left, block.right + 1),
            ),
          );
        },
      ),
    );
  });
});
