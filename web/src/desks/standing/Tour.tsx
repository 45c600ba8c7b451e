import { useState } from 'react';
import { smallButton } from '../../ui/Notice';
import { isTourSeen, rememberTour } from '../../ui/tour';
import { t } from './words';

const PARTS = [
  [t('tour.headline'), t('tour.headlineMeans')],
  [t('tour.controls'), t('tour.controlsMean')],
  [t('tour.rows'), t('tour.rowsMean')],
  [t('tour.closeUp'), t('tour.closeUpMeans')],
  [t('tour.help'), t('tour.helpMeans')],
] as const;

/** What the parts of a standing are, once, beside the work and never over a question. */
export function Tour() {
  const [isSeen, setSeen] = useState(isTourSeen);
  const [at, setAt] = useState(0);
  const part = PARTS[at];
  if (isSeen || !part) return null;
  function end() {
    rememberTour();
    setSeen(true);
  }
  const isLast = at === PARTS.length - 1;
  return (
    <aside
      aria-label={t('tour.title')}
      className="no-print fixed bottom-4 left-4 z-20 w-[340px] rounded border border-select bg-sheet p-4 shadow-lg"
    >
      <p className="text-[12px] text-quiet">{t('tour.place', { at: at + 1, of: PARTS.length })}</p>
      <h2 className="mb-1 text-[15px] font-bold">{part[0]}</h2>
      <p aria-live="polite" className="mb-3">
        {part[1]}
      </p>
      <div className="flex gap-2">
        {!isLast && (
          <button type="button" className={smallButton} onClick={() => setAt(at + 1)}>
            {t('tour.next')}
          </button>
        )}
        <button type="button" className={smallButton} onClick={end}>
          {isLast ? t('tour.end') : t('tour.skip')}
        </button>
      </div>
    </aside>
  );
}
