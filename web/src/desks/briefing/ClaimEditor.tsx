import { useState } from 'react';
import type { BriefingBlock } from '../../api/types';
import { focusOnSight } from '../../ui/focusOnSight';
import { smallButton } from '../../ui/Notice';
import { t } from './words';

/** A run of words that can be typed over, or a figure that can only be removed. */
interface Run {
  figure: string | null;
  text: string;
}

interface ClaimEditorProps {
  block: BriefingBlock | null;
  isPending: boolean;
  /** Gives the text with its figures in braces. */
  onSave: (text: string) => void;
  onCancel: () => void;
}

/** Rewords a block: the words are free, its figures stay bound to their queries. */
export function ClaimEditor({ block, isPending, onSave, onCancel }: ClaimEditorProps) {
  const [runs, setRuns] = useState<Run[]>(() => runsOf(block));
  const text = runs
    .map(({ figure, text: words }) => (figure === null ? words : `{${figure}}`))
    .join('');
  return (
    <form
      ref={focusOnSight}
      aria-label={t('briefing.wording')}
      className="border-l-4 border-select bg-ground p-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        onSave(text);
      }}
    >
      <p className="mb-1 text-[12.5px] text-quiet">{t('briefing.wordsAreFree')}</p>
      <div className="mb-2 flex flex-wrap items-center gap-1">
        {runs.map((run, at) =>
          run.figure === null ? (
            <input
              key={at}
              aria-label={t('briefing.words', { number: at + 1 })}
              className="rounded-sm border border-field bg-sheet px-1.5 py-0.5"
              size={Math.min(60, Math.max(4, run.text.length + 1))}
              value={run.text}
              onChange={(event) => setRuns(withText(runs, at, event.target.value))}
            />
          ) : (
            <span
              key={at}
              className="inline-flex items-center rounded-sm bg-select-ground px-1.5 py-0.5 font-bold"
            >
              {run.text}
              <button
                type="button"
                aria-label={t('briefing.removeFigure', { figure: run.text })}
                className="ml-1 h-5 w-5 text-quiet hover:text-bad"
                onClick={() => setRuns(runs.filter((_, place) => place !== at))}
              >
                ×
              </button>
            </span>
          ),
        )}
      </div>
      <p className="flex gap-2">
        <button type="submit" className={smallButton} disabled={isPending || text.trim() === ''}>
          {t('briefing.saveWording')}
        </button>
        <button type="button" className={smallButton} onClick={onCancel}>
          {t('briefing.cancel')}
        </button>
      </p>
    </form>
  );
}

/** Words stand before, between and after the figures, so that they can be typed everywhere. */
function runsOf(block: BriefingBlock | null): Run[] {
  const runs: Run[] = [{ figure: null, text: '' }];
  for (const piece of block?.pieces ?? []) {
    const last = runs[runs.length - 1] as Run;
    if (piece.figure === null) last.text += piece.text;
    else runs.push({ figure: piece.figure, text: piece.text }, { figure: null, text: '' });
  }
  return runs;
}

const withText = (runs: Run[], at: number, text: string): Run[] =>
  runs.map((run, place) => (place === at ? { ...run, text } : run));
