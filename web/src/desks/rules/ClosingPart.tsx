import { useState } from 'react';
import { ProblemError } from '../../api/client';
import type { Rules } from '../../api/types';
import { asPercent, shifted } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { mainButton } from '../../ui/Notice';
import { Saved } from '../../ui/Saved';
import { tagOf, useSaveRules } from './useRules';
import { t } from './words';

const LINES = [
  'arrivals',
  'staged',
  'held',
  'control-totals',
  'quotas',
  'region-goals',
  'plans',
  'reasons',
  'adjustments',
  'follow-ups',
  'briefing',
] as const;

/** What is wanted of a month before it is closed: its lines, their limits, and until when. */
export function ClosingPart({ rules }: { rules: Rules & { tag: string } }) {
  const [begun, setBegun] = useState(rules);
  const { closing } = begun;
  const save = useSaveRules(tagOf(begun, rules, 'closing'));
  const [off, setOff] = useState<readonly string[]>(closing.off);
  const [misses, setMisses] = useState(asPercent(closing.missesAbove));
  const [over, setOver] = useState(asPercent(closing.overPlanAbove));
  const [dueDay, setDueDay] = useState(String(closing.dueDay));
  const [isRequired, setRequired] = useState(closing.requireChecked);
  const [tell, setTell] = useState(closing.tell.join(', '));
  const problem = save.error instanceof ProblemError ? save.error : null;
  const faultAt = (place: string) =>
    problem?.place?.startsWith(`closing.${place}`) ? problem.rule : undefined;
  return (
    <form
      aria-label={t('closingPart.title')}
      className="max-w-[460px] space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(
          {
            closing: {
              off: [...off],
              missesAbove: shareOf(misses),
              overPlanAbove: shareOf(over),
              dueDay: Number(dueDay),
              requireChecked: isRequired,
              tell: tell
                .split(',')
                .map((one) => one.trim())
                .filter((one) => one !== ''),
            },
          },
          { onSuccess: setBegun },
        );
      }}
    >
      <h2 className="text-[16px] font-bold">{t('closingPart.title')}</h2>
      <fieldset>
        <legend className="mb-1 text-quiet">{t('closingPart.lines')}</legend>
        {LINES.map((line) => (
          <label key={line} className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              checked={!off.includes(line)}
              onChange={(event) =>
                setOff(event.target.checked ? off.filter((one) => one !== line) : [...off, line])
              }
            />
            {t(`closingPart.line.${line}`)}
          </label>
        ))}
      </fieldset>
      <Labelled label={t('closingPart.missesAbove')} fault={faultAt('missesAbove')}>
        <Input
          inputMode="decimal"
          value={misses}
          onChange={(event) => setMisses(event.target.value)}
        />
      </Labelled>
      <Labelled label={t('closingPart.overPlanAbove')} fault={faultAt('overPlanAbove')}>
        <Input inputMode="decimal" value={over} onChange={(event) => setOver(event.target.value)} />
      </Labelled>
      <Labelled label={t('closingPart.dueDay')} fault={faultAt('dueDay')}>
        <Input
          type="number"
          min={1}
          max={60}
          value={dueDay}
          onChange={(event) => setDueDay(event.target.value)}
        />
      </Labelled>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={isRequired}
          onChange={(event) => setRequired(event.target.checked)}
        />
        {t('closingPart.requireChecked')}
      </label>
      <Labelled label={t('closingPart.tell')} fault={faultAt('tell')}>
        <Input
          value={tell}
          placeholder={t('closingPart.nobody')}
          onChange={(event) => setTell(event.target.value)}
        />
      </Labelled>
      <p className="flex flex-wrap items-center gap-2">
        <button type="submit" className={mainButton} disabled={save.isPending}>
          {t('closingPart.save')}
        </button>
        <Saved save={save} words={t('closingPart.saved')} />
      </p>
      {save.isError && !problem?.place?.startsWith('closing.') && (
        <p role="alert" className="text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

/** A percent as a share; what is no number goes as it is, for the server to say so at the field. */
function shareOf(percent: string): string {
  const read = readNumber(percent, { decimals: 4, isPercent: true });
  return read.kind === 'number' ? shifted(read.decimal, -2) : percent;
}
