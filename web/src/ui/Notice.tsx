import type { ReactNode } from 'react';
import { ProblemError } from '../api/client';
import { t } from '../format/words';

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-6 text-quiet">
      {t('notice.loading', { what })}
    </p>
  );
}

/** What failed, why, and a way to try again. */
export function Failed({
  error,
  onRetry,
  title = t('notice.thisCouldNotBeLoaded'),
}: {
  error: Error;
  onRetry: () => void;
  title?: string;
}) {
  return (
    <div role="alert" className="m-6 max-w-[560px] border-l-4 border-bad bg-sheet p-4">
      <h2 className="mb-1 text-[16px] font-bold">{title}</h2>
      <p className="mb-3">{error.message}</p>
      {error instanceof ProblemError && (
        <p className="mb-3 text-quiet">{t('notice.code', { code: error.code })}</p>
      )}
      <button type="button" onClick={onRetry} className={quietButton}>
        {t('notice.tryAgain')}
      </button>
    </div>
  );
}

/** A desk or list without content: what it is for and what to do next. */
export function Empty(props: { title: string; isPart?: boolean; children: ReactNode }) {
  const Heading = props.isPart ? 'h2' : 'h1';
  return (
    <div className="m-6 max-w-[560px]">
      <Heading className="mb-2 text-[18px] font-bold">{props.title}</Heading>
      <div className="space-y-2 text-quiet">{props.children}</div>
    </div>
  );
}

export const quietButton =
  'rounded-sm border border-field bg-sheet px-3 py-1.5 text-ink hover:border-select disabled:opacity-60';
export const smallButton =
  'inline-block min-h-6 rounded-sm border border-field bg-sheet px-2 py-0.5 text-[12.5px] text-ink hover:border-select disabled:opacity-60';
export const mainButton =
  'rounded-sm bg-select px-4 py-2 font-semibold text-on-select hover:brightness-110 disabled:opacity-60';
