/** The wire's shapes. Amounts and ratios are decimal strings, months "2026-10", missing is null. */
export type AxisWord = 'rep' | 'region' | 'product' | 'line' | 'manager' | 'company';
export type Tone = 'good' | 'near' | 'bad' | 'neutral';
export type LoadKind = 'actuals' | 'goals' | 'roster' | 'products';

export interface Measure {
  code: string;
  unit: string;
  scale: number;
  direction: 'HIGHER' | 'LOWER';
  hasActuals: boolean;
}

export interface GoalSet {
  name: string;
  axis: AxisWord;
  measures: string[];
}

export interface MemberFound {
  axis: AxisWord;
  key: string;
  name: string;
}

export interface Company {
  name: string;
  calendar: { startMonth: number; yearNamedBy: 'start' | 'end' };
  measures: Measure[];
  goalSets: GoalSet[];
  regions: MemberFound[];
  firstMonth: string | null;
  lastMonth: string | null;
  thisMonth: string;
}

export interface Reading {
  actual: string;
  goal: string | null;
  variance: string | null;
  favourable: string | null;
  variancePercent: string | null;
  attainment: string | null;
  shortfall: string | null;
  excess: string | null;
  growth: string | null;
  growthShown: string | null;
  status: string;
  tone: Tone;
  percentShown: string | null;
  noReading: string | null;
  goalMonths: number;
}

export interface Row extends Reading {
  key: string;
  name: string;
  place?: string;
}

export interface Standing {
  axis: AxisWord;
  measure: string;
  unit: string;
  scale: number;
  direction: 'HIGHER' | 'LOWER';
  from: string;
  to: string;
  goal: string;
  ladder: string;
  headline: { text: string; tone: Tone | null }[];
  total: Reading;
  noGoal: { members: number; actual: string };
  unassigned: { lines: number; actual: string };
  rows: Row[];
  summary: { members: number; membersWithGoal: number; atOrAboveGoal: number; reached: number };
}

export interface MonthReading {
  month: string;
  number: number;
  quarter: number;
  state: 'empty' | 'open';
  reading: Reading;
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
  rows: SourceRow[];
  goalRowCount: number;
  goalRows: SourceRow[];
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
  changeCount: number;
  changes: Change[];
}
