import { useEffect } from 'react';

/** Marks what a row, or a head, is reached by; everything else in a grid is read, not focused. */
export const gridStop = { 'data-grid-stop': '', tabIndex: -1 };

const STOP = '[data-grid-stop]';
const IN_ROWS = `[role="row"] ${STOP}`;

/**
 * Makes a grid one stop of the Tab key: the arrows walk its rows, Home and End go to the first and
 * the last, Page Up and Page Down a screen on; left and right walk what a row holds, such as heads.
 * Rows that are not drawn yet are scrolled to first.
 *
 * @param grid the element with the role, null until it is there
 * @param scroll what scrolls, null until it is there
 * @param rowHeight of each row
 */
export function useGridKeys(
  grid: HTMLElement | null,
  scroll: HTMLElement | null,
  rowHeight: number,
): void {
  useEffect(() => {
    if (!grid || !scroll) return undefined;
    const rows = () => {
      const all = [...grid.querySelectorAll<HTMLElement>('[role="row"]')];
      return all.filter((row) => row.querySelector(STOP) !== null);
    };
    const stopsOf = (row: Element) => [...row.querySelectorAll<HTMLElement>(STOP)];

    function go(stop: HTMLElement | undefined) {
      stop?.focus();
      stop?.scrollIntoView({ block: 'nearest' });
    }

    /** The row at the end of what is drawn after scrolling there. */
    function goToEnd(isLast: boolean) {
      scroll?.scrollTo({ top: isLast ? scroll.scrollHeight : 0 });
      requestAnimationFrame(() => {
        const all = rows();
        go(stopsOf((isLast ? all.at(-1) : all[0]) as Element)[0]);
      });
    }

    function onKey(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || !(event.target instanceof Element)) {
        return;
      }
      const row = event.target.closest('[role="row"]');
      if (!row || /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName)) return;
      const all = rows();
      const at = all.indexOf(row as HTMLElement);
      const page = Math.max(1, Math.floor((scroll?.clientHeight ?? 0) / rowHeight) - 3);
      const step = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page }[event.key];
      const side = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
      if (step !== undefined) {
        const next = all[Math.max(0, Math.min(at + step, all.length - 1))];
        if (next) {
          // in the column where it came from, as far as the row has one
          const column = Math.max(0, stopsOf(row).indexOf(event.target as HTMLElement));
          const stops = stopsOf(next);
          go(stops[Math.min(column, stops.length - 1)]);
        }
      } else if (event.key === 'Home' || event.key === 'End') {
        goToEnd(event.key === 'End');
      } else if (side !== undefined && stopsOf(row).length > 1) {
        const stops = stopsOf(row);
        go(stops[stops.indexOf(event.target as HTMLElement) + side]);
      } else {
        return;
      }
      event.preventDefault();
    }

    /** The stop that had the focus last is the one that Tab comes back to. */
    function onFocus(event: FocusEvent) {
      if (!(event.target instanceof HTMLElement) || !event.target.matches(IN_ROWS)) return;
      for (const stop of grid?.querySelectorAll<HTMLElement>(`${IN_ROWS}[tabindex="0"]`) ?? []) {
        stop.tabIndex = -1;
      }
      event.target.tabIndex = 0;
    }

    /** Where that one is scrolled out of sight and gone, the first of all takes its place. */
    function onLeave() {
      if (!grid?.querySelector(`${IN_ROWS}[tabindex="0"]`)) {
        const first = grid?.querySelector<HTMLElement>(IN_ROWS);
        if (first) first.tabIndex = 0;
      }
    }

    onLeave();
    grid.addEventListener('keydown', onKey);
    grid.addEventListener('focusin', onFocus);
    grid.addEventListener('focusout', onLeave);
    return () => {
      grid.removeEventListener('keydown', onKey);
      grid.removeEventListener('focusin', onFocus);
      grid.removeEventListener('focusout', onLeave);
    };
  }, [grid, scroll, rowHeight]);
}
