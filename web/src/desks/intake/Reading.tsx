import { useState } from 'react';
import { offered } from '../../api/goalSets';
import type { AxisWord, Company, Load, LoadKind, Sheet } from '../../api/types';
import { quietButton } from '../../ui/Notice';
import type { useSay } from './useIntake';
import { singular } from '../../format/nouns';
import { dayText } from '../../format/writing';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { Select } from '../../ui/Select';
import { t } from './words';

const KINDS: LoadKind[] = ['actuals', 'goals', 'roster', 'products', 'deals'];
const AXES: AxisWord[] = ['rep', 'region', 'product', 'line', 'manager', 'company'];
const field = 'rounded-sm border border-quiet bg-sheet px-2 py-1';

interface ReadingProps {
  load: Load;
  sheet: Sheet;
  company: Company;
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
}

/** How the file as a whole is read, in one line; opened, it can be said otherwise. */
export function Reading({ load, sheet, company, isOpen, say }: ReadingProps) {
  const [isEditing, setEditing] = useState(false);
  if (isEditing && isOpen) {
    return (
      <ReadingForm sheet={sheet} company={company} say={say} onDone={() => setEditing(false)} />
    );
  }
  return (
    <p className="mb-2 shrink-0 text-quiet">
      {t('reading.fileType2')} <b className="text-ink">{words(load, sheet)}</b>
      {load.readAs && `, ${load.readAs}`}
      {sheet.sheets.length > 1 && t('reading.sheet', { sheet: sheet.sheet })}.{' '}
      {isOpen && (
        <button
          type="button"
          className="min-h-6 text-select underline"
          onClick={() => setEditing(true)}
        >
          {t('reading.change')}
        </button>
      )}
    </p>
  );
}

function words(load: Load, sheet: Sheet): string {
  if (sheet.kind === null) return t('reading.unknown');
  if (sheet.kind === 'goals')
    return t('reading.goalsBySet', {
      axis: singular(load.axis ?? 'rep'),
      goalSet: sheet.goalSet ?? '',
    });
  if (sheet.kind === 'deals')
    return sheet.asOf
      ? t('reading.dealsOf', { day: dayText(sheet.asOf), source: sheet.source ?? '' }).trim()
      : sheet.kind;
  const beside =
    sheet.kind === 'actuals' && sheet.axis
      ? t('reading.withGoalsOf', { goalSet: sheet.goalSet })
      : '';
  return (
    sheet.kind +
    beside +
    (sheet.isWide && sheet.measure ? t('reading.monthsOf', { measure: sheet.measure }) : '')
  );
}

function ReadingForm(props: {
  sheet: Sheet;
  company: Company;
  say: ReturnType<typeof useSay>;
  onDone: () => void;
}) {
  const { sheet, company, say } = props;
  const [kind, setKind] = useState<LoadKind>(sheet.kind ?? 'actuals');
  const [goalSet, setGoalSet] = useState(sheet.goalSet ?? (sheet.kind === 'goals' ? '' : 'quota'));
  const [axis, setAxis] = useState<AxisWord | ''>(sheet.axis ?? (kind === 'goals' ? 'rep' : ''));
  const [measure, setMeasure] = useState(sheet.measure ?? '');
  const [year, setYear] = useState(String(sheet.fiscalYear));
  const [tab, setTab] = useState(sheet.sheet);
  const [asOf, setAsOf] = useState(sheet.asOf ?? '');
  const [source, setSource] = useState(sheet.source ?? '');
  const hasAmounts = kind === 'actuals' || kind === 'goals';
  return (
    <form
      className="mb-2.5 flex shrink-0 flex-wrap items-end gap-x-4 gap-y-2 bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        say.mutate(
          {
            kind: 'reading',
            told: {
              kind,
              goalSet,
              axis: hasAmounts ? (kind === 'goals' && axis === '' ? 'rep' : axis) : '',
              measure,
              fiscalYear: Number(year) || sheet.fiscalYear,
              sheet: tab,
              ...(kind === 'deals' ? { asOf, source } : {}),
            },
          },
          { onSuccess: props.onDone },
        );
      }}
    >
      <Labelled label={t('reading.fileType')}>
        <Select value={kind} onChange={(event) => setKind(event.target.value as LoadKind)}>
          {KINDS.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Select>
      </Labelled>
      {hasAmounts && (
        <Labelled label={kind === 'goals' ? t('reading.goalsBy') : t('reading.goalsInTheSameFile')}>
          <Select value={axis} onChange={(event) => setAxis(event.target.value as AxisWord | '')}>
            {kind === 'actuals' && <option value="">{t('reading.none')}</option>}
            {(kind === 'goals' ? AXES : AXES.slice(0, 3)).map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Labelled>
      )}
      {(kind === 'goals' || (hasAmounts && axis !== '')) && (
        <Labelled label={t('reading.goalSet')}>
          <Input
            className={`${field} w-[130px]`}
            value={goalSet}
            list="goal-sets"
            required
            maxLength={120}
            onChange={(event) => setGoalSet(event.target.value)}
          />
          <datalist id="goal-sets">
            {offered(company).map((one) => (
              <option key={one.name} value={one.name} />
            ))}
          </datalist>
        </Labelled>
      )}
      {hasAmounts && (
        <Labelled label={t('reading.monthColumnsContain')}>
          <Select value={measure} onChange={(event) => setMeasure(event.target.value)}>
            <option value="">{t('reading.notSet')}</option>
            {company.measures.map((one) => (
              <option key={one.code}>{one.code}</option>
            ))}
          </Select>
        </Labelled>
      )}
      {hasAmounts && (
        <Labelled label={t('reading.fiscalYearOfThePeriods')}>
          <Input
            className={`${field} w-[70px]`}
            inputMode="numeric"
            value={year}
            onChange={(event) => setYear(event.target.value)}
          />
        </Labelled>
      )}
      {kind === 'deals' && (
        <>
          <Labelled label={t('reading.dealsAsOf')}>
            <input
              className={field}
              type="date"
              required
              value={asOf}
              onChange={(event) => setAsOf(event.target.value)}
            />
          </Labelled>
          <Labelled label={t('reading.source')}>
            <Input
              className={`${field} w-[130px]`}
              value={source}
              maxLength={80}
              onChange={(event) => setSource(event.target.value)}
            />
          </Labelled>
        </>
      )}
      {sheet.sheets.length > 1 && (
        <Labelled label={t('reading.sheet2')}>
          <Select value={tab} onChange={(event) => setTab(event.target.value)}>
            {sheet.sheets.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Labelled>
      )}
      <button type="submit" className={quietButton} disabled={say.isPending}>
        {t('reading.apply')}
      </button>
      <button type="button" className="py-1.5 text-select underline" onClick={props.onDone}>
        {t('reading.cancel')}
      </button>
    </form>
  );
}
