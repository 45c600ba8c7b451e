import { scaleLinear } from 'd3-scale';
import type { Part } from '../api/types';
import { signed } from '../format/figures';
import { t } from './words';

const WIDTH = 352;
const ROW = 22;
const LABEL = 118;
const FIGURE = 84;

/** What a variance is made of: a bar per part, to the left of the line where it is unfavourable. */
export function PartsChart({
  parts,
  figureOf,
}: {
  parts: Part[];
  figureOf: (part: Part) => string;
}) {
  const values = parts.map((part) => Number(part.favourable));
  const most = Math.max(...values.map(Math.abs)) || 1;
  const x = scaleLinear()
    .domain([Math.min(0, ...values) < 0 ? -most : 0, Math.max(0, ...values) > 0 ? most : 0])
    .range([LABEL + 4, WIDTH - FIGURE]);
  const height = parts.length * ROW + 4;
  const words = parts.map((part) => `${part.name} ${figureOf(part)}`).join('; ');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full"
      role="img"
      aria-label={t('partsChart.whereTheVarianceComesFrom', { words })}
      fontSize="11.5"
    >
      {parts.map((part, at) => {
        const value = values[at] ?? 0;
        const top = at * ROW + 3;
        return (
          <g key={part.key + part.name}>
            <text x="0" y={top + 12} fill="var(--ink)">
              {shorten(part.name)}
            </text>
            <rect
              x={Math.min(x(0), x(value))}
              width={Math.abs(x(value) - x(0))}
              y={top + 3}
              height="11"
              fill={value < 0 ? 'var(--bad)' : 'var(--good)'}
              opacity="0.84"
            />
            <text x={WIDTH} y={top + 12} textAnchor="end" fill="var(--ink)">
              {figureOf(part)}
            </text>
          </g>
        );
      })}
      <line x1={x(0)} x2={x(0)} y1="0" y2={height} stroke="var(--ink)" strokeWidth="1.4" />
    </svg>
  );
}

function shorten(name: string): string {
  return name.length > 20 ? `${name.slice(0, 19)}…` : name;
}

/** The parts as rows of figures. */
export function partRows(parts: Part[]): string[][] {
  return parts.map((part) => [part.name, signed(part.variance)]);
}
