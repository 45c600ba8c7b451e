import { useReasons } from '../../api/reasons';
import { Failed, Loading } from '../../ui/Notice';
import { ReasonList } from '../../ui/ReasonList';
import { t } from './words';

/** The reasons that notes on a variance can give. */
export function ReasonsPart() {
  const reasons = useReasons();
  return (
    <section aria-label={t('reasons.title')} className="max-w-[460px]">
      <h2 className="text-[16px] font-bold">{t('reasons.title')}</h2>
      <p className="mb-2 text-quiet">{t('reasons.what')}</p>
      {reasons.isPending ? (
        <Loading what={t('reasons.title')} />
      ) : reasons.isError ? (
        <Failed error={reasons.error} onRetry={() => void reasons.refetch()} />
      ) : (
        <ReasonList key={JSON.stringify(reasons.data)} reasons={reasons.data} />
      )}
    </section>
  );
}
