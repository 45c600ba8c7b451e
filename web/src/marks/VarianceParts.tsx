import { useState } from 'react';
import type { AxisWord, CloseUp, Part, Split } from '../api/types';
import { amount, hasFraction, plural, signed } from '../format/figures';
import { ChartFrame, FigureTable } from './ChartFrame';
import { PartsChart } from './PartsChart';

const MOST = 12;

const SPLITS: Record<Split, string> = {
  'own-goals': 'Each part has its own goals.',
  'last-years-mix': 'The goal is split as the year before was.',
  'whole-mix': 'The goal is split as the year before of all was.',
  'rate-effect': 'What each part adds to the difference, in points.',
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
      title="Where the variance comes from"
      level={level}
      controls={
        closeUp.parts.length > 1 && (
          <select
            aria-label="Parts by"
            className="rounded-sm border border-rule bg-sheet px-1 py-0.5 text-[12px]"
            value={taken.axis}
            onChange={(event) => setChosen(event.target.value as typeof chosen)}
          >
            {closeUp.parts.map(({ axis }) => (
              <option key={axis} value={axis}>
                by {axis}
              </option>
            ))}
          </select>
        )
      }
      table={
        <FigureTable
          head={[capital(taken.axis), 'Actual', 'Goal', 'Variance', '% of the miss']}
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
        {ordered[0]?.shareShown && `${ordered[0].name} is ${ordered[0].shareShown} % of the miss. `}
        {SPLITS[taken.split]}
        {ordered.length > MOST &&
          ` ${ordered.length - MOST} ${plural(taken.axis)} in between are in the figures.`}
      </p>
    </ChartFrame>
  );
}

function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}
