/**
 * What each kind of change makes old: the first words of the query keys that are read again. One
 * table for the whole application, so that nothing shows old figures or colours until a reload.
 */
const FIGURES = ['standing', 'months', 'earnings', 'close-list', 'closes', 'briefings'] as const;

export const CHANGED_BY = {
  /** Ladders, shading, plans, credit, calendar, measures. */
  rules: [...FIGURES, 'goals', 'rules', 'company', 'proposals', 'seal', 'audit'],
  /** Posting and reversing loads, settling what was staged. */
  loads: [...FIGURES, 'goals', 'loads', 'company', 'members', 'seal', 'audit'],
  /** Deciding about what was proposed. */
  proposals: [
    ...FIGURES,
    'goals',
    'loads',
    'rules',
    'company',
    'members',
    'proposals',
    'seal',
    'audit',
  ],
  /** Goals entered on the sheet. */
  goals: [...FIGURES, 'goals', 'loads', 'company', 'members', 'proposals', 'seal', 'audit'],
  /** Closing and opening months. */
  months: [...FIGURES, 'goals', 'company', 'seal', 'audit'],
  notes: ['standing', 'close-list', 'closes', 'briefings', 'follow-ups', 'audit'],
  reasons: ['standing', 'reasons', 'audit'],
  views: ['views'],
  accounts: ['accounts', 'session', 'audit'],
} as const satisfies Record<string, readonly string[]>;
