import { scaleLinear, scalePoint } from 'd3-scale';
import { shortMonth } from '../format/figures';

const WIDTH = 352;
const HEIGHT = 150;
const BOTTOM = 18;
const EDGE = 62;

/** A line over months; missing months leave a gap. */
export interface Line {
  name: string;
  values: (number | null)[];
  /** Thinner and quieter, such as an average. */
  isQuiet?: boolean;
}

interface LinesChartProps {
  months: string[];
  lines: Line[];
  /** A level that all lines are read against, such as 1 for 100 % of goal. */
  level?: number;
  describe: string;
  width?: number;
  /** How a level is written at the chart's edge. */
  textOf: (value: number) => string;
}

const DASHES = [undefined, '7 3', '2 3', '9 3 2 3'];
const COLOURS = ['var(--select)', 'var(--near)', 'var(--good)', 'var(--bad)'];

/** Lines over the same months, told apart by dash and name, colour only third. */
export function LinesChart({
  months,
  lines,
  level,
  describe,
  width = WIDTH,
  textOf,
}: LinesChartProps) {
  const values = lines.flatMap((line) => line.values.filter((value) => value !== null));
  const x = scalePoint()
    .domain(months)
    .range([EDGE, width - 14]);
  const low = Math.min(...values, level ?? Infinity);
  const high = Math.max(...values, level ?? -Infinity);
  const y = scaleLinear()
    .domain(low === high ? [low - 1, high + 1] : [low, high])
    .nice(4)
    .range([HEIGHT - BOTTOM - 6, 10]);
  const steps = Number.isFinite(low) ? y.ticks(4) : [];
  return (
    <svg viewBox={`0 0 ${width} ${HEIGHT}`} className="w-full" role="img" aria-label={describe}>
      {level !== undefined && (
        <line
          x1={EDGE - 6}
          x2={width}
          y1={y(level)}
          y2={y(level)}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {(level === undefined || steps.includes(level) ? steps : [...steps, level]).map((value) => (
        <text
          key={value}
          x={EDGE - 10}
          y={y(value) + 3.5}
          textAnchor="end"
          fontSize="10.5"
          fill={value === level ? 'var(--ink)' : 'var(--quiet)'}
        >
          {textOf(value)}
        </text>
      ))}
      {lines.map((line, at) => (
        <path
          key={line.name}
          d={pathOf(line.values, (place) => x(months[place] ?? '') ?? 0, y)}
          fill="none"
          stroke={line.isQuiet ? 'var(--quiet)' : (COLOURS[at % COLOURS.length] ?? 'var(--ink)')}
          strokeWidth={line.isQuiet ? 1.5 : 2.4}
          strokeDasharray={line.isQuiet ? '3 3' : DASHES[at % DASHES.length]}
          strokeLinejoin="round"
        />
      ))}
      {months.map((month) => (
        <text
          key={month}
          x={x(month)}
          y={HEIGHT - 4}
          textAnchor="middle"
          fontSize="10.5"
          fill="var(--quiet)"
        >
          {shortMonth(month)}
        </text>
      ))}
    </svg>
  );
}

function pathOf(
  values: (number | null)[],
  x: (place: number) => number,
  y: (value: number) => number,
): string {
  let isDrawing = false;
  return values
    .map((value, place) => {
      if (value === null) {
        isDrawing = false;
        return '';
      }
      const step = `${isDrawing ? 'L' : 'M'}${x(place).toFixed(1)} ${y(value).toFixed(1)}`;
      const dot = isDrawing ? '' : `l0.01 0`;
      isDrawing = true;
      return step + dot;
    })
    .join('');
}

/** How each line is drawn, beside its name. */
export function LinesKey({ lines }: { lines: Line[] }) {
  return (
    <ul className="mt-1 flex flex-wrap gap-x-4 text-[12px] text-quiet">
      {lines.map((line, at) => (
        <li key={line.name} className="flex items-center gap-1.5">
          <svg width="26" height="8" aria-hidden="true">
            <line
              x1="0"
              x2="26"
              y1="4"
              y2="4"
              stroke={line.isQuiet ? 'var(--quiet)' : (COLOURS[at % COLOURS.length] ?? '')}
              strokeWidth={line.isQuiet ? 1.5 : 2.4}
              strokeDasharray={line.isQuiet ? '3 3' : DASHES[at % DASHES.length]}
            />
          </svg>
          {line.name}
        </li>
      ))}
    </ul>
  );
}
