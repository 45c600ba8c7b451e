import { useState } from 'react';
import type { AxisWord, Company, Standing } from '../../api/types';
import { basisWord, type Changes, type View } from '../../app/useView';
import { Choice, type Option } from '../../ui/Choice';
import { readSort, sortWord, type SortKey } from './standing';

const AXES: Option[] = [
  { value: 'rep', word: 'reps' },
  { value: 'region', word: 'regions' },
  { value: 'product', word: 'products' },
  { value: 'line', word: 'product lines' },
  { value: 'manager', word: 'managers' },
  { value: 'company', word: 'company' },
];

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
  const isPrior = view.basis.kind === 'prior-year' || view.basis.kind === 'prior-period';
  const sort = readSort(view.sort);
  const { atOrAboveGoal, membersWithGoal } = standing.summary;
  return (
    <div className="no-print mb-2 flex flex-wrap items-center gap-x-3.5 gap-y-1.5 text-[13px]">
      <Choice
        label="Rows"
        value={view.axis}
        options={AXES}
        onChange={(axis) =>
          change({ axis, selected: null, against: keepBasis(company, view, axis) })
        }
      />
      <Choice
        label="Measure"
        value={view.measure}
        options={company.measures
          .filter((m) => m.hasActuals || m.code === view.measure)
          .map((m) => ({
            value: m.code,
            word: m.unit === 'count' ? m.code : `${m.code}, ${m.unit}`,
          }))}
        onChange={(measure) => change({ measure, against: null })}
      />
      <Choice
        label="Against"
        value={basisWord(view.basis)}
        options={bases(company, view)}
        onChange={(against) => change({ against, factor: null })}
      />
      {isPrior && (
        <label className="text-quiet">
          times{' '}
          <input
            key={view.factor}
            defaultValue={view.factor}
            inputMode="decimal"
            pattern="\d{1,4}(\.\d{1,6})?"
            onBlur={(event) => changeFactor(event.currentTarget, change)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') changeFactor(event.currentTarget, change);
            }}
            className="w-[52px] border-b border-select bg-transparent font-semibold text-ink invalid:border-bad"
          />
        </label>
      )}
      <Choice
        label="Sort"
        value={sort.key}
        options={SORTS.map(({ key, word }) => ({ value: key, word }))}
        onChange={(key) =>
          change({ sort: sortWord({ key: key as SortKey, isFalling: key !== 'name' }) })
        }
      />
      <Choice
        label="Region"
        value={view.regions[0] ?? ''}
        options={[
          { value: '', word: 'all' },
          ...company.regions.map((region) => ({ value: region.key, word: region.name })),
        ]}
        onChange={(region) => change({ region: region || null, selected: null })}
      />
      <span className="text-quiet">
        Named <NameFilter text={view.text} onChange={(text) => change({ text }, true)} />
      </span>
      <span className="ml-auto hidden text-quiet xl:inline">
        {membersWithGoal > 0 && `${atOrAboveGoal} of ${membersWithGoal} at or above 100 %`}
      </span>
    </div>
  );
}

/** Keeps its own text, as the address follows a moment later; Back still empties it. */
function NameFilter({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const [typed, setTyped] = useState(text);
  const [seen, setSeen] = useState(text);
  if (text !== seen) {
    setSeen(text);
    if (!typed.startsWith(text) || text === '') setTyped(text);
  }
  return (
    <input
      type="search"
      aria-label="Named"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(event.target.value);
      }}
      className="w-[76px] border-b border-select bg-transparent font-semibold text-ink"
    />
  );
}

function changeFactor(input: HTMLInputElement, change: (changes: Changes) => void) {
  const factor = input.value.trim().replace(',', '.');
  if (input.validity.valid && /[1-9]/.test(factor)) {
    change({ factor: factor === '1' ? null : factor });
  } else {
    input.setCustomValidity('A factor such as 1.2, above 0');
    input.reportValidity();
    input.setCustomValidity('');
  }
}

/** Goal sets of these rows first; the others say whose goals they hold. */
function bases(company: Company, view: View): Option[] {
  const sets = company.goalSets
    .filter((set) => set.measures.includes(view.measure) || set.measures.length === 0)
    .map((set) => ({
      value: `set:${set.name}`,
      word: set.name,
      ...(set.axis === view.axis ? {} : { remark: `by ${set.axis}` }),
    }));
  return [
    ...sets.filter((set) => !('remark' in set)),
    ...sets.filter((set) => 'remark' in set),
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
