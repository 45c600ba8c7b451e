import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { SheetColumn } from '../../api/types';
import type { ColumnSaying, useSay } from './useIntake';
import { Labelled } from '../../ui/Labelled';
import { Select } from '../../ui/Select';
import { gridStop } from '../../ui/useGridKeys';
import { t } from './words';

const POWERS = [
  { power: 0, word: t('columnMenu.noScaling') },
  { power: 3, word: t('columnMenu.inThousands') },
  { power: 6, word: t('columnMenu.inMillions') },
  { power: -2, word: t('columnMenu.inHundredths') },
];
interface ColumnMenuProps {
  column: SheetColumn;
  targets: string[];
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
}

/** Our name over a column of theirs; opened, what it is and how it is read can be said. */
export function ColumnMenu({ column, targets, isOpen, say }: ColumnMenuProps) {
  const word = column.target || t('columnMenu.ignored');
  const colour = column.target ? 'text-select' : 'text-quiet';
  if (!isOpen) return <span className={`font-semibold ${colour}`}>{word}</span>;
  const tell = (saying: ColumnSaying) =>
    say.mutate({ kind: 'reading', told: { columns: { [column.title]: saying } } });
  const isMonthColumn = column.target !== '' && !targets.includes(column.target);
  return (
    <Popover className="min-w-0">
      <PopoverButton
        {...gridStop}
        className={`max-w-full truncate font-semibold ${colour}`}
        aria-label={t('columnMenu.mapsTo', { title: column.title, word })}
      >
        {word}
        {column.isGuessed && (
          <span className="font-normal text-near-text">
            ?<span className="sr-only"> {t('columnMenu.detected')}</span>
          </span>
        )}{' '}
        <span aria-hidden="true">▾</span>
      </PopoverButton>
      <PopoverPanel
        anchor="bottom start"
        className="z-30 w-[250px] space-y-2 rounded border border-rule bg-sheet p-3 text-left font-normal shadow-lg"
      >
        <p className="text-[12px] break-words text-quiet">
          {t('columnMenu.columnOfTheFile', {
            isGuessed: column.isGuessed && t('columnMenu.detected2'),
          })}{' '}
          <b className="text-ink">{column.title}</b>
          {column.samples.length > 0 && `: ${column.samples.join(' · ')}`}
        </p>
        {isMonthColumn ? (
          <p>{t('columnMenu.amountsOf', { target: column.target })}</p>
        ) : (
          <Labelled label={t('columnMenu.mapsTo2')}>
            <Select
              value={column.target}
              onChange={(event) => tell({ column: event.target.value })}
            >
              <option value="">{t('columnMenu.ignored')}</option>
              {targets.map((target) => (
                <option key={target}>{target}</option>
              ))}
            </Select>
          </Labelled>
        )}
        {column.isAmount && (
          <>
            <Labelled label={t('columnMenu.decimalMark')}>
              <Select
                value={column.decimals}
                onChange={(event) =>
                  tell({ decimals: event.target.value as SheetColumn['decimals'] })
                }
              >
                <option value="auto">{t('columnMenu.detect')}</option>
                <option value="point">{t('columnMenu.point123456')}</option>
                <option value="comma">{t('columnMenu.comma123456')}</option>
              </Select>
            </Labelled>
            <Labelled label={t('columnMenu.scaling')}>
              <Select
                value={column.power}
                onChange={(event) => tell({ power: Number(event.target.value) })}
              >
                {POWERS.map((one) => (
                  <option key={one.power} value={one.power}>
                    {one.word}
                  </option>
                ))}
              </Select>
            </Labelled>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={column.flip}
                onChange={(event) => tell({ flip: event.target.checked })}
              />
              {t('columnMenu.reverseTheSign')}
            </label>
          </>
        )}
        {column.isDate && (
          <Labelled label={t('columnMenu.n01022026Means')}>
            <Select
              value={column.dates}
              onChange={(event) => tell({ dates: event.target.value as SheetColumn['dates'] })}
            >
              <option value="auto">{t('columnMenu.detect')}</option>
              <option value="day-first">{t('columnMenu.n1FebruaryDayFirst')}</option>
              <option value="month-first">{t('columnMenu.n2JanuaryMonthFirst')}</option>
            </Select>
          </Labelled>
        )}
      </PopoverPanel>
    </Popover>
  );
}
