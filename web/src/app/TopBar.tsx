import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { Link, NavLink, useSearchParams } from 'react-router';
import { useAccount, useRights, type Rights } from '../api/account';
import { useSignOut } from '../accounts/useAccounts';
import { ask } from '../api/client';
import type { Company, Proposal } from '../api/types';
import { carriedTo } from '../address/useView';
import { FindBox } from './FindBox';
import { useHelp } from './useHelp';
import { t } from './words';

const OFFICE_DESKS = [
  { path: '/goals', name: t('topBar.goals') },
  { path: '/intake', name: t('topBar.intake') },
  { path: '/standing', name: t('topBar.standing') },
  { path: '/earnings', name: t('topBar.earnings') },
  { path: '/briefing', name: t('topBar.briefing') },
  { path: '/rules', name: t('topBar.rules') },
];

/** The desks that somebody works at, in the order of the keys 1, 2, … */
export function desksOf(rights: Rights) {
  if (rights.isOffice) return OFFICE_DESKS;
  const own = OFFICE_DESKS.filter(({ path }) => path === '/standing' || path === '/earnings');
  return rights.isRep ? [{ path: '/mine', name: t('topBar.myMonth') }, ...own] : own;
}

export function TopBar({ company }: { company: Company }) {
  const [search] = useSearchParams();
  const [, setHelp] = useHelp();
  const rights = useRights();
  const desks = desksOf(rights);
  const proposals = useQuery({
    queryKey: ['proposals'],
    queryFn: () => ask<Proposal[]>('/proposals'),
    enabled: rights.mayReopen,
  });
  const waiting = (proposals.data ?? []).filter((one) => one.mayDecide).length;
  return (
    <header className="on-bar no-print flex min-h-[46px] shrink-0 flex-wrap items-center gap-x-6 gap-y-1 bg-bar px-[18px] py-1 text-white">
      <a href="#work" className="sr-only focus:not-sr-only">
        {t('topBar.skipToTheContent')}
      </a>
      <span className="flex items-center gap-2.5 text-[15.5px] font-bold whitespace-nowrap">
        <Mark />
        {t('topBar.zealousTarget')}
      </span>
      <nav aria-label={t('topBar.desks')} className="flex flex-wrap gap-1">
        {desks.map((desk) => (
          <NavLink
            key={desk.path}
            to={
              desk.path +
              (desk.path === '/rules' && waiting > 0
                ? '?show=proposals'
                : carriedTo(desk.path, search))
            }
            className={({ isActive }) =>
              `rounded px-3 py-1.5 ${isActive ? 'bg-[#2f3b55] font-semibold text-white' : 'text-[#d3d9e4] hover:text-white'}`
            }
          >
            {desk.name}
            {desk.path === '/rules' && waiting > 0 && (
              <b className="ml-1.5 rounded-full bg-[#f2b33d] px-1.5 text-[12px] text-black">
                {t('topBar.waiting', { waiting })}
              </b>
            )}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex min-w-0 flex-wrap items-center gap-x-4 gap-y-1">
        <FindBox company={company} />
        <span
          className="hidden max-w-[220px] truncate text-[#d3d9e4] xl:inline"
          title={company.name}
        >
          {company.name}
        </span>
        <button
          type="button"
          aria-label={t('topBar.help')}
          title={t('topBar.help')}
          className="h-7 w-7 rounded border border-[#4a5875] font-bold text-white hover:border-white"
          onClick={() => setHelp(true)}
        >
          ?
        </button>
        <AccountMenu />
      </div>
    </header>
  );
}

function AccountMenu() {
  const account = useAccount();
  const signOut = useSignOut();
  const item = 'block w-full px-3 py-1.5 text-left text-ink data-focus:bg-select-ground';
  return (
    <Menu>
      <MenuButton
        className="flex min-h-7 max-w-[160px] items-center gap-1.5 rounded border border-[#4a5875] px-2.5 text-white hover:border-white"
        aria-label={t('topBar.account', { name: account.name })}
      >
        <span className="truncate">{account.name}</span>
        <span aria-hidden="true">▾</span>
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-30 min-w-[170px] rounded border border-rule bg-sheet py-1 shadow-lg focus:outline-none"
      >
        <p className="px-3 py-1 text-[12.5px] text-quiet">
          {account.role}
          {account.memberName && `, ${account.memberName}`}
        </p>
        <MenuItem>
          <Link to="/account" className={item}>
            {t('topBar.passwordAndTokens')}
          </Link>
        </MenuItem>
        {account.isAdministrator && (
          <MenuItem>
            <Link to="/accounts" className={item}>
              {t('topBar.accounts')}
            </Link>
          </MenuItem>
        )}
        <MenuItem>
          <button type="button" className={item} onClick={() => signOut.mutate(undefined)}>
            {t('topBar.signOut')}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
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
