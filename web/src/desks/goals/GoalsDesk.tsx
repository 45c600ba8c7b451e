import { useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { fiscalYear } from '../../address/span';
import { useView, type Changes } from '../../address/useView';
import { useRights } from '../../api/account';
import { offered } from '../../api/goalSets';
import type { Company, GoalDesk } from '../../api/types';
import { plural, capital } from '../../format/nouns';
import { Choice } from '../../ui/Choice';
import { Empty, Failed, Loading, smallButton } from '../../ui/Notice';
import { Stale } from '../../ui/Stale';
import { GoalCompare } from './GoalCompare';
import { GoalPanel, type Begun } from './GoalPanel';
import { GoalTable } from './GoalTable';
import { isPercent, type Show } from './layout';
import { NewGoalSet } from './NewGoalSet';
import { SetDrop } from './SetDrop';
import { rowsInOrder, type Block } from './sheet';
import { fileOf, SLOTS, useDraft, useGoalDesk, useGoalPercents, type Asked } from './useGoals';
import { t } from './words';
import './goals.css';

type Change = (changes: Changes) => void;

/** A fiscal year's goals as a sheet: read, changed in a draft, spread, tried and applied. */
export function GoalsDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const measure = view.measure;
  const sets = offered(company);
  const fitting = sets.find((set) => set.measures.includes(measure));
  const name = search.get('set') ?? fitting?.name ?? sets[0]?.name ?? null;
  const isKnown = company.goalSets.some((set) => set.name === name);
  const which: Asked | null =
    name === null
      ? null
      : {
          goalSet: name,
          axis: isKnown ? undefined : (search.get('axis') ?? 'rep'),
          measure,
          year: fiscalYear(view.span.to, company.calendar),
          plan: search.get('plan') ?? undefined,
          slot: slotOf(search.get('draft')),
        };
  const desk = useGoalDesk(which);
  if (which === null) {
    return (
      <Empty title={t('goalsDesk.thereAreNoGoalsYet')}>
        <p>{t('goalsDesk.createAGoalSetAnd')}</p>
        <NewGoalSet change={change} />
      </Empty>
    );
  }
  if (desk.isPending) return <Loading what={t('goalsDesk.theGoals')} />;
  if (desk.isError) return <Failed error={desk.error} onRetry={() => void desk.refetch()} />;
  return (
    <Work
      key={`${which.goalSet} ${which.measure} ${which.year} ${which.slot}`}
      company={company}
      which={which}
      desk={desk.data}
      isStale={desk.isPlaceholderData}
      change={change}
    />
  );
}

/** What the sheet shows; goals side by side and percentages are of amounts that add up. */
function viewOf(text: string | null, desk: GoalDesk): Show | 'beside' {
  if (text === 'quarters') return text;
  const isSum = !desk.isRate && !desk.isRange;
  return isSum && (text === 'beside' || text === 'stretch' || text === 'share') ? text : 'months';
}

/** Which of the drafts the address means; the first unless it says so. */
function slotOf(text: string | null): number {
  return SLOTS.find((slot) => String(slot) === text) ?? 1;
}

interface WorkProps {
  company: Company;
  which: Asked;
  desk: GoalDesk;
  isStale: boolean;
  change: Change;
}

function Work({ company, which, desk, isStale, change }: WorkProps) {
  const { isOffice } = useRights();
  const draft = useDraft(which);
  const [search] = useSearchParams();
  const view = viewOf(search.get('view'), desk);
  const show = view === 'beside' ? 'months' : view;
  const percents = useGoalPercents(which, isPercent(show) ? show : null, draft.version);
  const [block, setBlock] = useState<Block | null>(null);
  const [locked, setLocked] = useState<ReadonlySet<string>>(new Set());
  const [fault, setFault] = useState<string | null>(null);
  const [begun, setBegun] = useState<Begun | null>(null);
  const times = useRef(0);
  const rows = useMemo(() => rowsInOrder(desk), [desk]);
  if (!isOffice) return null;
  const isOld = isStale || draft.isBusy;
  return (
    <div className="goals-desk" aria-busy={isOld}>
      <Stale isStale={isOld} />
      <section
        aria-label={t('goalsDesk.goalSheet')}
        className="flex min-h-0 min-w-0 flex-col px-[18px] pt-3.5"
      >
        <h1 className="mb-1 text-[20px] leading-snug font-bold" aria-live="polite">
          {desk.headline.join(' ')}
        </h1>
        {desk.insights.length > 0 && (
          <p className="mb-1.5 text-[13px] text-quiet">{desk.insights.join(' ')}</p>
        )}
        <Controls company={company} which={which} desk={desk} draft={draft} change={change} />
        {fault !== null && (
          <p role="alert" className="mb-1.5 border-l-4 border-bad bg-sheet px-2 py-1">
            {fault}
          </p>
        )}
        {view === 'beside' ? (
          <GoalCompare
            company={company}
            which={which}
            desk={desk}
            others={search.getAll('with')}
            version={draft.version}
            change={change}
          />
        ) : rows.length === 0 ? (
          <Empty title={t('goalsDesk.thereAreNoMembers', { members: plural(desk.axis) })} isPart>
            <p>{t('goalsDesk.loadTheRosterOrProducts')}</p>
            <p>
              <Link to="/intake" className="font-semibold text-select underline">
                {t('goalsDesk.goToIntake')}
              </Link>
            </p>
          </Empty>
        ) : (
          <GoalTable
            desk={desk}
            show={show}
            percents={isPercent(show) ? (percents.data ?? null) : null}
            rows={rows}
            block={block}
            locked={locked}
            draft={draft}
            onBlock={(next) => {
              setFault(null);
              setBegun(null);
              setBlock(next);
            }}
            onWhole={(text) => setBegun({ text, nr: ++times.current })}
            onFault={setFault}
          />
        )}
      </section>
      <GoalPanel
        company={company}
        which={which}
        desk={desk}
        rows={rows}
        block={block}
        locked={locked}
        draft={draft}
        begun={begun}
        onLock={setLocked}
      />
    </div>
  );
}

interface ControlsProps {
  company: Company;
  which: Asked;
  desk: GoalDesk;
  draft: ReturnType<typeof useDraft>;
  change: Change;
}

const NEW = '\u0000new';
const RETIRED = '\u0000retired';

function Controls({ company, which, desk, draft, change }: ControlsProps) {
  const [isMaking, setIsMaking] = useState(false);
  const [isListed, setIsListed] = useState(false);
  const hasRetired = company.goalSets.some((set) => set.isRetired);
  const [search] = useSearchParams();
  const view = viewOf(search.get('view'), desk);
  const chosen = company.goalSets.find((set) => set.name === desk.goalSet);
  const known = (isListed ? company.goalSets : offered(company, desk.goalSet)).map((set) => ({
    value: set.name,
    word: set.name,
    remark: t(set.isRetired ? 'goalsDesk.setsAxisRetired' : 'goalsDesk.bySetsAxis', {
      axis: set.axis,
    }),
  }));
  const isHere = known.some((one) => one.value === desk.goalSet);
  return (
    <>
      <div className="no-print mb-2 flex flex-wrap items-center gap-x-4 gap-y-1.5 text-[13px]">
        <Choice
          label={t('goalsDesk.goalSet')}
          value={desk.goalSet}
          options={[
            ...known,
            ...(isHere ? [] : [{ value: desk.goalSet, word: desk.goalSet }]),
            ...(hasRetired && !isListed
              ? [{ value: RETIRED, word: t('goalsDesk.showRetired') }]
              : []),
            ...(desk.canDraft ? [{ value: NEW, word: t('goalsDesk.newGoalSet') }] : []),
          ]}
          onChange={(set) => {
            if (set === NEW) setIsMaking(true);
            else if (set === RETIRED) setIsListed(true);
            else change({ set, plan: null, axis: null, draft: null, with: null });
          }}
        />
        <span className="text-quiet">
          {t('goalsDesk.rows')} <strong className="text-ink">{plural(desk.axis)}</strong>
        </span>
        <Choice
          label={t('goalsDesk.measure')}
          value={desk.measure}
          options={company.measures.map(({ code, name }) => ({ value: code, word: name || code }))}
          onChange={(measure) => change({ measure })}
        />
        {desk.group !== null && desk.plans.length > 0 && (
          <Choice
            label={t('goalsDesk.groupsGoals', { group: capital(desk.group) })}
            value={desk.plan ?? ''}
            options={desk.plans.map((plan) => ({ value: plan, word: plan }))}
            onChange={(plan) => change({ plan })}
          />
        )}
        {desk.canDraft && (
          <Choice
            label={t('goalsDesk.draft')}
            value={String(which.slot)}
            options={SLOTS.map((slot) => ({
              value: String(slot),
              word: String(slot),
              ...(desk.drafts.includes(slot) ? { remark: t('goalsDesk.withChanges') } : {}),
            }))}
            onChange={(slot) => change({ draft: slot === '1' ? null : slot })}
          />
        )}
        <Choice
          label={t('goalsDesk.show')}
          value={view}
          options={[
            { value: 'months', word: t('goalsDesk.months') },
            { value: 'quarters', word: t('goalsDesk.quarters') },
            ...(desk.isRate || desk.isRange
              ? []
              : [
                  { value: 'stretch', word: t('goalsDesk.overLastYear') },
                  {
                    value: 'share',
                    word:
                      desk.group === null
                        ? t('goalsDesk.shareOfTotal')
                        : t('goalsDesk.share', { group: desk.group }),
                  },
                  { value: 'beside', word: t('goalsDesk.sideBySide') },
                ]),
          ]}
          onChange={(next) =>
            change({
              view: next === 'months' ? null : next,
              with: next === 'beside' ? ['stands', 'last-year'] : null,
            })
          }
        />
        {desk.canDraft && chosen && (
          <SetDrop
            key={chosen.name}
            goalSet={chosen.name}
            isRetired={chosen.isRetired}
            change={change}
          />
        )}
        <span className="ml-auto flex items-baseline gap-2">
          <span className="text-quiet">{t('goalsDesk.export')}</span>
          <a className="text-select underline" href={fileOf(which, 'xlsx')} download>
            {t('goalsDesk.workbook')}
          </a>
          <a className="text-select underline" href={fileOf(which, 'csv')} download>
            {t('goalsDesk.csv')}
          </a>
        </span>
        {desk.canDraft && (
          <span className="flex gap-1.5">
            <label className={`${smallButton} cursor-pointer`}>
              {t('goalsDesk.import')}
              <input
                type="file"
                accept=".csv,.xlsx,.txt"
                className="sr-only"
                onChange={(event) => {
                  const chosen = event.target.files?.[0];
                  if (chosen) draft.file(chosen);
                  event.target.value = '';
                }}
              />
            </label>
            <button
              type="button"
              className={smallButton}
              disabled={!draft.canUndo}
              onClick={draft.undo}
            >
              {t('goalsDesk.undo')}
            </button>
            <button
              type="button"
              className={smallButton}
              disabled={!draft.canRedo}
              onClick={draft.redo}
            >
              {t('goalsDesk.redo')}
            </button>
          </span>
        )}
      </div>
      {isMaking && <NewGoalSet change={change} onClose={() => setIsMaking(false)} />}
    </>
  );
}
