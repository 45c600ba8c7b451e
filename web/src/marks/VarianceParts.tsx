import { useState } from 'react';
import type { AxisWord, CloseUp, Part, Split } from '../api/types';
import { amount, hasFraction, signed } from '../format/figures';
import { capital, plural, singular } from '../format/nouns';
import { ChartFrame, FigureTable } from './ChartFrame';
import { PartsChart } from './PartsChart';
import { Select } from '../ui/Select';
import { t } from './words';

const MOST = 12;

const SPLITS: Record<Split, string> = {
  'own-goals': t('varianceParts.usesEachPartsOwnGoals'),
  'last-years-mix': t('varianceParts.goalAllocatedByLastYears'),
  'whole-mix': t('varianceParts.goalAllocatedByTheWhole'),
  'rate-effect': t('varianceParts.whatEachPartAddsTo'),
};

interface VariancePartsProps {
  closeUp: CloseUp;
  isRate: boolean;
  /** The axis to begin with, where it tells something. */
  along?: AxisWord | null;
  /** The title's level among the page's headings. */
  level?: 2 | 3;
}

/** What the variance is made of, along another axis; the parts add up to it. */
export function VarianceParts({ closeUp, isRate, along = null, level = 3 }: VariancePartsProps) {
  const [chosen, setChosen] = useState(along ?? closeUp.parts[0]?.axis);
  const taken = closeUp.parts.find(({ axis }) => axis === chosen) ?? closeUp.parts[0];
  if (!taken) return null;
  const isWhole = taken.parts.every((part) => !hasFraction(part.variance));
  const figureOf = (part: Part) => signed(part.varianceShown, isWhole && !isRate ? 'drop' : 'keep');
  const ordered = [...taken.parts].sort((a, b) => Number(a.favourable) - Number(b.favourable));
  const shown = ordered.length <= MOST ? ordered : [...ordered.slice(0, 7), ...ordered.slice(-5)];
  return (
    <ChartFrame
      title={t('varianceParts.whereTheVarianceComesFrom')}
      level={level}
      controls={
        closeUp.parts.length > 1 && (
          <Select
            aria-label={t('varianceParts.partsBy')}
            className="rounded-sm border border-field bg-sheet px-1 py-0.5 text-[12px]"
            value={taken.axis}
            onChange={(event) => setChosen(event.target.value as typeof chosen)}
          >
            {closeUp.parts.map(({ axis }) => (
              <option key={axis} value={axis}>
                {t('varianceParts.by', { axis: singular(axis) })}
              </option>
            ))}
          </Select>
        )
      }
      table={
        <FigureTable
          head={[
            capital(singular(taken.axis)),
            t('varianceParts.actual'),
            t('varianceParts.goal'),
            t('varianceParts.variance'),
            t('varianceParts.ofTheMiss'),
          ]}
          rows={ordered.map((part) => [
            part.name,
            isRate ? '' : amount(part.actual),
            isRate ? '' : amount(part.goal),
            figureOf(part),
            part.shareShown ?? '',
          ])}
        />
      }
    >
      <PartsChart parts={shown} figureOf={figureOf} />
      <p className="mt-1 text-[12px] text-quiet">
        {ordered[0]?.shareShown &&
          t('varianceParts.accountsForOfTheMiss', {
            name: ordered[0].name,
            shareShown: ordered[0].shareShown,
          })}
        {SPLITS[taken.split]}
        {ordered.length > MOST &&
          t('varianceParts.moreAreInTheTable', {
            ordered: ordered.length - MOST,
            axis: plural(taken.axis),
          })}
      </p>
    </ChartFrame>
  );
}
