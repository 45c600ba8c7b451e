import { useState } from 'react';
import { Link } from 'react-router';
import { offered } from '../../api/goalSets';
import type { Company, GoalDesk } from '../../api/types';
import { plural } from '../../format/nouns';
import { smallButton } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Pick } from '../../ui/Pick';
import type { Asked, Draft } from './useGoals';
import { WAY_WORDS, WAYS } from './ways';
import { t } from './words';

interface LevelsFormProps {
  company: Company;
  which: Asked;
  desk: GoalDesk;
  locked: ReadonlySet<string>;
  draft: Draft;
}

/** Takes the goals of groups down to the rows, or those of members up, month by month. */
export function LevelsForm({ company, which, desk, locked, draft }: LevelsFormProps) {
  const [source, setSource] = useState(desk.upFrom[0] ?? '');
  const sources = [desk.downFrom, desk.upFrom, desk.copyFrom];
  if (desk.isRange || sources.every((sets) => sets.length === 0)) return null;
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="cursor-pointer font-semibold">{t('levels.topDownAndBottomUp')}</summary>
      {desk.downFrom.length > 0 && (
        <DownForm company={company} which={which} desk={desk} locked={locked} draft={draft} />
      )}
      {desk.upFrom.length > 0 && (
        <form
          aria-label={t('levels.bottomUp')}
          className="mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            draft.levels({ direction: 'up', from: source, locked: [] });
          }}
        >
          <Pick
            label={t('levels.sumsOf')}
            value={source}
            options={desk.upFrom.map((set) => ({ value: set, word: set }))}
            onChange={setSource}
          />
          <button type="submit" className={`${smallButton} mt-2`} disabled={draft.isBusy}>
            {t('levels.takeTheSums', { rows: plural(desk.axis) })}
          </button>
        </form>
      )}
      {desk.copyFrom.length > 0 && <CopyForm desk={desk} draft={draft} />}
    </details>
  );
}

const DIRECTLY = '';

/** Spreads the goals of groups, or of the company, over the rows: at once or by way of a level between. */
function DownForm({ company, which, desk, locked, draft }: LevelsFormProps) {
  const [from, setFrom] = useState(desk.downFrom[0] ?? '');
  const [through, setThrough] = useState(DIRECTLY);
  const [way, setWay] = useState('last-year');
  const [step, setStep] = useState<string | null>('');
  const [taken, setTaken] = useState<string | null>(null);
  const source = company.goalSets.find((set) => set.name === from);
  const between =
    source === undefined || source.axis === desk.group
      ? []
      : offered(company).filter((set) => set.axis === desk.group);
  const places = [...locked].flatMap((place) => {
    const [key, month] = [
      place.slice(0, place.lastIndexOf(' ')),
      place.slice(place.lastIndexOf(' ') + 1),
    ];
    const head = desk.months[Number(month)];
    return head ? [{ key, month: head.month }] : [];
  });
  const set = between.find((one) => one.name === through)?.name ?? DIRECTLY;
  return (
    <form
      aria-label={t('levels.topDown')}
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (step === null) return;
        draft.levels({
          direction: 'down',
          from,
          kind: way,
          ...(set === DIRECTLY ? {} : { through: set }),
          ...(step ? { step } : {}),
          locked: places,
        });
        setTaken(set === DIRECTLY ? null : set);
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <Pick
          label={t('levels.goalsOf')}
          value={from}
          options={desk.downFrom.map((one) => ({ value: one, word: one }))}
          onChange={setFrom}
        />
        {between.length > 0 && (
          <Pick
            label={t('levels.through')}
            value={set}
            options={[
              { value: DIRECTLY, word: t('levels.directly') },
              ...between.map(({ name }) => ({ value: name, word: name })),
            ]}
            onChange={setThrough}
          />
        )}
        <Pick
          label={t('levels.by')}
          value={way}
          options={WAYS.filter((one) => one !== 'weights' && one !== 'working-days').map((one) => ({
            value: one,
            word: WAY_WORDS[one],
          }))}
          onChange={setWay}
        />
      </div>
      <NumberField
        label={t('levels.inStepsOf')}
        value=""
        kind={{ decimals: desk.scale }}
        onRead={setStep}
      />
      <button type="submit" className={smallButton} disabled={draft.isBusy || step === null}>
        {t('levels.spreadOver', { rows: plural(desk.axis) })}
      </button>
      {taken !== null && !draft.isBusy && draft.error === null && (
        <p role="status" className="mt-2 border-l-4 border-good pl-2">
          {t('levels.throughDraft', { set: taken })}{' '}
          <Link
            className="font-semibold text-select underline"
            to={`/goals?${new URLSearchParams({
              set: taken,
              measure: desk.measure,
              to: desk.months.at(-1)?.month ?? '',
              ...(which.slot === 1 ? {} : { draft: String(which.slot) }),
            }).toString()}`}
          >
            {t('levels.openThrough', { set: taken })}
          </Link>
        </p>
      )}
    </form>
  );
}

/** Lays the goals of another year or set, times a factor, on the open months. */
function CopyForm({ desk, draft }: { desk: GoalDesk; draft: Draft }) {
  const [from, setFrom] = useState(
    desk.copyFrom.includes(desk.goalSet) ? desk.goalSet : (desk.copyFrom[0] ?? ''),
  );
  const before = desk.others.filter((year) => year < desk.year).at(-1) ?? desk.year;
  const [year, setYear] = useState(String(before));
  const [factor, setFactor] = useState<string | null>('');
  const [step, setStep] = useState<string | null>('');
  const isItself = from === desk.goalSet && year === String(desk.year);
  return (
    <form
      aria-label={t('levels.copy')}
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (factor === null || step === null) return;
        draft.levels({
          direction: 'copy',
          from,
          fromYear: Number(year),
          ...(factor ? { factor } : {}),
          ...(step ? { step } : {}),
          locked: [],
        });
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <Pick
          label={t('levels.copyGoalsOf')}
          value={from}
          options={desk.copyFrom.map((set) => ({ value: set, word: set }))}
          onChange={setFrom}
        />
        <Pick
          label={t('levels.fiscalYear')}
          value={year}
          options={desk.others.map((one) => ({ value: String(one), word: String(one) }))}
          onChange={setYear}
        />
        <NumberField
          label={t('levels.timesAFactor')}
          value=""
          kind={{ decimals: 8 }}
          placeholder="1.05"
          onRead={setFactor}
        />
        <NumberField
          label={t('levels.inStepsOf')}
          value=""
          kind={{ decimals: desk.scale }}
          onRead={setStep}
        />
      </div>
      <button
        type="submit"
        className={smallButton}
        disabled={draft.isBusy || factor === null || step === null || (isItself && factor === '')}
      >
        {t('levels.copyGoals')}
      </button>
    </form>
  );
}
