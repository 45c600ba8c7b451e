/**
 * The colours of the light page: what is saved is read on white ground, whatever the screen shows.
 * A test holds them against styles.css.
 */
export const LIGHT: Record<string, string> = {
  '--ink': '#1d2433',
  '--ground': '#eef1f3',
  '--sheet': '#ffffff',
  '--rule': '#dfe3e8',
  '--field': '#7d8594',
  '--quiet': '#5d6678',
  '--good': '#0d7a6b',
  '--past': '#075448',
  '--near': '#a8690a',
  '--near-text': '#875203',
  '--bad': '#b4382c',
  '--select': '#25408f',
  '--select-ground': '#e8ecf8',
  '--on-select': '#ffffff',
};
