import { useDeferredValue, useState } from 'react';
import type { PayRow } from '../../api/types';
import { amount, signed } from '../../format/figures';
import { PayCurveChart } from '../../marks/PayCurveChart';
import { StatusMark } from '../../marks/StatusMark';
import { field } from '../../ui/field';
import { useWhatIf } from './useEarnings';
import { readNumber } from '../../format/numbers';
import { placed, pointed } from '../../format/placing';
import { typed } from '../../format/writing';
import { t } from './words';

interface WhatIfPartProps {
  row: PayRow;
  month: string;
  isOpen: boolean;
}

/** Sales to date, in the measure's units. */
const AMOUNT = { decimals: 4, isSigned: true };

/** Moves the rep along the curve: by the slider or by an amount. */
export function WhatIfPart({ row, month, isOpen }: WhatIfPartProps) {
  const [sales, setSales] = useState('');
  const read = readNumber(sales, AMOUNT);
  const asked = useDeferredValue(read.kind === 'number' ? read.decimal : '');
  const tried = useWhatIf(row.rep, month, isOpen ? asked : '');
  const end = Math.max(...row.curve.map((point) => placed(point.sales)), 1);
  const places = row.actual.split('.')[1]?.length ?? 0;
  const isTried = asked !== '' && tried.data !== undefined && !tried.isError;
  return (
    <section aria-label={t('whatIfPart.whatIf')} className="mb-5">
      <h3 className="mb-1 font-semibold text-quiet">
        {t('whatIfPart.ifCreditedSalesOfWere', { name: row.name })}
      </h3>
      <PayCurveChart
        row={row}
        tried={isTried ? { sales: placed(tried.data.sales), pay: placed(tried.data.earned) } : null}
      />
      {isOpen && (
        <div className="no-print mt-1 flex items-center gap-2">
          <input
            type="range"
            aria-label={t('whatIfPart.salesToDateAlongThe')}
            className="min-w-0 flex-1 accent-(--select)"
            min={0}
            max={end}
            step={end / 400}
            value={placed(asked || row.actual) || 0}
            onChange={(event) => setSales(typed(pointed(event.target.valueAsNumber, places)))}
          />
          <span className="w-[112px] shrink-0">
            <input
              aria-label={t('whatIfPart.salesToDate')}
              aria-invalid={read.kind === 'fault'}
              className={`${field} text-right`}
              inputMode="decimal"
              placeholder={amount(row.actual)}
              value={sales}
              onChange={(event) => setSales(event.target.value)}
            />
          </span>
        </div>
      )}
      {read.kind === 'fault' && (
        <p role="alert" className="mt-1 text-bad">
          {read.words}
        </p>
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
            {t('whatIfPart.earns')} <b>{amount(tried.data.earned)}</b>, {signed(tried.data.change)}
          </span>
        </p>
      )}
    </section>
  );
}
