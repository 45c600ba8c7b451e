import { useSearchParams } from 'react-router';
import type { Company, PlanPart, Rules } from '../../api/types';
import { useView, type Changes } from '../../address/useView';
import { monthName } from '../../format/figures';
import { count } from '../../format/nouns';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { ApprovalPart } from './ApprovalPart';
import { CalendarPart } from './CalendarPart';
import { ClosingPart } from './ClosingPart';
import { CompanyPart } from './CompanyPart';
import { FilePart } from './FilePart';
import { MeasuresPart } from './MeasuresPart';
import { NamesPart } from './NamesPart';
import { isCount, newPlan, toDraft, type PlanDraft } from './plan';
import { PlanEditor } from './PlanEditor';
import { ProposalsPart } from './ProposalsPart';
import { RemovePlan } from './RemovePlan';
import { SharedCredit } from './SharedCredit';
import { StagesPart } from './StagesPart';
import { ThresholdsPart } from './ThresholdsPart';
import { Trail } from './Trail';
import { usePeople, useRules } from './useRules';
import { t } from './words';

/** Commission plans, each edited beside what it would have paid; and the trail of what was done. */
export function RulesDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const rules = useRules();
  const show = search.get('show');
  return (
    <div className="flex h-full min-h-0 flex-col">
      <h1 className="sr-only">{t('rulesDesk.rules')}</h1>
      <nav
        aria-label={t('rulesDesk.rules')}
        className="flex flex-wrap gap-x-4 px-[18px] pt-3.5 pb-2"
      >
        {[
          { word: t('rulesDesk.commissionPlans'), part: null },
          { word: t('rulesDesk.creditSplits'), part: 'credit' },
          { word: t('rulesDesk.thresholds'), part: 'thresholds' },
          { word: t('rulesDesk.company'), part: 'company' },
          { word: t('rulesDesk.proposals'), part: 'proposals' },
          { word: t('rulesDesk.acceptedNames'), part: 'names' },
          { word: t('rulesDesk.file'), part: 'file' },
          { word: t('rulesDesk.auditLog'), part: 'trail' },
        ].map(({ word, part }) => (
          <button
            key={word}
            type="button"
            aria-current={show === part ? 'page' : undefined}
            className={`min-h-6 text-[15px] ${show === part ? 'border-b-2 border-select font-bold' : 'text-quiet hover:text-ink'}`}
            onClick={() => change({ show: part })}
          >
            {word}
          </button>
        ))}
      </nav>
      {show === 'trail' ? (
        <Trail />
      ) : show === 'proposals' ? (
        <ProposalsPart chosen={search.get('proposal')} change={change} />
      ) : show === 'names' ? (
        <NamesPart />
      ) : rules.isPending ? (
        <Loading what={t('rulesDesk.thePlans')} />
      ) : rules.isError ? (
        <Failed error={rules.error} onRetry={() => void rules.refetch()} />
      ) : show === 'thresholds' ? (
        <ThresholdsPart
          company={company}
          rules={rules.data}
          month={view.span.to}
          first={view.measure}
        />
      ) : show === 'file' ? (
        <FilePart rules={rules.data} />
      ) : show === 'company' ? (
        <div className="grid min-h-0 flex-1 content-start items-start gap-x-10 gap-y-8 overflow-auto px-[18px] py-2 lg:grid-cols-[460px_minmax(0,1fr)]">
          <div className="space-y-8">
            <CompanyPart rules={rules.data} />
            <ApprovalPart rules={rules.data} />
            <ClosingPart rules={rules.data} />
          </div>
          <div className="space-y-8">
            <MeasuresPart company={company} rules={rules.data} />
            <StagesPart key={`stages ${rules.data.tag}`} rules={rules.data} />
            <CalendarPart rules={rules.data} month={view.span.to} />
          </div>
        </div>
      ) : show === 'credit' ? (
        <Credit rules={rules.data} month={view.span.to} />
      ) : (
        <Plans
          company={company}
          rules={rules.data}
          month={view.span.to}
          chosen={{ name: search.get('plan'), since: search.get('since') }}
          isNew={search.get('new')}
          change={change}
        />
      )}
    </div>
  );
}

function Credit({ rules, month }: { rules: Rules & { tag: string }; month: string }) {
  const people = usePeople(month);
  return <SharedCredit rules={rules} people={people.data ?? []} month={month} />;
}

interface PlansProps {
  company: Company;
  rules: Rules & { tag: string };
  month: string;
  chosen: { name: string | null; since: string | null };
  /** "blank", or the name of the plan to copy; null where none is begun. */
  isNew: string | null;
  change: (changes: Changes) => void;
}

function Plans({ company, rules, month, chosen, isNew, change }: PlansProps) {
  const people = usePeople(month);
  const ofName = rules.plans.filter((plan) => plan.name === chosen.name);
  const found =
    ofName.find((plan) => (plan.since ?? '') === chosen.since) ??
    ofName[ofName.length - 1] ??
    rules.plans[0];
  const draft = isNew === null ? undefined : begun(company, rules, month, isNew);
  const shown = draft ?? (found && toDraft(found, isCount(company, found.measure)));
  return (
    <div className="rules-desk min-h-0 flex-1">
      <section
        aria-label={t('rulesDesk.plans')}
        className="min-h-0 overflow-auto border-r border-rule px-[18px] py-1"
      >
        <ul className="mb-3">
          {rules.plans.map((plan) => (
            <PlanLink
              key={`${plan.name} ${plan.since ?? ''}`}
              plan={plan}
              rules={rules}
              isChosen={!isNew && plan === found}
              onChoose={() => change({ plan: plan.name, since: plan.since ?? '', new: null })}
            />
          ))}
        </ul>
        {rules.plans.length === 0 && (
          <p className="mb-3 text-quiet">{t('rulesDesk.thereIsNoPlanYet')}</p>
        )}
        <p className="flex flex-wrap gap-1.5">
          <button type="button" className={smallButton} onClick={() => change({ new: 'blank' })}>
            {t('rulesDesk.addPlan')}
          </button>
          {found && (
            <button
              type="button"
              className={smallButton}
              onClick={() => change({ new: found.name })}
            >
              {t('rulesDesk.copy', { name: found.name })}
            </button>
          )}
          <RemovePlan plan={isNew === null ? found : undefined} rules={rules} />
        </p>
      </section>
      {shown ? (
        <PlanEditor
          key={`${isNew ?? ''} ${shown.name} ${shown.since}`}
          company={company}
          initial={shown}
          isNew={isNew !== null}
          rules={rules}
          people={people.data ?? []}
          month={month}
          onSaved={(plan) => change({ plan: plan.name, since: plan.since ?? '', new: null })}
        />
      ) : (
        <p className="p-6 text-quiet">{t('rulesDesk.addAPlan')}</p>
      )}
    </div>
  );
}

interface PlanLinkProps {
  plan: PlanPart;
  rules: Rules & { tag: string };
  isChosen: boolean;
  onChoose: () => void;
}

function PlanLink({ plan, rules, isChosen, onChoose }: PlanLinkProps) {
  const reps = new Set(
    rules.assignments
      .filter((one) => one.plan.toLowerCase() === plan.name.toLowerCase())
      .map((one) => one.rep),
  ).size;
  return (
    <li>
      <button
        type="button"
        aria-current={isChosen || undefined}
        className={`block w-full rounded-sm px-2 py-1.5 text-left ${isChosen ? 'bg-select-ground' : 'hover:bg-sheet'}`}
        onClick={onChoose}
      >
        <span className="block truncate font-semibold">{plan.name}</span>
        <span className="block text-[12px] text-quiet">
          {plan.since
            ? t('rulesDesk.from', { since: monthName(plan.since) })
            : t('rulesDesk.everyMonth')}
          , {count(reps, 'rep')}
        </span>
      </button>
    </li>
  );
}

/** A new plan, or a copy under another name. */
function begun(company: Company, rules: Rules, month: string, from: string): PlanDraft {
  const copied = rules.plans.filter((plan) => plan.name === from).pop();
  if (from !== 'blank' && copied) {
    return {
      ...toDraft(copied, isCount(company, copied.measure)),
      name: t('rulesDesk.copy2', { name: copied.name }),
      since: month,
    };
  }
  const set = company.goalSets.find((one) => one.axis === 'rep');
  return newPlan('', month, set?.measures[0] ?? 'revenue', set?.name ?? 'quota');
}
