import { useState } from 'react';
import { Field, Form } from './SignIn';
import { usePassword, useSignOut } from './useAccounts';
import { t } from './words';

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
      button={t('newPassword.changePassword')}
      error={isOther ? new Error(t('newPassword.theTwoNewPasswordsDiffer')) : change.error}
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
        label={t('newPassword.currentPassword')}
        value={now}
        complete="current-password"
        isSecret
        onChange={setNow}
      />
      <Field
        label={t('newPassword.newPassword10CharactersOr')}
        value={next}
        complete="new-password"
        isSecret
        onChange={setNext}
      />
      <Field
        label={t('newPassword.repeatTheNewPassword')}
        value={again}
        complete="new-password"
        isSecret
        onChange={setAgain}
      />
      {change.isSuccess && (
        <p role="status" className="mb-3">
          {t('newPassword.thePasswordIsChangedOther')}
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
      <p className="mb-4">{t('newPassword.somebodyElseSetYourPassword', { name })}</p>
      <PasswordForm title={t('newPassword.yourOwnPassword')} />
      <p className="mt-4">
        <button
          type="button"
          className="min-h-6 text-select underline"
          onClick={() => signOut.mutate(undefined)}
        >
          {t('newPassword.signOut')}
        </button>
      </p>
    </main>
  );
}
