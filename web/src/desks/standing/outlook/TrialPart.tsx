import { useState } from 'react';
import type { Deal, Outlook } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { amount, shifted } from '../../../format/figures';
import { smallButton } from '../../../ui/Notice';
import { NumberField } from '../../../ui/NumberField';
import { useOutlook } from './useOutlook';
import { t } from './words';

type Change = (changes: Changes) => void;

/** Whether what stands in the address is of a deal; its key may hold colons, the value has none. */
const isOf = (deal: string) => (one: string) => one.slice(0, one.lastIndexOf(':')) === deal;

/** Tries an open deal at another likelihood, or without it; nothing is saved. */
export function TryDeal({ deal, view, change }: { deal: Deal; view: View; change: Change }) {
  const isOfThis = isOf(deal.deal);
  const tried = view.tried.find(isOfThis)?.slice(deal.deal.length + 1) ?? null;
  const [percent, setPercent] = useState<string | null>(shifted(deal.likelihood, 2));
  const become = (value: string | null) =>
    change({
      tryDeal: [
        ...view.tried.filter((one) => !isOfThis(one)),
        ...(value === null ? [] : [`${deal.deal}:${value}`]),
      ],
    });
  const isFit = percent !== null && percent !== '';
  return (
    <form
      aria-label={t('trial.deal', { deal: deal.deal })}
      className="no-print mt-1.5 flex flex-wrap items-start gap-2 border-t border-rule pt-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (isFit) become(shifted(percent, -2));
      }}
    >
      <NumberField
        label={t('trial.likelihood')}
        value={tried === null || tried === 'out' ? shifted(deal.likelihood, 2) : shifted(tried, 2)}
        kind={{ decimals: 6, isPercent: true }}
        className="w-[104px]"
        onRead={setPercent}
      />
      <span className="flex flex-wrap gap-1.5 pt-4">
        <button type="submit" className={smallButton} disabled={!isFit}>
          {t('trial.try')}
        </button>
        <button type="button" className={smallButton} onClick={() => become('out')}>
          {t('trial.leaveOut')}
        </button>
        {tried !== null && (
          <button type="button" className={smallButton} onClick={() => become(null)}>
            {t('trial.endOne')}
          </button>
        )}
      </span>
    </form>
  );
}

/** Says above the rows what is tried of deals and what it changes; the way back is beside it. */
export function DealTrialBand({
  view,
  outlook,
  change,
}: {
  view: View;
  outlook: Outlook;
  change: Change;
}) {
  const isOn = view.tried.length > 0;
  const plain = useOutlook(view, false, isOn);
  if (!isOn) return null;
  const before = plain.data;
  return (
    <p
      role="status"
      className="mb-2 flex flex-wrap items-baseline gap-x-2 border border-dashed border-select bg-sheet px-3 py-1.5"
    >
      <b>{t('trial.band')}</b> {outlook.tried.join('; ')}.{' '}
      {before &&
        t('trial.effect', {
          before: amount(before.total.shown.expected),
          after: amount(outlook.total.shown.expected),
          reachBefore: before.expectedToReach,
          reach: outlook.expectedToReach,
        })}
      <button
        type="button"
        className={`${smallButton} no-print ml-auto`}
        onClick={() => change({ tryDeal: null })}
      >
        {t('trial.end')}
      </button>
    </p>
  );
}
