import {
  keepPreviousData,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ask, query } from '../../api/client';
import { asJson } from '../../api/useChange';
import type {
  PullSource,
  AxisWord,
  Changes,
  Checks,
  Load,
  LoadKind,
  PostMode,
  Progress,
  Proposal,
  Sheet,
  SheetColumn,
} from '../../api/types';

/** Lines that are fetched at once. */
export const PAGE = 200;

export function useLoads() {
  return useQuery({
    queryKey: ['loads'],
    queryFn: () => ask<Load[]>('/loads'),
    refetchInterval: (loads) => (loads.state.data?.some((load) => load.progress) ? 1_500 : false),
  });
}

export function useLoad(id: number | null) {
  return useQuery({
    queryKey: ['loads', id],
    queryFn: () => ask<Load>(`/loads/${id ?? 0}`),
    enabled: id !== null,
  });
}

/** The head of a load's sheet and its first lines. */
export function useSheet(load: Load) {
  return useQuery({
    queryKey: ['loads', load.id, 'sheet', 0],
    queryFn: () =>
      ask<Sheet>(`/loads/${load.id}/sheet${query({ from: '0', count: String(PAGE) })}`),
    enabled: load.state !== 'reading',
    retry: false,
  });
}

/** The pages of a sheet that are in view. */
export function useSheetPages(id: number, pages: number[]) {
  return useQueries({
    queries: pages.map((page) => ({
      queryKey: ['loads', id, 'sheet', page],
      queryFn: () =>
        ask<Sheet>(
          `/loads/${id}/sheet${query({ from: String(page * PAGE), count: String(PAGE) })}`,
        ),
      placeholderData: keepPreviousData,
      staleTime: 60_000,
    })),
  });
}

/** Where in the sheet a line of the file stands, counted from 0. */
export async function placeOf(id: number, line: number): Promise<number> {
  const sheet = await ask<Sheet>(`/loads/${id}/sheet${query({ line: String(line), count: '1' })}`);
  return sheet.from;
}

export function useChecks(load: Load) {
  return useQuery({
    queryKey: ['loads', load.id, 'checks'],
    queryFn: () => ask<Checks>(`/loads/${load.id}/checks`),
    enabled: load.state !== 'reading' && load.state !== 'received',
  });
}

export function useChanges(load: Load, mode: PostMode | null, axis: AxisWord) {
  return useQuery({
    queryKey: ['loads', load.id, 'changes', mode, axis],
    queryFn: () =>
      ask<Changes>(`/loads/${load.id}/changes${query({ mode: mode ?? undefined, axis })}`),
    enabled:
      load.state === 'staged' && load.ready > 0 && load.progress === null && load.kind !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Systems that a month can be pulled from. */
export function useSources() {
  return useQuery({ queryKey: ['sources'], queryFn: () => ask<PullSource[]>('/sources') });
}

/** Takes a file in; what it is can be said afterwards. */
export function useReceive(onReceived: (load: Load) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (file: File) => {
      const form = new FormData();
      form.set('file', file, file.name);
      return ask<Load>('/loads/receive', { method: 'POST', body: form });
    },
    onSuccess: async (load) => {
      await queries.invalidateQueries({ queryKey: ['loads'] });
      await queries.invalidateQueries({ queryKey: ['company'] });
      onReceived(load);
    },
  });
}

export function usePull(onPulled: (load: Load, isUnchanged: boolean) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (asked: { source: string; month?: string; day?: string }) =>
      ask<{ unchanged: boolean; load: Load }>('/pulls', asJson('POST', asked)),
    onSuccess: async ({ load, unchanged }) => {
      await queries.invalidateQueries({ queryKey: ['loads'] });
      onPulled(load, unchanged);
    },
  });
}

/** Everything that can be said of a staged load; each is checked again at once. */
export type Saying =
  | {
      kind: 'reading';
      told: {
        kind?: LoadKind;
        goalSet?: string;
        axis?: AxisWord | '';
        measure?: string;
        fiscalYear?: number;
        sheet?: string;
        columns?: Record<string, ColumnSaying>;
        asOf?: string;
        source?: string;
      };
    }
  | { kind: 'control'; totals: Record<string, string>; trailer: boolean }
  | { kind: 'control-file'; file: File }
  | {
      kind: 'fix';
      decision: {
        action: 'rewrite' | 'leave' | 'count' | 'accept';
        lines?: number[];
        code?: string;
        column?: number;
        from?: string;
        value?: string;
      };
    }
  | { kind: 'take-back'; line?: number }
  | { kind: 'names'; names: { axis: AxisWord; text: string; member: string }[] }
  | { kind: 'members'; made: NewMember[] }
  | { kind: 'read' };

/** A rep or product that a file names and nobody knows. */
export interface NewMember {
  axis: AxisWord;
  key: string;
  name?: string;
  region?: string;
  manager?: string;
  line?: string;
  fromMonth?: string;
}

export interface ColumnSaying {
  column?: string;
  decimals?: SheetColumn['decimals'];
  dates?: SheetColumn['dates'];
  power?: number;
  flip?: boolean;
}

export function useSay(id: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (saying: Saying) => say(id, saying),
    onSettled: () => queries.invalidateQueries({ queryKey: ['loads'] }),
  });
}

function say(id: number, saying: Saying): Promise<Load> {
  const at = `/loads/${id}`;
  switch (saying.kind) {
    case 'reading':
      return ask<Load>(`${at}/reading`, asJson('PUT', saying.told));
    case 'control':
      return ask<Load>(
        `${at}/control`,
        asJson('PUT', { totals: saying.totals, trailer: saying.trailer }),
      );
    case 'control-file': {
      const form = new FormData();
      form.set('file', saying.file, saying.file.name);
      return ask<Load>(`${at}/control`, { method: 'POST', body: form });
    }
    case 'fix':
      return ask<Load>(`${at}/fixes`, asJson('POST', saying.decision));
    case 'take-back':
      return ask<Load>(
        `${at}/fixes${query({ line: saying.line === undefined ? undefined : String(saying.line) })}`,
        { method: 'DELETE' },
      );
    case 'names':
      return ask<Load>(`${at}/names`, asJson('POST', saying.names));
    case 'members':
      return ask<Load>(`${at}/members`, asJson('POST', saying.made));
    case 'read':
      return ask<Load>(`${at}/read`, { method: 'POST' });
  }
}

export type Step =
  | { kind: 'post'; because: string; mode: PostMode; isCorrecting: boolean }
  | { kind: 'reverse'; isCorrecting: boolean }
  | { kind: 'discard' }
  | { kind: 'cancel' }
  | { kind: 'remainder' };

/** Steps of a load as a whole; posting and reversing change every figure. */
export function useStep(id: number, onGone: () => void, onOpen: (id: number) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (step: Step) => {
      if (step.kind === 'discard') return ask<undefined>(`/loads/${id}`, { method: 'DELETE' });
      const asked =
        step.kind === 'post' ? { held: 'leave', because: step.because, mode: step.mode } : {};
      const sealed =
        'isCorrecting' in step ? (step.isCorrecting ? 'correct' : 'refuse') : undefined;
      return ask<Load & { proposal?: Proposal }>(
        `/loads/${id}/${step.kind}${query({ ...asked, sealed })}`,
        {
          method: 'POST',
        },
      );
    },
    onSuccess: async (load, step) => {
      if (step.kind === 'discard') {
        onGone();
        queries.removeQueries({ queryKey: ['loads', id] });
        await queries.invalidateQueries({ queryKey: ['loads'] });
      } else {
        await queries.invalidateQueries();
        if (step.kind === 'remainder' && load) onOpen(load.id);
      }
    },
  });
}

/** Milliseconds between questions where no stream comes through. */
const ASK_EVERY = 2000;

/**
 * Follows long work by server-sent events; asks for the load anew when it is done. While the stream
 * is lost, the load is asked for every now and then, and that is said.
 */
export function useProgress(load: Load): (Progress & { isPolled: boolean }) | null {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [isPolled, setPolled] = useState(false);
  const queries = useQueryClient();
  const isRunning = load.progress !== null;
  useEffect(() => {
    if (!isRunning) return;
    const askAnew = () => void queries.invalidateQueries({ queryKey: ['loads'] });
    if (typeof EventSource === 'undefined') {
      const asking = setInterval(askAnew, ASK_EVERY);
      return () => clearInterval(asking);
    }
    const events = new EventSource(`/api/v1/loads/${load.id}/progress`);
    let asking: ReturnType<typeof setInterval> | undefined;
    // a proxy may cut or refuse the stream: until it speaks again, the load is asked for
    events.addEventListener('error', () => {
      asking ??= setInterval(askAnew, ASK_EVERY);
      setProgress(null);
      setPolled(true);
    });
    events.addEventListener('progress', (event) => {
      clearInterval(asking);
      asking = undefined;
      setPolled(false);
      setProgress(JSON.parse((event as MessageEvent<string>).data) as Progress);
    });
    events.addEventListener('done', () => {
      events.close();
      clearInterval(asking);
      setProgress(null);
      askAnew();
    });
    return () => {
      events.close();
      clearInterval(asking);
    };
  }, [isRunning, load.id, queries]);
  const now = progress ?? load.progress;
  return isRunning && now ? { ...now, isPolled } : null;
}
