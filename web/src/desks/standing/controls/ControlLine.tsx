import { useRights } from '../../../api/account';
import type { AxisWord, Company, Standing } from '../../../api/types';
import { basisWord, type Changes, type View } from '../../../address/useView';
import { readNumber } from '../../../format/numbers';
import { typed } from '../../../format/writing';
import { Choice, type Option } from '../../../ui/Choice';
import { AsOf } from './AsOf';
import { NarrowDrop } from './NarrowDrop';
import { EMPTY, readSort, sortWord, type SortKey } from '../rows';
import { ToneDrop } from './ToneDrop';

const AXES: Option[] = [
  { value: 'rep', word: 'reps' },
  { value: 'region', word: 'regions' },
  { value: 'product', word: 'products' },
  { value: 'line', word: 'product lines' },
  { value: 'manager', word: 'managers' },
  { value: 'company', word: 'company' },
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
  { key: 'favourable', word: 'variance' },
  { key: 'attainment', word: 'percent-to-goal' },
  { key: 'actual', word: 'actual' },
  { key: 'goal', word: 'goal' },
  { key: 'growth', word: 'growth' },
  { key: 'name', word: 'name' },
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
  const rungWords = `${standing.rung.rungs.length} rungs`;
  return (
    <div className="no-print mb-2 flex flex-wrap items-center gap-x-3.5 gap-y-1.5 text-[13px]">
      <RowControls company={company} view={view} change={change} />
      <BasisControls company={company} view={view} change={change} />
      <Choice
        label="Show"
        value={view.layout}
        options={[
          { value: 'rows', word: 'one line each' },
          { value: 'months', word: 'month by month' },
          { value: 'compare', word: 'a comparison' },
        ]}
        onChange={(layout) => change({ layout: layout === 'rows' ? null : layout })}
      />
      {view.layout === 'rows' && (
        <Choice
          label="Lanes in"
          value={view.lanes}
          options={[
            { value: 'percent', word: 'percent' },
            { value: 'amount', word: 'amounts' },
          ]}
          onChange={(lanes) => change({ lanes: lanes === 'percent' ? null : lanes })}
        />
      )}
      <ReadingControls view={view} standing={standing} change={change} />
      <SortControls view={view} change={change} />
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
        Ladder <span className="border-b border-select font-semibold text-ink">{rungWords}</span>
      </button>
      {standing.openMonth && <AsOf standing={standing} change={change} />}
      <span className="ml-auto hidden text-quiet xl:inline">{reachedWords(standing)}</span>
    </div>
  );
}

/** How many reached the goal, in the measure's direction. */
function reachedWords({ direction, goal, spoken, isRange, total }: Standing) {
  if (total.spoken.noReading === EMPTY || spoken.withGoal === 0) return '';
  const of = `${spoken.reached} of ${spoken.withGoal}`;
  if (total.spoken.kind === 'to-date') {
    return direction === 'LOWER' ? `${of} within pace` : `${of} on pace`;
  }
  if (isRange) return `${of} inside ${goal}`;
  if (direction === 'LOWER') return `${of} within ${goal}`;
  return direction === 'NEAREST' ? `${of} exactly on ${goal}` : `${of} reached ${goal}`;
}

/** How closed and running months are read, and whether late files are waited for. */
function ReadingControls({ view, standing, change }: Omit<ControlLineProps, 'company'>) {
  return (
    <>
      <Choice
        label="Closed months:"
        value={view.isRestated ? 'restated' : 'as-closed'}
        options={[
          { value: 'as-closed', word: 'as closed' },
          { value: 'restated', word: 'restated', remark: 'with what was posted since' },
        ]}
        onChange={(closed) => change({ closed: closed === 'restated' ? closed : null })}
      />
      {standing.openMonth && (
        <Choice
          label="Judge by:"
          value={view.isWhole ? 'whole' : 'to-date'}
          options={[
            { value: 'to-date', word: 'goal to date' },
            { value: 'whole', word: 'whole goal' },
          ]}
          onChange={(judge) => change({ judge: judge === 'whole' ? judge : null })}
        />
      )}
      {standing.waiting && (
        <Choice
          label="Missing files:"
          value={standing.waiting.isCounted ? 'counted' : 'left-out'}
          options={[
            { value: 'left-out', word: 'left out' },
            { value: 'counted', word: 'counted as 0' },
          ]}
          onChange={(waiting) => change({ waiting: waiting === 'counted' ? waiting : null })}
        />
      )}
    </>
  );
}

type PartProps = Omit<ControlLineProps, 'standing'>;

function RowControls({ company, view, change }: PartProps) {
  const groups = GROUPS[view.axis];
  const words = new Map(AXES.map(({ value, word }) => [value, word]));
  return (
    <>
      <Choice
        label="Rows"
        value={view.axis}
        options={AXES}
        onChange={(axis) =>
          change({
            axis,
            selected: null,
            group: null,
            only: null,
            against: keepBasis(company, view, axis),
          })
        }
      />
      {groups.length > 0 && view.layout === 'rows' && (
        <Choice
          label="in"
          value={view.group ?? ''}
          options={[
            { value: '', word: 'no groups' },
            ...groups.map((axis) => ({ value: axis, word: words.get(axis) ?? axis })),
          ]}
          onChange={(group) => change({ group: group || null, folded: null, selected: null })}
        />
      )}
      <Choice
        label="Measure"
        value={view.measure}
        options={company.measures
          .filter((m) => m.hasActuals || m.code === view.measure)
          .map((m) => ({
            value: m.code,
            word: m.unit === 'count' || m.unit === 'rate' ? m.code : `${m.code}, ${m.unit}`,
          }))}
        onChange={(measure) => change({ measure, against: null, beside: null })}
      />
    </>
  );
}

function BasisControls({ company, view, change }: PartProps) {
  const isPrior = view.basis.kind === 'prior-year' || view.basis.kind === 'prior-period';
  const seconds = bases(company, view).filter(
    ({ value }) => value !== 'none' && value !== basisWord(view.basis),
  );
  return (
    <>
      <Choice
        label="Against"
        value={basisWord(view.basis)}
        options={bases(company, view)}
        onChange={(against) => change({ against, factor: null })}
      />
      {isPrior && <Factor value={view.factor} onChange={(factor) => change({ factor })} />}
      {view.basis.kind !== 'none' && view.layout === 'rows' && (
        <Choice
          label="and"
          value={view.beside}
          options={[{ value: '', word: 'nothing else' }, ...seconds]}
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
        label="Sort"
        value={sort.key}
        options={SORTS.map(({ key, word }) => ({ value: key, word }))}
        onChange={(key) =>
          change({ sort: sortWord({ key: key as SortKey, isFalling: key !== 'name' }) })
        }
      />
      {view.group && (
        <Choice
          label=""
          value={view.isFlat ? '1' : ''}
          options={[
            { value: '', word: 'within groups' },
            { value: '1', word: 'across groups' },
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
        read.kind === 'fault' ? read.words : 'A factor is above 0, such as 1.2.',
      );
      input.reportValidity();
      input.setCustomValidity('');
    }
  }
  return (
    <label className="text-quiet">
      times{' '}
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
  const fitting = company.goalSets.filter(
    (set) => set.measures.includes(view.measure) || set.measures.length === 0,
  );
  const own = fitting.filter((set) => set.axis === view.axis);
  const ofGroup = fitting.filter((set) => set.axis === view.group && set.axis !== view.axis);
  const chosen = view.basis;
  const isElsewhere =
    chosen.kind === 'set' && ![...own, ...ofGroup].some((set) => set.name === chosen.name);
  const other = company.goalSets.find((set) => chosen.kind === 'set' && set.name === chosen.name);
  return [
    ...own.map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      ...(set.ranges.includes(view.measure) ? { remark: 'a range' } : {}),
    })),
    ...ofGroup.map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      remark: `of each ${set.axis}, not of its ${view.axis}s`,
    })),
    ...(isElsewhere
      ? [
          {
            value: basisWord(chosen),
            word: chosen.name,
            remark: other ? `goals of ${other.axis}s` : 'gone',
          },
        ]
      : []),
    { value: 'prior-year', word: 'last year' },
    { value: 'prior-period', word: 'the period before' },
    { value: 'none', word: 'nothing' },
  ];
}

/** A derived basis stays when the rows change; a goal set gives way to one of the new rows. */
function keepBasis(company: Company, view: View, axis: string): string | null {
  const { basis } = view;
  if (basis.kind !== 'set') return basisWord(basis);
  const isSame = company.goalSets.some(
    (set) => set.name === basis.name && set.axis === (axis as AxisWord),
  );
  return isSame ? basisWord(basis) : null;
}
