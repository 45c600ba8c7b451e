import type { Tone } from '../api/types';
import { toneColour, toneText } from './tones';

interface StatusMarkProps {
  status: string;
  tone: Tone;
  /** Whether the reading lies well past its goal: the dot rises higher. */
  isPast?: boolean;
}

/**
 * Line and dot: above the line reached, on it near, below it behind, hollow on a dashed line
 * without a reading. Shape and word always together.
 */
export function StatusMark({ status, tone, isPast = false }: StatusMarkProps) {
  const colour = toneColour(tone);
  const dot = { good: isPast ? 3 : 5.5, near: 9, bad: 14.5, neutral: 9 }[tone];
  const line = { good: 11, near: 9, bad: 8, neutral: 9 }[tone];
  return (
    <span className={`inline-flex items-center gap-2 whitespace-nowrap ${toneText(tone)}`}>
      <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden="true">
        <path
          d={`M0 ${line}h16`}
          stroke={colour}
          strokeWidth="2.4"
          strokeDasharray={tone === 'neutral' ? '3 2.5' : undefined}
        />
        <circle
          cx="8"
          cy={dot}
          r="2.9"
          fill={tone === 'neutral' ? 'var(--sheet)' : colour}
          stroke={colour}
          strokeWidth={tone === 'neutral' ? 1.6 : 0}
        />
      </svg>
      {status}
    </span>
  );
}
