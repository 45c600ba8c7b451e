import { useEffect } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { ask, askTagged, query } from '../../api/client';
import type {
  AcceptedName,
  AssignmentPart,
  AuditEntry,
  Decides,
  Holiday,
  MeasureRule,
  WritingRules,
  CreditPart,
  PayRow,
  PlanPart,
  PlanTrial,
  ProposalLine,
  RecordState,
  Rules,
  SavedRules,
  StretchesRule,
} from '../../api/types';
import { CHANGED_BY } from '../../api/changedBy';
import { asChangeOf, asJson, useChange } from '../../api/useChange';

/** A plan's version that goes, by its name and first month. */
export interface RemovedPlan {
  name: string;
  since: string | null;
  remove: true;
}

export interface RulesToSave {
  /** Null takes a setting back. */
  company?: { name: string; timeZone: string | null; writing: WritingRules };
  calendar?: { startMonth: number; yearNamedBy: string; holidays: string[] };
  measures?: MeasureRule[];
  plans?: (PlanPart | RemovedPlan)[];
  assignments?: AssignmentPart[];
  /** Thresholds put in force, or taken back. */
  ladders?: (object | { measure: string; goalSet?: string; axis?: string; remove: true })[];
  /** Limits in whole units, or "auto". */
  shading?: Rules['shading'];
  /** Put in force, or taken back. */
  stages?: Rules['stages'];
  closing?: Rules['closing'];
  stretches?: (
    StretchesRule | { measure: string; goalSet?: string; axis?: string; remove: true }
  )[];
  credits?: CreditPart[];
  approval?: Rules['approval'];
}

export function useRules() {
  return useQuery({ queryKey: ['rules'], queryFn: () => askTagged<Rules>('/rules') });
}

/** Saves over the rules that the editor began with; what is refused takes the focus to its field. */
export function useSaveRules(tag: string) {
  const save = useChange(
    (rules: RulesToSave) => askTagged<SavedRules>('/rules', asChangeOf(tag, rules)),
    ...CHANGED_BY.rules,
    'trial',
  );
  const { isError } = save;
  useEffect(() => {
    if (isError) document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [isError]);
  return save;
}

/** A rules file with what it would change; nothing is changed. */
export function useRulesFile() {
  return useMutation({
    mutationFn: async (file: File) => {
      const rules = JSON.parse(await file.text()) as RulesToSave;
      return { rules, changes: await ask<ProposalLine[]>('/rules/changes', asJson('POST', rules)) };
    },
  });
}

/** Which thresholds decide about a row. */
export function useDecides(asked: Record<string, string> | null) {
  return useQuery({
    queryKey: ['rules', 'decides', asked],
    queryFn: () => ask<Decides>(`/rules/decides${query(asked ?? {})}`),
    enabled: asked !== null,
    placeholderData: (before) => before,
  });
}

/** The whole days of an iCalendar file; nothing is stored. */
export function useHolidayFile() {
  return useMutation({
    mutationFn: async (file: File) =>
      ask<Holiday[]>('/rules/holidays', asJson('POST', { calendar: await file.text() })),
  });
}

/**
 * The tag to save a part over: the newest where the part is as the editor began with it, as other
 * parts beside it may have been saved meanwhile; else the editor's own, so that a change is seen.
 */
export function tagOf(
  begun: Rules & { tag: string },
  now: Rules & { tag: string },
  part: 'company' | 'calendar' | 'measures' | 'approval' | 'closing',
): string {
  return JSON.stringify(begun[part]) === JSON.stringify(now[part]) ? now.tag : begun.tag;
}

export function usePeople(month: string) {
  return useQuery({
    queryKey: ['earnings', 'people', month],
    queryFn: () => ask<PayRow[]>(`/earnings${query({ month })}`),
  });
}

/** What rules would have paid, beside what is in force or a stored version of a plan. */
export function useTrial(rules: RulesToSave | null, month: string, months = 3, beside?: PlanPart) {
  const other = { beside: beside?.name, besideSince: beside?.since ?? undefined };
  return useQuery({
    queryKey: ['trial', month, months, other, rules],
    queryFn: () =>
      ask<PlanTrial>(
        `/earnings/trial${query({ month, months: String(months), ...other })}`,
        asJson('POST', rules),
      ),
    enabled: rules !== null,
    retry: false,
    placeholderData: (before) => before,
  });
}

/** Looked at anew each time, as the server does. */
export function useRecord() {
  return useQuery({
    queryKey: ['record'],
    staleTime: 0,
    queryFn: () => ask<RecordState>('/record'),
  });
}

export function useNames() {
  return useQuery({ queryKey: ['names'], queryFn: () => ask<AcceptedName[]>('/names') });
}

export function useRevokeName() {
  return useChange(
    ({ axis, text }: AcceptedName) =>
      ask<AcceptedName[]>(`/names${query({ axis, text })}`, { method: 'DELETE' }),
    'names',
    'audit',
  );
}

export function useAudit(text: string, page: number) {
  return useQuery({
    queryKey: ['audit', text, page],
    // others change things too: the log is never shown from memory
    staleTime: 0,
    queryFn: () => ask<AuditEntry[]>(`/audit${query({ text, page: String(page) })}`),
    placeholderData: (before) => before,
  });
}
