import { useState } from 'react';
import type { Changes } from '../../address/useView';
import { Drop } from '../../ui/Drop';
import { field } from '../../ui/field';
import { quietButton, smallButton } from '../../ui/Notice';
import { useSetChange } from './useGoals';
import { t } from './words';

interface SetDropProps {
  goalSet: string;
  isRetired: boolean;
  change: (changes: Changes) => void;
}

/** Gives a goal set another name, or takes it out of what is offered. */
export function SetDrop({ goalSet, isRetired, change }: SetDropProps) {
  const [name, setName] = useState(goalSet);
  const save = useSetChange(goalSet);
  return (
    <Drop
      label={t('setDrop.thisSet')}
      value={isRetired ? t('setDrop.retired') : t('setDrop.inUse')}
    >
      <form
        className="space-y-2.5"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(
            { name: name.trim() },
            { onSuccess: (set) => change({ set: set.name, plan: null }) },
          );
        }}
      >
        <label className="block">
          <span className="text-quiet">{t('setDrop.name')}</span>
          <input
            className={field}
            value={name}
            maxLength={120}
            aria-invalid={save.isError}
            aria-describedby="set-fault"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button
          type="submit"
          className={smallButton}
          disabled={save.isPending || name.trim() === '' || name.trim() === goalSet}
        >
          {t('setDrop.rename')}
        </button>
        <p className="border-t border-rule pt-2 text-quiet">{t('setDrop.whatRetiring')}</p>
        <button
          type="button"
          className={quietButton}
          disabled={save.isPending}
          onClick={() => save.mutate({ isRetired: !isRetired })}
        >
          {isRetired ? t('setDrop.takeBack') : t('setDrop.retire')}
        </button>
        <p id="set-fault" role={save.isError ? 'alert' : undefined} className="text-bad">
          {save.error?.message}
        </p>
      </form>
    </Drop>
  );
}
