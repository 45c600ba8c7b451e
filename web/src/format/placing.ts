/**
 * Figures as binary numbers, to place marks on drawings and to sort: never to be shown, summed or
 * stored. What is shown comes from the server as text. A lint rule keeps other code from making
 * numbers of amounts.
 */
export function placed(decimal: string): number;
export function placed(decimal: string | null | undefined): number | null;
export function placed(decimal: string | null | undefined): number | null {
  return decimal == null ? null : Number(decimal);
}

/** One figure as a share of another, to sort by; null where there is none. */
export function placedShare(part: string, whole: string | null): number | null {
  const of = placed(whole);
  return of ? Number(part) / of : null;
}

/** Where somebody pointed on a drawing, as the decimal that is asked of the server. */
export function pointed(place: number, decimals: number): string {
  return place.toFixed(decimals);
}

/** A share's place on a scale of percents. */
export function placedPercent(ratio: string | null): number | null {
  return ratio === null ? null : Number(ratio) * 100;
}
