import { useState } from 'react';
import type { AssignmentPart } from '../../api/types';
import { count } from '../../format/nouns';
import { field } from '../../ui/field';
import { smallButton } from '../../ui/Notice';
import { assigned, readPasted, readRamp, type Person } from './plan';
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

/** No region is called that. */
const ALL = '\u0000all';

/** Who has the plan: added one by one, by region, or from lines of a file. */
export function AssignPart({ plan, plans, people, assignments, from, onChange }: AssignPartProps) {
  const [since, setSince] = useState(from);
  const [ramp, setRamp] = useState('');
  const shares = readRamp(ramp);
  const ofPlan = assignments.filter((one) => one.plan.toLowerCase() === plan.toLowerCase());
  const regions = [...new Set(people.map((one) => one.region).filter((one) => one !== null))];
  const nameOf = (rep: string) => people.find((one) => one.rep === rep)?.name ?? rep;
  const add = (reps: Person[]) =>
    onChange(
      reps.reduce(
        (all, { rep }) =>
          assigned(all, {
            rep,
            plan,
            ...(since ? { from: since } : {}),
            ...(shares && shares.length > 0 ? { ramp: shares } : {}),
          }),
        assignments,
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
        <label className="block">
          <span className="text-quiet">{t('assignPart.addRep')}</span>
          <select
            className={field}
            value=""
            disabled={plan === '' || shares === null}
            onChange={(event) => add(people.filter((one) => one.rep === event.target.value))}
          >
            <option value="">{t('assignPart.select')}</option>
            {people.map((one) => (
              <option key={one.rep} value={one.rep}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="text-quiet">{t('assignPart.addAllRepsOfA')}</span>
          <select
            className={field}
            value=""
            disabled={plan === '' || shares === null}
            onChange={({ target }) =>
              add(people.filter((one) => target.value === ALL || one.region === target.value))
            }
          >
            <option value="">{t('assignPart.select')}</option>
            <option value={ALL}>{t('assignPart.addAll')}</option>
            {regions.map((region) => (
              <option key={region}>{region}</option>
            ))}
          </select>
        </label>
      </div>
      <label className="mt-2 block">
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
      <FromFile
        plans={plans}
        people={people}
        onRead={(read) => onChange(read.reduce(assigned, assignments))}
      />
    </section>
  );
}

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
