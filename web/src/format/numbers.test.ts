import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNumber } from './numbers';
import { UNSET, type Writing } from './writing';

const MONEY = { decimals: 2, isSigned: true };

/** Every way of writing that is supported. */
const WAYS: Writing[] = (['.', ','] as const).flatMap((decimal) =>
  [decimal === '.' ? ',' : '.', "'", ' ', ''].map((grouping) => way(decimal, grouping)),
);

function way(decimal: '.' | ',', grouping: string): Writing {
  return { decimal, grouping, dates: 'dmy', isSet: true };
}

function written(
  units: bigint,
  { decimal, grouping }: Pick<Writing, 'decimal' | 'grouping'>,
): string {
  const digits = (units < 0n ? -units : units).toString().padStart(3, '0');
  const whole = digits.slice(0, -2).replace(/\B(?=(\d{3})+$)/g, grouping);
  return `${units < 0n ? '-' : ''}${whole}${decimal}${digits.slice(-2)}`;
}

describe('a typed number', () => {
  it('reads back the same in every way of writing', () => {
    fc.assert(
      fc.property(
        fc.bigInt(-(10n ** 16n), 10n ** 16n),
        fc.constantFrom(...WAYS),
        fc.constantFrom(...WAYS, UNSET),
        (units, way, company) => {
          const text = written(units, way);
          const read = readNumber(text, MONEY, company);
          const plain = written(units, { decimal: '.', grouping: '' });
          expect(read, text).toEqual({ kind: 'number', decimal: plain });
        },
      ),
    );
  });

  it.each<[string, Writing, string]>([
    ['60,000', UNSET, 'could be 60 or 60 000'],
    ['1.234', UNSET, 'could be 1.234 or 1 234'],
    ['1,23,4', UNSET, 'no groups of three'],
    ['12.34.5', UNSET, 'no groups of three'],
    ['1 234 5', UNSET, 'no groups of three'],
    ["1'234 567", UNSET, 'two kinds of groups'],
    ['1e5', UNSET, 'letters'],
    ['twelve', UNSET, 'words'],
    ['5.', UNSET, 'nothing behind the mark'],
    ['1.005', way('.', ','), 'three decimals of an amount'],
    ['12345678901234567', UNSET, 'too large'],
  ])('%s is refused with a sentence: %s', (text, way, why) => {
    const read = readNumber(text, MONEY, way);
    expect(read.kind, why).toBe('fault');
    expect(read.kind === 'fault' && read.words).toContain(text);
  });

  it.each<[string, Writing, string, string]>([
    ['60,000', way('.', ','), '60000', 'the company groups by comma'],
    ['1.125', way(',', '.'), '1125', 'the company groups by point'],
    ['1,125', way(',', ''), '1.125', 'the company has a decimal comma'],
    ['0,500', UNSET, '0.500', 'no group begins with 0'],
    ['60\u202f000.50', UNSET, '60000.50', 'as it is shown'],
    ['\u2212195.02', UNSET, '-195.02', 'a true minus'],
    ['1.234.567', UNSET, '1234567', 'two groups are groups'],
    ['007', UNSET, '7', 'leading zeros'],
    ['-0', UNSET, '0', 'never a negative zero'],
  ])('%s is read: %s', (text, way, decimal, why) => {
    expect(readNumber(text, { decimals: 3, isSigned: true }, way), why).toEqual({
      kind: 'number',
      decimal,
    });
  });

  it('keeps to what the field takes', () => {
    expect(readNumber('', MONEY)).toEqual({ kind: 'empty' });
    expect(readNumber('-5', { decimals: 2 }).kind).toBe('fault');
    expect(readNumber('5.5', { decimals: 0 }).kind).toBe('fault');
    expect(readNumber('97,5 %', { decimals: 4, isPercent: true })).toEqual({
      kind: 'number',
      decimal: '97.5',
    });
    expect(readNumber('5 %', { decimals: 4 }).kind).toBe('fault');
  });
});
