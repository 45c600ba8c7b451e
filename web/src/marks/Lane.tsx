import type { Reading } from '../api/types';
import { toneColour } from './tones';

/** Where 100 % of goal lies in a lane, as a share of its width; the same in all rows. */
export function goalPlace(domain: number): number {
  return 1 / domain;
}

/** The largest share of goal that lanes show: enough for all rows, between 125 and 200 %. */
export function laneDomain(readings: { attainment: string | null }[]): number {
  const most = readings.reduce((max, r) => Math.max(max, Number(r.attainment ?? 0)), 0);
  return Math.min(Math.max(most * 1.04, 1.25), 2);
}

interface LaneProps {
  reading: Reading;
  domain: number;
  isLower: boolean;
}

/**
 * One row's lane: the bar up to the actual, against the goal line that all rows share. Hatched is
 * the shortfall, taller and darker what passes the line. Draws what the server computed. No reading:
 * a dashed line and no bar. The row says the figures in words, so the lane is silent.
 */
export function Lane({ reading, domain, isLower }: LaneProps) {
  if (reading.attainment === null) {
    return (
      <div className="relative h-full" aria-hidden="true">
        <div className="absolute top-1/2 right-0 left-0 border-t-2 border-dotted border-quiet/50" />
      </div>
    );
  }
  const share = Number(reading.attainment);
  const percent = (value: number) => `${(Math.max(0, Math.min(value, domain)) / domain) * 100}%`;
  const isCut = share > domain;
  const colour = toneColour(reading.tone);
  const excess = isLower ? 'var(--bad)' : 'var(--past)';
  return (
    <div className="relative h-full" aria-hidden="true">
      <div
        className="absolute top-1/2 left-0 h-[9px] -translate-y-1/2"
        style={{ width: percent(Math.min(share, 1)), background: colour, opacity: 0.82 }}
      />
      {!isLower && share < 1 && (
        <div
          className="hatched absolute top-1/2 h-[9px] -translate-y-1/2"
          style={{ left: percent(share), width: percent(1 - Math.max(share, 0)) }}
        />
      )}
      {share > 1 && (
        <div
          className="absolute top-1/2 h-[15px] -translate-y-1/2"
          style={{
            left: percent(1),
            width: percent(Math.min(share, domain) - 1),
            background: excess,
          }}
        />
      )}
      {share < 0 && (
        <div className="absolute top-1/2 left-0 h-[15px] w-[3px] -translate-y-1/2 bg-bad" />
      )}
      {isCut && (
        <div className="absolute top-1/2 right-[3px] h-[19px] w-[5px] -translate-y-1/2 -skew-x-12 bg-sheet" />
      )}
    </div>
  );
}
