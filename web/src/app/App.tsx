import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { ask, ProblemError } from '../api/client';
import type { Company } from '../api/types';
import { rightsOf, useAccount } from '../api/account';
import { AccountPage } from '../accounts/AccountPage';
import { Administration } from '../accounts/Administration';
import { SessionGate } from '../accounts/SessionGate';
import { EarningsDesk, MyMonth } from '../desks/earnings';
import { IntakeDesk } from '../desks/intake';
import { RulesDesk } from '../desks/rules';
import { StandingDesk } from '../desks/standing';
import { setWriting } from '../format/writing';
import { Boundary } from '../ui/Boundary';
import { Failed, Loading } from '../ui/Notice';
import { DropZone } from './DropZone';
import { Keys } from './Keys';
import { MonthStrip } from './MonthStrip';
import { RestoredData } from './RestoredData';
import { TopBar } from './TopBar';
import { t } from './words';

/** The frame around the desks: top bar, month strip, the work below. */
export function App() {
  return (
    <SessionGate>
      <Inside />
    </SessionGate>
  );
}

function Inside() {
  const company = useQuery({ queryKey: ['company'], queryFn: readCompany });
  if (company.isPending) return <Loading what={t('app.theCompany')} />;
  if (company.isError) {
    const { error } = company;
    if (error instanceof ProblemError && error.code === 'restore-unconfirmed') {
      return <RestoredData words={error.message} />;
    }
    return <Failed error={company.error} onRetry={() => void company.refetch()} />;
  }
  return <Frame company={company.data} />;
}

async function readCompany(): Promise<Company> {
  const company = await ask<Company>('/company');
  setWriting(company.writing, company.timeZone);
  return company;
}

function Frame({ company }: { company: Company }) {
  const { pathname, search } = useLocation();
  const account = useAccount();
  const rights = rightsOf(account);
  const first = rights.isRep
    ? '/mine'
    : company.lastMonth === null && rights.isOffice
      ? '/intake'
      : '/standing';
  return (
    <div className="flex h-full flex-col">
      <TopBar company={company} />
      <MonthStrip company={company} />
      <Keys company={company} />
      <DropZone>
        <Boundary key={pathname}>
          <Routes>
            {rights.isRep && <Route path="/mine" element={<MyMonth company={company} />} />}
            {rights.isOffice && (
              <>
                <Route path="/intake" element={<IntakeDesk company={company} />} />
                <Route path="/rules" element={<RulesDesk company={company} />} />
                <Route path="/playbook" element={<Navigate to={'/rules' + search} replace />} />
              </>
            )}
            <Route path="/standing" element={<StandingDesk company={company} />} />
            <Route path="/earnings" element={<EarningsDesk company={company} />} />
            <Route path="/account" element={<AccountPage />} />
            {account.isAdministrator && <Route path="/accounts" element={<Administration />} />}
            <Route path="*" element={<Navigate to={first + search} replace />} />
          </Routes>
        </Boundary>
      </DropZone>
    </div>
  );
}
