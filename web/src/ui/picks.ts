import type { Changes } from '../address/useView';

/** The keys that were held at a click. */
export interface Held {
  ctrlKey: boolean;
  metaKey: boolean;
  shiftKey: boolean;
}

/** What is chosen among rows: the one that is explained, and those that are read together. */
export interface Chosen {
  selected: string | null;
  picked: string[];
}

/**
 * The address's changes for a click on a row: it alone, with Ctrl or Cmd one more or one less of
 * those read together, with Shift all from the chosen one on.
 *
 * @param order ids of the rows that can be read together, in their order
 */
export function choiceAfter(chosen: Chosen, order: string[], id: string, held?: Held): Changes {
  const isMore = held !== undefined && (held.ctrlKey || held.metaKey || held.shiftKey);
  if (!isMore || !order.includes(id)) return { selected: id, picked: null };
  const begun = chosen.selected !== null && order.includes(chosen.selected) ? chosen.selected : id;
  const before = chosen.picked.length > 0 ? chosen.picked : [begun];
  const after = held.shiftKey ? between(order, begun, id) : withOrWithout(before, id, begun);
  const [only, ...more] = after;
  return more.length === 0
    ? { selected: only ?? id, picked: null }
    : { selected: after.includes(id) ? id : (only ?? id), picked: after };
}

function between(order: string[], from: string, to: string): string[] {
  const ends = [order.indexOf(from), order.indexOf(to)].sort((one, other) => one - other);
  return order.slice(ends[0], (ends[1] ?? 0) + 1);
}

/** The first pick takes the chosen row along; its own click then is no second one. */
function withOrWithout(before: string[], id: string, begun: string): string[] {
  return before.length === 1 && begun === id ? before : toggled(before, id);
}

/** How a row looks: read with others or alone, or only where j, k and x go on from. */
export function marksOf({ selected, picked }: Chosen, id: string) {
  const isTogether = picked.length > 1;
  return {
    isSelected: picked.includes(id) || (!isTogether && id === selected),
    isNext: isTogether && id === selected,
  };
}

/** With a value that was not there, without one that was. */
export function toggled(values: string[], value: string): string[] {
  return values.includes(value) ? values.filter((one) => one !== value) : [...values, value];
}
