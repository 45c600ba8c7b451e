import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { query } from '../../../api/client';
import type { Row, SavedView, Standing } from '../../../api/types';
import { viewQuery, type View } from '../../../address/useView';
import { framed } from '../../../marks/framed';
import { lanesLegend, lanesSvg } from '../../../marks/lanesSvg';
import { canCopy, copyPng, savePng, saveSvg } from '../../../marks/saveChart';
import { UndoLine } from '../../../ui/UndoLine';
import { Drop } from '../../../ui/Drop';
import { field } from '../../../ui/field';
import { smallButton } from '../../../ui/Notice';
import { itemsOf, laneOf, readingWords } from '../rows';
import { useChangeViews, useSavedViews } from '../useStanding';
import { t } from '../words';

const item = 'block w-full px-3 py-1.5 text-left data-focus:bg-select-ground';

/** The view as a file, as a drawing, on paper, or kept by name. */
export function TakeAlong({ view, standing }: { view: View; standing: Standing }) {
  const asked = query({
    ...viewQuery(view),
    sort: view.sort,
    byMonth: view.layout === 'months' ? 'true' : undefined,
  });
  const title = standing.headline.map((part) => part.text).join('');

  function draw(save: typeof saveSvg | typeof savePng | typeof copyPng) {
    const rows = itemsOf(standing, view).map(({ row }) => laneOf(row) as Row);
    const drawing = framed(
      lanesSvg(rows, view.lanes, standing.direction, standing.stretches),
      `${title} ${readingWords(standing)}`.trim(),
      lanesLegend(standing.goal, standing.direction, standing.stretches),
    );
    void save(drawing, `standing ${standing.axis} ${standing.to}`);
  }

  return <ExportMenu route="/standing/export" asked={asked} draw={draw} />;
}

interface ExportMenuProps {
  /** Where the files are, without their endings. */
  route: string;
  /** The question of the view, from the question mark on. */
  asked: string;
  draw: (save: typeof saveSvg | typeof savePng | typeof copyPng) => void;
}

/** Views by name, and what of the view can be taken along. */
export function ExportMenu({ route, asked, draw }: ExportMenuProps) {
  return (
    <div className="no-print flex shrink-0 items-center gap-3 text-[13px]">
      <SavedViews />
      <Menu>
        <MenuButton className={smallButton}>{t('takeAlong.export')}</MenuButton>
        <MenuItems
          anchor={{ to: 'bottom end', gap: 4 }}
          className="z-30 rounded border border-rule bg-sheet py-1 shadow-lg focus:outline-none"
        >
          <MenuItem>
            <a className={item} href={`/api/v1${route}.xlsx${asked}`} download>
              {t('takeAlong.workbookWithFormulasXlsx')}
            </a>
          </MenuItem>
          <MenuItem>
            <a className={item} href={`/api/v1${route}.csv${asked}`} download>
              {t('takeAlong.rowsAsCsv')}
            </a>
          </MenuItem>
          <MenuItem>
            <button type="button" className={item} onClick={() => draw(saveSvg)}>
              {t('takeAlong.chartAsSvg')}
            </button>
          </MenuItem>
          <MenuItem>
            <button type="button" className={item} onClick={() => draw(savePng)}>
              {t('takeAlong.chartAsPng')}
            </button>
          </MenuItem>
          {canCopy() && (
            <MenuItem>
              <button type="button" className={item} onClick={() => draw(copyPng)}>
                {t('takeAlong.copyChart')}
              </button>
            </MenuItem>
          )}
          <MenuItem>
            <button type="button" className={item} onClick={() => window.print()}>
              {t('takeAlong.print')}
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
  );
}

/** Views by name; opening one is going to its address. */
function SavedViews() {
  const { pathname, search } = useLocation();
  const views = useSavedViews();
  const change = useChangeViews();
  const [name, setName] = useState('');
  const [deleted, setDeleted] = useState<SavedView | null>(null);
  const saved = views.data ?? [];
  return (
    <Drop
      label={t('takeAlong.savedViews')}
      value={saved.length === 0 ? t('takeAlong.none') : String(saved.length)}
    >
      <ul className="mb-2 max-h-[240px] overflow-auto">
        {saved.map((view) => (
          <li key={view.name} className="flex items-center justify-between gap-2">
            <Link className="min-h-6 truncate text-select underline" to={view.address}>
              {view.name}
            </Link>
            <button
              type="button"
              aria-label={t('takeAlong.deleteTheView', { name: view.name })}
              className="h-6 w-6 text-quiet hover:text-bad"
              onClick={() =>
                change.mutate(
                  { name: view.name, address: null },
                  { onSuccess: () => setDeleted(view) },
                )
              }
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <UndoLine
        words={t('takeAlong.deleted', { name: deleted?.name ?? '' })}
        onUndo={deleted && (() => change.mutate(deleted, { onSuccess: () => setDeleted(null) }))}
      />
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate({ name, address: pathname + search }, { onSuccess: () => setName('') });
        }}
      >
        <input
          aria-label={t('takeAlong.nameOfThisView')}
          className={field}
          maxLength={80}
          placeholder={t('takeAlong.nameOfThisView')}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button
          type="submit"
          className={smallButton}
          disabled={name.trim() === '' || change.isPending}
        >
          {t('takeAlong.saveView')}
        </button>
      </form>
      {change.isError && (
        <p role="alert" className="mt-1 text-bad">
          {change.error.message}
        </p>
      )}
    </Drop>
  );
}
