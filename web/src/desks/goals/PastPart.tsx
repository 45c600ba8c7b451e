import { Link } from 'react-router';
import type { GoalDesk } from '../../api/types';
import { shown } from './texts';
import { useGoalPast, type Asked } from './useGoals';
import { t } from './words';

interface PastPartProps {
  which: Asked;
  desk: GoalDesk;
  row: string;
  month: string;
}

/** Where the goal of one cell comes from, and what stood there before, down to the line. */
export function PastPart({ which, desk, row, month }: PastPartProps) {
  const past = useGoalPast(which, row, month);
  if (!past.data || past.data.length === 0) return null;
  return (
    <section aria-label={t('past.history')} className="mt-3 border-t border-rule pt-2">
      <h3 className="font-semibold">{t('past.history')}</h3>
      <ol>
        {past.data.map((one) => (
          <li key={one.load} className="flex justify-between gap-2">
            <Link
              className="min-w-0 truncate text-select underline"
              title={one.file}
              to={`/intake?load=${one.load}&line=${one.line}`}
            >
              {t('past.fileLine', { file: one.file, line: one.line })}
            </Link>
            <span className="whitespace-nowrap">
              {one.amount === null ? t('past.takenAway') : shown(desk, one.amount)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
