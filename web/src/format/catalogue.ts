import { IntlMessageFormat } from 'intl-messageformat';
import { amount } from './amounts';
import { LANGUAGE } from './language';

/** What a text's placeholders stand for; null leaves the place empty. */
export type Values = Record<string, string | number | false | null | undefined>;

type Formatters = ConstructorParameters<typeof IntlMessageFormat>[3] extends
  { formatters?: infer F } | undefined
  ? NonNullable<F>
  : never;

/** A count is written as every other figure of the company is. */
const FORMATTERS = {
  getNumberFormat: () => ({ format: (value: number) => amount(String(value)) }),
  getDateTimeFormat: (...args: ConstructorParameters<typeof Intl.DateTimeFormat>) =>
    new Intl.DateTimeFormat(...args),
  getPluralRules: (...args: ConstructorParameters<typeof Intl.PluralRules>) =>
    new Intl.PluralRules(...args),
} as unknown as Formatters;

const OPTIONS = { ignoreTag: true, formatters: FORMATTERS };

/**
 * The texts of one part of the application, by key, as ICU messages: `{name}` for a value,
 * `{count, plural, one {# line} other {# lines}}` for a number with its noun. Returns the function
 * that says one. Each part holds its messages in `words.en.json`; nothing a person reads stands
 * anywhere else, which a lint rule holds.
 */
export function catalogue<Key extends string>(messages: Record<Key, string>) {
  const read = new Map<Key, IntlMessageFormat>();
  return (key: Key, values?: Values): string => {
    let message = read.get(key);
    if (!message) {
      message = new IntlMessageFormat(messages[key], LANGUAGE, undefined, OPTIONS);
      read.set(key, message);
    }
    const given: Record<string, string | number> = {};
    for (const [name, value] of Object.entries(values ?? {})) {
      given[name] = typeof value === 'number' || typeof value === 'string' ? value : '';
    }
    return String(message.format(given));
  };
}
