import { useEffect, useRef } from 'react';
import { isTyping } from './isTyping';

/** What a single key does, wherever it does it; the list that `?` opens is made of these. */
const SHORTCUTS = {
  '/': 'find',
  '?': 'help',
  '[': 'previousMonth',
  ']': 'nextMonth',
  m: 'month',
  q: 'quarter',
  y: 'year',
  t: 'twelve',
  j: 'nextRow',
  k: 'previousRow',
  f: 'chartTable',
} as const;

export type Shortcut = (typeof SHORTCUTS)[keyof typeof SHORTCUTS] | `desk${number}`;

const SWITCH = 'zealous.shortcuts';

/** Whether single keys act; somebody who dictates or mistypes switches them off (WCAG 2.1.4). */
export const shortcutsAreOn = () => localStorage.getItem(SWITCH) !== 'off';

/** Switches single keys on or off, for this browser. */
export function switchShortcuts(isOn: boolean): void {
  if (isOn) localStorage.removeItem(SWITCH);
  else localStorage.setItem(SWITCH, 'off');
}

const isKey = (key: string): key is keyof typeof SHORTCUTS => Object.hasOwn(SHORTCUTS, key);

function shortcutOf(event: KeyboardEvent): Shortcut | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  if (!shortcutsAreOn() || isTyping(event.target)) return null;
  const desk = [1, 2, 3, 4, 5, 6].find((number) => event.key === String(number));
  if (desk) return `desk${desk}`;
  return isKey(event.key) ? SHORTCUTS[event.key] : null;
}

/** Calls with 1 and −1 for the next and the previous row. */
export function useRowSteps(go: (step: 1 | -1) => void): void {
  useShortcuts((shortcut) => {
    if (shortcut === 'nextRow') go(1);
    if (shortcut === 'previousRow') go(-1);
  });
}

/** Calls with each shortcut that is pressed; never while somebody types or a list is open. */
export function useShortcuts(act: (shortcut: Shortcut, event: KeyboardEvent) => void): void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const shortcut = shortcutOf(event);
      if (shortcut) latest.current(shortcut, event);
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
