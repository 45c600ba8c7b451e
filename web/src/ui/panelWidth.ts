/** How narrow, how wide and how wide at first a panel is, in pixels. */
export const PANEL = { least: 280, usual: 384, most: 720 };

const KEPT = 'zealous.panelWidth';

/** The width that was chosen in this browser, null for what suits the window. */
export function panelWidth(): number | null {
  const kept = parseInt(localStorage.getItem(KEPT) ?? '', 10);
  return kept > 0 ? within(kept) : null;
}

/** Keeps a width for this browser, null for none, and shows it; the width that became of it. */
export function keepPanelWidth(wanted: number | null): number | null {
  const width = wanted === null ? null : within(wanted);
  if (width === null) localStorage.removeItem(KEPT);
  else localStorage.setItem(KEPT, String(width));
  showPanelWidth();
  return width;
}

/** Lays the page out by the width that is kept. */
export function showPanelWidth(): void {
  const width = panelWidth();
  const { style } = document.documentElement;
  if (width === null) style.removeProperty('--panel');
  else style.setProperty('--panel', `${width}px`);
}

/** At most half of the window, so that the work beside it stays readable. */
function within(width: number): number {
  const most = Math.min(PANEL.most, Math.floor(window.innerWidth / 2));
  return Math.round(Math.max(PANEL.least, Math.min(width, most)));
}
