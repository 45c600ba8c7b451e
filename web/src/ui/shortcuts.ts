import { useEffect, useRef } from 'react';
import { isTyping } from './isTyping';

/** The usual key of everything that a single key does, wherever it does it. */
const USUAL = {
  find: '/',
  help: '?',
  previousMonth: '[',
  nextMonth: ']',
  month: 'm',
  quarter: 'q',
  year: 'y',
  twelve: 't',
  nextRow: 'j',
  previousRow: 'k',
  pickRow: 'x',
  chartTable: 'f',
  waive: 'w',
  addLine: 'a',
} as const;

export type KeyAction = keyof typeof USUAL;
export type Shortcut = KeyAction | `desk${number}`;
export const KEY_ACTIONS = Object.keys(USUAL) as KeyAction[];

/** How somebody has set them: whether they act at all (WCAG 2.1.4), and which differ. */
export interface KeySettings {
  keysOn: boolean;
  keys: Record<string, string>;
}

export const USUAL_KEYS: KeySettings = { keysOn: true, keys: {} };

let inForce = USUAL_KEYS;

/** Takes over an account's settings. */
export function setShortcuts(settings: KeySettings): void {
  inForce = settings;
}

/** The key that does something now. */
export const keyOf = (action: KeyAction, { keys } = inForce): string =>
  keys[action] ?? USUAL[action];

function shortcutOf(event: KeyboardEvent): Shortcut | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  if (!inForce.keysOn || isTyping(event.target)) return null;
  const desk = [1, 2, 3, 4, 5, 6].find((number) => event.key === String(number));
  if (desk) return `desk${desk}`;
  return KEY_ACTIONS.find((action) => keyOf(action) === event.key) ?? null;
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
