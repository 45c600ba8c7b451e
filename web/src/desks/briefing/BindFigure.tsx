import { useState } from 'react';
import type { BriefingBlock, Candidate } from '../../api/types';
import { useCandidates } from './useBriefings';
import { t } from './words';

interface BindFigureProps {
  briefing: { id: number };
  block: BriefingBlock;
  onReword: (text: string, figures?: BriefingBlock['figures']) => void;
}

/** Marks figures that somebody typed, and offers what they may be, so that they stay true. */
export function BindFigure({ briefing, block, onReword }: BindFigureProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const candidates = useCandidates(briefing.id, typed);
  return (
    <div className="no-print mt-1 border-l-4 border-rule pl-2.5 text-[12.5px]">
      <p className="text-quiet">
        {t('briefing.nothingBacks')}{' '}
        {block.unbound.map((one) => (
          <button
            key={one}
            type="button"
            aria-expanded={typed === one}
            className="mr-2 min-h-6 font-semibold text-select underline"
            onClick={() => setTyped(typed === one ? null : one)}
          >
            {t('briefing.bind', { figure: one })}
          </button>
        ))}
      </p>
      {typed !== null && candidates.data?.length === 0 && (
        <p role="status">{t('briefing.noFigureReadsLike', { figure: typed })}</p>
      )}
      {typed !== null && (candidates.data ?? []).length > 0 && (
        <ul>
          {(candidates.data ?? []).map((one) => (
            <li key={one.words}>
              <button
                type="button"
                className="min-h-6 text-select underline"
                onClick={() => onReword(...bound(block, typed, one))}
              >
                {one.words}: {one.shown}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The text with the typed figure replaced by a bound one under a free name. */
function bound(
  block: BriefingBlock,
  typed: string,
  candidate: Candidate,
): [string, BriefingBlock['figures']] {
  const names = block.figures.map(({ id }) => id);
  let number = 1;
  while (names.includes(`x${number}`)) number += 1;
  const id = `x${number}`;
  return [block.text.replace(typed, `{${id}}`), [...block.figures, { id, query: candidate.query }]];
}
