import { smallButton } from './Notice';
import { t } from './words';

/** What was just done, and the way back; nothing while there is no way. */
export function UndoLine({ words, onUndo }: { words: string; onUndo: (() => void) | null }) {
  return onUndo === null ? null : (
    <p role="status" className="no-print my-1.5 flex items-center gap-2 text-quiet">
      {words}
      <button type="button" className={smallButton} onClick={onUndo}>
        {t('undoLine.undo')}
      </button>
    </p>
  );
}
