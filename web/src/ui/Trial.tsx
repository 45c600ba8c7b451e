import { useClose } from '@headlessui/react';
import { useState, type ReactNode, type SyntheticEvent } from 'react';
import type { Changes } from '../address/useView';
import { typed } from '../format/writing';
import { t } from './words';
import { Drop } from './Drop';
import { mainButton, quietButton, smallButton } from './Notice';
import { NumberField } from './NumberField';

/** Takes every part of a trial out of the address. */
export const NO_TRIAL: Changes = {
  trialFactor: null,
  trialThresholds: null,
  trialPlan: null,
  trialPace: null,
};

const FACTOR = { decimals: 6 };

interface TrialBandProps {
  words: string[] | null;
  /** What the trial comes to, where that can be said. */
  children?: ReactNode;
  change: (changes: Changes) => void;
}

/** Marks figures that nothing backs but a trial, with the way out of it. */
export function TrialBand({ words, children, change }: TrialBandProps) {
  if (!words) return null;
  return (
    <div
      role="status"
      className="mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-2 border-dashed border-select px-2.5 py-1"
    >
      <span>
        <b>{t('trial.on')}</b> {children}
      </span>
      <button
        type="button"
        className={`${smallButton} no-print ml-auto`}
        onClick={() => change(NO_TRIAL)}
      >
        {t('trial.end')}
      </button>
    </div>
  );
}

interface TrialDropProps {
  /** What the address tries already. */
  factor: string;
  isAtPace: boolean;
  isOn: boolean;
  /** What the factor is of, such as goals. */
  factorOf: string;
  /** Further fields, and what they add to the address; null while they have a fault. */
  children?: ReactNode;
  more: () => Changes | null;
  change: (changes: Changes) => void;
}

/** A form for what might be: figures are read anew by it, and nothing is saved. */
export function TrialDrop(props: TrialDropProps) {
  return (
    <Drop label={t('trial.label')} value={props.isOn ? t('trial.shown') : t('trial.none')}>
      <TrialForm {...props} />
    </Drop>
  );
}

function TrialForm({ factor, isAtPace, isOn, factorOf, children, more, change }: TrialDropProps) {
  const close = useClose();
  const [by, setBy] = useState<string | null>(factor);
  const [pace, setPace] = useState(isAtPace);
  const isFit = by !== null && (by === '' || /[1-9]/.test(by));
  function apply(event: SyntheticEvent) {
    event.preventDefault();
    const added = more();
    if (!isFit || added === null) return;
    change({
      ...added,
      trialFactor: by === '1' ? null : by,
      trialPace: pace ? 'end' : null,
    });
    close();
  }
  return (
    <form className="space-y-2.5" onSubmit={apply}>
      <p className="text-quiet">{t('trial.what')}</p>
      <NumberField
        label={t('trial.factor', { factorOf })}
        value={factor}
        kind={FACTOR}
        placeholder={typed('1.03')}
        onRead={setBy}
      />
      {!isFit && by !== null && <p className="text-bad">{t('trial.above0')}</p>}
      {children}
      <label className="flex min-h-6 items-start gap-2">
        <input
          type="checkbox"
          className="mt-1"
          checked={pace}
          onChange={(event) => setPace(event.target.checked)}
        />
        {t('trial.pace')}
      </label>
      <div className="flex gap-2">
        <button type="submit" className={mainButton}>
          {t('trial.try')}
        </button>
        {isOn && (
          <button
            type="button"
            className={quietButton}
            onClick={() => {
              change(NO_TRIAL);
              close();
            }}
          >
            {t('trial.end')}
          </button>
        )}
      </div>
    </form>
  );
}
