import { useState } from 'react';
import type { Rules } from '../../api/types';
import { mainButton, quietButton, smallButton } from '../../ui/Notice';
import { Saved } from '../../ui/Saved';
import { Lines } from './Lines';
import { useRulesFile, useSaveRules } from './useRules';
import { t } from './words';

/** All rules as one file: taken along, and taken back with what it would change shown first. */
export function FilePart({ rules }: { rules: Rules & { tag: string } }) {
  const read = useRulesFile();
  const save = useSaveRules(rules.tag);
  const [name, setName] = useState('');
  const found = read.data;
  return (
    <section
      aria-label={t('rulesFile.file')}
      className="min-h-0 flex-1 space-y-3 overflow-auto px-[18px] py-1"
    >
      <p className="max-w-[720px] text-quiet">{t('rulesFile.what')}</p>
      <p className="flex flex-wrap items-center gap-3">
        <a className={smallButton} href="/api/v1/rules" download="rules.json">
          {t('rulesFile.download')}
        </a>
        <label className="flex items-center gap-2">
          <span>{t('rulesFile.choose')}</span>
          <input
            type="file"
            accept=".json,application/json"
            onChange={(event) => {
              const file = event.target.files?.[0];
              save.reset();
              if (file) {
                setName(file.name);
                read.mutate(file);
              }
              event.target.value = '';
            }}
          />
        </label>
      </p>
      {read.isError && (
        <p role="alert" className="max-w-[720px] border-l-4 border-bad pl-2">
          {t('rulesFile.notRead', { name })} {read.error.message}
        </p>
      )}
      {found && (
        <>
          {found.changes.length === 0 ? (
            <p role="status">{t('rulesFile.nothingChanges', { name })}</p>
          ) : (
            <>
              <Lines title={t('rulesFile.wouldChange', { name })} lines={found.changes} more={0} />
              {!save.isSuccess && (
                <p className="flex gap-2">
                  <button
                    type="button"
                    className={mainButton}
                    disabled={save.isPending}
                    onClick={() => save.mutate(found.rules)}
                  >
                    {t('rulesFile.apply')}
                  </button>
                  <button type="button" className={quietButton} onClick={() => read.reset()}>
                    {t('rulesFile.leave')}
                  </button>
                </p>
              )}
            </>
          )}
          <Saved save={save} words={t('rulesFile.saved')} />
          {save.isError && (
            <p role="alert" className="text-bad">
              {save.error.message}
            </p>
          )}
        </>
      )}
    </section>
  );
}
