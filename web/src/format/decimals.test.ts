import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareDecimals, percentOf, shareOf } from './decimals';

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

describe('shares as percentages', () => {
  it('keep every digit between percent and ratio', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99999, max: 99999 }), fc.nat(9999), (whole, part) => {
        const percent = `${whole}${part ? `.${String(part).padStart(4, '0').replace(/0+$/, '')}` : ''}`;
        expect(percentOf(shareOf(percent) ?? '')).toBe(percent);
      }),
    );
  });
});
