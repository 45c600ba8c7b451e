import { useQuery } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import type {
  ChangedSince,
  OneMore,
  PayDesk,
  PayStatement,
  SealState,
  WhatIf,
} from '../../api/types';
import { useChange } from '../../api/useChange';

const EVERYTHING = ['earnings', 'seal', 'standing', 'months', 'company'];

export function usePayDesk(month: string) {
  return useQuery({
    queryKey: ['earnings', 'desk', month],
    queryFn: () => ask<PayDesk>(`/earnings/desk${query({ month })}`),
    placeholderData: (before) => before,
  });
}

export function useStatement(rep: string, month: string, page: number) {
  return useQuery({
    queryKey: ['earnings', 'statement', rep, month, page],
    queryFn: () =>
      ask<PayStatement>(
        `/earnings/${encodeURIComponent(rep)}${query({ month, page: String(page) })}`,
      ),
    placeholderData: (before, last) => (last?.queryKey[2] === rep ? before : undefined),
  });
}

export function useWhatIf(rep: string, month: string, sales: string) {
  return useQuery({
    queryKey: ['earnings', 'what-if', rep, month, sales],
    queryFn: () =>
      ask<WhatIf>(`/earnings/${encodeURIComponent(rep)}/what-if${query({ month, sales })}`),
    enabled: sales !== '',
    retry: false,
    placeholderData: (before, last) => (last?.queryKey[2] === rep ? before : undefined),
  });
}

export function useOneMore(month: string) {
  return useQuery({
    queryKey: ['earnings', 'one-more', month],
    queryFn: () => ask<OneMore[]>(`/earnings/one-more-order${query({ month })}`),
  });
}

export function useSeal(month: string) {
  return useQuery({
    queryKey: ['seal', month],
    queryFn: () => ask<SealState>(`/months/${month}/seal`),
  });
}

export function useSealing() {
  return useChange(
    ({ month, reason }: { month: string; reason?: string }) =>
      ask<SealState>(
        reason === undefined
          ? `/months/${month}/seal`
          : `/months/${month}/unseal${query({ reason })}`,
        { method: 'POST' },
      ),
    ...EVERYTHING,
  );
}

export function useChanged(month: string, isAsked: boolean) {
  return useQuery({
    queryKey: ['seal', 'changed', month],
    queryFn: () => ask<ChangedSince>(`/months/${month}/changed`),
    enabled: isAsked,
  });
}
