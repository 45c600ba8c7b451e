import { useMemo, useState, type ReactNode } from 'react';
import type { Row, Standing } from '../../../api/types';
import type { LastColumn, View } from '../../../address/useView';
import { amount } from '../../../format/figures';
import { capital, count, countOf, plural, singular } from '../../../format/nouns';
import { marksOf, type Held } from '../../../ui/picks';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { VirtualRows } from '../../../ui/VirtualRows';
import { goalPlace, laneScale } from '../../../marks/Lane';
import { allReadings, decimalsOf, gridOf, widthsOf } from './columns';
import { CompanyGoalLine, CorrectionsLine, NoGoalLine, UnsplitLine } from './ExtraLines';
import { Line, ROW_HEIGHT, type LineLook } from './StandingLine';
import { laneOf, nextSort, readSort, sortWord, TOTAL, type Item, type SortKey } from '../rows';
import { reachedWords } from '../reached';
import { t } from '../words';

const HEAD_HEIGHT = 42;

interface StandingTableProps {
  standing: Standing;
  items: Item[];
  view: View;
  selected: string;
  onSelect: (id: string, held?: Held) => void;
  onSort: (sort: string) => void;
  onToggle: (group: string) => void;
  onWiden: () => void;
  onCorrections: () => void;
}

/** Total and "no goal" line on top, then the rows, all lanes on one goal line. */
export function StandingTable(props: StandingTableProps) {
  const { standing, items, view, selected, onSelect } = props;
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW_HEIGHT);
  const look = useMemo(() => lookOf(standing, view), [standing, view]);
  const hasNoGoalLine =
    standing.noGoal.members + standing.unassigned.lines > 0 && standing.summary.membersWithGoal > 0;
  // what stays on top while the rows scroll beneath it
  const extraLines = [
    standing.companyGoal && <CompanyGoalLine key="company-goal" standing={standing} look={look} />,
    hasNoGoalLine && <NoGoalLine key="no-goal" standing={standing} look={look} />,
    (standing.corrections?.lines ?? 0) > 0 && (
      <CorrectionsLine
        key="corrections"
        standing={standing}
        look={look}
        onOpen={props.onCorrections}
      />
    ),
    standing.unsplit && <UnsplitLine key="unsplit" standing={standing} look={look} />,
  ].filter(Boolean);
  const topRows = 2 + extraLines.length;
  const topHeight = HEAD_HEIGHT + ROW_HEIGHT * (topRows - 1);
  const widths = useMemo(
    () => widthsOf(allReadings(standing), look.decimals),
    [standing, look.decimals],
  );
  const { highest, lowest } = standing.summary;
  const extremeOf = (row: Row) => {
    if (standing.summary.members < 3 || standing.group !== null) return undefined;
    if (row.key === highest?.key) return 'highest' as const;
    return row.key === lowest?.key ? ('lowest' as const) : undefined;
  };
  const lineOf = (item: Item, at: number) => (
    <Line
      look={look}
      name={
        item.row.name || t('standingTable.no', { group: singular(standing.group ?? standing.axis) })
      }
      under={underOf(item, standing, view)}
      reading={item.row}
      rowIndex={at + topRows + 1}
      extreme={item.kind === 'row' ? extremeOf(item.row) : undefined}
      kind={item.kind === 'group' ? 'group' : standing.groups && !view.isFlat ? 'inner' : 'row'}
      isOpen={item.isOpen}
      onToggle={() => props.onToggle(item.row.key)}
      isShaded
      {...marksOf({ selected, picked: view.picked }, item.id)}
      onSelect={(held) => onSelect(item.id, held)}
    />
  );
  return (
    <div
      ref={setScroll}
      className="print-whole mb-1 min-h-0 overflow-auto border-b xl:mb-3 border-rule bg-sheet"
      data-testid="standing-scroll"
    >
      <div
        ref={setGrid}
        role="grid"
        aria-label={t('standingTable.standingBy', { axis: singular(standing.axis) })}
        aria-rowcount={items.length + topRows}
        aria-multiselectable
        className="relative min-w-[640px]"
        style={widths}
      >
        <div className="sticky top-0 z-10 bg-sheet">
          <HeadLine standing={standing} view={view} look={look} onSort={props.onSort} />
          <div role="rowgroup">
            <Line
              look={look}
              rowIndex={2}
              name={t('standingTable.all', { axis: plural(standing.axis) })}
              under={totalNote(standing)}
              reading={standing.total}
              kind="total"
              isSelected={selected === TOTAL}
              onSelect={() => onSelect(TOTAL)}
            />
            {extraLines}
          </div>
        </div>
        <VirtualRows
          items={items}
          keyOf={(item) => item.id}
          height={ROW_HEIGHT}
          top={topHeight}
          scroll={scroll}
          selectedAt={items.findIndex((item) => item.id === selected)}
        >
          {lineOf}
        </VirtualRows>
        <Foot standing={standing} onWiden={props.onWiden} />
      </div>
    </div>
  );
}

function lookOf(standing: Standing, { basis, lanes, lastColumn }: View): LineLook {
  const readings = allReadings(standing);
  return {
    scale: laneScale((lanes === 'amount' ? standing.rows : readings).map(laneOf), lanes),
    decimals: decimalsOf(readings),
    direction: standing.direction,
    stretches: standing.stretches,
    hasGoals: readings.some((r) => r.attainment !== null),
    hasBeside: standing.beside !== null,
    unit: standing.unit,
    rungs: standing.rung.rungs,
    months: monthsIn(standing),
    isRunning: standing.openMonth !== null,
    isPlain: basis.kind === 'none',
    lastColumn: basis.kind === 'none' && isShare(lastColumn) ? 'year' : lastColumn,
  };
}

/** How many months the span has. */
function monthsIn({ from, to }: Standing): number {
  const number = (month: string) => Number(month.slice(0, 4)) * 12 + Number(month.slice(5, 7));
  return number(to) - number(from) + 1;
}

interface HeadLineProps {
  standing: Standing;
  view: View;
  look: LineLook;
  onSort: (sort: string) => void;
}

function HeadLine({ standing, view, look, onSort }: HeadLineProps) {
  const unit =
    standing.unit === 'count' ? '' : standing.unit === 'rate' ? ', %' : `, ${standing.unit}`;
  const place = goalPlace(look.scale);
  const head = { view, onSort };
  const isToDate = standing.total.spoken.kind === 'to-date';
  return (
    <div role="rowgroup">
      <div
        role="row"
        aria-rowindex={1}
        className={`${gridOf(look)} items-end border-b border-ink pb-1.5 text-[12px] font-semibold text-quiet`}
        style={{ height: HEAD_HEIGHT }}
      >
        <Head sortKey="name" {...head} className="pl-2">
          {capital(singular(standing.axis))}
        </Head>
        <Head sortKey="actual" {...head}>
          {t('standingTable.actual', { unit })}
        </Head>
        <Head sortKey="goal" {...head} className="of-goal pr-2 text-right">
          {standing.isRange ? t('standingTable.range') : t('standingTable.goal')}
        </Head>
        <Head sortKey="favourable" {...head} className="of-goal pr-2 text-right">
          {isToDate ? t('standingTable.varianceToDate') : t('standingTable.variance')}
        </Head>
        {look.hasBeside && (
          <>
            <span role="columnheader" className="pr-2 text-right leading-tight">
              {t('standingTable.vs', { beside: standing.beside })}
            </span>
            <span role="columnheader" className="pr-2 text-right">
              {t('standingTable.of', { beside: standing.beside })}
            </span>
          </>
        )}
        <span role="columnheader" className="relative h-full">
          {look.hasGoals && place !== null && (
            <span
              className="absolute bottom-0 -translate-x-1/2 font-bold text-ink"
              style={{ left: `${place * 100}%` }}
            >
              {standing.isRange ? t('standingTable.middle') : t('standingTable.goal2')}
            </span>
          )}
        </span>
        <Head sortKey="attainment" {...head} className="of-goal pr-2 text-right leading-tight">
          {standing.companyGoal
            ? t('standingTable.ofCompanyGoal')
            : isToDate
              ? t('standingTable.toDate')
              : t('standingTable.ofGoal')}
        </Head>
        <span role="columnheader" className="of-goal pl-3">
          {t('standingTable.status')}
        </span>
        <Head
          sortKey={LAST_SORT[look.lastColumn]}
          {...head}
          className="standing-wide pr-2 text-right leading-tight"
        >
          {LAST_WORDS[look.lastColumn]}
        </Head>
      </div>
    </div>
  );
}

/** What the last column is called, and sorted by; what remains of a goal falls as its percent rises. */
const LAST_WORDS: Record<LastColumn, string> = {
  year: t('standingTable.changeVsLastYear'),
  period: t('standingTable.changeVsPriorPeriod'),
  remaining: t('standingTable.remaining'),
  over: t('standingTable.over'),
};
const LAST_SORT: Record<LastColumn, SortKey> = {
  year: 'growthOnYear',
  period: 'growth',
  remaining: 'remaining',
  over: 'over',
};
const isShare = (column: LastColumn) => column === 'remaining' || column === 'over';

interface HeadProps {
  sortKey: SortKey;
  view: View;
  onSort: (sort: string) => void;
  className?: string;
  children: ReactNode;
}

function Head({ sortKey, view, onSort, className, children }: HeadProps) {
  const sort = readSort(view.sort);
  const isSorted = sort.key === sortKey;
  const order = sort.isFalling ? 'descending' : 'ascending';
  return (
    <span
      role="columnheader"
      aria-sort={isSorted ? order : undefined}
      className={className ?? 'pr-2 text-right'}
    >
      <button
        type="button"
        {...gridStop}
        onClick={() => onSort(sortWord(nextSort(sort, sortKey)))}
        className={`hover:text-ink ${isSorted ? 'text-ink' : ''}`}
      >
        {children}
        {isSorted && <span aria-hidden="true"> {sort.isFalling ? '↓' : '↑'}</span>}
      </button>
    </span>
  );
}

function Foot({ standing, onWiden }: { standing: Standing; onWiden: () => void }) {
  const { members, actual, shortfallShareShown } = standing.leftOut;
  if (members > 0) {
    return (
      <p className="px-2 py-2 text-quiet">
        {t('standingTable.notShownTotalAndHeadline', {
          members: count(members, 'row'),
          actual:
            actual !== null &&
            standing.unit !== 'rate' &&
            t('standingTable.withTogether', { actual: amount(actual) }),
          shortfallShareShown:
            shortfallShareShown !== null &&
            t('standingTable.theseRowsAccountForOf', { shortfallShareShown }),
        })}
        <button
          type="button"
          onClick={onWiden}
          className="no-print min-h-6 font-semibold text-select underline"
        >
          {t('standingTable.showAll')}
        </button>
      </p>
    );
  }
  return standing.rows.length === 0 && (standing.groups ?? []).length === 0 ? (
    <p className="px-2 py-2 text-quiet">{t('standingTable.noRowsNothingIsPosted')}</p>
  ) : null;
}

function underOf(item: Item, standing: Standing, view: View): string | undefined {
  const { row } = item;
  if (item.kind === 'group') {
    const inside = standing.rows.filter((one) => one.group === row.key).length;
    return countOf(inside, standing.axis);
  }
  if (standing.groups && view.isFlat)
    return row.group || t('standingTable.no2', { group: singular(standing.group ?? '') });
  if (row.place !== undefined && row.place === row.group) return undefined;
  return row.place ?? (row.name === row.key ? undefined : row.key);
}

function totalNote(standing: Standing): string {
  const { membersWithGoal } = standing.summary;
  if (standing.companyGoal) return t('standingTable.sharesOfTheCompany');
  return membersWithGoal === 0
    ? t('standingTable.noneWithAGoal')
    : reachedWords(standing) ||
        t('standingTable.withAGoal', { membersWithGoal: amount(String(membersWithGoal)) });
}
