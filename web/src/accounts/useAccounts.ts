import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CHANGED_BY } from '../api/changedBy';
import { ask } from '../api/client';
import { asJson, useChange } from '../api/useChange';
import type { Account, Session } from '../api/account';

export const SESSION = ['session'];

/** Enters or leaves a session; what the one before saw is forgotten. */
function useSessionChange<T>(change: (value: T) => Promise<Session | undefined>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (session) => {
      client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== SESSION[0] });
      if (session) client.setQueryData(SESSION, session);
      else await client.invalidateQueries({ queryKey: SESSION });
    },
  });
}

export const useSignIn = () =>
  useSessionChange((given: { name: string; password: string }) =>
    ask<Session>('/session', asJson('POST', given)),
  );

export const useFirstAccount = () =>
  useSessionChange((given: { code: string; name: string; password: string }) =>
    ask<Session>('/session/first', asJson('POST', given)),
  );

export const useSignOut = () =>
  useSessionChange(() => ask<undefined>('/session', { method: 'DELETE' }));

export const usePassword = () =>
  useSessionChange((given: { now: string; next: string }) =>
    ask<Session>('/session/password', asJson('PUT', given)),
  );

export interface Token {
  id: number;
  name: string;
  scope: 'read' | 'load' | 'settle';
  madeAt: string;
}

export const useTokens = () =>
  useQuery({ queryKey: ['tokens'], queryFn: () => ask<Token[]>('/tokens') });

export const useNewToken = () =>
  useChange(
    (given: { name: string; scope: string }) =>
      ask<{ token: Token; text: string }>('/tokens', asJson('POST', given)),
    'tokens',
  );

export const useRevoking = () =>
  useChange((id: number) => ask(`/tokens/${id}`, { method: 'DELETE' }), 'tokens');

export interface Given {
  account: Account;
  password: string;
}

export type Draft = Pick<Account, 'name' | 'role' | 'member' | 'isAdministrator' | 'isDisabled'>;

export const useAccounts = () =>
  useQuery({ queryKey: ['accounts'], queryFn: () => ask<Account[]>('/accounts') });

export const useNewAccount = () =>
  useChange(
    (draft: Draft) => ask<Given>('/accounts', asJson('POST', draft)),
    ...CHANGED_BY.accounts,
  );

export const useAccountChange = () =>
  useChange(
    (account: Account) => ask<Account>(`/accounts/${account.id}`, asJson('PUT', account)),
    ...CHANGED_BY.accounts,
  );

export const useReset = () =>
  useChange(
    (id: number) => ask<Given>(`/accounts/${id}/password`, { method: 'POST' }),
    ...CHANGED_BY.accounts,
  );
