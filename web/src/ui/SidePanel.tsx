import type { ReactNode } from 'react';
import { smallButton } from './Notice';
import { PanelEdge } from './PanelEdge';
import { t } from './words';

interface SidePanelProps {
  label: string;
  /** Heads the panel, with the button that closes it. */
  title?: ReactNode;
  onClose?: () => void;
  /** Whether a printed page leaves it out. */
  isScreenOnly?: boolean;
  isBusy?: boolean;
  children: ReactNode;
}

/** What stands beside a desk's work: a close-up, or a panel in its place. */
export function SidePanel({
  label,
  title,
  onClose,
  isScreenOnly,
  isBusy,
  children,
}: SidePanelProps) {
  return (
    <aside
      aria-label={label}
      aria-busy={isBusy}
      className={`${isScreenOnly ? 'no-print' : 'print-whole'} relative grid min-h-0 grid-cols-1 border-l border-rule bg-sheet`}
    >
      <PanelEdge />
      <div className="print-whole min-h-0 min-w-0 overflow-auto px-4 py-4">
        {title !== undefined && (
          <div className="mb-2 flex items-baseline justify-between gap-2">
            <h2 className="text-[18px] font-bold break-words">{title}</h2>
            {onClose && (
              <button
                type="button"
                className={`${smallButton} no-print shrink-0 whitespace-nowrap`}
                onClick={onClose}
              >
                {t('sidePanel.closePanel')}
              </button>
            )}
          </div>
        )}
        {children}
      </div>
    </aside>
  );
}
