import { useQuery } from '@tanstack/react-query';
import { useAccount } from '../../api/account';
import { ask, query } from '../../api/client';
import type { CloseUp, Company, MonthReading, Path, PayRow, Reading } from '../../api/types';
import { useView } from '../../address/useView';
import { amount, monthName, NONE, signed } from '../../format/figures';
import { ChartFrame, FigureTable } from '../../marks/ChartFrame';
import { PathChart } from '../../marks/PathChart';
import { VarianceParts } from '../../marks/VarianceParts';
import { Empty, Failed, Loading } from '../../ui/Notice';
import { StatementPanel } from './StatementPanel';
import { usePayDesk } from './useEarnings';
import { t } from './words';

/** What a rep asks first: where do I stand, what comes next, what is due. */
export function MyMonth({ company }: { company: Company }) {
  const { member } = useAccount();
  const [view] = useView(company);
  const month = view.span.to;
  const desk = usePayDesk(month);
  const row = desk.data?.rows[0];
  const asked = useAsked(row?.measure ?? 'revenue', month, company);
  const path = useOwn<Path>('path', member ?? '', asked);
  const closeUp = useOwn<CloseUp>('close-up', member ?? '', asked);
  if (desk.isPending || path.isPending) return <Loading what={t('myMonth.yourMonth')} />;
  if (desk.isError) return <Failed error={desk.error} onRetry={() => void desk.refetch()} />;
  if (!row || path.isError) {
    return (
      <Empty title={t('myMonth.youHaveNoFiguresIn', { month: monthName(month) })}>
        <p>{t('myMonth.selectAnotherMonthAboveOr')}</p>
      </Empty>
    );
  }
  const { months } = path.data;
  const reading = months.find((one) => one.month === month)?.reading;
  return (
    <div className="standing-desk">
      <section
        aria-label={t('myMonth.myMonth')}
        className="min-h-0 min-w-0 overflow-auto px-[18px] pt-3.5"
      >
        <h1 className="mb-4 text-[20px] leading-snug font-bold">{headline(row, reading, month)}</h1>
        {reading && <Facts row={row} reading={reading} currency={desk.data.currency} />}
        <div className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,300px),1fr))] gap-x-8 *:max-w-[460px]">
          <MyYear months={months} month={month} />
          {closeUp.data && closeUp.data.parts.length > 0 && (
            <VarianceParts key={month} closeUp={closeUp.data} isRate={false} level={2} />
          )}
        </div>
        {closeUp.data && <Ahead closeUp={closeUp.data} />}
      </section>
      <StatementPanel key={row.rep + month} rep={row.rep} month={month} />
    </div>
  );
}

function useAsked(measure: string, month: string, company: Company) {
  const goalSet = company.goalSets.find(
    (set) => set.axis === 'rep' && set.measures.includes(measure),
  )?.name;
  return { measure, from: month, to: month, goalSet };
}

function useOwn<T>(what: string, rep: string, asked: ReturnType<typeof useAsked>) {
  return useQuery({
    queryKey: ['standing', what, rep, asked],
    queryFn: () => ask<T>(`/standing/rep/${encodeURIComponent(rep)}/${what}${query(asked)}`),
    placeholderData: (before) => before,
  });
}

function headline(row: PayRow, reading: Reading | undefined, month: string): string {
  const unit = row.unit === 'count' ? row.measure : row.unit;
  const where =
    reading?.percentShown == null
      ? t('myMonth.yourActualIsIn', {
          actual: amount(reading?.actual ?? row.actual),
          unit,
          month: monthName(month),
        })
      : t('myMonth.youStandAtOfYour', {
          percentShown: amount(reading.percentShown),
          month: monthName(month),
        });
  if (!row.next) return where;
  const { event, sales, pay } = row.next;
  const what =
    event === 'target' ? t('myMonth.toReachTheQuota') : t('myMonth.toReachThe', { event });
  return t('myMonth.moreWorth', { where, sales: amount(sales), unit, what, pay: amount(pay) });
}

interface FactsProps {
  row: PayRow;
  reading: Reading;
  currency: string;
}

function Facts({ row, reading, currency }: FactsProps) {
  const facts = [
    { word: t('myMonth.actual'), figure: amount(reading.actual) },
    { word: t('myMonth.quota'), figure: amount(reading.goal) },
    { word: t('myMonth.variance'), figure: signed(reading.variance) },
    {
      word: t('myMonth.ofGoal'),
      figure: reading.percentShown === null ? NONE : `${amount(reading.percentShown)} %`,
    },
    { word: t('myMonth.commissionDue', { currency }), figure: amount(row.due) },
  ];
  return (
    <dl className="mb-6 flex flex-wrap gap-x-8 gap-y-3 border-y border-rule py-3">
      {facts.map(({ word, figure }) => (
        <div key={word}>
          <dt className="text-quiet">{word}</dt>
          <dd className="text-[19px] font-bold whitespace-nowrap">{figure}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The months of the year against their quotas. */
function MyYear({ months, month }: { months: MonthReading[]; month: string }) {
  return (
    <div>
      <ChartFrame
        title={t('myMonth.theYearByMonthCompared')}
        level={2}
        table={
          <FigureTable
            head={[
              t('myMonth.month'),
              t('myMonth.actual'),
              t('myMonth.quota'),
              t('myMonth.variance'),
            ]}
            rows={months.map(({ month: of, state, reading }) => [
              monthName(of),
              state === 'empty' ? NONE : amount(reading.actual),
              amount(reading.goal),
              state === 'empty' ? NONE : signed(reading.variance),
            ])}
          />
        }
      >
        <PathChart months={months} isIn={(one) => one === month} />
      </ChartFrame>
    </div>
  );
}

/** What the quota and the rest of the year still ask for. */
function Ahead({ closeUp }: { closeUp: CloseUp }) {
  const { required, milestones } = closeUp;
  return (
    <dl className="mb-5 grid max-w-[460px] grid-cols-[auto_1fr] gap-x-3 gap-y-1">
      {milestones.slice(0, 2).map(({ name, toGoShown }) => (
        <div key={name} className="contents">
          <dt className="text-quiet">{t('myMonth.neededFor', { name })}</dt>
          <dd className="text-right">{amount(toGoShown)}</dd>
        </div>
      ))}
      {required && (
        <div className="contents">
          <dt className="text-quiet">
            {required.isReached
              ? t('myMonth.yearsGoal')
              : t('myMonth.neededPerMonthLeft', { left: required.monthsLeft })}
          </dt>
          <dd className="text-right">
            {required.isReached ? t('myMonth.reached') : amount(required.perMonth)}
          </dd>
        </div>
      )}
    </dl>
  );
}
