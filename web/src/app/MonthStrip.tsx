import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { useLocation } from 'react-router';
import { ask, query } from '../api/client';
import { useRights } from '../api/account';
import { useCloses } from '../api/closes';
import type { Company, MonthReading, Path } from '../api/types';
import { amount, monthWord, shortMonth } from '../format/figures';
import { MiniBar } from '../marks/MiniBar';
import { fiscalYear, plusMonths, rangeOf, spanOf, type SpanKind } from '../address/span';
import { spanChanges, useView, wholeQuery } from '../address/useView';
import { t } from './words';

const KINDS: { kind: SpanKind; word: string; short: string; title: string }[] = [
  {
    kind: 'm',
    word: t('monthStrip.month'),
    short: t('monthStrip.monthShort'),
    title: t('monthStrip.monthKeyM'),
  },
  {
    kind: 'q',
    word: t('monthStrip.quarter'),
    short: t('monthStrip.quarterShort'),
    title: t('monthStrip.quarterToDateKeyQ'),
  },
  {
    kind: 'y',
    word: t('monthStrip.year'),
    short: t('monthStrip.yearShort'),
    title: t('monthStrip.yearToDateKeyY'),
  },
  {
    kind: 't',
    word: t('monthStrip.twelve'),
    short: t('monthStrip.twelveShort'),
    title: t('monthStrip.last12MonthsKeyT'),
  },
];

/** The fiscal year's months with their state; choosing here sets the span of every desk. */
export function MonthStrip({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const rights = useRights();
  // other desks are about a month: there is no longer span to choose
  const hasSpans = useLocation().pathname === '/standing';
  const year = fiscalYear(view.span.to, company.calendar);
  const asked = { ...wholeQuery(view), from: undefined, to: undefined, asOf: undefined };
  const strip = useQuery({
    queryKey: ['months', year, asked],
    queryFn: () => ask<Path>(`/months${query({ ...asked, year: String(year) })}`),
    placeholderData: (before) => before,
  });
  const closes = useCloses(year, rights.isOffice);
  const checked = new Set(
    (closes.data ?? []).filter((one) => one.state === 'checked').map((one) => one.month),
  );
  const dragFrom = useRef<string | null>(null);

  function choose(month: string, isRange: boolean) {
    const kind = view.span.kind === 'range' ? 'm' : view.span.kind;
    const span = isRange ? rangeOf(view.span.to, month) : spanOf(kind, month, company.calendar);
    change(spanChanges(span));
  }

  function dropOn(month: string) {
    const from = dragFrom.current;
    dragFrom.current = null;
    if (from && from !== month) change(spanChanges(rangeOf(from, month)));
  }

  const months = strip.data?.fiscalYear === year ? strip.data.months : [];
  return (
    <section
      aria-label={t('monthStrip.months')}
      className="no-print flex h-[60px] shrink-0 xl:h-[66px] items-stretch overflow-x-auto overflow-y-hidden border-b border-rule bg-sheet px-[18px]"
    >
      <div className="flex w-[116px] shrink-0 flex-col justify-center">
        <div className="flex items-center">
          <YearStep
            label={t('monthStrip.fy', { year: year - 1 })}
            onStep={() => move(-12)}
            sign="‹"
          />
          <h2 className="flex-1 text-center text-[15.5px] font-bold whitespace-nowrap">
            {t('monthStrip.fy', { year })}
          </h2>
          <YearStep
            label={t('monthStrip.fy', { year: year + 1 })}
            onStep={() => move(12)}
            sign="›"
          />
        </div>
        <p className="text-center text-[12px] whitespace-nowrap text-quiet">
          {t('monthStrip.startsIn', {
            month: monthWord(company.calendar.startMonth),
          })}
        </p>
      </div>
      <ol className="flex min-w-[590px] flex-1 items-stretch">
        {months.map((month) => (
          <li
            key={month.month}
            className={`flex min-w-[46px] flex-1 ${month.number % 3 === 1 && month.number > 1 ? 'ml-3' : ''}`}
          >
            <MonthButton
              month={month}
              isChecked={month.state === 'open' && checked.has(month.month)}
              isInSpan={month.month >= view.span.from && month.month <= view.span.to}
              onPress={() => (dragFrom.current = month.month)}
              onRelease={() => dropOn(month.month)}
              onChoose={(isRange) => choose(month.month, isRange)}
            />
          </li>
        ))}
      </ol>
      {hasSpans && (
        <div
          role="group"
          aria-label={t('monthStrip.monthsShown')}
          className="flex shrink-0 items-center gap-1.5 pl-4"
        >
          {KINDS.map(({ kind, word, short, title }) => (
            <button
              key={kind}
              type="button"
              title={title}
              aria-label={title}
              aria-pressed={view.span.kind === kind}
              onClick={() => change(spanChanges(spanOf(kind, view.span.to, company.calendar)))}
              className={`rounded-sm border px-2.5 py-1 ${view.span.kind === kind ? 'border-select bg-select font-semibold text-on-select' : 'border-field text-ink hover:border-select'}`}
            >
              <span className="hidden xl:inline">{word}</span>
              <span className="xl:hidden">{short}</span>
            </button>
          ))}
        </div>
      )}
    </section>
  );

  function move(months: number) {
    const { kind, from, to } = view.span;
    const target = plusMonths(to, months);
    change(spanChanges(spanOf(kind, target, company.calendar, plusMonths(from, months))));
  }
}

function YearStep(props: { label: string; sign: string; onStep: () => void }) {
  return (
    <button
      type="button"
      aria-label={t('monthStrip.goTo', { label: props.label })}
      onClick={props.onStep}
      className="min-h-6 min-w-6 text-[15px] leading-none text-ink hover:text-select"
    >
      {props.sign}
    </button>
  );
}

interface MonthButtonProps {
  month: MonthReading;
  /** Whether nothing is open on its close list. */
  isChecked: boolean;
  isInSpan: boolean;
  onPress: () => void;
  onRelease: () => void;
  onChoose: (isRange: boolean) => void;
}

function MonthButton({
  month,
  isChecked,
  isInSpan,
  onPress,
  onRelease,
  onChoose,
}: MonthButtonProps) {
  const { reading, state } = month;
  const { spoken } = reading;
  const figures = spoken.percentShown
    ? t('monthStrip.ofGoalToDate', {
        percentShown: amount(spoken.percentShown),
        isToDate: String(spoken.kind === 'to-date'),
        status: spoken.status,
      })
    : (spoken.noReading ?? t('monthStrip.noGoal'));
  return (
    <button
      type="button"
      aria-label={`${shortMonth(month.month)} ${month.month.slice(0, 4)}, ${t(isChecked ? 'monthStrip.state.checked' : `monthStrip.state.${state}`)}${state === 'empty' ? '' : `, ${figures}`}`}
      aria-pressed={isInSpan}
      title={state === 'empty' ? t('monthStrip.nothingIsPosted') : figures}
      onPointerDown={onPress}
      onPointerUp={onRelease}
      onClick={(event) => onChoose(event.shiftKey)}
      className={`flex w-full min-w-0 flex-col justify-center gap-1 border-b-[3px] px-1.5 pt-0.5 select-none ${isInSpan ? 'border-select bg-select-ground' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex w-full items-center justify-between font-semibold">
        {shortMonth(month.month)}
        {state === 'sealed' && (
          <svg width="10" height="11" viewBox="0 0 10 11" aria-hidden="true">
            <path
              d="M2.6 5V3.2a2.4 2.4 0 0 1 4.8 0V5"
              fill="none"
              stroke="var(--quiet)"
              strokeWidth="1.4"
            />
            <rect x="1" y="5" width="8" height="5.6" rx="1" fill="var(--quiet)" />
          </svg>
        )}
        {state === 'open' && (
          <svg width="9" height="9" viewBox="0 0 9 9" aria-hidden="true">
            <circle
              cx="4.5"
              cy="4.5"
              r="3.6"
              fill={isChecked ? 'var(--good)' : 'none'}
              stroke={isChecked ? 'var(--good)' : 'var(--quiet)'}
            />
            {isChecked && <path d="M2.6 4.7l1.4 1.4 2.5-2.9" fill="none" stroke="var(--sheet)" />}
          </svg>
        )}
      </span>
      <MiniBar reading={state === 'empty' ? null : reading} />
    </button>
  );
}
