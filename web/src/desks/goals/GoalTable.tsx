import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
  type RefObject,
} from 'react';
import type { GoalDesk, GoalGroup, GoalLine, GoalPercents } from '../../api/types';
import { amount, hasFraction } from '../../format/figures';
import { VirtualRows } from '../../ui/VirtualRows';
import { GoalHead } from './GoalHead';
import { OwnLine, RowLine, SumLine, type Hands } from './GoalLines';
import { columnsOf, type Column, type Layout, type Show } from './layout';
import {
  blockOf,
  cellAt,
  copied,
  emptied,
  filled,
  isRowOf,
  MONTHS,
  pasted,
  type Block,
  type Cells,
  type Place,
} from './sheet';
import { endsOf, shown } from './texts';
import type { Draft } from './useGoals';
import { t } from './words';

const ROW = 25;
const TOP = 82;
const DIGIT = 6.2;
const BETWEEN = 3;

interface GoalTableProps {
  desk: GoalDesk;
  show: Show;
  /** Null where goals are shown. */
  percents: GoalPercents | null;
  rows: GoalLine[];
  block: Block | null;
  locked: ReadonlySet<string>;
  draft: Draft;
  onBlock: (block: Block) => void;
  /** Typing over a quarter begins an amount to be spread over its months. */
  onWhole: (begun: string) => void;
  onFault: (words: string | null) => void;
}

type Line =
  | { kind: 'group'; group: GoalGroup }
  | { kind: 'own'; group: GoalGroup }
  | { kind: 'row'; row: GoalLine; at: number };

/**
 * The sheet: one Tab stop, walked by arrows; typing, F2 or Enter edits, Delete empties, blocks are
 * copied and pasted, filled down (Ctrl+D) and right (Ctrl+R), undone (Ctrl+Z) and done again. On a
 * group's line the left arrow folds it, the right one unfolds it, Enter chooses its open cells.
 */
export function GoalTable(props: GoalTableProps) {
  const { desk, show, percents, rows, block, locked, draft, onBlock, onWhole, onFault } = props;
  const [scroll, setScroll] = useState<HTMLElement | null>(null);
  const width = useWidth(scroll);
  const [last, setActive] = useState<Place>({ row: 0, month: firstOpen(desk) });
  const active = useMemo(
    () => ({ row: last.row, month: last.month - (last.month % columnLength(show)) }),
    [last, show],
  );
  const [group, setGroup] = useState<string | null>(null);
  const [anchor, setAnchor] = useState<Place>(active);
  const [editing, setEditing] = useState<string | null>(null);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const hasFocus = useRef(false);
  const lines = useMemo(() => linesOf(desk, rows, folded), [desk, rows, folded]);
  const { isWide, style } = useMemo(() => widthsOf(desk, show, width), [desk, show, width]);
  const layout = useMemo<Layout>(
    () => ({ desk, show, percents, columns: columnsOf(show, isWide) }),
    [desk, show, percents, isWide],
  );
  const canEdit = desk.canDraft && show === 'months';
  const lineAt = lines.findIndex((line) =>
    group === null
      ? line.kind === 'row' && line.at === active.row
      : line.kind === 'group' && line.group.sum.key === group,
  );

  const go = useCallback(
    (place: Place, isExtending: boolean) => {
      const next = {
        row: Math.max(0, Math.min(place.row, rows.length - 1)),
        month: Math.max(0, Math.min(place.month, MONTHS - 1)),
      };
      const from = isExtending ? anchor : next;
      setEditing(null);
      setGroup(null);
      setActive(next);
      setAnchor(from);
      onBlock(wholeColumns(blockOf(from, next), show));
    },
    [anchor, onBlock, rows.length, show],
  );

  /** To the line above or below, which can be a group's. */
  function walk(by: 1 | -1) {
    let at = lineAt + by;
    while (lines[at]?.kind === 'own') at += by;
    const line = lines[at];
    if (line?.kind === 'row') go({ row: line.at, month: active.month }, false);
    else if (line) setGroup(line.group.sum.key);
  }

  /** A quarter among the months of a wide sheet stands for its three months. */
  function press(row: number, column: Column, isExtending: boolean) {
    go({ row, month: column.from }, isExtending);
    if (column.kind === 'quarter' && !isExtending) {
      onBlock({ top: row, bottom: row, left: column.from, right: column.until - 1 });
    }
  }

  /** Folds a group or unfolds it; who was in it is on its line then. */
  function fold(one: GoalGroup) {
    const { key } = one.sum;
    if (!folded.has(key) && one.rows.includes(rows[active.row]?.key ?? '')) setGroup(key);
    setFolded(toggled(folded, key));
  }

  useEffect(() => {
    if (!hasFocus.current || editing !== null) return undefined;
    const frame = requestAnimationFrame(() => {
      if (!hasFocus.current) return;
      scroll
        ?.querySelector<HTMLElement>(
          group === null
            ? `[data-cell="${active.row}-${active.month}"]`
            : `[data-group="${CSS.escape(group)}"]`,
        )
        ?.focus({ preventScroll: true });
    });
    return () => cancelAnimationFrame(frame);
  }, [active, group, editing, scroll, lines]);

  function put(cells: Cells) {
    if (cells.kind === 'fault') {
      onFault(cells.words);
    } else {
      onFault(null);
      draft.change(cells.cells);
    }
  }

  /** Takes what was typed; whether it could be read. */
  function commit(typed: string): boolean {
    const read = cellAt(desk, rows, active, typed);
    if (read.kind === 'fault') {
      onFault(read.words);
      return false;
    }
    onFault(null);
    setEditing(null);
    if (typed.trim() !== (rows[active.row]?.cells[active.month] ?? '')) draft.change([read.cell]);
    return true;
  }

  const chosen = block ?? blockOf(active, active);

  function onGroupKey(event: KeyboardEvent) {
    const at = desk.groups.find((one) => one.sum.key === group);
    if (event.ctrlKey || event.metaKey || !at) return;
    if (event.key === 'ArrowDown') walk(1);
    else if (event.key === 'ArrowUp') walk(-1);
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      if (folded.has(at.sum.key) === (event.key === 'ArrowRight')) fold(at);
    } else if (event.key === ' ') fold(at);
    else if (event.key === 'Enter') chooseGroup(at);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function onKey(event: KeyboardEvent) {
    if (editing !== null) return;
    if (group !== null) {
      onGroupKey(event);
      return;
    }
    const step = stepOf(event, show);
    if (event.ctrlKey || event.metaKey) {
      if (!onCommand(event)) return;
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !event.shiftKey) {
      walk(event.key === 'ArrowDown' ? 1 : -1);
    } else if (step) {
      go({ row: active.row + step.row, month: active.month + step.month }, event.shiftKey);
    } else if (event.key === 'Home') {
      go({ row: active.row, month: 0 }, event.shiftKey);
    } else if (event.key === 'End') {
      go({ row: active.row, month: MONTHS - columnLength(show) }, event.shiftKey);
    } else if (!desk.canDraft) {
      return;
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      if (show === 'months') put(emptied(desk, rows, chosen));
      else onFault(t('goalTable.onlyMonths'));
    } else if (event.key === 'F2' || event.key === 'Enter') {
      begin(rows[active.row]?.cells[active.month] ?? '');
    } else if (event.key.length === 1 && /[\d.,\-+]/.test(event.key)) {
      if (show === 'quarters') {
        onBlock(wholeColumns(chosen, show));
        onWhole(event.key);
      } else begin(event.key);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** What a key with Ctrl does; whether it does anything. */
  function onCommand(event: KeyboardEvent): boolean {
    const key = event.key.toLowerCase();
    if (key === 'a') {
      onBlock({ top: 0, bottom: rows.length - 1, left: 0, right: MONTHS - 1 });
    } else if (!desk.canDraft) return false;
    else if (key === 'z') (event.shiftKey ? draft.redo : draft.undo)();
    else if (key === 'y') draft.redo();
    else if (key !== 'd' && key !== 'r') return false;
    else if (!canEdit) onFault(t('goalTable.onlyMonths'));
    else put(filled(desk, rows, chosen, key === 'd' ? 'down' : 'right'));
    return true;
  }

  function begin(text: string) {
    const read = cellAt(desk, rows, active, '');
    if (!canEdit) onFault(t('goalTable.onlyMonths'));
    else if (read.kind === 'fault') onFault(read.words);
    else setEditing(text);
  }

  function onCopy(event: ClipboardEvent) {
    if (editing !== null) return;
    const seen =
      percents === null
        ? rows
        : rows.map((row) => ({ ...row, cells: percents.rows[row.key] ?? [] }));
    event.clipboardData.setData('text/plain', copied(seen, chosen));
    event.preventDefault();
  }

  function onPaste(event: ClipboardEvent) {
    if (editing !== null || !desk.canDraft) return;
    if (!canEdit) onFault(t('goalTable.onlyMonths'));
    else put(pasted(event.clipboardData.getData('text/plain'), desk, rows, chosen));
    event.preventDefault();
  }

  /** Enter and Tab take what was typed and go on; Escape leaves it. */
  function onEditKey(event: KeyboardEvent, typed: string) {
    if (event.key === 'Escape') {
      setEditing(null);
      onFault(null);
    } else if (event.key === 'Enter' || event.key === 'Tab') {
      if (commit(typed)) {
        const side = event.shiftKey ? -1 : 1;
        go(
          event.key === 'Enter'
            ? { row: active.row + side, month: active.month }
            : { row: active.row, month: active.month + side },
          false,
        );
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function chooseGroup(one: GoalGroup) {
    const places = rows.flatMap((row, at) => (one.rows.includes(row.key) ? [at] : []));
    const [top, bottom] = [places[0], places.at(-1)];
    if (top === undefined || bottom === undefined) return;
    setActive({ row: top, month: firstOpen(desk) });
    setAnchor({ row: top, month: firstOpen(desk) });
    onBlock({ top, bottom, left: firstOpen(desk), right: MONTHS - 1 });
  }

  const hands = useLatest<Hands>({
    press,
    edit: begin,
    editKey: onEditKey,
    leave: commit,
    fold,
    choose: chooseGroup,
  });

  return (
    <div
      ref={setScroll}
      className="goal-sheet min-h-0 flex-1 overflow-auto border border-rule bg-sheet"
    >
      {/* eslint-disable-next-line jsx-a11y/interactive-supports-focus -- its cells take the focus */}
      <div
        role="grid"
        aria-label={t('goalTable.goalsByMonth')}
        aria-rowcount={lines.length + 2}
        aria-colcount={layout.columns.length + 5}
        aria-multiselectable="true"
        aria-readonly={!desk.canDraft}
        style={style}
        onKeyDown={onKey}
        onCopy={onCopy}
        onPaste={onPaste}
        onFocus={() => (hasFocus.current = true)}
        onBlur={(event) => {
          if (event.relatedTarget !== null) {
            hasFocus.current = event.currentTarget.contains(event.relatedTarget);
          }
        }}
      >
        <GoalHead layout={layout} />
        <VirtualRows
          items={lines}
          keyOf={(line) =>
            line.kind === 'row' ? `r${line.row.key}` : `${line.kind}${line.group.sum.key}`
          }
          height={ROW}
          top={TOP}
          scroll={scroll}
          selectedAt={lineAt}
        >
          {(line, at) =>
            line.kind === 'group' ? (
              <SumLine
                group={line.group}
                layout={layout}
                at={at}
                isActive={group === line.group.sum.key}
                isFolded={folded.has(line.group.sum.key)}
                hands={hands}
              />
            ) : line.kind === 'own' ? (
              <OwnLine group={line.group} layout={layout} at={at} />
            ) : (
              <RowLine
                row={line.row}
                layout={layout}
                at={at}
                active={group === null && active.row === line.at ? active.month : null}
                canEdit={canEdit}
                chosenFrom={isRowOf(block, line.at) ? block.left : -1}
                chosenTo={isRowOf(block, line.at) ? block.right : -1}
                locked={locked}
                place={line.at}
                editing={active.row === line.at ? editing : null}
                hands={hands}
              />
            )
          }
        </VirtualRows>
      </div>
    </div>
  );
}

function toggled(folded: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const next = new Set(folded);
  if (!next.delete(key)) next.add(key);
  return next;
}

/** How many months a column of the sheet has. */
const columnLength = (show: Show) => (show === 'quarters' ? 3 : 1);

/** A block with the whole columns in which it lies. */
function wholeColumns(block: Block, show: Show): Block {
  const length = columnLength(show);
  return {
    ...block,
    left: block.left - (block.left % length),
    right: block.right - (block.right % length) + length - 1,
  };
}

function stepOf(event: KeyboardEvent, show: Show): Place | null {
  switch (event.key) {
    case 'ArrowDown':
      return { row: 1, month: 0 };
    case 'ArrowUp':
      return { row: -1, month: 0 };
    case 'ArrowRight':
      return { row: 0, month: columnLength(show) };
    case 'ArrowLeft':
      return { row: 0, month: -columnLength(show) };
    case 'PageDown':
      return { row: 15, month: 0 };
    case 'PageUp':
      return { row: -15, month: 0 };
    default:
      return null;
  }
}

/** The first month that can be changed, else the first of all. */
function firstOpen(desk: GoalDesk): number {
  return Math.max(
    0,
    desk.months.findIndex((month) => !month.isClosed),
  );
}

function linesOf(desk: GoalDesk, rows: GoalLine[], folded: ReadonlySet<string>): Line[] {
  if (desk.groups.length === 0) return rows.map((row, at) => ({ kind: 'row', row, at }));
  const places = new Map(rows.map((row, at) => [row.key, at]));
  return desk.groups.flatMap((group) => {
    const own: Line[] = group.own ? [{ kind: 'own', group }] : [];
    const inside: Line[] = folded.has(group.sum.key)
      ? []
      : group.rows.flatMap((key) => {
          const at = places.get(key);
          const row = at === undefined ? undefined : rows[at];
          return row && at !== undefined ? [{ kind: 'row' as const, row, at }] : [];
        });
    return [{ kind: 'group', group }, ...own, ...inside];
  });
}

/**
 * Columns as wide as their longest figure, so that large goals do not run into each other; where
 * the sheet has room, quarters stand beside their months.
 */
function widthsOf(
  desk: GoalDesk,
  show: Show,
  width: number,
): { isWide: boolean; style: CSSProperties } {
  const all = [desk.total, ...desk.rows, ...desk.groups.map((group) => group.sum)];
  const keep = all.some((line) => line.cells.some(hasFraction)) ? 'keep' : 'drop';
  // the longest of all is written out, not each of sixty thousand
  const widest = (of: GoalLine[], texts: (line: GoalLine) => (string | null)[]) => {
    let longest = '';
    for (const line of of) {
      for (const text of texts(line)) if (text && text.length > longest.length) longest = text;
    }
    const isEnds = endsOf(longest) !== null;
    return Math.max(44, 8 + lengthOf(isEnds ? shown(desk, longest) : amount(longest, keep)));
  };
  // the total stands by quarters, so its months do not count
  const inMonths = widest(all.slice(1), (line) => line.cells);
  const inQuarters = widest(all, (line) => line.quarters);
  const total = Math.max(64, 4 + widest(all, (line) => [line.total]));
  const fixed = 112 + total + 46 + 44 + 62;
  const months = show === 'months' || show === 'quarters' ? inMonths : 44;
  const wide = fixed + MONTHS * widest(all, (line) => line.cells) + 4 * inQuarters;
  const isWide = show === 'months' && width >= wide;
  const columns = columnsOf(show, isWide).map(
    (column) => `minmax(${column.kind === 'month' ? months : inQuarters}px, 1fr)`,
  );
  const sum = isWide ? wide : fixed + (show === 'quarters' ? 4 * inQuarters : MONTHS * months);
  return {
    isWide,
    style: {
      '--goal-columns': `minmax(112px, 1.6fr) ${columns.join(' ')} ${total}px 46px 44px minmax(62px, ${show === 'quarters' ? 2 : 1.2}fr)`,
      '--goal-least': `${sum}px`,
    } as CSSProperties,
  };
}

/** How long a figure is drawn; what stands between its digits is narrower than they are. */
const lengthOf = (figure: string) =>
  Array.from(figure).reduce((sum, sign) => sum + (/\d/.test(sign) ? DIGIT : BETWEEN), 0);

/** The newest of a value behind a reference that stays. */
function useLatest<Value>(value: Value): RefObject<Value> {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return latest;
}

/** How wide an element is; 0 until it is known. */
function useWidth(element: HTMLElement | null): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!element) return undefined;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
