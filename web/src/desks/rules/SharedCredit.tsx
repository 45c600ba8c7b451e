import { useDeferredValue, useMemo, useState } from 'react';
import { ProblemError } from '../../api/client';
import type { Rules } from '../../api/types';
import { mainButton, smallButton } from '../../ui/Notice';
import {
  fromCreditDraft,
  newCredit,
  placeInCredits,
  toCreditDraft,
  type CreditDraft,
} from './credit';
import { EffectPart } from './EffectPart';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import type { Person } from './plan';
import { useSaveRules, useTrial } from './useRules';
import { Saved } from '../../ui/Saved';
import { MemberPick } from '../../ui/MemberPick';
import { t } from './words';

interface SharedCreditProps {
  rules: Rules & { tag: string };
  people: Person[];
  month: string;
}

/** Whose sales and quota are credited to several, beside what that would have changed. */
export function SharedCredit({ rules, people, month }: SharedCreditProps) {
  const [drafts, setDrafts] = useState(() => rules.credits.map(toCreditDraft));
  const [tag, setTag] = useState(rules.tag);
  const [isChanged, setChanged] = useState(false);
  const save = useSaveRules(tag);
  const read = useMemo(() => drafts.map(fromCreditDraft), [drafts]);
  const credits = useMemo(() => {
    const all = read.flatMap(({ credit }) => credit ?? []);
    return isChanged && all.length === read.length ? { credits: all } : null;
  }, [read, isChanged]);
  const [months, setMonths] = useState(3);
  const trial = useTrial(useDeferredValue(credits), month, months);
  const refused = [save.error, trial.error].find((error) => error instanceof ProblemError) ?? null;
  const at = refused ? placeInCredits(refused.place) : null;
  const set = (next: CreditDraft[]) => {
    save.reset();
    setChanged(true);
    setDrafts(next);
  };
  return (
    <div className="rules-desk min-h-0 flex-1">
      <form
        aria-label={t('sharedCredit.creditSplits')}
        className="col-span-2 min-h-0 overflow-auto px-[18px] py-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (credits) {
            save.mutate(credits, {
              onSuccess: (saved) => {
                setTag(saved.tag);
                setChanged(false);
              },
            });
          }
        }}
      >
        <p className="mb-3 max-w-[620px] text-quiet">{t('sharedCredit.whereSeveralRepsWorkOn')}</p>
        {drafts.map((draft, place) => (
          <CreditFields
            key={place}
            number={place + 1}
            draft={draft}
            people={people}
            fault={read[place]?.fault ?? (at === place ? refused?.rule : undefined)}
            onChange={(changed) =>
              set(drafts.map((one, other) => (other === place ? changed : one)))
            }
            onTakeOut={() => set(drafts.filter((_, other) => other !== place))}
          />
        ))}
        {drafts.length === 0 && <p className="mb-3">{t('sharedCredit.thereIsNoCreditSplit')}</p>}
        <p className="mb-4">
          <button
            type="button"
            className={smallButton}
            onClick={() => set([...drafts, newCredit(month)])}
          >
            {t('sharedCredit.addCreditSplit')}
          </button>
        </p>
        {refused && at === null && (
          <p role="alert" className="mb-3 text-bad">
            {refused.message}
          </p>
        )}
        <button
          type="submit"
          className={mainButton}
          disabled={!credits || trial.isError || save.isPending}
        >
          {t('sharedCredit.saveCreditSplits')}
        </button>
        {(!isChanged || save.data?.proposal) && (
          <Saved save={save} words={t('sharedCredit.saved')} />
        )}
      </form>
      <EffectPart
        name=""
        trial={credits ? trial.data : undefined}
        isReading={trial.isFetching}
        months={months}
        onMonths={setMonths}
        without={
          isChanged ? t('sharedCredit.theEffectIsShownHere') : t('sharedCredit.theEffectOfAChange')
        }
      />
    </div>
  );
}

interface CreditFieldsProps {
  number: number;
  draft: CreditDraft;
  people: Person[];
  fault: string | undefined;
  onChange: (draft: CreditDraft) => void;
  onTakeOut: () => void;
}

function CreditFields({ number, draft, people, fault, onChange, onTakeOut }: CreditFieldsProps) {
  const { shares } = draft;
  const members = people.map(({ rep, name }) => ({ key: rep, name }));
  const change = (at: number, changes: Partial<CreditDraft['shares'][number]>) =>
    onChange({
      ...draft,
      shares: shares.map((one, other) => (other === at ? { ...one, ...changes } : one)),
    });
  return (
    <fieldset className="mb-4 max-w-[620px] rounded border border-rule bg-sheet p-4">
      <legend className="sr-only">{t('sharedCredit.creditSplit', { number })}</legend>
      <div className="mb-2 grid grid-cols-3 gap-3">
        <Labelled label={t('sharedCredit.salesAndQuotaOf')}>
          <MemberPick
            value={draft.rep}
            people={members}
            onPick={(rep) => onChange({ ...draft, rep })}
          />
        </Labelled>
        <Labelled label={t('sharedCredit.fromMonthBlankAlways')}>
          <Input
            type="month"
            placeholder="2026-10"
            value={draft.from}
            onChange={(event) => onChange({ ...draft, from: event.target.value })}
          />
        </Labelled>
        <Labelled label={t('sharedCredit.untilMonthBlankOpen')}>
          <Input
            type="month"
            placeholder="2026-12"
            value={draft.until}
            onChange={(event) => onChange({ ...draft, until: event.target.value })}
          />
        </Labelled>
      </div>
      {shares.map((one, at) => (
        <div key={at} className="mb-1.5 grid grid-cols-[1fr_140px_28px] items-end gap-3">
          <Labelled label={at === 0 ? t('sharedCredit.areCreditedTo') : t('sharedCredit.andTo')}>
            <MemberPick value={one.rep} people={members} onPick={(rep) => change(at, { rep })} />
          </Labelled>
          <Labelled label={t('sharedCredit.share')}>
            <Input
              value={one.share}
              placeholder="50 %"
              onChange={(event) => change(at, { share: event.target.value })}
            />
          </Labelled>
          <button
            type="button"
            aria-label={t('sharedCredit.removeShare', { at: at + 1 })}
            className="h-7 w-7 text-quiet hover:text-bad"
            disabled={shares.length === 1}
            onClick={() =>
              onChange({ ...draft, shares: shares.filter((_, place) => place !== at) })
            }
          >
            ×
          </button>
        </div>
      ))}
      {fault !== undefined && (
        <p role="alert" className="mb-1 text-bad">
          {fault}
        </p>
      )}
      <p className="mt-2 flex gap-2">
        <button
          type="button"
          className={smallButton}
          onClick={() => onChange({ ...draft, shares: [...shares, { rep: '', share: '' }] })}
        >
          {t('sharedCredit.addRep')}
        </button>
        <button type="button" className={smallButton} onClick={onTakeOut}>
          {t('sharedCredit.removeCreditSplit')}
        </button>
      </p>
    </fieldset>
  );
}
