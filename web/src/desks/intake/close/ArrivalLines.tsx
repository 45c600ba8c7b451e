import type { CloseArrival, CloseSource } from '../../../api/types';
import { monthName, shortMonth } from '../../../format/figures';
import { dayText } from '../../../format/writing';
import { Pick } from '../../../ui/Pick';
import { useRhythm } from './useClose';
import { t } from './words';

/** Days after the month that a stretch shows. */
const DAYS = 30;
const WIDTH = 42;
const HEIGHT = 18;

const RHYTHMS = [
  { value: 'monthly', word: t('close.rhythm.monthly') },
  { value: 'quarterly', word: t('close.rhythm.quarterly') },
  { value: 'ended', word: t('close.rhythm.ended') },
];

interface ArrivalLinesProps {
  sources: CloseSource[];
  maySet: boolean;
}

/** When each source's lines came, month by month, against their usual day. */
export function ArrivalLines({ sources, maySet }: ArrivalLinesProps) {
  const rhythm = useRhythm();
  if (sources.length === 0) return null;
  const months = sources[0]?.months ?? [];
  return (
    <section className="mt-5" aria-label={t('close.whenTheFilesCame')}>
      <div className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="font-semibold text-quiet">{t('close.whenTheFilesCame')}</h2>
        <Legend />
      </div>
      <div className="overflow-x-auto bg-sheet">
        <table className="w-full min-w-[620px] text-left">
          <thead>
            <tr className="border-b border-ink text-quiet">
              <th scope="col" className="px-2 py-1 font-semibold">
                {t('close.source')}
              </th>
              {months.map((one, at) => (
                <th
                  key={one.month}
                  scope="col"
                  className={`px-1 py-1 font-semibold ${hiddenFrom(at, months.length)}`}
                >
                  <abbr title={monthName(one.month)} className="no-underline">
                    {shortMonth(one.month)}
                  </abbr>
                </th>
              ))}
              <th scope="col" className="px-2 py-1 font-semibold">
                {t('close.came')}
              </th>
              <th scope="col" className="px-2 py-1 font-semibold">
                {t('close.expected')}
              </th>
            </tr>
          </thead>
          <tbody>
            {sources.map((source) => (
              <tr key={source.source} className="border-t border-rule">
                <th
                  scope="row"
                  className="max-w-[180px] truncate px-2 py-1 font-normal"
                  title={source.header}
                >
                  {source.name}
                </th>
                {source.months.map((one, at) => (
                  <td key={one.month} className={`px-1 ${hiddenFrom(at, months.length)}`}>
                    <Stretch arrival={one} />
                  </td>
                ))}
                <td
                  className={`px-2 py-1 whitespace-nowrap ${source.isLate ? 'font-semibold text-bad' : 'text-quiet'}`}
                >
                  {last(source)?.cameOn ? `${dayText(last(source)?.cameOn ?? '')} · ` : ''}
                  {source.text}
                </td>
                <td className="w-[116px] px-2 py-1">
                  {maySet ? (
                    <Pick
                      label={t('close.expectedOf', { name: source.name })}
                      isLabelHidden
                      value={source.rhythm}
                      options={RHYTHMS}
                      onChange={(value) =>
                        rhythm.mutate({ source: source.source, name: source.name, rhythm: value })
                      }
                    />
                  ) : (
                    t(`close.rhythm.${source.rhythm}`)
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-[12.5px] text-quiet">{t('close.whatIsExpected')}</p>
    </section>
  );
}

const last = (source: CloseSource): CloseArrival | undefined => source.months.at(-1);

/** Wide windows show twelve months, usual ones six, narrow ones four. */
function hiddenFrom(at: number, all: number): string {
  const back = all - 1 - at;
  if (back >= 6) return 'arrival-year hidden 2xl:table-cell';
  return back >= 4 ? 'arrival-half hidden xl:table-cell' : '';
}

/** Thirty days after a month: a thin line its usual day, a thick one the day it came. */
function Stretch({ arrival }: { arrival: CloseArrival }) {
  const { usual, came, isLate, isDue } = arrival;
  const words = wordsOf(arrival);
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label={words}>
      <title>{words}</title>
      <path d={`M0 ${HEIGHT / 2}h${WIDTH}`} stroke="var(--rule)" />
      {isLate && usual !== null && (
        <rect
          x={placeOf(usual)}
          y="4"
          width={Math.max(0, placeOf(came ?? DAYS) - placeOf(usual))}
          height="10"
          fill="color-mix(in srgb, var(--bad) 18%, transparent)"
          stroke="var(--bad)"
          strokeDasharray="2 2"
          strokeWidth="0.8"
        />
      )}
      {usual !== null && (
        <path
          d={`M${placeOf(usual)} 1v16`}
          stroke={isDue ? 'var(--select)' : 'var(--quiet)'}
          strokeDasharray={isDue ? '2 2' : undefined}
        />
      )}
      {came !== null && (
        <path
          d={`M${placeOf(came)} 4v10`}
          stroke={isLate ? 'var(--bad)' : 'var(--ink)'}
          strokeWidth="3"
        />
      )}
    </svg>
  );
}

const placeOf = (day: number): number =>
  2 + (Math.max(0, Math.min(day, DAYS)) / DAYS) * (WIDTH - 4);

function wordsOf({ month, came, cameOn, usual, isLate, isDue }: CloseArrival): string {
  const name = monthName(month);
  if (came !== null && cameOn !== null) {
    return t('close.cameOn', {
      month: name,
      day: dayText(cameOn),
      number: came,
      usual: usual ?? came,
      isLate: String(isLate),
    });
  }
  return t(isDue ? 'close.isDue' : 'close.nothingCame', { month: name });
}

function Legend() {
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-[12.5px] text-quiet">
      <span>
        <svg width="8" height="14" aria-hidden="true" className="mr-1 inline">
          <path d="M4 0v14" stroke="var(--quiet)" />
        </svg>
        {t('close.usual')}
      </span>
      <span>
        <svg width="8" height="14" aria-hidden="true" className="mr-1 inline">
          <path d="M4 1v12" stroke="var(--ink)" strokeWidth="3" />
        </svg>
        {t('close.came')}
      </span>
      <span>
        <svg width="8" height="14" aria-hidden="true" className="mr-1 inline">
          <path d="M4 0v14" stroke="var(--select)" strokeDasharray="2 2" />
        </svg>
        {t('close.due')}
      </span>
    </p>
  );
}
