import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { ask } from '../api/client';
import type { Company } from '../api/types';
import { EarningsDesk } from '../desks/earnings';
import { IntakeDesk } from '../desks/intake';
import { PlaybookDesk } from '../desks/playbook';
import { StandingDesk } from '../desks/standing';
import { Failed, Loading } from '../ui/Notice';
import { DropZone } from './DropZone';
import { Keys } from './Keys';
import { MonthStrip } from './MonthStrip';
import { TopBar } from './TopBar';

/** The frame around the desks: top bar, month strip, the work below. */
export function App() {
  const company = useQuery({ queryKey: ['company'], queryFn: () => ask<Company>('/company') });
  if (company.isPending) return <Loading what="the company" />;
  if (company.isError) {
    return <Failed error={company.error} onRetry={() => void company.refetch()} />;
  }
  return <Frame company={company.data} />;
}

function Frame({ company }: { company: Company }) {
  const { search } = useLocation();
  const first = company.lastMonth === null ? '/intake' : '/standing';
  return (
    <div className="flex h-full flex-col">
      <TopBar company={company} />
      <MonthStrip company={company} />
      <Keys company={company} />
      <DropZone>
        <Routes>
          <Route path="/intake" element={<IntakeDesk company={company} />} />
          <Route path="/standing" element={<StandingDesk company={company} />} />
          <Route path="/earnings" element={<EarningsDesk company={company} />} />
          <Route path="/playbook" element={<PlaybookDesk company={company} />} />
          <Route path="*" element={<Navigate to={first + search} replace />} />
        </Routes>
      </DropZone>
    </div>
  );
}
