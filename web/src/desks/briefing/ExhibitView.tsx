import { Link } from 'react-router';
import type { ExhibitTable } from '../../api/types';
import { placed } from '../../format/placing';
import { toneColour } from '../../marks/tones';
import { t } from './words';

interface ExhibitViewProps {
  title: string;
  data: ExhibitTable;
}

/** An exhibit in print size: its figures as a table, and each row's bar beside them. */
export function ExhibitView({ title, data }: ExhibitViewProps) {
  if (data.isGone) return <p className="text-quiet">{t('briefing.thisViewCanNoLonger')}</p>;
  const hasBars = data.rows.some((row) => row.bar !== null || row.stair !== null);
  return (
    <figure className="my-1">
      <figcaption className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
        <b>{title}</b>
        <span className="text-[12.5px] text-quiet">
          {[data.period, data.unit].filter((part) => part !== '').join(' · ')} ·{' '}
          <Link className="underline" to={data.address}>
            {data.source}
          </Link>
        </span>
      </figcaption>
      <div className="overflow-x-auto">
        <table className="w-full text-[13px]" aria-label={title}>
          <thead>
            <tr className="border-b border-ink text-quiet">
              {data.columns.map((column) => (
                <th
                  key={column.title}
                  scope="col"
                  className={`px-1.5 py-1 font-normal ${column.format === 'text' ? 'text-left' : 'text-right'}`}
                >
                  {column.title}
                </th>
              ))}
              {hasBars && (
                <th scope="col" className="w-[190px] px-1.5 py-1 text-left font-normal">
                  <span className="sr-only">{t('briefing.drawn')}</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {data.rows.map((row, at) => (
              <tr
                key={`${row.shown[0] ?? ''} ${at}`}
                className={row.isTotal ? 'border-t border-ink font-bold' : 'border-t border-rule'}
              >
                {row.shown.map((text, column) =>
                  column === 0 ? (
                    <th
                      key={column}
                      scope="row"
                      className={`px-1.5 py-0.5 text-left ${row.isTotal ? '' : 'font-normal'}`}
                    >
                      {text}
                    </th>
                  ) : (
                    <td
                      key={column}
                      className={`px-1.5 py-0.5 whitespace-nowrap ${data.columns[column]?.format === 'text' ? 'text-left' : 'text-right'}`}
                    >
                      {text}
                    </td>
                  ),
                )}
                {hasBars && (
                  <td className="px-1.5 py-0.5">
                    {row.bar && <Bar bar={row.bar} goalAt={data.goalAt} />}
                    {row.stair && <Stair stair={row.stair} goalAt={data.goalAt} />}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </figure>
  );
}

interface BarProps {
  bar: NonNullable<ExhibitTable['rows'][number]['bar']>;
  goalAt: string | null;
}

/** A bar to what was read, a gap to the goal, and the goal's own line. */
function Bar({ bar, goalAt }: BarProps) {
  const from = placed(bar.from);
  const to = placed(bar.to);
  const goal = placed(goalAt);
  const more = placed(bar.more);
  const percent = (share: number) => `${share * 100}%`;
  return (
    <svg className="block h-[16px] w-full" aria-hidden="true">
      {more !== null && (
        <rect
          x={percent(from)}
          width={percent(Math.max(0, more - from))}
          y="3"
          height="10"
          fill={toneColour(bar.tone)}
          opacity="0.35"
        />
      )}
      <rect
        x={percent(from)}
        width={percent(Math.max(0, to - from))}
        y="3"
        height="10"
        fill={toneColour(bar.tone)}
      />
      {goal !== null && goal > 0 && (
        <line
          x1={percent(goal)}
          x2={percent(goal)}
          y1="0"
          y2="16"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
    </svg>
  );
}

interface StairProps {
  stair: NonNullable<ExhibitTable['rows'][number]['stair']>;
  goalAt: string | null;
}

const STAIR = { width: 180, height: 30 };

/** Pay above sales: the plan's curve, filled as far as the rep has come, and the quota's line. */
function Stair({ stair, goalAt }: StairProps) {
  const { width, height } = STAIR;
  const x = (share: number) => share * width;
  const y = (share: number) => height - share * (height - 5);
  const sold = x(placed(stair.at.sales));
  const stands = y(placed(stair.at.pay));
  const points = stair.curve.map(({ sales, pay }) => [x(placed(sales)), y(placed(pay))] as const);
  const line = points.map(([left, up]) => `${left} ${up}`).join('L');
  const below = points.filter(([left]) => left < sold).map(([left, up]) => `L${left} ${up}`);
  const colour = toneColour(stair.tone);
  return (
    <svg
      className="block h-[34px] w-full overflow-visible"
      viewBox={`0 -2 ${width} ${height + 4}`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <path
        d={`M0 ${height}${below.join('')}L${sold} ${stands}V${height}Z`}
        fill={colour}
        opacity="0.26"
      />
      <path d={`M0 ${height}H${width}`} stroke="var(--rule)" />
      {[stair.floor, stair.ceiling].map(
        (mark, at) =>
          mark && (
            <path
              key={at}
              d={`M${x(placed(mark))} 0V${height}`}
              stroke="var(--quiet)"
              strokeDasharray="2 2"
            />
          ),
      )}
      {goalAt !== null && (
        <path d={`M${x(placed(goalAt))} -2V${height + 2}`} stroke="var(--ink)" strokeWidth="2" />
      )}
      {line !== '' && <path d={`M${line}`} fill="none" stroke="var(--quiet)" strokeWidth="1.5" />}
      <circle cx={sold} cy={stands} r="4" fill={colour} />
    </svg>
  );
}
