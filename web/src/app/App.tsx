import { lazy, Suspense } from 'react';
import { SessionGate } from '../accounts/SessionGate';
import { Loading } from '../ui/Notice';
import { t } from './words';

const Frame = lazy(async () => ({ default: (await import('./Frame')).Frame }));

/** Who is signed in sees the frame; anybody else gets the sign-in alone. */
export function App() {
  return (
    <SessionGate>
      <Suspense fallback={<Loading what={t('app.theCompany')} />}>
        <Frame />
      </Suspense>
    </SessionGate>
  );
}
