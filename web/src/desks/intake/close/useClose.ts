import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../../api/client';
import { closeListOf } from '../../../api/closeList';
import { asJson } from '../../../api/useChange';
import type { CloseList } from '../../../api/types';

export type CloseChange =
  | { kind: 'waive'; line: string; reason: string }
  | { kind: 'take-back'; line: string }
  | { kind: 'add'; name: string; recurs: boolean }
  | { kind: 'tick'; line: string; isDone: boolean }
  | { kind: 'remove'; line: string };

/** Changes a month's list; the answer is the list as it is then. */
export function useCloseChange(month: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: CloseChange) => ask<CloseList>(...requestOf(month, change)),
    onSuccess: (list) => {
      client.setQueryData(['close-list', month], list);
      void client.invalidateQueries({ queryKey: ['closes'] }); // nobody waits for the year
    },
  });
}

function requestOf(month: string, change: CloseChange): [string, RequestInit] {
  const list = closeListOf(month);
  switch (change.kind) {
    case 'waive':
      return [`${list}/${change.line}/waiver`, asJson('PUT', { reason: change.reason })];
    case 'take-back':
      return [`${list}/${change.line}/waiver`, { method: 'DELETE' }];
    case 'add':
      return [`${list}/lines`, asJson('POST', { name: change.name, recurs: change.recurs })];
    case 'tick':
      return [`${list}/lines/${numberOf(change.line)}?done=${change.isDone}`, asJson('PUT', {})];
    case 'remove':
      return [`${list}/lines/${numberOf(change.line)}`, { method: 'DELETE' }];
  }
}

/** The number in the code of an own line. */
const numberOf = (line: string): string => line.replace('own-', '');

export function useRhythm() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { source: string; name: string; rhythm: string }) =>
      ask('/source-rhythms', asJson('PUT', body)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['close-list'] }),
  });
}
