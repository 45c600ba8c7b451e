import { useState } from 'react';
import type { Reason } from '../api/types';
import { field } from './field';
import { smallButton } from './Notice';
import { useSaveReasons } from '../api/reasons';
import { t } from './words';

/** The company's own list of reasons, to be changed. */
export function ReasonList({ reasons, onClose }: { reasons: Reason[]; onClose?: () => void }) {
  const [list, setList] = useState<{ code?: string; name: string }[]>(reasons);
  const save = useSaveReasons();
  return (
    <form
      aria-label={t('reasonList.reasons')}
      className="no-print space-y-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(
          list.filter(({ name }) => name.trim() !== ''),
          { onSuccess: () => onClose?.() },
        );
      }}
    >
      {list.map((reason, at) => (
        <div key={at} className="flex gap-1.5">
          <input
            aria-label={t('reasonList.reason', { at: at + 1 })}
            className={field}
            maxLength={80}
            value={reason.name}
            onChange={(event) =>
              setList(
                list.map((one, place) =>
                  place === at ? { ...one, name: event.target.value } : one,
                ),
              )
            }
          />
          <button
            type="button"
            aria-label={t('reasonList.remove', {
              name: reason.name || t('reasonList.reason2', { at: at + 1 }),
            })}
            className="h-7 w-6 text-quiet hover:text-bad"
            onClick={() => setList(list.filter((_, place) => place !== at))}
          >
            ×
          </button>
        </div>
      ))}
      {save.isError && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
      <div className="flex gap-1.5">
        <button
          type="button"
          className={smallButton}
          onClick={() => setList([...list, { name: '' }])}
        >
          {t('reasonList.addReason')}
        </button>
        <button type="submit" className={smallButton} disabled={save.isPending}>
          {t('reasonList.saveReasons')}
        </button>
        {onClose && (
          <button type="button" className={smallButton} onClick={onClose}>
            {t('reasonList.cancel')}
          </button>
        )}
      </div>
    </form>
  );
}
