import { useState } from 'react';
import type { Change, Changes as ChangesShape, Load } from '../../api/types';
import { amount, monthName, shortMonth } from '../../format/figures';
import { count } from '../../format/nouns';
import { t } from './words';

const FIRST = 3;

/** What posting would change per member and month, old to new, the biggest first. */
export function Changes({ load, changes }: { load: Load; changes: ChangesShape }) {
  const [isOpen, setOpen] = useState(false);
  if (changes.changeCount === 0) {
    return <p className="shrink-0 pt-2 text-quiet">{t('changes.postingChangesNoFigure')}</p>;
  }
  const where =
    changes.months.length === 1 && changes.months[0]
      ? t('changes.to', { months: monthName(changes.months[0]) })
      : '';
  const first = changes.changes
    .filter((change) => change.measure === changes.changes[0]?.measure)
    .slice(0, FIRST);
  const verb =
    changes.mode === 'add' ? t('changes.postingAdds', { where }) : t('changes.postingChanges');
  const all = t('changes.all', { changeCount: count(changes.changeCount, 'figure') });
  return (
    <section aria-label={t('changes.whatPostingChanges')} className="shrink-0 pt-2">
      <p>
        <span className="text-quiet">{verb}: </span>
        {first.map((change, at) => (
          <span key={keyOf(change)}>
            {at > 0 && ', '}
            <One change={change} isMonthSaid={changes.months.length === 1} />
          </span>
        ))}
        .{' '}
        <button
          type="button"
          className="min-h-6 text-select underline"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen
            ? t('changes.closeTable')
            : changes.changeCount === 1
              ? t('changes.showTable')
              : all}
        </button>
      </p>
      {isOpen && (
        <div className="mt-1.5 max-h-[190px] overflow-auto bg-sheet">
          <table className="w-full">
            <caption className="sr-only">
              {t('changes.figuresThatPostingChanges', { file: load.file })}
            </caption>
            <thead>
              <tr className="sticky top-0 border-b border-ink bg-sheet text-left text-[12px] text-quiet">
                <th scope="col" className="px-3 py-1">
                  {t('changes.member')}
                </th>
                <th scope="col">{t('changes.month')}</th>
                <th scope="col">{t('changes.figure')}</th>
                <th scope="col" className="text-right">
                  {t('changes.now')}
                </th>
                <th scope="col" className="px-3 text-right">
                  {t('changes.after')}
                </th>
              </tr>
            </thead>
            <tbody>
              {changes.changes.map((change) => (
                <tr key={keyOf(change)} className="border-b border-rule">
                  <td className="px-3 py-1">{change.name}</td>
                  <td>{monthName(change.month)}</td>
                  <td>{change.measure + (change.isGoal ? t('changes.goal') : '')}</td>
                  <td className="text-right">{amount(change.before)}</td>
                  <td className="px-3 text-right font-semibold">{amount(change.after)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {changes.changeCount > changes.changes.length && (
            <p className="px-3 py-1.5 text-quiet">
              {t('changes.theLargestAreShown', { changes: amount(String(changes.changes.length)) })}
            </p>
          )}
        </div>
      )}
    </section>
  );
}

function keyOf(change: Change): string {
  return `${change.key} ${change.month} ${change.measure} ${change.isGoal}`;
}

function One({ change, isMonthSaid }: { change: Change; isMonthSaid: boolean }) {
  return (
    <>
      {change.name}
      {!isMonthSaid && t('changes.in', { month: shortMonth(change.month) })}
      {change.isGoal && t('changes.goal')}
      {change.measure !== 'revenue' && `, ${change.measure}`}{' '}
      <b className="whitespace-nowrap">
        {change.before === null ? '0' : amount(change.before)} → {amount(change.after)}
      </b>
    </>
  );
}
