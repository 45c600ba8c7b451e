import type { GoalDesk } from '../../api/types';
import { amount, shortMonth } from '../../format/figures';
import { capital, singular } from '../../format/nouns';
import { Bar } from './GoalLines';
import { shown, signedPercent } from './texts';
import { t } from './words';

/** Quarters and months, and the sum of all rows; they stay on top. */
export function GoalHead({ desk }: { desk: GoalDesk }) {
  const { total } = desk;
  return (
    <div role="rowgroup" className="sticky top-0 z-10 bg-sheet">
      <div role="row" aria-rowindex={1} className="goal-line h-[26px] text-quiet">
        <span role="columnheader" className="goal-name">
          {capital(singular(desk.axis))}
        </span>
        {desk.months.map((month, at) => (
          <span
            key={month.month}
            role="columnheader"
            className={`goal-cell self-end ${at % 3 === 0 ? 'goal-quarter' : ''} ${month.isClosed ? 'goal-closed' : ''}`}
          >
            {month.isClosed && <Lock />}
            {shortMonth(month.month)}
          </span>
        ))}
        <span role="columnheader" className="goal-cell self-end">
          {t('goalHead.fy', { year: desk.year })}
        </span>
        <span role="columnheader" className="goal-cell self-end" title={t('goalHead.overTitle')}>
          {t('goalHead.overLastYear')}
        </span>
        <span role="columnheader" className="goal-cell self-end" title={t('goalHead.shareTitle')}>
          {t('goalHead.share')}
        </span>
        <span role="columnheader" className="goal-cell self-end">
          {t('goalHead.lastYear')}
        </span>
      </div>
      <div
        role="row"
        aria-rowindex={2}
        className="goal-line h-[30px] border-b-2 border-ink font-semibold"
      >
        <span role="rowheader" className="goal-name">
          {t('goalHead.total')}
        </span>
        {total.quarters.map((quarter, at) => (
          <span
            key={at}
            role="gridcell"
            aria-colspan={3}
            className="goal-cell goal-quarter col-span-3"
            title={t('goalHead.quarter', { number: at + 1 })}
          >
            <span className="mr-2 text-[11px] font-normal text-quiet">
              {t('goalHead.quarter', { number: at + 1 })}
            </span>
            {shown(desk, quarter)}
          </span>
        ))}
        <span role="gridcell" className="goal-cell">
          {amount(total.total, 'drop')}
        </span>
        <span role="gridcell" className="goal-cell">
          {signedPercent(total.stretch)}
        </span>
        <span role="gridcell" className="goal-cell" />
        <span role="gridcell" className="pl-2">
          <Bar line={total} />
        </span>
      </div>
    </div>
  );
}

/** A closed month, or a cell that is kept. */
export function Lock() {
  return (
    <svg width="9" height="11" viewBox="0 0 9 11" aria-hidden="true" className="mr-0.5 inline">
      <path d="M2 5V3.4a2.5 2.5 0 0 1 5 0V5" fill="none" stroke="currentColor" />
      <rect x="0.5" y="5" width="8" height="5.5" rx="1" fill="currentColor" />
    </svg>
  );
}
