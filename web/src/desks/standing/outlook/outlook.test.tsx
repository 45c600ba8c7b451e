import { render, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Outlook, OutlookMember } from '../../../api/types';
import { readView, type View } from '../../../address/useView';
import { OutlookLane, outlookEnd } from './OutlookLane';
import { clean, layOut, serve, showAt } from '../../../test/desk';
import { COMPANY } from '../../../test/samples';
import { markOf } from './likely';
import { OutlookMonths } from './OutlookMonths';
import { OutlookTable } from './OutlookTable';
import { nextOutlookSort, outlookItems, readOutlookSort, rowPlace, sortOutlook } from './rows';

const ROW: OutlookMember = {
  key: 'A',
  name: 'Ada Lund',
  actual: '62000.00',
  goal: '100000.00',
  open: '50000.00',
  weighted: '31000.00',
  overdue: '0.00',
  expected: '93000.00',
  atBest: '112000.00',
  toGo: '38000.00',
  coverage: '1.315789',
  likelihoodNeeded: '0.76',
  expectedStatus: 'near',
  expectedTone: 'near',
  expectedRung: 1,
  noReading: null,
  deals: 2,
  overdueDeals: 0,
  outOfReach: false,
  likelihood: '0.62',
  shown: {
    weighted: '31000.00',
    expected: '93000.00',
    booked: '62.0',
    expectedPercent: '93.0',
    atBestPercent: '112.0',
    expectedVariance: '-7000.00',
    coverage: '131.6',
    likelihood: '62.0',
    likelihoodNeeded: '76.0',
  },
};

const row = (key: string, changes: Partial<OutlookMember>, expected: string | null) => ({
  ...ROW,
  key,
  name: key,
  ...changes,
  shown: { ...ROW.shown, expectedPercent: expected },
});

const OUTLOOK: Outlook = {
  axis: 'rep',
  measure: 'revenue',
  unit: 'EUR',
  scale: 2,
  from: '2026-10',
  to: '2026-12',
  goal: 'quota',
  closed: 'as-closed',
  asOf: '2026-11-20',
  snapshots: [],
  headline: [],
  insights: [],
  tried: [],
  difference: null,
  overridden: null,
  withGoal: 2,
  expectedToReach: 1,
  group: null,
  total: ROW,
  groups: null,
  rows: [
    row('A', { open: '9.00' }, '93.0'),
    row('B', { open: '10.00', outOfReach: true, likelihoodNeeded: null }, '104.0'),
    row('C', { open: '100.00', goal: null }, null),
  ],
};

const VIEW = {
  axis: 'rep',
  group: null,
  selected: null,
  folded: [] as string[],
  sort: '-favourable',
  likely: { low: '', high: '' },
} as View;

describe('likelihoods', () => {
  it('are marked below the one percent and from the other on', () => {
    const marks = { low: '40', high: '75' };
    expect(markOf('39.9', marks)).toBe('low');
    expect(markOf('40.0', marks)).toBeNull();
    expect(markOf('75.0', marks)).toBe('high');
    expect(markOf('75.0', { low: '', high: '' })).toBeNull();
    expect(markOf(null, marks)).toBeNull();
  });
});

it('shows its months side by side, each asked for by itself, the whole at the end', async () => {
  layOut();
  const asked = serve({
    'from=2026-10&to=2026-10': { ...OUTLOOK, rows: [row('A', {}, '71.0')] },
    'from=2026-11&to=2026-11': { ...OUTLOOK, rows: [row('A', {}, '72.0')] },
    'from=2026-12&to=2026-12': { ...OUTLOOK, rows: [row('B', {}, '73.0')] },
  });
  showAt(
    <OutlookMonths
      view={readView(new URLSearchParams('span=q&to=2026-12'), COMPANY)}
      outlook={OUTLOOK}
      items={outlookItems(OUTLOOK, VIEW)}
      selected="*"
      onSelect={vi.fn()}
    />,
    '/standing',
  );
  const grid = await screen.findByRole('grid', { name: 'Outlook by rep and month' });
  const rows = within(grid)
    .getAllByRole('row')
    .map((one) => one.textContent);
  expect(rows).toContain('A71.072.0–93.0');
  expect(rows).toContain('B––73.0104.0');
  expect(asked).toHaveLength(3);
  clean();
});

describe('rows of an outlook', () => {
  it('fall by what is expected of the goal, rows without a goal last', () => {
    expect(outlookItems(OUTLOOK, VIEW).map(({ id }) => id)).toEqual(['B', 'A', 'C']);
    const sorted = (word: string) =>
      sortOutlook(OUTLOOK.rows, readOutlookSort(word)).map(({ key }) => key);
    expect(sorted('expected')).toEqual(['A', 'B', 'C']);
    expect(sorted('-open')).toEqual(['C', 'B', 'A']);
    expect(sorted('needed')).toEqual(['A', 'C', 'B']);
    expect(nextOutlookSort({ key: 'open', isFalling: true }, 'open')).toBe('open');
    expect(nextOutlookSort({ key: 'open', isFalling: true }, 'name')).toBe('name');
  });

  it('stand under their group, and not where it is folded', () => {
    const grouped: Outlook = {
      ...OUTLOOK,
      group: 'region',
      groups: [row('North', {}, '90.0'), row('South', {}, '80.0')],
      rows: OUTLOOK.rows.map((one, at) => ({ ...one, group: at === 0 ? 'North' : 'South' })),
    };
    const view = { ...VIEW, group: 'region', folded: ['South'] } as View;
    expect(outlookItems(grouped, view).map(({ id }) => id)).toEqual([
      'North/',
      'North/A',
      'South/',
    ]);
    const place = (selected: string | null) => rowPlace({ ...view, selected });
    expect(place(null)).toEqual({ axis: 'rep', key: '*', group: null });
    expect(place('North/')).toEqual({ axis: 'region', key: 'North', group: null });
    expect(place('North/A')).toEqual({ axis: 'rep', key: 'A', group: 'North' });
    expect(rowPlace({ ...VIEW, selected: 'A' })).toEqual({
      axis: 'rep',
      key: 'A',
      group: null,
    });
  });
});

describe('the lane of an outlook', () => {
  const widths = (of: OutlookMember, end = 150) => {
    const { container } = render(<OutlookLane row={of} end={end} />);
    return [...container.querySelectorAll('svg > rect')].map((one) => one.getAttribute('width'));
  };

  it('is solid, lighter and outlined on one goal line', () => {
    expect(outlookEnd([ROW])).toBe(120);
    expect(outlookEnd([row('A', {}, '1.0')])).toBe(120);
    expect(
      widths({
        ...ROW,
        shown: { ...ROW.shown, booked: '60', expectedPercent: '90', atBestPercent: '120' },
      }),
    ).toEqual(['40%', '20%', '20%']);
  });

  it('hatches what no open deal can fill, and is a dotted line without a goal', () => {
    const short = { ...ROW.shown, booked: '15', expectedPercent: '30', atBestPercent: '75' };
    expect(widths({ ...ROW, shown: short })).toHaveLength(4);
    expect(widths({ ...ROW, shown: { ...ROW.shown, booked: null } })).toEqual([]);
  });
});

it('names who could win every deal and still miss', () => {
  Element.prototype.scrollTo = vi.fn();
  render(
    <OutlookTable
      outlook={OUTLOOK}
      items={outlookItems(OUTLOOK, VIEW)}
      view={VIEW}
      selected="*"
      onSelect={vi.fn()}
      onSort={vi.fn()}
      onToggle={vi.fn()}
    />,
  );
  expect(screen.getByText('1 of 2 should reach it')).toBeTruthy();
  expect(screen.getByRole('grid', { name: 'Outlook by rep' })).toBeTruthy();
  expect(screen.getByRole('columnheader', { name: /Expected, %/ })).toBeTruthy();
});
