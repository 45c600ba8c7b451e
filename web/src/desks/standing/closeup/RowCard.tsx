import { useState } from 'react';
import type { Reading, Standing } from '../../../api/types';
import { amount, growth, NONE } from '../../../format/figures';
import { StatusMark } from '../../../marks/StatusMark';
import { smallButton } from '../../../ui/Notice';
import { EMPTY, figuresOf, isPast, statusOf, varianceOf } from '../rows';
import { t } from '../words';

interface RowCardProps {
  name: string;
  months: string;
  reading: Reading;
  standing: Standing;
}

/**
 * A row, a selection or the total by itself: its figures, what is missing or above, how it moved,
 * and its status; to be read alone, and copied as text.
 */
export function RowCard({ name, months, reading, standing }: RowCardProps) {
  const [isCopied, setCopied] = useState(false);
  const lines = linesOf(reading, standing);
  function copy() {
    const text = [
      `${name}, ${months}`,
      ...lines.map(([what, figure]) => `${what}: ${figure}`),
      t('rowCard.status', { status: statusOf(reading) }),
    ].join('\n');
    void navigator.clipboard.writeText(text).then(() => setCopied(true));
  }
  return (
    <section aria-label={t('rowCard.card', { name })} className="mb-3">
      <dl className="grid grid-cols-[repeat(auto-fit,minmax(104px,1fr))] gap-x-3 gap-y-1.5">
        {lines.map(([what, figure]) => (
          <div key={what}>
            <dt className="text-[12px] text-quiet">{what}</dt>
            <dd className="font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1.5 flex items-center justify-between gap-3">
        <StatusMark
          status={statusOf(reading)}
          tone={reading.spoken.tone}
          isPast={isPast(reading, standing.rung.rungs)}
        />
        <button type="button" className={`${smallButton} no-print`} onClick={copy}>
          {isCopied ? t('rowCard.copied') : t('rowCard.copy')}
        </button>
      </p>
    </section>
  );
}

function linesOf(reading: Reading, standing: Standing): [string, string][] {
  const { spoken } = reading;
  const isEmpty = spoken.noReading === EMPTY;
  const figures = figuresOf(reading);
  const unit = standing.unit === 'rate' ? ' %' : '';
  const toDate = spoken.kind === 'to-date';
  const goal = reading.goalLow
    ? `${amount(reading.goalLow)} – ${amount(reading.goalHigh ?? null)}`
    : amount(toDate ? spoken.goal : figures.goal) + (figures.goal === null ? '' : unit);
  const variance = isEmpty ? null : varianceOf(reading);
  const share = spoken.variancePercentShown;
  return [
    [t('rowCard.actual'), isEmpty ? NONE : amount(figures.actual) + unit],
    [toDate ? t('rowCard.goalToDate') : t('rowCard.goal'), goal],
    [
      toDate ? t('rowCard.ofGoalToDate') : t('rowCard.ofGoal'),
      spoken.percentShown === null || isEmpty ? NONE : `${amount(spoken.percentShown)} %`,
    ],
    [
      gapWord(standing, variance),
      variance === null
        ? NONE
        : amount(variance.replace('-', '')) +
          (share === null || unit !== '' ? '' : ` (${amount(share.replace('-', ''))} %)`),
    ],
    [t('rowCard.onPrior'), isEmpty || toDate ? NONE : changeText(reading.growthShown)],
    [t('rowCard.onYear'), isEmpty || toDate ? NONE : changeText(reading.growthOnYearShown)],
  ];
}

const changeText = (shown: string | null) => (shown === null ? NONE : growth(shown));

/** What is missing or above, in the measure's direction. */
function gapWord({ direction }: Standing, variance: string | null): string {
  const isBelow = variance?.startsWith('-') ?? false;
  if (direction === 'LOWER') return isBelow ? t('rowCard.under') : t('rowCard.over');
  if (direction === 'NEAREST') return isBelow ? t('rowCard.below') : t('rowCard.above');
  return isBelow || variance === null ? t('rowCard.shortfall') : t('rowCard.excess');
}
