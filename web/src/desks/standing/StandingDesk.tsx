import { lazy, Suspense, useMemo } from 'react';
import { Link } from 'react-router';
import { useRights } from '../../api/account';
import type { Company, Standing } from '../../api/types';
import { isNarrowed, NO_NARROWING, useView, type Changes, type View } from '../../address/useView';
import { plural } from '../../format/nouns';
import { toneText } from '../../marks/tones';
import { Empty, Failed, Loading, quietButton } from '../../ui/Notice';
import { SidePanel } from '../../ui/SidePanel';
import { Stale } from '../../ui/Stale';
import { TrialBand } from '../../ui/Trial';
import { PrintHead } from '../../ui/PrintHead';
import { choiceAfter, toggled, type Held } from '../../ui/picks';
import { useRowSteps, useShortcuts } from '../../ui/shortcuts';
import { ClaimsLine } from './panels/ClaimsLine';
import { CloseUp } from './closeup/CloseUp';
import { ControlLine } from './controls/ControlLine';
import { Distribution } from './panels/Distribution';
import { itemsOf, spanText, summable, TOTAL, type Item } from './rows';
import { StandingTable } from './table/StandingTable';
import { TakeAlong } from './controls/TakeAlong';
import { useStanding } from './useStanding';
import { dayText } from '../../format/writing';
import { t } from './words';

type Change = (changes: Changes, isTyping?: boolean) => void;

// what is not seen at first comes when it is asked for
const Tour = lazy(async () => ({ default: (await import('./Tour')).Tour }));
const OutlookView = lazy(() => import('./outlook/OutlookView'));
const MonthsTable = lazy(() => import('./table/MonthsTable'));
const ColumnsView = lazy(() => import('./table/ColumnsView'));
const CompareView = lazy(() => import('./compare/CompareView'));
const LadderPanel = lazy(() => import('./controls/LadderPanel'));
const PickedCloseUp = lazy(() => import('./closeup/PickedCloseUp'));
const OrdersPanel = lazy(() => import('./panels/OrdersPanel'));
const CorrectionsPanel = lazy(() => import('./panels/CorrectionsPanel'));

/** Who is ahead, who is behind, by how much, and why. */
export function StandingDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const standing = useStanding(view);
  const items = useMemo(
    () => (standing.data ? itemsOf(standing.data, view) : []),
    [standing.data, view],
  );
  useRowKeys(items, view, change);

  if (standing.isPending) return <Loading what={t('standingDesk.theStanding')} />;
  if (standing.isError) {
    return (
      <div>
        <Failed error={standing.error} onRetry={() => void standing.refetch()} />
        <p className="mx-6">
          <Link to="/standing" className={`${quietButton} inline-block`}>
            {t('standingDesk.clearAllSettingsOfThis')}
          </Link>
        </p>
      </div>
    );
  }
  const data = standing.data;
  if (view.layout === 'outlook') {
    return (
      <Suspense fallback={<Loading what={t('standingDesk.theOutlook')} />}>
        <OutlookView company={company} view={view} standing={data} change={change} />
      </Suspense>
    );
  }
  const isEmpty = company.lastMonth === null && data.rows.length === 0;
  return (
    <div className="standing-desk">
      <PrintHead left={`${company.name}: ${spanText(data)}`} right={printWords(data, view)} />
      <section
        aria-label={t('standingDesk.standing')}
        aria-busy={standing.isPlaceholderData}
        className={`flex min-h-0 min-w-0 flex-col px-[18px] pt-2 xl:pt-3.5 ${standing.isPlaceholderData ? 'is-stale' : ''}`}
      >
        <Stale isStale={standing.isPlaceholderData} />
        <div className="flex flex-wrap items-start justify-between gap-x-4 sm:flex-nowrap">
          <Headline standing={data} />
          {!isEmpty && <TakeAlong view={view} standing={data} />}
        </div>
        {isEmpty ? (
          <FirstLoad />
        ) : (
          <Work company={company} view={view} standing={data} items={items} change={change} />
        )}
      </section>
      <Suspense fallback={<SidePanel label={t('standingDesk.panel')}>{null}</SidePanel>}>
        <Panel company={company} view={view} standing={data} change={change} />
      </Suspense>
      {!isEmpty && (
        <Suspense>
          <Tour />
        </Suspense>
      )}
    </div>
  );
}

/** What a printed page has to say to be read alone: the view, filters, the day, closed months. */
function printWords(standing: Standing, view: View): string {
  const filters = Object.entries(view.filters).map(([axis, keys]) => `${axis} ${keys.join(', ')}`);
  return [
    t('standingDesk.comparedWith', {
      axis: plural(standing.axis),
      measure: standing.measureName,
      goal: standing.goal,
    }),
    ...filters,
    isNarrowed(view) && t('standingDesk.filteredRows'),
    standing.openMonth && t('standingDesk.asOf', { asOf: dayText(standing.openMonth.asOf) }),
    standing.closed === 'restated'
      ? t('standingDesk.closedMonthsRestated')
      : t('standingDesk.closedMonthsAsClosed'),
  ]
    .filter(Boolean)
    .join('; ');
}

/** j and k walk the rows; x reads the row together with those that were chosen before. */
function useRowKeys(items: Item[], view: View, change: Change) {
  useRowSteps((step) => {
    const at = items.findIndex((item) => item.id === (view.selected ?? TOTAL)) + step;
    const next = items[Math.min(at, items.length - 1)];
    change({ selected: at < 0 ? null : (next?.id ?? null) }, true);
  });
  useShortcuts((shortcut) => {
    const { selected, picked } = view;
    if (shortcut !== 'pickRow' || selected === null) return;
    if (summable(items).includes(selected)) change({ picked: toggled(picked, selected) });
  });
}

function Headline({ standing }: { standing: Standing }) {
  return (
    <h1 className="mb-1.5 text-[17px] leading-snug font-bold xl:text-[20px]" aria-live="polite">
      {standing.headline.map((part, at) => (
        <span key={at} className={toneText(part.tone)}>
          {part.text}
        </span>
      ))}
    </h1>
  );
}

interface WorkProps {
  company: Company;
  view: View;
  standing: Standing;
  items: Item[];
  change: Change;
}

/** The findings, the controls, and the rows in one of their layouts. */
function Work({ company, view, standing, items, change }: WorkProps) {
  const select = (id: string, held?: Held) =>
    change(
      id === TOTAL
        ? { selected: null, picked: null }
        : choiceAfter(view, summable(items), id, held),
    );
  return (
    <>
      <ClaimsLine company={company} view={view} />
      <TrialBand words={standing.trial} change={change}>
        {t('whatIf.trialBand')}
      </TrialBand>
      <ControlLine company={company} view={view} standing={standing} change={change} />
      {view.layout === 'rows' && (
        <>
          <Distribution view={view} standing={standing} change={change} />
          <StandingTable
            standing={standing}
            items={items}
            view={view}
            selected={view.selected ?? TOTAL}
            onSelect={select}
            onSort={(sort) => change({ sort })}
            onToggle={(group) => change({ folded: toggled(view.folded, group) })}
            onWiden={() => change({ ...NO_NARROWING, selected: null })}
            onCorrections={() => change({ selected: null, panel: 'corrections' })}
          />
        </>
      )}
      <Suspense fallback={<Loading what={t('standingDesk.theLayout')} />}>
        {view.layout === 'months' && (
          <MonthsTable
            view={view}
            standing={standing}
            selected={view.selected ?? TOTAL}
            onSelect={select}
          />
        )}
        {view.layout === 'columns' && (
          <ColumnsView standing={standing} items={items} view={view} onSelect={select} />
        )}
        {view.layout === 'compare' && (
          <CompareView view={view} standing={standing} change={change} />
        )}
      </Suspense>
    </>
  );
}

interface PanelProps {
  company: Company;
  view: View;
  standing: Standing;
  change: Change;
}

function Panel({ company, view, standing, change }: PanelProps) {
  const close = () => change({ panel: null });
  if (view.picked.length > 1 && view.panel === null) {
    return <PickedCloseUp view={view} standing={standing} company={company} change={change} />;
  }
  if (view.panel === 'ladder') {
    return (
      <LadderPanel
        key={`${standing.measure} ${standing.goal} ${standing.axis} ${standing.to}`}
        standing={standing}
        view={view}
        onClose={close}
      />
    );
  }
  if (view.panel === 'orders') {
    return (
      <OrdersPanel
        key={`${standing.axis} ${view.selected ?? ''}`}
        view={view}
        standing={standing}
        onClose={close}
      />
    );
  }
  if (view.panel === 'corrections') {
    return (
      <CorrectionsPanel
        key={`${standing.axis} ${view.selected ?? ''} ${standing.from} ${standing.to}`}
        view={view}
        standing={standing}
        onClose={close}
      />
    );
  }
  return <CloseUp view={view} standing={standing} company={company} change={change} />;
}

function FirstLoad() {
  const { isOffice } = useRights();
  if (!isOffice) {
    return (
      <Empty title={t('standingDesk.thereIsNothingForYou')} isPart>
        <p>{t('standingDesk.yourFiguresAppearHereWhen')}</p>
      </Empty>
    );
  }
  return (
    <Empty title={t('standingDesk.nothingIsPostedYet')} isPart>
      <p>{t('standingDesk.loadTheRosterTheProducts')}</p>
      <p>
        <Link to="/intake" className="font-semibold text-select underline">
          {t('standingDesk.goToIntake')}
        </Link>
      </p>
    </Empty>
  );
}
