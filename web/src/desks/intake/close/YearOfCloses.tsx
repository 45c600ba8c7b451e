import { useCloses } from '../../../api/closes';
import { Link } from 'react-router';
import type { MonthClose } from '../../../api/types';
import { monthName, shortMonth } from '../../../format/figures';
import { dayText } from '../../../format/writing';
import { t } from './words';

const WIDTH = 120;
const LONGEST = 20;

/** On which working day each month of a year was closed, and what was corrected after it. */
export function YearOfCloses({ year, chosen }: { year: number; chosen: string }) {
  const closes = useCloses(year);
  const months = (closes.data ?? []).flatMap((one) =>
    one.state === 'empty' ? [] : [{ ...one, state: one.state }],
  );
  if (months.length === 0) return null;
  return (
    <details className="mt-5">
      <summary className="min-h-6 cursor-pointer font-semibold text-quiet">
        {t('close.theYearsCloses', { year })}
      </summary>
      <table className="mt-1 w-full max-w-[760px] bg-sheet text-left">
        <thead>
          <tr className="border-b border-ink text-quiet">
            <th scope="col" className="px-2 py-1 font-semibold">
              {t('close.month')}
            </th>
            <th scope="col" className="px-2 py-1 font-semibold">
              {t('close.workingDay')}
            </th>
            <th scope="col" className="px-2 py-1 font-semibold">
              {t('close.closed')}
            </th>
            <th scope="col" className="px-2 py-1 text-right font-semibold">
              {t('close.correctionsAfter')}
            </th>
          </tr>
        </thead>
        <tbody>
          {months.map((one) => (
            <tr
              key={one.month}
              className={`border-t border-rule ${one.month === chosen ? 'bg-select-ground' : ''}`}
            >
              <th scope="row" className="px-2 py-1 font-normal">
                <Link className="text-select underline" to={`/intake?to=${one.month}`}>
                  {shortMonth(one.month)} {one.month.slice(0, 4)}
                </Link>
              </th>
              <td className="px-2 py-1">
                <Days close={one} />
              </td>
              <td className="px-2 py-1 text-quiet">
                {one.closedAt
                  ? t('close.closedBy', { day: dayText(one.closedAt), by: one.closedBy ?? '' })
                  : t(`close.month.${one.state}`)}
              </td>
              <td className="px-2 py-1 text-right">{one.closedAt ? one.corrections : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** A bar to the working day of the closing, and a line where the month was due. */
function Days({ close }: { close: MonthClose }) {
  const { workingDay, dueDay } = close;
  const place = (day: number) => (Math.min(day, LONGEST) / LONGEST) * WIDTH;
  const isLate = workingDay !== null && workingDay > dueDay;
  return (
    <span className="flex items-center gap-2">
      <svg
        width={WIDTH}
        height="14"
        role="img"
        aria-label={t('close.daysOf', {
          month: monthName(close.month),
          day: workingDay ?? 0,
          dueDay,
          isClosed: String(workingDay !== null),
        })}
      >
        {workingDay !== null && (
          <rect
            y="3"
            width={place(workingDay)}
            height="8"
            fill={isLate ? 'var(--bad)' : 'var(--good)'}
          />
        )}
        <path d={`M${place(dueDay)} 0v14`} stroke="var(--ink)" strokeWidth="1.5" />
      </svg>
      {workingDay ?? '–'}
    </span>
  );
}
