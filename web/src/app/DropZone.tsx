import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { useRights } from '../api/account';
import { DroppedContext } from '../ui/dropped';
import { carriedTo } from '../address/useView';
import { t } from './words';

/** Takes a file dropped on any desk to Intake. */
export function DropZone({ children }: { children: ReactNode }) {
  const [file, setFile] = useState<File | null>(null);
  const [isOver, setOver] = useState(false);
  const { pathname } = useLocation();
  const [search] = useSearchParams();
  const navigate = useNavigate();

  const { mayLoad } = useRights();

  useEffect(() => {
    if (!mayLoad) return;
    const over = (event: DragEvent) => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      setOver(true);
    };
    const leave = (event: DragEvent) => {
      if (event.relatedTarget === null) setOver(false);
    };
    const drop = (event: DragEvent) => {
      const dropped = event.dataTransfer?.files[0];
      if (!dropped) return;
      event.preventDefault();
      setOver(false);
      setFile(dropped);
      if (pathname !== '/intake') void navigate(`/intake${carriedTo('/intake', search)}`);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, [mayLoad, navigate, pathname, search]);

  const dropped = useMemo(() => ({ file, take: setFile }), [file]);
  return (
    <DroppedContext.Provider value={dropped}>
      <main id="work" className="relative min-h-0 flex-1">
        {children}
        {isOver && (
          <div className="pointer-events-none absolute inset-2 z-20 flex items-center justify-center rounded border-2 border-dashed border-select bg-select-ground/90 text-[18px] font-semibold">
            {t('dropZone.dropTheFileToStage')}
          </div>
        )}
      </main>
    </DroppedContext.Provider>
  );
}
