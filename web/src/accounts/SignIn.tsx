import { useState, type ReactNode, type SubmitEvent } from 'react';
import { field } from '../ui/field';
import { mainButton } from '../ui/Notice';
import type { Session } from '../api/account';
import { useFirstAccount, useSignIn } from './useAccounts';
import { t } from './words';

/** The way in: name and password, the demo's accounts, or the first account of all. */
export function SignIn({ session }: { session: Session }) {
  return (
    <main className="flex min-h-full items-start justify-center bg-ground px-4 pt-[12vh] pb-8">
      <div className="w-full max-w-[400px]">
        <p className="mb-5 flex items-center gap-2.5 text-[17px] font-bold">
          <svg width="24" height="21" viewBox="0 0 20 18" aria-hidden="true">
            <circle cx="10" cy="6" r="4" fill="#f2b33d" />
            <path d="M1 15h18" stroke="currentColor" strokeWidth="2.5" />
          </svg>
          {t('signIn.zealousTarget')}
        </p>
        {session.isFirst ? <FirstForm /> : <SignInForm />}
        {session.demo.length > 0 && <Demo session={session} />}
      </div>
    </main>
  );
}

function SignInForm() {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const signIn = useSignIn();
  return (
    <Form
      title={t('signIn.signIn')}
      error={signIn.error}
      isBusy={signIn.isPending}
      onSubmit={() => signIn.mutate({ name, password })}
    >
      <Field label={t('signIn.name')} value={name} complete="username" onChange={setName} />
      <Field
        label={t('signIn.password')}
        value={password}
        complete="current-password"
        isSecret
        onChange={setPassword}
      />
    </Form>
  );
}

function FirstForm() {
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const first = useFirstAccount();
  return (
    <Form
      title={t('signIn.createTheFirstAccount')}
      error={first.error}
      isBusy={first.isPending}
      onSubmit={() => first.mutate({ code, name, password })}
    >
      <p className="mb-3 text-quiet">{t('signIn.theServerWroteACode')}</p>
      <Field label={t('signIn.code')} value={code} complete="one-time-code" onChange={setCode} />
      <Field label={t('signIn.name')} value={name} complete="username" onChange={setName} />
      <Field
        label={t('signIn.password10CharactersOrMore')}
        value={password}
        complete="new-password"
        isSecret
        onChange={setPassword}
      />
    </Form>
  );
}

interface FormProps {
  title: string;
  error: Error | null;
  isBusy: boolean;
  button?: string;
  isPart?: boolean;
  onSubmit: () => void;
  children: ReactNode;
}

/** A form of a few fields with one button, and what was wrong. */
export function Form({
  title,
  error,
  isBusy,
  button,
  isPart = false,
  onSubmit,
  children,
}: FormProps) {
  const Heading = isPart ? 'h2' : 'h1';
  function submit(event: SubmitEvent) {
    event.preventDefault();
    onSubmit();
  }
  return (
    <form onSubmit={submit} className="rounded border border-rule bg-sheet p-5" aria-label={title}>
      <Heading className={`mb-3 font-bold ${isPart ? 'text-[16px]' : 'text-[20px]'}`}>
        {title}
      </Heading>
      {children}
      {error && (
        <p role="alert" className="mb-3 text-bad">
          {error.message}
        </p>
      )}
      <button type="submit" className={mainButton} disabled={isBusy}>
        {button ?? title}
      </button>
    </form>
  );
}

interface FieldProps {
  label: string;
  value: string;
  complete: string;
  isSecret?: boolean;
  onChange: (value: string) => void;
}

export function Field({ label, value, complete, isSecret = false, onChange }: FieldProps) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block text-quiet">{label}</span>
      <input
        className={`${field} w-full`}
        type={isSecret ? 'password' : 'text'}
        autoComplete={complete}
        value={value}
        required
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

function Demo({ session }: { session: Session }) {
  const signIn = useSignIn();
  return (
    <section aria-label={t('signIn.demoAccounts')} className="mt-5">
      <h2 className="mb-2 font-semibold text-quiet">{t('signIn.orTryTheDemoAs')}</h2>
      <ul className="space-y-1.5">
        {session.demo.map((one) => (
          <li key={one.name}>
            <button
              type="button"
              className="w-full rounded-sm border border-field bg-sheet px-3 py-2 text-left hover:border-select"
              disabled={signIn.isPending}
              onClick={() => signIn.mutate({ name: one.name, password: one.password })}
            >
              <b className="font-semibold">{one.name}</b>
              <span className="text-quiet">: {one.what}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[12.5px] text-quiet">
        {t('signIn.thePasswordOfEachIs', { password: session.demo[0]?.password })}
      </p>
    </section>
  );
}
