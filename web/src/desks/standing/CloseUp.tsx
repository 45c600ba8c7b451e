import { useEffect, useState } from 'react';
import type { Company, Path, Reading, Standing } from '../../api/types';
import type { View } from '../../app/useView';
import { amount, monthName, NONE, signed } from '../../format/figures';
import { PathChart } from '../../marks/PathChart';
import { StatusMark } from '../../marks/StatusMark';
import { Failed, Loading, quietButton } from '../../ui/Notice';
import { ProofPart } from './ProofPart';
import { TOTAL, usePath } from './useStanding';

interface CloseUpProps {
  view: View;
  standing: Standing;
  selected: string;
  company: Company;
}

/** Whatever is selected, explained: the reading in words, its months, its proof. */
export function CloseUp({ view, standing, selected, company }: CloseUpProps) {
  const row = standing.rows.find((one) => one.key === selected);
  const path = usePath(view, row ? row.key : TOTAL);
  const reading = row ?? standing.total;
  const name = row?.name ?? company.name;
  return (
    <aside
      aria-label="Close-up"
      className="print-whole min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <h2 className="text-[18px] font-bold break-words">{name}</h2>
      {row?.place && <p className="text-quiet">{row.place}</p>}
      <p className="mt-1.5">
        <StatusMark
          status={reading.noReading ?? reading.status}
          tone={reading.tone}
          isPast={reading.status === 'well past'}
        />
      </p>
      <p className="mb-4 leading-snug">{sentence(reading, standing)}</p>
      {path.isPending ? (
        <Loading what="the months" />
      ) : path.isError ? (
        <Failed error={path.error} onRetry={() => void path.refetch()} />
      ) : (
        <MonthPath path={path.data} view={view} goal={standing.goal} />
      )}
      <ProofPart
        key={`${view.axis} ${selected}`}
        view={view}
        standing={standing}
        selected={row ? row.key : TOTAL}
      />
    </aside>
  );
}

/** The variance in words: "13 650.00 short of 300 000.00". */
function sentence(reading: Reading, standing: Standing): string {
  if (reading.goal === null) return `${amount(reading.actual)}, and no goal to compare it with.`;
  const isHigher = standing.direction === 'HIGHER';
  const months = standing.from === standing.to ? '' : ` (${reading.goalMonths} months have a goal)`;
  const goal = `${amount(reading.goal)}${months}`;
  if (Number(reading.shortfall) > 0) {
    return `${amount(reading.shortfall)} ${isHigher ? 'short of' : 'over'} ${goal}.`;
  }
  if (Number(reading.excess) > 0) {
    return `${amount(reading.excess)} ${isHigher ? 'ahead of' : 'under'} ${goal}.`;
  }
  return `Exactly on ${goal}.`;
}

function MonthPath({ path, view, goal }: { path: Path; view: View; goal: string }) {
  const [isTable, setTable] = useState(false);
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.key === 'f' && !(event.target instanceof HTMLInputElement)) setTable((is) => !is);
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const isIn = (month: string) => month >= view.span.from && month <= view.span.to;
  return (
    <section aria-label="Month by month" className="mb-5">
      <div className="mb-1.5 flex items-baseline justify-between">
        <h3 className="font-semibold text-quiet">
          Month by month{goal === 'no goal' ? '' : `, against ${goal}`}
        </h3>
        <button
          type="button"
          aria-pressed={isTable}
          onClick={() => setTable(!isTable)}
          className={`${quietButton} px-2 py-0.5 text-[12px]`}
        >
          Figures
        </button>
      </div>
      {isTable ? <PathTable path={path} /> : <PathChart months={path.months} isIn={isIn} />}
    </section>
  );
}

function PathTable({ path }: { path: Path }) {
  return (
    <table className="w-full text-right text-[12.5px]">
      <thead className="text-quiet">
        <tr>
          <th scope="col" className="text-left font-semibold">
            Month
          </th>
          <th scope="col" className="font-semibold">
            Actual
          </th>
          <th scope="col" className="font-semibold">
            Goal
          </th>
          <th scope="col" className="font-semibold">
            Variance
          </th>
        </tr>
      </thead>
      <tbody>
        {path.months.map((month) => (
          <tr key={month.month} className="border-t border-rule">
            <th scope="row" className="py-0.5 text-left font-normal">
              {monthName(month.month)}
            </th>
            <td>{month.state === 'empty' ? NONE : amount(month.reading.actual)}</td>
            <td>{amount(month.reading.goal)}</td>
            <td>{month.state === 'empty' ? NONE : signed(month.reading.variance)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
