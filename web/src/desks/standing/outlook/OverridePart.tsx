import { useState } from 'react';
import { useRights } from '../../../api/account';
import type { Deal } from '../../../api/types';
import { amount, monthName, shifted } from '../../../format/figures';
import { field } from '../../../ui/field';
import { smallButton } from '../../../ui/Notice';
import { NumberField } from '../../../ui/NumberField';
import { useOverride } from './useOutlook';
import { t } from './words';

interface OverridePartProps {
  deal: Deal;
  measure: string;
  scale: number;
}

/** What of an open deal is overridden and why; an analyst, and a rep for own deals, may change it. */
export function OverridePart({ deal, measure, scale }: OverridePartProps) {
  const { mayLoad, isRep } = useRights();
  const [isEditing, setEditing] = useState(false);
  const change = useOverride();
  const { override } = deal;
  const may = (mayLoad || isRep) && deal.state === 'open';
  if (isEditing) {
    return (
      <OverrideForm
        deal={deal}
        measure={measure}
        scale={scale}
        change={change}
        onDone={() => setEditing(false)}
      />
    );
  }
  return (
    <div className="mt-1">
      {override && (
        <p className="mb-1">
          <span className="text-near-text">✎ {t('override.by', { by: override.by })}</span>{' '}
          {override.reason}{' '}
          <span className="text-quiet">
            {t('override.sourceSays', {
              what: [
                override.likelihoodShown && `${amount(override.likelihoodShown)} %`,
                override.closes && monthName(override.closes),
                override.amount && amount(override.amount),
              ]
                .filter(Boolean)
                .join(', '),
            })}
          </span>
        </p>
      )}
      {may && (
        <p className="no-print flex gap-2">
          <button type="button" className={smallButton} onClick={() => setEditing(true)}>
            {t('override.override')}
          </button>
          {override && (
            <button
              type="button"
              className={smallButton}
              disabled={change.isPending}
              onClick={() => change.mutate({ deal: deal.deal, source: deal.source, next: null })}
            >
              {t('override.takeBack')}
            </button>
          )}
        </p>
      )}
      {change.isError && (
        <p role="alert" className="text-bad">
          {change.error.message}
        </p>
      )}
    </div>
  );
}

interface OverrideFormProps extends OverridePartProps {
  change: ReturnType<typeof useOverride>;
  onDone: () => void;
}

function OverrideForm({ deal, measure, scale, change, onDone }: OverrideFormProps) {
  const [likelihood, setLikelihood] = useState<string | null>(shifted(deal.likelihood, 2));
  const [worth, setWorth] = useState<string | null>(deal.amount);
  const [closes, setCloses] = useState(deal.closes);
  const [reason, setReason] = useState(deal.override?.reason ?? '');
  return (
    <form
      className="no-print mt-1 space-y-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (likelihood === null || worth === null) return;
        change.mutate(
          {
            deal: deal.deal,
            source: deal.source,
            next: {
              likelihood: likelihood === '' ? null : shifted(likelihood, -2),
              amount: worth || null,
              measure,
              closes: closes || null,
              reason,
            },
          },
          { onSuccess: onDone },
        );
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label={t('override.likelihood')}
          value={shifted(deal.likelihood, 2)}
          kind={{ decimals: 6, isPercent: true }}
          isBegun
          onRead={setLikelihood}
        />
        <NumberField
          label={t('deals.amount')}
          value={deal.amount}
          kind={{ decimals: scale }}
          onRead={setWorth}
        />
        <label className="block text-quiet">
          {t('deals.closes')}
          <input
            type="month"
            className={`${field} w-full`}
            value={closes}
            onChange={(event) => setCloses(event.target.value)}
          />
        </label>
        <label className="block text-quiet">
          {t('override.reason')}
          <input
            className={`${field} w-full`}
            value={reason}
            required
            maxLength={400}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
      </div>
      {change.isError && (
        <p role="alert" className="text-bad">
          {change.error.message}
        </p>
      )}
      <p className="flex gap-2">
        <button type="submit" className={smallButton} disabled={change.isPending}>
          {t('override.save')}
        </button>
        <button type="button" className="min-h-6 text-select underline" onClick={onDone}>
          {t('override.cancel')}
        </button>
      </p>
    </form>
  );
}
