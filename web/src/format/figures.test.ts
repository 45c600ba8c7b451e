import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amount, growth, hasFraction, monthName, NONE, shortMonth, signed } from './figures';
import { count } from './nouns';

describe('amount', () => {
  it.each([
    ['1234567.50', '1\u202f234\u202f567.50', 'thin-space thousands'],
    ['-13650.00', '\u221213\u202f650.00', 'a true minus'],
    ['999', '999', 'no group'],
    ['0.00', '0.00', 'zero is zero'],
    [null, NONE, 'missing is a dash, never 0'],
  ])('shows %s as %s: %s', (decimal, shown, why) => {
    expect(amount(decimal), why).toBe(shown);
  });

  it('drops decimals only where it is told to', () => {
    expect(amount('1000.00', 'drop')).toBe('1\u202f000');
    expect(hasFraction('1000.00')).toBe(false);
    expect(hasFraction('1000.01')).toBe(true);
    expect(hasFraction(null)).toBe(false);
  });

  it('keeps every digit of any amount', () => {
    fc.assert(
      fc.property(fc.bigInt(), fc.nat(99), (whole, cents) => {
        const decimal = `${whole}.${String(cents).padStart(2, '0')}`;
        const back = amount(decimal).replaceAll('\u202f', '').replace('\u2212', '-');
        expect(back).toBe(decimal);
      }),
    );
  });
});

describe('signed and growth', () => {
  it('put a plus before what is above 0 only', () => {
    expect(signed('5.00')).toBe('+5.00');
    expect(signed('0.00')).toBe('0.00');
    expect(signed('-5.00')).toBe('\u22125.00');
    expect(growth('2.0')).toBe('+2.0 %');
    expect(growth(null)).toBe(NONE);
  });
});

it('months and counts are words', () => {
  expect(monthName('2026-10')).toBe('October 2026');
  expect(shortMonth('2026-10')).toBe('Oct');
  expect(count(1, 'line')).toBe('1 line');
  expect(count(1284, 'line')).toBe('1\u202f284 lines');
});
