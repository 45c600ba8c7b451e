import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import { ask, askTagged, query } from '../../api/client';
import { CHANGED_BY } from '../../api/changedBy';
import { asChangeOf, asJson, useChange } from '../../api/useChange';
import type {
  Claims,
  CloseUp,
  Corrections,
  MonthSheet,
  Orders,
  Path,
  Proof,
  SavedView,
  Standing,
  StandingComparison,
  Proposal,
} from '../../api/types';
import { viewQuery, wholeQuery, type Query, type View } from '../../address/useView';
import { t } from './words';

/** What is explained: a member of an axis, within a group where it stands in one. */
export interface Target {
  axis: string;
  key: string;
  group: string | null;
}

export function useStanding(view: View, changes: Query = {}, isAsked = true) {
  const asked = { ...viewQuery(view), ...changes };
  return useQuery({
    queryKey: ['standing', asked],
    queryFn: ({ signal }) => ask<Standing>(`/standing${query(asked)}`, { signal }),
    placeholderData: (before) => before,
    enabled: isAsked,
  });
}

/** The standing row by row beside another; the server subtracts. */
export function useComparison(view: View, other: string) {
  const asked = { ...viewQuery(view), group: undefined, beside: undefined, with: other };
  return useQuery({
    queryKey: ['standing', 'comparison', asked],
    queryFn: ({ signal }) =>
      ask<StandingComparison>(`/standing/comparison${query(asked)}`, { signal }),
    placeholderData: (before) => before,
  });
}

export function useSheet(view: View) {
  const asked = { ...viewQuery(view), group: undefined, beside: undefined };
  return useQuery({
    queryKey: ['standing', 'sheet', asked],
    queryFn: ({ signal }) => ask<MonthSheet>(`/standing/sheet${query(asked)}`, { signal }),
    placeholderData: (before) => before,
  });
}

export function useClaims(view: View) {
  const asked = { ...viewQuery(view), group: undefined, beside: undefined };
  return useQuery({
    queryKey: ['standing', 'claims', asked],
    queryFn: ({ signal }) => ask<Claims>(`/standing/claims${query(asked)}`, { signal }),
    placeholderData: (before) => before,
  });
}

/** A member's address and the query of its figures, narrowed to its group. */
export function targetQuery(view: View, target: Target): [string, Query] {
  const asked: Query = {
    ...(target.key === '*' ? viewQuery(view) : wholeQuery(view)),
    axis: undefined,
    group: undefined,
    beside: undefined,
  };
  if (target.group && view.group) asked[view.group] = [target.group];
  return [`/standing/${target.axis}/${encodeURIComponent(target.key)}`, asked];
}

export function usePath(view: View, target: Target, atOrAbove?: string) {
  const [address, base] = targetQuery(view, target);
  const asked = { ...base, atOrAbove };
  return useQuery({
    queryKey: ['standing', 'path', address, asked],
    queryFn: ({ signal }) => ask<Path>(`${address}/path${query(asked)}`, { signal }),
    placeholderData: (before, previous) => (previous?.queryKey[2] === address ? before : undefined),
  });
}

export function useCloseUp(view: View, target: Target) {
  const [address, asked] = targetQuery(view, target);
  return useQuery({
    queryKey: ['standing', 'close-up', address, asked],
    queryFn: ({ signal }) => ask<CloseUp>(`${address}/close-up${query(asked)}`, { signal }),
  });
}

export function useProof(view: View, target: Target, page: number, size: number) {
  const [address, base] = targetQuery(view, target);
  const asked = { ...base, page: String(page), size: String(size) };
  return useQuery({
    queryKey: ['standing', 'proof', address, asked],
    queryFn: ({ signal }) => ask<Proof>(`${address}/proof${query(asked)}`, { signal }),
    placeholderData: (before, previous) => (previous?.queryKey[2] === address ? before : undefined),
  });
}

export function useCorrections(view: View, target: Target, page: number, size: number) {
  const [address, base] = targetQuery(view, target);
  const asked = { ...base, page: String(page), size: String(size) };
  return useQuery({
    queryKey: ['standing', 'corrections', address, asked],
    queryFn: ({ signal }) => ask<Corrections>(`${address}/corrections${query(asked)}`, { signal }),
    placeholderData: (before, previous) => (previous?.queryKey[2] === address ? before : undefined),
  });
}

export function useOrders(view: View, target: Target, wish: Query) {
  const [address, base] = targetQuery(view, target);
  const asked = { ...base, ...wish };
  return useQuery({
    queryKey: ['standing', 'orders', address, asked],
    queryFn: ({ signal }) => ask<Orders>(`${address}/orders${query(asked)}`, { signal }),
    placeholderData: (before, previous) => (previous?.queryKey[2] === address ? before : undefined),
  });
}

/** Saves rules over those that were in force when the part that changes them was opened. */
export function useSaveRules() {
  const opened = useQuery({
    queryKey: ['rules', 'opened', useId()],
    queryFn: () => askTagged<object>('/rules'),
    staleTime: Infinity,
    gcTime: 0,
  });
  const tag = opened.data?.tag;
  const save = useChange(
    (rules: object) => {
      // without the state that the change is based on, somebody else's could be lost unseen
      if (!tag) return Promise.reject(new Error(t('useStanding.theRulesAreStillLoading')));
      return ask<{ proposal?: Proposal }>('/rules', asChangeOf(tag, rules));
    },
    ...CHANGED_BY.rules,
  );
  return { ...save, isReady: tag !== undefined };
}

export interface NoteToWrite {
  axis: string;
  key: string;
  month: string;
  reason: string | null;
  text: string;
  /** The text that was looked at. */
  was: string;
}

export function useWriteNote() {
  return useChange(
    ({ axis, key, month, reason, text, was }: NoteToWrite) =>
      ask(
        `/notes/${axis}/${encodeURIComponent(key)}/${month}`,
        asJson('PUT', { reason, text, was }),
      ),
    ...CHANGED_BY.notes,
  );
}
export function useSavedViews() {
  return useQuery({ queryKey: ['views'], queryFn: () => ask<SavedView[]>('/views') });
}

export function useChangeViews() {
  return useChange(
    ({ name, address }: { name: string; address: string | null }) =>
      ask(
        `/views/${encodeURIComponent(name)}`,
        address === null ? { method: 'DELETE' } : asJson('PUT', { address }),
      ),
    ...CHANGED_BY.views,
  );
}
