import { useDeferredValue, useState } from 'react';
import type { PayRow } from '../../api/types';
import { amount, signed } from '../../format/figures';
import { PayCurveChart } from '../../marks/PayCurveChart';
import { StatusMark } from '../../marks/StatusMark';
import { field } from '../../ui/Drop';
import { useWhatIf } from './useEarnings';

interface WhatIfPartProps {
  row: PayRow;
  month: string;
  isOpen: boolean;
}

/** Moves the rep along the curve: by the slider or by an amount. */
export function WhatIfPart({ row, month, isOpen }: WhatIfPartProps) {
  const [sales, setSales] = useState('');
  const asked = useDeferredValue(sales.trim().replace(/[\s\u202f]/g, ''));
  const tried = useWhatIf(row.rep, month, isOpen ? asked : '');
  const end = Math.max(...row.curve.map((point) => Number(point.sales)), 1);
  const places = row.actual.split('.')[1]?.length ?? 0;
  const isTried = asked !== '' && tried.data !== undefined && !tried.isError;
  return (
    <section aria-label="If more were sold" className="mb-5">
      <h3 className="mb-1 font-semibold text-quiet">If {row.name} sold …</h3>
      <PayCurveChart
        row={row}
        tried={isTried ? { sales: Number(tried.data.sales), pay: Number(tried.data.earned) } : null}
      />
      {isOpen && (
        <div className="no-print mt-1 flex items-center gap-2">
          <input
            type="range"
            aria-label="Sales to date, along the curve"
            className="min-w-0 flex-1 accent-(--select)"
            min={0}
            max={end}
            step={end / 400}
            value={Number(asked || row.actual) || 0}
            onChange={(event) => setSales(Number(event.target.value).toFixed(places))}
          />
          <span className="w-[112px] shrink-0">
            <input
              aria-label="Sales to date"
              className={`${field} text-right`}
              inputMode="decimal"
              placeholder={amount(row.actual)}
              value={sales}
              onChange={(event) => setSales(event.target.value)}
            />
          </span>
        </div>
      )}
      {tried.isError && asked !== '' && (
        <p role="alert" className="mt-1 text-bad">
          {tried.error.message}
        </p>
      )}
      {isTried && (
        <p className="mt-1 flex flex-wrap items-baseline gap-x-3" role="status">
          <StatusMark
            status={tried.data.status}
            tone={tried.data.tone}
            isPast={tried.data.status === 'at ceiling'}
          />
          <span>
            earns <b>{amount(tried.data.earned)}</b>, {signed(tried.data.change)}
          </span>
        </p>
      )}
    </section>
  );
}
