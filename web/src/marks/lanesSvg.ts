import type { Direction, Row } from '../api/types';
import { scaleLinear } from 'd3-scale';
import { amount, percentTick, tickText } from '../format/figures';
import type { LegendItem } from './framed';
import {
  laneMarks,
  laneScale,
  stretchPlaces,
  stretchTone,
  stretchWords,
  zeroPlace,
  type LaneScale,
  type Stretches,
} from './Lane';
import { make, words } from './svg';
import { toneColour } from './tones';
import { t } from './words';

const WIDTH = 900;
const ROW = 30;
const NAME = 210;
const LANE = 480;
const TOP = 34;

/**
 * The lanes of rows as one drawing with names, scale and figures, to be saved. All rows are drawn.
 * @param rows as lanes show them: in the tone that is spoken of
 */
export function lanesSvg(
  rows: Row[],
  kind: LaneScale['kind'],
  direction: Direction,
  stretches: Stretches | null = null,
): SVGSVGElement {
  const scale = laneScale(rows, kind);
  const height = TOP + rows.length * ROW + 6;
  const svg = make('svg', { viewBox: `0 0 ${WIDTH} ${height}`, 'font-size': 13 });
  svg.append(...axis(scale, height));
  rows.forEach((row, at) => {
    svg.append(drawRow(row, TOP + at * ROW, scale, direction, stretches));
  });
  if (kind === 'percent' && rows.length > 0) {
    const x = NAME + (LANE * (1 - scale.least)) / (scale.most - scale.least);
    svg.append(line(x, TOP - 6, x, TOP + rows.length * ROW, 'var(--ink)', 2));
  }
  return svg as SVGSVGElement;
}

/** The scale above the lanes, with a faint line down at each step. */
function axis(scale: LaneScale, height: number): SVGElement[] {
  const x = scaleLinear()
    .domain([scale.least, scale.most])
    .range([NAME, NAME + LANE]);
  return x.ticks(6).flatMap((tick) => [
    line(x(tick), TOP - 6, x(tick), height - 6, 'var(--rule)', 1),
    words(x(tick), TOP - 12, scale.kind === 'percent' ? percentTick(tick) : tickText(tick), {
      'text-anchor': 'middle',
      'font-size': 11,
      fill: 'var(--quiet)',
    }),
  ]);
}

/** What each mark of the lanes stands for. */
export function lanesLegend(
  goal: string,
  direction: Direction,
  stretches: Stretches | null = null,
): LegendItem[] {
  return [
    { mark: 'bar', colour: 'var(--good)', word: t('lanesSvg.actualInTheColourOf') },
    { mark: 'line', word: t('lanesSvg.goal', { goal }) },
    ...(direction === 'HIGHER'
      ? [{ mark: 'hatched' as const, word: t('lanesSvg.shortfall') }]
      : []),
    {
      mark: 'bar',
      colour: direction === 'HIGHER' ? 'var(--past)' : 'var(--bad)',
      word: t('lanesSvg.pastTheGoal'),
    },
    ...(stretches === null ? [] : [{ mark: 'faint' as const, word: stretchWords(stretches) }]),
  ];
}

function drawRow(
  row: Row,
  top: number,
  scale: LaneScale,
  direction: Direction,
  stretches: Stretches | null,
): SVGElement {
  const group = make('g', {});
  const middle = top + ROW / 2;
  const x = (share: number) => NAME + share * LANE;
  group.append(words(0, middle + 4, row.name));
  const marks = laneMarks(row, scale, direction);
  if (marks) {
    const places = stretchPlaces(row, scale, stretches);
    places.forEach((end, at) => {
      const begin = at === 0 ? zeroPlace(scale) : (places[at - 1] ?? 0);
      const tone = stretchTone(at, places.length);
      group.append(bar(x, [begin, end], middle, ROW - 6, 'var(--quiet)', tone));
    });
    group.append(bar(x, marks.bar, middle, 10, toneColour(row.tone)));
    if (marks.gap) group.append(bar(x, marks.gap, middle, 10, 'var(--bad)', 0.18));
    if (marks.excess)
      group.append(
        bar(x, marks.excess, middle, 16, direction === 'HIGHER' ? 'var(--past)' : 'var(--bad)'),
      );
    if (scale.kind === 'amount' && marks.goal !== null) {
      group.append(line(x(marks.goal), top + 3, x(marks.goal), top + ROW - 3, 'var(--ink)', 2));
    }
  }
  const { spoken } = row;
  const figure = spoken.percentShown === null ? '–' : `${amount(spoken.percentShown)} %`;
  group.append(words(WIDTH - 120, middle + 4, figure, { 'text-anchor': 'end' }));
  const status = spoken.rung === null ? (spoken.noReading ?? spoken.status) : spoken.status;
  group.append(words(WIDTH - 104, middle + 4, status, { fill: toneColour(row.tone) }));
  return group;
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
