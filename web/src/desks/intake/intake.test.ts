import { describe, expect, it } from 'vitest';
import type { Load, Measure } from '../../api/types';
import { formOf, groupFindings, guess, headerNames, headline, isWide, stateWord } from './intake';

const MEASURES: Measure[] = ['revenue', 'units'].map((code) => ({
  code,
  unit: 'EUR',
  scale: 2,
  direction: 'HIGHER',
  hasActuals: false,
}));

function load(changes: Partial<Load>): Load {
  return {
    id: 1,
    state: 'staged',
    kind: 'actuals',
    file: 'a.csv',
    goalSet: null,
    axis: null,
    lines: 10,
    ready: 8,
    held: 2,
    leftOut: 0,
    sums: {},
    controlTotal: null,
    findingCount: 0,
    firstMonth: null,
    lastMonth: null,
    postedAt: null,
    reversedAt: null,
    because: null,
    sameAs: null,
    sameState: null,
    ...changes,
  };
}

describe('guess', () => {
  it.each([
    ['roster.csv', 'rep,name,region,manager,from,until', 'roster', ''],
    ['items.csv', 'Product;Name;Line', 'products', ''],
    ['quotas-fy27.csv', 'month,rep,revenue', 'goals', 'quota'],
    ['x.csv', 'year,rep,revenue', 'goals', 'goals'],
    ['region-plan.csv', 'month,region,revenue', 'goals', 'region plan'],
    ['orders.csv', 'date,order,rep,product,revenue,units', 'actuals', ''],
  ])('%s with %s is %s', (name, header, kind, goalSet) => {
    const draft = guess(name, header, MEASURES);
    expect([draft.kind, draft.goalSet]).toEqual([kind, goalSet]);
  });

  it('takes the axis from the header, and a measure only for month columns', () => {
    expect(guess('plan.csv', 'month,product,revenue', MEASURES).axis).toBe('product');
    expect(guess('quota.csv', 'rep,Jul-26,Aug-26', MEASURES).measure).toBe('revenue');
    expect(guess('quota.csv', 'rep,month,revenue', MEASURES).measure).toBe('');
  });
});

it('headers are read in any dialect, months known from other columns', () => {
  expect(headerNames('\ufeff"Rep";"Jul 2026"')).toEqual(['rep', 'jul 2026']);
  expect(headerNames('a\tb')).toEqual(['a', 'b']);
  expect(isWide(['rep', '2026-07'])).toBe(true);
  expect(isWide(['rep', 'month', '2026-07'])).toBe(false);
  expect(isWide(['rep', 'revenue'])).toBe(false);
});

it('the form holds what its kind needs', () => {
  const file = new File(['x'], 'a.csv');
  const draft = guess('quota.csv', 'rep,Jul-26', MEASURES);
  const goals = formOf(file, { ...draft, controlTotal: ' revenue=5 ' });
  expect([...goals.keys()]).toEqual(['kind', 'goalSet', 'axis', 'measure', 'controlTotal', 'file']);
  const roster = formOf(file, guess('r.csv', 'rep,name,from', MEASURES));
  expect([...roster.keys()]).toEqual(['kind', 'file']);
});

it('findings are grouped, those that hold lines back first', () => {
  const finding = (code: string, held: boolean, line: number) => ({
    line,
    column: null,
    code,
    held,
    message: '',
  });
  const groups = groupFindings([
    finding('duplicate-line', false, 2),
    finding('duplicate-line', false, 3),
    finding('member-unknown', true, 4),
  ]);
  expect(groups.map((group) => [group.code, group.findings.length])).toEqual([
    ['member-unknown', 1],
    ['duplicate-line', 2],
  ]);
});

it('headlines and states say what is the case', () => {
  expect(headline(load({}))).toBe('a.csv is 2 lines short of ready.');
  expect(headline(load({ held: 1 }))).toBe('a.csv is 1 line short of ready.');
  expect(headline(load({ held: 0 }))).toBe('a.csv is ready.');
  expect(headline(load({ ready: 0 }))).toBe('No line of a.csv is ready.');
  expect(headline(load({ state: 'posted' }))).toBe('a.csv is posted, 2 lines left behind.');
  expect(headline(load({ state: 'posted', held: 0 }))).toBe('a.csv is posted.');
  expect(headline(load({ state: 'reversed' }))).toContain('taken out again');
  expect(stateWord(load({ state: 'posted' }))).toBe('posted, 2 held');
  expect(stateWord(load({}))).toBe('staged');
});
