import { useRef, useState } from 'react';
import { spanOf } from '../../address/span';
import { ProblemError } from '../../api/client';
import type { Rules } from '../../api/types';
import { monthWord } from '../../format/figures';
import { mainButton, smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { HolidayYear } from './HolidayYear';
import { Labelled } from '../../ui/Labelled';
import { Textarea } from '../../ui/Textarea';
import { tagOf, useHolidayFile, useSaveRules } from './useRules';
import { Saved } from '../../ui/Saved';
import { t } from './words';

const MONTHS = Array.from({ length: 12 }, (_, at) => ({
  value: String(at + 1),
  word: monthWord(at + 1),
}));

const NAMED_BY = [
  { value: 'end', word: t('calendarPart.namedByEnd') },
  { value: 'start', word: t('calendarPart.namedByStart') },
];

interface CalendarPartProps {
  rules: Rules & { tag: string };
  /** A month of the year whose holidays are shown first. */
  month: string;
}

/** Where the fiscal year begins, and the days on which nobody works. */
export function CalendarPart({ rules, month }: CalendarPartProps) {
  const [begun, setBegun] = useState(rules);
  const save = useSaveRules(tagOf(begun, rules, 'calendar'));
  const read = useHolidayFile();
  const chooser = useRef<HTMLInputElement>(null);
  const [startMonth, setStartMonth] = useState(String(begun.calendar.startMonth));
  const [namedBy, setNamedBy] = useState(begun.calendar.yearNamedBy);
  const [days, setDays] = useState(begun.calendar.holidays.join('\n'));
  const startNumber = MONTHS.findIndex(({ value }) => value === startMonth) + 1;
  const listed = linesOf(days);
  const chosen = new Set(listed);
  const problem = save.error instanceof ProblemError ? save.error : null;
  const isOfDays = problem?.place?.startsWith('calendar.holidays') ?? false;
  return (
    <form
      aria-label={t('calendarPart.calendar')}
      className="max-w-[720px] space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(
          {
            calendar: {
              startMonth: startNumber,
              yearNamedBy: namedBy,
              holidays: listed,
            },
          },
          { onSuccess: setBegun },
        );
      }}
    >
      <h2 className="text-[16px] font-bold">{t('calendarPart.calendar')}</h2>
      <div className="grid max-w-[460px] grid-cols-2 gap-3">
        <Pick
          label={t('calendarPart.startsIn')}
          value={startMonth}
          options={MONTHS}
          onChange={setStartMonth}
        />
        <Pick
          label={t('calendarPart.namedBy')}
          value={namedBy}
          options={NAMED_BY}
          onChange={setNamedBy}
        />
      </div>
      <HolidayYear
        key={startMonth}
        days={chosen}
        from={spanOf('y', month, { startMonth: startNumber, yearNamedBy: 'end' }).from}
        onToggle={(day) =>
          setDays(
            (chosen.has(day) ? listed.filter((one) => one !== day) : [...listed, day].sort()).join(
              '\n',
            ),
          )
        }
      />
      <Labelled
        label={t('calendarPart.holidays')}
        fault={isOfDays ? (problem?.rule ?? undefined) : undefined}
      >
        <Textarea
          rows={5}
          value={days}
          placeholder={t('calendarPart.onePerLine')}
          onChange={(event) => setDays(event.target.value)}
        />
      </Labelled>
      <p className="flex flex-wrap items-baseline gap-2">
        <button type="button" className={smallButton} onClick={() => chooser.current?.click()}>
          {t('calendarPart.addFromFile')}
        </button>
        <span className="text-quiet">{t('calendarPart.whatFile')}</span>
      </p>
      <input
        ref={chooser}
        type="file"
        accept=".ics,text/calendar"
        tabIndex={-1}
        aria-label={t('calendarPart.file')}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) {
            read.mutate(file, {
              onSuccess: (found) =>
                setDays((before) =>
                  [...new Set([...linesOf(before), ...found.map(({ day }) => day)])]
                    .sort()
                    .join('\n'),
                ),
            });
          }
          event.target.value = '';
        }}
      />
      {read.isSuccess && (
        <p role="status" className="text-quiet">
          {t('calendarPart.found', {
            n: read.data.length,
            names: read.data
              .slice(0, 3)
              .map(({ day, name }) => `${day} ${name}`)
              .join(', '),
          })}
        </p>
      )}
      {read.isError && (
        <p role="alert" className="text-bad">
          {read.error.message}
        </p>
      )}
      <button type="submit" className={mainButton} disabled={save.isPending}>
        {t('calendarPart.save')}
      </button>
      <Saved save={save} words={t('calendarPart.saved')} />
      {save.isError && !isOfDays && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

function linesOf(text: string): string[] {
  return text
    .split(/[\n,;]+/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
}
