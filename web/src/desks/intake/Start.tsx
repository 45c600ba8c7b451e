import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useRights } from '../../api/account';
import { ask } from '../../api/client';
import type { Company, Load } from '../../api/types';
import { Empty, quietButton } from '../../ui/Notice';
import { t } from './words';

const FILES = [
  ['roster', t('start.roster'), t('intakeDesk.repNameRegionManagerFrom')],
  ['products', t('start.products'), t('intakeDesk.productNameLine')],
  ['goals', t('start.goals'), t('intakeDesk.monthRepOrRegionProduct')],
  ['actuals', t('start.actuals'), t('intakeDesk.dateOrMonthRepRegion')],
] as const;

interface StartProps {
  company: Company;
  loads: Load[];
}

/** From nothing to the first standing, step by step: what is done, what is next, with files. */
export function Start({ company, loads }: StartProps) {
  const isPosted = (kind: string) =>
    loads.some((load) => load.kind === kind && load.state === 'posted');
  const hasStanding = company.lastMonth !== null;
  const done = [company.isNamed, ...FILES.map(([kind]) => isPosted(kind)), hasStanding];
  const next = done.indexOf(false);
  const isFirst = loads.length === 0;
  return (
    <Empty title={isFirst ? t('intakeDesk.loadTheFirstFile') : t('intakeDesk.selectALoadOrDrop')}>
      <p>{t('intakeDesk.dropACsvFileOr')}</p>
      <ol aria-label={t('start.steps')} className="mt-3 space-y-1.5 text-ink">
        <Step number={1} isDone={company.isNamed} isNext={next === 0} word={t('start.company')}>
          <Link to="/setup" className="text-select underline">
            {t('start.openCompany')}
          </Link>
        </Step>
        {FILES.map(([kind, word, columns], at) => (
          <Step
            key={kind}
            number={at + 2}
            isDone={done[at + 1] ?? false}
            isNext={next === at + 1}
            word={word}
          >
            <span className="block text-[12.5px] text-quiet">{columns}</span>
            <FileLink kind={kind} isSample={false} />
            {' · '}
            <FileLink kind={kind} isSample />
          </Step>
        ))}
        <Step number={6} isDone={hasStanding} isNext={next === 5} word={t('start.standing')}>
          <Link to="/standing" className="text-select underline">
            {t('start.openStanding')}
          </Link>
        </Step>
      </ol>
      <p>{t('start.order')}</p>
      {isFirst && <DemoOffer />}
    </Empty>
  );
}

/** The made-up company, where this start is empty and ships with it. */
function DemoOffer() {
  const { mayLoad } = useRights();
  const offer = useQuery({
    queryKey: ['demo'],
    queryFn: () => ask<{ isOffered: boolean }>('/demo'),
    enabled: mayLoad,
  });
  const client = useQueryClient();
  const load = useMutation({
    mutationFn: () => ask('/demo', { method: 'POST' }),
    onSuccess: () => client.invalidateQueries(),
  });
  if (!offer.data?.isOffered) return null;
  return (
    <div className="mt-4 border-l-4 border-rule bg-sheet px-3 py-2">
      <p>{t('start.demo')}</p>
      <button
        type="button"
        className={`${quietButton} mt-2`}
        disabled={load.isPending}
        onClick={() => load.mutate()}
      >
        {load.isPending ? t('start.demoIsLoading') : t('start.loadDemo')}
      </button>
      {load.error && (
        <p role="alert" className="mt-2 text-bad">
          {load.error.message}
        </p>
      )}
    </div>
  );
}

interface StepProps {
  number: number;
  isDone: boolean;
  isNext: boolean;
  word: string;
  children: React.ReactNode;
}

function Step({ number, isDone, isNext, word, children }: StepProps) {
  return (
    <li
      aria-current={isNext ? 'step' : undefined}
      className={`flex gap-3 rounded-sm border-l-4 bg-sheet px-3 py-2 ${isNext ? 'border-select' : 'border-transparent'}`}
    >
      <span className={`w-5 text-right font-bold ${isDone ? 'text-good' : 'text-quiet'}`}>
        {isDone ? '✓' : number}
      </span>
      <span className="min-w-0 flex-1">
        <span className="font-semibold">{word}</span>{' '}
        <span className="text-[12.5px] text-quiet">
          {isDone ? t('start.done') : isNext ? t('start.next') : t('start.open')}
        </span>
        <span className="block">{children}</span>
      </span>
    </li>
  );
}

function FileLink({ kind, isSample }: { kind: string; isSample: boolean }) {
  return (
    <a
      href={`/api/v1/templates/${kind}.csv${isSample ? '?sample=true' : ''}`}
      download
      className="text-select underline"
    >
      {isSample ? t('start.sampleFile', { kind }) : t('intakeDesk.blankFile', { kind })}
    </a>
  );
}
