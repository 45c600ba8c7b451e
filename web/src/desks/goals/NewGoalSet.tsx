import { useState } from 'react';
import type { Changes } from '../../address/useView';
import { capital, plural } from '../../format/nouns';
import { field } from '../../ui/field';
import { smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { t } from './words';

const AXES = ['rep', 'region', 'manager', 'product', 'line', 'company'];

interface NewGoalSetProps {
  change: (changes: Changes) => void;
  onClose?: () => void;
}

/** Names a goal set that is new; it is there with its first goal. */
export function NewGoalSet({ change, onClose }: NewGoalSetProps) {
  const [name, setName] = useState('');
  const [axis, setAxis] = useState('rep');
  return (
    <form
      aria-label={t('newGoalSet.newGoalSet')}
      className="mb-2 flex flex-wrap items-end gap-3 text-ink"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        change({ set: name.trim(), axis, plan: null });
        onClose?.();
      }}
    >
      <label className="block">
        <span className="text-quiet">{t('newGoalSet.name')}</span>
        <input
          className={field}
          value={name}
          maxLength={120}
          placeholder={t('newGoalSet.suchAsQuota')}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <Pick
        label={t('newGoalSet.goalsBy')}
        value={axis}
        options={AXES.map((word) => ({ value: word, word: capital(plural(word)) }))}
        onChange={setAxis}
      />
      <button type="submit" className={smallButton} disabled={name.trim() === ''}>
        {t('newGoalSet.createGoalSet')}
      </button>
      {onClose && (
        <button type="button" className={smallButton} onClick={onClose}>
          {t('newGoalSet.cancel')}
        </button>
      )}
    </form>
  );
}
