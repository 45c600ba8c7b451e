/** A form that somebody opened takes the focus to its first field. */
export function focusOnSight(form: HTMLElement | null): void {
  form?.querySelector<HTMLElement>('input, select, textarea')?.focus();
}
