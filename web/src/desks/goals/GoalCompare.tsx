import { useState } from 'react';
import type { Company, GoalDesk } from '../../api/types';
import type { Changes } from '../../address/useView';
import { amount, signed } from '../../format/figures';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { Pick } from '../../ui/Pick';
import { VirtualRows } from '../../ui/VirtualRows';
import { signedPercent } from './texts';
import { SLOTS, useCompared, type Asked } from './useGoals';
import { t } from './words';

const MOST = 4;
const ROW = 27;
const HEAD = 62;

interface GoalCompareProps {
  company: Company;
  which: Asked;
  desk: GoalDesk;
  others: string[];
  version: number;
  change: (changes: Changes) => void;
}

/** The year's goals beside other drafts, other sets and years, and actuals. */
export function GoalCompare({ company, which, desk, others, version, change }: GoalCompareProps) {
  const compared = useCompared(which, others, version);
  const [scroll, setScroll] = useState<HTMLElement | null>(null);
  const options = choices(company, which, desk).filter(({ value }) => !others.includes(value));
  if (compared.isPending) return <Loading what={t('goalCompare.theComparison')} />;
  if (compared.isError) {
    return <Failed error={compared.error} onRetry={() => void compared.refetch()} />;
  }
  const { columns, rows } = compared.data;
  const style = { gridTemplateColumns: `minmax(130px, 1.4fr) repeat(${columns.length}, 1fr)` };
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        {others.length < MOST && (
          <Pick
            label={t('goalCompare.add')}
            value=""
            options={[{ value: '', word: t('goalCompare.choose') }, ...options]}
            onChange={(value) => value && change({ with: [...others, value] })}
          />
        )}
        {columns.some(({ sentence }) => sentence !== null) && (
          <ul className="min-w-0 flex-1">
            {columns
              .filter(({ sentence }) => sentence !== null)
              .map(({ word, name, sentence, payChange }) => (
                <li key={word}>
                  <b>{name}</b>: {sentence}
                  {payChange !== null && ` ${t('goalCompare.pay', { change: signed(payChange) })}`}
                </li>
              ))}
          </ul>
        )}
      </div>
      <div
        ref={setScroll}
        className="min-h-0 flex-1 overflow-auto border border-rule bg-sheet"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- what scrolls takes the keys
        tabIndex={0}
        role="region"
        aria-label={t('goalCompare.sideBySide')}
      >
        <div
          role="table"
          aria-rowcount={rows.length + 1}
          aria-label={t('goalCompare.sideBySide')}
          className="min-w-[560px]"
        >
          <div
            role="row"
            aria-rowindex={1}
            className="sticky top-0 z-10 grid h-[62px] items-end border-b-2 border-ink bg-sheet px-2 py-1.5"
            style={style}
          >
            <span role="columnheader" className="text-quiet">
              {t('goalCompare.fy', { year: compared.data.year })}
            </span>
            {columns.map(({ word, name }, at) => (
              <span key={word} role="columnheader" className="min-w-0 text-right font-semibold">
                <span className="line-clamp-2">{name}</span>
                {at > 0 && (
                  <button
                    type="button"
                    className="text-[12px] font-normal text-select underline"
                    aria-label={t('goalCompare.remove', { name })}
                    onClick={() => change({ with: others.filter((one) => one !== word) })}
                  >
                    {t('goalCompare.removeShort')}
                  </button>
                )}
              </span>
            ))}
          </div>
          <VirtualRows
            items={rows}
            keyOf={(row) => row.key}
            height={ROW}
            top={HEAD}
            scroll={scroll}
            selectedAt={-1}
          >
            {(row, at) => (
              <div
                role="row"
                aria-rowindex={at + 2}
                className={`grid h-[27px] items-center border-b border-rule px-2 ${row.key === '*' ? 'font-semibold' : ''}`}
                style={style}
              >
                <span role="rowheader" className="truncate" title={row.name}>
                  {row.key === '*' ? t('goalHead.total') : row.name}
                </span>
                {row.cells.map((cell, place) => (
                  <span key={columns[place]?.word} role="cell" className="text-right">
                    {cell.amount === null ? '–' : amount(cell.amount, 'drop')}
                    {place > 0 && (
                      <span className="ml-2 inline-block min-w-[58px] text-quiet">
                        {cell.change === null ? '' : `${signedPercent(cell.change)} %`}
                      </span>
                    )}
                  </span>
                ))}
              </div>
            )}
          </VirtualRows>
        </div>
      </div>
      <p className="py-1.5 text-[12px] text-quiet">
        {t('goalCompare.note', { first: columns[0]?.name ?? '' })}
      </p>
      <p className="pb-2">
        <button type="button" className={smallButton} onClick={() => change({ view: null })}>
          {t('goalCompare.back')}
        </button>
      </p>
    </>
  );
}

/** What the sheet can stand beside; a set of another axis has other members. */
function choices(company: Company, which: Asked, desk: GoalDesk) {
  const drafts = SLOTS.filter((slot) => slot !== which.slot && desk.drafts.includes(slot));
  const sets = company.goalSets.filter(
    (set) => set.axis === desk.axis && set.measures.includes(desk.measure),
  );
  return [
    { value: 'stands', word: t('goalCompare.asItStands') },
    ...drafts.map((slot) => ({ value: `draft:${slot}`, word: t('goalCompare.draft', { slot }) })),
    ...sets.flatMap((set) =>
      desk.others
        .filter((year) => set.name !== desk.goalSet || year !== desk.year)
        .map((year) => ({
          value: `set:${year}:${set.name}`,
          word: t('goalCompare.setOfYear', { name: set.name, year }),
        })),
    ),
    { value: 'last-year', word: t('goalCompare.lastYear') },
    { value: 'projected', word: t('goalCompare.projected') },
  ];
}
