import { NavLink, useSearchParams } from 'react-router';
import type { Company } from '../api/types';
import { FindBox } from './FindBox';

export const DESKS = [
  { path: '/intake', name: 'Intake' },
  { path: '/standing', name: 'Standing' },
  { path: '/earnings', name: 'Earnings' },
  { path: '/playbook', name: 'Playbook' },
];

/** What stays in the address from desk to desk: the span. */
export function spanOnly(search: URLSearchParams): string {
  const kept = new URLSearchParams();
  for (const name of ['span', 'from', 'to']) {
    const value = search.get(name);
    if (value) kept.set(name, value);
  }
  const text = kept.toString();
  return text ? `?${text}` : '';
}

export function TopBar({ company }: { company: Company }) {
  const [search] = useSearchParams();
  return (
    <header className="on-bar no-print flex min-h-[46px] shrink-0 flex-wrap items-center gap-x-6 gap-y-1 bg-bar px-[18px] py-1 text-white">
      <a href="#work" className="sr-only focus:not-sr-only">
        Skip to the work
      </a>
      <span className="flex items-center gap-2.5 text-[15.5px] font-bold whitespace-nowrap">
        <Mark />
        Zealous Target
      </span>
      <nav aria-label="Desks" className="flex gap-1">
        {DESKS.map((desk) => (
          <NavLink
            key={desk.path}
            to={desk.path + spanOnly(search)}
            className={({ isActive }) =>
              `rounded px-3 py-1.5 ${isActive ? 'bg-[#2f3b55] font-semibold text-white' : 'text-[#d3d9e4] hover:text-white'}`
            }
          >
            {desk.name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex min-w-0 items-center gap-5">
        <FindBox company={company} />
        <span
          className="hidden max-w-[220px] truncate text-[#d3d9e4] sm:inline"
          title={company.name}
        >
          {company.name}
        </span>
      </div>
    </header>
  );
}

function Mark() {
  return (
    <svg width="20" height="18" viewBox="0 0 20 18" aria-hidden="true">
      <circle cx="10" cy="6" r="4" fill="#f2b33d" />
      <path d="M1 15h18" stroke="#fff" strokeWidth="2.5" />
    </svg>
  );
}
