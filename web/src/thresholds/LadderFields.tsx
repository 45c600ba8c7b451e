import type { Rung } from '../api/types';
import { field } from '../ui/field';
import { smallButton } from '../ui/Notice';
import { Select } from '../ui/Select';
import {
  isAmountScale,
  isShareScale,
  SCALES,
  withoutBounds,
  type LadderDraft,
  type RungDraft,
} from './ladder';
import { t } from './words';

const TONES = ['good', 'near', 'bad', 'neutral'] as const;

interface LadderFieldsProps {
  draft: LadderDraft;
  /** Of the measure: a currency, `count` or `rate`. */
  unit: string;
  onChange: (draft: LadderDraft) => void;
}

/** What thresholds are based on, and each status with its colour and where it starts. */
export function LadderFields({ draft, unit, onChange }: LadderFieldsProps) {
  const { scale, rungs, perMonth } = draft;
  const isShare = isShareScale(scale, unit);
  const put = (part: Partial<LadderDraft>) => onChange({ ...draft, ...part });
  const change = (at: number, part: Partial<RungDraft>) =>
    put({ rungs: rungs.map((rung, place) => (place === at ? { ...rung, ...part } : rung)) });
  return (
    <>
      <label className="mb-3 block">
        <span className="text-quiet">{t('ladder.basedOn')}</span>
        <Select
          value={scale}
          onChange={(event) => {
            const isOther = isShareScale(event.target.value, unit) !== isShare;
            put({ scale: event.target.value, rungs: isOther ? withoutBounds(rungs) : rungs });
          }}
        >
          {SCALES.map(({ value, word }) => (
            <option key={value} value={value}>
              {word}
            </option>
          ))}
        </Select>
      </label>
      {isAmountScale(scale) && unit !== 'rate' && (
        <label className="mb-3 flex min-h-6 items-center gap-1.5">
          <input
            type="checkbox"
            checked={perMonth}
            onChange={(event) => put({ perMonth: event.target.checked })}
          />
          {t('ladder.thresholdsArePerMonthAnd')}
        </label>
      )}
      <ol className="mb-2 space-y-2" aria-label={t('ladder.thresholdsLowestFirst')}>
        {rungs.map((rung, at) => (
          <RungFields
            key={at}
            rung={rung}
            at={at}
            unit={isShare ? '%' : unit === 'count' ? '' : unit}
            onChange={(part) => change(at, part)}
            onRemove={() => put({ rungs: rungs.filter((_, place) => place !== at) })}
          />
        ))}
      </ol>
      <button
        type="button"
        className={`${smallButton} mb-3`}
        onClick={() =>
          put({ rungs: [...rungs, { name: '', tone: 'good', bound: '', isAbove: false }] })
        }
      >
        {t('ladder.addThreshold')}
      </button>
    </>
  );
}

interface RungFieldsProps {
  rung: RungDraft;
  at: number;
  unit: string;
  onChange: (part: Partial<RungDraft>) => void;
  onRemove: () => void;
}

function RungFields({ rung, at, unit, onChange, onRemove }: RungFieldsProps) {
  const name = t('ladder.threshold', { at: at + 1 });
  return (
    <li className="grid grid-cols-[1fr_84px_24px] items-center gap-x-2 gap-y-1">
      <input
        className={field}
        aria-label={t('ladder.name', { name })}
        value={rung.name}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <Select
        aria-label={t('ladder.colour', { name })}
        value={rung.tone}
        onChange={(event) => onChange({ tone: event.target.value as Rung['tone'] })}
      >
        {TONES.map((tone) => (
          <option key={tone} value={tone}>
            {t(`ladder.tone.${tone}`)}
          </option>
        ))}
      </Select>
      <button
        type="button"
        aria-label={t('ladder.removeThreshold', { at: at + 1 })}
        disabled={at === 0}
        onClick={onRemove}
        className="h-6 w-6 text-quiet hover:text-bad disabled:opacity-30"
      >
        ×
      </button>
      {at === 0 ? (
        <span className="col-span-3 text-[12.5px] text-quiet">
          {t('ladder.belowTheNextThreshold')}
        </span>
      ) : (
        <span className="col-span-3 flex items-center gap-1.5 text-[12.5px] text-quiet">
          <Select
            className="rounded-sm border border-field bg-sheet px-1 py-0.5 text-ink"
            aria-label={t('ladder.atOrAboveItsStart', { name })}
            value={rung.isAbove ? 'above' : 'at'}
            onChange={(event) => onChange({ isAbove: event.target.value === 'above' })}
          >
            <option value="at">{t('ladder.atOrAbove')}</option>
            <option value="above">{t('ladder.above')}</option>
          </Select>
          <input
            className="w-[84px] rounded-sm border border-field bg-sheet px-2 py-0.5 text-right text-ink"
            aria-label={t('ladder.startsAt', { name })}
            inputMode="decimal"
            value={rung.bound}
            onChange={(event) => onChange({ bound: event.target.value })}
          />
          {unit}
        </span>
      )}
    </li>
  );
}
