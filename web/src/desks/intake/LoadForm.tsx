import { useEffect, useState, type ReactNode } from 'react';
import type { AxisWord, Company, Load, LoadKind } from '../../api/types';
import { count } from '../../format/figures';
import { mainButton, quietButton } from '../../ui/Notice';
import { guess, headerNames, isWide, type Draft } from './intake';
import { useStage } from './useIntake';

const KINDS: { kind: LoadKind; word: string }[] = [
  { kind: 'actuals', word: 'Actuals' },
  { kind: 'goals', word: 'Goals' },
  { kind: 'roster', word: 'Roster' },
  { kind: 'products', word: 'Products' },
];
const AXES: AxisWord[] = ['rep', 'region', 'product', 'line', 'manager', 'company'];
const HEAD = 65_536;
const field = 'w-full rounded-sm border border-quiet bg-sheet px-2.5 py-1.5 text-ink';

interface LoadFormProps {
  file: File;
  company: Company;
  onStaged: (load: Load) => void;
  onCancel: () => void;
}

/** What a chosen file is: guessed, shown, corrected, then staged. */
export function LoadForm({ file, company, onStaged, onCancel }: LoadFormProps) {
  const [firstLine, setFirstLine] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft | null>(null);
  const stage = useStage(onStaged);

  useEffect(() => {
    let isCurrent = true;
    void file
      .slice(0, HEAD)
      .text()
      .then((text) => {
        if (!isCurrent) return;
        const line = text.trimStart().split(/\r\n|\n|\r/)[0] ?? '';
        setFirstLine(line);
        setDraft(guess(file.name, line, company.measures));
      });
    return () => {
      isCurrent = false;
    };
  }, [file, company.measures]);

  if (!draft || firstLine === null) return null;
  const set = (changes: Partial<Draft>) => setDraft({ ...draft, ...changes });
  const hasAmounts = draft.kind === 'actuals' || draft.kind === 'goals';
  return (
    <form
      className="max-w-[620px] p-[18px]"
      onSubmit={(event) => {
        event.preventDefault();
        stage.mutate({ file, draft });
      }}
    >
      <h1 className="mb-1 text-[20px] font-bold break-words">What is {file.name}?</h1>
      <p className="mb-4 truncate text-quiet" title={firstLine}>
        {count(Math.max(1, Math.round(file.size / 1024)), 'kB', 'kB')} · {firstLine || 'no header'}
      </p>
      <fieldset className="mb-4 flex gap-5">
        <legend className="mb-1 font-semibold">It brings</legend>
        {KINDS.map(({ kind, word }) => (
          <label key={kind} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="kind"
              checked={draft.kind === kind}
              onChange={() => set({ kind, goalSet: draft.goalSet || 'quota' })}
            />
            {word}
          </label>
        ))}
      </fieldset>
      <div className="mb-4 grid grid-cols-2 gap-4">
        {draft.kind === 'goals' && (
          <>
            <Field label="Goal set" hint="a new name makes a new set">
              <input
                className={field}
                value={draft.goalSet}
                list="goal-sets"
                required
                maxLength={120}
                onChange={(event) => set({ goalSet: event.target.value })}
              />
              <datalist id="goal-sets">
                {company.goalSets.map((one) => (
                  <option key={one.name} value={one.name} />
                ))}
              </datalist>
            </Field>
            <Field label="Goals by">
              <select
                className={field}
                value={draft.axis}
                onChange={(event) => set({ axis: event.target.value as AxisWord })}
              >
                {AXES.map((axis) => (
                  <option key={axis}>{axis}</option>
                ))}
              </select>
            </Field>
          </>
        )}
        {hasAmounts && isWide(headerNames(firstLine)) && (
          <Field label="Its month columns count">
            <select
              className={field}
              value={draft.measure}
              onChange={(event) => set({ measure: event.target.value })}
            >
              {company.measures.map((measure) => (
                <option key={measure.code}>{measure.code}</option>
              ))}
            </select>
          </Field>
        )}
        {hasAmounts && (
          <Field label="Control total" hint="optional, such as revenue=1912400.00">
            <input
              className={field}
              value={draft.controlTotal}
              onChange={(event) => set({ controlTotal: event.target.value })}
            />
          </Field>
        )}
      </div>
      {stage.isError && (
        <p role="alert" className="mb-4 border-l-4 border-bad bg-sheet p-3">
          {stage.error.message}
        </p>
      )}
      <div className="flex items-center gap-3">
        <button type="submit" className={mainButton} disabled={stage.isPending}>
          {stage.isPending ? 'Staging …' : 'Stage'}
        </button>
        <button type="button" className={quietButton} onClick={onCancel}>
          Put it away
        </button>
        <span role="status" className="text-quiet">
          {stage.isPending && 'Reading the lines; nothing is posted yet.'}
        </span>
      </div>
    </form>
  );
}

function Field(props: { label: string; hint?: string; children: ReactNode }) {
  return (
    <label className="block">
      <span className="mb-1 block font-semibold">{props.label}</span>
      {props.children}
      {props.hint && <span className="mt-0.5 block text-[12px] text-quiet">{props.hint}</span>}
    </label>
  );
}
