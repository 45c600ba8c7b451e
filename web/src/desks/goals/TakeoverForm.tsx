import { useState } from 'react';
import type { GoalDesk, GoalLine } from '../../api/types';
import { monthName } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { field } from '../../ui/field';
import { smallButton } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Pick } from '../../ui/Pick';
import type { Draft } from './useGoals';
import { WAY_WORDS } from './ways';
import { t } from './words';

interface TakeoverFormProps {
  desk: GoalDesk;
  row: GoalLine;
  /** First month in which it holds. */
  month: string;
  draft: Draft;
}

const BY = (['as-it-stands', 'last-year', 'even'] as const).map((way) => ({
  value: way,
  word: WAY_WORDS[way],
}));

const OVER = [
  { value: 'own', word: t('takeover.ownMonths') },
  { value: 'even', word: t('takeover.evenMonths') },
  { value: 'last-year', word: t('takeover.lastYearMonths') },
];

/** Goals that pass on when somebody leaves, moves or joins within the year; all of them together stay. */
export function TakeoverForm({ desk, row, month, draft }: TakeoverFormProps) {
  const [kind, setKind] = useState<'leaves' | 'joins'>('leaves');
  const [other, setOther] = useState('');
  const [by, setBy] = useState('as-it-stands');
  const [over, setOver] = useState('own');
  const [goal, setGoal] = useState<string | null>('');
  const [ramp, setRamp] = useState('');
  const [step, setStep] = useState<string | null>('');
  const percents = readRamp(ramp);
  const isReady =
    step !== null && (kind === 'leaves' || (goal !== null && goal !== '' && percents !== null));
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="cursor-pointer font-semibold">{t('takeover.title')}</summary>
      <form
        aria-label={t('takeover.title')}
        className="mt-2 space-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (!isReady) return;
          draft.takeover({
            kind,
            key: row.key,
            from: month,
            by,
            ...(other ? { others: [other] } : {}),
            ...(kind === 'leaves' ? { over } : { goal: goal ?? '', ramp: percents ?? [] }),
            ...(step ? { step } : {}),
          });
        }}
      >
        {(['leaves', 'joins'] as const).map((one) => (
          <label key={one} className="flex items-start gap-1.5">
            <input
              type="radio"
              name="takeover-kind"
              className="mt-1"
              checked={kind === one}
              onChange={() => setKind(one)}
            />
            <span>
              {t(one === 'leaves' ? 'takeover.leaves' : 'takeover.joins', {
                name: row.name,
                month: monthName(month),
              })}
            </span>
          </label>
        ))}
        {kind === 'joins' && (
          <div className="grid grid-cols-2 gap-2">
            <NumberField
              label={t('takeover.goalOfAMonth')}
              value=""
              kind={{ decimals: desk.scale }}
              onRead={setGoal}
            />
            <label className="block">
              <span className="text-quiet">{t('takeover.ramp')}</span>
              <input
                className={field}
                value={ramp}
                placeholder="25 50 75"
                aria-invalid={percents === null}
                onChange={(event) => setRamp(event.target.value)}
              />
            </label>
          </div>
        )}
        <Pick
          label={kind === 'leaves' ? t('takeover.whoTakesOver') : t('takeover.whoGivesUp')}
          value={other}
          options={[
            { value: '', word: t('takeover.allOfTheGroup') },
            ...desk.rows
              .filter(({ key }) => key !== row.key)
              .map(({ key, name }) => ({ value: key, word: name })),
          ]}
          onChange={setOther}
        />
        <div className={kind === 'leaves' ? 'grid grid-cols-2 gap-2' : ''}>
          <Pick label={t('takeover.sharedBy')} value={by} options={BY} onChange={setBy} />
          {kind === 'leaves' && (
            <Pick label={t('takeover.overMonths')} value={over} options={OVER} onChange={setOver} />
          )}
        </div>
        <NumberField
          label={t('goalPanel.inStepsOf')}
          value=""
          kind={{ decimals: desk.scale }}
          onRead={setStep}
        />
        <button type="submit" className={smallButton} disabled={!isReady || draft.isBusy}>
          {t('takeover.propose')}
        </button>
      </form>
    </details>
  );
}

/** Percentages in order; null where one cannot be read. */
function readRamp(text: string): string[] | null {
  if (text.trim() === '') return [];
  const read = text
    .replace(/%/g, ' ')
    .trim()
    .split(/[\s;]+/)
    .map((one) => readNumber(one, { decimals: 4 }));
  return read.every((one) => one.kind === 'number') ? read.map((one) => one.decimal) : null;
}
