import { ask } from '../api/client';
import { useAccount } from '../api/account';
import { useChange } from '../api/useChange';
import { mainButton } from '../ui/Notice';
import { t } from './words';

/** Data that were restored wait here for the second person; the figures are shown after. */
export function RestoredData({ words }: { words: string }) {
  const account = useAccount();
  const confirm = useChange(() => ask('/backups/restored', { method: 'POST' }), 'company');
  const mayConfirm = account.isAdministrator || account.role === 'approver';
  return (
    <section className="m-6 max-w-[560px] border-l-4 border-select bg-sheet p-4">
      <h1 className="mb-1 text-[16px] font-bold">{t('restoredData.theRestoredDataNeedThe')}</h1>
      <p className="mb-3">{words}</p>
      {confirm.error && (
        <p role="alert" className="mb-3 text-bad">
          {confirm.error.message}
        </p>
      )}
      {mayConfirm && (
        <button
          type="button"
          className={mainButton}
          disabled={confirm.isPending}
          onClick={() => confirm.mutate(undefined)}
        >
          {t('restoredData.confirmTheRestoredData')}
        </button>
      )}
    </section>
  );
}
