import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { ask, SIGNED_OUT } from '../api/client';
import { Failed, Loading } from '../ui/Notice';
import { AccountContext, type Session } from '../api/account';
import { NewPassword } from './NewPassword';
import { SignIn } from './SignIn';
import { SESSION } from './useAccounts';
import { t } from './words';

/** Lets the application be seen by somebody who is signed in, with a password of their own. */
export function SessionGate({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const session = useQuery({ queryKey: SESSION, queryFn: () => ask<Session>('/session') });
  useEffect(() => {
    const end = () => void client.invalidateQueries({ queryKey: SESSION });
    window.addEventListener(SIGNED_OUT, end);
    return () => window.removeEventListener(SIGNED_OUT, end);
  }, [client]);
  if (session.isPending) return <Loading what={t('sessionGate.whoIsSignedIn')} />;
  if (session.isError) {
    return <Failed error={session.error} onRetry={() => void session.refetch()} />;
  }
  const { account } = session.data;
  if (!account) return <SignIn session={session.data} />;
  if (account.mustChange) return <NewPassword name={account.name} />;
  return <AccountContext.Provider value={account}>{children}</AccountContext.Provider>;
}
