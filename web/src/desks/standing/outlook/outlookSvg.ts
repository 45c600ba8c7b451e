import type { OutlookRow } from '../../../api/types';
import { amount, NONE } from '../../../format/figures';
import { placed } from '../../../format/placing';
import type { LegendItem } from '../../../marks/framed';
import { make, words } from '../../../marks/svg';
import { toneColour } from '../../../marks/tones';
import { outlookEnd } from './OutlookLane';
import { t } from './words';

const WIDTH = 940;
const ROW = 30;
const NAME = 200;
const LANE = 470;
const TOP = 30;

/** The rows of an outlook as one drawing with names, lanes on one goal line, and figures. */
export function outlookSvg(rows: (OutlookRow & { name: string })[]): SVGSVGElement {
  const end = outlookEnd(rows);
  const x = (percent: number) => NAME + (Math.max(0, Math.min(percent, end)) / end) * LANE;
  const height = TOP + rows.length * ROW + 6;
  const svg = make('svg', { viewBox: `0 0 ${WIDTH} ${height}`, 'font-size': 13 });
  svg.append(
    words(x(100), TOP - 12, t('svg.goal'), { 'text-anchor': 'middle', 'font-weight': 700 }),
    words(NAME + LANE + 80, TOP - 12, t('svg.expected'), {
      'text-anchor': 'end',
      fill: 'var(--quiet)',
    }),
    words(NAME + LANE + 160, TOP - 12, t('svg.needed'), {
      'text-anchor': 'end',
      fill: 'var(--quiet)',
    }),
  );
  rows.forEach((row, at) => svg.append(drawRow(row, TOP + at * ROW, x)));
  svg.append(
    make('line', {
      x1: x(100),
      x2: x(100),
      y1: TOP - 6,
      y2: TOP + rows.length * ROW,
      stroke: 'var(--ink)',
      'stroke-width': 2,
    }),
  );
  return svg as SVGSVGElement;
}

function drawRow(
  row: OutlookRow & { name: string },
  top: number,
  x: (percent: number) => number,
): SVGElement {
  const group = make('g', {});
  const base = top + ROW / 2 + 4;
  group.append(words(0, base, row.name));
  const [booked, expected, best] = [
    placed(row.shown.booked),
    placed(row.shown.expectedPercent),
    placed(row.shown.atBestPercent),
  ];
  const colour = toneColour(row.expectedTone);
  const part = (from: number, to: number, more: Record<string, string | number>) =>
    make('rect', {
      x: x(from),
      width: Math.max(0, x(to) - x(from)),
      y: top + 9,
      height: 12,
      ...more,
    });
  if (booked !== null && expected !== null && best !== null) {
    group.append(
      part(0, booked, { fill: colour }),
      part(booked, expected, { fill: colour, opacity: 0.38 }),
      part(expected, best, { fill: 'none', stroke: colour }),
    );
    if (best < 100) group.append(part(best, 100, { fill: 'var(--bad)', opacity: 0.18 }));
  }
  const right = NAME + LANE;
  const percent = (text: string | null) => (text === null ? NONE : `${amount(text)} %`);
  group.append(
    words(right + 80, base, percent(row.shown.expectedPercent), { 'text-anchor': 'end' }),
    words(right + 160, base, percent(row.shown.likelihoodNeeded), { 'text-anchor': 'end' }),
    words(right + 174, base, row.noReading ?? row.expectedStatus, { fill: colour }),
  );
  return group;
}

/** What each mark of the drawing stands for. */
export const outlookLegend = (goal: string): LegendItem[] => [
  { mark: 'bar', colour: 'var(--good)', word: t('svg.booked') },
  { mark: 'faint', word: t('svg.weighted') },
  { mark: 'line', word: t('svg.goalOf', { goal }) },
];
