import { useState } from 'react';
import type { Rung, Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { monthName } from '../../../format/figures';
import { StatusMark } from '../../../marks/StatusMark';
import { SidePanel } from '../../../ui/SidePanel';
import { field } from '../../../ui/field';
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
import { Saved } from '../../../ui/Saved';
import { UndoLine } from '../../../ui/UndoLine';
import { Select } from '../../../ui/Select';
import { t } from '../words';

const TONES = ['good', 'near', 'bad', 'neutral'] as const;

interface LadderPanelProps {
  standing: Standing;
  view: View;
  onClose: () => void;
}

/** The ladder beside its effect: who would change status, before it is saved. */
export default function LadderPanel({ standing, view, onClose }: LadderPanelProps) {
  const [scale, setScale] = useState(standing.rung.scale);
  const isShare = isShareScale(scale, standing.unit);
  const [rungs, setRungs] = useState(() => draftsOf(standing.rung.rungs, isShare));
  const [perMonth, setPerMonth] = useState(standing.rung.perMonth);
  const [isForAll, setForAll] = useState(false);
  const save = useSaveRules();
  const fault = faultOf(rungs);
  const target = ladderTarget(standing, view);
  // as the panel was opened, for the way back
  const [before] = useState(() => ({ rung: standing.rung, name: standing.ladder }));
  const [isChanged, setChanged] = useState(false);
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
  function undo() {
    const wasShare = isShareScale(before.rung.scale, standing.unit);
    const old = before.name.startsWith('default')
      ? { ...target, remove: true }
      : ladderBody(
          target,
          before.rung.scale,
          draftsOf(before.rung.rungs, wasShare),
          wasShare,
          isForAll ? null : standing.to,
          before.rung.perMonth,
        );
    save.mutate(
      { ladders: [old] },
      {
        onSuccess: () => {
          setChanged(false);
          setScale(before.rung.scale);
          setRungs(draftsOf(before.rung.rungs, wasShare));
          setPerMonth(before.rung.perMonth);
        },
      },
    );
  }

  return (
    <SidePanel
      label={t('ladderPanel.statusThresholds')}
      title={t('ladderPanel.statusThresholds')}
      onClose={onClose}
      isScreenOnly
    >
      <p className="mb-3 text-quiet">
        {t('ladderPanel.forComparedWithByIn', {
          measure: standing.measureName,
          goal: standing.goal,
          axis: standing.axis,
          ladder: standing.ladder,
        })}
      </p>
      <label className="mb-3 block">
        <span className="text-quiet">{t('ladderPanel.basedOn')}</span>
        <Select
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
        </Select>
      </label>
      {isAmountScale(scale) && standing.unit !== 'rate' && (
        <label className="mb-3 flex min-h-6 items-center gap-1.5">
          <input
            type="checkbox"
            checked={perMonth}
            onChange={(event) => setPerMonth(event.target.checked)}
          />
          {t('ladderPanel.thresholdsArePerMonthAnd')}
        </label>
      )}
      <ol className="mb-2 space-y-2" aria-label={t('ladderPanel.thresholdsLowestFirst')}>
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
        {t('ladderPanel.addThreshold')}
      </button>
      {fault ? (
        <p role="alert" className="mb-3 text-bad">
          {fault}
        </p>
      ) : (
        <TrialPart view={view} body={body} />
      )}
      <fieldset className="mb-3">
        <legend className="text-quiet">{t('ladderPanel.appliesTo')}</legend>
        {[
          {
            isAll: false,
            word: t('ladderPanel.andLaterEarlierMonthsKeep', { to: monthName(standing.to) }),
          },
          { isAll: true, word: t('ladderPanel.everyMonthAlsoPastOnes') },
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
        onClick={() => save.mutate({ ladders: [body] }, { onSuccess: () => setChanged(true) })}
      >
        {t('ladderPanel.saveThresholds')}
      </button>
      {!standing.ladder.startsWith('default') && (
        <button
          type="button"
          className={`${smallButton} ml-2`}
          disabled={!save.isReady || save.isPending}
          onClick={() =>
            save.mutate(
              { ladders: [{ ...target, remove: true }] },
              {
                onSuccess: ({ proposal }) => {
                  if (!proposal) onClose();
                },
              },
            )
          }
        >
          {t('ladderPanel.resetToDefault')}
        </button>
      )}
      <Saved save={save} words={t('ladderPanel.saved')} />
      <UndoLine
        words={t('ladderPanel.changed')}
        onUndo={isChanged && save.isSuccess && !save.data.proposal ? undo : null}
      />
    </SidePanel>
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
  const name = t('ladderPanel.threshold', { at: at + 1 });
  return (
    <li className="grid grid-cols-[1fr_84px_24px] items-center gap-x-2 gap-y-1">
      <input
        className={field}
        aria-label={t('ladderPanel.name', { name })}
        value={rung.name}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <Select
        aria-label={t('ladderPanel.colour', { name })}
        value={rung.tone}
        onChange={(event) => onChange({ tone: event.target.value as Rung['tone'] })}
      >
        {TONES.map((tone) => (
          <option key={tone} value={tone}>
            {t(`ladderPanel.tone.${tone}`)}
          </option>
        ))}
      </Select>
      <button
        type="button"
        aria-label={t('ladderPanel.removeThreshold', { at: at + 1 })}
        disabled={at === 0}
        onClick={onRemove}
        className="h-6 w-6 text-quiet hover:text-bad disabled:opacity-30"
      >
        ×
      </button>
      {at === 0 ? (
        <span className="col-span-3 text-[12.5px] text-quiet">
          {t('ladderPanel.belowTheNextThreshold')}
        </span>
      ) : (
        <span className="col-span-3 flex items-center gap-1.5 text-[12.5px] text-quiet">
          <Select
            className="rounded-sm border border-field bg-sheet px-1 py-0.5 text-ink"
            aria-label={t('ladderPanel.atOrAboveItsStart', { name })}
            value={rung.isAbove ? 'above' : 'at'}
            onChange={(event) => onChange({ isAbove: event.target.value === 'above' })}
          >
            <option value="at">{t('ladderPanel.atOrAbove')}</option>
            <option value="above">{t('ladderPanel.above')}</option>
          </Select>
          <input
            className="w-[84px] rounded-sm border border-field bg-sheet px-2 py-0.5 text-right text-ink"
            aria-label={t('ladderPanel.startsAt', { name })}
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
  if (trial.isPending)
    return <p className="mb-3 text-quiet">{t('ladderPanel.checkingWhichRowsWouldChange')}</p>;
  if (trial.isError) {
    return <Failed error={trial.error} onRetry={() => void trial.refetch()} />;
  }
  const { flips, rungs, noReading } = trial.data;
  return (
    <section
      aria-label={t('ladderPanel.rowsThatWouldChangeTheir')}
      className="mb-4 border-t border-rule pt-2"
    >
      <p className="mb-1 text-quiet">
        {rungs.map(({ name, rows }) => `${name} ${rows}`).join(' · ')}
        {noReading > 0 && t('ladderPanel.noStatus', { noReading })}
      </p>
      <h3 className="font-semibold">
        {flips.length === 0
          ? t('ladderPanel.noRowChangesItsStatus')
          : t('ladderPanel.rowChangesItsStatus', { n: flips.length })}
      </h3>
      <ul className="max-h-[260px] overflow-auto">
        {flips.map((flip) => (
          <li key={flip.key} className="border-b border-rule py-1">
            <span className="font-semibold">{flip.name}</span>
            <span className="flex items-center gap-2">
              <StatusMark status={flip.before} tone={flip.beforeTone} />
              <span aria-label={t('ladderPanel.becomes')}>→</span>
              <StatusMark status={flip.after} tone={flip.afterTone} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
