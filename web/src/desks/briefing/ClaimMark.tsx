import type { BriefingBlock } from '../../api/types';
import { StatusMark } from '../../marks/StatusMark';
import { t } from './words';

const TONES = { holds: 'good', moved: 'near', void: 'bad', kept: 'neutral' } as const;

/** Line and dot: above the line the claim holds, on it a figure has moved, below it one is void. */
export function ClaimMark({ state }: { state: NonNullable<BriefingBlock['state']> }) {
  return <StatusMark status={t(`briefing.state.${state}`)} tone={TONES[state]} />;
}
