import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { rightsOf, useAccount } from '../api/account';
import type { Company } from '../api/types';
import { ask, ProblemError } from '../api/client';
import { useView } from '../address/useView';
import { monthName } from '../format/figures';
import { setWriting } from '../format/writing';
import { Boundary } from '../ui/Boundary';
import { Failed, Loading } from '../ui/Notice';
import { DropZone } from './DropZone';
import { Keys } from './Keys';
import { MonthStrip } from './MonthStrip';
import { RestoredData } from './RestoredData';
import { desksOf, TopBar } from './TopBar';
import { t } from './words';

// each desk comes when it is first opened: a rep never gets Intake or Rules
const GoalsDesk = lazy(async () => ({ default: (await import('../desks/goals')).GoalsDesk }));
const IntakeDesk = lazy(async () => ({ default: (await import('../desks/intake')).IntakeDesk }));
const StandingDesk = lazy(async () => ({
  default: (await import('../desks/standing')).StandingDesk,
}));
const EarningsDesk = lazy(async () => ({
  default: (await import('../desks/earnings')).EarningsDesk,
}));
const MyMonth = lazy(async () => ({ default: (await import('../desks/earnings')).MyMonth }));
const RulesDesk = lazy(async () => ({ default: (await import('../desks/rules')).RulesDesk }));
const BriefingDesk = lazy(async () => ({
  default: (await import('../desks/briefing')).BriefingDesk,
}));
const SetupPage = lazy(async () => ({ default: (await import('../desks/rules')).SetupPage }));
const AccountPage = lazy(async () => ({
  default: (await import('../accounts/AccountPage')).AccountPage,
}));
const Administration = lazy(async () => ({
  default: (await import('../accounts/Administration')).Administration,
}));

/** The frame around the desks: top bar, month strip, the work below. */
export function Frame() {
  const company = useQuery({ queryKey: ['company'], queryFn: readCompany });
  if (company.isPending) return <Loading what={t('app.theCompany')} />;
  if (company.isError) {
    const { error } = company;
    if (error instanceof ProblemError && error.code === 'restore-unconfirmed') {
      return <RestoredData words={error.message} />;
    }
    return <Failed error={company.error} onRetry={() => void company.refetch()} />;
  }
  return <Inside company={company.data} />;
}

async function readCompany(): Promise<Company> {
  const company = await ask<Company>('/company');
  setWriting(company.writing, company.timeZone);
  return company;
}

function Inside({ company }: { company: Company }) {
  const { pathname, search } = useLocation();
  const account = useAccount();
  const rights = rightsOf(account);
  const first = rights.isRep
    ? '/mine'
    : company.lastMonth === null && rights.isOffice
      ? company.isNamed || !rights.mayLoad
        ? '/intake'
        : '/setup'
      : '/standing';
  useTitle(company);
  return (
    <div className="flex h-full min-h-[680px] flex-col">
      <TopBar company={company} />
      <MonthStrip company={company} />
      <Keys company={company} />
      <DropZone>
        <Boundary key={pathname}>
          <Suspense fallback={<Loading what={t('app.theDesk')} />}>
            <Routes>
              {rights.isRep && <Route path="/mine" element={<MyMonth company={company} />} />}
              {rights.isOffice && (
                <>
                  <Route path="/goals" element={<GoalsDesk company={company} />} />
                  <Route path="/intake" element={<IntakeDesk company={company} />} />
                  <Route path="/briefing" element={<BriefingDesk company={company} />} />
                  <Route path="/rules" element={<RulesDesk company={company} />} />
                  <Route path="/setup" element={<SetupPage company={company} />} />
                  <Route path="/playbook" element={<Navigate to={'/rules' + search} replace />} />
                </>
              )}
              <Route path="/standing" element={<StandingDesk company={company} />} />
              <Route path="/earnings" element={<EarningsDesk company={company} />} />
              <Route path="/account" element={<AccountPage />} />
              {account.isAdministrator && <Route path="/accounts" element={<Administration />} />}
              <Route path="*" element={<Navigate to={first + search} replace />} />
            </Routes>
          </Suspense>
        </Boundary>
      </DropZone>
    </div>
  );
}

/** The page's title says desk, months and company, so that a tab or a history entry can be told. */
function useTitle(company: Company): void {
  const { pathname } = useLocation();
  const [view] = useView(company);
  const rights = rightsOf(useAccount());
  const desk = desksOf(rights).find(({ path }) => path === pathname)?.name;
  const { from, to } = view.span;
  const span =
    from === to ? monthName(to) : t('app.from', { from: monthName(from), to: monthName(to) });
  const place =
    pathname === '/accounts'
      ? t('app.accounts')
      : pathname === '/setup'
        ? t('app.setUp')
        : t('app.account');
  const title = desk
    ? t('app.title', { desk, span, company: company.name })
    : t('app.titleOf', { place, company: company.name });
  useEffect(() => {
    document.title = title;
  }, [title]);
}
