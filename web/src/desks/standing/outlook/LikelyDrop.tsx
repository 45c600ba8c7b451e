import { useClose } from '@headlessui/react';
import { useState } from 'react';
import type { Changes, View } from '../../../address/useView';
import { amount } from '../../../format/figures';
import { placed } from '../../../format/placing';
import { Drop } from '../../../ui/Drop';
import { mainButton } from '../../../ui/Notice';
import { NumberField } from '../../../ui/NumberField';
import { t } from './words';

const PERCENT = { decimals: 2, isPercent: true };

interface LikelyDropProps {
  view: View;
  change: (changes: Changes) => void;
}

/** Percents below and above which likelihoods are marked; they stand in the address. */
export function LikelyDrop({ view, change }: LikelyDropProps) {
  const { low, high } = view.likely;
  const value = [
    low && t('likely.below', { low: amount(low) }),
    high && t('likely.above', { high: amount(high) }),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Drop label={t('likely.mark')} value={value || t('likely.none')}>
      <LikelyForm view={view} change={change} />
    </Drop>
  );
}

function LikelyForm({ view, change }: LikelyDropProps) {
  const close = useClose();
  const [low, setLow] = useState<string | null>(view.likely.low);
  const [high, setHigh] = useState<string | null>(view.likely.high);
  const isCrossed = !!low && !!high && placed(low) > placed(high);
  const isFit = low !== null && high !== null && !isCrossed;
  return (
    <form
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isFit) return;
        change({ likelyLow: low || null, likelyHigh: high || null });
        close();
      }}
    >
      <p className="text-quiet">{t('likely.what')}</p>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label={t('likely.lowLabel')}
          value={view.likely.low}
          kind={PERCENT}
          placeholder="40"
          onRead={setLow}
        />
        <NumberField
          label={t('likely.highLabel')}
          value={view.likely.high}
          kind={PERCENT}
          placeholder="75"
          onRead={setHigh}
        />
      </div>
      {isCrossed && (
        <p role="alert" className="text-bad">
          {t('likely.crossed')}
        </p>
      )}
      <button type="submit" className={mainButton} disabled={!isFit}>
        {t('likely.apply')}
      </button>
    </form>
  );
}
