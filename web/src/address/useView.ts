import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { offered } from '../api/goalSets';
import type { AxisWord, Company } from '../api/types';
import { isMonth, plusMonths, spanOf, type Span, type SpanKind } from './span';

export type Basis =
  { kind: 'set'; name: string } | { kind: 'prior-year' | 'prior-period' | 'none' };

/** What every desk reads: all of it stands in the address, so that a link reproduces the view. */
export interface View {
  span: Span;
  axis: AxisWord;
  measure: string;
  basis: Basis;
  factor: string;
  /** A second basis beside the first; none where empty. */
  beside: string;
  besideFactor: string;
  /** What everything is narrowed to before it is summed, by axis. */
  filters: Filters;
  /** Axis of the groups, null without. */
  group: AxisWord | null;
  /** Groups that are folded. */
  folded: string[];
  /** How closed months are read: as closed, or with what was posted since. */
  isRestated: boolean;
  /** Whether a running month is judged by its whole goal, not by what was expected so far. */
  isWhole: boolean;
  /** Whether members whose file has not come are counted in. */
  countsWaiting: boolean;
  /** Axis along which the variance of the row that is explained is taken apart. */
  along: AxisWord | null;
  /** Whether rows are sorted across their groups. */
  isFlat: boolean;
  layout: Layout;
  lanes: 'percent' | 'amount';
  /** What the last column says: the change on a year or a period before, or a share of the goal. */
  lastColumn: LastColumn;
  narrowing: Narrowing;
  asOf: string;
  trial: Trial;
  sort: string;
  /** Key of the row that is explained; in groups `group/key`, of a group `group/`. */
  selected: string | null;
  /** Rows that are read together, as their total; none, or two and more. */
  picked: string[];
  /** What stands in the close-up's place. */
  panel: 'ladder' | 'orders' | 'corrections' | null;
  compare: string;
  /** Of an outlook: as of which day its deals are, empty for the latest snapshot. */
  deals: string;
  /** The snapshot that they are held against, empty for the one before. */
  since: string;
  /** Percents that likelihoods of deals are marked below and above; empty for none. */
  likely: { low: string; high: string };
  /** Of an outlook: whether its months stand side by side. */
  isByMonth: boolean;
  /** Deals that are tried at another likelihood or left out, as `deal:0.9` or `deal:out`. */
  tried: string[];
  /** Which deals of the row are listed, empty for those that are open. */
  step: string;
  load: number | null;
  /** A line of the load's file. */
  line: number | null;
}

/** What is tried instead of what is in force; every value as it stands in the address. */
export interface Trial {
  /** What goals are multiplied with, empty for nothing. */
  factor: string;
  /** Where the statuses begin, separated by commas; empty where they are in force. */
  thresholds: string;
  /** Whether a running month is read as if it ended at its pace. */
  isAtPace: boolean;
}

export type Layout = 'rows' | 'months' | 'columns' | 'compare' | 'outlook';
export type LastColumn = 'year' | 'period' | 'remaining' | 'over';
export type Filters = Partial<Record<AxisWord, string[]>>;

/** Which rows are kept; every value as it stands in the address, empty for any. */
export interface Narrowing {
  text: string;
  only: string[];
  status: string[];
  top: string;
  bottom: string;
  by: string;
  over: string;
  low: string;
  high: string;
}

const FILTERS: AxisWord[] = ['rep', 'region', 'product', 'line', 'manager'];
const LAYOUTS: Layout[] = ['rows', 'months', 'columns', 'compare', 'outlook'];
const LAST_COLUMNS: LastColumn[] = ['year', 'period', 'remaining', 'over'];
const AXES: AxisWord[] = ['rep', 'region', 'product', 'line', 'manager', 'company'];
const KINDS: SpanKind[] = ['m', 'q', 'y', 't', 'range'];

/** The last month that is over and has lines, or the last that has any. */
export function defaultMonth(company: Company): string {
  const { lastMonth, firstMonth, thisMonth } = company;
  if (lastMonth === null || firstMonth === null) return thisMonth;
  const isOpen = lastMonth >= thisMonth && firstMonth < thisMonth;
  return isOpen ? plusMonths(thisMonth, -1) : lastMonth;
}

/** The first goal set that fits rows and measure, else none. */
export function defaultBasis(company: Company, axis: AxisWord, measure: string): Basis {
  const fitting = offered(company).find(
    (set) => set.axis === axis && set.measures.includes(measure),
  );
  return fitting ? { kind: 'set', name: fitting.name } : { kind: 'none' };
}

export function readView(search: URLSearchParams, company: Company): View {
  const axis = AXES.find((word) => word === search.get('axis')) ?? 'rep';
  const measures = company.measures.map((m) => m.code);
  const asked = search.get('measure');
  const firstUsed = company.measures.find((m) => m.hasActuals && m.code === 'revenue');
  const fallback = firstUsed ?? company.measures.find((m) => m.hasActuals);
  const measure = asked && measures.includes(asked) ? asked : (fallback?.code ?? 'revenue');
  const kind = KINDS.find((word) => word === search.get('span')) ?? 'm';
  const given = search.get('to');
  const to = isMonth(given) ? given : defaultMonth(company);
  const first = search.get('from');
  const from = isMonth(first) && first <= to ? first : undefined;
  const basis = readBasis(search.get('against'), company, axis, measure);
  return {
    span: spanOf(kind, to, company.calendar, from),
    axis,
    measure,
    basis,
    factor: search.get('factor') ?? '1',
    beside: search.get('beside') ?? '',
    besideFactor: search.get('times') ?? '1',
    filters: readFilters(search),
    group: AXES.find((word) => word === search.get('group')) ?? null,
    folded: search.getAll('folded'),
    isRestated: search.get('closed') === 'restated',
    isWhole: search.get('judge') === 'whole',
    countsWaiting: search.get('waiting') === 'counted',
    along: AXES.find((word) => word === search.get('along')) ?? null,
    isFlat: search.get('flat') === '1',
    layout: LAYOUTS.find((word) => word === search.get('layout')) ?? 'rows',
    // without anything to compare with there is no percent of it
    lanes: basis.kind === 'none' || search.get('lanes') === 'amount' ? 'amount' : 'percent',
    lastColumn: LAST_COLUMNS.find((word) => word === search.get('change')) ?? 'year',
    narrowing: readNarrowing(search),
    asOf: search.get('asof') ?? '',
    trial: {
      factor: search.get('trialFactor') ?? '',
      thresholds: search.get('trialThresholds') ?? '',
      isAtPace: search.get('trialPace') === 'end',
    },
    sort: search.get('sort') ?? '-favourable',
    selected: search.get('selected'),
    panel: PANELS.find((word) => word === search.get('panel')) ?? null,
    picked: search.getAll('picked'),
    compare: search.get('compare') ?? '',
    deals: search.get('deals') ?? '',
    since: search.get('since') ?? '',
    likely: { low: search.get('likelyLow') ?? '', high: search.get('likelyHigh') ?? '' },
    isByMonth: search.get('per') === 'month',
    tried: search.getAll('tryDeal'),
    step: search.get('step') ?? '',
    load: Number(search.get('load')) || null,
    line: Number(search.get('line')) || null,
  };
}

const PANELS = ['ladder', 'orders', 'corrections'] as const;

function readFilters(search: URLSearchParams): Filters {
  const filters: Filters = {};
  for (const axis of FILTERS) {
    const keys = search.getAll(axis);
    if (keys.length > 0) filters[axis] = keys;
  }
  return filters;
}

function readNarrowing(search: URLSearchParams): Narrowing {
  const one = (name: string) => search.get(name) ?? '';
  return {
    text: one('text'),
    only: search.getAll('only'),
    status: search.getAll('status'),
    top: one('top'),
    bottom: one('bottom'),
    by: one('by'),
    over: one('over'),
    low: one('low'),
    high: one('high'),
  };
}

/** Without any narrowing. */
export const NOT_NARROWED: Narrowing = {
  text: '',
  only: [],
  status: [],
  top: '',
  bottom: '',
  by: '',
  over: '',
  low: '',
  high: '',
};

/** Takes every narrowing out of the address. */
export const NO_NARROWING: Changes = Object.fromEntries(
  Object.keys(NOT_NARROWED).map((name) => [name, null]),
);

export function isNarrowed({ narrowing }: View): boolean {
  return Object.values(narrowing).some((value: string | string[]) => value.length > 0);
}

function readBasis(
  against: string | null,
  company: Company,
  axis: AxisWord,
  measure: string,
): Basis {
  if (against === 'prior-year' || against === 'prior-period' || against === 'none') {
    return { kind: against };
  }
  const name = against?.startsWith('set:') ? against.slice(4) : null;
  // a set that is gone is asked for all the same, so that the answer says so
  return name ? { kind: 'set', name } : defaultBasis(company, axis, measure);
}

/** How a basis stands in the address. */
export function basisWord(basis: Basis): string {
  return basis.kind === 'set' ? `set:${basis.name}` : basis.kind;
}

export type Query = Record<string, string | string[] | undefined>;

/** The view's part of a request to the server. */
export function viewQuery(view: View): Query {
  const { narrowing } = view;
  return {
    ...wholeQuery(view),
    beside: view.beside || undefined,
    besideFactor: view.beside.startsWith('prior') ? view.besideFactor : undefined,
    group: view.group ?? undefined,
    text: narrowing.text,
    only: narrowing.only,
    status: narrowing.status,
    top: narrowing.top,
    bottom: narrowing.bottom,
    by: narrowing.by,
    missOver: narrowing.over,
    attainmentFrom: narrowing.low,
    attainmentTo: narrowing.high,
  };
}

/** The same without what only concerns the rows: narrowing, groups and a second basis. */
export function wholeQuery(view: View): Query {
  const isPrior = view.basis.kind === 'prior-year' || view.basis.kind === 'prior-period';
  return {
    axis: view.axis,
    measure: view.measure,
    from: view.span.from,
    to: view.span.to,
    goalSet: view.basis.kind === 'set' ? view.basis.name : undefined,
    basis: isPrior ? view.basis.kind : undefined,
    factor: isPrior ? view.factor : undefined,
    ...view.filters,
    asOf: view.asOf || undefined,
    closed: view.isRestated ? 'restated' : undefined,
    judge: view.isWhole ? 'whole' : undefined,
    waiting: view.countsWaiting ? 'counted' : undefined,
    trialFactor: view.trial.factor || undefined,
    trialThresholds: view.trial.thresholds || undefined,
    trialPace: view.trial.isAtPace ? 'end' : undefined,
  };
}

export type Changes = Record<string, string | string[] | null>;

/** The view and a way to change it; `null` takes a value out of the address. */
export function useView(company: Company): [View, (changes: Changes, isTyping?: boolean) => void] {
  const [search, setSearch] = useSearchParams();
  const view = useMemo(() => readView(search, company), [search, company]);
  const change = useCallback(
    (changes: Changes, isTyping = false) => {
      setSearch((before) => withChanges(before, changes), { replace: isTyping });
    },
    [setSearch],
  );
  return [view, change];
}

export function withChanges(before: URLSearchParams, changes: Changes): URLSearchParams {
  const after = new URLSearchParams(before);
  for (const [name, value] of Object.entries(changes)) {
    after.delete(name);
    for (const one of Array.isArray(value) ? value : [value]) {
      if (one) after.append(name, one);
    }
  }
  return after;
}

/** The address's changes for a span. */
export function spanChanges(span: Span): Changes {
  return {
    span: span.kind === 'm' ? null : span.kind,
    from: span.kind === 'range' ? span.from : null,
    to: span.to,
    asof: null,
  };
}

/** Where figures are read: what is tried goes along from the one to the other. */
const READING = ['/standing', '/earnings'];

/** What stays in the address from desk to desk: the span, and what is tried where it is read. */
export function carriedTo(path: string, search: URLSearchParams): string {
  const names = ['span', 'from', 'to'];
  if (READING.includes(path)) names.push('trialFactor', 'trialPlan', 'trialPace');
  const kept = new URLSearchParams();
  for (const name of names) {
    const value = search.get(name);
    if (value) kept.set(name, value);
  }
  const text = kept.toString();
  return text ? `?${text}` : '';
}
