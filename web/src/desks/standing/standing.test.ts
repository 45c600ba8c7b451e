import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Row } from '../../api/types';
import { compareDecimals, narrowRows, nextSort, readSort, sortRows, sortWord } from './standing';

function row(key: string, favourable: string | null, place = 'North'): Row {
  return {
    key,
    name: `Name ${key}`,
    place,
    actual: favourable ?? '0.00',
    goal: null,
    variance: favourable,
    favourable,
    variancePercent: null,
    attainment: null,
    shortfall: null,
    excess: null,
    growth: null,
    growthShown: null,
    status: 'near',
    tone: 'near',
    percentShown: null,
    noReading: null,
    goalMonths: 1,
  };
}

describe('compareDecimals', () => {
  it('agrees with exact arithmetic on any two amounts', () => {
    fc.assert(
      fc.property(
        fc.bigInt(-(10n ** 20n), 10n ** 20n),
        fc.bigInt(-(10n ** 20n), 10n ** 20n),
        (a, b) => {
          const text = (cents: bigint) => {
            const digits = String(cents < 0n ? -cents : cents).padStart(3, '0');
            return `${cents < 0n ? '-' : ''}${digits.slice(0, -2)}.${digits.slice(-2)}`;
          };
          expect(Math.sign(compareDecimals(text(a), text(b)))).toBe(a < b ? -1 : a > b ? 1 : 0);
        },
      ),
    );
  });

  it('compares different numbers of decimals', () => {
    expect(compareDecimals('0.9545', '0.95')).toBeGreaterThan(0);
    expect(compareDecimals('1', '1.000')).toBe(0);
  });
});

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

it('narrowRows looks at name, key and place, whatever the case', () => {
  const rows = [row('A1', '1'), row('B2', '1', 'South Reach')];
  expect(narrowRows(rows, ' reach ').map((one) => one.key)).toEqual(['B2']);
  expect(narrowRows(rows, 'NAME')).toHaveLength(2);
  expect(narrowRows(rows, '')).toBe(rows);
});
