import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
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
  regions: string[];
  text: string;
  sort: string;
  selected: string | null;
  load: number | null;
  /** A line of the load's file. */
  line: number | null;
}

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
  const fitting = company.goalSets.find(
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
  return {
    span: spanOf(kind, to, company.calendar, from),
    axis,
    measure,
    basis: readBasis(search.get('against'), company, axis, measure),
    factor: search.get('factor') ?? '1',
    regions: search.getAll('region'),
    text: search.get('text') ?? '',
    sort: search.get('sort') ?? '-favourable',
    selected: search.get('selected'),
    load: Number(search.get('load')) || null,
    line: Number(search.get('line')) || null,
  };
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
  const set = company.goalSets.find((one) => one.name === name);
  return set ? { kind: 'set', name: set.name } : defaultBasis(company, axis, measure);
}

/** How a basis stands in the address. */
export function basisWord(basis: Basis): string {
  return basis.kind === 'set' ? `set:${basis.name}` : basis.kind;
}

/** The view's part of a request to the server. */
export function viewQuery(view: View): Record<string, string | string[] | undefined> {
  const isPrior = view.basis.kind === 'prior-year' || view.basis.kind === 'prior-period';
  return {
    axis: view.axis,
    measure: view.measure,
    from: view.span.from,
    to: view.span.to,
    goalSet: view.basis.kind === 'set' ? view.basis.name : undefined,
    basis: isPrior ? view.basis.kind : undefined,
    factor: isPrior ? view.factor : undefined,
    region: view.regions,
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
  };
}
