/** The wire's shapes. Amounts and ratios are decimal strings, months "2026-10", missing is null. */
import type { Writing } from '../format/writing';

export type AxisWord = 'rep' | 'region' | 'product' | 'line' | 'manager' | 'company';
export type Direction = 'HIGHER' | 'LOWER' | 'NEAREST';
export type Tone = 'good' | 'near' | 'bad' | 'neutral';
export type LoadKind = 'actuals' | 'goals' | 'roster' | 'products';

export interface Measure {
  code: string;
  unit: string;
  scale: number;
  direction: Direction;
  hasActuals: boolean;
}

export interface GoalSet {
  name: string;
  axis: AxisWord;
  measures: string[];
  /** Measures whose goals are ranges. */
  ranges: string[];
}

export interface MemberFound {
  axis: AxisWord;
  key: string;
  name: string;
}

export interface Company {
  name: string;
  /** Null while it is not set. */
  timeZone: string | null;
  writing: Writing;
  calendar: { startMonth: number; yearNamedBy: 'start' | 'end' };
  measures: Measure[];
  goalSets: GoalSet[];
  regions: MemberFound[];
  firstMonth: string | null;
  lastMonth: string | null;
  thisMonth: string;
}

/** The comparison on a second basis. */
export interface Beside {
  goal: string | null;
  variance: string | null;
  favourable: string | null;
  variancePercent: string | null;
  attainment: string | null;
  percentShown: string | null;
  status: string;
  tone: Tone;
  noReading: string | null;
}

export interface Note {
  month: string;
  reason: string | null;
  reasonName: string | null;
  text: string;
}

export interface Comparison {
  goal: string | null;
  variance: string | null;
  attainment: string | null;
  status: string;
  tone: Tone;
}

export interface Spoken {
  kind: 'whole' | 'comparable' | 'to-date';
  actual: string | null;
  goal: string | null;
  variance: string | null;
  favourable: string | null;
  variancePercent: string | null;
  attainment: string | null;
  percentShown: string | null;
  status: string;
  tone: Tone;
  rung: number | null;
  noReading: string | null;
  /** How full the variance's tone is, -1 to 1. */
  shade: string | null;
}

export interface Correction {
  actual: string;
  lines: number;
}

export interface Reading {
  /** Null only for a rate with nothing to divide by. */
  actual: string | null;
  goal: string | null;
  variance: string | null;
  favourable: string | null;
  variancePercent: string | null;
  attainment: string | null;
  shortfall: string | null;
  excess: string | null;
  growth: string | null;
  growthShown: string | null;
  yearBefore?: string | null;
  status: string;
  tone: Tone;
  percentShown: string | null;
  noReading: string | null;
  goalMonths: number;
  goalLow?: string;
  goalHigh?: string;
  position?: 'below' | 'inside' | 'above';
  /** Place of the rung that decided, from 0. */
  rung: number | null;
  /** The months with a goal only, where others have actuals too. */
  comparable: Comparison | null;
  /** Against what was expected so far of a running month. */
  toDate: (Comparison & { asOf: string }) | null;
  /** What sentences, marks and shading speak of. */
  spoken: Spoken;
  /** What was posted for closed months since. */
  correction?: Correction | null;
  /** Whether the file with its lines of the last month has not come, and which came last. */
  waiting?: boolean;
  waitsFor?: string;
  /** A rate's figures as percentages without the sign. */
  rate?: { actual: string | null; goal: string | null; variance: string | null };
  /** Where a rep's commission begins and ends, in amounts. */
  pay?: { floor: string | null; ceiling: string | null };
  ahead?: {
    expected: string | null;
    pace: string | null;
    paceShown: string | null;
    landing: string | null;
    landingVariance: string | null;
  };
  beside?: Beside;
  notes?: Note[];
}

export interface Row extends Reading {
  key: string;
  name: string;
  place?: string;
  /** Key of the group that the row stands in. */
  group?: string;
}

export interface Rung {
  name: string;
  tone: Tone;
  from?: string;
  bound?: 'at or above' | 'above';
}

export interface Standing {
  axis: AxisWord;
  measure: string;
  unit: string;
  scale: number;
  direction: Direction;
  from: string;
  to: string;
  goal: string;
  beside: string | null;
  isRange: boolean;
  ladder: string;
  closed: 'as-closed' | 'restated';
  corrections: Correction | null;
  emptyMonths: string[];
  /** Goals that the groups do not split. */
  unsplit: { members: number; goal: string | null } | null;
  /** How many members reached what is spoken of, of those with a goal. */
  spoken: { withGoal: number; reached: number };
  /** Members that headline and insights leave out, as their file has not come. */
  waiting: { members: number; isCounted: boolean } | null;
  headline: { text: string; tone: Tone | null }[];
  total: Reading;
  noGoal: { members: number; actual: string | null };
  unassigned: { lines: number; actual: string | null };
  leftOut: { members: number; actual: string | null; shortfallShareShown: string | null };
  openMonth: { asOf: string; elapsed: number; workingDays: number } | null;
  group: AxisWord | null;
  groups: Row[] | null;
  rows: Row[];
  summary: {
    members: number;
    membersWithGoal: number;
    atOrAboveGoal: number;
    reached: number;
    highest: Extreme | null;
    lowest: Extreme | null;
    medianAttainment: string | null;
    meanOfMembers: string | null;
  };
  rung: { scale: string; rungs: Rung[]; perMonth: boolean };
  shading: { good: string; bad: string; isGoodAutomatic: boolean; isBadAutomatic: boolean };
}

export interface Extreme {
  key: string;
  name: string;
  actual: string;
}

/** Two standings row by row; what is no row in one of them is null there. */
export interface StandingComparison {
  now: Standing;
  then: Standing;
  total: ComparedPair;
  rows: ComparedPair[];
}

export interface ComparedPair {
  key: string | null;
  name: string | null;
  now: Row | null;
  then: Row | null;
  /** Of the actual, of a rate in points. */
  change: string | null;
}

/** One month of one member. */
export interface Cell {
  actual: string | null;
  /** Of a rate in percent. */
  actualShown: string | null;
  goal: string | null;
  variance: string | null;
  /** Of a rate in points of a percent. */
  varianceShown: string | null;
  attainment: string | null;
  percentShown: string | null;
  status: string;
  tone: Tone;
  noReading: string | null;
  shade: string | null;
}

export interface MonthSheet {
  months: string[];
  total: Reading;
  totals: Cell[];
  rows: { whole: Row; cells: (Cell | null)[] }[];
}

export interface Claim {
  kind: string;
  text: string;
  only: string[];
  select: string | null;
  /** Axis along which the row's variance is taken apart. */
  along: AxisWord | null;
  /** Months side by side. */
  from: string | null;
  to: string | null;
}

export interface ReasonShare {
  reason: string | null;
  shortfall: string;
  share: string;
  months: number;
  /** In percent. */
  shareShown: string;
}

export interface Claims {
  claims: Claim[];
  reasons: ReasonShare[];
}

export interface Part {
  key: string;
  name: string;
  actual: string | null;
  goal: string | null;
  variance: string;
  /** Of a rate in points of a percent. */
  varianceShown: string;
  favourable: string;
  /** Of the whole's miss, in percent. */
  shareShown: string | null;
}

export type Split = 'own-goals' | 'last-years-mix' | 'whole-mix' | 'rate-effect';

export interface CloseUp {
  reading: Reading;
  place: number | null;
  places: number;
  placeBefore: number | null;
  milestones: { name: string; tone: Tone; at: string; toGo: string; toGoShown: string }[];
  required: {
    perMonth: string;
    monthsLeft: number;
    yearGoal: string;
    toDate: string;
    isReached: boolean;
  } | null;
  assigned: {
    goalSet: string;
    axis: AxisWord;
    amount: string;
    over: string | null;
    overShown: string | null;
  }[];
  lastYear: { actual: string; changeShown: string } | null;
  parts: { axis: AxisWord; split: Split; parts: Part[] }[];
}

export interface Trial {
  rungs: { name: string; rows: number }[];
  noReading: number;
  flips: {
    key: string;
    name: string;
    before: string;
    beforeTone: Tone;
    after: string;
    afterTone: Tone;
  }[];
}

export interface Orders {
  per: 'own-goal' | 'threshold' | null;
  thresholds: string[];
  page: number;
  size: number;
  orderCount: number;
  lineCount: number;
  judged: number;
  met: number;
  orders: Order[];
}

/** The lines of one order key and rep; what they do not share is null. */
export interface Order {
  order: string | null;
  month: string;
  date: string | null;
  rep: string | null;
  product: string | null;
  amount: string;
  goal: string | null;
  variance: string | null;
  isMet: boolean | null;
  why: string | null;
  lineCount: number;
  lines: {
    load: number;
    file: string;
    line: number;
    month: string;
    date: string | null;
    product: string | null;
    amount: string;
    /** Cells of the file's other columns, such as a customer, by title. */
    further: Record<string, string>;
  }[];
}

/** Lines that only one reading of closed months holds. */
export interface Corrections {
  actual: string | null;
  lineCount: number;
  page: number;
  size: number;
  lines: {
    load: number;
    file: string;
    line: number;
    month: string;
    nameThen: string | null;
    nameNow: string | null;
    then: string | null;
    now: string | null;
  }[];
}

export interface Reason {
  code: string;
  name: string;
}

export interface SavedView {
  name: string;
  address: string;
}

export interface MonthReading {
  month: string;
  number: number;
  quarter: number;
  state: 'empty' | 'open' | 'sealed';
  reading: Reading;
  toDate?: { actual: string | null; goal: string | null };
  among?: {
    average: string | null;
    total: string | null;
    highest: Extreme | null;
    lowest: Extreme | null;
    atOrAbove: number;
    withGoal: number;
  };
}

export interface Path {
  name: string;
  fiscalYear: number;
  months: MonthReading[];
}

export interface SourceRow {
  load: number;
  file: string;
  line: number;
  month: string;
  amount: string;
}

export interface ProvedRow extends SourceRow {
  /** What was decided about the line before it was posted, in words. */
  decisions: string[];
}

export interface Proof {
  inputs: Reading;
  formulas: { figure: string; formula: string; value: string | null; why: string | null }[];
  rung: {
    number: number;
    name: string;
    scale: string;
    from: string | null;
    bound: string | null;
  } | null;
  ladder: string;
  goalWords: string;
  page: number;
  size: number;
  rowCount: number;
  rows: ProvedRow[];
  goalRowCount: number;
  goalRows: ProvedRow[];
}

export interface Finding {
  line: number;
  column: string | null;
  code: string;
  held: boolean;
  message: string;
}

export interface Sums {
  file: string;
  ready: string;
  held: string;
  leftOut: string;
}

export type PostMode = 'add' | 'replace' | 'correct';

export interface Progress {
  phase: 'reading' | 'checking';
  lines: number;
  percent: number;
  secondsLeft: number;
}

export interface Load {
  id: number;
  state: 'reading' | 'received' | 'staged' | 'posted' | 'reversed';
  kind: LoadKind | null;
  file: string;
  goalSet: string | null;
  axis: AxisWord | null;
  lines: number;
  ready: number;
  held: number;
  leftOut: number;
  sums: Record<string, Sums>;
  controlTotal: { measure: string; given: string; found: string; met: boolean } | null;
  findingCount: number;
  findings?: Finding[];
  firstMonth: string | null;
  lastMonth: string | null;
  postedAt: string | null;
  reversedAt: string | null;
  because: string | null;
  mode: PostMode | null;
  readAs: string | null;
  remainderOf: number | null;
  problem: { code: string; message: string } | null;
  progress: Progress | null;
  sameAs: number | null;
  sameState: string | null;
}

export interface SheetColumn {
  title: string;
  target: string;
  isGuessed: boolean;
  isAmount: boolean;
  isDate: boolean;
  decimals: 'auto' | 'point' | 'comma';
  dates: 'auto' | 'day-first' | 'month-first';
  power: number;
  flip: boolean;
  samples: string[];
}

export interface Fault {
  at: number;
  code: string;
  held: boolean;
  accepted: boolean;
  message: string;
}

export interface SheetLine {
  line: number;
  cells: string[];
  part: 'ready' | 'held' | 'left out' | null;
  faults: Fault[];
  rewritten: number[];
}

export interface Sheet {
  recordCount: number;
  headerLine: number;
  from: number;
  sheet: string;
  sheets: string[];
  kind: LoadKind | null;
  goalSet: string | null;
  axis: AxisWord | null;
  measure: string | null;
  fiscalYear: number;
  isWide: boolean;
  columns: SheetColumn[];
  targets: string[];
  lines: SheetLine[];
}

export interface CheckFinding {
  line: number;
  column: string | null;
  accepted: boolean;
  message: string;
  details: Record<string, string>;
}

export interface CheckGroup {
  code: string;
  held: boolean;
  ofFile: boolean;
  count: number;
  open: number;
  findings: CheckFinding[];
}

export interface UnknownName {
  axis: AxisWord;
  text: string;
  lines: number;
  firstLine: number;
  proposals: { key: string; name: string }[];
}

export interface Checks {
  groups: CheckGroup[];
  names: UnknownName[];
  decidedLines: number;
}

export interface Change {
  key: string;
  name: string;
  month: string;
  measure: string;
  isGoal: boolean;
  before: string | null;
  after: string | null;
}

export interface Changes {
  proposed: PostMode;
  mode: PostMode;
  scopeAxis: AxisWord | null;
  covered: string[];
  months: string[];
  /** Sealed months that it touches; then it can be posted as a correction only. */
  sealedMonths: string[];
  changeCount: number;
  changes: Change[];
}

export interface PayComponent {
  what: string;
  label: string;
  from: string | null;
  until: string | null;
  base: string | null;
  rate: string | null;
  amount: string;
}

export interface NextPay {
  event: 'floor' | 'target' | 'ceiling' | 'step';
  sales: string;
  pay: string;
}

export interface PayAdjustment {
  from: string;
  through: string;
  earnedThen: string;
  earnedNow: string;
  amount: string;
}

/** A rep's commission for a month; sales to date in the window, pay with two decimals. */
export interface PayRow {
  rep: string;
  name: string;
  region: string | null;
  plan: string | null;
  measure: string;
  unit: string;
  quota: string | null;
  /** Of the month alone, beside a longer window's; absent in months closed before it was kept. */
  monthQuota?: string | null;
  actual: string;
  credited: string | null;
  notCredited: string;
  status: string;
  tone: Tone;
  earned: string | null;
  due: string | null;
  components: PayComponent[];
  next: NextPay | null;
  windowFrom: string;
  closedThrough: string | null;
  closed: string;
  part: string;
  adjustments: PayAdjustment[];
  heldBefore: string;
  held: string;
  capped: string;
  floor: string | null;
  ceiling: string | null;
  curve: { sales: string; pay: string }[];
}

/** Sums of rows; what does not add up is null. */
export interface PayTotals {
  reps: number;
  /** Of them with a plan and a quota. */
  planned: number;
  paid: number;
  quota: string | null;
  /** Of the month alone, whatever the plans' windows. */
  monthQuota: string | null;
  credited: string | null;
  earned: string | null;
  due: string | null;
  /** Pay earned as a percentage of sales. */
  shareShown: string | null;
}

export interface PayDesk {
  month: string;
  state: 'open' | 'sealed';
  /** Whether working days of the month are still to come. */
  isRunning: boolean;
  currency: string;
  headline: string;
  totals: PayTotals;
  budget: {
    goalSet: string;
    goal: string;
    variance: string;
    percent: string | null;
    isOver: boolean;
  } | null;
  rows: PayRow[];
}

export interface PaySource {
  load: number;
  file: string;
  line: number;
  month: string;
  amount: string;
}

/** A line of a statement; `kind` tells facts and sums from what adds up to the due. */
export interface PayLine {
  kind: 'fact' | 'sum' | 'component' | 'cap' | 'settled' | 'adjustment' | 'held';
  what: string;
  words: string;
  figure: string;
  through: string | null;
}

export interface Job {
  id: number;
  kind: 'pdf' | 'send';
  state: 'running' | 'done' | 'failed';
  done: number;
  total: number;
  already: number;
  refused: { rep: string; name: string; why: string }[];
  problem: string | null;
}

export interface SentState {
  canSend: boolean;
  statements: {
    rep: string;
    name: string;
    address: string;
    begunAt: string | null;
    sentAt: string | null;
    isPresent: boolean;
  }[];
}

export interface PayStatement {
  row: PayRow;
  state: 'open' | 'sealed';
  /** Whether working days of the month are still to come. */
  isRunning: boolean;
  currency: string;
  plan: PlanPart | null;
  lines: PayLine[];
  page: number;
  lineCount: number;
  sales: PaySource[];
  quota: PaySource[];
}

export interface WhatIf {
  sales: string;
  status: string;
  tone: Tone;
  earned: string;
  change: string;
  components: PayComponent[];
  next: NextPay | null;
}

export interface OneMore {
  rep: string;
  name: string;
  order: string;
  status: string;
  then: string;
  tone: Tone;
  pay: string;
}

export interface BoundPart {
  amount?: string;
  percent?: string;
  goalSet?: string;
}

/** A plan in the form of a file of rules. */
export interface PlanPart {
  name: string;
  since?: string;
  measure: string;
  goalSet: string;
  window: string;
  floor?: BoundPart;
  paidFrom: string;
  method: string;
  steps: { from: string; rate: string }[];
  bonus: string;
  bonusPaid: string;
  ceiling?: BoundPart;
  cap?: string;
  negativeDue: string;
}

export interface AssignmentPart {
  rep: string;
  plan: string;
  from?: string;
  until?: string;
  ramp?: string[];
}

/** Whose sales and quota are credited to whom; shares are decimals or fractions. */
export interface CreditPart {
  rep: string;
  from?: string;
  until?: string;
  shares: Record<string, string>;
}

/** How the company writes, as far as it is set. */
export interface WritingRules {
  decimal?: string | null;
  grouping?: string | null;
  dates?: string | null;
  weekStart?: string | null;
}

export interface CompanyRules {
  name: string;
  timeZone?: string | null;
  writing?: WritingRules | null;
}

export interface Rules {
  company: CompanyRules;
  plans: PlanPart[];
  assignments: AssignmentPart[];
  credits: CreditPart[];
}

export interface SealCheck {
  code: string;
  level: 'stop' | 'look' | 'good';
  words: string;
  count: number;
  names: string[];
}

export interface SealState {
  month: string;
  state: 'open' | 'sealed';
  sealedAt: string | null;
  sealedBy: string | null;
  checksum: string | null;
  /** Links the seal to those before; statements show it. */
  hash: string | null;
  isIntact: boolean | null;
  checks: SealCheck[];
  history: {
    sealedAt: string;
    sealedBy: string;
    unsealedAt: string;
    unsealedBy: string;
    reason: string;
  }[];
}

export interface ChangedSince {
  month: string;
  settledIn: string;
  measure: string;
  reps: {
    rep: string;
    name: string;
    actualThen: string;
    actualNow: string;
    earnedThen: string;
    earnedNow: string;
    adjustment: string;
  }[];
  lines: {
    load: number;
    file: string;
    line: number;
    rep: string | null;
    then: string | null;
    now: string | null;
  }[];
}

export interface PlanTrial {
  months: string[];
  quota: string | null;
  floor: string | null;
  ceiling: string | null;
  curve: { sales: string; pay: string }[];
  /** Pay by month; null without a plan or quota, of which the reason stands in the other lists. */
  reps: {
    rep: string;
    name: string;
    before: (string | null)[];
    after: (string | null)[];
    beforeWhy: (string | null)[];
    afterWhy: (string | null)[];
    change: string;
  }[];
  before: string;
  after: string;
}

/** Whether what is stored reads as it was written. */
export interface RecordState {
  entries: number;
  seals: number;
  /** Hash of the last entry of the trail, which stands for all of them. */
  head: string;
  isWhole: boolean;
  faults: string[];
}

/** A name of files that was accepted for a member. */
export interface AcceptedName {
  axis: string;
  text: string;
  member: string;
  acceptedBy: string | null;
  acceptedAt: string | null;
}

export interface AuditEntry {
  id: number;
  at: string;
  by: string;
  kind: string;
  subject: string;
  before: string | null;
  after: string | null;
  /** Held by the next entry. */
  hash: string;
}
