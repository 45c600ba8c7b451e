import { useState } from 'react';
import type { PayDesk } from '../../api/types';
import type { Changes } from '../../address/useView';
import { amount, signed } from '../../format/figures';
import { count } from '../../format/nouns';
import { TrialBand, TrialDrop } from '../../ui/Trial';
import type { PayTrial } from './useEarnings';
import { Select } from '../../ui/Select';
import { t } from './words';

interface WhatIfDropProps {
  desk: PayDesk;
  trial: PayTrial;
  plans: string[];
  change: (changes: Changes) => void;
}

/** Larger quotas, another plan, a running month at its end: paid anew, never saved. */
export function WhatIfDrop({ desk, trial, plans, change }: WhatIfDropProps) {
  const [plan, setPlan] = useState(trial.trialPlan ?? '');
  return (
    <TrialDrop
      key={JSON.stringify(trial)}
      factor={trial.trialFactor ?? ''}
      isAtPace={trial.trialPace === 'end'}
      isOn={desk.trial !== null}
      factorOf={t('whatIf.quotas')}
      more={() => ({ trialPlan: plan || null })}
      change={change}
    >
      <label className="block">
        <span className="text-quiet">{t('whatIf.plan')}</span>
        <Select value={plan} onChange={(event) => setPlan(event.target.value)}>
          <option value="">{t('whatIf.ownPlan')}</option>
          {plans.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </Select>
      </label>
    </TrialDrop>
  );
}

/** What a trial would add to the commission due. */
export function PayTrialBand({ desk, change }: Pick<WhatIfDropProps, 'desk' | 'change'>) {
  const { trial } = desk;
  return (
    <TrialBand words={trial?.words ?? null} change={change}>
      {trial &&
        (trial.changes.length === 0
          ? t('whatIf.noPayChanges')
          : t('whatIf.change', {
              change: signed(trial.change),
              currency: desk.currency,
              due: amount(trial.due),
              reps: count(trial.changes.length, 'rep'),
            }))}
    </TrialBand>
  );
}
