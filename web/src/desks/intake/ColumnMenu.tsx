import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { ReactNode } from 'react';
import type { SheetColumn } from '../../api/types';
import type { ColumnSaying, useSay } from './useIntake';

const POWERS = [
  { power: 0, word: 'as they stand' },
  { power: 3, word: 'in thousands' },
  { power: 6, word: 'in millions' },
  { power: -2, word: 'in hundredths' },
];
const field = 'w-full rounded-sm border border-quiet bg-sheet px-2 py-1';

interface ColumnMenuProps {
  column: SheetColumn;
  targets: string[];
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
}

/** Our name over a column of theirs; opened, what it is and how it is read can be said. */
export function ColumnMenu({ column, targets, isOpen, say }: ColumnMenuProps) {
  const word = column.target || 'not read';
  const colour = column.target ? 'text-select' : 'text-quiet';
  if (!isOpen) return <span className={`font-semibold ${colour}`}>{word}</span>;
  const tell = (saying: ColumnSaying) =>
    say.mutate({ kind: 'reading', told: { columns: { [column.title]: saying } } });
  const isMonthColumn = column.target !== '' && !targets.includes(column.target);
  return (
    <Popover className="min-w-0">
      <PopoverButton
        className={`max-w-full truncate font-semibold ${colour}`}
        aria-label={`${column.title} is read as ${word}`}
      >
        {word}
        {column.isGuessed && (
          <span className="font-normal text-near-text">
            ?<span className="sr-only"> guessed</span>
          </span>
        )}{' '}
        <span aria-hidden="true">▾</span>
      </PopoverButton>
      <PopoverPanel
        anchor="bottom start"
        className="z-30 w-[250px] space-y-2 rounded border border-rule bg-sheet p-3 text-left font-normal shadow-lg"
      >
        <p className="text-[12px] break-words text-quiet">
          {column.isGuessed && 'Guessed. '}Their column <b className="text-ink">{column.title}</b>
          {column.samples.length > 0 && `: ${column.samples.join(' · ')}`}
        </p>
        {isMonthColumn ? (
          <p>Amounts of {column.target}</p>
        ) : (
          <Field label="It is our">
            <select
              className={field}
              value={column.target}
              onChange={(event) => tell({ column: event.target.value })}
            >
              <option value="">not read</option>
              {targets.map((target) => (
                <option key={target}>{target}</option>
              ))}
            </select>
          </Field>
        )}
        {column.isAmount && (
          <>
            <Field label="Decimal mark">
              <select
                className={field}
                value={column.decimals}
                onChange={(event) =>
                  tell({ decimals: event.target.value as SheetColumn['decimals'] })
                }
              >
                <option value="auto">by the column</option>
                <option value="point">point, 1,234.56</option>
                <option value="comma">comma, 1.234,56</option>
              </select>
            </Field>
            <Field label="Amounts are">
              <select
                className={field}
                value={column.power}
                onChange={(event) => tell({ power: Number(event.target.value) })}
              >
                {POWERS.map((one) => (
                  <option key={one.power} value={one.power}>
                    {one.word}
                  </option>
                ))}
              </select>
            </Field>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={column.flip}
                onChange={(event) => tell({ flip: event.target.checked })}
              />
              turn the sign
            </label>
          </>
        )}
        {column.isDate && (
          <Field label="01/02/2026 is">
            <select
              className={field}
              value={column.dates}
              onChange={(event) => tell({ dates: event.target.value as SheetColumn['dates'] })}
            >
              <option value="auto">by the column</option>
              <option value="day-first">1 February, day first</option>
              <option value="month-first">2 January, month first</option>
            </select>
          </Field>
        )}
      </PopoverPanel>
    </Popover>
  );
}

function Field(props: { label: string; children: ReactNode }) {
  return (
    <label className="block">
      <span className="block text-[12px] text-quiet">{props.label}</span>
      {props.children}
    </label>
  );
}
