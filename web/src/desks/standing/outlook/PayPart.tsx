import { useQuery } from '@tanstack/react-query';
import { ask, query } from '../../../api/client';
import type { PayStatement, WhatIf } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount, monthName } from '../../../format/figures';
import { t } from './words';

interface PayPartProps {
  rep: string;
  view: View;
  /** What the rep should have sold by the end, to the smallest unit. */
  expected: string;
}

/**
 * What the expected sales would earn the rep by the end of the plan's measurement period; nothing
 * where the months shown are not that period, or the plan credits something else.
 */
export function PayPart({ rep, view, expected }: PayPartProps) {
  const month = view.span.to;
  const address = `/earnings/reps/${encodeURIComponent(rep)}`;
  const statement = useQuery({
    queryKey: ['earnings', 'statement', rep, month],
    queryFn: () => ask<PayStatement>(`${address}${query({ month })}`),
    retry: false,
  });
  const row = statement.data?.row;
  const fits =
    row !== undefined &&
    row.windowFrom === view.span.from &&
    row.measure === view.measure &&
    row.earned !== null;
  const pay = useQuery({
    queryKey: ['earnings', 'what-if', rep, month, expected],
    queryFn: () => ask<WhatIf>(`${address}/what-if${query({ month, sales: expected })}`),
    enabled: fits,
    retry: false,
  });
  if (!fits || !pay.data) return null;
  return (
    <p className="mb-3 border-l-4 border-rule pl-2">
      {t('pay.expected', {
        month: monthName(month),
        pay: amount(pay.data.earned),
        status: pay.data.status,
        now: amount(row.earned),
      })}
    </p>
  );
}
