import { useState } from 'react';
import type { Standing } from '../../api/types';
import { plusMonths } from '../../app/span';
import type { Query, View } from '../../app/useView';
import { amount, monthName, NONE, signed, plural } from '../../format/figures';
import { Lane, laneScale } from '../../marks/Lane';
import { Failed, Loading } from '../../ui/Notice';
import { figuresOf, readSort, rowId, sortRows } from './standing';
import { useStanding } from './useStanding';

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

/** Two standings row by row: then above, now below, on the same line. */
export function CompareStandings({ view, standing }: { view: View; standing: Standing }) {
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
