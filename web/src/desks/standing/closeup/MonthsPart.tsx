import { useState } from 'react';
import type { Path, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import {
  amount,
  monthName,
  NONE,
  percentTick,
  shifted,
  shortTick,
  signed,
} from '../../../format/figures';
import { plural } from '../../../format/nouns';
import { ChartFrame, FigureTable } from '../../../marks/ChartFrame';
import { LinesChart, LinesKey, type Line } from '../../../marks/LinesChart';
import { PATH_LEGEND, PathChart } from '../../../marks/PathChart';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { TOTAL } from '../rows';
import { usePath, type Target } from '../useStanding';
import { readNumber } from '../../../format/numbers';
import { placed } from '../../../format/placing';
import { typed } from '../../../format/writing';
import { t } from '../words';

interface MonthsPartProps {
  view: View;
  target: Target;
  standing: Standing;
}

/** The months of a row: against their goals, summed up, and among all members. */
export function MonthsPart({ view, target, standing }: MonthsPartProps) {
  const [isCumulative, setCumulative] = useState(false);
  const [atOrAbove, setAtOrAbove] = useState('100');
  const isMember = target.key !== TOTAL && target.axis !== 'company';
  const path = usePath(view, target, isMember ? shifted(atOrAbove, -2) : undefined);
  if (path.isPending) return <Loading what={t('monthsPart.theMonths')} />;
  if (path.isError) {
    return <Failed error={path.error} onRetry={() => void path.refetch()} />;
  }
  const isIn = (month: string) => month >= view.span.from && month <= view.span.to;
  const against =
    standing.goal === 'no goal' ? '' : t('monthsPart.comparedWith', { goal: standing.goal });
  return (
    <>
      <ChartFrame
        title={
          isCumulative
            ? t('monthsPart.cumulativeByMonth', { against })
            : t('monthsPart.monthByMonth', { against })
        }
        legend={PATH_LEGEND}
        table={<PathTable path={path.data} isCumulative={isCumulative} />}
        controls={
          <button
            type="button"
            aria-pressed={isCumulative}
            onClick={() => setCumulative(!isCumulative)}
            className={smallButton}
          >
            {t('monthsPart.cumulative')}
          </button>
        }
      >
        <PathChart months={path.data.months} isIn={isIn} isCumulative={isCumulative} />
      </ChartFrame>
      {isMember && (
        <AmongPart
          path={path.data}
          month={view.span.to}
          isRate={standing.unit === 'rate'}
          isLower={standing.direction === 'LOWER'}
          axis={target.axis}
          atOrAbove={atOrAbove}
          onChange={setAtOrAbove}
        />
      )}
    </>
  );
}

function PathTable({ path, isCumulative }: { path: Path; isCumulative: boolean }) {
  const rows = path.months.map(({ month, state, reading, toDate }) => {
    const actual = isCumulative ? (toDate?.actual ?? null) : (reading.rate ?? reading).actual;
    const goal = isCumulative ? (toDate?.goal ?? null) : (reading.rate ?? reading).goal;
    const isEmpty = state === 'empty';
    return [
      monthName(month),
      isEmpty ? NONE : amount(actual),
      reading.goalLow === undefined
        ? amount(goal)
        : `${amount(reading.goalLow)} – ${amount(reading.goalHigh ?? null)}`,
      isEmpty || isCumulative ? NONE : signed((reading.rate ?? reading).variance),
      amount(reading.yearBefore ?? null),
    ];
  });
  return (
    <FigureTable
      head={[
        t('monthsPart.month'),
        t('monthsPart.actual'),
        t('monthsPart.goal'),
        t('monthsPart.variance'),
        t('monthsPart.lastYear'),
      ]}
      rows={rows}
    />
  );
}

interface AmongPartProps {
  path: Path;
  /** The month that is spoken of. */
  month: string;
  isRate: boolean;
  /** Whether less is better, so that those at or below are counted. */
  isLower: boolean;
  axis: string;
  atOrAbove: string;
  onChange: (percent: string) => void;
}

/** A percent-to-goal. */
const SHARE = { decimals: 4, isPercent: true };

/** The member's line against the average of all, with how many reached a percentage. */
function AmongPart(props: AmongPartProps) {
  const { path, month: chosen, isRate, isLower, axis, atOrAbove, onChange } = props;
  const [text, setText] = useState(() => typed(atOrAbove));
  const read = readNumber(text, SHARE);
  const months = path.months.filter((month) => month.among && month.state !== 'empty');
  if (months.length < 2) return null;
  const lines: Line[] = [
    { name: path.name, values: months.map((m) => placed(m.reading.actual)) },
    {
      name: t('monthsPart.averageOfAll', { axis: plural(axis) }),
      values: months.map((m) => placed(m.among?.average)),
      isQuiet: true,
    },
  ];
  const title = t('monthsPart.againstTheAverageOfAll', { axis: plural(axis) });
  const rows = months.map(({ month, among }) => [
    monthName(month),
    amount(among?.average ?? null),
    amount(among?.total ?? null),
    among?.highest ? `${among.highest.name} ${amount(among.highest.actual)}` : NONE,
    among?.lowest ? `${among.lowest.name} ${amount(among.lowest.actual)}` : NONE,
    t('monthsPart.of', { count: among?.atOrBetter ?? 0, withGoal: among?.withGoal ?? 0 }),
  ]);
  const last = months.find((one) => one.month === chosen)?.among;
  return (
    <ChartFrame
      title={title}
      table={
        <FigureTable
          head={[
            t('monthsPart.month'),
            t('monthsPart.average'),
            t('monthsPart.total'),
            t('monthsPart.highest'),
            t('monthsPart.lowest'),
            t('monthsPart.at', { atOrAbove: amount(atOrAbove) }),
          ]}
          rows={rows}
        />
      }
    >
      <LinesChart
        months={months.map((month) => month.month)}
        lines={lines}
        textOf={isRate ? percentTick : shortTick}
        describe={t('monthsPart.monthByMonthBesideThe', { name: path.name, axis: plural(axis) })}
      />
      <LinesKey lines={lines} />
      <p className="mt-1 text-[12.5px] text-quiet">
        {t(isLower ? 'monthsPart.atOrBelow' : 'monthsPart.atOrAbove', {
          chosen: monthName(chosen),
          last: last
            ? t('monthsPart.of', { count: last.atOrBetter, withGoal: last.withGoal })
            : t('monthsPart.noActualsYetNone'),
        })}{' '}
        <input
          aria-label={t('monthsPart.ofGoalToCountFrom')}
          aria-invalid={read.kind === 'fault'}
          className="w-[46px] border-b border-select bg-transparent text-right font-semibold text-ink"
          inputMode="decimal"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            const now = readNumber(event.target.value, SHARE);
            if (now.kind === 'number') onChange(now.decimal);
          }}
        />{' '}
        {t('monthsPart.ofGoalHighestLowest', {
          name: last?.highest?.name ?? NONE,
          name2: last?.lowest?.name ?? NONE,
        })}
      </p>
      {read.kind === 'fault' && (
        <p role="alert" className="text-[12.5px] text-bad">
          {t('monthsPart.isUsed', { words: read.words, atOrAbove: amount(atOrAbove) })}
        </p>
      )}
    </ChartFrame>
  );
}
