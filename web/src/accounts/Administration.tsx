import { useState, type SubmitEvent } from 'react';
import { Backups } from './Backups';
import { field } from '../ui/Drop';
import { Failed, Loading, quietButton, smallButton } from '../ui/Notice';
import { useRights, type Account, type Role } from './account';
import { useAccountChange, useAccounts, useNewAccount, useReset, type Given } from './useAccounts';

const ROLES: { role: Role; what: string }[] = [
  { role: 'analyst', what: 'loads, checks, sets goals, rules and plans' },
  { role: 'approver', what: 'sees everything, seals and reopens months' },
  { role: 'manager', what: 'sees the own team, explains misses' },
  { role: 'rep', what: 'sees the own rows and statement' },
];

/** Who has an account, with which role. */
export function Administration() {
  const accounts = useAccounts();
  const [given, setGiven] = useState<Given | null>(null);
  const { isOffice } = useRights();
  return (
    <div className="h-full overflow-auto px-[18px] py-4">
      <h1 className="mb-3 text-[20px] font-bold">Accounts</h1>
      {given && (
        <p role="status" className="mb-4 max-w-[720px] border-l-4 border-select bg-sheet p-3">
          The password of <b>{given.account.name}</b> is <code>{given.password}</code>. Hand it over
          now, it is not shown again; it has to be changed at the first sign-in.
        </p>
      )}
      {accounts.isPending ? (
        <Loading what="the accounts" />
      ) : accounts.isError ? (
        <Failed error={accounts.error} onRetry={() => void accounts.refetch()} />
      ) : (
        <List accounts={accounts.data} onGiven={setGiven} />
      )}
      <NewAccount onGiven={setGiven} />
      {isOffice && <Backups />}
    </div>
  );
}

function List({ accounts, onGiven }: { accounts: Account[]; onGiven: (given: Given) => void }) {
  const change = useAccountChange();
  const reset = useReset();
  return (
    <div className="mb-6 max-w-[980px] overflow-x-auto">
      <table className="w-full bg-sheet text-left">
        <thead className="text-quiet">
          <tr>
            {['Name', 'Role', 'Is on the roster as', 'Accounts and backups', ''].map((word) => (
              <th key={word} scope="col" className="px-3 py-2 font-normal">
                {word || <span className="sr-only">What can be done</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {accounts.map((account) => (
            <tr
              key={account.id}
              className={`border-t border-rule ${account.isDisabled ? 'text-quiet' : ''}`}
            >
              <th
                scope="row"
                className="max-w-[220px] truncate px-3 py-1.5 font-semibold"
                title={account.name}
              >
                {account.name}
                {account.isDisabled && ' (closed)'}
                {account.mustChange && !account.isDisabled && (
                  <span className="font-normal text-quiet"> not yet signed in</span>
                )}
              </th>
              <td className="px-3 py-1.5">{account.role}</td>
              <td className="px-3 py-1.5">{account.member ?? '–'}</td>
              <td className="px-3 py-1.5">
                <label className="flex min-h-6 items-center gap-2">
                  <input
                    type="checkbox"
                    checked={account.isAdministrator}
                    disabled={change.isPending}
                    aria-label={`${account.name} looks after accounts and backups`}
                    onChange={(event) =>
                      change.mutate({ ...account, isAdministrator: event.target.checked })
                    }
                  />
                  {account.isAdministrator ? 'looks after them' : 'no'}
                </label>
              </td>
              <td className="px-3 py-1.5 text-right whitespace-nowrap">
                <button
                  type="button"
                  className={smallButton}
                  aria-label={`New password for ${account.name}`}
                  disabled={reset.isPending}
                  onClick={() => reset.mutate(account.id, { onSuccess: onGiven })}
                >
                  New password
                </button>{' '}
                <button
                  type="button"
                  className={smallButton}
                  aria-label={`${account.isDisabled ? 'Open' : 'Close'} the account of ${account.name}`}
                  disabled={change.isPending}
                  onClick={() => change.mutate({ ...account, isDisabled: !account.isDisabled })}
                >
                  {account.isDisabled ? 'Open' : 'Close'}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {(change.error ?? reset.error) && (
        <p role="alert" className="mt-2 text-bad">
          {(change.error ?? reset.error)?.message}
        </p>
      )}
    </div>
  );
}

function NewAccount({ onGiven }: { onGiven: (given: Given) => void }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('rep');
  const [member, setMember] = useState('');
  const make = useNewAccount();
  const isTied = role === 'rep' || role === 'manager';
  function submit(event: SubmitEvent) {
    event.preventDefault();
    make.mutate(
      {
        name,
        role,
        member: isTied ? member : null,
        isAdministrator: false,
        isDisabled: false,
      },
      {
        onSuccess: (given) => {
          setName('');
          setMember('');
          onGiven(given);
        },
      },
    );
  }
  return (
    <form
      onSubmit={submit}
      aria-label="New account"
      className="max-w-[720px] rounded border border-rule bg-sheet p-5"
    >
      <h2 className="mb-3 text-[16px] font-bold">New account</h2>
      <div className="mb-3 flex flex-wrap gap-3">
        <label className="min-w-[200px] flex-1">
          <span className="mb-1 block text-quiet">Name</span>
          <input
            className={`${field} w-full`}
            value={name}
            required
            maxLength={80}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label>
          <span className="mb-1 block text-quiet">Role</span>
          <select
            className={field}
            value={role}
            onChange={(event) =>
              setRole(ROLES.find((one) => one.role === event.target.value)?.role ?? 'rep')
            }
          >
            {ROLES.map((one) => (
              <option key={one.role} value={one.role}>
                {one.role}: {one.what}
              </option>
            ))}
          </select>
        </label>
        {isTied && (
          <label className="min-w-[200px] flex-1">
            <span className="mb-1 block text-quiet">
              {role === 'rep' ? 'Key of the rep on the roster' : 'Manager as on the roster'}
            </span>
            <input
              className={`${field} w-full`}
              value={member}
              required
              onChange={(event) => setMember(event.target.value)}
            />
          </label>
        )}
      </div>
      {make.error && (
        <p role="alert" className="mb-3 text-bad">
          {make.error.message}
        </p>
      )}
      <button type="submit" className={quietButton} disabled={make.isPending}>
        Make the account
      </button>
    </form>
  );
}
