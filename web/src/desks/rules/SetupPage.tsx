import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Company } from '../../api/types';
import { useView } from '../../address/useView';
import { Failed, Loading, mainButton } from '../../ui/Notice';
import { CalendarPart } from './CalendarPart';
import { CompanyPart } from './CompanyPart';
import { MeasuresPart } from './MeasuresPart';
import { useRules } from './useRules';
import { t } from './words';

/** What a new company says of itself before its first file; the same parts stand under Rules. */
export function SetupPage({ company }: { company: Company }) {
  const [view] = useView(company);
  const rules = useRules();
  if (rules.isPending) return <Loading what={t('setup.theSettings')} />;
  if (rules.isError) return <Failed error={rules.error} onRetry={() => void rules.refetch()} />;
  return (
    <div className="h-full overflow-auto px-[18px] py-5">
      <div className="mx-auto max-w-[680px]">
        <h1 className="text-[22px] font-bold">{t('setup.title')}</h1>
        <p className="mt-1 max-w-[62ch] text-quiet">{t('setup.sentence')}</p>
        <ol aria-label={t('setup.steps')} className="mt-5 space-y-7">
          <Step number={1} words={t('setup.company')}>
            <CompanyPart rules={rules.data} />
          </Step>
          <Step number={2} words={t('setup.calendar')}>
            <CalendarPart rules={rules.data} month={view.span.to} />
          </Step>
          <Step number={3} words={t('setup.measures')}>
            <MeasuresPart company={company} rules={rules.data} />
          </Step>
        </ol>
        <p className="mt-7 border-t border-rule py-5">
          <Link to="/intake" className={`${mainButton} inline-block`}>
            {t('setup.goOn')}
          </Link>
          <span className="ml-3 text-quiet">{t('setup.later')}</span>
        </p>
      </div>
    </div>
  );
}

function Step({ number, words, children }: { number: number; words: string; children: ReactNode }) {
  return (
    <li className="rounded-sm border-l-4 border-rule bg-sheet px-5 py-4">
      <p className="mb-2 flex gap-3 text-quiet">
        <span className="font-bold text-ink">{number}</span>
        {words}
      </p>
      {children}
    </li>
  );
}
