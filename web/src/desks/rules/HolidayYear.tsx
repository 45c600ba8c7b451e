import { useRef, useState, type KeyboardEvent } from 'react';
import { plusMonths } from '../../address/span';
import { monthName } from '../../format/figures';
import { smallButton } from '../../ui/Notice';
import { t } from './words';

interface HolidayYearProps {
  /** Days on which nobody works, such as 2026-12-25. */
  days: ReadonlySet<string>;
  /** First month of the year that is shown first. */
  from: string;
  onToggle: (day: string) => void;
}

const WEEKDAYS = t('holidayYear.weekdays').split(' ');

/**
 * A year to click: each day is a holiday or not, and each month says how many working days it has.
 * One Tab stop; arrows walk over the days, also into the next year, Space or Enter changes one.
 */
export function HolidayYear({ days, from, onToggle }: HolidayYearProps) {
  const [first, setFirst] = useState(from);
  const [active, setActive] = useState(`${from}-01`);
  const box = useRef<HTMLDivElement>(null);
  const months = Array.from({ length: 12 }, (_, at) => plusMonths(first, at));

  function show(month: string) {
    setFirst(month);
    setActive(`${month}-01`);
  }

  function onKey(event: KeyboardEvent) {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 7, ArrowUp: -7 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = plusDays(active, step);
    const month = next.slice(0, 7);
    if (month < first) setFirst(plusMonths(first, -12));
    else if (month > plusMonths(first, 11)) setFirst(plusMonths(first, 12));
    setActive(next);
    requestAnimationFrame(() =>
      box.current?.querySelector<HTMLElement>(`[data-day="${next}"]`)?.focus(),
    );
  }

  return (
    <div ref={box} role="group" aria-label={t('holidayYear.title')} className="max-w-[720px]">
      <p className="mb-1.5 flex items-center gap-2">
        <button
          type="button"
          className={smallButton}
          aria-label={t('holidayYear.earlier')}
          onClick={() => show(plusMonths(first, -12))}
        >
          ‹
        </button>
        <span aria-live="polite">
          {t('holidayYear.span', {
            from: monthName(first),
            until: monthName(plusMonths(first, 11)),
          })}
        </span>
        <button
          type="button"
          className={smallButton}
          aria-label={t('holidayYear.later')}
          onClick={() => show(plusMonths(first, 12))}
        >
          ›
        </button>
        <span className="text-quiet">{t('holidayYear.how')}</span>
      </p>
      {/* eslint-disable-next-line jsx-a11y/no-static-element-interactions -- its days take the focus */}
      <div
        className="grid grid-cols-[repeat(auto-fill,minmax(172px,1fr))] gap-x-5 gap-y-3"
        onKeyDown={onKey}
      >
        {months.map((month) => (
          <Month
            key={month}
            month={month}
            days={days}
            active={active}
            onToggle={(day) => {
              setActive(day);
              onToggle(day);
            }}
          />
        ))}
      </div>
    </div>
  );
}

interface MonthProps {
  month: string;
  days: ReadonlySet<string>;
  active: string;
  onToggle: (day: string) => void;
}

function Month({ month, days, active, onToggle }: MonthProps) {
  const all = daysOf(month);
  const working = all.filter((day) => weekdayOf(day) < 5 && !days.has(day)).length;
  return (
    <section aria-label={monthName(month)}>
      <h3 className="flex justify-between text-[12.5px]">
        <span className="font-semibold">{monthName(month)}</span>
        <span className="text-quiet">{t('holidayYear.working', { n: working })}</span>
      </h3>
      <div className="grid grid-cols-7 text-center text-[11.5px]">
        {WEEKDAYS.map((word) => (
          <span key={word} aria-hidden="true" className="text-quiet">
            {word}
          </span>
        ))}
        {all.map((day) => (
          <button
            key={day}
            type="button"
            data-day={day}
            tabIndex={day === active ? 0 : -1}
            aria-pressed={days.has(day)}
            aria-label={t(weekdayOf(day) < 5 ? 'holidayYear.day' : 'holidayYear.weekend', {
              day: `${numberOf(day)} ${monthName(month)}`,
            })}
            className={`h-6 ${classOf(day, days)}`}
            style={day.endsWith('-01') ? { gridColumnStart: weekdayOf(day) + 1 } : undefined}
            onClick={() => onToggle(day)}
          >
            {numberOf(day)}
          </button>
        ))}
      </div>
    </section>
  );
}

function classOf(day: string, days: ReadonlySet<string>): string {
  if (days.has(day)) return 'rounded-sm bg-select font-bold text-sheet';
  return weekdayOf(day) < 5 ? 'bg-sheet hover:bg-select-ground' : 'text-quiet';
}

const numberOf = (day: string) => day.slice(8).replace(/^0/, '');

const dateOf = (day: string) => new Date(`${day}T00:00:00Z`);

/** Monday is 0. */
const weekdayOf = (day: string) => (dateOf(day).getUTCDay() + 6) % 7;

function plusDays(day: string, by: number): string {
  const date = dateOf(day);
  date.setUTCDate(date.getUTCDate() + by);
  return date.toISOString().slice(0, 10);
}

function daysOf(month: string): string[] {
  const next = plusMonths(month, 1);
  const days = [];
  for (let day = `${month}-01`; day < `${next}-01`; day = plusDays(day, 1)) days.push(day);
  return days;
}
