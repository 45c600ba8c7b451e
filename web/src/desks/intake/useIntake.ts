import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import type { Load } from '../../api/types';
import { formOf, type Draft } from './intake';

export function useLoads() {
  return useQuery({ queryKey: ['loads'], queryFn: () => ask<Load[]>('/loads') });
}

export function useLoad(id: number | null) {
  return useQuery({
    queryKey: ['loads', id],
    queryFn: () => ask<Load>(`/loads/${id ?? 0}`),
    enabled: id !== null,
  });
}

/** Staging shows in the tray only; posting and reversing change every figure. */
export function useStage(onStaged: (load: Load) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ file, draft }: { file: File; draft: Draft }) =>
      ask<Load>('/loads', { method: 'POST', body: formOf(file, draft) }),
    onSuccess: async (load) => {
      await queries.invalidateQueries({ queryKey: ['loads'] });
      await queries.invalidateQueries({ queryKey: ['company'] });
      onStaged(load);
    },
  });
}

export type Step = { kind: 'post'; because: string } | { kind: 'reverse' } | { kind: 'discard' };

export function useStep(id: number, onDiscarded: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (step: Step) => {
      if (step.kind === 'discard') return ask<undefined>(`/loads/${id}`, { method: 'DELETE' });
      const asked = step.kind === 'post' ? { held: 'leave', because: step.because } : {};
      return ask<Load>(`/loads/${id}/${step.kind}${query(asked)}`, { method: 'POST' });
    },
    onSuccess: async (_, step) => {
      if (step.kind === 'discard') {
        onDiscarded();
        queries.removeQueries({ queryKey: ['loads', id] });
        await queries.invalidateQueries({ queryKey: ['loads'] });
      } else {
        await queries.invalidateQueries();
      }
    },
  });
}
