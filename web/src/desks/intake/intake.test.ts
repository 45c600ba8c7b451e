import { describe, expect, it } from 'vitest';
import type { CheckGroup, Load } from '../../api/types';
import {
  byWeight,
  headline,
  isTable,
  pastedFile,
  stateWord,
  timeLeft,
  titleOf,
  toSettle,
  weightOf,
} from './intake';

function load(changes: Partial<Load>): Load {
  return {
    id: 1,
    state: 'staged',
    kind: 'actuals',
    stagedAt: '2026-11-02T09:00:00Z',
    file: 'oct.csv',
    goalSet: null,
    axis: null,
    lines: 10,
    ready: 10,
    held: 0,
    leftOut: 0,
    sums: {},
    controlTotal: null,
    findingCount: 0,
    firstMonth: null,
    lastMonth: null,
    postedAt: null,
    reversedAt: null,
    because: null,
    mode: null,
    readAs: null,
    remainderOf: null,
    problem: null,
    progress: null,
    sameAs: null,
    sameState: null,
    origin: 'file',
    enteredBy: null,
    ...changes,
  };
}

function group(code: string, lines: number[], changes: Partial<CheckGroup> = {}): CheckGroup {
  return {
    code,
    held: false,
    ofFile: false,
    count: lines.length,
    open: lines.length,
    findings: lines.map((line) => ({
      line,
      column: null,
      accepted: false,
      message: '',
      details: {},
    })),
    ...changes,
  };
}

describe('the headline', () => {
  it.each([
    [{}, 'oct.csv is ready.'],
    [{ held: 1, ready: 9 }, 'oct.csv: 1 line needs attention.'],
    [{ ready: 0 }, 'No line of oct.csv is ready.'],
    [{ state: 'posted' as const, held: 2 }, 'oct.csv is posted, 2 lines on hold.'],
    [{ state: 'reversed' as const }, 'oct.csv was posted and reversed.'],
    [{ state: 'reading' as const }, 'oct.csv is loading.'],
    [{ state: 'received' as const }, 'oct.csv needs a field before it can be checked.'],
  ])('of %j', (changes, expected) => {
    expect(headline(load(changes))).toBe(expected);
  });

  it('has a word for the tray', () => {
    expect(stateWord(load({ state: 'posted', held: 3 }))).toBe('posted, 3 on hold');
    expect(stateWord(load({ state: 'received' }))).toBe('needs a field');
    expect(stateWord(load({}))).toBe('staged');
  });
});

describe('findings', () => {
  it('weigh by what they ask for', () => {
    expect(weightOf(group('member-unknown', [3], { held: true }))).toBe('settle');
    expect(weightOf(group('unusual-amount', [3]))).toBe('look');
    expect(weightOf(group('unusual-amount', [3], { open: 0 }))).toBe('said');
    expect(weightOf(group('column-ignored', [1]))).toBe('said');
  });

  it('count a line with two faults once, and those beyond the ones that came', () => {
    const groups = [
      group('member-unknown', [3, 4], { held: true }),
      group('amount-unreadable', [4], { held: true, count: 6 }),
      group('duplicate-line', [9]),
    ];
    expect(toSettle(groups)).toBe(7);
  });

  it('come by what they ask for', () => {
    const groups = [group('lines-above', [1]), group('member-absent', [1]), group('cut-off', [9])];
    const held = groups.map((one) => ({ ...one, held: one.code === 'cut-off' }));
    expect(byWeight(held).map((one) => one.code)).toEqual([
      'cut-off',
      'member-absent',
      'lines-above',
    ]);
  });

  it('are called something', () => {
    expect(titleOf('member-absent')).toBe('On the roster, not in the file');
    expect(titleOf('never-heard-of')).toBe('never-heard-of');
  });
});

it('pasted cells are a table, words and single values are none', () => {
  expect(isTable('month\trep\n2026-10\tK1')).toBe(true);
  expect(isTable('month;rep\r\n2026-10;K1\r\n')).toBe(true);
  expect(isTable('a sentence, with a comma')).toBe(false);
  expect(isTable('two\nlines')).toBe(false);
  const file = pastedFile('a\tb', new Date('2026-11-23T10:51:00Z'));
  expect(file.name).toBe('pasted 2026-11-23 10.51.tsv');
});

it('time left is said in seconds, then in minutes, and not too early', () => {
  expect(timeLeft(-1)).toBe('');
  expect(timeLeft(12)).toBe('12 s left');
  expect(timeLeft(150)).toBe('3 min left');
});
