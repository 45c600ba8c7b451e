import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { query } from '../../api/client';
import { field } from '../../ui/field';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { count } from '../../format/nouns';
import { useAudit, useRecord } from './useRules';
import { timeText } from '../../format/writing';
import { t } from './words';

const PAGE = 100;

/** Who did what, when, with before and after; nothing here can be changed. */
export function Trail() {
  const [search, setSearch] = useSearchParams();
  const [page, setPage] = useState(0);
  const text = search.get('find') ?? '';
  const entries = useAudit(text, page);
  return (
    <section aria-label={t('trail.auditLog')} className="flex min-h-0 flex-1 flex-col px-[18px]">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-1.5">
          <span className="text-quiet">{t('trail.find')}</span>
          <input
            type="search"
            className={`${field} w-[220px]`}
            value={text}
            onChange={(event) => {
              setPage(0);
              setSearch(
                (before) => {
                  const after = new URLSearchParams(before);
                  after.delete('find');
                  if (event.target.value) after.set('find', event.target.value);
                  return after;
                },
                { replace: true },
              );
            }}
          />
        </label>
        <a className={smallButton} href={`/api/v1/audit.csv${query({ text })}`} download>
          {t('trail.downloadAsCsv')}
        </a>
      </div>
      <RecordLine />
      {entries.isPending ? (
        <Loading what={t('trail.theAuditLog')} />
      ) : entries.isError ? (
        <Failed error={entries.error} onRetry={() => void entries.refetch()} />
      ) : (
        <div className="mb-3 min-h-0 overflow-auto bg-sheet">
          <table className="w-full min-w-[720px]">
            <thead>
              <tr className="border-b border-ink text-left text-[12px] text-quiet">
                {[
                  t('trail.when'),
                  t('trail.who'),
                  t('trail.what'),
                  t('trail.object'),
                  t('trail.before'),
                  t('trail.after'),
                ].map((word) => (
                  <th key={word} scope="col" className="sticky top-0 bg-sheet px-2 py-1.5">
                    {word}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {entries.data.map((entry) => (
                <tr key={entry.id} className="border-b border-rule align-top">
                  <td className="px-2 py-1.5 whitespace-nowrap">{timeText(entry.at)}</td>
                  <td className="px-2 py-1.5">{entry.by}</td>
                  <td className="px-2 py-1.5 whitespace-nowrap">{kindWords(entry.kind)}</td>
                  <th scope="row" className="px-2 py-1.5 text-left font-normal">
                    {entry.subject}
                  </th>
                  <Cell text={entry.before} />
                  <Cell text={entry.after} />
                </tr>
              ))}
            </tbody>
          </table>
          {entries.data.length === 0 && <p className="p-3 text-quiet">{t('trail.noMatch')}</p>}
          {(page > 0 || entries.data.length === PAGE) && (
            <p className="flex gap-2 p-2">
              <button
                type="button"
                className={smallButton}
                disabled={page === 0}
                onClick={() => setPage(page - 1)}
              >
                {t('trail.newer')}
              </button>
              <button
                type="button"
                className={smallButton}
                disabled={entries.data.length < PAGE}
                onClick={() => setPage(page + 1)}
              >
                {t('trail.older')}
              </button>
            </p>
          )}
        </div>
      )}
    </section>
  );
}

/** Whether the trail and what was sealed read as they were written. */
function RecordLine() {
  const record = useRecord();
  if (record.isPending) return <p className="mb-2 text-quiet">{t('trail.verifyingTheAuditLog')}</p>;
  if (record.isError) return <Failed error={record.error} onRetry={() => void record.refetch()} />;
  const { entries, seals, head, isWhole, faults } = record.data;
  return isWhole ? (
    <p className="mb-2 text-quiet">
      {t('trail.verifiedAndAreAsThey', {
        entries: count(entries, 'entry'),
        seals: count(seals, 'closedMonth'),
      })}{' '}
      <span className="break-all">{head}</span>
    </p>
  ) : (
    <div role="alert" className="mb-2 text-bad">
      <p className="font-semibold">{t('trail.theStoredDataDoNot')}</p>
      <ul className="list-disc pl-5">
        {faults.map((fault) => (
          <li key={fault}>{fault}</li>
        ))}
      </ul>
    </div>
  );
}

const SHORT = 160;

function Cell({ text }: { text: string | null }) {
  if (text === null) return <td className="px-2 py-1.5 text-quiet">–</td>;
  return (
    <td className="max-w-[340px] px-2 py-1.5 break-words">
      {text.length <= SHORT ? (
        text
      ) : (
        <details>
          <summary className="cursor-pointer">{text.slice(0, SHORT)} …</summary>
          <pre className="text-[12px] break-words whitespace-pre-wrap">{text}</pre>
        </details>
      )}
    </td>
  );
}

/** What was done, where the screen's word is another than that of programs. */
function kindWords(kind: string): string {
  if (kind === 'month sealed') return t('trail.monthClosed');
  return kind === 'month unsealed' ? t('trail.monthReopened') : kind;
}
