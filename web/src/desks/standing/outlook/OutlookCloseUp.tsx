import { useRights } from '../../../api/account';
import type { Company, Outlook, OutlookRow } from '../../../api/types';
import { isNarrowed, type Changes, type View } from '../../../address/useView';
import { amount, NONE } from '../../../format/figures';
import { countOf } from '../../../format/nouns';
import { StatusMark } from '../../../marks/StatusMark';
import { TOTAL } from '../rows';
import { AccuracyPart } from './AccuracyPart';
import { BridgePart } from './BridgePart';
import { DealsPart } from './DealsPart';
import { OutlookLane, outlookEnd } from './OutlookLane';
import { PayPart } from './PayPart';
import { rowPlace } from './rows';
import { SidePanel } from '../../../ui/SidePanel';
import { t } from './words';

interface OutlookCloseUpProps {
  company: Company;
  view: View;
  outlook: Outlook;
  change: (changes: Changes) => void;
}

/** The selected row explained: its figures, its deals, and what became of them. */
export function OutlookCloseUp({ company, view, outlook, change }: OutlookCloseUpProps) {
  const rights = useRights();
  const row = selectedRow(outlook, view);
  const isGone = row === null && view.selected !== null && view.selected !== TOTAL;
  const shown = row ?? outlook.total;
  const name = row?.name ?? totalName();
  const own = isGone ? { ...view, selected: null } : view;

  function totalName(): string {
    if (isNarrowed(view)) {
      return t('closeUp.together', { rows: countOf(outlook.rows.length, outlook.axis) });
    }
    if (rights.isOffice) return company.name;
    return rights.isRep ? t('closeUp.allYourRows') : t('closeUp.yourTeam');
  }

  return (
    <SidePanel label={t('closeUp.closeUp')}>
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-[18px] font-bold break-words">{name}</h2>
        {row?.place && <span className="text-quiet">{row.place}</span>}
      </div>
      {isGone && (
        <p role="status" className="text-quiet">
          {t('closeUp.isNotARow', { selected: view.selected })}
        </p>
      )}
      {outlook.tried.length > 0 && <p className="font-semibold text-select">{t('trial.marked')}</p>}
      <p className="mb-2 flex flex-wrap items-center gap-x-3">
        <StatusMark
          status={shown.noReading ?? t('closeUp.statusExpected', { status: shown.expectedStatus })}
          tone={shown.expectedTone}
        />
        <span>{sentence(shown)}</span>
      </p>
      <LargeLane row={shown} />
      <Figures row={shown} />
      {row && view.axis === 'rep' && view.group === null && shown.shown.expected !== null && (
        <PayPart key={row.key} rep={row.key} view={view} expected={shown.shown.expected} />
      )}
      {outlook.asOf !== null && (
        <>
          <DealsPart
            key={`${view.selected ?? ''} ${view.step} ${view.deals}`}
            view={own}
            outlook={outlook}
            row={shown}
            change={change}
          />
          <BridgePart view={own} outlook={outlook} name={name} change={change} />
          <AccuracyPart view={own} />
        </>
      )}
    </SidePanel>
  );
}

function selectedRow(outlook: Outlook, view: View) {
  const { key, axis, group } = rowPlace(view);
  if (key === TOTAL) return null;
  if (view.group !== null && axis === view.group) {
    return outlook.groups?.find((row) => row.key === key) ?? null;
  }
  return (
    outlook.rows.find((row) => row.key === key && (group === null || row.group === group)) ?? null
  );
}

/** "9 076.05 short of 199 500.00" of what is expected. */
function sentence(row: OutlookRow): string {
  const variance = row.shown.expectedVariance;
  if (row.expected === null) return '';
  if (row.goal === null || variance === null) {
    return t('closeUp.expectedWithoutGoal', { expected: amount(row.shown.expected) });
  }
  const goal = amount(row.goal);
  if (!/[1-9]/.test(variance)) return t('closeUp.exactlyOn', { goal });
  const size = amount(variance.replace('-', ''));
  return variance.startsWith('-')
    ? t('closeUp.shortOf', { size, goal })
    : t('closeUp.above', { size, goal });
}

/** The lane in large, which says what its parts are. */
function LargeLane({ row }: { row: OutlookRow }) {
  const { booked, expectedPercent, atBestPercent } = row.shown;
  const end = outlookEnd([row]);
  return (
    <div className="mb-3">
      <div className="relative">
        <OutlookLane row={row} end={end} tall={22} />
        {booked !== null && (
          <span
            aria-hidden="true"
            className="absolute -top-1.5 -bottom-1.5 w-[2px] -translate-x-1/2 bg-ink"
            style={{ left: `${(100 / end) * 100}%` }}
          />
        )}
      </div>
      {booked !== null && expectedPercent !== null && atBestPercent !== null && (
        <p className="mt-2 flex justify-between gap-2 text-[12px] text-quiet">
          <span>{t('closeUp.booked', { percent: amount(booked) })}</span>
          <span>{t('closeUp.weightedTo', { percent: amount(expectedPercent) })}</span>
          <span>{t('closeUp.atBest', { percent: amount(atBestPercent) })}</span>
        </p>
      )}
    </div>
  );
}

function Figures({ row }: { row: OutlookRow }) {
  const percent = (shown: string | null) => (shown === null ? NONE : `${amount(shown)} %`);
  const pairs: [string, string][] = [
    [t('closeUp.actual'), amount(row.actual)],
    [t('closeUp.goal'), amount(row.goal)],
    [t('closeUp.weighted'), amount(row.shown.weighted)],
    [t('closeUp.open'), amount(row.open)],
    [t('closeUp.expected'), amount(row.shown.expected)],
    [t('closeUp.atBestAmount'), amount(row.atBest)],
    [t('closeUp.toGo'), amount(row.toGo)],
    [t('closeUp.coverage'), percent(row.shown.coverage)],
    [t('closeUp.likelihoodNow'), percent(row.shown.likelihood)],
    [t('closeUp.likelihoodNeeded'), percent(row.shown.likelihoodNeeded)],
  ];
  return (
    <dl className="mb-4 grid grid-cols-[auto_1fr_auto_auto] gap-x-2 gap-y-0.5 text-[13px]">
      {pairs.map(([word, figure], at) => (
        <div key={word} className="contents">
          <dt className={`text-quiet ${at % 2 === 1 ? 'pl-3' : ''}`}>{word}</dt>
          <dd className="text-right whitespace-nowrap">{figure}</dd>
        </div>
      ))}
    </dl>
  );
}
