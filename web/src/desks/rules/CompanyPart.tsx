import { useState } from 'react';
import { ProblemError } from '../../api/client';
import type { CompanyRules, Rules, WritingRules } from '../../api/types';
import { field } from '../../ui/Drop';
import { mainButton } from '../../ui/Notice';
import { Labelled } from './Labelled';
import { useSaveRules } from './useRules';
import { Pick } from '../../ui/Pick';

/** Decimal and grouping mark, as "decimal grouping". */
const NUMBERS = [
  { value: '', word: 'not set: 1 234.50, files are read by what they show' },
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
  { value: '', word: 'not set: 2026-11-05, files are read by what they show' },
  { value: 'dmy', word: '5 Nov 2026 (day, month, year)' },
  { value: 'mdy', word: 'Nov 5, 2026 (month, day, year)' },
  { value: 'ymd', word: '2026-11-05 (year, month, day)' },
];

const WEEK_STARTS = [
  { value: '', word: 'not set' },
  { value: 'monday', word: 'Monday' },
  { value: 'sunday', word: 'Sunday' },
  { value: 'saturday', word: 'Saturday' },
];

/** What is said of the company itself: its name, its day, and how it writes numbers and dates. */
export function CompanyPart({ rules }: { rules: Rules & { tag: string } }) {
  const [begun, setBegun] = useState(rules);
  const { company } = begun;
  const save = useSaveRules(begun.tag);
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
      aria-label="Company"
      className="max-w-[460px] space-y-3 overflow-auto px-[18px] py-1"
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
      <Labelled label="Company name" fault={faultAt('name')}>
        <input className={field} value={name} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <Labelled label="Time zone" fault={faultAt('timeZone')}>
        <input
          className={field}
          list="time-zones"
          value={timeZone}
          placeholder="not set: days begin at midnight UTC"
          onChange={(event) => setTimeZone(event.target.value.trim())}
        />
        <datalist id="time-zones">
          {Intl.supportedValuesOf('timeZone').map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
      </Labelled>
      <Pick label="Numbers" value={numbers} options={NUMBERS} onChange={setNumbers} />
      <Pick label="Dates" value={dates} options={DATES} onChange={setDates} />
      <Pick
        label="First day of the week"
        value={weekStart}
        options={WEEK_STARTS}
        onChange={setWeekStart}
      />
      <p className="text-quiet">
        Screens, fields, exports, statements and mails use this way of writing. A file that does not
        show its own is read by it.
      </p>
      <button type="submit" className={mainButton} disabled={save.isPending}>
        Save company
      </button>
      {save.isSuccess && (
        <p role="status" className="text-quiet">
          Saved.
        </p>
      )}
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
