import { useQuery } from '@tanstack/react-query';
import { ask } from '../../api/client';
import { CHANGED_BY } from '../../api/changedBy';
import type { Proposal } from '../../api/types';
import { asJson, useChange } from '../../api/useChange';

/** Those that wait, then those decided last; others change them too. */
export function useProposals() {
  return useQuery({
    queryKey: ['proposals'],
    staleTime: 0,
    queryFn: () => ask<Proposal[]>('/proposals'),
  });
}

/** One with what would come of it. */
export function useProposal(id: number) {
  return useQuery({
    queryKey: ['proposals', id],
    staleTime: 0,
    queryFn: () => ask<Proposal>(`/proposals/${id}`),
  });
}

export type Decision =
  { kind: 'accept' } | { kind: 'decline'; because: string } | { kind: 'withdraw' };

export function useDecide(id: number) {
  return useChange(
    (decision: Decision) =>
      decision.kind === 'withdraw'
        ? ask<Proposal>(`/proposals/${id}`, { method: 'DELETE' })
        : ask<Proposal>(
            `/proposals/${id}/${decision.kind}`,
            asJson('POST', decision.kind === 'decline' ? { because: decision.because } : {}),
          ),
    ...CHANGED_BY.proposals,
  );
}
