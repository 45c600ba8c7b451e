import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import { asJson } from '../../api/useChange';
import type {
  Briefing,
  BriefingBlock,
  BriefingListed,
  BriefingReader,
  BriefingSchedule,
  BriefingTemplate,
  Candidate,
} from '../../api/types';

/** A block as it is sent: of a new one there is no id, of a new figure there is its query. */
export interface BlockToSave {
  id: string | null;
  kind: BriefingBlock['kind'];
  part: string | null;
  text: string;
  figures: BriefingBlock['figures'];
  exhibit: BriefingBlock['exhibit'];
}

export const toSave = ({ id, kind, part, text, figures, exhibit }: BriefingBlock): BlockToSave => ({
  id,
  kind,
  part,
  text,
  figures,
  exhibit,
});

export function useBriefings() {
  return useQuery({
    queryKey: ['briefings'],
    queryFn: () => ask<BriefingListed[]>('/briefings'),
  });
}

export function useBriefing(id: number | null) {
  return useQuery({
    queryKey: ['briefings', id],
    queryFn: () => ask<Briefing>(`/briefings/${id ?? 0}`),
    enabled: id !== null,
  });
}

export function useTemplates() {
  return useQuery({
    queryKey: ['briefings', 'templates'],
    queryFn: () => ask<BriefingTemplate[]>('/briefings/templates'),
  });
}

export function useReaders() {
  return useQuery({
    queryKey: ['briefings', 'readers'],
    queryFn: () => ask<BriefingReader[]>('/briefings/readers'),
  });
}

/** Figures that a typed one may be. */
export function useCandidates(id: number, typed: string | null) {
  return useQuery({
    queryKey: ['briefings', id, 'candidates', typed],
    queryFn: () => ask<Candidate[]>(`/briefings/${id}/candidates${query({ typed: typed ?? '' })}`),
    enabled: typed !== null,
  });
}

export interface DraftOf {
  from: string;
  to: string;
  template: string | null;
  axis?: string;
  key?: string;
}

export function useDraft(onDrafted: (briefing: Briefing) => void) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (of: DraftOf) => ask<Briefing>('/briefings', asJson('POST', of)),
    onSuccess: (briefing) => {
      onDrafted(briefing);
      return client.invalidateQueries({ queryKey: ['briefings'] });
    },
  });
}

export type Step =
  | { kind: 'save'; blocks: BlockToSave[] }
  | { kind: 'take'; block: string | null }
  | { kind: 'keep'; block: string; text: string }
  | { kind: 'hand'; signer: string }
  | { kind: 'sign' }
  | { kind: 'decline'; text: string }
  | { kind: 'review'; to: string[] }
  | { kind: 'remark'; block: string; text: string }
  | { kind: 'answer'; remark: number; text: string };

/** Every step answers the page as it is then; one based on what somebody changed is refused. */
export function useStep(briefing: Briefing) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (step: Step) => {
      const [path, init] = requestOf(step);
      return ask<Briefing>(`/briefings/${briefing.id}${path}`, {
        ...init,
        headers: { 'Content-Type': 'application/json', 'If-Match': briefing.tag },
      });
    },
    onSuccess: (page) => {
      client.setQueryData(['briefings', briefing.id], page);
      void client.invalidateQueries({ queryKey: ['briefings'], exact: true });
      return client.invalidateQueries({ queryKey: ['close-list'] });
    },
  });
}

function requestOf(step: Step): [string, RequestInit] {
  switch (step.kind) {
    case 'save':
      return ['', asJson('PUT', { title: null, blocks: step.blocks })];
    case 'take':
      return [`/take${query({ block: step.block ?? undefined })}`, { method: 'POST' }];
    case 'keep':
      return ['/keep', asJson('POST', { block: step.block, text: step.text })];
    case 'hand':
      return ['/hand', asJson('POST', { signer: step.signer })];
    case 'sign':
      return ['/sign', { method: 'POST' }];
    case 'decline':
      return ['/decline', asJson('POST', { text: step.text })];
    case 'review':
      return ['/reviewers', asJson('POST', { to: step.to })];
    case 'remark':
      return ['/remarks', asJson('POST', { block: step.block, text: step.text })];
    case 'answer':
      return [`/remarks/${step.remark}`, asJson('PUT', { text: step.text })];
  }
}

/** Names of accounts, roles, and whether a PDF goes with the page. */
export interface SendTo {
  to: string[];
  roles: string[];
  asPdf: boolean;
}

export function useSend(id: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: SendTo) =>
      ask<{ queued: number }>(`/briefings/${id}/send`, asJson('POST', body)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['briefings', id] }),
  });
}

export function useSchedules() {
  return useQuery({
    queryKey: ['briefings', 'schedules'],
    queryFn: () => ask<BriefingSchedule[]>('/briefings/schedules'),
  });
}

/** Has briefings sent by themselves, or with a number ends that. */
export function useScheduling() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (of: (SendTo & { rhythm: string }) | number) =>
      typeof of === 'number'
        ? ask(`/briefings/schedules/${of}`, { method: 'DELETE' })
        : ask('/briefings/schedules', asJson('POST', of)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['briefings', 'schedules'] }),
  });
}

export function useRemove(id: number, onGone: () => void) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask(`/briefings/${id}`, { method: 'DELETE' }),
    onSuccess: () => {
      onGone();
      return client.invalidateQueries({ queryKey: ['briefings'], exact: true });
    },
  });
}

export function useKeepTemplate() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ name, parts }: { name: string; parts: string[] }) =>
      ask(`/briefings/templates/${encodeURIComponent(name)}`, asJson('PUT', { parts })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['briefings', 'templates'] }),
  });
}
