import { useRights } from '../../../api/account';
import { offered } from '../../../api/goalSets';
import type { AxisWord, Company, Standing } from '../../../api/types';
import { fiscalNumber, plusMonths } from '../../../address/span';
import { basisWord, spanChanges, type Changes, type View } from '../../../address/useView';
import { readNumber } from '../../../format/numbers';
import { typed } from '../../../format/writing';
import { Choice, type Option } from '../../../ui/Choice';
import { AsOf } from './AsOf';
import { NarrowDrop } from './NarrowDrop';
import { readSort, sortWord, type SortKey } from '../rows';
import { ToneDrop } from './ToneDrop';
import { WhatIfDrop } from './WhatIfDrop';
import { singular } from '../../../format/nouns';
import { t } from '../words';

const AXES: Option[] = [
  { value: 'rep', word: t('controlLine.reps') },
  { value: 'region', word: t('controlLine.regions') },
  { value: 'product', word: t('controlLine.products') },
  { value: 'line', word: t('controlLine.productLines') },
  { value: 'manager', word: t('controlLine.managers') },
  { value: 'company', word: t('controlLine.company') },
];

/** The axes in whose members rows can stand. */
const GROUPS: Record<AxisWord, AxisWord[]> = {
  rep: ['region', 'manager', 'line', 'product'],
  product: ['line', 'region', 'rep', 'manager'],
  line: ['region', 'rep', 'manager'],
  region: ['line', 'product', 'manager'],
  manager: ['region', 'line'],
  company: [],
};

const SORTS: { key: SortKey; word: string }[] = [
  { key: 'favourable', word: t('controlLine.variance') },
  { key: 'attainment', word: t('controlLine.ofGoal') },
  { key: 'actual', word: t('controlLine.actual') },
  { key: 'goal', word: t('controlLine.goal') },
  { key: 'growthOnYear', word: t('controlLine.changeOnLastYear') },
  { key: 'growth', word: t('controlLine.changeOnPrior') },
  { key: 'name', word: t('controlLine.name') },
];

interface ControlLineProps {
  company: Company;
  view: View;
  standing: Standing;
  change: (changes: Changes, isTyping?: boolean) => void;
}

/** The controls as one line of plain words. */
export function ControlLine({ company, view, standing, change }: ControlLineProps) {
  const { isOffice, mayLoad } = useRights();
  return (
    <div className="no-print mb-1.5 flex flex-wrap items-center gap-x-2.5 gap-y-0 text-[12.5px] xl:mb-2 xl:gap-x-3.5 xl:gap-y-1.5 xl:text-[13px]">
      <RowControls company={company} view={view} change={change} />
      <BasisControls company={company} view={view} change={change} />
      <LayoutChoice company={company} view={view} change={change} />
      {(view.layout === 'rows' || view.layout === 'columns') && view.basis.kind !== 'none' && (
        <Choice
          label={t('controlLine.bars')}
          value={view.lanes}
          options={[
            { value: 'percent', word: t('controlLine.ofGoal') },
            { value: 'amount', word: t('controlLine.amounts') },
          ]}
          onChange={(lanes) => change({ lanes: lanes === 'percent' ? null : lanes })}
        />
      )}
      <ReadingControls view={view} standing={standing} change={change} />
      <SortControls view={view} change={change} />
      {view.layout === 'rows' && (
        <span className={view.beside === '' ? 'last-column' : 'last-column-beside'}>
          <Choice
            label={t('controlLine.lastColumn')}
            value={view.lastColumn}
            options={[
              { value: 'year', word: t('controlLine.changeOnLastYear') },
              { value: 'period', word: t('controlLine.changeOnPrior') },
              ...(view.basis.kind === 'none'
                ? []
                : [
                    { value: 'remaining', word: t('controlLine.remaining') },
                    { value: 'over', word: t('controlLine.over') },
                  ]),
            ]}
            onChange={(column) => change({ change: column === 'year' ? null : column })}
          />
        </span>
      )}
      <NarrowDrop view={view} standing={standing} company={company} change={change} />
      {mayLoad && (
        <ToneDrop key={standing.measure + standing.goal} standing={standing} view={view} />
      )}
      <button
        type="button"
        className="min-h-6 text-quiet"
        disabled={!isOffice}
        aria-pressed={view.panel === 'ladder'}
        onClick={() => change({ panel: view.panel === 'ladder' ? null : 'ladder' })}
      >
        {t('controlLine.statusThresholds')}{' '}
        <span className="border-b border-select font-semibold text-ink">
          {standing.rung.rungs.length}
        </span>
      </button>
      <WhatIfDrop
        key={`${standing.measure} ${standing.goal} ${JSON.stringify(standing.rung)}`}
        view={view}
        standing={standing}
        change={change}
      />
      {standing.openMonth && <AsOf standing={standing} change={change} />}
    </div>
  );
}

/** In which form the rows are shown; open deals say something of measures of which more is better. */
export function LayoutChoice({ company, view, change }: PartProps) {
  const measure = company.measures.find((one) => one.code === view.measure);
  const hasDeals = measure?.direction === 'HIGHER' && measure.unit !== 'rate';
  return (
    <Choice
      label={t('controlLine.layout')}
      value={view.layout}
      options={[
        { value: 'rows', word: t('controlLine.list') },
        { value: 'months', word: t('controlLine.months') },
        { value: 'columns', word: t('controlLine.columns') },
        { value: 'compare', word: t('controlLine.sideBySide') },
        ...(hasDeals
          ? [
              {
                value: 'outlook',
                word: t('controlLine.outlook'),
                remark: t('controlLine.withOpenDeals'),
              },
            ]
          : []),
      ]}
      onChange={(layout) =>
        change({
          layout: layout === 'rows' ? null : layout,
          ...(layout === 'outlook' ? wholeQuarter(company, view) : {}),
        })
      }
    />
  );
}

/** Deals close in months to come: from a month or a quarter so far, the whole quarter. */
function wholeQuarter(company: Company, { span }: View): Changes {
  if (span.kind !== 'm' && span.kind !== 'q') return {};
  const left = (12 - fiscalNumber(span.to, company.calendar)) % 3;
  return spanChanges({ ...span, kind: 'q', to: plusMonths(span.to, left) });
}

/** How closed and running months are read, and whether late files are waited for. */
function ReadingControls({ view, standing, change }: Omit<ControlLineProps, 'company'>) {
  return (
    <>
      <Choice
        label={t('controlLine.closedMonths')}
        value={view.isRestated ? 'restated' : 'as-closed'}
        options={[
          { value: 'as-closed', word: t('controlLine.asClosed') },
          {
            value: 'restated',
            word: t('controlLine.restated'),
            remark: t('controlLine.withWhatWasPostedSince'),
          },
        ]}
        onChange={(closed) => change({ closed: closed === 'restated' ? closed : null })}
      />
      {standing.openMonth && (
        <Choice
          label={t('controlLine.judgeBy')}
          value={view.isWhole ? 'whole' : 'to-date'}
          options={[
            { value: 'to-date', word: t('controlLine.goalToDate') },
            { value: 'whole', word: t('controlLine.wholeGoal') },
          ]}
          onChange={(judge) => change({ judge: judge === 'whole' ? judge : null })}
        />
      )}
      {standing.waiting && (
        <Choice
          label={t('controlLine.missingFiles')}
          value={standing.waiting.isCounted ? 'counted' : 'left-out'}
          options={[
            { value: 'left-out', word: t('controlLine.leftOut') },
            { value: 'counted', word: t('controlLine.countedAs0') },
          ]}
          onChange={(waiting) => change({ waiting: waiting === 'counted' ? waiting : null })}
        />
      )}
    </>
  );
}

type PartProps = Omit<ControlLineProps, 'standing'>;

export function RowControls({ company, view, change }: PartProps) {
  const groups = GROUPS[view.axis];
  const words = new Map(AXES.map(({ value, word }) => [value, word]));
  return (
    <>
      <Choice
        label={t('controlLine.rows')}
        value={view.axis}
        options={AXES}
        onChange={(axis) =>
          change({
            axis,
            selected: null,
            group: null,
            only: null,
            against: keepBasis(company, view, axis),
            trialThresholds: null,
          })
        }
      />
      {groups.length > 0 && (view.layout === 'rows' || view.layout === 'outlook') && (
        <Choice
          label={t('controlLine.groupBy')}
          value={view.group ?? ''}
          options={[
            { value: '', word: t('controlLine.none') },
            ...groups.map((axis) => ({ value: axis, word: words.get(axis) ?? axis })),
          ]}
          onChange={(group) => change({ group: group || null, folded: null, selected: null })}
        />
      )}
      <Choice
        label={t('controlLine.measure')}
        value={view.measure}
        options={company.measures
          .filter((m) => m.hasActuals || m.code === view.measure)
          .map((m) => ({
            value: m.code,
            word: m.unit === 'count' || m.unit === 'rate' ? m.name : `${m.name}, ${m.unit}`,
          }))}
        onChange={(measure) =>
          change({ measure, against: null, beside: null, trialThresholds: null })
        }
      />
    </>
  );
}

export function BasisControls({ company, view, change }: PartProps) {
  const isPrior = view.basis.kind === 'prior-year' || view.basis.kind === 'prior-period';
  const seconds = bases(company, view).filter(
    ({ value }) => value !== 'none' && value !== basisWord(view.basis),
  );
  return (
    <>
      <Choice
        label={t('controlLine.compareWith')}
        value={basisWord(view.basis)}
        options={bases(company, view)}
        onChange={(against) => change({ against, factor: null, trialThresholds: null })}
      />
      {isPrior && <Factor value={view.factor} onChange={(factor) => change({ factor })} />}
      {view.basis.kind !== 'none' && view.layout === 'rows' && (
        <Choice
          label={t('controlLine.secondComparison')}
          value={view.beside}
          options={[{ value: '', word: t('controlLine.none') }, ...seconds]}
          onChange={(beside) => change({ beside: beside || null, times: null })}
        />
      )}
      {view.beside.startsWith('prior') && view.layout === 'rows' && (
        <Factor value={view.besideFactor} onChange={(times) => change({ times })} />
      )}
    </>
  );
}

function SortControls({ view, change }: Pick<ControlLineProps, 'view' | 'change'>) {
  const sort = readSort(view.sort);
  return (
    <>
      <Choice
        label={t('controlLine.sortBy')}
        value={sort.key}
        options={SORTS.map(({ key, word }) => ({ value: key, word }))}
        onChange={(key) =>
          change({ sort: sortWord({ key: key as SortKey, isFalling: key !== 'name' }) })
        }
      />
      {view.group && (
        <Choice
          label={t('controlLine.sortWithin')}
          value={view.isFlat ? '1' : ''}
          options={[
            { value: '', word: t('controlLine.eachGroup') },
            { value: '1', word: t('controlLine.allRows') },
          ]}
          onChange={(flat) => change({ flat: flat || null })}
        />
      )}
    </>
  );
}

interface FactorProps {
  value: string;
  /** Gets null for 1. */
  onChange: (factor: string | null) => void;
}

/** What a derived goal is multiplied by. */
function Factor({ value, onChange }: FactorProps) {
  function keep(input: HTMLInputElement) {
    const read = readNumber(input.value, { decimals: 6 });
    if (read.kind === 'number' && /[1-9]/.test(read.decimal)) {
      if (read.decimal !== value) onChange(read.decimal === '1' ? null : read.decimal);
      input.value = typed(read.decimal);
    } else {
      input.setCustomValidity(
        read.kind === 'fault' ? read.words : t('controlLine.aFactorMustBeAbove'),
      );
      input.reportValidity();
      input.setCustomValidity('');
    }
  }
  return (
    <label className="text-quiet">
      {t('controlLine.factor')}{' '}
      <input
        key={value}
        defaultValue={typed(value)}
        inputMode="decimal"
        onBlur={(event) => keep(event.currentTarget)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep(event.currentTarget);
        }}
        className="w-[52px] border-b border-select bg-transparent font-semibold text-ink invalid:border-bad"
      />
    </label>
  );
}

/** Goal sets of these rows first; those of their groups next; others are not offered. */
export function bases(company: Company, view: View): Option[] {
  const chosen = view.basis;
  const fitting = offered(company, chosen.kind === 'set' ? chosen.name : undefined).filter(
    (set) => set.measures.includes(view.measure) || set.measures.length === 0,
  );
  const own = fitting.filter((set) => set.axis === view.axis);
  const ofGroup = fitting.filter((set) => set.axis === view.group && set.axis !== view.axis);
  const ofCompany = fitting.filter((set) => set.axis === 'company' && view.axis !== 'company');
  const isElsewhere =
    chosen.kind === 'set' &&
    ![...own, ...ofGroup, ...ofCompany].some((set) => set.name === chosen.name);
  const other = company.goalSets.find((set) => chosen.kind === 'set' && set.name === chosen.name);
  return [
    ...own.map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      ...(set.ranges.includes(view.measure) ? { remark: t('controlLine.range') } : {}),
    })),
    ...ofGroup.map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      remark: t('controlLine.aGoalPerNotPer', {
        axis: singular(set.axis),
        axis2: singular(view.axis),
      }),
    })),
    ...ofCompany.map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      remark: t('controlLine.oneGoalForTheCompany'),
    })),
    ...(isElsewhere
      ? [
          {
            value: basisWord(chosen),
            word: chosen.name,
            remark: other
              ? t('controlLine.goalsPer', { axis: singular(other.axis) })
              : t('controlLine.noLongerThere'),
          },
        ]
      : []),
    { value: 'prior-year', word: t('controlLine.lastYear') },
    { value: 'prior-period', word: t('controlLine.priorPeriod') },
    { value: 'none', word: t('controlLine.nothing') },
  ];
}

/** A derived basis stays when the rows change; a goal set gives way to one of the new rows. */
function keepBasis(company: Company, view: View, axis: string): string | null {
  const { basis } = view;
  if (basis.kind !== 'set') return basisWord(basis);
  const isSame = company.goalSets.some(
    (set) => set.name === basis.name && (set.axis === (axis as AxisWord) || set.axis === 'company'),
  );
  return isSame ? basisWord(basis) : null;
}
