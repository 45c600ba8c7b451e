import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ask, query } from '../../api/client';
import { CHANGED_BY } from '../../api/changedBy';
import type {
  GoalApplied,
  GoalCell,
  GoalDesk,
  GoalHanded,
  GoalPast,
  GoalPercents,
  GoalSum,
  GoalsCompared,
} from '../../api/types';
import { asJson, useChange } from '../../api/useChange';
import { endsOf } from './texts';

/** Numbers of the drafts that a person can have of the same goals. */
export const SLOTS = [1, 2, 3];

/** Which sheet is meant. */
export interface Asked {
  goalSet: string;
  /** Of a set that is new; a known one has its own. */
  axis: string | undefined;
  measure: string;
  year: number;
  plan: string | undefined;
  /** Which of the person's drafts, from 1. */
  slot: number;
}

export interface LevelsAsked {
  direction: 'down' | 'up' | 'copy';
  from: string;
  through?: string;
  kind?: string;
  step?: string;
  fromYear?: number;
  factor?: string;
  locked: { key: string; month: string }[];
}

export interface TakeoverAsked {
  kind: 'leaves' | 'joins';
  key: string;
  from: string;
  by: string;
  others?: string[];
  over?: string;
  goal?: string;
  ramp?: string[];
  step?: string;
}

export interface SpreadAsked {
  kind: string;
  whole?: string;
  /** Of ranges the upper ends together; `whole` is the lower ones. */
  high?: string;
  factor?: string;
  step?: string;
  parts: { key: string; month: string; weight?: string; locked?: boolean }[];
}

const path = ({ goalSet }: Asked) => `/goals/${encodeURIComponent(goalSet)}`;

/** Which draft a change is of. */
const ofDraft = ({ slot }: Asked) => (slot === 1 ? '' : `?draft=${slot}`);

const rest = ({ axis, measure, year, plan }: Asked) => ({ axis, measure, year, plan });

const asked = (which: Asked) =>
  query({
    ...rest(which),
    year: String(which.year),
    draft: which.slot === 1 ? undefined : String(which.slot),
  });

/** Where the sheet can be downloaded. */
export const fileOf = (which: Asked, ending: 'csv' | 'xlsx') =>
  `/api/v1${path(which)}/sheet.${ending}${asked(which)}`;

const keyOf = (which: Asked) => ['goals', which] as const;

export function useGoalDesk(which: Asked | null) {
  return useQuery({
    queryKey: ['goals', which],
    queryFn: ({ signal }) =>
      ask<GoalDesk>(`${path(which as Asked)}/desk${asked(which as Asked)}`, { signal }),
    enabled: which !== null,
    placeholderData: (before) => before,
  });
}

/** Cells together; asked anew whenever the draft changes. */
export function useGoalSum(which: Asked, parts: { key: string; month: string }[], version: number) {
  return useQuery({
    queryKey: ['goals', 'sum', which, parts, version],
    queryFn: () =>
      ask<GoalSum>(
        `${path(which)}/draft/sum${ofDraft(which)}`,
        asJson('POST', { ...rest(which), parts }),
      ),
    enabled: parts.length > 0,
    placeholderData: (before) => before,
  });
}

/** Percentages in the place of the goals; null until they are there, or where goals are shown. */
export function useGoalPercents(which: Asked, show: string | null, version: number) {
  return useQuery({
    queryKey: ['goals', 'percents', which, show, version],
    queryFn: () =>
      ask<GoalPercents>(
        `${path(which)}/desk/percents${query({
          axis: which.axis,
          measure: which.measure,
          year: String(which.year),
          draft: which.slot === 1 ? undefined : String(which.slot),
          show: show as string,
        })}`,
      ),
    enabled: show !== null,
    placeholderData: (before) => before,
  });
}

/** What posted loads said about one goal, the latest first. */
export function useGoalPast(which: Asked, key: string, month: string) {
  const { axis, measure } = which;
  return useQuery({
    queryKey: ['goals', 'past', which.goalSet, measure, key, month],
    queryFn: ({ signal }) =>
      ask<GoalPast[]>(`${path(which)}/history${query({ axis, measure, key, month })}`, { signal }),
  });
}

/** The draft beside others, other sets and years, and actuals. */
export function useCompared(which: Asked, others: string[], version: number) {
  return useQuery({
    queryKey: ['goals', 'compared', which, others, version],
    queryFn: () =>
      ask<GoalsCompared>(
        `${path(which)}/compared${query({
          axis: which.axis,
          measure: which.measure,
          year: String(which.year),
          draft: String(which.slot),
          with: others,
        })}`,
      ),
    placeholderData: (before) => before,
  });
}

/** Renames a goal set, or takes it out of what is offered. */
export function useSetChange(goalSet: string) {
  return useChange(
    (body: { name?: string; isRetired?: boolean }) =>
      ask<{ name: string }>(`/goals/${encodeURIComponent(goalSet)}/set`, asJson('PUT', body)),
    ...CHANGED_BY.goals,
  );
}

/** What a change put in the place of what. */
interface Step {
  cells: GoalCell[];
}

/**
 * The draft of a sheet: changed one step after the other, each of which can be undone. The answer of
 * every change is the sheet as it is then; cells show what was typed until it is there.
 */
export function useDraft(which: Asked) {
  const client = useQueryClient();
  const [version, setVersion] = useState(0);
  const undone = useRef<Step[]>([]);
  const redone = useRef<Step[]>([]);
  const [depth, setDepth] = useState({ undo: 0, redo: 0 });
  const scope = { id: 'goal-draft' };
  const told = () => setDepth({ undo: undone.current.length, redo: redone.current.length });
  const put = (desk: GoalDesk) => {
    client.setQueryData(keyOf(which), desk);
    setVersion((before) => before + 1);
    told();
  };
  /** Keeps as one step what an answer changed. */
  const keepStep = (desk: GoalDesk) => {
    const before = client.getQueryData<GoalDesk>(keyOf(which));
    if (before) {
      undone.current.push({ cells: differing(before, desk) });
      redone.current = [];
    }
  };
  const change = useMutation({
    scope,
    mutationFn: ({ cells }: Step & { into: 'undo' | 'redo' | 'both' }) =>
      ask<GoalDesk>(
        `${path(which)}/draft${ofDraft(which)}`,
        asJson('PUT', { ...rest(which), cells }),
      ),
    onMutate: ({ cells, into }) => {
      const before = client.getQueryData<GoalDesk>(keyOf(which));
      if (before) {
        const former = { cells: formerOf(before, cells) };
        if (into === 'redo') redone.current.push(former);
        else undone.current.push(former);
        if (into === 'both') redone.current = [];
        client.setQueryData(keyOf(which), typedInto(before, cells));
      }
      return before;
    },
    onError: (_error, { into }, before) => {
      if (into === 'redo') redone.current.pop();
      else undone.current.pop();
      if (before) client.setQueryData(keyOf(which), before);
    },
    onSuccess: put,
  });
  const spread = useMutation({
    scope,
    mutationFn: (body: SpreadAsked) =>
      ask<GoalDesk>(
        `${path(which)}/draft/spread${ofDraft(which)}`,
        asJson('POST', { ...rest(which), ...body }),
      ),
    onSuccess: (desk, body) => {
      const before = client.getQueryData<GoalDesk>(keyOf(which));
      if (before) {
        const open = body.parts.filter((part) => !part.locked);
        undone.current.push({ cells: formerOf(before, open) });
        redone.current = [];
      }
      put(desk);
    },
  });
  const levels = useMutation({
    scope,
    mutationFn: (body: LevelsAsked) =>
      ask<GoalDesk>(
        `${path(which)}/draft/levels${ofDraft(which)}`,
        asJson('POST', { ...rest(which), ...body }),
      ),
    onSuccess: (desk) => {
      keepStep(desk);
      put(desk);
    },
  });
  const takeover = useMutation({
    scope,
    mutationFn: (body: TakeoverAsked) =>
      ask<GoalDesk>(
        `${path(which)}/draft/takeover${ofDraft(which)}`,
        asJson('POST', { ...rest(which), ...body }),
      ),
    onSuccess: (desk) => {
      keepStep(desk);
      put(desk);
    },
  });
  const file = useMutation({
    scope,
    mutationFn: (chosen: File) => {
      const body = new FormData();
      body.append('file', chosen);
      return ask<GoalDesk>(`${path(which)}/draft/file${asked(which)}`, { method: 'POST', body });
    },
    onSuccess: (desk) => {
      keepStep(desk);
      put(desk);
    },
  });
  const forgetSteps = () => {
    undone.current = [];
    redone.current = [];
  };
  const apply = useMutation({
    scope,
    mutationFn: () =>
      ask<GoalApplied>(`${path(which)}/draft/apply${ofDraft(which)}`, asJson('POST', rest(which))),
    onSuccess: ({ desk }) => {
      forgetSteps();
      put(desk);
      void client.invalidateQueries({ queryKey: ['goals', 'past'] });
      CHANGED_BY.goals
        .filter((word) => word !== 'goals')
        .forEach((word) => void client.invalidateQueries({ queryKey: [word] }));
    },
  });
  const discard = useMutation({
    scope,
    mutationFn: () => ask<GoalDesk>(`${path(which)}/draft${asked(which)}`, { method: 'DELETE' }),
    onSuccess: (desk) => {
      forgetSteps();
      put(desk);
    },
  });
  const hand = useMutation({
    scope,
    mutationFn: (to: string) =>
      ask<GoalHanded>(
        `${path(which)}/draft/hand${ofDraft(which)}`,
        asJson('POST', { ...rest(which), to }),
      ),
    onSuccess: ({ desk }) => {
      forgetSteps();
      put(desk);
    },
  });
  const reset = () => {
    hand.reset();
    change.reset();
    spread.reset();
    levels.reset();
    takeover.reset();
    file.reset();
    apply.reset();
    discard.reset();
  };
  return {
    version,
    error:
      change.error ??
      spread.error ??
      levels.error ??
      takeover.error ??
      file.error ??
      apply.error ??
      discard.error ??
      hand.error,
    isBusy:
      change.isPending ||
      spread.isPending ||
      levels.isPending ||
      takeover.isPending ||
      file.isPending ||
      apply.isPending ||
      discard.isPending ||
      hand.isPending,
    handedTo: hand.isSuccess ? hand.data.to : null,
    hand: (to: string) => {
      reset();
      hand.mutate(to);
    },
    applied: apply.isSuccess ? (apply.data.load ?? null) : null,
    proposed: apply.isSuccess ? (apply.data.proposal ?? null) : null,
    canUndo: depth.undo > 0,
    canRedo: depth.redo > 0,
    change: (cells: GoalCell[]) => {
      reset();
      if (cells.length > 0) change.mutate({ cells, into: 'both' });
    },
    undo: () => {
      const step = undone.current.pop();
      reset();
      if (step) change.mutate({ ...step, into: 'redo' });
    },
    redo: () => {
      const step = redone.current.pop();
      reset();
      if (step) change.mutate({ ...step, into: 'undo' });
    },
    spread: (body: SpreadAsked) => {
      reset();
      spread.mutate(body);
    },
    levels: (body: LevelsAsked) => {
      reset();
      levels.mutate(body);
    },
    takeover: (body: TakeoverAsked) => {
      reset();
      takeover.mutate(body);
    },
    file: (chosen: File) => {
      reset();
      file.mutate(chosen);
    },
    apply: () => {
      reset();
      apply.mutate();
    },
    discard: () => {
      reset();
      discard.mutate();
    },
  };
}

export type Draft = ReturnType<typeof useDraft>;

/** What stands where cells are about to change. */
function formerOf(desk: GoalDesk, cells: { key: string; month: string }[]): GoalCell[] {
  const rows = new Map(desk.rows.map((row) => [row.key, row]));
  const places = new Map(desk.months.map(({ month }, at) => [month, at]));
  return cells.map(({ key, month }) => {
    const text = rows.get(key)?.cells[places.get(month) ?? -1] ?? null;
    const ends = text === null ? null : endsOf(text);
    return ends
      ? { key, month, amount: null, low: ends[0], high: ends[1] }
      : { key, month, amount: text, low: null, high: null };
  });
}

/** The cells in which two states of a sheet differ, as the first has them. */
function differing(before: GoalDesk, after: GoalDesk): GoalCell[] {
  const rows = new Map(after.rows.map((row) => [row.key, row]));
  return formerOf(
    before,
    before.rows.flatMap((row) =>
      before.months.flatMap(({ month }, at) =>
        row.cells[at] === rows.get(row.key)?.cells[at] ? [] : [{ key: row.key, month }],
      ),
    ),
  );
}

/** The sheet with what was typed in its cells; its sums are the former ones until it is answered. */
function typedInto(desk: GoalDesk, cells: GoalCell[]): GoalDesk {
  const places = new Map(desk.months.map(({ month }, at) => [month, at]));
  const byKey = new Map<string, GoalCell[]>();
  for (const cell of cells) byKey.set(cell.key, [...(byKey.get(cell.key) ?? []), cell]);
  return {
    ...desk,
    rows: desk.rows.map((row) => {
      const changed = byKey.get(row.key);
      if (!changed) return row;
      const texts = [...row.cells];
      for (const cell of changed) {
        texts[places.get(cell.month) ?? -1] =
          cell.low === null ? cell.amount : `${cell.low} \u2013 ${cell.high ?? ''}`;
      }
      return { ...row, cells: texts };
    }),
  };
}
