import { useState, type SubmitEvent } from 'react';
import { useKeepPreferences, usePreferences } from '../api/preferences';
import type { Preferences } from '../api/types';
import { field } from '../ui/field';
import { KEY_NAMES } from '../ui/keyNames';
import { Failed, Loading, quietButton } from '../ui/Notice';
import { keyOf, USUAL_KEYS } from '../ui/shortcuts';
import { t } from './words';

/** The own address for mail, and the single keys of the page. */
export function OwnSettings() {
  const preferences = usePreferences();
  return (
    <section
      aria-label={t('ownSettings.title')}
      className="w-full max-w-[440px] rounded border border-rule bg-sheet p-5"
    >
      <h2 className="mb-2 text-[16px] font-bold">{t('ownSettings.title')}</h2>
      {preferences.isPending ? (
        <Loading what={t('ownSettings.theSettings')} />
      ) : preferences.isError ? (
        <Failed error={preferences.error} onRetry={() => void preferences.refetch()} />
      ) : (
        <SettingsForm saved={preferences.data} />
      )}
    </section>
  );
}

function SettingsForm({ saved }: { saved: Preferences }) {
  const [mail, setMail] = useState(saved.mail ?? '');
  const [keysOn, setOn] = useState(saved.keysOn);
  const [keys, setKeys] = useState<Record<string, string>>(saved.keys);
  const keep = useKeepPreferences();

  function submit(event: SubmitEvent) {
    event.preventDefault();
    // a key as it is usually is no change of it
    const changed = Object.entries(keys).filter(([action, key]) =>
      KEY_NAMES.every(([name]) => name !== action || keyOf(name, USUAL_KEYS) !== key),
    );
    keep.mutate({ mail: mail.trim() || null, keysOn, keys: Object.fromEntries(changed) });
  }

  return (
    <form onSubmit={submit}>
      <label className="mb-3 block">
        <span className="mb-1 block text-quiet">{t('ownSettings.mail')}</span>
        <input
          type="email"
          className={field}
          value={mail}
          maxLength={254}
          onChange={(event) => setMail(event.target.value)}
        />
      </label>
      <label className="mb-2 flex min-h-6 items-center gap-2">
        <input type="checkbox" checked={keysOn} onChange={(event) => setOn(event.target.checked)} />
        {t('ownSettings.keysAreOn')}
      </label>
      <fieldset disabled={!keysOn} className="mb-3">
        <legend className="sr-only">{t('ownSettings.keys')}</legend>
        <div className="grid grid-cols-[1fr_44px] items-center gap-x-3 gap-y-1">
          {KEY_NAMES.map(([action, name]) => (
            <label key={action} className="contents">
              <span className="text-quiet">{name}</span>
              <input
                className={`${field} text-center`}
                value={keys[action] ?? keyOf(action, USUAL_KEYS)}
                maxLength={1}
                required
                onFocus={(event) => event.target.select()}
                onChange={(event) => setKeys({ ...keys, [action]: event.target.value })}
              />
            </label>
          ))}
        </div>
      </fieldset>
      <div className="flex gap-2">
        <button type="submit" className={quietButton} disabled={keep.isPending}>
          {t('ownSettings.save')}
        </button>
        <button type="button" className={quietButton} onClick={() => setKeys({})}>
          {t('ownSettings.usualKeys')}
        </button>
      </div>
      {keep.error && (
        <p role="alert" className="mt-2 text-bad">
          {keep.error.message}
        </p>
      )}
      {keep.isSuccess && (
        <p role="status" className="mt-2 text-quiet">
          {t('ownSettings.saved')}
        </p>
      )}
    </form>
  );
}
