import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, type CSSProperties, type ReactNode } from 'react';
import type { Reading, Row, Standing } from '../../api/types';
import type { View } from '../../app/useView';
import { amount, count, growth, hasFraction, NONE, signed } from '../../format/figures';
import { goalPlace, Lane, laneDomain } from '../../marks/Lane';
import { shadeColour, shadePositions } from '../../marks/shading';
import { StatusMark } from '../../marks/StatusMark';
import { toneText } from '../../marks/tones';
import { nextSort, readSort, sortWord, type SortKey } from './standing';
import { TOTAL } from './useStanding';

const ROW_HEIGHT = 37;
const HEAD_HEIGHT = 42;
const COLUMNS =
  'grid grid-cols-[minmax(130px,164px)_var(--actual)_var(--goal)_var(--variance)_minmax(90px,1fr)_60px_106px] xl:grid-cols-[164px_var(--actual)_var(--goal)_var(--variance)_minmax(90px,1fr)_60px_106px_72px] 2xl:grid-cols-[240px_var(--actual)_var(--goal)_var(--variance)_minmax(90px,1fr)_60px_106px_72px]';
const DIGIT_WIDTH = 7.9;
const LEAST_WIDTH = 88;

/** Whether a column shows decimals: where any of its figures has some. */
interface Decimals {
  actual: 'keep' | 'drop';
  goal: 'keep' | 'drop';
  variance: 'keep' | 'drop';
}

interface StandingTableProps {
  standing: Standing;
  rows: Row[];
  view: View;
  selected: string;
  onSelect: (key: string) => void;
  onSort: (sort: string) => void;
}

/** Total and "no goal" line on top, then the rows, all lanes on one goal line. */
export function StandingTable(props: StandingTableProps) {
  const { standing, rows, view, selected, onSelect, onSort } = props;
  const scroll = useRef<HTMLDivElement>(null);
  const hasNoGoalLine =
    standing.noGoal.members + standing.unassigned.lines > 0 && standing.summary.membersWithGoal > 0;
  // what stays on top while the rows scroll beneath it
  const topRows = hasNoGoalLine ? 3 : 2;
  const topHeight = HEAD_HEIGHT + ROW_HEIGHT * (topRows - 1);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is memoized here
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    scrollMargin: topHeight,
    scrollPaddingStart: topHeight,
  });
  const domain = useMemo(() => laneDomain([standing.total, ...standing.rows]), [standing]);
  const shades = useMemo(() => shadePositions(rows.map((row) => row.favourable)), [rows]);
  const decimals = useMemo(() => decimalsOf([standing.total, ...standing.rows]), [standing]);
  const widths = useMemo(
    () => widthsOf([standing.total, ...standing.rows], decimals),
    [standing, decimals],
  );
  const hasGoals =
    standing.total.attainment !== null || standing.rows.some((r) => r.attainment !== null);
  const selectedAt = rows.findIndex((row) => row.key === selected);

  useEffect(() => {
    if (selectedAt >= 0) virtual.scrollToIndex(selectedAt, { align: 'auto' });
  }, [selectedAt, virtual]);

  const isLower = standing.direction === 'LOWER';
  const unit = standing.unit === 'count' ? '' : `, ${standing.unit}`;
  const hidden = standing.rows.length - rows.length;
  return (
    <div
      ref={scroll}
      className="print-whole mb-3 min-h-0 overflow-auto border-b border-rule bg-sheet"
      data-testid="standing-scroll"
    >
      <div
        role="table"
        aria-label={`Standing by ${standing.axis}`}
        aria-rowcount={rows.length + topRows}
        className="relative min-w-[640px]"
        style={widths}
      >
        <div className="sticky top-0 z-10 bg-sheet">
          <div role="rowgroup">
            <div
              role="row"
              className={`${COLUMNS} items-end border-b border-ink pb-1.5 text-[12px] font-semibold text-quiet`}
              style={{ height: HEAD_HEIGHT }}
            >
              <Head
                sortKey="name"
                word={capital(standing.axis)}
                view={view}
                onSort={onSort}
                isLeft
              />
              <Head sortKey="actual" word={`Actual${unit}`} view={view} onSort={onSort} />
              <Head sortKey="goal" word="Goal" view={view} onSort={onSort} />
              <Head sortKey="favourable" word="Variance" view={view} onSort={onSort} />
              <span role="columnheader" className="relative h-full">
                {hasGoals && (
                  <span
                    className="absolute bottom-0 -translate-x-1/2 font-bold text-ink"
                    style={{ left: `${goalPlace(domain) * 100}%` }}
                  >
                    goal
                  </span>
                )}
              </span>
              <Head sortKey="attainment" word="To goal, %" view={view} onSort={onSort} />
              <span role="columnheader" className="pl-3">
                Status
              </span>
              <Head sortKey="growth" word="Growth" view={view} onSort={onSort} isWide />
            </div>
          </div>
          <div role="rowgroup">
            <Line
              name={`All ${plural(standing.axis)}`}
              under={totalNote(standing)}
              reading={standing.total}
              isStrong
              isSelected={selected === TOTAL}
              onSelect={() => onSelect(TOTAL)}
              {...{ domain, decimals, isLower, hasGoals }}
            />
            {hasNoGoalLine && (
              <NoGoalLine standing={standing} decimals={decimals} domain={domain} />
            )}
          </div>
        </div>
        <div
          role="rowgroup"
          className="print-whole relative"
          style={{ height: virtual.getTotalSize() }}
        >
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            return row ? (
              <div
                key={row.key}
                className="absolute right-0 left-0"
                style={{ top: item.start - topHeight, height: ROW_HEIGHT }}
                role="presentation"
              >
                <Line
                  name={row.name}
                  under={row.place ?? (row.name === row.key ? undefined : row.key)}
                  reading={row}
                  rowIndex={item.index + topRows + 1}
                  shade={shades[item.index] ?? null}
                  isSelected={row.key === selected}
                  onSelect={() => onSelect(row.key)}
                  {...{ domain, decimals, isLower, hasGoals }}
                />
              </div>
            ) : null;
          })}
        </div>
        {(hidden > 0 || rows.length === 0) && (
          <p className="px-2 py-2 text-quiet">
            {rows.length === 0 && standing.rows.length === 0
              ? 'No row: nothing is posted and no goal is set in this span.'
              : `${count(hidden, 'row')} not shown, as the name does not hold “${view.text}”; total and headline are of all.`}
          </p>
        )}
      </div>
    </div>
  );
}

interface LineProps {
  name: string;
  under?: string | undefined;
  reading: Reading;
  domain: number;
  decimals: Decimals;
  isLower: boolean;
  hasGoals: boolean;
  rowIndex?: number;
  shade?: number | null;
  isStrong?: boolean;
  isSelected: boolean;
  onSelect: () => void;
}

function Line(props: LineProps) {
  const { name, under, reading, domain, decimals, isLower, hasGoals } = props;
  const { shade = null, isStrong } = props;
  const status =
    reading.noReading && reading.tone === 'neutral' ? reading.noReading : reading.status;
  return (
    // the name inside is a button; the whole row is only a larger target for the same
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      role="row"
      tabIndex={-1}
      aria-rowindex={props.rowIndex}
      onClick={props.onSelect}
      style={{ height: ROW_HEIGHT }}
      className={`${COLUMNS} cursor-pointer items-center border-b border-rule ${isStrong ? 'border-ink font-bold' : ''} ${props.isSelected ? 'bg-select-ground' : 'hover:bg-ground/60'}`}
    >
      <span role="rowheader" className="min-w-0 pl-2">
        <button
          type="button"
          aria-current={props.isSelected ? 'true' : undefined}
          className="block w-full min-w-0 text-left leading-tight"
          title={name}
        >
          <span className="block truncate font-semibold">{name}</span>
          {under && (
            <span className="block truncate text-[11.5px] font-normal text-quiet">{under}</span>
          )}
        </button>
      </span>
      <Figure>{amount(reading.actual, decimals.actual)}</Figure>
      <Figure isQuiet>{amount(reading.goal, decimals.goal)}</Figure>
      <span
        role="cell"
        className="flex h-full items-center justify-end pr-2"
        style={{ background: shadeColour(shade) }}
      >
        {signed(reading.variance, decimals.variance)}
      </span>
      <span role="cell" className="relative h-full">
        <Lane reading={reading} domain={domain} isLower={isLower} />
        {hasGoals && <GoalLine domain={domain} />}
      </span>
      <span role="cell" className={`pr-1 text-right font-semibold ${toneText(reading.tone)}`}>
        {reading.percentShown === null ? NONE : amount(reading.percentShown)}
      </span>
      <span role="cell" className="flex items-center pl-3">
        <StatusMark status={status} tone={reading.tone} isPast={reading.status === 'well past'} />
      </span>
      <span role="cell" className="hidden pr-2 text-right text-quiet xl:block">
        {growth(reading.growthShown)}
      </span>
    </div>
  );
}

/** The row's stretch of the one goal line; over the row's rule, so that the stretches join. */
function GoalLine({ domain }: { domain: number }) {
  return (
    <span
      aria-hidden="true"
      className="absolute -top-px -bottom-px w-[2px] -translate-x-1/2 bg-ink"
      style={{ left: `${goalPlace(domain) * 100}%` }}
    />
  );
}

interface NoGoalLineProps {
  standing: Standing;
  decimals: Decimals;
  domain: number;
}

function NoGoalLine({ standing, decimals, domain }: NoGoalLineProps) {
  const { noGoal, unassigned } = standing;
  const lines =
    unassigned.lines > 0 ? `${count(unassigned.lines, 'line')} without a ${standing.axis}` : '';
  const members =
    noGoal.members > 0 ? count(noGoal.members, standing.axis, plural(standing.axis)) : '';
  return (
    <div
      role="row"
      style={{ height: ROW_HEIGHT }}
      className={`${COLUMNS} items-center border-b border-rule text-quiet`}
    >
      <span role="rowheader" className="min-w-0 pl-2 leading-tight">
        <span className="block truncate">No goal assigned</span>
        <span className="block truncate text-[11.5px]">
          {[members, lines].filter(Boolean).join(', ')}
        </span>
      </span>
      <Figure>{amount(noGoal.actual, decimals.actual)}</Figure>
      <Figure>{NONE}</Figure>
      <Figure>{NONE}</Figure>
      <span role="cell" className="relative h-full">
        <GoalLine domain={domain} />
      </span>
      <span role="cell" />
      <span role="cell" />
      <span role="cell" className="hidden xl:block" />
    </div>
  );
}

function Figure({ children, isQuiet }: { children: ReactNode; isQuiet?: boolean }) {
  return (
    <span role="cell" className={`pr-2 text-right ${isQuiet ? 'text-quiet' : ''}`}>
      {children}
    </span>
  );
}

interface HeadProps {
  sortKey: SortKey;
  word: string;
  view: View;
  onSort: (sort: string) => void;
  isLeft?: boolean;
  isWide?: boolean;
}

function Head({ sortKey, word, view, onSort, isLeft, isWide }: HeadProps) {
  const sort = readSort(view.sort);
  const isSorted = sort.key === sortKey;
  const order = sort.isFalling ? 'descending' : 'ascending';
  return (
    <span
      role="columnheader"
      aria-sort={isSorted ? order : undefined}
      className={`${isLeft ? 'pl-2' : 'pr-2 text-right'} ${isWide ? 'hidden xl:block' : ''}`}
    >
      <button
        type="button"
        onClick={() => onSort(sortWord(nextSort(sort, sortKey)))}
        className={`hover:text-ink ${isSorted ? 'text-ink' : ''}`}
      >
        {word}
        {isSorted && <span aria-hidden="true"> {sort.isFalling ? '↓' : '↑'}</span>}
      </button>
    </span>
  );
}

function decimalsOf(readings: Reading[]): Decimals {
  const keep = (is: boolean) => (is ? 'keep' : 'drop');
  const isActualSplit = readings.some((r) => hasFraction(r.actual));
  const isGoalSplit = readings.some((r) => hasFraction(r.goal));
  return {
    actual: keep(isActualSplit),
    goal: keep(isGoalSplit),
    variance: keep(isActualSplit || isGoalSplit),
  };
}

/** Columns as wide as their longest figure, so that large sums do not run into each other. */
function widthsOf(readings: Reading[], decimals: Decimals): CSSProperties {
  const width = (texts: string[]) =>
    `${Math.max(LEAST_WIDTH, Math.ceil(Math.max(...texts.map((t) => t.length)) * DIGIT_WIDTH) + 14)}px`;
  return {
    '--actual': width(readings.map((r) => amount(r.actual, decimals.actual))),
    '--goal': width(readings.map((r) => amount(r.goal, decimals.goal))),
    '--variance': width(readings.map((r) => signed(r.variance, decimals.variance))),
  } as CSSProperties;
}

function totalNote(standing: Standing): string {
  const { membersWithGoal } = standing.summary;
  return membersWithGoal === 0
    ? 'none with a goal'
    : `${amount(String(membersWithGoal))} with a goal`;
}

function plural(axis: string): string {
  return axis === 'company' ? 'companies' : `${axis}s`;
}

function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}
