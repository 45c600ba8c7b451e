import { useState } from 'react';
import type { Standing } from '../../../api/types';
import type { View } from '../../../address/useView';
import { amount } from '../../../format/figures';
import { Drop } from '../../../ui/Drop';
import { mainButton } from '../../../ui/Notice';
import { NumberField } from '../../../ui/NumberField';
import { ladderTarget } from './ladderTarget';
import { useSaveRules } from '../useStanding';
import { t } from '../words';

/** A limit is an amount without a sign. */
const LIMIT = { decimals: 4 };

/** From which variance on the shading is of full tone, on either side; kept in the rules. */
export function ToneDrop({ standing, view }: { standing: Standing; view: View }) {
  const { shading } = standing;
  const save = useSaveRules();
  const [good, setGood] = useState<string | null>(shading.isGoodAutomatic ? '' : shading.good);
  const [bad, setBad] = useState<string | null>(shading.isBadAutomatic ? '' : shading.bad);
  const isWrong = good === null || bad === null;
  const value = shading.isBadAutomatic ? t('toneDrop.automatic') : `−${amount(shading.bad)}`;
  const limit = (text: string | null) => text || 'auto';
  return (
    <Drop label={t('toneDrop.shadingLimit')} value={value}>
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate({
            shading: [{ ...ladderTarget(standing, view), good: limit(good), bad: limit(bad) }],
          });
        }}
      >
        <p className="text-quiet">{t('toneDrop.aVarianceOfThisSize')}</p>
        <NumberField
          label={t('toneDrop.unfavourableVariances')}
          value={bad ?? ''}
          kind={LIMIT}
          unit={standing.unit}
          placeholder={amount(shading.bad)}
          onRead={setBad}
        />
        <NumberField
          label={t('toneDrop.favourableVariances')}
          value={good ?? ''}
          kind={LIMIT}
          unit={standing.unit}
          placeholder={amount(shading.good)}
          onRead={setGood}
        />
        {save.isError && (
          <p role="alert" className="text-bad">
            {save.error.message}
          </p>
        )}
        <button
          type="submit"
          className={mainButton}
          disabled={isWrong || !save.isReady || save.isPending}
        >
          {t('toneDrop.saveShading')}
        </button>
      </form>
    </Drop>
  );
}
