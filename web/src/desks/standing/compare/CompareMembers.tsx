import { useQueries } from '@tanstack/react-query';
import { ask, query } from '../../../api/client';
import type { Path, Row, Standing } from '../../../api/types';
import { wholeQuery, type Changes, type Query, type View } from '../../../address/useView';
import { amount, tickText, growth, monthName, NONE, signed } from '../../../format/figures';
import { capital, plural, singular } from '../../../format/nouns';
import { ChartFrame, FigureTable } from '../../../marks/ChartFrame';
import { Lane, laneScale } from '../../../marks/Lane';
import { LinesChart, LinesKey, type Line } from '../../../marks/LinesChart';
import { StatusMark } from '../../../marks/StatusMark';
import { MemberPick } from '../../../ui/MemberPick';
import { figuresOf, rowId } from '../rows';
import { useStanding } from '../useStanding';
import { placedPercent } from '../../../format/placing';
import { t } from '../words';

const MOST_MEMBERS = 4;

interface CompareMembersProps {
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/** Members side by side: their figures, lanes on one line, months on one chart. */
export function CompareMembers({ view, standing, change }: CompareMembersProps) {
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
      month.state === 'empty' ? null : placedPercent(month.reading.attainment),
    ),
  }));
  // what is written is what the server shows: the numbers only place the marks
  const shares = chosen.map((_, at) =>
    (paths[at]?.data?.months ?? []).map((month) =>
      month.state === 'empty' || month.reading.percentShown === null
        ? null
        : amount(month.reading.percentShown),
    ),
  );
  const set = (keys: string[]) => change({ only: keys.length === 0 ? null : keys, selected: null });
  const keys = chosen.map((row) => row.key);
  return (
    <>
      <div className="no-print mb-3 flex flex-wrap items-center gap-2">
        {chosen.map((row) => (
          <button
            key={row.key}
            type="button"
            className="min-h-6 rounded-sm border border-field bg-sheet px-2"
            aria-label={t('compareMembers.remove', { name: row.name })}
            onClick={() => set(keys.filter((key) => key !== row.key))}
          >
            {row.name} <span aria-hidden="true">×</span>
          </button>
        ))}
        {chosen.length < MOST_MEMBERS && (
          <div className="w-[220px]">
            <MemberPick
              key={keys.join()}
              label={t('compareMembers.add')}
              value=""
              people={others}
              placeholder={t('compareMembers.addOne', { axis: singular(view.axis) })}
              onPick={(key) => set([...keys, key])}
            />
          </div>
        )}
      </div>
      {chosen.length < 2 ? (
        <p className="text-quiet">
          {t('compareMembers.selectTwoToFour', { axis: plural(view.axis) })}
        </p>
      ) : (
        <>
          <MemberTable rows={chosen} standing={standing} />
          <div className="max-w-[860px]">
            <ChartFrame
              level={2}
              title={t('compareMembers.ofGoalByMonth')}
              table={
                <FigureTable
                  head={[t('compareMembers.month'), ...lines.map((line) => line.name)]}
                  rows={months.map((month, place) => [
                    monthName(month.month),
                    ...shares.map((of) => of[place] ?? NONE),
                  ])}
                />
              }
            >
              <LinesChart
                months={months.map((month) => month.month)}
                lines={lines}
                level={100}
                width={860}
                textOf={(value) => `${tickText(value)} %`}
                describe={t('compareMembers.ofGoalByMonthOf', {
                  join: chosen.map((row) => row.name).join(', '),
                })}
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
    [t('compareMembers.actual'), (row) => amount(figuresOf(row).actual)],
    [t('compareMembers.goal'), (row) => amount(figuresOf(row).goal)],
    [t('compareMembers.variance'), (row) => signed(figuresOf(row).variance)],
    [t('compareMembers.ofGoal'), (row) => amount(row.percentShown)],
    [t('compareMembers.changeOnLastYear'), (row) => growth(row.growthOnYearShown)],
  ];
  return (
    <div className="mb-5 overflow-x-auto bg-sheet">
      <table className="w-full" aria-label={t('compareMembers.membersCompared')}>
        <thead>
          <tr className="border-b border-ink text-left">
            <th scope="col" className="p-2 font-semibold text-quiet">
              {capital(singular(standing.axis))}
            </th>
            {figures.map(([name]) => (
              <th key={name} scope="col" className="p-2 text-right font-semibold text-quiet">
                {name}
              </th>
            ))}
            <th scope="col" className="w-[32%] p-2 font-semibold text-quiet">
              {t('compareMembers.onOneScale')}
            </th>
            <th scope="col" className="p-2 font-semibold text-quiet">
              {t('compareMembers.status')}
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
