import { useState } from 'react';
import type { Rules } from '../../api/types';
import { mainButton } from '../../ui/Notice';
import { Saved } from '../../ui/Saved';
import { tagOf, useSaveRules } from './useRules';
import { t } from './words';

const KINDS = [
  { kind: 'goals', word: t('approval.goals') },
  { kind: 'plans', word: t('approval.plans') },
  { kind: 'ladders', word: t('approval.ladders') },
] as const;

/** Which changes wait until an approver who did not make them has accepted them. */
export function ApprovalPart({ rules }: { rules: Rules & { tag: string } }) {
  const [begun, setBegun] = useState(rules);
  const [approval, setApproval] = useState(rules.approval);
  const save = useSaveRules(tagOf(begun, rules, 'approval'));
  return (
    <form
      aria-label={t('approval.approval')}
      className="max-w-[460px] space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ approval }, { onSuccess: setBegun });
      }}
    >
      <h2 className="text-[16px] font-bold">{t('approval.approval')}</h2>
      <p className="text-quiet">{t('approval.what')}</p>
      {KINDS.map(({ kind, word }) => (
        <label key={kind} className="flex min-h-6 items-center gap-2">
          <input
            type="checkbox"
            checked={approval[kind]}
            onChange={(event) => setApproval({ ...approval, [kind]: event.target.checked })}
          />
          {word}
        </label>
      ))}
      <button type="submit" className={mainButton} disabled={save.isPending}>
        {t('approval.save')}
      </button>
      <Saved save={save} words={t('approval.saved')} />
      {save.isError && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}
