import { useState } from 'react';
import { Field, Form } from './SignIn';
import { usePassword, useSignOut } from './useAccounts';

/** Changes the own password; asked for at once where somebody else gave the one there is. */
export function PasswordForm({ title, isPart = false }: { title: string; isPart?: boolean }) {
  const [now, setNow] = useState('');
  const [next, setNext] = useState('');
  const [again, setAgain] = useState('');
  const change = usePassword();
  const isOther = again !== '' && next !== again;
  return (
    <Form
      title={title}
      isPart={isPart}
      button="Change the password"
      error={isOther ? new Error('The two new passwords are not the same.') : change.error}
      isBusy={change.isPending || isOther}
      onSubmit={() =>
        change.mutate(
          { now, next },
          {
            onSuccess: () => {
              setNow('');
              setNext('');
              setAgain('');
            },
          },
        )
      }
    >
      <Field
        label="Password now"
        value={now}
        complete="current-password"
        isSecret
        onChange={setNow}
      />
      <Field
        label="New password, 10 characters or more"
        value={next}
        complete="new-password"
        isSecret
        onChange={setNext}
      />
      <Field
        label="New password once more"
        value={again}
        complete="new-password"
        isSecret
        onChange={setAgain}
      />
      {change.isSuccess && (
        <p role="status" className="mb-3">
          Changed. Other sessions of this account have ended.
        </p>
      )}
    </Form>
  );
}

/** What somebody sees whose password was given by another. */
export function NewPassword({ name }: { name: string }) {
  const signOut = useSignOut();
  return (
    <main className="mx-auto max-w-[400px] px-4 pt-[12vh]">
      <p className="mb-4">
        {name}, your password was given by somebody else. Choose one that only you know.
      </p>
      <PasswordForm title="Your own password" />
      <p className="mt-4">
        <button
          type="button"
          className="min-h-6 text-select underline"
          onClick={() => signOut.mutate(undefined)}
        >
          Sign out
        </button>
      </p>
    </main>
  );
}
