/**
 * How full the tone of a variance is: from -1 (full bad) over 0 (exactly on goal) to 1 (full good),
 * each side against its own largest in view. For drawing only.
 */
export function shadePositions(favourables: (string | null)[]): (number | null)[] {
  const numbers = favourables.map((text) => (text === null ? null : Number(text)));
  const good = Math.max(0, ...numbers.map((n) => n ?? 0));
  const bad = Math.max(0, ...numbers.map((n) => -(n ?? 0)));
  return numbers.map((n) => (n === null ? null : n >= 0 ? (good ? n / good : 0) : n / bad));
}

/** A background for a position; text keeps its contrast at full tone. */
export function shadeColour(position: number | null): string | undefined {
  if (!position) return undefined;
  const colour = position > 0 ? 'var(--good)' : 'var(--bad)';
  return `color-mix(in srgb, ${colour} ${Math.round(4 + Math.abs(position) * 28)}%, var(--sheet))`;
}
