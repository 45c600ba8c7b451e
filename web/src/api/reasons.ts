import { useQuery } from '@tanstack/react-query';
import { CHANGED_BY } from './changedBy';
import { ask } from './client';
import type { Reason } from './types';
import { asJson, useChange } from './useChange';
export function useReasons() {
  return useQuery({ queryKey: ['reasons'], queryFn: () => ask<Reason[]>('/reasons') });
}

export function useSaveReasons() {
  return useChange(
    (reasons: { code?: string; name: string }[]) => ask('/reasons', asJson('PUT', reasons)),
    ...CHANGED_BY.reasons,
  );
}
