import { t } from './words';

/** What is counted. */
export type Noun =
  | 'entry'
  | 'figure'
  | 'line'
  | 'load'
  | 'member'
  | 'month'
  | 'name'
  | 'order'
  | 'rep'
  | 'row'
  | 'rowAndMonth'
  | 'closedMonth'
  | 'statement';

const AXES = ['rep', 'region', 'product', 'line', 'manager', 'company'] as const;
type Axis = (typeof AXES)[number];

const known = (axis: string): Axis | 'member' => AXES.find((one) => one === axis) ?? 'member';

/** "1 line", "1 284 lines". */
export const count = (n: number, noun: Noun) => t(`count.${noun}`, { n });

/** "1 rep", "12 product lines": members of an axis. */
export const countOf = (n: number, axis: string) => t(`countOf.${known(axis)}`, { n });

/** An axis' word for one member. */
export const singular = (axis: string) => t(`axis.${known(axis)}`);

/** An axis' word for several. */
export const plural = (axis: string) => t(`axes.${known(axis)}`);

/** A word as a title begins. */
export function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}
