/** How a field looks; apart from what opens, which the sign-in does without. */
export const field =
  'w-full rounded-sm border border-field bg-sheet px-2 py-1 text-ink focus:border-select';
