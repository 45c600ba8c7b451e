import { useQuery } from '@tanstack/react-query';
import { ask } from '../api/client';
import { useChange } from '../api/useChange';
import { Failed, Loading, quietButton } from '../ui/Notice';
import { megabytes } from '../format/figures';
import { timeText } from '../format/writing';
import { t } from './words';

interface Backup {
  name: string;
  madeAt: string;
  bytes: number;
}

/** The copies of all data that are kept, and one more at once. */
export function Backups() {
  const backups = useQuery({ queryKey: ['backups'], queryFn: () => ask<Backup[]>('/backups') });
  const make = useChange(() => ask<Backup>('/backups', { method: 'POST' }), 'backups');
  return (
    <section
      aria-label={t('backups.backups')}
      className="mt-6 max-w-[720px] rounded border border-rule bg-sheet p-5"
    >
      <h2 className="mb-2 text-[16px] font-bold">{t('backups.backups')}</h2>
      <p className="mb-3 text-quiet">{t('backups.aBackupContainsEverythingAlso')}</p>
      {backups.isPending ? (
        <Loading what={t('backups.theBackups')} />
      ) : backups.isError ? (
        <Failed error={backups.error} onRetry={() => void backups.refetch()} />
      ) : backups.data.length === 0 ? (
        <p className="mb-3">{t('backups.thereIsNoBackupYet')}</p>
      ) : (
        <ul className="mb-3 max-h-[220px] overflow-auto">
          {backups.data.map((backup) => (
            <li
              key={backup.name}
              className="flex items-baseline justify-between gap-3 border-t border-rule py-1.5"
            >
              <a
                href={`/api/v1/backups/${encodeURIComponent(backup.name)}`}
                download
                className="underline"
              >
                {backup.name}
              </a>
              <span className="text-quiet">
                {megabytes(backup.bytes)}, {timeText(backup.madeAt)}
              </span>
            </li>
          ))}
        </ul>
      )}
      {make.error && (
        <p role="alert" className="mb-2 text-bad">
          {make.error.message}
        </p>
      )}
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <button
          type="button"
          className={quietButton}
          disabled={make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          {make.isPending ? t('backups.backingUp') : t('backups.backUpNow')}
        </button>
        <a href="/api/v1/company/export" download className="underline">
          {t('backups.exportAllData')}
        </a>
        <span className="text-quiet">{t('backups.csvAndJsonInA')}</span>
      </div>
    </section>
  );
}
