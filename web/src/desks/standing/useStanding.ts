import { useQuery } from '@tanstack/react-query';
import { ask, query } from '../../api/client';
import type { Path, Proof, Standing } from '../../api/types';
import { viewQuery, type View } from '../../app/useView';

/** The key of everything in scope. */
export const TOTAL = '*';

export function useStanding(view: View) {
  const asked = viewQuery(view);
  return useQuery({
    queryKey: ['standing', asked],
    queryFn: () => ask<Standing>(`/standing${query(asked)}`),
    placeholderData: (before) => before,
  });
}

function memberPath(view: View, key: string): string {
  return `/standing/${view.axis}/${encodeURIComponent(key)}`;
}

export function usePath(view: View, key: string) {
  const asked = { ...viewQuery(view), axis: undefined };
  return useQuery({
    queryKey: ['path', view.axis, key, asked],
    queryFn: () => ask<Path>(`${memberPath(view, key)}/path${query(asked)}`),
  });
}

export function useProof(view: View, key: string, page: number, size: number) {
  const asked = { ...viewQuery(view), axis: undefined, page: String(page), size: String(size) };
  return useQuery({
    queryKey: ['proof', view.axis, key, asked],
    queryFn: () => ask<Proof>(`${memberPath(view, key)}/proof${query(asked)}`),
    placeholderData: (before, previous) => (previous?.queryKey[2] === key ? before : undefined),
  });
}
