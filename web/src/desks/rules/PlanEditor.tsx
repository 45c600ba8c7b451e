import { useDeferredValue, useMemo, useState } from 'react';
import { ProblemError } from '../../api/client';
import type { AssignmentPart, Company, PlanPart, Rules } from '../../api/types';
import { asPercent, monthName } from '../../format/figures';
import { field } from '../../ui/field';
import { mainButton, smallButton } from '../../ui/Notice';
import { AssignPart } from './AssignPart';
import { EffectPart } from './EffectPart';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import {
  fromDraft,
  isCount,
  placeInPlan,
  readPercent,
  UNCLEAR_BOUND,
  UNCLEAR_RATE,
  type BoundDraft,
  type BoundKind,
  type Person,
  type PlanDraft,
} from './plan';
import { offered } from '../../api/goalSets';
import { useSaveRules, useTrial } from './useRules';
import { Saved } from '../../ui/Saved';
import { Select } from '../../ui/Select';
import { t } from './words';

const IN_FORCE = '';

const versionOf = (plan: PlanPart) => `${plan.since ?? ''} ${plan.name}`;

interface PlanEditorProps {
  company: Company;
  initial: PlanDraft;
  isNew: boolean;
  rules: Rules & { tag: string };
  people: Person[];
  month: string;
  onSaved: (plan: PlanPart) => void;
}

/** A plan as a form; its curve and what it would have paid stand beside it before it is saved. */
export function PlanEditor(props: PlanEditorProps) {
  const { company, rules, people, month } = props;
  const [draft, setDraft] = useState(props.initial);
  const [assignments, setAssignments] = useState<AssignmentPart[]>(rules.assignments);
  const [tag, setTag] = useState(rules.tag);
  const save = useSaveRules(tag);
  const counted = isCount(company, draft.measure);
  const read = useMemo(() => fromDraft(draft, counted), [draft, counted]);
  const rulesNow = useMemo(
    () =>
      read.plan && {
        plans: [read.plan],
        ...(assignments === rules.assignments ? {} : { assignments }),
      },
    [read.plan, assignments, rules.assignments],
  );
  const repSets = offered(company)
    .filter((set) => set.axis === 'rep')
    .map((set) => set.name);
  const [months, setMonths] = useState(3);
  const [beside, setBeside] = useState(IN_FORCE);
  const other = rules.plans.find((plan) => versionOf(plan) === beside);
  const trial = useTrial(useDeferredValue(rulesNow), month, months, other);
  const refused = [save.error, trial.error].find((error) => error instanceof ProblemError) ?? null;
  const refusedPlace = refused instanceof ProblemError ? placeInPlan(refused.place) : null;
  const faultOf = (place: string) =>
    read.faults[place] ?? (refusedPlace === place ? refused?.rule : undefined);
  const set = (changes: Partial<PlanDraft>) => {
    save.reset();
    setDraft({ ...draft, ...changes });
  };
  return (
    <>
      <form
        aria-label={
          props.isNew ? t('planEditor.newPlan') : t('planEditor.plan', { name: props.initial.name })
        }
        className="flex min-h-0 flex-col"
        onSubmit={(event) => {
          event.preventDefault();
          const { plan } = read;
          if (!plan || !rulesNow) return;
          save.mutate(rulesNow, {
            onSuccess: (saved) => {
              setTag(saved.tag);
              if (!saved.proposal) props.onSaved(plan);
            },
          });
        }}
      >
        <div className="min-h-0 flex-1 overflow-auto px-5 pt-1">
          <div className="grid max-w-[620px] grid-cols-2 gap-x-4 gap-y-3">
            <Labelled label={t('planEditor.name')} fault={faultOf('name')}>
              <Input
                maxLength={80}
                value={draft.name}
                onChange={(event) => set({ name: event.target.value })}
              />
            </Labelled>
            <Labelled label={t('planEditor.effectiveFromMonth')} fault={faultOf('since')}>
              <Input
                type="month"
                placeholder="2026-10"
                value={draft.since}
                onChange={(event) => set({ since: event.target.value })}
              />
            </Labelled>
            <Labelled label={t('planEditor.creditedMeasure')} fault={faultOf('measure')}>
              <Picked
                value={draft.measure}
                options={company.measures.filter((m) => m.unit !== 'rate').map((m) => m.code)}
                onPick={(measure) => set({ measure })}
              />
            </Labelled>
            <Labelled label={t('planEditor.quotaFromGoalSet')} fault={faultOf('goalSet')}>
              <Picked
                value={draft.goalSet}
                options={[...new Set([...repSets, draft.goalSet])]}
                onPick={(goalSet) => set({ goalSet })}
              />
            </Labelled>
            <Labelled label={t('planEditor.measurementPeriod')} fault={faultOf('window')}>
              <Picked
                value={draft.window}
                options={['month', 'quarter', 'year']}
                onPick={(window) => set({ window })}
              />
            </Labelled>
            <Labelled label={t('planEditor.negativeCommission')} fault={faultOf('negativeDue')}>
              <Picked
                value={draft.negativeDue}
                options={['recover', 'hold']}
                words={[t('planEditor.recover'), t('planEditor.carryAtZero')]}
                onPick={(negativeDue) => set({ negativeDue })}
              />
            </Labelled>
            <BoundField
              label={t('planEditor.thresholdFloor')}
              draft={draft.floor}
              kinds={['none', 'percent', 'amount']}
              sets={[]}
              fault={faultOf('floor')}
              onChange={(floor) => set({ floor })}
            />
            <Labelled label={t('planEditor.commissionStarts')} fault={faultOf('paidFrom')}>
              <Picked
                value={draft.paidFrom}
                options={['first unit', 'above floor']}
                words={[t('planEditor.fromTheFirstUnitOnce'), t('planEditor.onSalesAboveTheFloor')]}
                onPick={(paidFrom) => set({ paidFrom })}
              />
            </Labelled>
            <BoundField
              label={t('planEditor.maximumCeiling')}
              draft={draft.ceiling}
              kinds={['none', 'percent', 'amount', 'goalSet']}
              sets={repSets}
              fault={faultOf('ceiling')}
              onChange={(ceiling) => set({ ceiling })}
            />
            <Labelled label={t('planEditor.capOnPayBlankNone')} fault={faultOf('cap')}>
              <Input
                inputMode="decimal"
                value={draft.cap}
                onChange={(event) => set({ cap: event.target.value })}
              />
            </Labelled>
            <Labelled label={t('planEditor.onTargetBonusBlankNone')} fault={faultOf('bonus')}>
              <Input
                inputMode="decimal"
                value={draft.bonus}
                onChange={(event) => set({ bonus: event.target.value })}
              />
            </Labelled>
            <Labelled label={t('planEditor.bonusIsPaid')} fault={faultOf('bonusPaid')}>
              <Picked
                value={draft.bonusPaid}
                options={['when reached', 'last month']}
                words={[t('planEditor.asSoonAsTheQuota'), t('planEditor.inTheLastMonthOnly')]}
                onPick={(bonusPaid) => set({ bonusPaid })}
              />
            </Labelled>
          </div>
          <Steps draft={draft} isCounted={counted} faultOf={faultOf} onChange={set} />
          <AssignPart
            plan={draft.name.trim()}
            plans={[...new Set([...rules.plans.map((one) => one.name), draft.name.trim()])]}
            people={people}
            assignments={assignments}
            from={draft.since || month}
            onChange={setAssignments}
          />
          {refused && refusedPlace === null && (
            <p role="alert" className="mb-2 max-w-[620px] text-bad">
              {refused.message}
            </p>
          )}
        </div>
        <p className="flex shrink-0 items-center gap-3 bg-ground px-5 py-3">
          <button type="submit" className={mainButton} disabled={!read.plan || save.isPending}>
            {t('planEditor.savePlan')}
          </button>
          <Saved save={save} words={t('planEditor.saved')} />
          {!read.plan && (
            <span className="text-quiet">{t('planEditor.correctTheMarkedFieldsFirst')}</span>
          )}
        </p>
      </form>
      <EffectPart
        name={draft.name.trim() || t('planEditor.thePlan')}
        trial={read.plan ? trial.data : undefined}
        isReading={trial.isFetching}
        months={months}
        onMonths={setMonths}
        beside={{
          value: beside,
          options: [
            { value: IN_FORCE, word: t('planEditor.whatIsInForce') },
            ...rules.plans.map((plan) => ({
              value: versionOf(plan),
              word: plan.since
                ? t('planEditor.versionFrom', { name: plan.name, since: monthName(plan.since) })
                : plan.name,
            })),
          ],
          onPick: setBeside,
        }}
      />
    </>
  );
}

interface PickedProps {
  value: string;
  options: string[];
  words?: string[];
  /** Set by the label above it. */
  invalid?: boolean;
  onPick: (value: string) => void;
}

function Picked({ value, options, words, invalid, onPick }: PickedProps) {
  return (
    <Select
      invalid={invalid ?? false}
      value={value}
      onChange={(event) => onPick(event.target.value)}
    >
      {options.map((option, at) => (
        <option key={option} value={option}>
          {words?.[at] ?? option}
        </option>
      ))}
    </Select>
  );
}

const KIND_WORDS: Record<BoundKind, string> = {
  none: t('planEditor.none'),
  amount: t('planEditor.amount'),
  percent: t('planEditor.ofQuota'),
  goalSet: t('planEditor.fromAGoalSet'),
};

interface BoundFieldProps {
  label: string;
  draft: BoundDraft;
  kinds: BoundKind[];
  sets: string[];
  fault: string | undefined;
  onChange: (draft: BoundDraft) => void;
}

function BoundField({ label, draft, kinds, sets, fault, onChange }: BoundFieldProps) {
  return (
    <fieldset className="min-w-0">
      <legend className="text-quiet">{label}</legend>
      <div className="grid grid-cols-2 gap-1.5">
        <Select
          aria-label={t('planEditor.kind', { label })}
          value={draft.kind}
          onChange={(event) =>
            onChange({
              kind: event.target.value as BoundKind,
              value: event.target.value === 'goalSet' ? (sets[0] ?? '') : '',
            })
          }
        >
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {KIND_WORDS[kind]}
            </option>
          ))}
        </Select>
        {draft.kind === 'goalSet' ? (
          <Select
            aria-label={t('planEditor.goalSet', { label })}
            value={draft.value}
            onChange={(event) => onChange({ ...draft, value: event.target.value })}
          >
            {[...new Set([...sets, draft.value])].map((name) => (
              <option key={name}>{name}</option>
            ))}
          </Select>
        ) : (
          draft.kind !== 'none' && (
            <input
              aria-label={label}
              className={field}
              value={draft.value}
              placeholder={draft.kind === 'percent' ? '80 %' : '80 000.00'}
              onChange={(event) => onChange({ ...draft, value: event.target.value })}
            />
          )
        )}
      </div>
      {draft.kind === 'percent' && (
        <Unclear
          text={draft.value}
          unclearTo={UNCLEAR_BOUND}
          onPick={(value) => onChange({ ...draft, value })}
        />
      )}
      {fault !== undefined && (
        <span role="alert" className="mt-0.5 block text-bad">
          {fault}
        </span>
      )}
    </fieldset>
  );
}

/** Where a figure could be a percent or a share: both readings, to choose from. */
function Unclear(props: { text: string; unclearTo: number; onPick: (text: string) => void }) {
  const read = readPercent(props.text, props.unclearTo);
  if (read.kind !== 'unclear') return null;
  return (
    <span className="mt-1 flex flex-wrap items-center gap-1.5">
      {read.readings.map((ratio) => (
        <button
          key={ratio}
          type="button"
          className={smallButton}
          onClick={() => props.onPick(`${asPercent(ratio)} %`)}
        >
          {asPercent(ratio)} %
        </button>
      ))}
    </span>
  );
}

interface StepsProps {
  draft: PlanDraft;
  isCounted: boolean;
  faultOf: (place: string) => string | undefined;
  onChange: (changes: Partial<PlanDraft>) => void;
}

function Steps({ draft, isCounted, faultOf, onChange }: StepsProps) {
  const change = (at: number, changes: Partial<PlanDraft['steps'][number]>) =>
    onChange({
      steps: draft.steps.map((step, place) => (place === at ? { ...step, ...changes } : step)),
    });
  return (
    <fieldset className="mt-5 max-w-[620px]">
      <legend className="mb-1 font-semibold">{t('planEditor.tiers')}</legend>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4">
        <span className="text-quiet">{t('planEditor.ratesApply')}</span>
        <label className="inline-flex min-h-6 items-center gap-1.5">
          <input
            type="radio"
            name="method"
            checked={draft.method === 'sliced'}
            onChange={() => onChange({ method: 'sliced' })}
          />
          {t('planEditor.toEachTiersSales')}
        </label>
        <label className="inline-flex min-h-6 items-center gap-1.5">
          <input
            type="radio"
            name="method"
            checked={draft.method === 'whole'}
            onChange={() => onChange({ method: 'whole' })}
          />
          {t('planEditor.toAllSalesAtThe')}
        </label>
      </div>
      {draft.steps.map((step, at) => (
        <div key={at} className="mb-1.5 grid grid-cols-[1fr_1fr_32px] items-start gap-2">
          <Labelled
            label={t('planEditor.tierStartsAtOfQuota', { at: at + 1 })}
            fault={faultOf(`steps[${at}].from`)}
          >
            <Input
              value={step.from}
              onChange={(event) => change(at, { from: event.target.value })}
            />
            <Unclear
              text={step.from}
              unclearTo={UNCLEAR_BOUND}
              onPick={(from) => change(at, { from })}
            />
          </Labelled>
          <Labelled
            label={isCounted ? t('planEditor.payPerUnit') : t('planEditor.rate')}
            fault={faultOf(`steps[${at}].rate`)}
          >
            <Input
              value={step.rate}
              onChange={(event) => change(at, { rate: event.target.value })}
            />
            {!isCounted && (
              <Unclear
                text={step.rate}
                unclearTo={UNCLEAR_RATE}
                onPick={(rate) => change(at, { rate })}
              />
            )}
          </Labelled>
          <button
            type="button"
            aria-label={t('planEditor.removeTier', { at: at + 1 })}
            className="mt-5 h-7 w-7 text-quiet hover:text-bad"
            disabled={draft.steps.length === 1}
            onClick={() => onChange({ steps: draft.steps.filter((_, place) => place !== at) })}
          >
            ×
          </button>
        </div>
      ))}
      {faultOf('steps') !== undefined && (
        <p role="alert" className="mb-1 text-bad">
          {faultOf('steps')}
        </p>
      )}
      <button
        type="button"
        className={smallButton}
        onClick={() => onChange({ steps: [...draft.steps, { from: '', rate: '' }] })}
      >
        {t('planEditor.addTier')}
      </button>
    </fieldset>
  );
}
