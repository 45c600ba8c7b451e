import { useState, type SubmitEvent } from 'react';
import { field } from '../ui/Drop';
import { Failed, Loading, quietButton, smallButton } from '../ui/Notice';
import { useAccount } from '../api/account';
import { PasswordForm } from './NewPassword';
import { useNewToken, useRevoking, useTokens, type Token } from './useAccounts';
import { dayText } from '../format/writing';

/** The own account: password, tokens for programs. */
export function AccountPage() {
  const account = useAccount();
  return (
    <div className="h-full overflow-auto px-[18px] py-4">
      <h1 className="text-[20px] font-bold">{account.name}</h1>
      <p className="mb-4 text-quiet">
        {account.role}
        {account.member && `, sees what belongs to ${account.memberName}`}
      </p>
      <div className="flex flex-wrap items-start gap-6">
        <div className="w-full max-w-[400px]">
          <PasswordForm title="Password" isPart />
        </div>
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
      aria-label="Tokens for programs"
      className="w-full max-w-[560px] rounded border border-rule bg-sheet p-5"
    >
      <h2 className="mb-2 text-[16px] font-bold">Tokens for programs</h2>
      <p className="mb-3 text-quiet">
        A program sends a token in place of the password: <code>Authorization: Bearer …</code>. It
        sees what you see. Revoke it when it is not needed any more.
      </p>
      {tokens.isPending ? (
        <Loading what="the tokens" />
      ) : tokens.isError ? (
        <Failed error={tokens.error} onRetry={() => void tokens.refetch()} />
      ) : (
        <TokenList tokens={tokens.data} />
      )}
      <form onSubmit={submit} className="flex flex-wrap items-end gap-2">
        <label className="min-w-[180px] flex-1">
          <span className="mb-1 block text-quiet">What it is for</span>
          <input
            className={`${field} h-[31px]`}
            value={name}
            required
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label>
          <span className="mb-1 block text-quiet">It may</span>
          <select
            className={`${field} h-[31px]`}
            value={scope}
            onChange={(event) => setScope(event.target.value)}
          >
            <option value="read">read</option>
            {role === 'analyst' && <option value="load">read and load</option>}
            {role === 'analyst' && (
              <option value="settle">read, load, and correct what was loaded</option>
            )}
          </select>
        </label>
        <button type="submit" className={quietButton} disabled={make.isPending}>
          Make a token
        </button>
      </form>
      {make.error && (
        <p role="alert" className="mt-2 text-bad">
          {make.error.message}
        </p>
      )}
      {make.data && (
        <p role="status" className="mt-3 border-l-4 border-select bg-ground p-3 break-all">
          Copy it now, it is not shown again: <code>{make.data.text}</code>
        </p>
      )}
    </section>
  );
}

const SCOPES: Record<Token['scope'], string> = {
  read: 'reads',
  load: 'reads and loads',
  settle: 'reads, loads and corrects',
};

function TokenList({ tokens }: { tokens: Token[] }) {
  const revoke = useRevoking();
  if (tokens.length === 0) return <p className="mb-3">There is none yet.</p>;
  return (
    <ul className="mb-4">
      {tokens.map((token) => (
        <li key={token.id} className="flex items-baseline gap-3 border-t border-rule py-1.5">
          <span className="min-w-0 flex-1 truncate" title={token.name}>
            {token.name}
          </span>
          <span className="text-quiet">
            {SCOPES[token.scope]}, since {dayText(token.madeAt.slice(0, 10))}
          </span>
          <button
            type="button"
            className={smallButton}
            aria-label={`Revoke ${token.name}`}
            disabled={revoke.isPending}
            onClick={() => revoke.mutate(token.id)}
          >
            Revoke
          </button>
        </li>
      ))}
    </ul>
  );
}
