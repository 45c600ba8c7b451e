import type { CloseLine } from '../../../api/types';
import { StatusMark } from '../../../marks/StatusMark';
import { t } from './words';

const TONES = { done: 'good', open: 'bad', waived: 'neutral' } as const;

/** Line and dot: above the line done, below it open, hollow on a dashed line waived or to come. */
export function CloseMark({ state, isLater }: { state: CloseLine['state']; isLater?: boolean }) {
  if (isLater && state === 'open') {
    return <StatusMark status={t('close.state.later')} tone="neutral" />;
  }
  return <StatusMark status={t(`close.state.${state}`)} tone={TONES[state]} />;
}
