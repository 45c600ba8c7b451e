import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useRights } from '../../api/account';
import type { Company, PayDesk, PayRow } from '../../api/types';
import { useView, type Changes } from '../../address/useView';
import { amount, monthName, signed } from '../../format/figures';
import { count } from '../../format/nouns';
import { Choice } from '../../ui/Choice';
import { Drop } from '../../ui/Drop';
import { field } from '../../ui/field';
import { Stale } from '../../ui/Stale';
import { choiceAfter, toggled, type Chosen } from '../../ui/picks';
import { useRowSteps, useShortcuts } from '../../ui/shortcuts';
import { Empty, Failed, Loading, smallButton } from '../../ui/Notice';
import { keep, plansOf, SORTS, sortRows, statusesOf, type PaySort } from './earnings';
import { EarningsTable } from './EarningsTable';
import { OneMoreLine } from './OneMoreLine';
import { PickedPanel } from './PickedPanel';
import { SealPanel } from './SealPanel';
import { SendPanel } from './SendPanel';
import { StatementPanel } from './StatementPanel';
import { usePayDesk, usePayTotals, type PayTrial } from './useEarnings';
import { PayTrialBand, WhatIfDrop } from './WhatIfDrop';
import { t } from './words';

type Change = (changes: Changes, isTyping?: boolean) => void;

/** Commission of the span's last month: who earns what, what is due, what the next sale changes. */
export function EarningsDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const month = view.span.to;
  const [search] = useSearchParams();
  const trial = useMemo(() => trialOf(search), [search]);
  const desk = usePayDesk(month, trial);
  if (desk.isPending) return <Loading what={t('earningsDesk.theCommission')} />;
  if (desk.isError) {
    return <Failed error={desk.error} onRetry={() => void desk.refetch()} />;
  }
  return (
    <div
      aria-busy={desk.isPlaceholderData}
      className={`h-full ${desk.isPlaceholderData ? 'is-stale' : ''}`}
    >
      <Stale isStale={desk.isPlaceholderData} />
      <Work
        desk={desk.data}
        trial={trial}
        selected={view.selected}
        picked={view.picked}
        change={change}
      />
    </div>
  );
}

function trialOf(search: URLSearchParams): PayTrial {
  const one = (name: string) => search.get(name) ?? undefined;
  return {
    trialFactor: one('trialFactor'),
    trialPlan: one('trialPlan'),
    trialPace: one('trialPace'),
  };
}

interface WorkProps {
  desk: PayDesk;
  trial: PayTrial;
  selected: string | null;
  picked: string[];
  change: Change;
}

function Work({ desk, trial, selected, picked, change }: WorkProps) {
  const [search] = useSearchParams();
  const sort = SORTS.find(({ value }) => value === search.get('paysort'))?.value ?? 'status';
  const kept = useMemo(
    () => ({
      status: search.getAll('pay'),
      plan: search.get('plan') ?? '',
      text: search.get('who') ?? '',
    }),
    [search],
  );
  const rows = useMemo(() => sortRows(keep(desk.rows, kept), sort), [desk.rows, kept, sort]);
  const isWhole = rows.length === desk.rows.length;
  const keptTotals = usePayTotals(desk.month, kept, trial, !isWhole);
  const totals = isWhole ? desk.totals : (keptTotals.data ?? null);
  const shown = rows.find((row) => row.rep === selected) ?? rows[0];
  const together = desk.rows.filter((row) => picked.includes(row.rep));
  useRowKeys(rows, { selected: shown?.rep ?? null, picked }, change);
  const panel = search.get('show');
  const { isOffice } = useRights();
  const isTrial = desk.trial !== null;
  const close = () => change({ show: null });
  return (
    <div className="standing-desk">
      <section
        aria-label={t('earningsDesk.earnings')}
        className="flex min-h-0 min-w-0 flex-col px-[18px] pt-3.5"
      >
        <div className="flex flex-wrap items-start justify-between gap-x-4 sm:flex-nowrap">
          <h1 className="mb-1.5 text-[20px] leading-snug font-bold" aria-live="polite">
            {desk.headline}
          </h1>
          {isOffice && !isTrial && (
            <div className="no-print flex shrink-0 gap-1.5">
              <button
                type="button"
                className={smallButton}
                onClick={() => change({ show: 'send' })}
              >
                {t('earningsDesk.statements')}
              </button>
              <button
                type="button"
                className={smallButton}
                onClick={() => change({ show: 'seal' })}
              >
                {desk.state === 'sealed'
                  ? t('earningsDesk.closed', { month: monthName(desk.month) })
                  : t('earningsDesk.closeMonth')}
              </button>
            </div>
          )}
        </div>
        {desk.rows.length === 0 ? (
          <Empty title={t('earningsDesk.noRepIsOnThe')} isPart>
            {isOffice ? (
              <>
                <p>{t('earningsDesk.loadTheRosterThenQuotas')}</p>
                <p>
                  <Link to="/intake" className="font-semibold text-select underline">
                    {t('earningsDesk.goToIntake')}
                  </Link>
                </p>
              </>
            ) : (
              <p>{t('earningsDesk.nobodyWhoseFiguresYouMay')}</p>
            )}
          </Empty>
        ) : (
          <>
            {!isTrial && (
              <OneMoreLine
                month={desk.month}
                isOpen={desk.state === 'open'}
                onSelect={(rep) => change({ selected: rep, show: null })}
              />
            )}
            <PayTrialBand desk={desk} change={change} />
            <Controls
              desk={desk}
              trial={trial}
              kept={kept}
              sort={sort}
              shown={rows.length}
              change={change}
            />
            <BudgetLine desk={desk} />
            <EarningsTable
              totals={totals}
              isWhole={isWhole}
              rows={rows}
              selected={shown?.rep ?? null}
              picked={picked}
              sort={sort}
              onSelect={(rep, held) => {
                const order = rows.map((row) => row.rep);
                const chosen = { selected: shown?.rep ?? null, picked };
                change({ ...choiceAfter(chosen, order, rep, held), show: null });
              }}
              onSort={(value) => change({ paysort: value === 'status' ? null : value })}
            />
          </>
        )}
      </section>
      {panel === 'seal' && isOffice && !isTrial ? (
        <SealPanel key={desk.month} month={desk.month} onClose={close} />
      ) : panel === 'send' && isOffice && !isTrial ? (
        <SendPanel key={desk.month} desk={desk} onClose={close} />
      ) : together.length > 1 ? (
        <PickedPanel rows={together} month={desk.month} trial={trial} change={change} />
      ) : (
        shown && (
          <StatementPanel
            key={shown.rep + desk.month}
            rep={shown.rep}
            month={desk.month}
            trial={trial}
            isTrial={isTrial}
          />
        )
      )}
    </div>
  );
}

/** j and k walk the rows; x reads the row together with those that were chosen before. */
function useRowKeys(rows: PayRow[], { selected, picked }: Chosen, change: Change) {
  useShortcuts((shortcut) => {
    if (shortcut === 'pickRow' && selected !== null) change({ picked: toggled(picked, selected) });
  });
  useRowSteps((step) => {
    const at = rows.findIndex((row) => row.rep === selected) + step;
    const next = rows[Math.max(0, Math.min(at, rows.length - 1))];
    if (next) change({ selected: next.rep, show: null }, true);
  });
}

interface ControlsProps {
  desk: PayDesk;
  trial: PayTrial;
  kept: { status: string[]; plan: string; text: string };
  sort: PaySort;
  shown: number;
  change: Change;
}

function Controls({ desk, trial, kept, sort, shown, change }: ControlsProps) {
  const statuses = statusesOf(desk.rows);
  const isKept = kept.status.length > 0 || kept.plan !== '' || kept.text !== '';
  return (
    <div
      role="group"
      aria-label={t('earningsDesk.filters')}
      className="no-print mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1"
    >
      <Choice
        label={t('earningsDesk.plan')}
        value={kept.plan}
        options={[
          { value: '', word: t('earningsDesk.allPlans') },
          ...plansOf(desk).map((plan) => ({ value: plan, word: plan })),
        ]}
        onChange={(plan) => change({ plan: plan || null })}
      />
      <Drop
        label={t('earningsDesk.status')}
        value={kept.status.length === 0 ? t('earningsDesk.all') : kept.status.join(', ')}
        width="w-[220px]"
      >
        <fieldset>
          <legend className="sr-only">{t('earningsDesk.statusesToShow')}</legend>
          {statuses.map(({ status, rows }) => (
            <label key={status} className="flex min-h-6 items-center gap-2">
              <input
                type="checkbox"
                checked={kept.status.includes(status)}
                onChange={(event) =>
                  change({
                    pay: event.target.checked
                      ? [...kept.status, status]
                      : kept.status.filter((one) => one !== status),
                  })
                }
              />
              {status}
              <span className="ml-auto text-quiet">{rows}</span>
            </label>
          ))}
        </fieldset>
      </Drop>
      <Choice
        label={t('earningsDesk.sortBy')}
        value={sort}
        options={SORTS}
        onChange={(value) => change({ paysort: value === 'status' ? null : value })}
      />
      <label className="flex items-baseline gap-1.5">
        <span className="whitespace-nowrap text-quiet">{t('earningsDesk.nameOrIdContains')}</span>
        <input
          type="search"
          className={`${field} h-6 w-[120px]`}
          value={kept.text}
          onChange={(event) => change({ who: event.target.value || null }, true)}
        />
      </label>
      <WhatIfDrop
        key={JSON.stringify(trial)}
        desk={desk}
        trial={trial}
        plans={plansOf(desk)}
        change={change}
      />
      {isKept && (
        <button
          type="button"
          className="min-h-6 text-select underline"
          onClick={() => change({ pay: null, plan: null, who: null })}
        >
          {t('earningsDesk.notShownShowAll', { rows: count(desk.rows.length - shown, 'rep') })}
        </button>
      )}
      <span className="ml-auto text-quiet">
        {statuses.map(({ status, rows }) => `${rows} ${status}`).join(' · ')}
      </span>
    </div>
  );
}

function BudgetLine({ desk }: { desk: PayDesk }) {
  const { budget } = desk;
  if (!budget) return null;
  return (
    <p className="mb-2 text-quiet">
      {t('earningsDesk.commissionDueBudget', {
        due: amount(desk.totals.due),
        goal: amount(budget.goal),
        goalSet: budget.goalSet,
      })}{' '}
      <b className={budget.isOver ? 'text-bad' : 'text-good'}>
        {signed(budget.variance)} {desk.currency},{' '}
        {budget.isOver ? t('earningsDesk.over') : t('earningsDesk.within')}
      </b>
    </p>
  );
}
