import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useRef, useState, type ReactNode } from 'react';
import { useShortcuts } from '../ui/shortcuts';
import { smallButton } from '../ui/Notice';
import { framed, type LegendItem } from './framed';
import { canCopy, copyPng, savePng, saveSvg } from './saveChart';
import { t } from './words';

interface ChartFrameProps {
  title: string;
  /** The figures of the chart as a table. */
  table: ReactNode;
  /** Further controls beside the title. */
  controls?: ReactNode;
  /** What the marks stand for, in the saved drawing. */
  legend?: LegendItem[];
  /** The title's level among the page's headings. */
  level?: 2 | 3;
  children: ReactNode;
}

/** A chart with its title: its figures are one key (f) away, and it can be saved. */
export function ChartFrame({
  title,
  table,
  controls,
  legend,
  level = 3,
  children,
}: ChartFrameProps) {
  const Heading = level === 2 ? 'h2' : 'h3';
  const [isTable, setTable] = useState(false);
  const frame = useRef<HTMLDivElement>(null);

  useShortcuts((shortcut) => {
    if (shortcut === 'chartTable') setTable((is) => !is);
  });

  function take(how: typeof saveSvg | typeof savePng | typeof copyPng) {
    const drawing = frame.current?.querySelector('svg[role="img"]');
    if (drawing instanceof SVGSVGElement) {
      void how(framed(drawing, title, legend), title.toLowerCase());
    }
  }

  return (
    <section aria-label={title} className="mb-5" ref={frame}>
      <div className="mb-1.5 flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading className="font-semibold text-quiet">{title}</Heading>
        <div className="no-print flex items-baseline gap-1.5">
          {controls}
          <button
            type="button"
            aria-pressed={isTable}
            onClick={() => setTable(!isTable)}
            className={smallButton}
          >
            {t('chartFrame.showTable')}
          </button>
          {!isTable && (
            <Menu>
              <MenuButton aria-label={t('chartFrame.download', { title })} className={smallButton}>
                {t('chartFrame.download2')}
              </MenuButton>
              <MenuItems
                anchor="bottom end"
                className="z-30 rounded border border-rule bg-sheet py-1 shadow-lg focus:outline-none"
              >
                {[
                  { word: t('chartFrame.asSvg'), how: saveSvg },
                  { word: t('chartFrame.asPng'), how: savePng },
                  ...(canCopy() ? [{ word: t('chartFrame.copy'), how: copyPng }] : []),
                ].map(({ word, how }) => (
                  <MenuItem key={word}>
                    <button
                      type="button"
                      onClick={() => take(how)}
                      className="block w-full px-3 py-1.5 text-left data-focus:bg-select-ground"
                    >
                      {word}
                    </button>
                  </MenuItem>
                ))}
              </MenuItems>
            </Menu>
          )}
        </div>
      </div>
      {isTable ? table : children}
    </section>
  );
}

/** The figures of a chart: a head of words, then rows that begin with one. */
export function FigureTable({ head, rows }: { head: string[]; rows: string[][] }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-right text-[12.5px]">
        <thead className="text-quiet">
          <tr>
            {head.map((word, at) => (
              <th
                key={word}
                scope="col"
                className={`font-semibold ${at === 0 ? 'text-left' : 'pl-2 xl:pl-3'}`}
              >
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, line) => (
            <tr key={line} className="border-t border-rule">
              {row.map((cell, at) =>
                at === 0 ? (
                  <th
                    key={at}
                    scope="row"
                    title={cell}
                    className="w-full max-w-0 truncate py-0.5 text-left font-normal"
                  >
                    {cell}
                  </th>
                ) : (
                  <td key={at} className="pl-2 whitespace-nowrap xl:pl-3">
                    {cell}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
