const HOLD_MS = 1000;

/** What takes every key while it is open: lists, menus, dialogs, and what says so itself. */
const TAKES_KEYS = '[role="dialog"], [role="listbox"], [role="menu"], [data-takes-keys]';

let heldSince = -HOLD_MS;

/**
 * Says that a field is about to open, so that what is typed meanwhile is not taken for a command.
 * Holds until a field has the focus, at most a second.
 */
export function holdKeys(): void {
  heldSince = performance.now();
}

function isField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

/**
 * Whether a key goes into a field, a list or a dialog, or into a field that is about to open, so
 * that it is no command.
 */
export function isTyping(target: EventTarget | null): boolean {
  if (isField(target)) return true;
  const isAboutTo = performance.now() - heldSince < HOLD_MS && !isField(document.activeElement);
  return isAboutTo || document.querySelector(TAKES_KEYS) !== null;
}
