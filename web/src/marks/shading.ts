/** A background for how full a variance's tone is, -1 to 1; text keeps its contrast at full tone. */
export function shadeColour(shade: string | null | undefined): string | undefined {
  const position = Number(shade ?? 0);
  if (!position) return undefined;
  const colour = position > 0 ? 'var(--good)' : 'var(--bad)';
  return `color-mix(in srgb, ${colour} ${Math.round(4 + Math.abs(position) * 28)}%, var(--sheet))`;
}
