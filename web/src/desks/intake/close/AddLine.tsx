import { useState } from 'react';
import { focusOnSight } from '../../../ui/focusOnSight';
import { Input } from '../../../ui/Input';
import { Labelled } from '../../../ui/Labelled';
import { smallButton } from '../../../ui/Notice';
import { t } from './words';

interface AddLineProps {
  isPending: boolean;
  onAdd: (name: string, recurs: boolean) => void;
  onCancel: () => void;
}

/** A line of the company's own, for this month or for every month from it on. */
export function AddLine({ isPending, onAdd, onCancel }: AddLineProps) {
  const [name, setName] = useState('');
  const [recurs, setRecurs] = useState(true);
  return (
    <form
      ref={focusOnSight}
      aria-label={t('close.addALine')}
      className="mb-3 flex flex-wrap items-end gap-3 border-l-4 border-select bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        onAdd(name, recurs);
      }}
    >
      <div className="min-w-[240px] flex-1">
        <Labelled label={t('close.whatIsToBeDone')}>
          <Input maxLength={120} value={name} onChange={(event) => setName(event.target.value)} />
        </Labelled>
      </div>
      <label className="flex items-center gap-2 py-1.5">
        <input
          type="checkbox"
          checked={recurs}
          onChange={(event) => setRecurs(event.target.checked)}
        />
        {t('close.everyMonthFromThisOneOn')}
      </label>
      <span className="flex gap-2">
        <button type="submit" className={smallButton} disabled={isPending || name.trim() === ''}>
          {t('close.addLine')}
        </button>
        <button type="button" className={smallButton} onClick={onCancel}>
          {t('close.cancel')}
        </button>
      </span>
    </form>
  );
}
