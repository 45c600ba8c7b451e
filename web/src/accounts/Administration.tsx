import { Fragment, useState } from 'react';
import { Failed, Loading, smallButton } from '../ui/Notice';
import { useRights, type Account } from '../api/account';
import { AccountForm } from './AccountForm';
import { Backups } from './Backups';
import { useAccountChange, useAccounts, useNewAccount, useReset, type Given } from './useAccounts';
import { t } from './words';

/** Who has an account, with which role. */
export function Administration() {
  const accounts = useAccounts();
  const [given, setGiven] = useState<Given | null>(null);
  const { isOffice } = useRights();
  return (
    <div className="h-full overflow-auto px-[18px] py-4">
      <h1 className="mb-3 text-[20px] font-bold">{t('administration.accounts')}</h1>
      {given && (
        <p role="status" className="mb-4 max-w-[720px] border-l-4 border-select bg-sheet p-3">
          {t('administration.thePasswordOf')} <b>{given.account.name}</b> {t('administration.is')}{' '}
          <code>{given.password}</code>
          {t('administration.handItOverNowIt')}
        </p>
      )}
      {accounts.isPending ? (
        <Loading what={t('administration.theAccounts')} />
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

interface ListProps {
  accounts: Account[];
  onGiven: (given: Given) => void;
}

function List({ accounts, onGiven }: ListProps) {
  const [edited, setEdited] = useState<number | null>(null);
  const change = useAccountChange();
  const reset = useReset();
  return (
    <div className="mb-6 max-w-[980px] overflow-x-auto">
      <table className="w-full bg-sheet text-left">
        <thead className="text-quiet">
          <tr>
            {[
              t('administration.name'),
              t('administration.role'),
              t('administration.repOrManager'),
              t('administration.administrator'),
              '',
            ].map((word) => (
              <th key={word} scope="col" className="px-3 py-2 font-normal">
                {word || <span className="sr-only">{t('administration.actions')}</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {accounts.map((account) => (
            <Fragment key={account.id}>
              <Row
                account={account}
                isBusy={change.isPending || reset.isPending}
                onChange={change.mutate}
                onEdit={() => {
                  change.reset();
                  setEdited(account.id);
                }}
                onReset={() => reset.mutate(account.id, { onSuccess: onGiven })}
              />
              {edited === account.id && (
                <tr>
                  <td colSpan={5} className="px-3 pb-3">
                    <AccountForm
                      title={t('administration.roleOf', { name: account.name })}
                      submit={t('administration.changeRole')}
                      account={account}
                      change={change}
                      onSubmit={(draft) =>
                        change.mutate(
                          { ...account, ...draft },
                          { onSuccess: () => setEdited(null) },
                        )
                      }
                      onCancel={() => setEdited(null)}
                    />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
      {edited === null && (change.error ?? reset.error) && (
        <p role="alert" className="mt-2 text-bad">
          {(change.error ?? reset.error)?.message}
        </p>
      )}
    </div>
  );
}

interface RowProps {
  account: Account;
  isBusy: boolean;
  onChange: (account: Account) => void;
  onEdit: () => void;
  onReset: () => void;
}

function Row({ account, isBusy, onChange, onEdit, onReset }: RowProps) {
  const { name, isAdministrator, isDisabled } = account;
  return (
    <tr className={`border-t border-rule ${isDisabled ? 'text-quiet' : ''}`}>
      <th scope="row" className="max-w-[220px] truncate px-3 py-1.5 font-semibold" title={name}>
        {name}
        {isDisabled && t('administration.deactivated')}
        {account.mustChange && !isDisabled && (
          <span className="font-normal text-quiet"> {t('administration.hasNotSignedInYet')}</span>
        )}
      </th>
      <td className="px-3 py-1.5">{account.role}</td>
      <td className="max-w-[260px] truncate px-3 py-1.5" title={account.memberName ?? undefined}>
        {account.memberName ?? '–'}
        {account.member !== account.memberName && (
          <span className="text-quiet"> {account.member}</span>
        )}
      </td>
      <td className="px-3 py-1.5">
        <label className="flex min-h-6 items-center gap-2">
          <input
            type="checkbox"
            checked={isAdministrator}
            disabled={isBusy}
            aria-label={t('administration.isAnAdministrator', { name })}
            onChange={(event) => onChange({ ...account, isAdministrator: event.target.checked })}
          />
          {isAdministrator ? t('administration.administrator2') : t('administration.no')}
        </label>
      </td>
      <td className="px-3 py-1.5 text-right whitespace-nowrap">
        <button
          type="button"
          className={smallButton}
          aria-label={t('administration.changeTheRoleOf', { name })}
          disabled={isBusy}
          onClick={onEdit}
        >
          {t('administration.changeRole')}
        </button>{' '}
        <button
          type="button"
          className={smallButton}
          aria-label={t('administration.newPasswordFor', { name })}
          disabled={isBusy}
          onClick={onReset}
        >
          {t('administration.resetPassword')}
        </button>{' '}
        <button
          type="button"
          className={smallButton}
          aria-label={t('administration.reactivateTheAccountOf', {
            isDisabled: String(isDisabled),
            name,
          })}
          disabled={isBusy}
          onClick={() => onChange({ ...account, isDisabled: !isDisabled })}
        >
          {isDisabled ? t('administration.reactivate') : t('administration.deactivate')}
        </button>
      </td>
    </tr>
  );
}

function NewAccount({ onGiven }: { onGiven: (given: Given) => void }) {
  const make = useNewAccount();
  const [made, setMade] = useState(0);
  return (
    <AccountForm
      key={made}
      title={t('administration.newAccount')}
      submit={t('administration.createAccount')}
      change={make}
      onSubmit={(draft) =>
        make.mutate(draft, {
          onSuccess: (given) => {
            setMade(made + 1);
            onGiven(given);
          },
        })
      }
    />
  );
}
