import { afterEach, describe, expect, it } from 'vitest';
import { amount, asPercent, shortTick, signed } from './figures';
import { dayText, setWriting, timeText, typed } from './writing';

afterEach(() => setWriting(undefined));

describe('the company’s way of writing', () => {
  it('shows figures with the company’s marks', () => {
    setWriting({ decimal: ',', grouping: '.', dates: 'dmy', isSet: true });
    expect(amount('-1234567.50')).toBe('\u22121.234.567,50');
    expect(signed('0.25')).toBe('+0,25');
    expect(asPercent('0.0125')).toBe('1,25');
    expect(typed('1234.5')).toBe('1234,5');
    expect(shortTick(2_500_000)).toBe('2,5 M');
  });

  it('groups by nothing where that is set', () => {
    setWriting({ decimal: '.', grouping: '', dates: 'ymd', isSet: true });
    expect(amount('1234567.50')).toBe('1234567.50');
  });

  it.each([
    ['dmy', '5 Nov 2026'],
    ['mdy', 'Nov 5, 2026'],
    ['ymd', '2026-11-05'],
  ] as const)('writes days as %s', (dates, text) => {
    setWriting({ decimal: '.', grouping: ',', dates, isSet: true });
    expect(dayText('2026-11-05')).toBe(text);
  });

  it('tells times in the company’s zone', () => {
    setWriting({ decimal: '.', grouping: ',', dates: 'ymd', isSet: true }, 'Asia/Tokyo');
    expect(timeText('2026-11-30T20:05:00Z')).toBe('2026-12-01, 05:05');
  });
});
