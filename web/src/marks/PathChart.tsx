import { scaleBand, scaleLinear } from 'd3-scale';
import type { MonthReading } from '../api/types';
import { amount, monthName, shortMonth } from '../format/figures';
import { toneColour } from './tones';

const WIDTH = 352;
const HEIGHT = 168;
const BOTTOM = 18;

/** Month by month: bars for the actuals, a short line for each goal. Its table is one key away. */
export function PathChart({
  months,
  isIn,
}: {
  months: MonthReading[];
  isIn: (m: string) => boolean;
}) {
  const values = months.flatMap((m) => [Number(m.reading.actual), Number(m.reading.goal ?? 0)]);
  const x = scaleBand()
    .domain(months.map((m) => m.month))
    .range([0, WIDTH])
    .paddingInner(0.26);
  const y = scaleLinear()
    .domain([Math.min(0, ...values), Math.max(1, ...values)])
    .range([HEIGHT - BOTTOM, 8]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={describe(months)}
    >
      <line x1="0" x2={WIDTH} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
      {months.map((month) => {
        const left = x(month.month) ?? 0;
        const actual = Number(month.reading.actual);
        const goal = month.reading.goal === null ? null : Number(month.reading.goal);
        const isEmpty = actual === 0 && month.state === 'empty';
        return (
          <g key={month.month}>
            {!isEmpty && (
              <rect
                x={left}
                width={x.bandwidth()}
                y={Math.min(y(actual), y(0))}
                height={Math.abs(y(actual) - y(0))}
                fill={toneColour(month.reading.tone)}
                opacity={isIn(month.month) ? 0.88 : 0.4}
              />
            )}
            {goal !== null && (
              <line
                x1={left - 3}
                x2={left + x.bandwidth() + 3}
                y1={y(goal)}
                y2={y(goal)}
                stroke={isEmpty ? 'var(--quiet)' : 'var(--ink)'}
                strokeWidth={isEmpty ? 1.5 : 2}
              />
            )}
            <text
              x={left + x.bandwidth() / 2}
              y={HEIGHT - 4}
              textAnchor="middle"
              fontSize="10.5"
              fill={isIn(month.month) ? 'var(--ink)' : 'var(--quiet)'}
              fontWeight={isIn(month.month) ? 600 : 400}
            >
              {shortMonth(month.month)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function describe(months: MonthReading[]): string {
  const shown = months.filter((m) => m.state !== 'empty');
  const parts = shown.map(
    (m) =>
      `${monthName(m.month)} ${amount(m.reading.actual)}` +
      (m.reading.goal === null ? '' : ` of ${amount(m.reading.goal)}`),
  );
  return `Month by month: ${parts.join('; ') || 'nothing posted'}`;
}
