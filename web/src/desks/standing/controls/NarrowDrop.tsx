import { useClose } from '@headlessui/react';
import { useState } from 'react';
import type { AxisWord, Company, Standing } from '../../../api/types';
import { isNarrowed, NO_NARROWING, type Changes, type View } from '../../../address/useView';
import { Drop } from '../../../ui/Drop';
import { field } from '../../../ui/field';
import { mainButton, quietButton } from '../../../ui/Notice';
import { useDebounced } from '../../../ui/useDebounced';
import { NumberField } from '../../../ui/NumberField';
import { percentOf, shareOf } from '../../../format/decimals';
import { typed } from '../../../format/writing';
import { capital, singular } from '../../../format/nouns';
import { toggled } from '../../../ui/picks';
import { Select } from '../../../ui/Select';
import { t } from '../words';

interface NarrowDropProps {
  view: View;
  standing: Standing;
  company: Company;
  change: (changes: Changes, isTyping?: boolean) => void;
}

const REASONS = ['no goal', 'zero goal', 'negative goal'];
/** A percentage of the goal. */
const SHARE = { decimals: 6, isSigned: true, isPercent: true };

/** Which rows are kept: by name, region, status, best or worst, miss, percent-to-goal. */
export function NarrowDrop({ view, standing, company, change }: NarrowDropProps) {
  const { narrowing } = view;
  const words = wordsOf(view);
  const statuses = [...standing.rung.rungs.map((rung) => rung.name), ...REASONS];
  return (
    <>
      <Drop
        label={t('narrowDrop.filter')}
        value={words.length === 0 ? t('narrowDrop.none') : words.join(', ')}
      >
        <div className="space-y-3">
          <NameFilter text={narrowing.text} onChange={(text) => change({ text }, true)} />
          <label className="block">
            <span className="text-quiet">{t('narrowDrop.region')}</span>
            <Select
              value={view.filters.region?.[0] ?? ''}
              onChange={(event) => change({ region: event.target.value || null, selected: null })}
            >
              <option value="">{t('narrowDrop.all')}</option>
              {company.regions.map((region) => (
                <option key={region.key} value={region.key}>
                  {region.name}
                </option>
              ))}
            </Select>
          </label>
          <fieldset>
            <legend className="text-quiet">{t('narrowDrop.status')}</legend>
            <div className="flex flex-wrap gap-x-3">
              {statuses.map((status) => (
                <label key={status} className="flex min-h-6 items-center gap-1">
                  <input
                    type="checkbox"
                    checked={narrowing.status.includes(status)}
                    onChange={() => change({ status: toggled(narrowing.status, status) })}
                  />
                  {status}
                </label>
              ))}
            </div>
          </fieldset>
          <Limits key={JSON.stringify(narrowing)} view={view} change={change} />
          {isNarrowed(view) && (
            <button
              type="button"
              className={quietButton}
              onClick={() => change({ ...NO_NARROWING, selected: null })}
            >
              {t('narrowDrop.clearFilter')}
            </button>
          )}
        </div>
      </Drop>
      {filterWords(view, company).map(({ axis, words: text }) => (
        <button
          key={axis}
          type="button"
          className="min-h-6 whitespace-nowrap"
          aria-label={t('narrowDrop.removeFilter', { axis: singular(axis), text })}
          onClick={() => change({ [axis]: null })}
        >
          <span className="text-quiet">
            {t('narrowDrop.within', { axis: capital(singular(axis)) })}
          </span>
          <span className="font-semibold">{text}</span> <span aria-hidden="true">×</span>
        </button>
      ))}
    </>
  );
}

/** Best or worst, miss and percent-to-goal: applied together. */
function Limits({ view, change }: Pick<NarrowDropProps, 'view' | 'change'>) {
  const { narrowing } = view;
  const close = useClose();
  const [over, setOver] = useState<string | null>(narrowing.over);
  const [low, setLow] = useState<string | null>(percentOf(narrowing.low));
  const [high, setHigh] = useState<string | null>(percentOf(narrowing.high));
  const isWrong = over === null || low === null || high === null;
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const value = (name: string) => {
          const text = form.get(name);
          return typeof text === 'string' ? text.trim() : '';
        };
        const side = value('side');
        change({
          top: side === 'top' ? value('count') || null : null,
          bottom: side === 'bottom' ? value('count') || null : null,
          by: side && value('by') !== 'variance' ? value('by') : null,
          over: over || null,
          low: shareOf(low ?? ''),
          high: shareOf(high ?? ''),
        });
        close();
      }}
    >
      <div className="flex items-end gap-2">
        <label className="block">
          <span className="text-quiet">{t('narrowDrop.topOrBottom')}</span>
          <Select
            name="side"
            defaultValue={narrowing.top ? 'top' : narrowing.bottom ? 'bottom' : ''}
          >
            <option value="">–</option>
            <option value="top">{t('narrowDrop.top')}</option>
            <option value="bottom">{t('narrowDrop.bottom')}</option>
          </Select>
        </label>
        <label className="block w-[64px]">
          <span className="text-quiet">{t('narrowDrop.rows')}</span>
          <input
            name="count"
            type="number"
            min={1}
            max={10000}
            defaultValue={narrowing.top || narrowing.bottom || '5'}
            className={field}
          />
        </label>
        <label className="block">
          <span className="text-quiet">{t('narrowDrop.by')}</span>
          <Select name="by" defaultValue={narrowing.by || 'variance'}>
            <option value="variance">{t('narrowDrop.variance')}</option>
            <option value="attainment">{t('narrowDrop.ofGoal')}</option>
            <option value="actual">{t('narrowDrop.actual')}</option>
          </Select>
        </label>
      </div>
      <NumberField
        label={t('narrowDrop.shortfallOver2')}
        value={narrowing.over}
        kind={{ decimals: 4 }}
        onRead={setOver}
      />
      <div className="flex items-start gap-2">
        <NumberField
          label={t('narrowDrop.ofGoalFrom')}
          value={percentOf(narrowing.low)}
          kind={SHARE}
          onRead={setLow}
        />
        <NumberField
          label={t('narrowDrop.to2')}
          value={percentOf(narrowing.high)}
          kind={SHARE}
          onRead={setHigh}
        />
      </div>
      <button type="submit" className={mainButton} disabled={isWrong}>
        {t('narrowDrop.applyFilter')}
      </button>
    </form>
  );
}

/** Keeps its own text, as the address follows a moment later; Back still empties it. */
function NameFilter({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const [typed, setTyped] = useState(text);
  const [seen, setSeen] = useState(text);
  const ask = useDebounced(onChange);
  if (text !== seen) {
    setSeen(text);
    if (!typed.startsWith(text) || text === '') setTyped(text);
  }
  return (
    <label className="block">
      <span className="text-quiet">{t('narrowDrop.nameIdOrRegionContains')}</span>
      <input
        type="search"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          ask(event.target.value);
        }}
        className={field}
      />
    </label>
  );
}

function wordsOf({ narrowing }: View): string[] {
  const { text, only, status, top, bottom, over, low, high } = narrowing;
  return [
    text && `“${text}”`,
    only.length > 0 && t('narrowDrop.selected', { only: only.length }),
    ...status,
    top && t('narrowDrop.top2', { top }),
    bottom && t('narrowDrop.bottom2', { bottom }),
    over && t('narrowDrop.shortfallOver', { over }),
    (low || high) &&
      t('narrowDrop.to', {
        low: typed(percentOf(low)) || '…',
        high: typed(percentOf(high)) || '…',
      }),
  ].filter((word): word is string => typeof word === 'string' && word !== '');
}

/** What the rows are within, by name where the company's lists have it. */
function filterWords({ filters }: View, company: Company): { axis: AxisWord; words: string }[] {
  const names = new Map(company.regions.map(({ key, name }) => [key, name]));
  return (Object.entries(filters) as [AxisWord, string[]][]).map(([axis, keys]) => ({
    axis,
    words: keys.map((key) => (axis === 'region' && names.get(key)) || key).join(', '),
  }));
}
