import type { AcceptedName } from '../../api/types';
import { count } from '../../format/nouns';
import { timeText } from '../../format/writing';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { useNames, useRevokeName } from './useRules';
import { t } from './words';

/** Names of files that were accepted for members; each can be taken back. */
export function NamesPart() {
  const names = useNames();
  const revoke = useRevokeName();
  return (
    <section
      aria-label={t('namesPart.acceptedNames')}
      className="flex min-h-0 flex-1 flex-col px-[18px]"
    >
      {names.isPending ? (
        <Loading what={t('namesPart.theAcceptedNames')} />
      ) : names.isError ? (
        <Failed error={names.error} onRetry={() => void names.refetch()} />
      ) : (
        <>
          <p className="mb-2 text-quiet">
            {names.data.length === 0
              ? t('namesPart.noOtherNameIsAccepted')
              : t('namesPart.thatFilesMayUseBesides', { names: count(names.data.length, 'name') })}
          </p>
          {revoke.isError && <Failed error={revoke.error} onRetry={() => revoke.reset()} />}
          {names.data.length > 0 && (
            <Table
              names={names.data}
              isBusy={revoke.isPending}
              onRevoke={(name) => revoke.mutate(name)}
            />
          )}
        </>
      )}
    </section>
  );
}

interface TableProps {
  names: AcceptedName[];
  isBusy: boolean;
  onRevoke: (name: AcceptedName) => void;
}

function Table({ names, isBusy, onRevoke }: TableProps) {
  return (
    <div className="mb-3 min-h-0 overflow-auto bg-sheet">
      <table className="w-full min-w-[560px]">
        <thead>
          <tr className="border-b border-ink text-left text-[12px] text-quiet">
            {[
              t('namesPart.name'),
              t('namesPart.standsFor'),
              t('namesPart.acceptedBy'),
              t('namesPart.when'),
              '',
            ].map((word) => (
              <th key={word} scope="col" className="sticky top-0 bg-sheet px-2 py-1.5">
                {word === '' ? <span className="sr-only">{t('namesPart.action')}</span> : word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map((name) => (
            <tr key={`${name.axis} ${name.text}`} className="border-b border-rule">
              <th scope="row" className="px-2 py-1 text-left font-normal">
                {name.text}
              </th>
              <td className="px-2 py-1">
                {name.axis} {name.member}
              </td>
              <td className="px-2 py-1">{name.acceptedBy ?? '–'}</td>
              <td className="px-2 py-1 whitespace-nowrap">
                {name.acceptedAt === null ? '–' : timeText(name.acceptedAt)}
              </td>
              <td className="px-2 py-1 text-right">
                <button
                  type="button"
                  className={smallButton}
                  aria-label={t('namesPart.delete', { name: name.text })}
                  disabled={isBusy}
                  onClick={() => onRevoke(name)}
                >
                  {t('namesPart.delete2')}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
