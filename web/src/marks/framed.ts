import { make, words, wrapped } from './svg';

/** One mark of a drawing and what it stands for. */
export interface LegendItem {
  mark: 'bar' | 'line' | 'faint' | 'dashed' | 'diamond' | 'hatched' | 'brackets' | 'dotted';
  colour?: string;
  word: string;
}

const EDGE = 16;
const TITLE = 18;
const LEGEND = 20;
const LETTER = 7.2;

/**
 * A drawing with title and legend on a white ground, as it is taken along. The drawing itself is
 * copied; nothing of where or how it hung on the page comes with it.
 */
export function framed(
  drawing: SVGSVGElement,
  title: string,
  legend: LegendItem[] = [],
): SVGSVGElement {
  const [, , inner = 0, tall = 0] = (drawing.getAttribute('viewBox') ?? '').split(' ').map(Number);
  const width = Math.max(inner + EDGE * 2, 420);
  const titles = wrapped(title, (width - EDGE * 2) / (LETTER + 0.6));
  const items = placed(legend, width - EDGE * 2);
  const top = EDGE + titles.length * TITLE + 8;
  const bottom =
    items.length === 0 ? 0 : 14 + (items[items.length - 1]?.line ?? 0) * LEGEND + LEGEND;
  const svg = make('svg', {
    viewBox: `0 0 ${width} ${top + tall + bottom + EDGE}`,
    'font-size': 12,
  }) as SVGSVGElement;
  svg.append(make('rect', { width: '100%', height: '100%', fill: 'var(--sheet)' }));
  titles.forEach((line, at) => {
    svg.append(
      words(EDGE, EDGE + TITLE * (at + 0.7), line, { 'font-size': 14, 'font-weight': 700 }),
    );
  });
  const body = make('g', { transform: `translate(${EDGE} ${top})` });
  const size = drawing.getAttribute('font-size');
  if (size) body.setAttribute('font-size', size);
  body.append(...[...drawing.childNodes].map((child) => child.cloneNode(true)));
  svg.append(body);
  for (const { item, left, line } of items) {
    svg.append(legendMark(item, EDGE + left, top + tall + 14 + line * LEGEND));
  }
  return svg;
}

/** Where each item of the legend stands; as many in a line as there is room for. */
function placed(legend: LegendItem[], width: number) {
  let left = 0;
  let line = 0;
  return legend.map((item) => {
    const own = 34 + item.word.length * LETTER;
    if (left > 0 && left + own > width) {
      left = 0;
      line++;
    }
    const place = { item, left, line };
    left += own;
    return place;
  });
}

function legendMark({ mark, colour = 'var(--ink)', word }: LegendItem, x: number, y: number) {
  const group = make('g', { class: 'legend' });
  const middle = y + 6;
  const stroke = { x1: x, x2: x + 18, y1: middle, y2: middle, stroke: colour, 'stroke-width': 2 };
  switch (mark) {
    case 'bar':
    case 'faint':
      group.append(
        make('rect', {
          x,
          y,
          width: 18,
          height: 11,
          fill: colour,
          opacity: mark === 'faint' ? 0.25 : 0.86,
        }),
      );
      break;
    case 'hatched':
      group.append(
        make('rect', { x, y, width: 18, height: 11, fill: 'var(--bad)', opacity: 0.18 }),
      );
      break;
    case 'diamond':
      group.append(
        make('path', {
          d: `M${x + 9} ${y + 1}l5 5-5 5-5-5Z`,
          fill: 'var(--sheet)',
          stroke: colour,
        }),
      );
      break;
    case 'brackets':
      group.append(
        make('path', {
          d: `M${x + 5} ${y}h-4v11h4M${x + 13} ${y}h4v11h-4`,
          fill: 'none',
          stroke: colour,
          'stroke-width': 2,
        }),
      );
      break;
    default:
      group.append(
        make('line', {
          ...stroke,
          ...(mark === 'line' ? {} : { 'stroke-dasharray': mark === 'dotted' ? '2 3' : '7 3' }),
        }),
      );
  }
  group.append(words(x + 24, y + 10, word, { 'font-size': 11.5 }));
  return group;
}
