import { useDeferredValue, useMemo, useState } from 'react';
import type { AssignmentPart } from '../../api/types';
import { count } from '../../format/nouns';
import { field } from '../../ui/field';
import { smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { assignedAll, readPasted, readRamp, type Person } from './plan';
import { t } from './words';

interface AssignPartProps {
  plan: string;
  plans: string[];
  people: Person[];
  assignments: AssignmentPart[];
  /** Month from which new ones have it. */
  from: string;
  onChange: (assignments: AssignmentPart[]) => void;
}

/** Who has the plan: added by a filter, or from lines of a file. */
export function AssignPart({ plan, plans, people, assignments, from, onChange }: AssignPartProps) {
  const [since, setSince] = useState(from);
  const [ramp, setRamp] = useState('');
  const shares = readRamp(ramp);
  const ofPlan = assignments.filter((one) => one.plan.toLowerCase() === plan.toLowerCase());
  const nameOf = (rep: string) => people.find((one) => one.rep === rep)?.name ?? rep;
  const add = (reps: Person[]) =>
    onChange(
      assignedAll(
        assignments,
        reps.map(({ rep }) => ({
          rep,
          plan,
          ...(since ? { from: since } : {}),
          ...(shares && shares.length > 0 ? { ramp: shares } : {}),
        })),
      ),
    );
  return (
    <section aria-label={t('assignPart.assignedReps')} className="mt-6 max-w-[620px]">
      <h2 className="mb-1 font-semibold">
        {t('assignPart.assignedReps2', {
          size: count(new Set(ofPlan.map((one) => one.rep)).size, 'rep'),
        })}
      </h2>
      <ul className="mb-2 max-h-[230px] overflow-auto bg-sheet">
        {ofPlan.map((one) => (
          <li
            key={`${one.rep} ${one.from ?? ''}`}
            className="flex items-center gap-2 border-b border-rule px-2 py-0.5"
          >
            <span className="min-w-0 flex-1 truncate">{nameOf(one.rep)}</span>
            <span className="text-[12.5px] text-quiet">
              {one.from ? t('assignPart.from', { from: one.from }) : t('assignPart.always')}
              {one.until && t('assignPart.until', { until: one.until })}
              {one.ramp && t('assignPart.rampOfMonth', { ramp: one.ramp.length })}
            </span>
            <button
              type="button"
              aria-label={t('assignPart.remove', { rep: nameOf(one.rep) })}
              className="h-6 w-6 text-quiet hover:text-bad"
              onClick={() => onChange(assignments.filter((other) => other !== one))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-3 gap-2">
        <label className="block">
          <span className="text-quiet">{t('assignPart.effectiveFromMonth')}</span>
          <input
            type="month"
            placeholder="2026-10"
            className={field}
            value={since}
            onChange={(event) => setSince(event.target.value)}
          />
        </label>
        <label className="col-span-2 block">
          <span className="text-quiet">{t('assignPart.rampOfQuotaByMonth')}</span>
          <input
            className={field}
            value={ramp}
            placeholder="50 % 75 %"
            onChange={(event) => setRamp(event.target.value)}
          />
          {shares === null && (
            <span role="alert" className="mt-0.5 block text-bad">
              {t('assignPart.separateThePercentagesByBlanks')}
            </span>
          )}
        </label>
      </div>
      <ByFilter people={people} isReady={plan !== '' && shares !== null} onAdd={add} />
      <FromFile
        plans={plans}
        people={people}
        onRead={(read) => onChange(assignedAll(assignments, read))}
      />
    </section>
  );
}

const ANY = 'any';
const NONE = 'none';
const IS = 'is ';
const MOST_NAMED = 4;

interface ByFilterProps {
  people: Person[];
  isReady: boolean;
  onAdd: (people: Person[]) => void;
}

/** Reps by name, region and the plan that they have; all of them without any. */
function ByFilter({ people, isReady, onAdd }: ByFilterProps) {
  const [name, setName] = useState('');
  const [region, setRegion] = useState(ANY);
  const [has, setHas] = useState(ANY);
  const regions = useMemo(() => valuesOf(people, 'region'), [people]);
  const plans = useMemo(() => valuesOf(people, 'plan'), [people]);
  const sought = useDeferredValue(name.trim().toLowerCase());
  const found = useMemo(
    () =>
      people.filter(
        (one) =>
          `${one.name} ${one.rep}`.toLowerCase().includes(sought) &&
          isOf(one.region, region) &&
          isOf(one.plan, has),
      ),
    [people, sought, region, has],
  );
  return (
    <fieldset className="mt-2">
      <legend className="text-quiet">{t('assignPart.addReps')}</legend>
      <div className="grid grid-cols-3 gap-2">
        <label className="block">
          <span className="text-quiet">{t('assignPart.nameContains')}</span>
          <input className={field} value={name} onChange={(event) => setName(event.target.value)} />
        </label>
        <Pick
          label={t('assignPart.region')}
          value={region}
          options={[
            { value: ANY, word: t('assignPart.any') },
            ...regions.map((one) => ({ value: IS + one, word: one })),
            { value: NONE, word: t('assignPart.noRegion') },
          ]}
          onChange={setRegion}
        />
        <Pick
          label={t('assignPart.planNow')}
          value={has}
          options={[
            { value: ANY, word: t('assignPart.any') },
            { value: NONE, word: t('assignPart.noPlan') },
            ...plans.map((one) => ({ value: IS + one, word: one })),
          ]}
          onChange={setHas}
        />
      </div>
      <p className="mt-1.5 flex flex-wrap items-baseline gap-2">
        <button
          type="button"
          className={smallButton}
          disabled={!isReady || found.length === 0}
          onClick={() => {
            onAdd(found);
            setName('');
          }}
        >
          {t('assignPart.add', { n: found.length })}
        </button>
        <span className="min-w-0 flex-1 truncate text-quiet" aria-live="polite">
          {found.length === 0
            ? t('assignPart.nobody')
            : t('assignPart.found', {
                names: found
                  .slice(0, MOST_NAMED)
                  .map((one) => one.name)
                  .join(', '),
                more: Math.max(0, found.length - MOST_NAMED),
              })}
        </span>
      </p>
    </fieldset>
  );
}

function valuesOf(people: Person[], part: 'region' | 'plan'): string[] {
  const values = people.flatMap((one) => one[part] ?? []);
  return [...new Set(values)].sort();
}

const isOf = (value: string | null, wanted: string) =>
  wanted === ANY || (wanted === NONE ? value === null : wanted === IS + (value ?? ''));

interface FromFileProps {
  plans: string[];
  people: Person[];
  onRead: (assignments: AssignmentPart[]) => void;
}

function FromFile({ plans, people, onRead }: FromFileProps) {
  const [faults, setFaults] = useState<string[]>([]);
  const [text, setText] = useState('');
  const [taken, setTaken] = useState<number | null>(null);
  const take = (content: string) => {
    const read = readPasted(content, people, plans);
    setFaults(read.faults);
    const isTaken = read.faults.length === 0 && read.assignments.length > 0;
    setTaken(isTaken ? read.assignments.length : null);
    if (isTaken) {
      onRead(read.assignments);
      setText('');
    }
  };
  return (
    <details className="mt-2">
      <summary className="min-h-6 cursor-pointer text-select">
        {t('assignPart.fromAFileOrPasted')}
      </summary>
      <label className="block">
        <span className="text-quiet">{t('assignPart.onePerLineRepPlan')}</span>
        <textarea
          className={`${field} h-[72px]`}
          value={text}
          placeholder={t('assignPart.r01Field27202610')}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <button
          type="button"
          className={smallButton}
          disabled={text.trim() === ''}
          onClick={() => take(text)}
        >
          {t('assignPart.assignTheseLines')}
        </button>
        <input
          type="file"
          aria-label={t('assignPart.fileOfAssignments')}
          accept=".csv,.txt,text/csv,text/plain"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void file.text().then(take);
          }}
        />
        {taken !== null && (
          <span role="status">{t('assignPart.assigned', { taken: count(taken, 'line') })}</span>
        )}
      </p>
      {faults.length > 0 && (
        <ul role="alert" className="mt-1 text-bad">
          {faults.slice(0, 8).map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
          {faults.length > 8 && <li>{t('assignPart.andMore', { faults: faults.length - 8 })}</li>}
          <li>{t('assignPart.nothingIsAssigned')}</li>
        </ul>
      )}
    </details>
  );
}
