import type { Tone } from '../api/types';

/** Fill of a tone; colour is third, after shape and word. */
export function toneColour(tone: Tone): string {
  return { good: 'var(--good)', near: 'var(--near)', bad: 'var(--bad)', neutral: 'var(--quiet)' }[
    tone
  ];
}

/** Text class of a tone, dark enough for small text. */
export function toneText(tone: Tone | null): string {
  if (tone === null) return '';
  return { good: 'text-good', near: 'text-near-text', bad: 'text-bad', neutral: 'text-quiet' }[
    tone
  ];
}
