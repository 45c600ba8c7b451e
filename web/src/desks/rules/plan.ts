import type { AssignmentPart, BoundPart, Company, PlanPart } from '../../api/types';
import { asPercent, isAboveZero, shifted } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { typed } from '../../format/writing';
import { placed } from '../../format/placing';
import { t } from './words';

/** What a percent field holds: a ratio as decimal text, a fault, or two readings to choose from. */
export type PercentRead =
  | { kind: 'ratio'; ratio: string }
  | { kind: 'fault'; words: string }
  | { kind: 'unclear'; readings: string[] };

/**
 * Reads what was typed into a percent field. "3 %" and "3" are 3 %; what is at most `unclearTo`
 * without a sign could also be meant as a share, so both readings are offered.
 */
export function readPercent(text: string, unclearTo: number): PercentRead {
  const hasSign = text.trim().endsWith('%');
  const read = readNumber(text, { decimals: 9, isPercent: true });
  if (read.kind === 'fault') return read;
  if (read.kind === 'empty') return { kind: 'fault', words: t('plan.writeAPercentSuchAs') };
  const figure = read.decimal;
  const asTyped = shifted(figure, -2);
  const isUnclear = !hasSign && isAboveZero(figure) && placed(figure) <= unclearTo;
  return isUnclear
    ? { kind: 'unclear', readings: [shifted(figure, 0), asTyped] }
    : { kind: 'ratio', ratio: asTyped };
}

/** Up to here a rate could be a share: 0.03 is rather 3 %. */
export const UNCLEAR_RATE = 0.5;
/** Up to here a bound could be a share: 1.2 is rather 120 %. */
export const UNCLEAR_BOUND = 3;

export interface StepDraft {
  from: string;
  rate: string;
}

export type BoundKind = 'none' | 'amount' | 'percent' | 'goalSet';

export interface BoundDraft {
  kind: BoundKind;
  value: string;
}

/** A plan as it stands in the form; percents as they are typed. */
export interface PlanDraft {
  name: string;
  since: string;
  measure: string;
  goalSet: string;
  window: string;
  floor: BoundDraft;
  paidFrom: string;
  method: string;
  steps: StepDraft[];
  bonus: string;
  bonusPaid: string;
  ceiling: BoundDraft;
  cap: string;
  negativeDue: string;
}

export function newPlan(name: string, since: string, measure: string, goalSet: string): PlanDraft {
  return {
    name,
    since,
    measure,
    goalSet,
    window: 'month',
    floor: { kind: 'percent', value: '80 %' },
    paidFrom: 'first unit',
    method: 'sliced',
    steps: [
      { from: '0 %', rate: '3 %' },
      { from: '100 %', rate: '5 %' },
    ],
    bonus: '',
    bonusPaid: 'when reached',
    ceiling: { kind: 'none', value: '' },
    cap: '',
    negativeDue: 'recover',
  };
}

export function toDraft(plan: PlanPart, isCount: boolean): PlanDraft {
  return {
    name: plan.name,
    since: plan.since ?? '',
    measure: plan.measure,
    goalSet: plan.goalSet,
    window: plan.window,
    floor: boundDraft(plan.floor),
    paidFrom: plan.paidFrom,
    method: plan.method,
    steps: plan.steps.map((step) => ({
      from: `${asPercent(step.from)} %`,
      rate: isCount ? typed(step.rate) : `${asPercent(step.rate)} %`,
    })),
    bonus: /[1-9]/.test(plan.bonus) ? typed(plan.bonus) : '',
    bonusPaid: plan.bonusPaid,
    ceiling: boundDraft(plan.ceiling),
    cap: typed(plan.cap ?? ''),
    negativeDue: plan.negativeDue,
  };
}

function boundDraft(bound: BoundPart | undefined): BoundDraft {
  if (bound?.amount !== undefined) return { kind: 'amount', value: typed(bound.amount) };
  if (bound?.percent !== undefined) {
    return { kind: 'percent', value: `${asPercent(bound.percent)} %` };
  }
  return bound?.goalSet === undefined
    ? { kind: 'none', value: '' }
    : { kind: 'goalSet', value: bound.goalSet };
}

/** Amounts of pay and sales. */
const MONEY = { decimals: 4 };

/** A plan to be sent, or what must be settled first, by the field's place in the plan. */
export interface PlanRead {
  plan: PlanPart | null;
  faults: Record<string, string>;
}

export function fromDraft(draft: PlanDraft, isCount: boolean): PlanRead {
  const faults: Record<string, string> = {};
  const percent = (place: string, text: string, unclearTo: number) => {
    const read = readPercent(text, unclearTo);
    if (read.kind === 'ratio') return read.ratio;
    faults[place] = read.kind === 'fault' ? read.words : t('plan.ambiguousNumber');
    return '0';
  };
  const money = (place: string, text: string) => {
    const amount = readNumber(text, MONEY);
    if (amount.kind === 'number') return amount.decimal;
    faults[place] = amount.kind === 'fault' ? amount.words : t('plan.writeAnAmountSuchAs');
    return '0';
  };
  const bound = (place: string, { kind, value }: BoundDraft): BoundPart | undefined => {
    if (kind === 'amount') return { amount: money(place, value) };
    if (kind === 'percent') return { percent: percent(place, value, UNCLEAR_BOUND) };
    return kind === 'goalSet' ? { goalSet: value } : undefined;
  };
  const floor = bound('floor', draft.floor);
  const ceiling = bound('ceiling', draft.ceiling);
  const steps = draft.steps.map((step, at) => ({
    from: percent(`steps[${at}].from`, step.from, UNCLEAR_BOUND),
    rate: isCount
      ? money(`steps[${at}].rate`, step.rate)
      : percent(`steps[${at}].rate`, step.rate, UNCLEAR_RATE),
  }));
  const plan: PlanPart = {
    name: draft.name.trim(),
    measure: draft.measure,
    goalSet: draft.goalSet,
    window: draft.window,
    paidFrom: draft.paidFrom,
    method: draft.method,
    steps,
    bonus: draft.bonus.trim() === '' ? '0' : money('bonus', draft.bonus),
    bonusPaid: draft.bonusPaid,
    negativeDue: draft.negativeDue,
    ...(draft.since === '' ? {} : { since: draft.since }),
    ...(floor ? { floor } : {}),
    ...(ceiling ? { ceiling } : {}),
    ...(draft.cap.trim() === '' ? {} : { cap: money('cap', draft.cap) }),
  };
  if (plan.name === '') faults['name'] = t('plan.enterANameForThe');
  return { plan: Object.keys(faults).length === 0 ? plan : null, faults };
}

/** The place within the plan that a refusal names, such as "steps[1].rate". */
export function placeInPlan(place: string | null): string | null {
  return place?.startsWith('plans[0].') ? place.slice('plans[0].'.length) : null;
}

export interface Person {
  rep: string;
  name: string;
  region: string | null;
  /** What the rep has in the month that is looked at. */
  plan: string | null;
}

/** "50 % 75 %" as shares; empty for none, null where one is no percent above 0. */
export function readRamp(text: string): string[] | null {
  const typed = text
    .replace(/\s+%/g, '%')
    .split(/[\s,;]+/)
    .filter((word) => word !== '');
  const shares = typed.map((word) => readPercent(word, 0));
  return shares.every((read) => read.kind === 'ratio' && /[1-9]/.test(read.ratio))
    ? shares.flatMap((read) => (read.kind === 'ratio' ? [read.ratio] : []))
    : null;
}

export interface PastedRead {
  assignments: AssignmentPart[];
  faults: string[];
}

/** Lines of rep, plan, from, until; by comma, semicolon or tab; a header line may stand on top. */
export function readPasted(text: string, people: Person[], plans: string[]): PastedRead {
  const assignments: AssignmentPart[] = [];
  const faults: string[] = [];
  const lines = text.split(/\r?\n/);
  lines.forEach((line, at) => {
    const cells = line.split(/[,;\t]/).map((cell) => cell.trim());
    const [who = '', planName = '', from = '', until = ''] = cells;
    if (line.trim() === '' || (at === 0 && who.toLowerCase() === 'rep')) return;
    const folded = who.toLowerCase();
    const person = people.find(
      (one) => one.rep.toLowerCase() === folded || one.name.toLowerCase() === folded,
    );
    const plan = plans.find((name) => name.toLowerCase() === planName.toLowerCase());
    const isMonth = (month: string) => month === '' || /^\d{4}-(0[1-9]|1[0-2])$/.test(month);
    if (!person) faults.push(t('plan.lineThereIsNoRep', { at: at + 1, who }));
    else if (!plan) faults.push(t('plan.lineThereIsNoPlan', { at: at + 1, planName }));
    else if (!isMonth(from) || !isMonth(until)) {
      faults.push(t('plan.lineWriteMonthsAs2026', { at: at + 1 }));
    } else {
      assignments.push({
        rep: person.rep,
        plan,
        ...(from ? { from } : {}),
        ...(until ? { until } : {}),
      });
    }
  });
  return { assignments, faults };
}

/** The month before another. */
export function monthBefore(month: string): string {
  const [year = 0, number = 1] = month.split('-').map(Number);
  return number === 1 ? `${year - 1}-12` : `${String(year)}-${String(number - 1).padStart(2, '0')}`;
}

/**
 * Puts reps into plans from a month on: what each had before ends with the month before. Of several
 * for one rep, one after the other.
 */
export function assignedAll(all: AssignmentPart[], added: AssignmentPart[]): AssignmentPart[] {
  const byRep = new Map<string, AssignmentPart[]>();
  for (const one of [...all, ...added]) {
    const rep = one.rep.toLowerCase();
    byRep.set(rep, [...(byRep.get(rep) ?? []), one]);
  }
  const isNew = new Set(added);
  return [...byRep.values()].flatMap((parts) =>
    parts.reduce<AssignmentPart[]>(
      (kept, one) => (isNew.has(one) ? [...endedBy(kept, one), one] : [...kept, one]),
      [],
    ),
  );
}

/** A rep's plans up to where another one begins. */
function endedBy(parts: AssignmentPart[], one: AssignmentPart): AssignmentPart[] {
  const { from } = one;
  if (from === undefined) return [];
  return parts.flatMap((other) => {
    if (other.until !== undefined && other.until < from) return [other];
    return (other.from ?? '0000-00') < from ? [{ ...other, until: monthBefore(from) }] : [];
  });
}

/** Whether a measure counts pieces, so that rates are money per piece. */
export function isCount(company: Company, code: string): boolean {
  return company.measures.find((measure) => measure.code === code)?.unit === 'count';
}
