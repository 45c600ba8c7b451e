import { describe, expect, it } from 'vitest';
import type { Company } from '../api/types';
import { UNSET } from '../format/writing';
import { fiscalNumber, fiscalYear, isMonth, plusMonths, rangeOf, spanOf } from './span';
import {
  basisWord,
  isNarrowed,
  NO_NARROWING,
  readView,
  spanChanges,
  viewQuery,
  wholeQuery,
  withChanges,
} from './useView';

const JULY = { startMonth: 7, yearNamedBy: 'end' as const };

describe('spans follow the fiscal calendar', () => {
  it.each([
    ['m', '2026-11', '2026-11'],
    ['q', '2026-11', '2026-10'],
    ['y', '2026-11', '2026-07'],
    ['t', '2026-11', '2025-12'],
    ['y', '2026-06', '2025-07'],
    ['q', '2026-01', '2026-01'],
  ] as const)('%s to %s begins in %s', (kind, to, from) => {
    expect(spanOf(kind, to, JULY)).toEqual({ kind, from, to });
  });

  it('names the fiscal year', () => {
    expect(fiscalYear('2026-06', JULY)).toBe(2026);
    expect(fiscalYear('2026-07', JULY)).toBe(2027);
    expect(fiscalYear('2026-07', { startMonth: 7, yearNamedBy: 'start' })).toBe(2026);
    expect(fiscalNumber('2026-07', JULY)).toBe(1);
  });

  it('steps over years, in either direction', () => {
    expect(plusMonths('2026-01', -1)).toBe('2025-12');
    expect(plusMonths('2026-12', 1)).toBe('2027-01');
    expect(rangeOf('2026-10', '2026-08')).toEqual({
      kind: 'range',
      from: '2026-08',
      to: '2026-10',
    });
    expect(rangeOf('2026-10', '2026-10').kind).toBe('m');
  });

  it('knows months from other text', () => {
    expect(isMonth('2026-10')).toBe(true);
    expect(isMonth('2026-13')).toBe(false);
    expect(isMonth(null)).toBe(false);
  });
});

const COMPANY: Company = {
  name: 'Test',
  isNamed: true,
  timeZone: null,
  writing: UNSET,
  calendar: JULY,
  measures: [
    {
      code: 'returns',
      name: 'Returns',
      unit: 'EUR',
      scale: 2,
      direction: 'LOWER',
      hasActuals: true,
    },
    {
      code: 'revenue',
      name: 'Revenue',
      unit: 'EUR',
      scale: 2,
      direction: 'HIGHER',
      hasActuals: true,
    },
  ],
  goalSets: [
    { name: 'quota', axis: 'rep', measures: ['revenue'], ranges: [], isRetired: false },
    { name: 'region plan', axis: 'region', measures: ['revenue'], ranges: [], isRetired: false },
  ],
  regions: [],
  firstMonth: '2024-07',
  lastMonth: '2026-11',
  thisMonth: '2026-11',
};

const view = (search: string) => readView(new URLSearchParams(search), COMPANY);

describe('the view stands in the address', () => {
  it('begins with the last month that is over, revenue, reps and their quota', () => {
    const first = view('');
    expect(first.span).toEqual({ kind: 'm', from: '2026-10', to: '2026-10' });
    expect([first.axis, first.measure, basisWord(first.basis)]).toEqual([
      'rep',
      'revenue',
      'set:quota',
    ]);
  });

  it('takes the last month with lines where that is long over, this month where there is none', () => {
    expect(readView(new URLSearchParams(), { ...COMPANY, lastMonth: '2026-03' }).span.to).toBe(
      '2026-03',
    );
    const empty = { ...COMPANY, firstMonth: null, lastMonth: null };
    expect(readView(new URLSearchParams(), empty).span.to).toBe('2026-11');
  });

  it('reads nonsense as the default, never as a fault', () => {
    const odd = view('axis=team&measure=joy&span=zz&to=never&against=set:gone&load=x&sort=mood');
    expect(odd.axis).toBe('rep');
    expect(odd.measure).toBe('revenue');
    expect(odd.span.to).toBe('2026-10');
    expect(odd.load).toBeNull();
  });

  it('asks for a goal set that is gone all the same, so that the answer says so', () => {
    expect(basisWord(view('against=set:gone').basis)).toBe('set:gone');
    expect(viewQuery(view('against=set:gone')).goalSet).toBe('gone');
  });

  it('reads groups, narrowing, layout and filters, and asks for them', () => {
    const read = view(
      'group=region&folded=North&flat=1&layout=months&lanes=amount&text=a&only=K1&only=K2' +
        '&status=near&bottom=3&by=actual&over=5&low=0.5&high=1&line=deck&asof=2026-10-12',
    );
    expect(read.group).toBe('region');
    expect(read.folded).toEqual(['North']);
    expect(read.isFlat).toBe(true);
    expect(read.layout).toBe('months');
    expect(read.lanes).toBe('amount');
    expect(viewQuery(read)).toMatchObject({
      group: 'region',
      text: 'a',
      only: ['K1', 'K2'],
      status: ['near'],
      bottom: '3',
      by: 'actual',
      missOver: '5',
      attainmentFrom: '0.5',
      attainmentTo: '1',
      line: ['deck'],
      asOf: '2026-10-12',
    });
    expect(wholeQuery(read)).not.toHaveProperty('text');
    expect(isNarrowed(read)).toBe(true);
    expect(
      isNarrowed(view(withChanges(new URLSearchParams('only=a&low=1'), NO_NARROWING).toString())),
    ).toBe(false);
  });

  it('takes the goal set of the rows, and none where no set fits', () => {
    expect(basisWord(view('axis=region').basis)).toBe('set:region plan');
    expect(basisWord(view('axis=product').basis)).toBe('none');
  });

  it('asks the server for what it shows', () => {
    expect(
      viewQuery(view('against=prior-year&factor=1.2&span=q&to=2026-11&region=A&region=B')),
    ).toMatchObject({
      axis: 'rep',
      measure: 'revenue',
      from: '2026-10',
      to: '2026-11',
      goalSet: undefined,
      basis: 'prior-year',
      factor: '1.2',
      region: ['A', 'B'],
    });
  });

  it('changes only what is said', () => {
    const before = new URLSearchParams('axis=region&region=A&text=x');
    const after = withChanges(before, { text: null, region: ['B', 'C'], sort: 'name' });
    expect(after.toString()).toBe('axis=region&region=B&region=C&sort=name');
    expect(spanChanges({ kind: 'm', from: '2026-10', to: '2026-10' })).toEqual({
      span: null,
      from: null,
      to: '2026-10',
      asof: null,
    });
  });
});
