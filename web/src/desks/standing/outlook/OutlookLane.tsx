import type { OutlookRow } from '../../../api/types';
import { placed } from '../../../format/placing';
import { toneColour } from '../../../marks/tones';
import { markColour, type LikelyMark } from './likely';

/** Percent of the goal at which lanes end: past the goal, and past what is at best, up to 180. */
export function outlookEnd(rows: OutlookRow[]): number {
  const most = rows.reduce((end, row) => Math.max(end, placed(row.shown.atBestPercent) ?? 0), 0);
  return Math.min(180, Math.max(120, Math.ceil(most / 10) * 10));
}

/**
 * What is booked (solid), what weighted deals bring (lighter), what all open deals could bring
 * (outline), against the goal; hatched is what no open deal can fill. Past the goal a bar is taller.
 */
export function OutlookLane({
  row,
  end,
  tall = 14,
}: {
  row: OutlookRow;
  end: number;
  tall?: number;
}) {
  const booked = placed(row.shown.booked);
  const expected = placed(row.shown.expectedPercent);
  const best = placed(row.shown.atBestPercent);
  const middle = tall / 2;
  if (booked === null || expected === null || best === null) {
    return (
      <svg width="100%" height={tall} aria-hidden="true" className="block">
        <line
          x1="0"
          x2={`${(100 / end) * 100}%`}
          y1={middle}
          y2={middle}
          stroke="var(--field)"
          strokeDasharray="2 3"
        />
      </svg>
    );
  }
  const colour = toneColour(row.expectedTone);
  const at = (percent: number) => (Math.max(0, Math.min(percent, end)) / end) * 100;
  const low = tall - 5;
  const part = (from: number, to: number, isTall: boolean, opacity: number) =>
    to > from && (
      <rect
        x={`${at(from)}%`}
        width={`${at(to) - at(from)}%`}
        y={isTall ? 0 : 2.5}
        height={isTall ? tall : low}
        fill={colour}
        opacity={opacity}
      />
    );
  return (
    <svg width="100%" height={tall} aria-hidden="true" className="block">
      <defs>
        <pattern id="out-of-reach" width="5" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 5L5 0" stroke="var(--bad)" strokeWidth="1" />
        </pattern>
      </defs>
      {part(0, Math.min(booked, 100), false, 1)}
      {part(100, booked, true, 1)}
      {part(booked, Math.min(expected, 100), false, 0.38)}
      {part(Math.max(100, booked), expected, true, 0.38)}
      {best > expected && (
        <rect
          x={`${at(expected)}%`}
          width={`${at(best) - at(expected)}%`}
          y={3}
          height={low - 1}
          fill="none"
          stroke={colour}
        />
      )}
      {best < 100 && (
        <rect
          x={`${at(best)}%`}
          width={`${at(100) - at(best)}%`}
          y={2.5}
          height={low}
          fill="url(#out-of-reach)"
          opacity="0.7"
        />
      )}
    </svg>
  );
}

/** How likely the open deals are now, and as a tick how likely they would have to be. */
export function LikelihoodBar({
  row,
  mark,
  width = 30,
}: {
  row: OutlookRow;
  mark: LikelyMark;
  width?: number;
}) {
  const likely = placed(row.shown.likelihood);
  const needed = placed(row.shown.likelihoodNeeded);
  if (likely === null) return null;
  const at = (percent: number) => (Math.min(percent, 100) / 100) * width;
  return (
    <svg width={width + 8} height="14" aria-hidden="true">
      <rect x="0.5" y="4.5" width={width - 1} height="6" fill="none" stroke="var(--rule)" />
      <rect
        x="0.5"
        y="4.5"
        width={Math.max(at(likely) - 1, 0)}
        height="6"
        fill={markColour(mark, 'var(--field)')}
      />
      {needed !== null &&
        (needed > 100 ? (
          <path d={`M${width} 2l5 5.5l-5 5.5`} fill="none" stroke="var(--bad)" strokeWidth="2" />
        ) : (
          <rect x={Math.max(at(needed) - 1, 0)} y="1" width="2" height="13" fill="var(--ink)" />
        ))}
    </svg>
  );
}
