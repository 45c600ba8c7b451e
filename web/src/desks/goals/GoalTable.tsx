import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
} from 'react';
import type { GoalDesk, GoalGroup, GoalLine } from '../../api/types';
import { amount, hasFraction } from '../../format/figures';
import { VirtualRows } from '../../ui/VirtualRows';
import { GoalHead } from './GoalHead';
import { OwnLine, RowLine, SumLine } from './GoalLines';
import {
  blockOf,
  cellAt,
  copied,
  emptied,
  filled,
  isIn,
  MONTHS,
  pasted,
  type Block,
  type Cells,
  type Place,
} from './sheet';
import type { Draft } from './useGoals';
import { t } from './words';

const ROW = 25;
const TOP = 82;
const DIGIT = 6;

interface GoalTableProps {
  desk: GoalDesk;
  rows: GoalLine[];
  block: Block | null;
  locked: ReadonlySet<string>;
  draft: Draft;
  onBlock: (block: Block) => void;
  onFault: (words: string | null) => void;
}

type Line =
  | { kind: 'group'; group: GoalGroup }
  | { kind: 'own'; group: GoalGroup }
  | { kind: 'row'; row: GoalLine; at: number };

/**
 * The sheet: one Tab stop, walked by arrows; typing, F2 or Enter edits, Delete empties, blocks are
 * copied and pasted, filled down (Ctrl+D) and right (Ctrl+R), undone (Ctrl+Z) and done again.
 */
export function GoalTable({ desk, rows, block, locked, draft, onBlock, onFault }: GoalTableProps) {
  const [scroll, setScroll] = useState<HTMLElement | null>(null);
  const [active, setActive] = useState<Place>({ row: 0, month: firstOpen(desk) });
  const [anchor, setAnchor] = useState<Place>(active);
  const [editing, setEditing] = useState<string | null>(null);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const hasFocus = useRef(false);
  const lines = useMemo(() => linesOf(desk, rows, folded), [desk, rows, folded]);
  const style = useMemo(() => columnsOf(desk), [desk]);
  const lineAt = lines.findIndex((line) => line.kind === 'row' && line.at === active.row);

  const go = useCallback(
    (place: Place, isExtending: boolean) => {
      const next = {
        row: Math.max(0, Math.min(place.row, rows.length - 1)),
        month: Math.max(0, Math.min(place.month, MONTHS - 1)),
      };
      const from = isExtending ? anchor : next;
      setEditing(null);
      setActive(next);
      setAnchor(from);
      onBlock(blockOf(from, next));
    },
    [anchor, onBlock, rows.length],
  );

  useEffect(() => {
    if (!hasFocus.current || editing !== null) return undefined;
    const frame = requestAnimationFrame(() =>
      scroll
        ?.querySelector<HTMLElement>(`[data-cell="${active.row}-${active.month}"]`)
        ?.focus({ preventScroll: true }),
    );
    return () => cancelAnimationFrame(frame);
  }, [active, editing, scroll, lines]);

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

  function onKey(event: KeyboardEvent) {
    if (!desk.canDraft && !event.key.startsWith('Arrow')) return;
    const step = stepOf(event);
    if (editing !== null) return;
    if (event.ctrlKey || event.metaKey) {
      const key = event.key.toLowerCase();
      if (key === 'z') (event.shiftKey ? draft.redo : draft.undo)();
      else if (key === 'y') draft.redo();
      else if (key === 'd') put(filled(desk, rows, chosen, 'down'));
      else if (key === 'r') put(filled(desk, rows, chosen, 'right'));
      else if (key === 'a') {
        onBlock({ top: 0, bottom: rows.length - 1, left: 0, right: MONTHS - 1 });
      } else return;
    } else if (step) {
      go({ row: active.row + step.row, month: active.month + step.month }, event.shiftKey);
    } else if (event.key === 'Home') {
      go({ row: active.row, month: 0 }, event.shiftKey);
    } else if (event.key === 'End') {
      go({ row: active.row, month: MONTHS - 1 }, event.shiftKey);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      put(emptied(desk, rows, chosen));
    } else if (event.key === 'F2' || event.key === 'Enter') {
      begin(rows[active.row]?.cells[active.month] ?? '');
    } else if (event.key.length === 1 && /[\d.,\-+]/.test(event.key)) {
      begin(event.key);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function begin(text: string) {
    const read = cellAt(desk, rows, active, '');
    if (read.kind === 'fault') onFault(read.words);
    else setEditing(text);
  }

  function onCopy(event: ClipboardEvent) {
    if (editing !== null) return;
    event.clipboardData.setData('text/plain', copied(rows, chosen));
    event.preventDefault();
  }

  function onPaste(event: ClipboardEvent) {
    if (editing !== null || !desk.canDraft) return;
    put(pasted(event.clipboardData.getData('text/plain'), desk, rows, chosen));
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

  function chooseGroup(group: GoalGroup) {
    const places = rows.flatMap((row, at) => (group.rows.includes(row.key) ? [at] : []));
    const [top, bottom] = [places[0], places.at(-1)];
    if (top === undefined || bottom === undefined) return;
    setActive({ row: top, month: firstOpen(desk) });
    setAnchor({ row: top, month: firstOpen(desk) });
    onBlock({ top, bottom, left: firstOpen(desk), right: MONTHS - 1 });
  }

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
        aria-colcount={MONTHS + 4}
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
        <GoalHead desk={desk} />
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
                line={line.group.sum}
                desk={desk}
                at={at}
                isFolded={folded.has(line.group.sum.key)}
                onFold={() => setFolded(toggled(folded, line.group.sum.key))}
                onChoose={() => chooseGroup(line.group)}
              />
            ) : line.kind === 'own' ? (
              <OwnLine group={line.group} desk={desk} at={at} />
            ) : (
              <RowLine
                row={line.row}
                desk={desk}
                at={at}
                active={active.row === line.at ? active.month : null}
                isChosen={(month) => block !== null && isIn(block, line.at, month)}
                isLocked={(month) => locked.has(`${line.row.key} ${month}`)}
                place={line.at}
                editing={active.row === line.at ? editing : null}
                onEditKey={onEditKey}
                onLeave={commit}
                onPress={(month, isExtending) => go({ row: line.at, month }, isExtending)}
                onEdit={() => begin(line.row.cells[active.month] ?? '')}
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

function stepOf(event: KeyboardEvent): Place | null {
  switch (event.key) {
    case 'ArrowDown':
      return { row: 1, month: 0 };
    case 'ArrowUp':
      return { row: -1, month: 0 };
    case 'ArrowRight':
      return { row: 0, month: 1 };
    case 'ArrowLeft':
      return { row: 0, month: -1 };
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

/** Months as wide as their longest figure, so that large goals do not run into each other. */
function columnsOf(desk: GoalDesk): CSSProperties {
  const all = [desk.total, ...desk.rows, ...desk.groups.map((group) => group.sum)];
  const keep = all.some((line) => line.cells.some(hasFraction)) ? 'keep' : 'drop';
  const length = (texts: (string | null)[]) =>
    texts.reduce((most, text) => Math.max(most, amount(text, keep).length), 0);
  // the total stands by quarters, so its months do not count
  const month = Math.max(0, ...all.slice(1).map((line) => length(line.cells)));
  const total = Math.max(0, ...all.map((line) => length([line.total])));
  const widths = [112, Math.max(44, month * DIGIT + 8), Math.max(64, total * DIGIT + 12)] as const;
  const rest = [46, 44, 62] as const;
  const least = widths[0] + MONTHS * widths[1] + widths[2] + rest[0] + rest[1] + rest[2];
  return {
    '--goal-columns': `minmax(${widths[0]}px, 1.6fr) repeat(12, minmax(${widths[1]}px, 1fr)) ${widths[2]}px ${rest.map((width) => `${width}px`).join(' ')}`,
    '--goal-least': `${least}px`,
  } as CSSProperties;
}
