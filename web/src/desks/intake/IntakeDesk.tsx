import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import type { Company } from '../../api/types';
import { useDropped } from '../../ui/dropped';
import { useView } from '../../address/useView';
import { Failed, Loading } from '../../ui/Notice';
import { isTable, pastedFile } from './intake';
import { LoadView } from './LoadView';
import { Tray } from './Tray';
import { useLoad, useLoads, useReceive } from './useIntake';
import { ClosePage } from './close/ClosePage';
import { Start } from './Start';
import { t } from './words';

/** Where files arrive, are looked through, posted and taken back. */
export function IntakeDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const { file, take } = useDropped();
  const loads = useLoads();
  const load = useLoad(view.load);
  const chooser = useRef<HTMLInputElement>(null);
  const receive = useReceive((received) => open(received.id));
  const { mutate } = receive;

  function open(id: number | null) {
    change({ load: id === null ? null : String(id), line: null });
  }

  useEffect(() => {
    if (file) {
      mutate(file);
      take(null);
    }
  }, [file, mutate, take]);

  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      const isTyping =
        event.target instanceof HTMLElement && event.target.closest('input,textarea');
      if (!isTyping && isTable(text)) {
        event.preventDefault();
        mutate(pastedFile(text, new Date()));
      }
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [mutate]);

  if (loads.isPending) return <Loading what={t('intakeDesk.theLoads')} />;
  if (loads.isError) return <Failed error={loads.error} onRetry={() => void loads.refetch()} />;
  return (
    <div className="grid h-full grid-cols-[208px_minmax(0,1fr)]">
      <Tray
        loads={loads.data}
        selected={view.load}
        month={view.span.to}
        onOpen={open}
        onChoose={() => chooser.current?.click()}
      />
      <input
        ref={chooser}
        type="file"
        accept=".csv,.tsv,.txt,.xlsx,.xlsm,text/csv"
        aria-label={t('intakeDesk.fileToLoad')}
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) mutate(chosen);
          event.target.value = '';
        }}
      />
      <div className="flex min-h-0 min-w-0 flex-col">
        {receive.isPending && (
          <p role="status" className="bg-select-ground px-[18px] py-2">
            {t('intakeDesk.sending', { name: receive.variables.name })}
          </p>
        )}
        {receive.isError && (
          <div
            role="alert"
            className="m-[18px] mb-0 flex items-start justify-between gap-4 border-l-4 border-bad bg-sheet p-3"
          >
            <span>{receive.error.message}</span>
            <button type="button" className="text-select underline" onClick={receive.reset}>
              {t('intakeDesk.closeMessage')}
            </button>
          </div>
        )}
        <div className="min-h-0 flex-1">{content()}</div>
      </div>
    </div>
  );

  function content() {
    if (view.load === null && company.lastMonth === null) {
      return <Start company={company} loads={loads.data ?? []} />;
    }
    if (view.load === null) {
      return (
        <ClosePage
          key={view.span.to}
          company={company}
          month={view.span.to}
          selected={search.get('need')}
          onSelect={(need) => change({ need })}
          onChoose={() => chooser.current?.click()}
        />
      );
    }
    if (load.isPending) return <Loading what={t('intakeDesk.theLoad')} />;
    if (load.isError) return <Failed error={load.error} onRetry={() => void load.refetch()} />;
    return (
      <LoadView
        key={load.data.id}
        load={load.data}
        company={company}
        line={view.line}
        onGone={() => open(null)}
        onOpen={open}
      />
    );
  }
}
