import { useState } from 'react';
import type { Rung, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { count, monthName } from '../../../format/figures';
import { StatusMark } from '../../../marks/StatusMark';
import { field } from '../../../ui/Drop';
import { Failed, mainButton, smallButton } from '../../../ui/Notice';
import {
  draftsOf,
  faultOf,
  isAmountScale,
  isShareScale,
  ladderBody,
  ladderTarget,
  SCALES,
  withoutBounds,
  type RungDraft,
} from './ladder';
import { useSaveRules, useTrial } from '../useStanding';

const TONES: Rung['tone'][] = ['good', 'near', 'bad', 'neutral'];

interface LadderPanelProps {
  standing: Standing;
  view: View;
  onClose: () => void;
}

/** The ladder beside its effect: who would change status, before it is saved. */
export function LadderPanel({ standing, view, onClose }: LadderPanelProps) {
  const [scale, setScale] = useState(standing.rung.scale);
  const isShare = isShareScale(scale, standing.unit);
  const [rungs, setRungs] = useState(() => draftsOf(standing.rung.rungs, isShare));
  const [perMonth, setPerMonth] = useState(standing.rung.perMonth);
  const [isForAll, setForAll] = useState(false);
  const save = useSaveRules();
  const fault = faultOf(rungs);
  const target = ladderTarget(standing, view);
  const body = ladderBody(
    target,
    scale,
    rungs,
    isShare,
    isForAll ? null : standing.to,
    perMonth && isAmountScale(scale),
  );
  const change = (at: number, part: Partial<RungDraft>) =>
    setRungs(rungs.map((rung, place) => (place === at ? { ...rung, ...part } : rung)));
  return (
    <aside
      aria-label="Ladder"
      className="no-print min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <div className="mb-1 flex items-baseline justify-between gap-2">
        <h2 className="text-[18px] font-bold">Ladder</h2>
        <button type="button" className={smallButton} onClick={onClose}>
          Close
        </button>
      </div>
      <p className="mb-3 text-quiet">
        Of {standing.measure} against {standing.goal}, by {standing.axis}. Now: {standing.ladder}.
      </p>
      <label className="mb-3 block">
        <span className="text-quiet">Reads</span>
        <select
          className={field}
          value={scale}
          onChange={(event) => {
            const isOther = isShareScale(event.target.value, standing.unit) !== isShare;
            setScale(event.target.value);
            if (isOther) setRungs(withoutBounds(rungs));
          }}
        >
          {SCALES.map(({ value, word }) => (
            <option key={value} value={value}>
              {word}
            </option>
          ))}
        </select>
      </label>
      {isAmountScale(scale) && standing.unit !== 'rate' && (
        <label className="mb-3 flex min-h-6 items-center gap-1.5">
          <input
            type="checkbox"
            checked={perMonth}
            onChange={(event) => setPerMonth(event.target.checked)}
          />
          Bounds are per month, multiplied by the months with actuals
        </label>
      )}
      <ol className="mb-2 space-y-2" aria-label="Rungs, the lowest first">
        {rungs.map((rung, at) => (
          <RungFields
            key={at}
            rung={rung}
            at={at}
            unit={isShare ? '%' : standing.unit === 'count' ? '' : standing.unit}
            onChange={(part) => change(at, part)}
            onRemove={() => setRungs(rungs.filter((_, place) => place !== at))}
          />
        ))}
      </ol>
      <button
        type="button"
        className={`${smallButton} mb-3`}
        onClick={() => setRungs([...rungs, { name: '', tone: 'good', bound: '', isAbove: false }])}
      >
        Add a rung above
      </button>
      {fault ? (
        <p role="alert" className="mb-3 text-bad">
          {fault}
        </p>
      ) : (
        <TrialPart view={view} body={body} />
      )}
      <fieldset className="mb-3">
        <legend className="text-quiet">Judges</legend>
        {[
          { isAll: false, word: `${monthName(standing.to)} and later; earlier months keep theirs` },
          { isAll: true, word: 'every month, past ones too' },
        ].map(({ isAll, word }) => (
          <label key={word} className="flex min-h-6 items-center gap-1.5">
            <input
              type="radio"
              name="since"
              checked={isForAll === isAll}
              onChange={() => setForAll(isAll)}
            />
            {word}
          </label>
        ))}
      </fieldset>
      {save.isError && (
        <p role="alert" className="mb-2 text-bad">
          {save.error.message}
        </p>
      )}
      <button
        type="button"
        className={mainButton}
        disabled={fault !== null || !save.isReady || save.isPending}
        onClick={() => save.mutate({ ladders: [body] })}
      >
        Save the ladder
      </button>
      {!standing.ladder.startsWith('default') && (
        <button
          type="button"
          className={`${smallButton} ml-2`}
          disabled={!save.isReady || save.isPending}
          onClick={() =>
            save.mutate({ ladders: [{ ...target, remove: true }] }, { onSuccess: onClose })
          }
        >
          Reset to default
        </button>
      )}
      {save.isSuccess && (
        <span role="status" className="ml-3 text-good">
          Saved.
        </span>
      )}
    </aside>
  );
}

interface RungFieldsProps {
  rung: RungDraft;
  at: number;
  unit: string;
  onChange: (part: Partial<RungDraft>) => void;
  onRemove: () => void;
}

function RungFields({ rung, at, unit, onChange, onRemove }: RungFieldsProps) {
  const name = `Rung ${at + 1}`;
  return (
    <li className="grid grid-cols-[1fr_84px_24px] items-center gap-x-2 gap-y-1">
      <input
        className={field}
        aria-label={`${name}, name`}
        value={rung.name}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <select
        className={field}
        aria-label={`${name}, tone`}
        value={rung.tone}
        onChange={(event) => onChange({ tone: event.target.value as Rung['tone'] })}
      >
        {TONES.map((tone) => (
          <option key={tone}>{tone}</option>
        ))}
      </select>
      <button
        type="button"
        aria-label={`Take out ${name.toLowerCase()}`}
        disabled={at === 0}
        onClick={onRemove}
        className="h-6 w-6 text-quiet hover:text-bad disabled:opacity-30"
      >
        ×
      </button>
      {at === 0 ? (
        <span className="col-span-3 text-[12.5px] text-quiet">everything below the next</span>
      ) : (
        <span className="col-span-3 flex items-center gap-1.5 text-[12.5px] text-quiet">
          <select
            className="rounded-sm border border-rule bg-sheet px-1 py-0.5 text-ink"
            aria-label={`${name}, bound`}
            value={rung.isAbove ? 'above' : 'at or above'}
            onChange={(event) => onChange({ isAbove: event.target.value === 'above' })}
          >
            <option>at or above</option>
            <option>above</option>
          </select>
          <input
            className="w-[84px] rounded-sm border border-rule bg-sheet px-2 py-0.5 text-right text-ink"
            aria-label={`${name}, begins at`}
            inputMode="decimal"
            value={rung.bound}
            onChange={(event) => onChange({ bound: event.target.value })}
          />
          {unit}
        </span>
      )}
    </li>
  );
}

/** Where the rows would land, and which would change. */
function TrialPart({ view, body }: { view: View; body: object }) {
  const trial = useTrial(view, body, true);
  if (trial.isPending) return <p className="mb-3 text-quiet">Reading who would change …</p>;
  if (trial.isError) {
    return <Failed error={trial.error} onRetry={() => void trial.refetch()} />;
  }
  const { flips, rungs, noReading } = trial.data;
  return (
    <section aria-label="Who would change status" className="mb-4 border-t border-rule pt-2">
      <p className="mb-1 text-quiet">
        {rungs.map(({ name, rows }) => `${name} ${rows}`).join(' · ')}
        {noReading > 0 && ` · no reading ${noReading}`}
      </p>
      <h3 className="font-semibold">
        {flips.length === 0
          ? 'Nobody changes status.'
          : `${count(flips.length, 'row')} ${flips.length === 1 ? 'changes' : 'change'}:`}
      </h3>
      <ul className="max-h-[260px] overflow-auto">
        {flips.map((flip) => (
          <li key={flip.key} className="border-b border-rule py-1">
            <span className="font-semibold">{flip.name}</span>
            <span className="flex items-center gap-2">
              <StatusMark status={flip.before} tone={flip.beforeTone} />
              <span aria-label="becomes">→</span>
              <StatusMark status={flip.after} tone={flip.afterTone} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
