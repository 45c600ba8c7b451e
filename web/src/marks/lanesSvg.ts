import type { Direction, Row } from '../api/types';
import { amount } from '../format/figures';
import { laneMarks, laneScale, type LaneScale } from './Lane';
import { toneColour } from './tones';

const WIDTH = 900;
const ROW = 30;
const NAME = 210;
const LANE = 480;
const TOP = 34;

/** The lanes of rows as one drawing with names and figures, to be saved. */
export function lanesSvg(
  rows: Row[],
  kind: LaneScale['kind'],
  direction: Direction,
  title: string,
): SVGSVGElement {
  const scale = laneScale(rows, kind);
  const svg = make('svg', {
    viewBox: `0 0 ${WIDTH} ${TOP + rows.length * ROW + 10}`,
    'font-size': '13',
  });
  svg.append(text(0, 18, title, { 'font-weight': '700', fill: 'var(--ink)' }));
  rows.forEach((row, at) => {
    svg.append(drawRow(row, TOP + at * ROW, scale, direction));
  });
  if (kind === 'percent' && rows.length > 0) {
    const x = NAME + (LANE * (1 - scale.least)) / (scale.most - scale.least);
    svg.append(line(x, TOP - 6, x, TOP + rows.length * ROW, 'var(--ink)', 2));
  }
  return svg as SVGSVGElement;
}

function drawRow(row: Row, top: number, scale: LaneScale, direction: Direction): SVGElement {
  const group = make('g', {});
  const middle = top + ROW / 2;
  const x = (share: number) => NAME + share * LANE;
  group.append(text(0, middle + 4, row.name, { fill: 'var(--ink)' }));
  const marks = laneMarks(row, scale, direction);
  if (marks) {
    group.append(bar(x, marks.bar, middle, 10, toneColour(row.tone)));
    if (marks.gap) group.append(bar(x, marks.gap, middle, 10, 'var(--bad)', 0.18));
    if (marks.excess) group.append(bar(x, marks.excess, middle, 16, 'var(--past)'));
    if (scale.kind === 'amount' && marks.goal !== null) {
      group.append(line(x(marks.goal), top + 3, x(marks.goal), top + ROW - 3, 'var(--ink)', 2));
    }
  }
  const figure = row.percentShown === null ? '–' : `${amount(row.percentShown)} %`;
  group.append(text(WIDTH - 120, middle + 4, figure, { 'text-anchor': 'end', fill: 'var(--ink)' }));
  group.append(
    text(WIDTH - 104, middle + 4, row.noReading ?? row.status, { fill: toneColour(row.tone) }),
  );
  return group;
}

function make(name: string, attributes: Record<string, string>): SVGElement {
  const element = document.createElementNS('http://www.w3.org/2000/svg', name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
  return element;
}

function text(x: number, y: number, words: string, more: Record<string, string>): SVGElement {
  const element = make('text', { x: String(x), y: String(y), ...more });
  element.textContent = words;
  return element;
}

function line(x1: number, y1: number, x2: number, y2: number, stroke: string, width: number) {
  return make('line', {
    x1: String(x1),
    y1: String(y1),
    x2: String(x2),
    y2: String(y2),
    stroke,
    'stroke-width': String(width),
  });
}

function bar(
  x: (share: number) => number,
  [from, to]: [number, number],
  middle: number,
  height: number,
  fill: string,
  opacity = 0.86,
): SVGElement {
  return make('rect', {
    x: String(x(from)),
    width: String(Math.max(0, x(to) - x(from))),
    y: String(middle - height / 2),
    height: String(height),
    fill,
    opacity: String(opacity),
  });
}
