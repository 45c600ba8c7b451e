import { useState } from 'react';
import type { Standing } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { field } from '../../../ui/field';
import { TrialDrop } from '../../../ui/Trial';
import { boundText, draftsOf, faultOf, isShareScale } from '../../../thresholds/ladder';
import { t } from '../words';

interface WhatIfDropProps {
  view: View;
  standing: Standing;
  change: (changes: Changes) => void;
}

/** Larger goals, other thresholds, a running month at its end: read anew, never saved. */
export function WhatIfDrop({ view, standing, change }: WhatIfDropProps) {
  const { trial } = view;
  const isShare = isShareScale(standing.rung.scale, standing.unit);
  const inForce = draftsOf(standing.rung.rungs, isShare);
  const [rungs, setRungs] = useState(inForce);
  const fault = faultOf(rungs);
  function bounds(): Changes | null {
    if (fault) return null;
    const given = rungs.slice(1).map((rung) => boundText(rung, isShare));
    const before = inForce.slice(1).map((rung) => boundText(rung, isShare));
    const isSame = given.join() === before.join();
    return { trialThresholds: isSame ? trial.thresholds || null : given.join() };
  }
  return (
    <TrialDrop
      key={JSON.stringify(trial)}
      factor={trial.factor}
      isAtPace={trial.isAtPace}
      isOn={standing.trial !== null}
      factorOf={t('whatIf.goals')}
      more={bounds}
      change={change}
    >
      {rungs.length > 1 && (
        <fieldset>
          <legend className="text-quiet">
            {isShare ? t('whatIf.thresholdsPercent') : t('whatIf.thresholds')}
          </legend>
          <div className="space-y-1">
            {rungs.map((rung, at) =>
              at === 0 ? null : (
                <label key={rung.name} className="flex items-center gap-2">
                  <span className="min-w-0 flex-1 truncate">
                    {t('whatIf.begins', { name: rung.name })}
                  </span>
                  <input
                    className={`${field} !w-[110px]`}
                    inputMode="decimal"
                    value={rung.bound}
                    aria-invalid={fault !== null}
                    onChange={(event) =>
                      setRungs(
                        rungs.map((one, other) =>
                          other === at ? { ...one, bound: event.target.value } : one,
                        ),
                      )
                    }
                  />
                </label>
              ),
            )}
          </div>
          {fault && <p className="text-bad">{fault}</p>}
        </fieldset>
      )}
    </TrialDrop>
  );
}
