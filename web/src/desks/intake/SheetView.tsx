import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { Load, Sheet, SheetLine } from '../../api/types';
import { holdKeys } from '../../ui/isTyping';
import { gridStop, useGridKeys } from '../../ui/useGridKeys';
import { amount } from '../../format/figures';
import { ColumnMenu } from './ColumnMenu';
import { PAGE, placeOf, useSheetPages, type useSay } from './useIntake';
import { t } from './words';

const ROW = 29;

/** Where the sheet is led to, from a check. */
export interface Walk {
  place: number;
  line: number;
  column: string | null;
  isEditing: boolean;
  turn: number;
}

interface SheetViewProps {
  load: Load;
  head: Sheet;
  first: number | null;
  walk: Walk | null;
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
}

/** The file as a sheet: their header over ours, faults in the cells where they are. */
export function SheetView({ load, head, first, walk, isOpen, say }: SheetViewProps) {
  const [scroll, setScroll] = useState<HTMLDivElement | null>(null);
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, scroll, ROW);
  const [editing, setEditing] = useState<{ line: number; at: number } | null>(null);
  const [shown, setShown] = useState<number | null>(first);
  const rows = useVirtualizer({
    count: head.recordCount,
    getScrollElement: () => scroll,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const items = rows.getVirtualItems();
  const pages = [...new Set(items.map((item) => Math.floor(item.index / PAGE)))];
  const results = useSheetPages(load.id, pages);
  const lines = new Map<number, SheetLine>();
  for (const { data } of results) {
    data?.lines.forEach((line, at) => lines.set(data.from + at, line));
  }

  useEffect(() => {
    if (first !== null) {
      void placeOf(load.id, first).then((place) => rows.scrollToIndex(place, { align: 'center' }));
    }
    // only once: the address says where to begin
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [first, load.id]);

  useEffect(() => {
    if (!walk) return;
    rows.scrollToIndex(walk.place, { align: 'center' });
    setShown(walk.line);
    const at = head.columns.findIndex((column) => column.title === walk.column);
    setEditing(walk.isEditing && at >= 0 ? { line: walk.line, at } : null);
    // the virtualizer is new at every render
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [walk]);

  const widths = head.columns.map(width);
  const template = `52px ${widths.map((pixels) => `minmax(${pixels}px, ${pixels}fr)`).join(' ')}`;
  return (
    <div ref={setScroll} className="min-h-[120px] flex-1 overflow-auto bg-sheet">
      <div
        ref={setGrid}
        role="grid"
        aria-label={t('sheetView.linesOfTheFile')}
        aria-rowcount={head.recordCount + 2}
        aria-colcount={head.columns.length + 1}
        style={{ minWidth: widths.reduce((sum, pixels) => sum + pixels, 52) }}
      >
        <div role="rowgroup" className="sticky top-0 z-10 border-b border-ink bg-sheet">
          <div
            role="row"
            aria-rowindex={1}
            className="grid bg-ground/70 text-[12.5px] text-quiet"
            style={{ gridTemplateColumns: template }}
          >
            <span role="columnheader" className="px-2 py-1.5">
              <span className="sr-only">{t('sheetView.line')}</span>
            </span>
            {head.columns.map((column, at) => (
              <span
                key={at}
                role="columnheader"
                className={`truncate px-2 py-1.5 ${column.isAmount ? 'text-right' : ''}`}
                title={column.title}
              >
                {column.title}
              </span>
            ))}
          </div>
          <div
            role="row"
            aria-rowindex={2}
            className="grid"
            style={{ gridTemplateColumns: template }}
          >
            <span role="gridcell" className="px-2 py-1.5 text-[12px] text-quiet">
              {t('sheetView.ourField')}
            </span>
            {head.columns.map((column, at) => (
              <span
                key={at}
                role="gridcell"
                className={`min-w-0 px-2 py-1.5 ${column.isAmount ? 'text-right' : ''}`}
              >
                <ColumnMenu column={column} targets={head.targets} isOpen={isOpen} say={say} />
              </span>
            ))}
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
          {items.map((item) => (
            <div
              key={item.index}
              role="row"
              aria-rowindex={item.index + 3}
              className={`absolute inset-x-0 grid border-b border-rule ${rowLook(lines.get(item.index), shown)}`}
              style={{
                gridTemplateColumns: template,
                height: ROW,
                transform: `translateY(${item.start}px)`,
              }}
            >
              <Line
                line={lines.get(item.index)}
                head={head}
                isOpen={isOpen && load.state === 'staged'}
                editing={editing}
                onEdit={setEditing}
                say={say}
              />
            </div>
          ))}
        </div>
      </div>
    </div>
  );
}

/** Pixels: wide enough for the title and the samples, within reason. */
function width(column: Sheet['columns'][number]): number {
  const longest = Math.max(
    column.title.length,
    (column.target || t('sheetView.ignored')).length + 3,
    ...column.samples.map((sample) => sample.length),
  );
  return Math.min(Math.max(Math.round(longest * 8.2 + 18), 62), 230);
}

function rowLook(line: SheetLine | undefined, shown: number | null): string {
  const look = line?.part === 'left out' ? 'text-quiet line-through decoration-quiet/60' : '';
  return line && line.line === shown ? `${look} bg-select-ground` : look;
}

interface LineProps {
  line: SheetLine | undefined;
  head: Sheet;
  isOpen: boolean;
  editing: { line: number; at: number } | null;
  onEdit: (editing: { line: number; at: number } | null) => void;
  say: SheetViewProps['say'];
}

function Line({ line, head, isOpen, editing, onEdit, say }: LineProps) {
  if (!line) {
    return (
      <span role="gridcell" className="px-2 py-1 text-quiet">
        …
      </span>
    );
  }
  const ofLine = line.faults.filter((fault) => fault.at < 0 && !fault.accepted);
  return (
    <>
      <span
        role="gridcell"
        title={ofLine.map((fault) => fault.message).join(' ')}
        className={`px-2 py-1 text-[12.5px] no-underline ${lineColour(ofLine)}`}
      >
        {amount(String(line.line))}
      </span>
      {head.columns.map((column, at) => {
        const faults = line.faults.filter((fault) => fault.at === at && !fault.accepted);
        const isEditing = isOpen && editing?.line === line.line && editing.at === at;
        const text = line.cells[at] ?? '';
        return (
          <span
            key={at}
            role="gridcell"
            title={faults.map((fault) => fault.message).join(' ') || undefined}
            className={`min-w-0 truncate px-2 py-1 ${column.isAmount ? 'text-right' : ''} ${cellLook(faults)} ${line.rewritten.includes(at) ? 'font-semibold' : ''}`}
          >
            {isEditing ? (
              <CellEditor
                text={text}
                label={t('sheetView.inLine', { title: column.title, line: line.line })}
                onDone={(value) => {
                  onEdit(null);
                  if (value !== null && value !== text) {
                    say.mutate({
                      kind: 'fix',
                      decision: { action: 'rewrite', lines: [line.line], column: at, value },
                    });
                  }
                }}
              />
            ) : isOpen ? (
              <button
                type="button"
                {...gridStop}
                className="-my-1 block min-h-[26px] w-full truncate text-inherit -outline-offset-2 [text-align:inherit]"
                aria-label={
                  faults.length > 0
                    ? t('sheetView.correctIt', {
                        text: text || t('sheetView.empty2'),
                        join: faults.map((f) => f.message).join(' '),
                      })
                    : text === ''
                      ? t('sheetView.empty', { title: column.title })
                      : undefined
                }
                onPointerDown={holdKeys}
                onClick={() => {
                  holdKeys();
                  // the field is there and has the focus before the next key can come
                  flushSync(() => onEdit({ line: line.line, at }));
                }}
              >
                {text || '\u00a0'}
              </button>
            ) : (
              // nothing to change, and still to be walked and read
              <span {...gridStop}>{text || '\u00a0'}</span>
            )}
          </span>
        );
      })}
    </>
  );
}

function CellEditor(props: {
  text: string;
  label: string;
  onDone: (value: string | null) => void;
}) {
  const [value, setValue] = useState(props.text);
  const input = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  return (
    <input
      ref={input}
      aria-label={props.label}
      value={value}
      onChange={(event) => setValue(event.target.value)}
      onBlur={() => props.onDone(value)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') props.onDone(value);
        if (event.key === 'Escape') props.onDone(null);
      }}
      className="-my-0.5 w-full rounded-sm border border-select bg-sheet px-1 text-ink [text-align:inherit]"
    />
  );
}

function lineColour(faults: SheetLine['faults']): string {
  if (faults.some((fault) => fault.held)) return 'border-b-2 border-bad bg-bad/15 text-ink';
  return faults.length > 0 ? 'border-b-2 border-near bg-near/15 text-ink' : 'text-quiet';
}

function cellLook(faults: SheetLine['faults']): string {
  if (faults.some((fault) => fault.held)) return 'border-b-2 border-bad bg-bad/15';
  return faults.length > 0 ? 'border-b-2 border-near bg-near/15' : '';
}
