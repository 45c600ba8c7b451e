import { useQuery } from '@tanstack/react-query';
import { ask } from './client';
import type { MonthClose } from './types';

/** The months of a fiscal year with what stands between them and their closing. */
export function useCloses(year: number, enabled = true) {
  return useQuery({
    queryKey: ['closes', year],
    queryFn: () => ask<MonthClose[]>(`/closes?year=${year}`),
    enabled,
    // files are staged without any figure changing: each screen that shows this looks anew
    staleTime: 0,
  });
}
