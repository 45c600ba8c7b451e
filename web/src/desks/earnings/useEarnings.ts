import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import type {
  ChangedSince,
  Job,
  OneMore,
  PayDesk,
  PayStatement,
  PayTotals,
  SealState,
  SentState,
  WhatIf,
} from '../../api/types';
import type { Query } from '../../address/useView';
import { CHANGED_BY } from '../../api/changedBy';
import { closeListOf } from '../../api/closeList';
import { asJson, useChange } from '../../api/useChange';
import { asMarked, type Kept } from './earnings';

const markedDesk = (desk: PayDesk): PayDesk => ({
  ...desk,
  rows: desk.rows.map((row) => asMarked(row, desk.isRunning)),
});

const markedStatement = (statement: PayStatement): PayStatement => ({
  ...statement,
  row: asMarked(statement.row, statement.isRunning),
});

/** What is tried instead of what is in force, as it stands in the address. */
export interface PayTrial extends Query {
  trialFactor: string | undefined;
  trialPlan: string | undefined;
  trialPace: string | undefined;
}

export const NOTHING_TRIED: PayTrial = {
  trialFactor: undefined,
  trialPlan: undefined,
  trialPace: undefined,
};

export function usePayDesk(month: string, trial = NOTHING_TRIED) {
  return useQuery({
    queryKey: ['earnings', 'desk', month, trial],
    queryFn: ({ signal }) =>
      ask<PayDesk>(`/earnings/desk${query({ month, ...trial })}`, { signal }),
    select: markedDesk,
    placeholderData: (before) => before,
  });
}

/** Sums of the rows that are kept, or of some reps; the server adds them up. */
export function usePayTotals(
  month: string,
  of: Kept | { rep: string[] },
  trial: PayTrial,
  isAsked = true,
) {
  const asked = { month, ...of, ...trial };
  return useQuery({
    queryKey: ['earnings', 'totals', asked],
    queryFn: ({ signal }) => ask<PayTotals>(`/earnings/totals${query(asked)}`, { signal }),
    placeholderData: (before) => before,
    enabled: isAsked,
  });
}

export function useStatement(rep: string, month: string, page: number, trial: PayTrial) {
  return useQuery({
    queryKey: ['earnings', 'statement', rep, month, page, trial],
    queryFn: () =>
      ask<PayStatement>(
        `/earnings/reps/${encodeURIComponent(rep)}${query({ month, page: String(page), ...trial })}`,
      ),
    select: markedStatement,
    placeholderData: (before, last) => (last?.queryKey[2] === rep ? before : undefined),
  });
}

export function useWhatIf(rep: string, month: string, sales: string) {
  return useQuery({
    queryKey: ['earnings', 'what-if', rep, month, sales],
    queryFn: () =>
      ask<WhatIf>(`/earnings/reps/${encodeURIComponent(rep)}/what-if${query({ month, sales })}`),
    enabled: sales !== '',
    retry: false,
    placeholderData: (before, last) => (last?.queryKey[2] === rep ? before : undefined),
  });
}

export function useOneMore(month: string) {
  return useQuery({
    queryKey: ['earnings', 'one-more', month],
    queryFn: ({ signal }) =>
      ask<OneMore[]>(`/earnings/one-more-order${query({ month })}`, { signal }),
  });
}

export function useSeal(month: string) {
  return useQuery({
    queryKey: ['seal', month],
    queryFn: ({ signal }) => ask<SealState>(`/months/${month}/seal`, { signal }),
  });
}

/** Reopens a closed month. */
export function useReopening() {
  return useChange(
    ({ month, reason }: { month: string; reason: string }) =>
      ask<SealState>(`/months/${month}/unseal${query({ reason })}`, { method: 'POST' }),
    ...CHANGED_BY.months,
  );
}

/** Waives what is still open, one line after the other, then closes the month. */
export function useSealing() {
  return useChange(
    async ({ month, waived, reason }: Closing) => {
      for (const line of waived) {
        await ask(`${closeListOf(month)}/${line}/waiver`, asJson('PUT', { reason }));
      }
      return ask<SealState>(`/months/${month}/seal?requireChecked=true`, { method: 'POST' });
    },
    ...CHANGED_BY.months,
  );
}

interface Closing {
  month: string;
  /** Codes of the lines that are waived, all for one reason. */
  waived: string[];
  reason: string;
}

export function useSent(month: string) {
  return useQuery({
    queryKey: ['earnings', 'sent', month],
    queryFn: ({ signal }) => ask<SentState>(`/earnings/sent${query({ month })}`, { signal }),
  });
}

/** Begins a job and follows it until it ends. */
export function useJob(month: string) {
  const client = useQueryClient();
  const start = useMutation({
    mutationFn: ({ kind, again }: { kind: 'pdf' | 'send'; again?: string[] }) =>
      ask<Job>(`/earnings/jobs/${kind}${query({ month, again })}`, { method: 'POST' }),
  });
  const id = start.data?.id;
  const job = useQuery({
    queryKey: ['job', id],
    queryFn: async () => {
      const now = await ask<Job>(`/earnings/jobs/${id}`);
      if (now.state !== 'running') {
        await client.invalidateQueries({ queryKey: ['earnings', 'sent'] });
      }
      return now;
    },
    enabled: id !== undefined,
    refetchInterval: (asked) => (asked.state.data?.state === 'running' ? 400 : false),
  });
  return { start, job: job.data ?? start.data };
}

export function useChanged(month: string, isAsked: boolean) {
  return useQuery({
    queryKey: ['seal', 'changed', month],
    queryFn: ({ signal }) => ask<ChangedSince>(`/months/${month}/changed`, { signal }),
    enabled: isAsked,
  });
}
