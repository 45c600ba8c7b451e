import { shortMonth } from '../../format/figures';
import { capital, singular } from '../../format/nouns';
import { Bar } from './GoalLines';
import { edgeOf, textOf, yearOf, type Layout } from './layout';
import { shown, signedPercent } from './texts';
import { t } from './words';

/** Quarters and months, and the sum of all rows; they stay on top. */
export function GoalHead({ layout }: { layout: Layout }) {
  const { desk, columns } = layout;
  const { total } = desk;
  const isByQuarter =
    columns.every((column) => column.kind === 'month') && layout.show === 'months';
  return (
    <div role="rowgroup" className="sticky top-0 z-10 bg-sheet">
      <div role="row" aria-rowindex={1} className="goal-line h-[26px] text-quiet">
        <span role="columnheader" className="goal-name">
          {capital(singular(desk.axis))}
        </span>
        {columns.map((column) => {
          const month = desk.months[column.at];
          return column.kind === 'quarter' ? (
            <span
              key={`q${column.at}`}
              role="columnheader"
              className={`goal-cell self-end ${edgeOf(layout, column)}`}
            >
              {t('goalHead.quarter', { number: column.at + 1 })}
            </span>
          ) : (
            <span
              key={column.at}
              role="columnheader"
              className={`goal-cell self-end ${edgeOf(layout, column)} ${month?.isClosed ? 'goal-closed' : ''}`}
            >
              {month?.isClosed && <Lock />}
              {shortMonth(month?.month ?? '')}
            </span>
          );
        })}
        <span role="columnheader" className="goal-cell self-end">
          {t('goalHead.fy', { year: desk.year })}
        </span>
        <span role="columnheader" className="goal-cell self-end" title={t('goalHead.overTitle')}>
          {t('goalHead.overLastYear')}
        </span>
        <span role="columnheader" className="goal-cell self-end" title={t('goalHead.shareTitle')}>
          {t('goalHead.share')}
        </span>
        <span role="columnheader" className="self-end pl-2">
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
        {/* month totals of large goals do not fit, so that quarters stand over their months */}
        {isByQuarter
          ? total.quarters.map((quarter, at) => (
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
            ))
          : columns.map((column) => (
              <span
                key={`${column.kind}${column.at}`}
                role="gridcell"
                className={`goal-cell ${edgeOf(layout, column)}`}
              >
                {textOf(layout, total, 'total', column)}
              </span>
            ))}
        <span role="gridcell" className="goal-cell">
          {yearOf(desk, total)}
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
