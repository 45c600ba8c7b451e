import type { Load } from '../../api/types';
import { shortMonth } from '../../format/figures';
import { count } from '../../format/nouns';
import { stateWord } from './intake';
import { Pull } from './Pull';
import { t } from './words';

interface TrayProps {
  loads: Load[];
  selected: number | null;
  month: string;
  onOpen: (id: number) => void;
  onChoose: () => void;
}

/** The loads with their state, latest first, and the ways in for the next. */
export function Tray({ loads, selected, month, onOpen, onChoose }: TrayProps) {
  return (
    <section
      aria-label={t('tray.loads')}
      className="no-print flex min-h-0 flex-col py-3.5 pl-[18px]"
    >
      <div className="mb-3 rounded-sm border border-dashed border-quiet px-3 py-2.5">
        <button
          type="button"
          onClick={onChoose}
          className="block min-h-6 font-semibold text-select hover:underline"
        >
          {t('tray.chooseAFile')}
        </button>
        <p className="text-quiet">{t('tray.orDropOneAnywhereOr')}</p>
        <Pull month={month} onPulled={onOpen} />
      </div>
      <h2 className="mb-1 px-3 font-semibold text-quiet">
        {loads.length === 0 ? t('tray.noLoadsYet') : count(loads.length, 'load')}
      </h2>
      <ul className="min-h-0 flex-1 overflow-auto">
        {loads.map((load) => (
          <li key={load.id}>
            <button
              type="button"
              onClick={() => onOpen(load.id)}
              aria-current={load.id === selected ? 'true' : undefined}
              className={`w-full border-l-[3px] px-3 py-2 text-left ${load.id === selected ? 'border-select bg-sheet' : 'border-transparent hover:bg-sheet/60'}`}
            >
              <span className="block truncate font-semibold" title={load.file}>
                {load.file}
              </span>
              <span className="flex justify-between gap-2 text-[12.5px] text-quiet">
                <span className="truncate">
                  {load.progress ? `${load.progress.percent} %` : count(load.lines, 'line')}
                </span>
                <span className={stateColour(load)}>{stateWord(load)}</span>
              </span>
              <span className="block truncate text-[12.5px] text-quiet">{what(load)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function what(load: Load): string {
  if (load.kind === null) return t('tray.fileTypeNotRecognised');
  const kind = load.kind === 'goals' ? t('tray.goals', { goalSet: load.goalSet ?? '' }) : load.kind;
  return load.firstMonth && load.lastMonth
    ? `${kind} · ${span(load.firstMonth, load.lastMonth)}`
    : kind;
}

function span(first: string, last: string): string {
  const one = (month: string) => `${shortMonth(month)} ${month.slice(2, 4)}`;
  return first === last ? one(first) : `${one(first)} – ${one(last)}`;
}

function stateColour(load: Load): string {
  if (load.state === 'staged') return 'text-select';
  if (load.state === 'received') return 'text-bad';
  if (load.state === 'reading') return 'text-quiet';
  if (load.state === 'reversed') return 'text-quiet line-through';
  return load.held > 0 ? 'text-near-text' : 'text-good';
}
