import { smallButton } from './Notice';
import { t } from './words';

interface PagerProps {
  /** From 0. */
  page: number;
  pages: number;
  onTurn: (page: number) => void;
}

/** Turns the pages of a list; nothing where there is one. */
export function Pager({ page, pages, onTurn }: PagerProps) {
  if (pages <= 1) return null;
  return (
    <p className="no-print mt-2 flex items-center gap-2">
      <button
        type="button"
        className={smallButton}
        disabled={page === 0}
        onClick={() => onTurn(page - 1)}
      >
        {t('pager.previous')}
      </button>
      <span>{t('pager.pageOf', { page: page + 1, pages })}</span>
      <button
        type="button"
        className={smallButton}
        disabled={page + 1 >= pages}
        onClick={() => onTurn(page + 1)}
      >
        {t('pager.next')}
      </button>
    </p>
  );
}
