import { useQuery } from '@tanstack/react-query';
import { ask } from './client';
import type { CloseList } from './types';

/** How often an open close list is read again, in milliseconds. */
const FOLLOWED = 10_000;

export const closeListOf = (month: string) => `/months/${month}/close-list`;

/** What a month needs before it is closed. */
export function useCloseList(month: string) {
  return useQuery({
    queryKey: ['close-list', month],
    queryFn: () => ask<CloseList>(closeListOf(month)),
    // others load files, give reasons and assign plans meanwhile
    refetchInterval: FOLLOWED,
  });
}
