import { useState } from 'react';
import type { Company, Load, Row, Standing } from '../../api/types';
import { useQueries, useQuery } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import type { Path } from '../../api/types';
import { plusMonths } from '../../app/span';
import { wholeQuery, type Changes, type Query, type View } from '../../app/useView';
import { amount, growth, monthName, NONE, signed } from '../../format/figures';
import { ChartFrame, FigureTable } from '../../marks/ChartFrame';
import { Lane, laneScale } from '../../marks/Lane';
import { LinesChart, LinesKey, type Line } from '../../marks/LinesChart';
import { StatusMark } from '../../marks/StatusMark';
import { Choice } from '../../ui/Choice';
import { Failed, Loading } from '../../ui/Notice';
import { figuresOf, rowId, sortRows, readSort } from './standing';
import { plural } from './StandingLine';
import { useStanding } from './useStanding';

const MOST_MEMBERS = 4;

interface CompareViewProps {
  company: Company;
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/** Two to four members, two spans, or the data with and without a load, on the same line. */
export function CompareView({ company, view, standing, change }: CompareViewProps) {
  const loads = useQuery({
    queryKey: ['loads'],
    queryFn: () => ask<Load[]>('/loads'),
  });
  const posted = (loads.data ?? []).filter((load) => load.state === 'posted');
  const options = [
    { value: '', word: `up to four ${plural(view.axis)}` },
    { value: 'month', word: 'this span and the one before' },
    { value: 'year', word: 'this span and a year before' },
    ...posted
      .filter((load) => load.kind === 'actuals')
      .slice(0, 12)
      .map((load) => ({
        value: `load:${load.id}`,
        word: `with and without ${load.file}`,
        remark: `load ${load.id}`,
      })),
  ];
  return (
    <div className="min-h-0 flex-1 overflow-auto pb-3">
      <div className="no-print mb-3">
        <Choice
          label="Compare"
          value={view.compare}
          options={options}
          onChange={(compare) => change({ compare: compare || null })}
        />
      </div>
      {view.compare === '' ? (
        <CompareMembers view={view} standing={standing} change={change} />
      ) : (
        <CompareStandings company={company} view={view} standing={standing} />
      )}
    </div>
  );
}

/** Members side by side: their figures, lanes on one line, months on one chart. */
function CompareMembers({ view, standing, change }: Omit<CompareViewProps, 'company'>) {
  const chosen = view.narrowing.only.length > 0 ? standing.rows.slice(0, MOST_MEMBERS) : [];
  const everybody = useStanding(view, { only: undefined });
  const others = (everybody.data?.rows ?? []).filter(
    (row) => !chosen.some((one) => one.key === row.key),
  );
  const paths = useQueries({
    queries: chosen.map((row) => ({
      queryKey: ['standing', 'compare path', view.axis, row.key, wholeQuery(view)],
      queryFn: () => ask<Path>(pathAddress(view, row.key)),
    })),
  });
  const months = paths[0]?.data?.months ?? [];
  const lines: Line[] = chosen.map((row, at) => ({
    name: row.name,
    values: (paths[at]?.data?.months ?? []).map((month) =>
      month.state === 'empty' || month.reading.attainment === null
        ? null
        : Number(month.reading.attainment) * 100,
    ),
  }));
  const set = (keys: string[]) => change({ only: keys.length === 0 ? null : keys, selected: null });
  const keys = chosen.map((row) => row.key);
  return (
    <>
      <div className="no-print mb-3 flex flex-wrap items-center gap-2">
        {chosen.map((row) => (
          <button
            key={row.key}
            type="button"
            className="min-h-6 rounded-sm border border-rule bg-sheet px-2"
            aria-label={`Take ${row.name} out`}
            onClick={() => set(keys.filter((key) => key !== row.key))}
          >
            {row.name} <span aria-hidden="true">×</span>
          </button>
        ))}
        {chosen.length < MOST_MEMBERS && (
          <Choice
            label="Add"
            value=""
            options={[
              { value: '', word: `a ${view.axis}` },
              ...others.slice(0, 300).map((row) => ({ value: row.key, word: row.name })),
            ]}
            onChange={(key) => key && set([...keys, key])}
          />
        )}
      </div>
      {chosen.length < 2 ? (
        <p className="text-quiet">Choose two to four {plural(view.axis)}.</p>
      ) : (
        <>
          <MemberTable rows={chosen} standing={standing} />
          <div className="max-w-[860px]">
            <ChartFrame
              level={2}
              title="Percent-to-goal by month"
              table={
                <FigureTable
                  head={['Month', ...lines.map((line) => line.name)]}
                  rows={months.map((month, place) => [
                    monthName(month.month),
                    ...lines.map((line) => {
                      const value = line.values[place];
                      return value === null || value === undefined ? NONE : value.toFixed(1);
                    }),
                  ])}
                />
              }
            >
              <LinesChart
                months={months.map((month) => month.month)}
                lines={lines}
                level={100}
                width={860}
                textOf={(value) => `${value.toFixed(1)} %`}
                describe={`Percent-to-goal by month of ${chosen.map((row) => row.name).join(', ')}`}
              />
              <LinesKey lines={lines} />
            </ChartFrame>
          </div>
        </>
      )}
    </>
  );
}

function pathAddress(view: View, key: string): string {
  const asked: Query = { ...wholeQuery(view), axis: undefined };
  return `/standing/${view.axis}/${encodeURIComponent(key)}/path${query(asked)}`;
}

function MemberTable({ rows, standing }: { rows: Row[]; standing: Standing }) {
  const scale = laneScale(rows, 'percent');
  const figures: [string, (row: Row) => string][] = [
    ['Actual', (row) => amount(figuresOf(row).actual)],
    ['Goal', (row) => amount(figuresOf(row).goal)],
    ['Variance', (row) => signed(figuresOf(row).variance)],
    ['To goal, %', (row) => amount(row.percentShown)],
    ['Growth', (row) => growth(row.growthShown)],
  ];
  return (
    <div className="mb-5 overflow-x-auto bg-sheet">
      <table className="w-full" aria-label="Members compared">
        <thead>
          <tr className="border-b border-ink text-left">
            <th scope="col" className="p-2 font-semibold text-quiet">
              {standing.axis}
            </th>
            {figures.map(([name]) => (
              <th key={name} scope="col" className="p-2 text-right font-semibold text-quiet">
                {name}
              </th>
            ))}
            <th scope="col" className="w-[32%] p-2 font-semibold text-quiet">
              On one line
            </th>
            <th scope="col" className="p-2 font-semibold text-quiet">
              Status
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={rowId(row)} className="border-b border-rule">
              <th scope="row" className="p-2 text-left">
                {row.name}
                <span className="block text-[11.5px] font-normal text-quiet">{row.place}</span>
              </th>
              {figures.map(([name, textOf]) => (
                <td key={name} className="p-2 text-right whitespace-nowrap">
                  {textOf(row)}
                </td>
              ))}
              <td className="relative h-[44px] p-0">
                <div className="absolute inset-0">
                  <Lane reading={row} scale={scale} direction={standing.direction} isLarge />
                  <span
                    aria-hidden="true"
                    className="absolute top-0 bottom-0 w-[2px] bg-ink"
                    style={{ left: `${(100 * (1 - scale.least)) / (scale.most - scale.least)}%` }}
                  />
                </div>
              </td>
              <td className="p-2">
                <StatusMark status={row.noReading ?? row.status} tone={row.tone} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The other standing of a comparison: of another span, or without a load. */
function otherOf(view: View): { changes: Query; now: string; then: string } {
  const { from, to } = view.span;
  const load = /^load:(\d+)$/.exec(view.compare)?.[1];
  if (load) return { changes: { without: load }, now: 'with it', then: 'without it' };
  const length = monthsBetween(from, to);
  const back = view.compare === 'year' ? 12 : length;
  const span = { from: plusMonths(from, -back), to: plusMonths(to, -back) };
  const words = (first: string, last: string) =>
    first === last ? monthName(last) : `${monthName(first)} to ${monthName(last)}`;
  return {
    changes: { ...span, asOf: undefined },
    now: words(from, to),
    then: words(span.from, span.to),
  };
}

function monthsBetween(from: string, to: string): number {
  const number = (month: string) => Number(month.slice(0, 4)) * 12 + Number(month.slice(5));
  return number(to) - number(from) + 1;
}

function CompareStandings({
  view,
  standing,
}: Pick<CompareViewProps, 'company' | 'view' | 'standing'>) {
  const other = otherOf(view);
  const [isOnlyChanged, setOnlyChanged] = useState(view.compare.startsWith('load:'));
  const before = useStanding(view, { ...other.changes, beside: undefined, group: undefined });
  if (before.isPending) return <Loading what="the other standing" />;
  if (before.isError) {
    return <Failed error={before.error} onRetry={() => void before.refetch()} />;
  }
  const thenOf = new Map(before.data.rows.map((row) => [row.key, row]));
  const nowKeys = new Set(standing.rows.map((row) => row.key));
  const gone = before.data.rows.filter((row) => !nowKeys.has(row.key));
  const pairs = [
    ...sortRows(standing.rows, readSort(view.sort)).map((now) => ({
      row: now,
      now,
      then: thenOf.get(now.key) ?? null,
    })),
    ...gone.map((then) => ({ row: then, now: null, then })),
  ].filter(({ now, then }) => !isOnlyChanged || now?.actual !== then?.actual);
  const isJudged = before.data.rows.some((row) => row.attainment !== null);
  const scale = laneScale([...standing.rows, ...before.data.rows], isJudged ? 'percent' : 'amount');
  const line = `${(100 * (1 - scale.least)) / (scale.most - scale.least)}%`;
  return (
    <div className="overflow-x-auto bg-sheet">
      <label className="no-print flex min-h-8 items-center gap-1.5 px-2">
        <input
          type="checkbox"
          checked={isOnlyChanged}
          onChange={(event) => setOnlyChanged(event.target.checked)}
        />
        only rows that differ
      </label>
      <table className="w-full" aria-label="Standings compared">
        <thead>
          <tr className="border-b border-ink text-quiet">
            {[standing.axis, other.then, other.now, 'Change', 'Variance then', 'Variance now'].map(
              (word, at) => (
                <th
                  key={word}
                  scope="col"
                  className={`p-2 font-semibold ${at === 0 ? 'text-left' : 'text-right'}`}
                >
                  {word}
                </th>
              ),
            )}
            <th scope="col" className="w-[26%] p-2 text-left font-semibold">
              Then above, now below
            </th>
            <th scope="col" className="p-2 text-left font-semibold">
              Status
            </th>
          </tr>
        </thead>
        <tbody>
          <CompareLine
            name={`All ${plural(standing.axis)}`}
            now={standing.total}
            then={before.data.total}
            {...{ scale, line, standing }}
          />
          {pairs.map(({ row, now, then }) => (
            <CompareLine
              key={rowId(row)}
              name={row.name}
              {...{ now, then, scale, line, standing }}
            />
          ))}
        </tbody>
      </table>
      {pairs.length === 0 && <p className="p-2 text-quiet">No row differs.</p>}
    </div>
  );
}

interface CompareLineProps {
  name: string;
  now: Standing['total'] | null;
  then: Standing['total'] | null;
  scale: ReturnType<typeof laneScale>;
  line: string;
  standing: Standing;
}

function CompareLine({ name, now, then, scale, line, standing }: CompareLineProps) {
  const status = (reading: Standing['total'] | null) =>
    reading ? (reading.noReading ?? reading.status) : NONE;
  const isSame = status(now) === status(then);
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="p-2 text-left">
        {name}
      </th>
      <td className="p-2 text-right whitespace-nowrap text-quiet">
        {amount(then ? figuresOf(then).actual : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">
        {amount(now ? figuresOf(now).actual : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">
        {differenceOf(then?.actual ?? null, now?.actual ?? null, standing)}
      </td>
      <td className="p-2 text-right whitespace-nowrap text-quiet">
        {signed(then ? figuresOf(then).variance : null)}
      </td>
      <td className="p-2 text-right whitespace-nowrap">
        {signed(now ? figuresOf(now).variance : null)}
      </td>
      <td className="relative h-[44px] p-0">
        <div className="absolute inset-x-0 top-0 h-1/2 opacity-60">
          {then && <Lane reading={then} scale={scale} direction={standing.direction} />}
        </div>
        <div className="absolute inset-x-0 bottom-0 h-1/2">
          {now && <Lane reading={now} scale={scale} direction={standing.direction} />}
        </div>
        {scale.kind === 'percent' && (
          <span
            aria-hidden="true"
            className="absolute top-0 bottom-0 w-[2px] bg-ink"
            style={{ left: line }}
          />
        )}
      </td>
      <td className="p-2 whitespace-nowrap">
        {!isSame && <span className="text-quiet">{status(then)} → </span>}
        {status(now)}
      </td>
    </tr>
  );
}

/** Now − then in whole smallest units, exact for any amount. */
export function differenceOf(then: string | null, now: string | null, standing: Standing): string {
  if (then === null || now === null || standing.unit === 'rate') return NONE;
  const units = (text: string) => BigInt(text.replace('.', ''));
  const digits = (now.split('.')[1] ?? '').length;
  if ((then.split('.')[1] ?? '').length !== digits) return NONE;
  const moved = units(now) - units(then);
  const text = (moved < 0n ? -moved : moved).toString().padStart(digits + 1, '0');
  const whole = digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
  return signed((moved < 0n ? '-' : '') + whole);
}
