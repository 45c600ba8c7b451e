import { useState } from 'react';
import { offered } from '../../api/goalSets';
import type { Company, LadderRule, Rules } from '../../api/types';
import { monthName } from '../../format/figures';
import { plural } from '../../format/nouns';
import { LadderForm } from '../../thresholds/LadderForm';
import { draftOf, ladderBody } from '../../thresholds/ladder';
import { Moves } from '../../thresholds/Moves';
import { SidePanel } from '../../ui/SidePanel';
import { focusOnSight } from '../../ui/focusOnSight';
import { attachedTo, AttachPick, nameOf, takenBack, type Attached } from './AppliesTo';
import { useSaveRules } from './useRules';
import { t } from './words';

interface LadderEditorProps {
  company: Company;
  rules: Rules & { tag: string };
  month: string;
  /** The thresholds to change; null for new ones. */
  rule: LadderRule | null;
  /** The measure that new ones begin with. */
  first: string;
  onClose: () => void;
}

const UNSTARTED: LadderRule['rungs'] = [
  { name: 'behind', tone: 'bad' },
  { name: 'reached', tone: 'good', from: '1', bound: 'at or above' },
];

/** Thresholds of a measure, a goal set and kind of row, beside whose status they would change. */
export function LadderEditor({ company, rules, month, rule, first, onClose }: LadderEditorProps) {
  const unitOf = (code: string) => company.measures.find((one) => one.code === code)?.unit ?? '';
  const begun = (measure: string) =>
    draftOf(standingFor(rules, measure) ?? { rungs: UNSTARTED }, unitOf(measure));
  const [to, setTo] = useState<Attached>(rule ?? { measure: first });
  const [draft, setDraft] = useState(() =>
    rule ? draftOf(rule, unitOf(rule.measure)) : begun(first),
  );
  const [since, setSince] = useState<string | null>(rule ? (rule.since ?? null) : month);
  const [undone, setUndone] = useState<LadderRule[] | null>(null);
  const save = useSaveRules(rules.tag);
  const body = ladderBody(attachedTo(to), draft, unitOf(to.measure), since);
  const sets = offered(company).filter((one) => one.measures.includes(to.measure));
  const set = to.goalSet
    ? sets.find((one) => one.name === to.goalSet)
    : (sets.find((one) => one.axis === (to.axis ?? 'rep')) ?? sets[0]);
  const axis = to.axis ?? set?.axis ?? 'rep';
  const months = [...new Set([rule?.since ?? month, month])];
  function undo() {
    if (!undone) return;
    const back = { ladders: [takenBack(to), ...undone] };
    save.mutate(back, { onSuccess: () => setUndone(null) });
  }
  return (
    <SidePanel
      label={t('ladderEditor.change')}
      title={rule ? t('ladderEditor.change') : t('ladderEditor.add')}
      onClose={onClose}
    >
      <div ref={focusOnSight}>
        {rule ? (
          <p className="mb-3 text-quiet">
            {t('ladderEditor.of', {
              measure: nameOf(company, to.measure),
              set: to.goalSet ?? t('ladderEditor.everySet'),
              axis: to.axis ? plural(to.axis) : t('ladderEditor.everyRows'),
            })}
          </p>
        ) : (
          <div role="group" aria-label={t('ladderEditor.whatFor')} className="mb-3 grid gap-2">
            <AttachPick
              company={company}
              value={to}
              onChange={(next) => {
                if (next.measure !== to.measure) setDraft(begun(next.measure));
                setTo(next);
              }}
            />
          </div>
        )}
        <LadderForm
          draft={draft}
          unit={unitOf(to.measure)}
          onChange={setDraft}
          effect={
            <>
              <p className="text-quiet">
                {t('ladderEditor.effectOn', {
                  month: monthName(month),
                  axis: plural(axis),
                  goal: set?.name ?? t('ladderEditor.lastYear'),
                })}
              </p>
              <Moves
                asked={{
                  measure: to.measure,
                  axis,
                  from: month,
                  to: month,
                  goalSet: set?.name,
                  basis: set === undefined ? 'prior-year' : undefined,
                }}
                ladder={body}
              />
            </>
          }
          months={months}
          since={since}
          onSince={setSince}
          save={save}
          onSave={() => {
            const before = rules.ladders.filter((one) => isOfSame(one, to));
            save.mutate({ ladders: [body] }, { onSuccess: () => setUndone(before) });
          }}
          saved={t('ladderEditor.saved')}
          onUndo={undone === null ? null : undo}
        />
      </div>
    </SidePanel>
  );
}

/** What decides about a measure where nothing more special does. */
const standingFor = (rules: Rules, measure: string) =>
  rules.ladders.find((one) => one.measure === measure && !one.goalSet && !one.axis && !one.since);

const isOfSame = (rule: LadderRule, to: Attached) =>
  rule.measure === to.measure &&
  (rule.goalSet ?? '') === (to.goalSet ?? '') &&
  (rule.axis ?? '') === (to.axis ?? '');
