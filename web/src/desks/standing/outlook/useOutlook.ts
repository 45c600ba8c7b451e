import { useQuery } from '@tanstack/react-query';
import { ask, query } from '../../../api/client';
import { CHANGED_BY } from '../../../api/changedBy';
import { asJson, useChange } from '../../../api/useChange';
import type { Accuracy, Bridge, DealHistory, Deals, Outlook } from '../../../api/types';
import { viewQuery, wholeQuery, type Query, type View } from '../../../address/useView';
import { rowPlace } from './rows';

/** An outlook's question: that of the standing, but that its day is a snapshot's. */
export function outlookQuery(view: View): Query {
  return { ...viewQuery(view), beside: undefined, judge: undefined, asOf: view.deals || undefined };
}

export function useOutlook(view: View, isTried = true, isAsked = true) {
  const asked = { ...outlookQuery(view), tryDeal: isTried ? view.tried : undefined };
  return useQuery({
    queryKey: ['standing', 'outlook', asked],
    queryFn: ({ signal }) => ask<Outlook>(`/outlook${query(asked)}`, { signal }),
    placeholderData: (before) => before,
    enabled: isAsked,
  });
}

/** The same of one row: narrowed to its group where it stands in one. */
function rowQuery(view: View): [string, string, Query] {
  const { axis, key, group } = rowPlace(view);
  const isTotal = key === '*';
  const asked: Query = {
    ...(isTotal ? outlookQuery(view) : { ...wholeQuery(view), asOf: view.deals || undefined }),
    axis: undefined,
    group: undefined,
    judge: undefined,
  };
  if (group && view.group) asked[view.group] = [group];
  return [axis, key, asked];
}

export function useDeals(view: View, kind: string, page: number, size: number, isAsked = true) {
  const [axis, key, asked] = rowQuery(view);
  const whole = {
    ...asked,
    kind,
    since: view.since || undefined,
    page: String(page),
    size: String(size),
  };
  return useQuery({
    queryKey: ['standing', 'deals', axis, key, whole],
    queryFn: ({ signal }) =>
      ask<Deals>(`/outlook/${axis}/${encodeURIComponent(key)}/deals${query(whole)}`, { signal }),
    enabled: isAsked,
  });
}

export function useBridge(view: View) {
  const [axis, key, asked] = rowQuery(view);
  const whole = { ...asked, axis, key, since: view.since || undefined };
  return useQuery({
    queryKey: ['standing', 'bridge', whole],
    queryFn: ({ signal }) => ask<Bridge>(`/outlook/bridge${query(whole)}`, { signal }),
  });
}

export function useAccuracy(view: View) {
  const [axis, key, asked] = rowQuery(view);
  return useQuery({
    queryKey: ['standing', 'accuracy', axis, key, asked],
    queryFn: ({ signal }) =>
      ask<Accuracy>(`/outlook/${axis}/${encodeURIComponent(key)}/accuracy${query(asked)}`, {
        signal,
      }),
  });
}

export function useHistory(view: View, deal: string, source: string) {
  const asked = {
    ...wholeQuery(view),
    asOf: undefined,
    judge: undefined,
    source: source || undefined,
  };
  return useQuery({
    queryKey: ['standing', 'deal', deal, asked],
    queryFn: ({ signal }) =>
      ask<DealHistory>(`/outlook/deals/${encodeURIComponent(deal)}/history${query(asked)}`, {
        signal,
      }),
  });
}

/** What is to count of a deal instead of what its source says; null where that counts again. */
interface Overriding {
  deal: string;
  source: string;
  next: {
    likelihood: string | null;
    amount: string | null;
    measure: string;
    closes: string | null;
    reason: string;
  } | null;
}

export function useOverride() {
  return useChange(
    ({ deal, source, next }: Overriding) => {
      const at = `/outlook/deals/${encodeURIComponent(deal)}/override`;
      return next === null
        ? ask(`${at}${query({ source: source || undefined })}`, { method: 'DELETE' })
        : ask(at, asJson('PUT', { ...next, source }));
    },
    ...CHANGED_BY.notes,
  );
}
