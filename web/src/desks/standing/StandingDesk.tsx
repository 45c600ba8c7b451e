import { useEffect, useMemo } from 'react';
import { Link } from 'react-router';
import type { Company } from '../../api/types';
import { useView } from '../../app/useView';
import { toneText } from '../../marks/tones';
import { Empty, Failed, Loading } from '../../ui/Notice';
import { CloseUp } from './CloseUp';
import { ControlLine } from './ControlLine';
import { narrowRows, readSort, sortRows } from './standing';
import { StandingTable } from './StandingTable';
import { TOTAL, useStanding } from './useStanding';

/** Who is ahead, who is behind, by how much. */
export function StandingDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const standing = useStanding(view);
  const rows = useMemo(
    () => sortRows(narrowRows(standing.data?.rows ?? [], view.text), readSort(view.sort)),
    [standing.data, view.text, view.sort],
  );
  const selected = view.selected ?? TOTAL;

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const step = { j: 1, k: -1 }[event.key];
      if (!step || event.target instanceof HTMLInputElement) return;
      const at = rows.findIndex((row) => row.key === selected) + step;
      const next = rows[Math.min(at, rows.length - 1)];
      change({ selected: at < 0 ? null : (next?.key ?? null) }, true);
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [rows, selected, change]);

  if (standing.isPending) return <Loading what="the standing" />;
  if (standing.isError) {
    return <Failed error={standing.error} onRetry={() => void standing.refetch()} />;
  }
  const data = standing.data;
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] xl:grid-cols-[minmax(0,1fr)_384px]">
      <section aria-label="Standing" className="flex min-h-0 flex-col px-[18px] pt-3.5">
        <h1 className="mb-2.5 text-[20px] leading-snug font-bold" aria-live="polite">
          {data.headline.map((part, at) => (
            <span key={at} className={toneText(part.tone)}>
              {part.text}
            </span>
          ))}
        </h1>
        {company.lastMonth === null && data.rows.length === 0 ? (
          <FirstLoad />
        ) : (
          <>
            <ControlLine company={company} view={view} standing={data} change={change} />
            <StandingTable
              standing={data}
              rows={rows}
              view={view}
              selected={selected}
              onSelect={(key) => change({ selected: key === TOTAL ? null : key })}
              onSort={(sort) => change({ sort })}
            />
          </>
        )}
      </section>
      <CloseUp view={view} standing={data} selected={selected} company={company} />
    </div>
  );
}

function FirstLoad() {
  return (
    <Empty title="Nothing is posted yet." isPart>
      <p>Load the roster, the products and the goals, then the first month of actuals.</p>
      <p>
        <Link to="/intake" className="font-semibold text-select underline">
          Go to Intake
        </Link>
      </p>
    </Empty>
  );
}
