import { useState } from 'react';
import { ProblemError } from '../../api/client';
import type { PlanPart, Rules } from '../../api/types';
import { monthName } from '../../format/figures';
import { smallButton } from '../../ui/Notice';
import { useSaveRules } from './useRules';
import { Proposed } from '../../ui/Proposed';
import { t } from './words';

interface RemovePlanProps {
  plan: PlanPart | undefined;
  rules: Rules & { tag: string };
}

/** Takes a plan's version out of the rules, and puts it back while the desk is open. */
export function RemovePlan({ plan, rules }: RemovePlanProps) {
  const save = useSaveRules(rules.tag);
  const [gone, setGone] = useState<PlanPart | null>(null);
  const hasOthers =
    plan && rules.plans.some((one) => one.name === plan.name && one.since !== plan.since);
  const remove = (going: PlanPart) =>
    save.mutate(
      { plans: [{ name: going.name, since: going.since ?? null, remove: true }] },
      { onSuccess: ({ proposal }) => setGone(proposal ? null : going) },
    );
  return (
    <>
      {plan && (
        <button
          type="button"
          className={smallButton}
          disabled={save.isPending}
          onClick={() => remove(plan)}
        >
          {t('removePlan.remove', {
            hasOthers: hasOthers
              ? t('removePlan.theVersionEffective', { plan: since(plan) })
              : plan.name,
          })}
        </button>
      )}
      {save.data?.proposal && <Proposed proposal={save.data.proposal} />}
      {gone && (
        <span role="status" className="w-full">
          {t('removePlan.isRemoved', { name: gone.name, gone: since(gone) })}{' '}
          <button
            type="button"
            className="underline"
            disabled={save.isPending}
            onClick={() => save.mutate({ plans: [gone] }, { onSuccess: () => setGone(null) })}
          >
            {t('removePlan.undo')}
          </button>
        </span>
      )}
      {save.error instanceof ProblemError && (
        <span role="alert" className="w-full text-bad">
          {save.error.rule}
        </span>
      )}
    </>
  );
}

function since(plan: PlanPart) {
  return plan.since === undefined
    ? t('removePlan.inEveryMonth')
    : t('removePlan.from', { since: monthName(plan.since) });
}
