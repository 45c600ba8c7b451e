import { useState } from 'react';
import { ProblemError } from '../../api/client';
import type { CompanyRules, Rules, WritingRules } from '../../api/types';
import { mainButton } from '../../ui/Notice';
import { Saved } from '../../ui/Saved';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { tagOf, useSaveRules } from './useRules';
import { Pick } from '../../ui/Pick';
import { t } from './words';

/** Decimal and grouping mark, as "decimal grouping". */
const NUMBERS = [
  { value: '', word: t('companyPart.notSet123450') },
  { value: '.,', word: '1,234.50' },
  { value: ',.', word: '1.234,50' },
  { value: '. ', word: '1 234.50' },
  { value: ', ', word: '1 234,50' },
  { value: ".'", word: "1'234.50" },
  { value: ",'", word: "1'234,50" },
  { value: '.', word: '1234.50' },
  { value: ',', word: '1234,50' },
];

const DATES = [
  { value: '', word: t('companyPart.notSet20261105') },
  { value: 'dmy', word: t('companyPart.n5Nov2026DayMonth') },
  { value: 'mdy', word: t('companyPart.nov52026MonthDay') },
  { value: 'ymd', word: t('companyPart.n20261105YearMonth') },
];

const WEEK_STARTS = [
  { value: '', word: t('companyPart.notSet') },
  { value: 'monday', word: t('companyPart.monday') },
  { value: 'sunday', word: t('companyPart.sunday') },
  { value: 'saturday', word: t('companyPart.saturday') },
];

/** What is said of the company itself: its name, its day, and how it writes numbers and dates. */
export function CompanyPart({ rules }: { rules: Rules & { tag: string } }) {
  const [begun, setBegun] = useState(rules);
  const { company } = begun;
  const save = useSaveRules(tagOf(begun, rules, 'company'));
  const [name, setName] = useState(company.name);
  const [timeZone, setTimeZone] = useState(company.timeZone ?? '');
  const [numbers, setNumbers] = useState(numbersOf(company));
  const [dates, setDates] = useState(company.writing?.dates ?? '');
  const [weekStart, setWeekStart] = useState(company.writing?.weekStart ?? '');
  const problem = save.error instanceof ProblemError ? save.error : null;
  const faultAt = (place: string) =>
    problem?.place?.startsWith(`company.${place}`) ? problem.rule : undefined;
  return (
    <form
      aria-label={t('companyPart.company')}
      className="max-w-[460px] space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(
          {
            company: {
              name,
              timeZone: timeZone === '' ? null : timeZone,
              writing: writingOf(numbers, dates, weekStart),
            },
          },
          { onSuccess: setBegun },
        );
      }}
    >
      <h2 className="text-[16px] font-bold">{t('companyPart.company')}</h2>
      <Labelled label={t('companyPart.companyName')} fault={faultAt('name')}>
        <Input value={name} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <Labelled label={t('companyPart.timeZone')} fault={faultAt('timeZone')}>
        <Input
          list="time-zones"
          value={timeZone}
          placeholder={t('companyPart.notSetDaysBeginAt')}
          onChange={(event) => setTimeZone(event.target.value.trim())}
        />
        <datalist id="time-zones">
          {Intl.supportedValuesOf('timeZone').map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
      </Labelled>
      <Pick
        label={t('companyPart.numbers')}
        value={numbers}
        options={NUMBERS}
        onChange={setNumbers}
      />
      <Pick label={t('companyPart.dates')} value={dates} options={DATES} onChange={setDates} />
      <Pick
        label={t('companyPart.firstDayOfTheWeek')}
        value={weekStart}
        options={WEEK_STARTS}
        onChange={setWeekStart}
      />
      <p className="text-quiet">{t('companyPart.screensFieldsExportsStatementsAnd')}</p>
      <button type="submit" className={mainButton} disabled={save.isPending}>
        {t('companyPart.saveCompany')}
      </button>
      <Saved save={save} words={t('companyPart.saved')} />
      {save.isError && !problem?.place?.startsWith('company.') && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

/** The choice that shows what is set; a mark that was set alone gets the other's usual one. */
function numbersOf({ writing }: CompanyRules): string {
  if (!writing?.decimal && !writing?.grouping) return '';
  const decimal = writing.decimal ?? (writing.grouping === '.' ? ',' : '.');
  return decimal + (writing.grouping ?? ' ');
}

function writingOf(numbers: string, dates: string, weekStart: string): WritingRules {
  return {
    decimal: numbers.charAt(0) || null,
    grouping: numbers === '' ? null : numbers.slice(1),
    dates: dates || null,
    weekStart: weekStart || null,
  };
}
