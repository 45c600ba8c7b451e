import { useState, type SubmitEvent } from 'react';
import { field } from '../ui/field';
import { Failed, Loading, quietButton, smallButton } from '../ui/Notice';
import { useAccount } from '../api/account';
import { PasswordForm } from './NewPassword';
import { OwnSettings } from './OwnSettings';
import { useNewToken, useRevoking, useTokens, type Token } from './useAccounts';
import { dayText } from '../format/writing';
import { Select } from '../ui/Select';
import { t } from './words';

/** The own account: password, mail and keys, tokens for programs. */
export function AccountPage() {
  const account = useAccount();
  return (
    <div className="h-full overflow-auto px-[18px] py-4">
      <h1 className="text-[20px] font-bold">{account.name}</h1>
      <p className="mb-4 text-quiet">
        {account.role}
        {account.member && t('accountPage.seesWhatBelongsTo', { memberName: account.memberName })}
      </p>
      <div className="flex flex-wrap items-start gap-6">
        <div className="w-full max-w-[400px]">
          <PasswordForm title={t('accountPage.password')} isPart />
        </div>
        <OwnSettings />
        <Tokens />
      </div>
    </div>
  );
}

function Tokens() {
  const tokens = useTokens();
  const { role } = useAccount();
  const [name, setName] = useState('');
  const [scope, setScope] = useState('read');
  const make = useNewToken();
  function submit(event: SubmitEvent) {
    event.preventDefault();
    make.mutate({ name, scope }, { onSuccess: () => setName('') });
  }
  return (
    <section
      aria-label={t('accountPage.tokensForPrograms')}
      className="w-full max-w-[560px] rounded border border-rule bg-sheet p-5"
    >
      <h2 className="mb-2 text-[16px] font-bold">{t('accountPage.tokensForPrograms')}</h2>
      <p className="mb-3 text-quiet">
        {t('accountPage.aProgramSendsAToken')} <code>{t('accountPage.authorizationBearer')}</code>
        {t('accountPage.itSeesWhatYouSee')}
      </p>
      {tokens.isPending ? (
        <Loading what={t('accountPage.theTokens')} />
      ) : tokens.isError ? (
        <Failed error={tokens.error} onRetry={() => void tokens.refetch()} />
      ) : (
        <TokenList tokens={tokens.data} />
      )}
      <form onSubmit={submit} className="flex flex-wrap items-end gap-2">
        <label className="min-w-[180px] flex-1">
          <span className="mb-1 block text-quiet">{t('accountPage.purpose')}</span>
          <input
            className={`${field} h-[31px]`}
            value={name}
            required
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label>
          <span className="mb-1 block text-quiet">{t('accountPage.itMay')}</span>
          <Select
            className={`${field} h-[31px]`}
            value={scope}
            onChange={(event) => setScope(event.target.value)}
          >
            <option value="read">{t('accountPage.read')}</option>
            {role === 'analyst' && <option value="load">{t('accountPage.readAndLoad')}</option>}
            {role === 'analyst' && (
              <option value="settle">{t('accountPage.readLoadAndCorrectLoads')}</option>
            )}
          </Select>
        </label>
        <button type="submit" className={quietButton} disabled={make.isPending}>
          {t('accountPage.createToken')}
        </button>
      </form>
      {make.error && (
        <p role="alert" className="mt-2 text-bad">
          {make.error.message}
        </p>
      )}
      {make.data && (
        <p role="status" className="mt-3 border-l-4 border-select bg-ground p-3 break-all">
          {t('accountPage.copyTheTokenNowIt')} <code>{make.data.text}</code>
        </p>
      )}
    </section>
  );
}

const SCOPES: Record<Token['scope'], string> = {
  read: 'reads',
  load: t('accountPage.readsAndLoads'),
  settle: t('accountPage.readsLoadsAndCorrects'),
};

function TokenList({ tokens }: { tokens: Token[] }) {
  const revoke = useRevoking();
  if (tokens.length === 0) return <p className="mb-3">{t('accountPage.thereIsNoTokenYet')}</p>;
  return (
    <ul className="mb-4">
      {tokens.map((token) => (
        <li key={token.id} className="flex items-baseline gap-3 border-t border-rule py-1.5">
          <span className="min-w-0 flex-1 truncate" title={token.name}>
            {token.name}
          </span>
          <span className="text-quiet">
            {t('accountPage.since', {
              SCOPES: SCOPES[token.scope],
              slice: dayText(token.madeAt.slice(0, 10)),
            })}
          </span>
          <button
            type="button"
            className={smallButton}
            aria-label={t('accountPage.revoke', { name: token.name })}
            disabled={revoke.isPending}
            onClick={() => revoke.mutate(token.id)}
          >
            {t('accountPage.revoke2')}
          </button>
        </li>
      ))}
    </ul>
  );
}
