import { scaleBand, scaleLinear } from 'd3-scale';
import type { Row, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, NONE, percentTick, shortTick, signed } from '../../../format/figures';
import { singular } from '../../../format/nouns';
import { ChartFrame, FigureTable } from '../../../marks/ChartFrame';
import { goalPlace, laneMarks, laneScale, zeroPlace, type LaneMarks } from '../../../marks/Lane';
import { lanesLegend } from '../../../marks/lanesSvg';
import { toneColour } from '../../../marks/tones';
import { figuresOf, laneOf, spanText, statusOf, varianceOf, type Item } from '../rows';
import { t } from '../words';

const MOST = 24;
const WIDTH = 860;
const HEIGHT = 380;
const TOP = 22;
const BOTTOM = 96;
const EDGE = 52;
const LETTERS = 18;

interface ColumnsViewProps {
  standing: Standing;
  items: Item[];
  view: View;
  onSelect: (id: string) => void;
}

/**
 * The lanes of few rows stood up as columns on one goal line. Rows are chosen by click, or by j and
 * k as everywhere; figures stand in the table behind f.
 */
export default function ColumnsView({ standing, items, view, onSelect }: ColumnsViewProps) {
  const all = items.filter((item) => item.kind === 'row');
  const shown = all.slice(0, MOST);
  if (shown.length === 0) return <p className="text-quiet">{t('columnsView.none')}</p>;
  const { goal, measureName: measure } = standing;
  const axis = singular(standing.axis);
  const span = spanText(standing);
  const title =
    view.basis.kind === 'none'
      ? t('columnsView.title', { measure, axis, span })
      : t('columnsView.titleVs', { measure, goal, axis, span });
  return (
    <div className="min-h-0 flex-1 overflow-auto border-b border-rule bg-sheet p-3">
      <ChartFrame
        title={title}
        level={2}
        legend={lanesLegend(standing.goal, standing.direction)}
        table={<Figures rows={all.map(({ row }) => row)} />}
      >
        <Columns
          shown={shown}
          standing={standing}
          lanes={view.lanes}
          selected={view.selected}
          onSelect={onSelect}
        />
      </ChartFrame>
      {all.length > MOST && (
        <p className="text-quiet">{t('columnsView.more', { shown: MOST, all: all.length })}</p>
      )}
    </div>
  );
}

interface ColumnsProps {
  shown: Item[];
  standing: Standing;
  lanes: View['lanes'];
  selected: string | null;
  onSelect: (id: string) => void;
}

function Columns({ shown, standing, lanes, selected, onSelect }: ColumnsProps) {
  const readings = shown.map(({ row }) => laneOf(row));
  const scale = laneScale(readings, lanes);
  const x = scaleBand()
    .domain(shown.map(({ id }) => id))
    .range([EDGE, WIDTH])
    .paddingInner(0.3)
    .paddingOuter(0.15);
  const floor = HEIGHT - BOTTOM;
  const y = scaleLinear().domain([scale.least, scale.most]).range([floor, TOP]);
  const at = (place: number) => floor - place * (floor - TOP);
  const line = goalPlace(scale);
  const tick = lanes === 'percent' || standing.unit === 'rate' ? percentTick : shortTick;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-[1100px]"
      fontSize={12}
      role="img"
      aria-label={t('columnsView.describe', {
        axis: singular(standing.axis),
        figures: shown.map(({ row }) => said(row)).join(' '),
      })}
    >
      {y.ticks(6).map((value) => (
        <g key={value}>
          <line x1={EDGE} x2={WIDTH} y1={y(value)} y2={y(value)} stroke="var(--rule)" />
          <text x={EDGE - 8} y={y(value) + 4} textAnchor="end" fontSize={11} fill="var(--quiet)">
            {tick(value)}
          </text>
        </g>
      ))}
      {shown.map(({ id, row }, place) => {
        const left = x(id) ?? 0;
        const middle = left + x.bandwidth() / 2;
        const marks = laneMarks(readings[place] ?? row, scale, standing.direction);
        const top = at(marks ? highestOf(marks) : 0);
        return (
          // a shortcut of j and k, which choose rows here too
          <g key={id} onClick={() => onSelect(id)} className="cursor-pointer">
            <title>{said(row)}</title>
            <rect
              x={left - 2}
              y={TOP - 18}
              width={x.bandwidth() + 4}
              height={HEIGHT - TOP + 18}
              fill="var(--select-ground)"
              opacity={id === selected ? 1 : 0}
            />
            {marks && (
              <Column
                marks={marks}
                left={left}
                width={x.bandwidth()}
                at={at}
                colour={toneColour(readings[place]?.tone ?? 'neutral')}
                isBadPast={standing.direction !== 'HIGHER'}
                hasOwnGoal={lanes === 'amount'}
              />
            )}
            <text x={middle} y={top - 5} textAnchor="middle" fontSize={11.5} fill="var(--ink)">
              {percentText(row)}
            </text>
            <text
              x={middle}
              y={floor + 14}
              textAnchor="end"
              transform={`rotate(-40 ${middle} ${floor + 14})`}
              fill="var(--ink)"
            >
              {shortened(row.name)}
            </text>
          </g>
        );
      })}
      <line
        x1={EDGE}
        x2={WIDTH}
        y1={at(zeroPlace(scale))}
        y2={at(zeroPlace(scale))}
        stroke="var(--quiet)"
      />
      {line !== null && (
        <line
          x1={EDGE}
          x2={WIDTH}
          y1={at(line)}
          y2={at(line)}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
    </svg>
  );
}

/** The place of the highest mark of a column, above which its figure stands. */
function highestOf({ bar, gap, excess, goal, yearBefore }: LaneMarks): number {
  return Math.max(bar[1], gap?.[1] ?? 0, excess?.[1] ?? 0, goal ?? 0, (yearBefore ?? 0) + 0.01);
}

interface ColumnProps {
  marks: LaneMarks;
  left: number;
  width: number;
  /** From a place between 0 and 1 to the drawing's own. */
  at: (place: number) => number;
  colour: string;
  isBadPast: boolean;
  /** Whether the goal is drawn on the column: in amounts each has its own. */
  hasOwnGoal: boolean;
}

function Column({ marks, left, width, at, colour, isBadPast, hasOwnGoal }: ColumnProps) {
  const part = ([from, to]: [number, number]) => ({
    y: at(to),
    height: Math.max(0, at(from) - at(to)),
  });
  return (
    <>
      <rect x={left} width={width} {...part(marks.bar)} fill={colour} opacity={0.82} />
      {marks.gap && (
        <rect
          x={left}
          width={width}
          {...part(marks.gap)}
          fill="var(--bad)"
          fillOpacity={0.12}
          stroke="var(--bad)"
          strokeOpacity={0.5}
          strokeDasharray="3 3"
        />
      )}
      {marks.excess && (
        <rect
          x={left - 2}
          width={width + 4}
          {...part(marks.excess)}
          fill={isBadPast ? 'var(--bad)' : 'var(--past)'}
        />
      )}
      {marks.range &&
        marks.range.map((end) => (
          <line
            key={end}
            x1={left - 3}
            x2={left + width + 3}
            y1={at(end)}
            y2={at(end)}
            stroke="var(--ink)"
            strokeWidth={2}
          />
        ))}
      {hasOwnGoal && marks.goal !== null && !marks.range && (
        <line
          x1={left - 3}
          x2={left + width + 3}
          y1={at(marks.goal)}
          y2={at(marks.goal)}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      {marks.yearBefore !== null && (
        <path
          d={`M${left + width / 2} ${at(marks.yearBefore) - 4}l4 4-4 4-4-4Z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
        />
      )}
    </>
  );
}

function Figures({ rows }: { rows: Row[] }) {
  return (
    <FigureTable
      head={[
        t('columnsView.name'),
        t('columnsView.actual'),
        t('columnsView.goal'),
        t('columnsView.variance'),
        t('columnsView.ofGoal'),
        t('columnsView.status'),
      ]}
      rows={rows.map((row) => [
        row.name,
        amount(figuresOf(row).actual),
        amount(figuresOf(row).goal),
        signed(varianceOf(row)),
        percentText(row),
        statusOf(row),
      ])}
    />
  );
}

const percentText = ({ spoken }: Row) =>
  spoken.percentShown === null ? NONE : amount(spoken.percentShown);

const said = (row: Row) =>
  t('columnsView.one', { name: row.name, percent: percentText(row), status: statusOf(row) });

const shortened = (name: string) =>
  name.length > LETTERS ? `${name.slice(0, LETTERS - 1)}…` : name;
