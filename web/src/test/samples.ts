import { UNSET } from '../format/writing';
import type { Claims, CloseUp, Company, Proof, Reading, Row, Spoken, Standing } from '../api/types';

export const COMPANY: Company = {
  name: 'Saltmarsh Chandlery',
  isNamed: true,
  timeZone: null,
  writing: UNSET,
  calendar: { startMonth: 7, yearNamedBy: 'end' },
  measures: [
    {
      code: 'revenue',
      name: 'Revenue',
      unit: 'EUR',
      scale: 2,
      direction: 'HIGHER',
      hasActuals: true,
    },
  ],
  goalSets: [{ name: 'quota', axis: 'rep', measures: ['revenue'], ranges: [], isRetired: false }],
  regions: [{ axis: 'region', key: 'North', name: 'North' }],
  firstMonth: '2026-07',
  lastMonth: '2026-10',
  thisMonth: '2026-11',
};

export function reading(
  actual: string,
  goal: string | null,
  changes: Partial<Omit<Reading, 'spoken'>> & { spoken?: Partial<Spoken> } = {},
): Reading {
  const plain = {
    actual,
    goal,
    variance: null,
    favourable: null,
    variancePercent: null,
    attainment: null,
    achieved: null,
    remaining: null,
    over: null,
    shortfall: '0.00',
    excess: '0.00',
    growth: null,
    growthOnYear: null,
    yearBefore: null,
    growthShown: null,
    growthOnYearShown: null,
    status: 'no reading',
    tone: 'neutral' as const,
    percentShown: null,
    noReading: null,
    goalMonths: goal === null ? 0 : 1,
    rung: RUNGS.indexOf(changes.status ?? '') < 0 ? null : RUNGS.indexOf(changes.status ?? ''),
    comparable: null,
    toDate: null,
    correction: null,
    waiting: false,
    ...changes,
  };
  return {
    ...plain,
    spoken: {
      ...plain,
      kind: 'whole',
      shade: null,
      variancePercentShown: null,
      remainingShown: null,
      overShown: null,
      ...changes.spoken,
    },
  };
}

const RUNGS = ['behind', 'near', 'reached', 'well past'];

export const ROWS: Row[] = [
  {
    key: 'A',
    name: 'Ada',
    place: 'North',
    ...reading('90.00', '100.00', {
      variance: '-10.00',
      favourable: '-10.00',
      attainment: '0.9',
      percentShown: '90.0',
      shortfall: '10.00',
      status: 'near',
      tone: 'near',
    }),
  },
  {
    key: 'B',
    name: 'Bo',
    place: 'North',
    ...reading('120.00', '100.00', {
      variance: '20.00',
      favourable: '20.00',
      attainment: '1.2',
      percentShown: '120.0',
      excess: '20.00',
      status: 'well past',
      tone: 'good',
    }),
  },
  {
    key: 'C',
    name: 'Cleo',
    place: 'North',
    ...reading('5.00', null, { noReading: 'no goal', shortfall: null }),
  },
];

export const STANDING: Standing = {
  axis: 'rep',
  measure: 'revenue',
  measureName: 'Revenue',
  unit: 'EUR',
  scale: 2,
  direction: 'HIGHER',
  from: '2026-10',
  to: '2026-10',
  goal: 'quota',
  ladder: 'default, higher is better',
  closed: 'as-closed',
  corrections: { actual: '0.00', lines: 0 },
  emptyMonths: [],
  unsplit: null,
  waiting: null,
  spoken: { withGoal: 2, reached: 1 },
  headline: [
    { text: 'October 2026 is ', tone: null },
    { text: '7.5 % ahead of quota', tone: 'good' },
  ],
  total: reading('215.00', '200.00', {
    variance: '15.00',
    attainment: '1.075',
    percentShown: '107.5',
  }),
  noGoal: { members: 1, actual: '5.00' },
  unassigned: { lines: 0, actual: '0.00' },
  leftOut: { members: 0, actual: '0.00', shortfallShareShown: null },
  beside: null,
  isDerived: false,
  isRange: false,
  openMonth: null,
  group: null,
  groups: null,
  rows: ROWS,
  summary: {
    members: 3,
    membersWithGoal: 2,
    atOrAboveGoal: 1,
    reached: 1,
    highest: { key: 'B', name: 'Bo', actual: '120.00' },
    lowest: { key: 'C', name: 'Cleo', actual: '5.00' },
    medianAttainment: '1.05',
    meanOfMembers: '1.05',
    attainmentOfAssigned: null,
    shortfallHolders: 0,
  },
  rung: {
    scale: 'percent-to-goal',
    rungs: [
      { name: 'behind', tone: 'bad' },
      { name: 'near', tone: 'near', from: '0.9', bound: 'at or above' },
      { name: 'reached', tone: 'good', from: '1', bound: 'at or above' },
      { name: 'well past', tone: 'good', from: '1.2', bound: 'at or above' },
    ],
    perMonth: false,
  },
  trial: null,
  stretches: null,
  shading: { good: '20.00', bad: '10.00', isGoodAutomatic: true, isBadAutomatic: true },
};

export const CLOSE_UP: CloseUp = {
  reading: STANDING.total,
  place: 2,
  places: 2,
  placeBefore: 1,
  milestones: [{ name: 'reached', tone: 'good', at: '100.00', toGo: '10.00', toGoShown: '10.00' }],
  required: {
    perMonth: '35.00',
    monthsLeft: 8,
    yearGoal: '450.00',
    toDate: '170.00',
    isReached: false,
  },
  assigned: [],
  lastYear: { actual: '100.00', changeShown: '-12.5' },
  parts: [
    {
      axis: 'line',
      split: 'last-years-mix',
      parts: [
        {
          key: 'r',
          name: 'Rope',
          actual: '50.00',
          goal: '45.00',
          variance: '5.00',
          varianceShown: '5.00',
          favourable: '5.00',
          shareShown: null,
        },
        {
          key: 'n',
          name: 'Navigation',
          actual: '40.00',
          goal: '55.00',
          variance: '-15.00',
          varianceShown: '-15.00',
          favourable: '-15.00',
          shareShown: '60',
        },
      ],
    },
  ],
};

export const CLAIMS: Claims = {
  claims: [
    {
      kind: 'holders',
      text: 'Ada accounts for 100 % of the shortfall.',
      only: ['A'],
      select: 'A',
      along: null,
      from: null,
      to: null,
      figures: [],
    },
  ],
  reasons: [],
};

export const PROOF: Proof = {
  inputs: STANDING.total,
  formulas: [
    { figure: 'variance', formula: '90.00 − 100.00', value: '-10.00', why: null },
    { figure: 'growth', formula: '', value: null, why: 'nothing posted then' },
  ],
  rung: { number: 2, name: 'near', scale: 'percent-to-goal', from: '0.9', bound: 'at or above' },
  ladder: 'default, higher is better',
  goalWords: 'quota',
  page: 0,
  size: 20,
  rowCount: 25,
  rows: [
    {
      load: 4,
      file: 'october.csv',
      line: 7,
      month: '2026-10',
      amount: '90.00',
      decisions: ['revenue 9o → 90, Ada, 2026-11-02'],
    },
  ],
  goalRowCount: 0,
  goalRows: [],
};

/** What the routes behind the standing desk answer, as `serve` takes it. */
export const ANSWERS = {
  '/reasons': [{ code: 'price', name: 'price' }],
  '/views': [],
  '/claims': CLAIMS,
  '/close-up': CLOSE_UP,
  '/proof': PROOF,
  '/path': { name: 'x', fiscalYear: 2027, months: [] },
  '/standing': STANDING,
};

/** What is wanted of a month before it is closed, as nobody has changed it. */
export const CLOSING = {
  off: [],
  missesAbove: '0.1',
  overPlanAbove: '0.04',
  dueDay: 5,
  requireChecked: false,
  tell: [],
};
