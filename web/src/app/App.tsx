import { Suspense, type ReactNode } from 'react';
import { SessionGate } from '../accounts/SessionGate';
import { Loading } from '../ui/Notice';
import { t } from './words';

/** Who is signed in sees what is inside; anybody else gets the sign-in alone. */
export function App({ children }: { children: ReactNode }) {
  return (
    <SessionGate>
      <Suspense fallback={<Loading what={t('app.theCompany')} />}>{children}</Suspense>
    </SessionGate>
  );
}
