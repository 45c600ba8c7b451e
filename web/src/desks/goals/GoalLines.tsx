import { memo, useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import type { GoalDesk, GoalGroup, GoalLine } from '../../api/types';
import { amount } from '../../format/figures';
import { placed } from '../../format/placing';
import { Lock } from './GoalHead';
import { edgeOf, isPercent, textOf, yearOf, type Column, type Layout } from './layout';
import { shown, signedPercent } from './texts';
import { t } from './words';

interface LineProps {
  layout: Layout;
  /** Its place among the lines, from 0. */
  at: number;
}

/** What is done to lines; behind a reference that stays, so that lines are not drawn anew for it. */
export interface Hands {
  press: (row: number, column: Column, isExtending: boolean) => void;
  edit: (begun: string) => void;
  editKey: (event: KeyboardEvent, typed: string) => void;
  leave: (typed: string) => void;
  fold: (group: GoalGroup) => void;
  choose: (group: GoalGroup) => void;
}

/** A group with the sum of its rows; one Tab stop while it is the line that has the focus. */
export const SumLine = memo(function SumLine(
  props: LineProps & {
    group: GoalGroup;
    isActive: boolean;
    isFolded: boolean;
    hands: RefObject<Hands>;
  },
) {
  const { group, layout, at, isActive, isFolded, hands } = props;
  const line = group.sum;
  const name = line.name || t('goalLines.withoutAGroup');
  return (
    <div
      role="row"
      aria-rowindex={at + 3}
      className="goal-line h-[25px] border-t border-rule bg-ground font-semibold"
    >
      <span
        role="rowheader"
        data-group={line.key}
        tabIndex={isActive ? 0 : -1}
        aria-label={t(isFolded ? 'goalLines.groupFolded' : 'goalLines.group', { name })}
        className="goal-name goal-edit flex items-center"
      >
        <button
          type="button"
          tabIndex={-1}
          aria-expanded={!isFolded}
          aria-label={t('goalLines.fold', { name })}
          className="w-4 text-quiet"
          onClick={() => hands.current.fold(group)}
        >
          {isFolded ? '▸' : '▾'}
        </button>
        <button
          type="button"
          tabIndex={-1}
          className="min-w-0 truncate text-left"
          title={t('goalLines.chooseItsOpenCells', { name })}
          onClick={() => hands.current.choose(group)}
        >
          {name}
        </button>
      </span>
      {layout.columns.map((column) => (
        <span
          key={`${column.kind}${column.at}`}
          role="gridcell"
          className={`goal-cell ${edgeOf(layout, column)}`}
        >
          {textOf(layout, line, 'group', column)}
        </span>
      ))}
      <Sums line={line} desk={layout.desk} />
    </div>
  );
});

/** What the group itself is to reach, and how far its rows pass that. */
export const OwnLine = memo(function OwnLine({
  group,
  layout,
  at,
}: LineProps & { group: GoalGroup }) {
  const { own } = group;
  const { desk, columns, show } = layout;
  if (!own) return null;
  return (
    <div role="row" aria-rowindex={at + 3} className="goal-line h-[25px] bg-ground text-quiet">
      <span role="rowheader" className="goal-name truncate pl-4">
        {desk.plan}
      </span>
      {columns.map((column) => (
        <span
          key={`${column.kind}${column.at}`}
          role="gridcell"
          className={`goal-cell ${edgeOf(layout, column)}`}
        >
          {isPercent(show) ? '' : textOf(layout, own, 'group', column)}
        </span>
      ))}
      <span role="gridcell" className="goal-cell">
        {yearOf(desk, own)}
      </span>
      <span role="gridcell" className="goal-cell" title={t('goalLines.overTitle')}>
        {signedPercent(group.over)}
      </span>
      <span role="gridcell" className="col-span-2 pl-2 text-[11.5px]">
        {group.over !== null && t('goalLines.assigned')}
      </span>
    </div>
  );
});

function Sums({ line, desk }: { line: GoalLine; desk: GoalDesk }) {
  return (
    <>
      <span role="gridcell" className="goal-cell font-semibold">
        {yearOf(desk, line)}
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

/** Last year as a diamond before or behind the goal's line; tinted what the goal asks beyond it. */
export function Bar({ line }: { line: GoalLine }) {
  if (line.ratio === null) return null;
  const year = Math.max(2, Math.min(placed(line.ratio), 1.25) * GOAL_AT);
  const words = t('goalLines.lastYearAmount', { amount: amount(line.lastYear, 'drop') });
  return (
    <svg className="h-[14px] w-full max-w-[180px]" role="img" aria-label={words}>
      <title>{words}</title>
      {year < GOAL_AT && (
        <rect
          x={`${year}%`}
          y="4"
          width={`${GOAL_AT - year}%`}
          height="6"
          fill="var(--select-ground)"
        />
      )}
      <line
        x1={`${GOAL_AT}%`}
        x2={`${GOAL_AT}%`}
        y1="0"
        y2="14"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <svg x={`${year}%`} overflow="visible">
        <path d="M-3 7 0 3 3 7 0 11Z" fill="var(--sheet)" stroke="var(--ink)" />
      </svg>
    </svg>
  );
}

interface RowLineProps extends LineProps {
  row: GoalLine;
  /** Its place among the rows that can be changed. */
  place: number;
  /** First month of the column that has the focus; null where that is in another row. */
  active: number | null;
  /** What is typed in that cell; null while nobody types. */
  editing: string | null;
  canEdit: boolean;
  /** First and last month of it that are chosen; −1 for none. */
  chosenFrom: number;
  chosenTo: number;
  locked: ReadonlySet<string>;
  hands: RefObject<Hands>;
}

/** A member's goals, each month a cell to be typed in. */
export const RowLine = memo(function RowLine(props: RowLineProps) {
  const { row, layout, at, place, active, editing, canEdit, locked, hands } = props;
  const isChosen = (column: Column) =>
    props.chosenFrom >= 0 && column.from >= props.chosenFrom && column.until - 1 <= props.chosenTo;
  const { desk } = layout;
  return (
    <div role="row" aria-rowindex={at + 3} className="goal-line h-[25px] border-t border-rule">
      <span role="rowheader" className="goal-name truncate pl-4" title={row.name}>
        {row.name}
      </span>
      {layout.columns.map((column) => {
        const isMonth = column.kind === 'month';
        const isStop = isMonth || layout.show === 'quarters';
        const isActive = isStop && active === column.from;
        const isClosed = desk.months.slice(column.from, column.until).every((one) => one.isClosed);
        const isChanged = row.was.slice(column.from, column.until).some((was) => was !== null);
        const was = isMonth ? (row.was[column.at] ?? null) : null;
        const elsewhere = isMonth ? (row.places[column.at] ?? null) : null;
        const classes = [
          'goal-cell goal-edit',
          edgeOf(layout, column),
          isClosed ? 'goal-closed' : '',
          isChanged ? 'goal-changed' : '',
          isChosen(column) ? 'goal-chosen' : '',
          elsewhere === null ? '' : 'goal-elsewhere',
        ].join(' ');
        return (
          <span
            key={`${column.kind}${column.at}`}
            role="gridcell"
            data-cell={isStop ? `${place}-${column.from}` : undefined}
            tabIndex={isActive ? 0 : -1}
            aria-selected={isChosen(column)}
            aria-readonly={isClosed || !canEdit || !isMonth}
            className={classes}
            title={titleOf(desk, was, elsewhere)}
            onPointerDown={(event) => {
              if (event.button === 0 && !(isActive && editing !== null)) {
                hands.current.press(place, column, event.shiftKey);
              }
            }}
            onPointerEnter={(event) => {
              if (event.buttons === 1) hands.current.press(place, column, true);
            }}
            onDoubleClick={
              isMonth ? () => hands.current.edit(row.cells[column.at] ?? '') : undefined
            }
          >
            {isActive && isMonth && editing !== null ? (
              <Editor
                begun={editing}
                label={t('goalLines.goalOf', {
                  name: row.name,
                  month: desk.months[column.at]?.month ?? '',
                })}
                onKey={(event, typed) => hands.current.editKey(event, typed)}
                onLeave={(typed) => hands.current.leave(typed)}
              />
            ) : (
              <>
                {isMonth && locked.has(`${row.key} ${column.at}`) && <Lock />}
                {textOf(layout, row, 'row', column)}
              </>
            )}
          </span>
        );
      })}
      <Sums line={row} desk={desk} />
    </div>
  );
});

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
