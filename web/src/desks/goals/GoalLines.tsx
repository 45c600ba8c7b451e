import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { GoalDesk, GoalGroup, GoalLine } from '../../api/types';
import { amount } from '../../format/figures';
import { placed } from '../../format/placing';
import { Lock } from './GoalHead';
import { shown, signedPercent } from './texts';
import { t } from './words';

interface LineProps {
  desk: GoalDesk;
  /** Its place among the lines, from 0. */
  at: number;
}

/** A group with the sum of its rows. */
export function SumLine(
  props: LineProps & {
    line: GoalLine;
    isFolded: boolean;
    onFold: () => void;
    onChoose: () => void;
  },
) {
  const { line, desk, at, isFolded, onFold, onChoose } = props;
  const name = line.name || t('goalLines.withoutAGroup');
  return (
    <div
      role="row"
      aria-rowindex={at + 3}
      className="goal-line h-[25px] border-t border-rule bg-ground font-semibold"
    >
      <span role="rowheader" className="goal-name flex items-center">
        <button
          type="button"
          tabIndex={-1}
          aria-expanded={!isFolded}
          aria-label={t('goalLines.fold', { name })}
          className="w-4 text-quiet"
          onClick={onFold}
        >
          {isFolded ? '▸' : '▾'}
        </button>
        <button
          type="button"
          tabIndex={-1}
          className="min-w-0 truncate text-left"
          title={t('goalLines.chooseItsOpenCells', { name })}
          onClick={onChoose}
        >
          {name}
        </button>
      </span>
      <Figures line={line} desk={desk} />
    </div>
  );
}

/** What the group itself is to reach, and how far its rows pass that. */
export function OwnLine({ group, desk, at }: LineProps & { group: GoalGroup }) {
  if (!group.own) return null;
  return (
    <div role="row" aria-rowindex={at + 3} className="goal-line h-[25px] bg-ground text-quiet">
      <span role="rowheader" className="goal-name truncate pl-4">
        {desk.plan}
      </span>
      {group.own.cells.map((cell, month) => (
        <span
          key={desk.months[month]?.month}
          role="gridcell"
          className={`goal-cell ${month % 3 === 0 ? 'goal-quarter' : ''}`}
        >
          {shown(desk, cell)}
        </span>
      ))}
      <span role="gridcell" className="goal-cell">
        {amount(group.own.total, 'drop')}
      </span>
      <span role="gridcell" className="goal-cell" title={t('goalLines.overTitle')}>
        {signedPercent(group.over)}
      </span>
      <span role="gridcell" className="col-span-2 pl-2 text-[11.5px]">
        {group.over !== null && t('goalLines.assigned')}
      </span>
    </div>
  );
}

function Figures({ line, desk }: { line: GoalLine; desk: GoalDesk }) {
  return (
    <>
      {line.cells.map((cell, month) => (
        <span
          key={desk.months[month]?.month}
          role="gridcell"
          className={`goal-cell ${month % 3 === 0 ? 'goal-quarter' : ''}`}
        >
          {shown(desk, cell)}
        </span>
      ))}
      <Sums line={line} />
    </>
  );
}

function Sums({ line }: { line: GoalLine }) {
  return (
    <>
      <span role="gridcell" className="goal-cell font-semibold">
        {amount(line.total, 'drop')}
      </span>
      <span role="gridcell" className="goal-cell">
        {signedPercent(line.stretch)}
      </span>
      <span role="gridcell" className="goal-cell text-quiet">
        {line.share === null ? '' : amount(line.share)}
      </span>
      <span role="gridcell" className="pl-2">
        <Bar line={line} />
      </span>
    </>
  );
}

const GOAL_AT = 78;

/** Last year as a diamond before or behind the goal's line; hatched what the goal asks beyond it. */
export function Bar({ line }: { line: GoalLine }) {
  if (line.ratio === null) return null;
  const year = Math.max(2, Math.min(placed(line.ratio), 1.25) * GOAL_AT);
  return (
    <svg
      width="54"
      height="14"
      viewBox="0 0 100 14"
      preserveAspectRatio="none"
      role="img"
      aria-label={t('goalLines.lastYearAmount', { amount: amount(line.lastYear, 'drop') })}
    >
      <title>{t('goalLines.lastYearAmount', { amount: amount(line.lastYear, 'drop') })}</title>
      {year < GOAL_AT && (
        <rect x={year} y="4" width={GOAL_AT - year} height="6" fill="var(--select-ground)" />
      )}
      <path d={`M${GOAL_AT} 0V14`} stroke="var(--ink)" strokeWidth="2.5" />
      <path
        d={`M${year - 5} 7 ${year} 3 ${year + 5} 7 ${year} 11Z`}
        fill="var(--sheet)"
        stroke="var(--ink)"
      />
    </svg>
  );
}

interface RowLineProps extends LineProps {
  row: GoalLine;
  /** Its place among the rows that can be changed. */
  place: number;
  /** Month of the cell that has the focus; null where that is in another row. */
  active: number | null;
  /** What is typed in that cell; null while nobody types. */
  editing: string | null;
  isChosen: (month: number) => boolean;
  isLocked: (month: number) => boolean;
  onPress: (month: number, isExtending: boolean) => void;
  onEdit: () => void;
  onEditKey: (event: KeyboardEvent, typed: string) => void;
  onLeave: (typed: string) => void;
}

/** A member's goals, each a cell to be typed in. */
export function RowLine(props: RowLineProps) {
  const { row, desk, at, place, active, editing, isChosen, isLocked } = props;
  return (
    <div role="row" aria-rowindex={at + 3} className="goal-line h-[25px] border-t border-rule">
      <span role="rowheader" className="goal-name truncate pl-4" title={row.name}>
        {row.name}
      </span>
      {desk.months.map((month, number) => {
        const isActive = active === number;
        const was = row.was[number] ?? null;
        const elsewhere = row.places[number] ?? null;
        const classes = [
          'goal-cell goal-edit',
          number % 3 === 0 ? 'goal-quarter' : '',
          month.isClosed ? 'goal-closed' : '',
          was !== null ? 'goal-changed' : '',
          isChosen(number) ? 'goal-chosen' : '',
          elsewhere === null ? '' : 'goal-elsewhere',
        ].join(' ');
        return (
          <span
            key={month.month}
            role="gridcell"
            data-cell={`${place}-${number}`}
            tabIndex={isActive ? 0 : -1}
            aria-selected={isChosen(number)}
            aria-readonly={month.isClosed || !desk.canDraft}
            className={classes}
            title={titleOf(desk, was, elsewhere)}
            onPointerDown={(event) => {
              if (event.button === 0 && !(isActive && editing !== null)) {
                props.onPress(number, event.shiftKey);
              }
            }}
            onPointerEnter={(event) => {
              if (event.buttons === 1) props.onPress(number, true);
            }}
            onDoubleClick={props.onEdit}
          >
            {isActive && editing !== null ? (
              <Editor
                begun={editing}
                label={t('goalLines.goalOf', { name: row.name, month: month.month })}
                onKey={props.onEditKey}
                onLeave={props.onLeave}
              />
            ) : (
              <>
                {isLocked(number) && <Lock />}
                {shown(desk, row.cells[number])}
              </>
            )}
          </span>
        );
      })}
      <Sums line={row} />
    </div>
  );
}

function titleOf(desk: GoalDesk, was: string | null, elsewhere: string | null): string | undefined {
  const parts = [
    was === null
      ? null
      : was === ''
        ? t('goalLines.changedNoGoal')
        : t('goalLines.changedFrom', { was: shown(desk, was) }),
    elsewhere === null ? null : t('goalLines.countsIn', { group: elsewhere }),
  ].filter((part) => part !== null);
  return parts.length === 0 ? undefined : parts.join(' ');
}

interface EditorProps {
  begun: string;
  label: string;
  onKey: (event: KeyboardEvent, typed: string) => void;
  onLeave: (typed: string) => void;
}

function Editor({ begun, label, onKey, onLeave }: EditorProps) {
  const [text, setText] = useState(begun);
  const input = useRef<HTMLInputElement>(null);
  const isDone = useRef(false);
  useEffect(() => input.current?.focus(), []);
  return (
    <input
      ref={input}
      aria-label={label}
      className="goal-input"
      inputMode="decimal"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onKeyDown={(event) => {
        isDone.current = ['Enter', 'Tab', 'Escape'].includes(event.key);
        onKey(event, text);
      }}
      onBlur={() => {
        if (!isDone.current) onLeave(text);
      }}
    />
  );
}
