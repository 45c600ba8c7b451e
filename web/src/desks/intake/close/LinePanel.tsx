import { useState } from 'react';
import { Link } from 'react-router';
import { useRights } from '../../../api/account';
import type { CloseLine } from '../../../api/types';
import { timeText } from '../../../format/writing';
import { focusOnSight } from '../../../ui/focusOnSight';
import { Labelled } from '../../../ui/Labelled';
import { mainButton, smallButton } from '../../../ui/Notice';
import { SidePanel } from '../../../ui/SidePanel';
import { Textarea } from '../../../ui/Textarea';
import { CloseMark } from './CloseMark';
import type { useCloseChange } from './useClose';
import { t } from './words';

interface LinePanelProps {
  line: CloseLine;
  month: string;
  /** Whether the month is open and the line counts, so that it can be waived. */
  isOpen: boolean;
  isWaiving: boolean;
  onWaiving: (isWaiving: boolean) => void;
  change: ReturnType<typeof useCloseChange>;
  onAct: () => void;
  onClose: () => void;
}

/** A line explained: what is open of it, what resolves it, and why it is waived. */
export function LinePanel(props: LinePanelProps) {
  const { line, isOpen, isWaiving, onWaiving, change, onAct, onClose } = props;
  const { isOffice } = useRights();
  return (
    <SidePanel label={t('close.line')} title={line.name} onClose={onClose} isScreenOnly>
      <p className="mb-2 flex items-center gap-3">
        <CloseMark state={line.state} isLater={!line.action && line.state === 'open'} />
        <b>{line.figure}</b>
      </p>
      <p className="mb-3">{line.text}</p>
      {line.reason !== null && (
        <p className="mb-3 border-l-4 border-rule bg-ground p-2.5">
          {line.reason}
          <span className="block text-[12.5px] text-quiet">
            {t('close.waivedBy', { by: line.by ?? '', at: line.at ? timeText(line.at) : '' })}
          </span>
        </p>
      )}
      {line.reason === null && line.by !== null && line.at !== null && (
        <p className="mb-3 text-quiet">
          {t('close.doneBy', { by: line.by, at: timeText(line.at) })}
        </p>
      )}
      {line.items.length > 0 && (
        <ul aria-label={t('close.items')} className="mb-4">
          {line.items.map((item) => (
            <li key={item.key} className="border-t border-rule py-1.5">
              <span className="flex items-baseline justify-between gap-3">
                {item.address ? (
                  <Link className="min-w-0 break-words text-select underline" to={item.address}>
                    {item.name}
                  </Link>
                ) : (
                  <b className="min-w-0 break-words">{item.name}</b>
                )}
                {item.amount !== null && <span className="whitespace-nowrap">{item.amount}</span>}
              </span>
              <span className="block text-[12.5px] text-quiet">{item.text}</span>
            </li>
          ))}
        </ul>
      )}
      {line.action && isOffice && (
        <p className="mb-3">
          <button type="button" className={mainButton} onClick={onAct}>
            {line.action.words}
          </button>
        </p>
      )}
      {isOpen && isOffice && line.state === 'open' && (
        <Waive
          isShown={isWaiving}
          onShown={onWaiving}
          isPending={change.isPending}
          onWaive={(reason) =>
            change.mutate(
              { kind: 'waive', line: line.code, reason },
              { onSuccess: () => onWaiving(false) },
            )
          }
        />
      )}
      {isOpen && isOffice && line.state === 'waived' && (
        <button
          type="button"
          className={smallButton}
          onClick={() => change.mutate({ kind: 'take-back', line: line.code })}
        >
          {t('close.takeTheWaiverBack')}
        </button>
      )}
      {isOpen && isOffice && line.isOwn && (
        <p className="mt-4 flex flex-wrap gap-2 border-t border-rule pt-3">
          {line.state === 'done' && (
            <button
              type="button"
              className={smallButton}
              onClick={() => change.mutate({ kind: 'tick', line: line.code, isDone: false })}
            >
              {t('close.markAsOpen')}
            </button>
          )}
          <button
            type="button"
            className={smallButton}
            onClick={() => {
              change.mutate({ kind: 'remove', line: line.code });
              onClose();
            }}
          >
            {t('close.removeLine')}
          </button>
        </p>
      )}
    </SidePanel>
  );
}

interface WaiveProps {
  isShown: boolean;
  isPending: boolean;
  onShown: (isShown: boolean) => void;
  onWaive: (reason: string) => void;
}

function Waive({ isShown, isPending, onShown, onWaive }: WaiveProps) {
  const [reason, setReason] = useState('');
  if (!isShown) {
    return (
      <p>
        <button type="button" className={smallButton} onClick={() => onShown(true)}>
          {t('close.waiveLine')}
        </button>
        <span className="ml-2 text-[12.5px] text-quiet">{t('close.aWaiverNeedsAReason')}</span>
      </p>
    );
  }
  return (
    <form
      ref={focusOnSight}
      aria-label={t('close.waiveLine')}
      onSubmit={(event) => {
        event.preventDefault();
        onWaive(reason);
      }}
    >
      <Labelled label={t('close.reasonForTheWaiver')}>
        <Textarea
          rows={3}
          maxLength={400}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </Labelled>
      <p className="mt-2 flex gap-2">
        <button type="submit" className={smallButton} disabled={isPending || reason.trim() === ''}>
          {t('close.waiveLine')}
        </button>
        <button type="button" className={smallButton} onClick={() => onShown(false)}>
          {t('close.cancel')}
        </button>
      </p>
    </form>
  );
}
