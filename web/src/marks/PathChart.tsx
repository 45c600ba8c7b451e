import { scaleBand, scaleLinear } from 'd3-scale';
import type { MonthReading, Tone } from '../api/types';
import { amount, monthName, percentTick, shortMonth, shortTick } from '../format/figures';
import type { LegendItem } from './framed';
import { toneColour } from './tones';
import { t } from './words';

const WIDTH = 352;
const HEIGHT = 168;
const BOTTOM = 18;
const EDGE = 46;

interface PathChartProps {
  months: MonthReading[];
  isIn: (month: string) => boolean;
  /** Sums from the first month on instead of each month. */
  isCumulative?: boolean;
}

/** One month as it is drawn. */
interface Bar {
  month: string;
  actual: number | null;
  goal: number | null;
  range: [number, number] | null;
  yearBefore: number | null;
  tone: Tone;
}

function barOf(month: MonthReading, isCumulative: boolean): Bar {
  const { reading, toDate } = month;
  const number = (text: string | null | undefined) => (text == null ? null : Number(text));
  const isEmpty = month.state === 'empty';
  const hasRange = !isCumulative && reading.goalLow !== undefined && reading.goalHigh !== undefined;
  return {
    month: month.month,
    actual: isEmpty ? null : number(isCumulative ? toDate?.actual : reading.actual),
    goal: number(isCumulative ? toDate?.goal : reading.goal),
    range: hasRange ? [Number(reading.goalLow), Number(reading.goalHigh)] : null,
    yearBefore: isCumulative ? null : number(reading.yearBefore),
    tone: isCumulative ? 'neutral' : reading.spoken.tone,
  };
}

/**
 * Month by month: bars for the actuals, a short line for each goal or two for a range, a faint
 * notch for the year before. Its table is one key away.
 */
export function PathChart({ months, isIn, isCumulative = false }: PathChartProps) {
  const bars = months.map((month) => barOf(month, isCumulative));
  const values = bars.flatMap((bar) => [
    bar.actual ?? 0,
    bar.goal ?? 0,
    bar.yearBefore ?? 0,
    ...(bar.range ?? []),
  ]);
  const x = scaleBand()
    .domain(bars.map((bar) => bar.month))
    .range([EDGE, WIDTH - 4])
    .paddingInner(0.26);
  const most = Math.max(...values);
  const y = scaleLinear()
    .domain([Math.min(0, ...values), most > 0 ? most : 1])
    .range([HEIGHT - BOTTOM, 8]);
  const width = x.bandwidth();
  const isRate = months.some((month) => month.reading.rate !== undefined);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={describe(months, isIn)}
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={EDGE - 4} x2={WIDTH} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
          <text x={EDGE - 8} y={y(tick) + 3.5} textAnchor="end" fontSize="10" fill="var(--quiet)">
            {isRate ? percentTick(tick) : shortTick(tick)}
          </text>
        </g>
      ))}
      {bars.map((bar) => {
        const left = x(bar.month) ?? 0;
        const isChosen = isIn(bar.month);
        const stroke = bar.actual === null ? 'var(--quiet)' : 'var(--ink)';
        return (
          <g key={bar.month}>
            {bar.yearBefore !== null && (
              <rect
                x={left - 2}
                width={width + 4}
                y={Math.min(y(bar.yearBefore), y(0))}
                height={Math.abs(y(bar.yearBefore) - y(0))}
                fill="var(--quiet)"
                opacity={0.16}
              />
            )}
            {bar.actual !== null && (
              <rect
                x={left}
                width={width}
                y={Math.min(y(bar.actual), y(0))}
                height={Math.abs(y(bar.actual) - y(0))}
                fill={toneColour(bar.tone)}
                opacity={isChosen ? 0.88 : 0.4}
              />
            )}
            {(bar.range ?? (bar.goal === null ? [] : [bar.goal])).map((level, at) => (
              <line
                key={at}
                x1={left - 3}
                x2={left + width + 3}
                y1={y(level)}
                y2={y(level)}
                stroke={stroke}
                strokeWidth={bar.actual === null ? 1.5 : 2}
              />
            ))}
            <text
              x={left + width / 2}
              y={HEIGHT - 4}
              textAnchor="middle"
              fontSize="10.5"
              fill={isChosen ? 'var(--ink)' : 'var(--quiet)'}
              fontWeight={isChosen ? 600 : 400}
            >
              {shortMonth(bar.month)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** What the chosen months say; the others stand in the figures. */
function describe(months: MonthReading[], isIn: (month: string) => boolean): string {
  const parts = months
    .filter((month) => isIn(month.month))
    .map(({ month, state, reading }) => {
      if (state === 'empty') return t('pathChart.noActualsYet', { month: monthName(month) });
      const { actual, goal } = reading.rate ?? reading;
      const unit = reading.rate ? ' %' : '';
      return (
        `${monthName(month)} ${amount(actual)}${unit}` +
        (goal === null ? '' : t('pathChart.of', { goal: amount(goal), unit }))
      );
    });
  return t('pathChart.monthByMonth', { join: parts.join('; ') || t('pathChart.nothingPosted') });
}

/** What the marks stand for. */
export const PATH_LEGEND: LegendItem[] = [
  { mark: 'bar', colour: 'var(--good)', word: t('pathChart.actualInTheColourOf') },
  { mark: 'line', word: t('pathChart.goal') },
  { mark: 'faint', colour: 'var(--quiet)', word: t('pathChart.lastYear') },
];
