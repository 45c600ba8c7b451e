import { t } from './words';

/** What the cells of a spread weigh. */
export const WAYS = ['last-year', 'even', 'working-days', 'as-it-stands', 'weights'] as const;

export type Way = (typeof WAYS)[number];

export const WAY_WORDS: Record<Way, string> = {
  'last-year': t('ways.lastYear'),
  even: t('ways.evenly'),
  'working-days': t('ways.workingDays'),
  'as-it-stands': t('ways.asTheGoalsStand'),
  weights: t('ways.weights'),
};
