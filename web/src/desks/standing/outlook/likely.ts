import { placed } from '../../../format/placing';

/** Percents that likelihoods are marked by: below `low`, at or above `high`; empty for neither. */
export interface LikelyMarks {
  low: string;
  high: string;
}

export type LikelyMark = 'low' | 'high' | null;

/** On which side of the marks a likelihood in percent lies. */
export function markOf(percent: string | null, { low, high }: LikelyMarks): LikelyMark {
  if (percent === null) return null;
  const at = placed(percent);
  if (low !== '' && at < placed(low)) return 'low';
  return high !== '' && at >= placed(high) ? 'high' : null;
}

/** The colour of a likelihood's bar; `usual` where it lies between the marks. */
export const markColour = (mark: LikelyMark, usual: string) =>
  mark === null ? usual : mark === 'low' ? 'var(--bad)' : 'var(--good)';
