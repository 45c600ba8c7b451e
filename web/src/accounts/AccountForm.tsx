import { useId, useState, type SubmitEvent } from 'react';
import { useMembers } from '../api/useMembers';
import { field } from '../ui/field';
import { quietButton } from '../ui/Notice';
import type { Account, Role } from '../api/account';
import type { Draft } from './useAccounts';
import { Select } from '../ui/Select';
import { t } from './words';

const ROLES: { role: Role; what: string }[] = [
  { role: 'analyst', what: t('accountForm.loadsAndChecksFilesSets') },
  { role: 'approver', what: t('accountForm.seesEverythingClosesAndReopens') },
  { role: 'manager', what: t('accountForm.seesOwnTeamOnlyExplains') },
  { role: 'rep', what: t('accountForm.seesOwnDataAndOwn') },
];

interface AccountFormProps {
  title: string;
  submit: string;
  /** The account that is changed; a new one without. */
  account?: Account;
  change: { isPending: boolean; error: Error | null };
  onSubmit: (draft: Draft) => void;
  onCancel?: () => void;
}

/** Who somebody is and does here. */
export function AccountForm(props: AccountFormProps) {
  const { title, submit, account, change, onSubmit, onCancel } = props;
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>(account?.role ?? 'rep');
  const [member, setMember] = useState(account?.member ?? '');
  const isTied = role === 'rep' || role === 'manager';
  function send(event: SubmitEvent) {
    event.preventDefault();
    onSubmit({
      name: account?.name ?? name,
      role,
      member: isTied ? member : null,
      isAdministrator: account?.isAdministrator ?? false,
      isDisabled: account?.isDisabled ?? false,
    });
  }
  return (
    <form
      onSubmit={send}
      aria-label={title}
      className="max-w-[720px] rounded border border-rule bg-sheet p-5 text-left"
    >
      <h2 className="mb-3 text-[16px] font-bold">{title}</h2>
      <div className="mb-3 flex flex-wrap items-start gap-3">
        {!account && (
          <label className="min-w-[200px] flex-1">
            <span className="mb-1 block text-quiet">{t('accountForm.name')}</span>
            <input
              className={`${field} w-full`}
              value={name}
              required
              maxLength={80}
              autoComplete="off"
              onChange={(event) => setName(event.target.value)}
            />
          </label>
        )}
        <label>
          <span className="mb-1 block text-quiet">{t('accountForm.role')}</span>
          <Select
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
          </Select>
        </label>
        {isTied && <Tie axis={role} member={member} onChange={setMember} />}
      </div>
      {change.error && (
        <p role="alert" className="mb-3 text-bad">
          {change.error.message}
        </p>
      )}
      <div className="flex gap-2">
        <button type="submit" className={quietButton} disabled={change.isPending}>
          {submit}
        </button>
        {onCancel && (
          <button type="button" className={quietButton} onClick={onCancel}>
            {t('accountForm.cancel')}
          </button>
        )}
      </div>
    </form>
  );
}

interface TieProps {
  axis: 'rep' | 'manager';
  member: string;
  onChange: (key: string) => void;
}

/** Who of the roster it is; those whose name or key fits are proposed. */
function Tie({ axis, member, onChange }: TieProps) {
  const list = useId();
  const found = useMembers(member);
  const fitting = (found.data ?? []).filter((one) => one.axis === axis);
  return (
    <label className="min-w-[200px] flex-1">
      <span className="mb-1 block text-quiet">
        {axis === 'rep' ? t('accountForm.idOfTheRepOn') : t('accountForm.managerAsOnTheRoster')}
      </span>
      <input
        className={`${field} w-full`}
        value={member}
        list={list}
        required
        autoComplete="off"
        onChange={(event) => onChange(event.target.value)}
      />
      <datalist id={list}>
        {fitting.map((one) => (
          <option key={one.key} value={one.key}>
            {one.name}
          </option>
        ))}
      </datalist>
    </label>
  );
}
