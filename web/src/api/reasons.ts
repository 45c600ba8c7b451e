import { useQuery } from '@tanstack/react-query';
import { CHANGED_BY } from './changedBy';
import { ask } from './client';
import type { Reason } from './types';
import { asJson, useChange } from './useChange';

/** The reasons that a note on a variance can give. */
export function useReasons() {
  return useQuery({ queryKey: ['reasons'], queryFn: () => ask<Reason[]>('/reasons') });
}

/** Puts a list of reasons in the place of the one there is. */
export function useSaveReasons() {
  return useChange(
    (reasons: { code?: string; name: string }[]) => ask('/reasons', asJson('PUT', reasons)),
    ...CHANGED_BY.reasons,
  );
}
