import { lazy, Suspense, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useRights, type Rights } from '../../../api/account';
import { query } from '../../../api/client';
import type { Company, CloseUp as CloseUpData, Reading, Standing } from '../../../api/types';
import { isNarrowed, type Changes, type View } from '../../../address/useView';
import { amount, NONE, signed } from '../../../format/figures';
import { countOf, plural } from '../../../format/nouns';
import { SidePanel } from '../../../ui/SidePanel';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { MonthsPart } from './MonthsPart';
import { NotesPart } from './NotesPart';
import { ReasonsPart } from './ReasonsPart';
import { ProofPart } from './ProofPart';
import { RowCard } from './RowCard';
import { EMPTY, figuresOf, spanText, targetOf, TOTAL, varianceOf } from '../rows';
import { useCloseUp, type Target } from '../useStanding';
import { t } from '../words';

// asked for with a row, or what its variance is made of, only
const VarianceParts = lazy(async () => ({
  default: (await import('../../../marks/VarianceParts')).VarianceParts,
}));
const FollowUps = lazy(() => import('./follow/FollowUps'));

interface CloseUpProps {
  view: View;
  standing: Standing;
  company: Company;
  change: (changes: Changes) => void;
  /** Said under the name. */
  about?: ReactNode;
}

/** Whatever is selected, explained: in words, by month, by part, why, and down to the lines. */
export function CloseUp({ view, standing, company, change, about }: CloseUpProps) {
  const rights = useRights();
  const found = targetOf(standing, view);
  const target: Target = found;
  const closeUp = useCloseUp(view, target);
  const reading = found.row ?? standing.total;
  const isGone = view.selected !== null && view.selected !== TOTAL && found.row === null;
  return (
    <SidePanel label={t('closeUp.closeUp')}>
      <h2 className="text-[18px] font-bold break-words">
        {found.row?.name ?? totalName(view, standing, company, rights)}
      </h2>
      {about}
      {standing.trial && <p className="font-semibold text-select">{t('whatIf.marked')}</p>}
      {found.row?.place && <p className="text-quiet">{found.row.place}</p>}
      {isGone && (
        <p role="status" className="text-quiet">
          {t('closeUp.isNotARowOf', { selected: view.selected })}
        </p>
      )}
      <p className="mb-2 leading-snug">{sentence(reading, standing)}</p>
      <RowCard
        key={found.row?.key ?? ''}
        name={found.row?.name ?? totalName(view, standing, company, rights)}
        months={spanText(standing)}
        reading={reading}
        standing={standing}
      />
      {closeUp.isPending ? (
        <Loading what={t('closeUp.theCloseUp')} />
      ) : closeUp.isError ? (
        <Failed error={closeUp.error} onRetry={() => void closeUp.refetch()} />
      ) : (
        <Ahead closeUp={closeUp.data} reading={reading} standing={standing} />
      )}
      <MonthsPart view={view} target={target} standing={standing} />
      {closeUp.data && closeUp.data.parts.length > 0 && (
        <Suspense>
          <VarianceParts
            key={`parts ${target.axis} ${target.key} ${view.along ?? ''}`}
            along={view.along}
            closeUp={closeUp.data}
            isRate={standing.unit === 'rate'}
          />
        </Suspense>
      )}
      {found.row === null && <ReasonsPart view={view} standing={standing} />}
      {found.noteOf && found.row && (
        <NotesPart
          key={`${found.noteOf.axis} ${found.noteOf.key} ${standing.from} ${standing.to}`}
          member={found.noteOf}
          standing={standing}
          notes={found.row.notes ?? []}
        />
      )}
      {found.noteOf && (
        <Suspense>
          <FollowUps member={found.noteOf} month={standing.to} />
        </Suspense>
      )}
      <p className="no-print mb-4">
        <button type="button" className={smallButton} onClick={() => change({ panel: 'orders' })}>
          {t('closeUp.orders')}
        </button>
        {found.row !== null && found.group === null && rights.isOffice && (
          <Link
            className={`${smallButton} ml-2`}
            to={`/briefing${query({ to: view.span.to, of: found.axis, key: found.key })}`}
          >
            {t('closeUp.briefing')}
          </Link>
        )}
      </p>
      <ProofPart
        key={`${target.axis} ${target.key} ${target.group ?? ''}`}
        view={view}
        standing={standing}
        target={target}
      />
    </SidePanel>
  );
}

/** The total's name: the company, what is seen of it, or how many rows of it are kept. */
function totalName(view: View, standing: Standing, company: Company, rights: Rights): string {
  if (isNarrowed(view)) {
    return t('closeUp.together', { rows: countOf(standing.rows.length, standing.axis) });
  }
  if (rights.isOffice) return company.name;
  return rights.isRep ? t('closeUp.allYourRows') : t('closeUp.yourTeam');
}

/** The variance that is spoken of in words: "13 650.00 short of 300 000.00". */
export function sentence(reading: Reading, standing: Standing): string {
  const { spoken } = reading;
  const figures = figuresOf(reading);
  const unit = standing.unit === 'rate' ? ' %' : '';
  if (spoken.noReading === EMPTY) {
    const goal =
      figures.goal === null ? '' : t('closeUp.theGoalIs', { goal: amount(figures.goal), unit });
    return t('closeUp.nothingIsPostedYet', { goal });
  }
  if (reading.actual === null) return t('closeUp.thereIsNothingToDivide');
  const actual = amount(figures.actual) + unit;
  if (reading.goalLow !== undefined && reading.goalHigh !== undefined) {
    const range = t('closeUp.to', {
      goalLow: amount(reading.goalLow),
      goalHigh: amount(reading.goalHigh),
    });
    const by = amount((spoken.variance ?? '').replace('-', ''));
    if (spoken.kind === 'to-date') return t('closeUp.theRangeIs', { actual, range });
    return reading.position === 'inside'
      ? t('closeUp.inside', { actual, range })
      : t('closeUp.theRangeOf', { by, position: reading.position ?? '', range });
  }
  const whole = standing.companyGoal?.goal;
  if (reading.shareOfCompany !== undefined && whole) {
    return t('closeUp.ofTheCompanyGoal', {
      actual,
      share: amount(reading.shareOfCompany),
      whole: amount(whole),
    });
  }
  if (reading.goal === null) return t('closeUp.andNoGoalToCompare', { actual });
  const goal =
    spoken.kind === 'to-date'
      ? t('closeUp.theGoalToDateOf', { goal: amount(spoken.goal), goal2: amount(figures.goal) })
      : `${amount(figures.goal)}${unit}${goalMonthsWords(reading, standing)}`;
  const variance = varianceOf(reading);
  const size = amount((variance ?? '').replace('-', '')) + (unit && t('closeUp.points'));
  const words = {
    HIGHER: { above: t('closeUp.aheadOf'), below: t('closeUp.shortOf') },
    LOWER: { above: t('closeUp.over'), below: t('closeUp.under') },
    NEAREST: { above: t('closeUp.above'), below: t('closeUp.below') },
  }[standing.direction];
  const isZero = variance === null || !/[1-9]/.test(variance);
  const isBelow = variance?.startsWith('-') ?? false;
  return isZero
    ? t('closeUp.exactlyOn', { goal })
    : `${size} ${isBelow ? words.below : words.above} ${goal}.`;
}

function goalMonthsWords({ spoken, goalMonths }: Reading, standing: Standing): string {
  if (standing.from === standing.to) return '';
  return spoken.kind === 'comparable'
    ? t('closeUp.inTheMonthThatHas', { n: goalMonths })
    : t('closeUp.monthWithAGoal', { n: goalMonths });
}

interface AheadProps {
  closeUp: CloseUpData;
  reading: Reading;
  standing: Standing;
}

/** Rank and movement, the open month, what comes next. */
function Ahead({ closeUp, reading, standing }: AheadProps) {
  const lines: [string, string][] = [];
  const rank = rankWords(closeUp, standing);
  if (rank) lines.push([t('closeUp.rank'), rank]);
  const { ahead } = reading;
  if (ahead?.expected) {
    const pace =
      ahead.paceShown === null ? '' : t('closeUp.pace', { paceShown: amount(ahead.paceShown) });
    lines.push([t('closeUp.goalToDate'), `${amount(ahead.expected)}${pace}`]);
  }
  if (ahead?.landing) {
    const against = ahead.landingVariance
      ? t('closeUp.vs', { landingVariance: signed(ahead.landingVariance), goal: standing.goal })
      : '';
    lines.push([t('closeUp.projected'), amount(ahead.landing) + against]);
  }
  if (closeUp.lastYear) {
    lines.push([t('closeUp.lastYear'), amount(closeUp.lastYear.actual)]);
  }
  const isLower = standing.direction === 'LOWER';
  for (const { name, toGoShown } of closeUp.milestones.slice(0, 2)) {
    const left =
      standing.unit === 'rate'
        ? t('closeUp.points2', { toGoShown: amount(toGoShown) })
        : amount(toGoShown);
    lines.push([
      isLower ? t('closeUp.leftUntil', { name }) : t('closeUp.neededFor', { name }),
      left,
    ]);
  }
  if (closeUp.required) {
    const { perMonth, monthsLeft, isReached } = closeUp.required;
    lines.push([
      isReached ? t('closeUp.yearsGoal') : t('closeUp.neededPerMonthLeft', { left: monthsLeft }),
      isReached ? t('closeUp.theYearsGoalIsReached') : amount(perMonth),
    ]);
  }
  for (const { goalSet, amount: sum, overShown } of closeUp.assigned) {
    const share = overShown === null ? NONE : `${signed(overShown)} %`;
    lines.push([t('closeUp.sumOfAssigned', { goalSet }), `${amount(sum)} (${share})`]);
  }
  if (lines.length === 0) return null;
  return (
    <dl className="mb-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-[13px]">
      {lines.map(([what, words]) => (
        <div key={what} className="contents">
          <dt className="text-quiet">{what}</dt>
          <dd className="text-right">{words}</dd>
        </div>
      ))}
    </dl>
  );
}

function rankWords(closeUp: CloseUpData, standing: Standing): string | null {
  const { place, places, placeBefore } = closeUp;
  if (place === null || places < 2) return null;
  const of = t('closeUp.of', { place, places, axis: plural(standing.axis) });
  if (placeBefore === null) return t('closeUp.new', { of });
  const moved = placeBefore - place;
  if (moved === 0) return t('closeUp.asInThePriorMonth', { of });
  return t('closeUp.up', { of, isUp: String(moved > 0), places: Math.abs(moved) });
}
