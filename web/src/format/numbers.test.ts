import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNumber, type Writing } from './numbers';

const MONEY = { decimals: 2, isSigned: true };

/** Every way of writing that is supported. */
const WAYS: Writing[] = [
  { decimal: '.', grouping: ',' },
  { decimal: '.', grouping: "'" },
  { decimal: '.', grouping: ' ' },
  { decimal: '.', grouping: '' },
  { decimal: ',', grouping: '.' },
  { decimal: ',', grouping: "'" },
  { decimal: ',', grouping: ' ' },
  { decimal: ',', grouping: '' },
];

function written(units: bigint, { decimal, grouping }: Writing): string {
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
        fc.constantFrom(...WAYS, null),
        (units, way, company) => {
          const text = written(units, way);
          const read = readNumber(text, MONEY, company);
          const plain = written(units, { decimal: '.', grouping: '' });
          expect(read, text).toEqual({ kind: 'number', decimal: plain });
        },
      ),
    );
  });

  it.each<[string, Writing | null, string]>([
    ['60,000', null, 'could be 60 or 60 000'],
    ['1.234', null, 'could be 1.234 or 1 234'],
    ['1,23,4', null, 'no groups of three'],
    ['12.34.5', null, 'no groups of three'],
    ['1 234 5', null, 'no groups of three'],
    ["1'234 567", null, 'two kinds of groups'],
    ['1e5', null, 'letters'],
    ['twelve', null, 'words'],
    ['5.', null, 'nothing behind the mark'],
    ['1.005', { decimal: '.', grouping: ',' }, 'three decimals of an amount'],
    ['12345678901234567', null, 'too large'],
  ])('%s is refused with a sentence: %s', (text, way, why) => {
    const read = readNumber(text, MONEY, way);
    expect(read.kind, why).toBe('fault');
    expect(read.kind === 'fault' && read.words).toContain(text);
  });

  it.each<[string, Writing | null, string, string]>([
    ['60,000', { decimal: '.', grouping: ',' }, '60000', 'the company groups by comma'],
    ['0,500', null, '0.500', 'no group begins with 0'],
    ['60\u202f000.50', null, '60000.50', 'as it is shown'],
    ['\u2212195.02', null, '-195.02', 'a true minus'],
    ['1.234.567', null, '1234567', 'two groups are groups'],
    ['007', null, '7', 'leading zeros'],
    ['-0', null, '0', 'never a negative zero'],
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
