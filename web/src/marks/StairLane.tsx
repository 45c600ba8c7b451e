import type { ReactNode } from 'react';
import type { PayRow } from '../api/types';
import { toneColour } from './tones';

const WIDTH = 300;
const HEIGHT = 44;
const GROUND = 36;
const TOP = 7;
/** Where the quota stands, as a share of the lane's width, and how far the lane reaches. */
export const QUOTA_AT = 0.585;
const REACH = 1 / QUOTA_AT;

/**
 * Sales run right, pay climbs in steps: the curve as far as the plan goes, filled as far as the rep
 * has come. All lanes of a table have their quota at one place.
 */
export function StairLane({ row }: { row: PayRow }) {
  const quota = Number(row.quota);
  if (!row.quota || !(quota > 0) || row.curve.length === 0) {
    return (
      <Frame>
        <path
          d={`M0 ${GROUND}H${WIDTH}`}
          stroke="var(--rule)"
          strokeDasharray="3 3"
          strokeWidth="1.4"
          vectorEffect="non-scaling-stroke"
        />
      </Frame>
    );
  }
  const most = Math.max(...row.curve.map((point) => Number(point.pay)), 1);
  const x = (sales: number) => Math.max(0, Math.min(sales / quota / REACH, 1)) * WIDTH;
  const y = (pay: number) => GROUND - (pay / most) * (GROUND - TOP);
  const points = row.curve
    .map((point) => ({ sales: Number(point.sales), pay: Number(point.pay) }))
    .filter((point) => point.sales <= quota * REACH);
  const sold = Math.max(Number(row.actual), 0);
  const earned = Number(row.earned ?? 0);
  const line = points.map((point) => `${x(point.sales)} ${y(point.pay)}`).join('L');
  const below = points.filter((point) => point.sales < sold);
  const filled =
    sold > 0 && earned > 0
      ? `M0 ${GROUND}${[...below.map((p) => [x(p.sales), y(p.pay)]), [x(sold), y(earned)]].map(([left, up]) => `L${left} ${up}`).join('')}V${GROUND}Z`
      : null;
  const colour = toneColour(row.tone);
  return (
    <Frame>
      <path
        d={`M0 ${GROUND}H${WIDTH}`}
        stroke="var(--rule)"
        strokeWidth="1.2"
        vectorEffect="non-scaling-stroke"
      />
      {filled && <path d={filled} fill={colour} opacity="0.26" />}
      <path
        d={`M${line}`}
        fill="none"
        stroke="var(--quiet)"
        strokeWidth="1.5"
        vectorEffect="non-scaling-stroke"
      />
      {earned > 0 && (
        <path
          d={`M${x(sold)} ${GROUND}V${y(earned)}`}
          stroke={colour}
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      )}
      {/* a line of no length with round ends stays round however the lane is stretched */}
      <path
        d={`M${x(sold)} ${y(earned)}h0.01`}
        stroke={colour}
        strokeWidth="9"
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
    </Frame>
  );
}

function Frame({ children }: { children: ReactNode }) {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="h-full w-full overflow-visible"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {children}
    </svg>
  );
}
