import { query } from '../../api/client';
import type { PayDesk } from '../../api/types';
import { monthName } from '../../format/figures';
import { smallButton } from '../../ui/Notice';

/** All statements of the month as files. */
export function SendPanel({ desk, onClose }: { desk: PayDesk; onClose: () => void }) {
  return (
    <aside
      aria-label="Statements"
      className="print-whole min-h-0 overflow-auto border-l border-rule bg-sheet px-4 py-4"
    >
      <div className="mb-2 flex items-baseline justify-between gap-2">
        <h2 className="text-[18px] font-bold">Statements, {monthName(desk.month)}</h2>
        <button type="button" className={`${smallButton} no-print`} onClick={onClose}>
          Close
        </button>
      </div>
      <a
        className={smallButton}
        href={`/api/v1/earnings/payroll.csv${query({ month: desk.month })}`}
        download
      >
        Payroll file (CSV)
      </a>
    </aside>
  );
}
