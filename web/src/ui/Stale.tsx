import { t } from '../format/words';

/** Says that the figures on the page are the former ones until the new ones are there. */
export function Stale({ isStale }: { isStale: boolean }) {
  return (
    <span role="status" className={isStale ? 'stale-sign no-print' : 'sr-only'}>
      {isStale && t('stale.loading')}
    </span>
  );
}
