import { createContext, useContext } from 'react';
import { t } from '../format/words';

export type Role = 'analyst' | 'approver' | 'manager' | 'rep';

export interface Account {
  id: number;
  name: string;
  role: Role;
  /** Key of the rep or manager to whom it is tied. */
  member: string | null;
  memberName: string | null;
  isAdministrator: boolean;
  isDisabled: boolean;
  mustChange: boolean;
  version: number;
}

export interface DemoAccount {
  name: string;
  role: Role;
  password: string;
  what: string;
}

export interface Session {
  account: Account | null;
  /** Whether the first account is still to be made. */
  isFirst: boolean;
  demo: DemoAccount[];
}

/** What the interface offers; the server decides again. */
export interface Rights {
  /** Loads, rules, seals and statements of everybody are there. */
  isOffice: boolean;
  mayLoad: boolean;
  mayReopen: boolean;
  mayExplain: boolean;
  isRep: boolean;
}

export const AccountContext = createContext<Account>({
  id: 0,
  name: t('account.analyst'),
  role: 'analyst',
  member: null,
  memberName: null,
  isAdministrator: false,
  isDisabled: false,
  mustChange: false,
  version: 0,
});

export function rightsOf({ role }: Account): Rights {
  return {
    isOffice: role === 'analyst' || role === 'approver',
    mayLoad: role === 'analyst',
    mayReopen: role === 'approver',
    mayExplain: role === 'analyst' || role === 'manager',
    isRep: role === 'rep',
  };
}

export const useAccount = () => useContext(AccountContext);
export const useRights = () => rightsOf(useAccount());
