import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Company, GoalDesk, GoalLine } from '../../api/types';
import { amount, shortMonth, signed } from '../../format/figures';
import { StatusMark } from '../../marks/StatusMark';
import { SidePanel } from '../../ui/SidePanel';
import { field } from '../../ui/field';
import { mainButton, quietButton, smallButton } from '../../ui/Notice';
import { placesOf, type Block } from './sheet';
import { shown, signedPercent } from './texts';
import { LevelsForm } from './LevelsForm';
import { PastPart } from './PastPart';
import { SpreadForm } from './SpreadForm';
import { TakeoverForm } from './TakeoverForm';
import { useGoalSum, type Asked, type Draft } from './useGoals';
import { Proposed } from '../../ui/Proposed';
import { t } from './words';

/** An amount that was begun on the sheet, to be spread over the chosen cells. */
export interface Begun {
  text: string;
  /** Counts those of a sheet, so that each begins anew. */
  nr: number;
}

interface GoalPanelProps {
  company: Company;
  which: Asked;
  desk: GoalDesk;
  rows: GoalLine[];
  block: Block | null;
  locked: ReadonlySet<string>;
  draft: Draft;
  begun: Begun | null;
  onLock: (locked: ReadonlySet<string>) => void;
}

/** The chosen cells, ways to spread over them, and what the draft does. */
export function GoalPanel(props: GoalPanelProps) {
  const { company, which, desk, rows, block, locked, draft, begun, onLock } = props;
  const places = block === null ? [] : placesOf(block);
  const cells = places.flatMap(({ row, month }) => {
    const line = rows[row];
    const head = desk.months[month];
    return line && head && !head.isClosed
      ? [{ key: line.key, month: head.month, lock: `${line.key} ${month}` }]
      : [];
  });
  const parts = cells.map(({ key, month, lock }) => ({
    key,
    month,
    locked: locked.has(lock),
  }));
  return (
    <SidePanel label={t('goalPanel.chosenCellsAndDraft')} isScreenOnly>
      {block === null || cells.length === 0 ? (
        <p className="text-quiet">
          {block === null ? t('goalPanel.chooseCells') : t('goalPanel.theseMonthsAreClosed')}
        </p>
      ) : (
        <Chosen which={which} desk={desk} rows={rows} block={block} parts={parts} draft={draft}>
          {desk.canDraft && (
            <>
              <label className="mt-2 flex min-h-6 items-center gap-2">
                <input
                  type="checkbox"
                  checked={parts.every((part) => part.locked)}
                  onChange={(event) => {
                    const next = new Set(locked);
                    cells.forEach(({ lock }) =>
                      event.target.checked ? next.add(lock) : next.delete(lock),
                    );
                    onLock(next);
                  }}
                />
                {t('goalPanel.keepTheseCells')}
              </label>
              <SpreadForm
                key={begun?.nr ?? 0}
                desk={desk}
                parts={parts}
                draft={draft}
                begun={begun?.text ?? ''}
              />
              {block.top === block.bottom && !desk.isRate && !desk.isRange && (
                <TakeoverForm
                  key={`${rows[block.top]?.key ?? ''} ${cells[0]?.month ?? ''}`}
                  desk={desk}
                  row={rows[block.top] as GoalLine}
                  month={cells[0]?.month ?? ''}
                  draft={draft}
                />
              )}
            </>
          )}
        </Chosen>
      )}
      {desk.canDraft && (
        <LevelsForm company={company} which={which} desk={desk} locked={locked} draft={draft} />
      )}
      {draft.error && (
        <p role="alert" className="mt-3 border-l-4 border-bad pl-2">
          {draft.error.message}
        </p>
      )}
      {draft.handedTo !== null && (
        <p role="status" className="mt-3 border-l-4 border-good pl-2">
          {t('goalPanel.handed', { to: draft.handedTo })}
        </p>
      )}
      {draft.proposed && <Proposed proposal={draft.proposed} />}
      {draft.applied !== null && (
        <p role="status" className="mt-3 border-l-4 border-good pl-2">
          {t('goalPanel.applied', { lines: draft.applied.lines })}{' '}
          <Link
            className="font-semibold text-select underline"
            to={`/intake?load=${draft.applied.id}`}
          >
            {t('goalPanel.openTheLoad')}
          </Link>
        </p>
      )}
      <DraftPart desk={desk} draft={draft} />
    </SidePanel>
  );
}

interface ChosenProps {
  which: Asked;
  desk: GoalDesk;
  rows: GoalLine[];
  block: Block;
  parts: { key: string; month: string; locked: boolean }[];
  draft: Draft;
  children: ReactNode;
}

function Chosen({ which, desk, rows, block, parts, draft, children }: ChosenProps) {
  const sum = useGoalSum(
    which,
    parts.map(({ key, month }) => ({ key, month })),
    draft.version,
  );
  const isOne = block.top === block.bottom;
  const months = desk.months.slice(block.left, block.right + 1);
  const kept = parts.filter((part) => part.locked).length;
  const figures = sum.data;
  const only = isOne && months.length === 1 ? months[0] : undefined;
  return (
    <section aria-label={t('goalPanel.chosenCells')}>
      <h2 className="text-[16px] font-bold">
        {isOne ? rows[block.top]?.name : t('goalPanel.rows', { n: block.bottom - block.top + 1 })}
      </h2>
      <p className="text-quiet">
        {t('goalPanel.cellsOf', {
          n: parts.length,
          span: spanWords(months.map(({ month }) => month)),
          kept,
        })}
      </p>
      {figures && (
        <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5">
          <dt>{t('goalPanel.theseCells')}</dt>
          <dd className="text-right">
            <Change
              before={shown(desk, figures.before) || '–'}
              after={shown(desk, figures.after) || '–'}
            />
          </dd>
          {figures.lastYear !== null && (
            <>
              <dt>{t('goalPanel.overLastYear', { amount: amount(figures.lastYear, 'drop') })}</dt>
              <dd className="text-right">
                <Change
                  before={percent(figures.stretchBefore)}
                  after={percent(figures.stretchAfter)}
                />
              </dd>
            </>
          )}
        </dl>
      )}
      {children}
      {only && (
        <PastPart which={which} desk={desk} row={rows[block.top]?.key ?? ''} month={only.month} />
      )}
    </section>
  );
}

function spanWords(months: string[]): string {
  const [from, to] = [shortMonth(months[0] ?? ''), shortMonth(months.at(-1) ?? '')];
  return from === to ? from : t('goalPanel.span', { from, to });
}

const percent = (text: string | null) => (text === null ? '–' : `${signedPercent(text)} %`);

function Change({ before, after }: { before: string; after: string }) {
  return before === after ? (
    <strong>{after}</strong>
  ) : (
    <>
      {before} → <strong>{after}</strong>
    </>
  );
}

function DraftPart({ desk, draft }: { desk: GoalDesk; draft: Draft }) {
  const [to, setTo] = useState('');
  const now = desk.draft;
  if (!now) {
    return (
      <p className="mt-4 border-t border-rule pt-2 text-quiet">
        {desk.canDraft ? t('goalPanel.noChanges') : t('goalPanel.onlyAnalystsChange')}
      </p>
    );
  }
  return (
    <section aria-label={t('goalPanel.draft')} className="mt-4 border-t-2 border-ink pt-2">
      <h2 className="text-[15px] font-bold">{t('goalPanel.effectOfThisDraft')}</h2>
      <p className="mb-1.5" aria-live="polite">
        {now.sentence}
      </p>
      {now.stale.map((words) => (
        <p key={words} role="alert" className="mb-1 border-l-4 border-bad pl-2">
          {words}
        </p>
      ))}
      {now.after !== null && (
        <p className="flex justify-between">
          <span>{t('goalPanel.allGoals', { year: desk.year })}</span>
          <span>
            <Change before={shown(desk, now.before) || '–'} after={shown(desk, now.after)} />
          </span>
        </p>
      )}
      {now.moves.map((move) => (
        <div key={move.key + move.month} className="mt-1.5 border-t border-rule pt-1">
          <p className="flex justify-between gap-2">
            <strong className="truncate">
              {t('goalPanel.nameMonth', { name: move.name, month: shortMonth(move.month) })}
            </strong>
            <span className="flex items-center gap-1 whitespace-nowrap">
              <StatusMark status={move.before} tone={move.toneBefore} /> →
              <StatusMark status={move.after} tone={move.toneAfter} />
            </span>
          </p>
          <p className="flex justify-between text-quiet">
            <span>{t('goalPanel.ofGoal')}</span>
            <span>
              {amount(move.attainmentBefore)} → {amount(move.attainmentAfter)}
            </span>
          </p>
        </div>
      ))}
      {now.pays.length > 0 && (
        <table className="mt-2 w-full">
          <caption className="text-left font-semibold">{t('goalPanel.payInOpenMonths')}</caption>
          <tbody>
            {now.pays.slice(0, 8).map((pay) => (
              <tr key={pay.key + pay.month} className="border-t border-rule">
                <th scope="row" className="max-w-[110px] truncate text-left font-normal">
                  {t('goalPanel.nameMonth', { name: pay.name, month: shortMonth(pay.month) })}
                </th>
                <td className="text-right whitespace-nowrap">
                  {amount(pay.before)} → {amount(pay.after)}
                </td>
                <td className="pl-2 text-right font-semibold">{signed(pay.change)}</td>
              </tr>
            ))}
          </tbody>
          {now.payChange !== null && (
            <tfoot>
              <tr className="border-t border-ink font-semibold">
                <th scope="row" colSpan={2} className="text-left">
                  {t('goalPanel.allPay', { n: now.pays.length })}
                </th>
                <td className="pl-2 text-right">{signed(now.payChange)}</td>
              </tr>
            </tfoot>
          )}
        </table>
      )}
      <p className="mt-3 text-quiet">{t('goalPanel.applyingMakes', { n: now.changed })}</p>
      <div className="mt-2 flex gap-2">
        <button type="button" className={mainButton} disabled={draft.isBusy} onClick={draft.apply}>
          {t('goalPanel.applyDraft', { n: now.changed })}
        </button>
        <button
          type="button"
          className={quietButton}
          disabled={draft.isBusy}
          onClick={draft.discard}
        >
          {t('goalPanel.discardDraft')}
        </button>
      </div>
      <form
        className="mt-3 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (to.trim() !== '') draft.hand(to.trim());
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="text-quiet">{t('goalPanel.handTo')}</span>
          <input
            className={field}
            value={to}
            maxLength={80}
            onChange={(event) => setTo(event.target.value)}
          />
        </label>
        <button type="submit" className={smallButton} disabled={draft.isBusy || to.trim() === ''}>
          {t('goalPanel.hand')}
        </button>
      </form>
    </section>
  );
}
