import { useRef, useState } from 'react';
import type { Company } from '../../api/types';
import { useDropped } from '../../app/dropped';
import { useView } from '../../app/useView';
import { Empty, Failed, Loading } from '../../ui/Notice';
import { LoadForm } from './LoadForm';
import { LoadView } from './LoadView';
import { Tray } from './Tray';
import { useLoad, useLoads } from './useIntake';

/** Where files arrive, are looked through, posted and taken back. */
export function IntakeDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const dropped = useDropped();
  const loads = useLoads();
  const load = useLoad(view.load);
  const chooser = useRef<HTMLInputElement>(null);
  const [turn, setTurn] = useState(0);

  function take(file: File | null) {
    dropped.take(file);
    setTurn(turn + 1);
    if (chooser.current) chooser.current.value = '';
  }

  function open(id: number | null) {
    take(null);
    change({ load: id === null ? null : String(id) });
  }

  if (loads.isPending) return <Loading what="the tray" />;
  if (loads.isError) return <Failed error={loads.error} onRetry={() => void loads.refetch()} />;
  return (
    <div className="grid h-full grid-cols-[208px_minmax(0,1fr)]">
      <Tray
        loads={loads.data}
        selected={dropped.file ? null : view.load}
        onOpen={open}
        onChoose={() => chooser.current?.click()}
      />
      <input
        ref={chooser}
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        aria-label="File to stage"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => take(event.target.files?.[0] ?? null)}
      />
      <div className="min-h-0 min-w-0">{content()}</div>
    </div>
  );

  function content() {
    if (dropped.file) {
      return (
        <LoadForm
          key={`${turn} ${dropped.file.name}`}
          file={dropped.file}
          company={company}
          onStaged={(staged) => open(staged.id)}
          onCancel={() => take(null)}
        />
      );
    }
    if (view.load !== null) {
      if (load.isPending) return <Loading what="the load" />;
      if (load.isError) return <Failed error={load.error} onRetry={() => void load.refetch()} />;
      return <LoadView key={load.data.id} load={load.data} onDiscarded={() => open(null)} />;
    }
    return <Start isFirst={loads.data?.length === 0} />;
  }
}

function Start({ isFirst }: { isFirst: boolean }) {
  return (
    <Empty title={isFirst ? 'Load the first file.' : 'Choose a load, or drop a file.'}>
      <p>
        Drop a CSV file anywhere on this page, or choose one on the left. It is staged first: you
        see what is in it and what is wrong, and nothing counts before you post it.
      </p>
      <p>Start with the roster and the products; goals and actuals name the reps in them.</p>
      <dl className="grid grid-cols-[90px_1fr] gap-y-1.5 pt-2 text-ink">
        <dt className="font-semibold">Roster</dt>
        <dd>rep, name, region, manager, from, until</dd>
        <dt className="font-semibold">Products</dt>
        <dd>product, name, line</dd>
        <dt className="font-semibold">Goals</dt>
        <dd>month, rep (or region, product …), revenue</dd>
        <dt className="font-semibold">Actuals</dt>
        <dd>date or month, rep, region, product, order, revenue, units</dd>
      </dl>
    </Empty>
  );
}
