import type { Reading } from '../api/types';
import { toneColour } from './tones';

const FULL_HEIGHT_AT = 0.3;

/**
 * A month at a glance: a bar over or under the month's own goal line, as high as the distance from
 * 100 %, at most 30 %. Draws what the server computed; the button around it says it in words.
 */
export function MiniBar({ reading }: { reading: Reading | null }) {
  const share = reading?.spoken.attainment ? Number(reading.spoken.attainment) - 1 : null;
  const height = share === null ? 0 : Math.min(Math.abs(share) / FULL_HEIGHT_AT, 1) * 8 + 1;
  return (
    <svg
      viewBox="0 0 48 20"
      className="h-[20px] w-full"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {reading && (
        <line
          x1="0"
          x2="48"
          y1="10"
          y2="10"
          stroke="var(--quiet)"
          strokeWidth="1"
          strokeDasharray={share === null ? '2 3' : undefined}
        />
      )}
      {reading && share !== null && (
        <rect
          x="4"
          width="40"
          y={share >= 0 ? 10 - height : 10}
          height={height}
          fill={toneColour(reading.spoken.tone)}
        />
      )}
    </svg>
  );
}
