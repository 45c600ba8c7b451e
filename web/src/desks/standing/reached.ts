import type { Standing } from '../../api/types';
import { EMPTY } from './rows';
import { t } from './words';

/** How many reached the goal, in the measure's direction. */
export function reachedWords({ direction, goal, spoken, isRange, total }: Standing) {
  if (total.spoken.noReading === EMPTY || spoken.withGoal === 0) return '';
  const of = t('reached.of', { reached: spoken.reached, withGoal: spoken.withGoal });
  if (total.spoken.kind === 'to-date') {
    return direction === 'LOWER' ? t('reached.withinPace', { of }) : t('reached.onPace', { of });
  }
  if (isRange) return t('reached.inside', { of, goal });
  if (direction === 'LOWER') return t('reached.within', { of, goal });
  return direction === 'NEAREST'
    ? t('reached.exactlyOn', { of, goal })
    : t('reached.reached', { of, goal });
}
