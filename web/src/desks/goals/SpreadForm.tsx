import { useState } from 'react';
import type { GoalDesk } from '../../api/types';
import { readNumber } from '../../format/numbers';
import { field } from '../../ui/field';
import { smallButton } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import type { Draft } from './useGoals';
import { WAYS, WAY_WORDS, type Way } from './ways';
import { t } from './words';

interface SpreadFormProps {
  desk: GoalDesk;
  parts: { key: string; month: string; locked: boolean }[];
  draft: Draft;
  /** What was typed on the sheet already. */
  begun: string;
}

/**
 * Spreads an amount over the chosen cells, of ranges both ends; puts one rate into each; or scales
 * them by a factor.
 */
export function SpreadForm({ desk, parts, draft, begun }: SpreadFormProps) {
  const [kind, setKind] = useState<'spread' | 'scale'>('spread');
  const [way, setWay] = useState<Way>('last-year');
  const [whole, setWhole] = useState<string | null>(/^\d$/.test(begun) ? begun : '');
  const [high, setHigh] = useState<string | null>('');
  const [factor, setFactor] = useState<string | null>('');
  const [step, setStep] = useState<string | null>('');
  const [weights, setWeights] = useState('');
  const given = weights
    .trim()
    .split(/[\s;]+/)
    .map((text) => readNumber(text, { decimals: 8 }));
  const isSpread = kind === 'spread' && !desk.isRate;
  const isWeighted = isSpread && way === 'weights';
  const hasWeights =
    given.length === parts.length && given.every((weight) => weight.kind === 'number');
  const asked = kind === 'scale' ? [factor] : desk.isRange ? [whole, high] : [whole];
  const isReady =
    asked.every((one) => one !== null && one !== '') &&
    step !== null &&
    (!isWeighted || hasWeights);

  function spread() {
    draft.spread({
      kind: kind === 'scale' ? 'as-it-stands' : way,
      ...(kind === 'scale' ? { factor: factor ?? '' } : { whole: whole ?? '' }),
      ...(kind === 'spread' && desk.isRange ? { high: high ?? '' } : {}),
      ...(step ? { step } : {}),
      parts: parts.map((part, at) => {
        const weight = given[at];
        return isWeighted && weight?.kind === 'number' ? { ...part, weight: weight.decimal } : part;
      }),
    });
  }

  return (
    <form
      aria-label={t('goalPanel.spreadOrScale')}
      className="mt-3 border-t border-rule pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) spread();
      }}
    >
      <div className="mb-1 flex gap-4">
        {(['spread', 'scale'] as const).map((one) => (
          <label key={one} className="flex min-h-6 items-center gap-1.5">
            <input
              type="radio"
              name="spread-kind"
              checked={kind === one}
              onChange={() => setKind(one)}
            />
            {one === 'scale'
              ? t('goalPanel.scaleByAFactor')
              : desk.isRate
                ? t('goalPanel.setARate')
                : t('goalPanel.spreadAnAmount')}
          </label>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2">
        {kind === 'spread' ? (
          <NumberField
            key="whole"
            label={
              desk.isRate
                ? t('goalPanel.rate')
                : desk.isRange
                  ? t('goalPanel.lowerEnds')
                  : t('goalPanel.amount')
            }
            value={begun}
            isBegun={begun !== ''}
            kind={{ decimals: desk.scale, isSigned: true }}
            onRead={setWhole}
          />
        ) : (
          <NumberField
            key="factor"
            label={t('goalPanel.factor')}
            value=""
            kind={{ decimals: 8 }}
            placeholder="1.03"
            onRead={setFactor}
          />
        )}
        {kind === 'spread' && desk.isRange && (
          <NumberField
            label={t('goalPanel.upperEnds')}
            value=""
            kind={{ decimals: desk.scale, isSigned: true }}
            onRead={setHigh}
          />
        )}
        <NumberField
          label={t('goalPanel.inStepsOf')}
          value=""
          kind={{ decimals: desk.scale }}
          onRead={setStep}
        />
      </div>
      {isSpread && (
        <label className="block">
          <span className="text-quiet">{t('goalPanel.by')}</span>
          <Select value={way} onChange={(event) => setWay(event.target.value as Way)}>
            {WAYS.map((one) => (
              <option key={one} value={one}>
                {WAY_WORDS[one]}
              </option>
            ))}
          </Select>
        </label>
      )}
      {isWeighted && (
        <label className="mt-1 block">
          <span className="text-quiet">{t('goalPanel.weightsOf', { n: parts.length })}</span>
          <input
            className={field}
            value={weights}
            aria-invalid={weights !== '' && !hasWeights}
            onChange={(event) => setWeights(event.target.value)}
          />
        </label>
      )}
      <button type="submit" className={`${smallButton} mt-2`} disabled={!isReady || draft.isBusy}>
        {kind === 'scale'
          ? t('goalPanel.scale', { n: parts.length })
          : desk.isRate
            ? t('goalPanel.setRateOf', { n: parts.length })
            : t('goalPanel.spreadOver', { n: parts.length })}
      </button>
    </form>
  );
}
