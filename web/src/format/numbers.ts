import { writing, type Writing } from './writing';
import { t } from './words';

/**
 * Reads what a person typed as a number: the one place for every field of the application. What can
 * be read in two ways is refused with a sentence, never guessed.
 */
export type NumberRead =
  { kind: 'empty' } | { kind: 'number'; decimal: string } | { kind: 'fault'; words: string };

/** What a field takes. */
export interface NumberKind {
  /** Most digits behind the decimal mark. */
  decimals: number;
  /** Whether numbers below 0 are taken. */
  isSigned?: boolean;
  /** Whether a percent sign may follow. */
  isPercent?: boolean;
}

const SPACES = /[\u0020\u00a0\u2009\u202f]/g;
const MOST_DIGITS = 15;

/**
 * Reads a number in the company's way of writing, and in others where they are unambiguous.
 *
 * Worked, without a way of writing: "60 000", "60'000.5", "1.234,50" and "0.500" are read; "60,000"
 * and "1.234" are refused, as each could be meant in two ways.
 */
export function readNumber(
  typed: string,
  kind: NumberKind,
  company: Writing = writing(),
): NumberRead {
  let text = typed.trim().replace(/[\u2212\u2013]/g, '-');
  if (text === '') return { kind: 'empty' };
  if (kind.isPercent) text = text.replace(/\s*%$/, '');
  const isNegative = text.startsWith('-');
  const plain = read(text.replace(/^[+-]\s*/, ''), typed.trim(), company);
  if (typeof plain !== 'string') return plain;
  const [whole = '', fraction = ''] = plain.split('.');
  if (isNegative && !kind.isSigned && /[1-9]/.test(plain)) {
    return fault(t('numbers.isBelow0WriteA', { trim: typed.trim() }));
  }
  if (whole.replace(/^0+/, '').length > MOST_DIGITS) {
    return fault(t('numbers.isTooLarge', { trim: typed.trim() }));
  }
  if (fraction.replace(/0+$/, '').length > kind.decimals) {
    return fault(
      kind.decimals === 0
        ? t('numbers.isNotAWholeNumber', { trim: typed.trim() })
        : t('numbers.hasMoreThanDecimals', { trim: typed.trim(), decimals: kind.decimals }),
    );
  }
  const digits = `${whole.replace(/^0+(?=\d)/, '')}${fraction === '' ? '' : `.${fraction}`}`;
  return { kind: 'number', decimal: isNegative && /[1-9]/.test(digits) ? `-${digits}` : digits };
}

function fault(words: string): NumberRead {
  return { kind: 'fault', words };
}

/** Digits with at most one point, or why they cannot be read. */
function read(text: string, typed: string, company: Writing): string | NumberRead {
  const example = company.decimal === ',' ? '1234,50' : '1234.50';
  const odd = fault(t('numbers.isNotANumberWrite', { typed, example }));
  if (!/^[\d.,' \u2019\u00a0\u2009\u202f]+$/.test(text) || !/^\d|^[.,]\d/.test(text)) return odd;
  const spaced = text.replace(SPACES, ' ').replace(/\u2019/g, "'");
  const marks = [...new Set(spaced.replace(/\d/g, ''))];
  const grouping = marks.filter((mark) => mark === ' ' || mark === "'");
  const points = marks.filter((mark) => mark === '.' || mark === ',');
  if (grouping.length > 1 || (grouping.length === 1 && points.length > 1)) return odd;
  if (grouping.length === 1) {
    return grouped(spaced, grouping[0] ?? '', points[0] ?? '') ?? odd;
  }
  if (points.length === 2) {
    // the mark that comes last is the decimal mark
    const decimal = spaced.lastIndexOf('.') > spaced.lastIndexOf(',') ? '.' : ',';
    return grouped(spaced, decimal === '.' ? ',' : '.', decimal) ?? odd;
  }
  const mark = points[0];
  if (mark === undefined) return spaced;
  const parts = spaced.split(mark);
  if (parts.length > 2) return grouped(spaced, mark, '') ?? odd;
  const [whole = '', fraction = ''] = parts;
  const couldGroup = /^[1-9]\d{0,2}$/.test(whole) && fraction.length === 3;
  if (!couldGroup || (company.isSet && company.decimal === mark)) {
    return fraction === '' ? odd : `${whole || '0'}.${fraction}`;
  }
  if (company.isSet) return whole + fraction;
  return fault(
    t('numbers.canBeReadAsOr', { typed, whole, fraction }) +
      t('numbers.writeOr0', { whole, fraction }),
  );
}

/** Digits in groups of three, with at most one decimal mark behind them; null where they are not. */
function grouped(text: string, grouping: string, decimal: string): string | null {
  const [whole = '', fraction, ...more] = decimal === '' ? [text] : text.split(decimal);
  if (more.length > 0 || (fraction !== undefined && !/^\d+$/.test(fraction))) return null;
  const groups = whole.split(grouping);
  const isWell =
    /^\d{1,3}$/.test(groups[0] ?? '') && groups.slice(1).every((group) => /^\d{3}$/.test(group));
  if (!isWell) return null;
  return groups.join('') + (fraction === undefined ? '' : `.${fraction}`);
}
