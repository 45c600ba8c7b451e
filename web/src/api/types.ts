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

export interface Load {
  id: number;
  state: 'staged' | 'posted' | 'reversed';
  kind: LoadKind;
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
  sameAs: number | null;
  sameState: string | null;
}
