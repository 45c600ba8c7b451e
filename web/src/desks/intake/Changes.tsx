import { useState } from 'react';
import type { Change, Changes as ChangesShape, Load } from '../../api/types';
import { amount, count, monthName, shortMonth } from '../../format/figures';

const FIRST = 3;

/** What posting would change per member and month, old to new, the biggest first. */
export function Changes({ load, changes }: { load: Load; changes: ChangesShape }) {
  const [isOpen, setOpen] = useState(false);
  if (changes.changeCount === 0) {
    return <p className="shrink-0 pt-2 text-quiet">Posting changes no figure.</p>;
  }
  const where =
    changes.months.length === 1 && changes.months[0] ? ` to ${monthName(changes.months[0])}` : '';
  const first = changes.changes
    .filter((change) => change.measure === changes.changes[0]?.measure)
    .slice(0, FIRST);
  const verb = changes.mode === 'add' ? `Posting adds${where}` : 'Posting changes';
  const all = `All ${count(changes.changeCount, 'figure')}`;
  return (
    <section aria-label="What posting changes" className="shrink-0 pt-2">
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
          {isOpen ? 'Close' : changes.changeCount === 1 ? 'As a table' : all}
        </button>
      </p>
      {isOpen && (
        <div className="mt-1.5 max-h-[190px] overflow-auto bg-sheet">
          <table className="w-full">
            <caption className="sr-only">Figures that posting {load.file} changes</caption>
            <thead>
              <tr className="sticky top-0 border-b border-ink bg-sheet text-left text-[12px] text-quiet">
                <th scope="col" className="px-3 py-1">
                  Member
                </th>
                <th scope="col">Month</th>
                <th scope="col">Figure</th>
                <th scope="col" className="text-right">
                  Now
                </th>
                <th scope="col" className="px-3 text-right">
                  After
                </th>
              </tr>
            </thead>
            <tbody>
              {changes.changes.map((change) => (
                <tr key={keyOf(change)} className="border-b border-rule">
                  <td className="px-3 py-1">{change.name}</td>
                  <td>{monthName(change.month)}</td>
                  <td>{change.measure + (change.isGoal ? ', goal' : '')}</td>
                  <td className="text-right">{amount(change.before)}</td>
                  <td className="px-3 text-right font-semibold">{amount(change.after)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {changes.changeCount > changes.changes.length && (
            <p className="px-3 py-1.5 text-quiet">
              The {amount(String(changes.changes.length))} largest are shown.
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
      {!isMonthSaid && ` in ${shortMonth(change.month)}`}
      {change.isGoal && ', goal'}
      {change.measure !== 'revenue' && `, ${change.measure}`}{' '}
      <b className="whitespace-nowrap">
        {change.before === null ? '0' : amount(change.before)} → {amount(change.after)}
      </b>
    </>
  );
}
