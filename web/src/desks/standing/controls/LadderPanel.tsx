import { useState } from 'react';
import type { Standing } from '../../../api/types';
import { wholeQuery, type View } from '../../../address/useView';
import { SidePanel } from '../../../ui/SidePanel';
import { smallButton } from '../../../ui/Notice';
import { LadderForm } from '../../../thresholds/LadderForm';
import { draftOf, ladderBody } from '../../../thresholds/ladder';
import { Moves } from '../../../thresholds/Moves';
import { ladderTarget } from './ladderTarget';
import { useSaveRules } from '../useStanding';
import { t } from '../words';

interface LadderPanelProps {
  standing: Standing;
  view: View;
  onClose: () => void;
}

/** The ladder beside its effect: who would change status, before it is saved. */
export default function LadderPanel({ standing, view, onClose }: LadderPanelProps) {
  const [draft, setDraft] = useState(() => draftOf(standing.rung, standing.unit));
  const [since, setSince] = useState<string | null>(standing.to);
  const save = useSaveRules();
  const target = ladderTarget(standing, view);
  // as the panel was opened, for the way back
  const [before] = useState(() => ({ rung: standing.rung, name: standing.ladder }));
  const [isChanged, setChanged] = useState(false);
  const body = ladderBody(target, draft, standing.unit, since);
  function undo() {
    const old = draftOf(before.rung, standing.unit);
    const back = before.name.startsWith('default')
      ? { ...target, remove: true }
      : ladderBody(target, old, standing.unit, since);
    save.mutate(
      { ladders: [back] },
      {
        onSuccess: () => {
          setChanged(false);
          setDraft(old);
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
      <LadderForm
        draft={draft}
        unit={standing.unit}
        onChange={setDraft}
        effect={<Moves asked={wholeQuery(view)} ladder={body} />}
        months={[standing.to]}
        since={since}
        onSince={setSince}
        save={save}
        isReady={save.isReady}
        onSave={() => save.mutate({ ladders: [body] }, { onSuccess: () => setChanged(true) })}
        saved={t('ladderPanel.saved')}
        onUndo={isChanged ? undo : null}
      >
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
      </LadderForm>
    </SidePanel>
  );
}
