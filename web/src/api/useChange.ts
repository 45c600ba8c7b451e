import { useMutation, useQueryClient } from '@tanstack/react-query';

/** The part of a request that sends JSON. */
export const asJson = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

/** The part of a request that changes what was looked at, and nothing newer. */
export const asChangeOf = (tag: string, body: unknown): RequestInit => ({
  ...asJson('PUT', body),
  headers: { 'Content-Type': 'application/json', 'If-Match': tag },
});

/** Changes something on the server, then reads again what these keys hold. */
export function useChange<T, R = unknown>(change: (value: T) => Promise<R>, ...keys: string[]) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => Promise.all(keys.map((key) => client.invalidateQueries({ queryKey: [key] }))),
  });
}
