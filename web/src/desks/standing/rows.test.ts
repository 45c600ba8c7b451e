import { describe, expect, it } from 'vitest';
import type { Claim, Company, Row, Standing } from '../../api/types';
import { readView, type View } from '../../address/useView';
import {
  claimChanges,
  itemsOf,
  nextSort,
  readSort,
  sortRows,
  sortWord,
  targetOf,
  TOTAL,
} from './rows';
import { reading } from '../../test/samples';

function row(key: string, favourable: string | null, place = 'North'): Row {
  return {
    key,
    name: `Name ${key}`,
    place,
    ...reading(favourable ?? '0.00', null, {
      variance: favourable,
      favourable,
      status: 'near',
      tone: 'near',
      goalMonths: 1,
    }),
  };
}

describe('sortRows', () => {
  const rows = [row('A', '-5.00'), row('B', null), row('C', '100.00'), row('D', '-5.00')];
  const keys = (sort: string) => sortRows(rows, readSort(sort)).map((one) => one.key);

  it('puts rows without the figure last, either way, and equal ones by key', () => {
    expect(keys('-favourable')).toEqual(['C', 'A', 'D', 'B']);
    expect(keys('favourable')).toEqual(['A', 'D', 'C', 'B']);
    expect(keys('name')).toEqual(['A', 'B', 'C', 'D']);
  });

  it('reads unknown words as the default and writes what it reads', () => {
    expect(sortWord(readSort('mood'))).toBe('-favourable');
    expect(sortWord(readSort('-growth'))).toBe('-growth');
    expect(nextSort(readSort('-actual'), 'actual')).toEqual({ key: 'actual', isFalling: false });
    expect(nextSort(readSort('-actual'), 'name')).toEqual({ key: 'name', isFalling: false });
  });
});

describe('the lines of a table in groups', () => {
  const company = {
    measures: [],
    goalSets: [],
    calendar: { startMonth: 1, yearNamedBy: 'end' },
    firstMonth: null,
    lastMonth: null,
    thisMonth: '2026-10',
  };
  const view = (search: string): View =>
    readView(new URLSearchParams(search), company as unknown as Company);
  const inGroup = (key: string, favourable: string, group: string): Row => ({
    ...row(key, favourable),
    group,
  });
  const standing = {
    axis: 'rep',
    group: 'region',
    groups: [row('North', '-5.00'), row('South', '9.00')],
    rows: [
      inGroup('A', '-6.00', 'North'),
      inGroup('B', '1.00', 'North'),
      inGroup('C', '9.00', 'South'),
    ],
  } as unknown as Standing;
  const ids = (search: string) => itemsOf(standing, view(search)).map((item) => item.id);

  it('sort within their group, groups by their subtotal', () => {
    expect(ids('group=region')).toEqual(['South/', 'South/C', 'North/', 'North/B', 'North/A']);
    expect(ids('group=region&folded=South')).toEqual(['South/', 'North/', 'North/B', 'North/A']);
    expect(ids('group=region&flat=1&sort=favourable')).toEqual(['North/A', 'North/B', 'South/C']);
  });

  it('know what a selected line explains', () => {
    expect(targetOf(standing, view('selected=North/'))).toMatchObject({
      axis: 'rep',
      key: TOTAL,
      group: 'North',
      noteOf: { axis: 'region', key: 'North' },
    });
    expect(targetOf(standing, view('selected=North/B'))).toMatchObject({
      axis: 'rep',
      key: 'B',
      group: 'North',
    });
    expect(targetOf(standing, view('selected=gone'))).toMatchObject({ key: TOTAL, row: null });
  });
});

describe('a claim leads to the view that shows exactly its figures', () => {
  const claim: Claim = {
    kind: 'part',
    text: '',
    figures: [],
    only: [],
    select: 'K1',
    along: 'line',
    from: null,
    to: null,
  };

  it('of a part: the row, with its variance taken apart along that axis', () => {
    expect(claimChanges(claim)).toMatchObject({
      selected: 'K1',
      along: 'line',
      only: [],
      layout: null,
      text: null,
    });
    expect(claimChanges(claim)).not.toHaveProperty('axis');
  });

  it('of a run: its months side by side', () => {
    const run = { ...claim, along: null, only: ['A', 'B'], from: '2026-01', to: '2026-10' };
    expect(claimChanges(run)).toMatchObject({
      layout: 'months',
      span: 'range',
      from: '2026-01',
      to: '2026-10',
      only: ['A', 'B'],
    });
  });
});
