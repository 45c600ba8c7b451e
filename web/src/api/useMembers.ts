import { useQuery } from '@tanstack/react-query';
import { ask, query } from './client';
import type { MemberFound } from './types';

/** Members of any axis whose name or key has a text in it. */
export const useMembers = (text: string) =>
  useQuery({
    queryKey: ['members', text],
    queryFn: () => ask<MemberFound[]>(`/members${query({ text })}`),
    enabled: text.trim() !== '',
    placeholderData: (before) => before,
  });
