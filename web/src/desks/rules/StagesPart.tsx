import { useState } from 'react';
import type { Rules } from '../../api/types';
import { asPercent, shifted } from '../../format/figures';
import { readNumber } from '../../format/numbers';
import { placed } from '../../format/placing';
import { field } from '../../ui/field';
import { mainButton, smallButton } from '../../ui/Notice';
import { Saved } from '../../ui/Saved';
import { useSaveRules } from './useRules';
import { t } from './words';

const SHARE = { decimals: 6, isPercent: true };

interface StageDraft {
  stage: string;
  percent: string;
}

/** How likely deals of each stage are where their file gives a stage and no likelihood. */
export function StagesPart({ rules }: { rules: Rules & { tag: string } }) {
  const [drafts, setDrafts] = useState<StageDraft[]>(() =>
    rules.stages.map(({ stage, likelihood }) => ({ stage, percent: asPercent(likelihood) })),
  );
  const save = useSaveRules(rules.tag);
  const fault = faultOf(drafts);
  const change = (at: number, part: Partial<StageDraft>) =>
    setDrafts(drafts.map((one, place) => (place === at ? { ...one, ...part } : one)));
  return (
    <form
      aria-label={t('stagesPart.title')}
      className="max-w-[460px]"
      onSubmit={(event) => {
        event.preventDefault();
        if (fault !== null) return;
        save.mutate({
          stages: drafts.map(({ stage, percent }) => ({
            stage: stage.trim(),
            likelihood: shareOf(percent) ?? '',
          })),
        });
      }}
    >
      <h2 className="text-[16px] font-bold">{t('stagesPart.title')}</h2>
      <p className="mb-2 text-quiet">{t('stagesPart.what')}</p>
      <ul className="mb-2 space-y-1.5">
        {drafts.map((draft, at) => (
          <li key={at} className="grid grid-cols-[1fr_96px_28px] gap-2">
            <input
              className={field}
              aria-label={t('stagesPart.stage', { at: at + 1 })}
              value={draft.stage}
              maxLength={60}
              onChange={(event) => change(at, { stage: event.target.value })}
            />
            <input
              className={`${field} text-right`}
              aria-label={t('stagesPart.likelihood', { at: at + 1 })}
              aria-invalid={draft.percent !== '' && shareOf(draft.percent) === null}
              inputMode="decimal"
              placeholder="40"
              value={draft.percent}
              onChange={(event) => change(at, { percent: event.target.value })}
            />
            <button
              type="button"
              aria-label={t('stagesPart.remove', { at: at + 1 })}
              className="h-7 w-7 text-quiet hover:text-bad"
              onClick={() => setDrafts(drafts.filter((_, place) => place !== at))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      {fault && drafts.length > 0 && (
        <p role="status" className="mb-2 text-quiet">
          {fault}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className={smallButton}
          onClick={() => setDrafts([...drafts, { stage: '', percent: '' }])}
        >
          {t('stagesPart.add')}
        </button>
        <button type="submit" className={mainButton} disabled={fault !== null || save.isPending}>
          {t('stagesPart.save')}
        </button>
        <Saved save={save} words={t('stagesPart.saved')} />
      </p>
      {save.isError && (
        <p role="alert" className="mt-2 text-bad">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

/** A percent from 0 to 100 as a share; null where it is none. */
function shareOf(percent: string): string | null {
  const read = readNumber(percent, SHARE);
  return read.kind === 'number' && placed(read.decimal) <= 100 ? shifted(read.decimal, -2) : null;
}

function faultOf(drafts: StageDraft[]): string | null {
  const names = drafts.map(({ stage }) => stage.trim().toLowerCase());
  if (names.includes('')) return t('stagesPart.needsAName');
  const twice = drafts.find((_, at) => names.indexOf(names[at] ?? '') !== at);
  if (twice) return t('stagesPart.twice', { stage: twice.stage });
  const wrong = drafts.find(({ percent }) => shareOf(percent) === null);
  return wrong ? t('stagesPart.notAPercent', { stage: wrong.stage }) : null;
}
