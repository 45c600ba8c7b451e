import type { CloseLine } from '../../../api/types';
import { StatusMark } from '../../../marks/StatusMark';
import { t } from './words';

const TONES = { done: 'good', open: 'bad', waived: 'neutral' } as const;

/** Line and dot: above the line done, below it open, hollow on a dashed line waived. */
export function CloseMark({ state }: { state: CloseLine['state'] }) {
  return <StatusMark status={t(`close.state.${state}`)} tone={TONES[state]} />;
}
