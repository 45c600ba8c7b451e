import type { ReactNode } from 'react';
import type { Proposal } from '../api/types';
import { mainButton } from '../ui/Notice';
import { Saved } from '../ui/Saved';
import { UndoLine } from '../ui/UndoLine';
import { LadderFields } from './LadderFields';
import { faultOf, type LadderDraft } from './ladder';
import { SinceChoice } from './SinceChoice';
import { t } from './words';

interface LadderFormProps {
  draft: LadderDraft;
  /** Of the measure. */
  unit: string;
  onChange: (draft: LadderDraft) => void;
  /** What the thresholds would change, while they can be tried. */
  effect: ReactNode;
  /** Months that they may begin with, and the one chosen; null for every month. */
  months: string[];
  since: string | null;
  onSince: (since: string | null) => void;
  save: {
    isPending: boolean;
    error: Error | null;
    isSuccess: boolean;
    data: { proposal?: Proposal } | undefined;
  };
  /** Whether it is known over what they would be saved. */
  isReady?: boolean;
  onSave: () => void;
  /** What is said once they are saved. */
  saved: string;
  /** The way back; null while there is none. */
  onUndo: (() => void) | null;
  /** Another button beside the one that saves. */
  children?: ReactNode;
}

/** Thresholds beside what they would change, and from when on they are saved. */
export function LadderForm(props: LadderFormProps) {
  const { draft, unit, effect, months, since, save, isReady = true, saved, onUndo } = props;
  const fault = faultOf(draft.rungs);
  return (
    <>
      <LadderFields draft={draft} unit={unit} onChange={props.onChange} />
      {fault ? (
        <p role="alert" className="mb-3 text-bad">
          {fault}
        </p>
      ) : (
        effect
      )}
      <SinceChoice months={months} since={since} onChange={props.onSince} />
      {save.error && (
        <p role="alert" className="mb-2 text-bad">
          {save.error.message}
        </p>
      )}
      <button
        type="button"
        className={mainButton}
        disabled={fault !== null || !isReady || save.isPending}
        onClick={props.onSave}
      >
        {t('ladder.saveThresholds')}
      </button>
      {props.children}
      <Saved save={save} words={saved} />
      <UndoLine
        words={t('ladder.changed')}
        onUndo={save.isSuccess && !save.data?.proposal ? onUndo : null}
      />
    </>
  );
}
