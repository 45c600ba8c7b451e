import { useState } from 'react';
import type { UnknownName } from '../../api/types';
import { countOf, singular } from '../../format/nouns';
import { mainButton } from '../../ui/Notice';
import type { NewMember, useSay } from './useIntake';
import { t } from './words';

const link = 'min-h-6 text-left text-select underline font-semibold disabled:opacity-60';
const cell = 'w-full min-w-0 rounded-sm border border-quiet bg-sheet px-1 py-0.5';

interface MakeAllProps {
  names: UnknownName[];
  /** First month of the load, from which new reps are on the roster unless another is given. */
  firstMonth: string | null;
  say: ReturnType<typeof useSay>;
}

/** Creates the reps and products that nobody knows at once, from a list that is reviewed first. */
export function MakeAll({ names, firstMonth, say }: MakeAllProps) {
  const [isOpen, setOpen] = useState(false);
  const makeable = names.filter((name) => name.axis === 'rep' || name.axis === 'product');
  if (makeable.length < 2) return null;
  const words = wordsOf(makeable.map((name) => name.axis));
  if (!isOpen) {
    return (
      <button type="button" className={`${link} pb-1`} onClick={() => setOpen(true)}>
        {t('makeAll.create', { words })}
      </button>
    );
  }
  return <Review names={makeable} firstMonth={firstMonth} say={say} />;
}

/** "2 reps and 1 product". */
function wordsOf(axes: string[]): string {
  return ['rep', 'product']
    .map((axis) => ({ axis, number: axes.filter((one) => one === axis).length }))
    .filter(({ number }) => number > 0)
    .map(({ axis, number }) => countOf(number, axis))
    .join(' and ');
}

interface Draft {
  axis: 'rep' | 'product';
  text: string;
  isChosen: boolean;
  name: string;
  /** Region of a rep, line of a product. */
  place: string;
}

function draftOf(name: UnknownName): Draft {
  return {
    axis: name.axis === 'product' ? 'product' : 'rep',
    text: name.text,
    // a name that looks like a known one is more likely a slip than somebody new
    isChosen: name.proposals.length === 0,
    name: name.text,
    place: '',
  };
}

function Review({ names, firstMonth, say }: MakeAllProps) {
  const [drafts, setDrafts] = useState(() => names.map(draftOf));
  const [from, setFrom] = useState(firstMonth ?? '');
  const chosen = drafts.filter((draft) => draft.isChosen);
  const hasReps = chosen.some((draft) => draft.axis === 'rep');
  const change = (at: number, part: Partial<Draft>) =>
    setDrafts(drafts.map((draft, place) => (place === at ? { ...draft, ...part } : draft)));
  return (
    <form
      aria-label={t('makeAll.newMembers')}
      className="my-1 border-y border-rule py-2"
      onSubmit={(event) => {
        event.preventDefault();
        say.mutate({ kind: 'members', made: chosen.map((draft) => memberOf(draft, from)) });
      }}
    >
      <div className="max-h-80 overflow-auto">
        <table className="w-full text-[12px]">
          <thead className="text-left text-quiet">
            <tr>
              <th scope="col">
                <span className="sr-only">{t('makeAll.create2')}</span>
              </th>
              <th scope="col">{t('makeAll.idInTheFile')}</th>
              <th scope="col">{t('makeAll.name')}</th>
              <th scope="col">{t('makeAll.regionOrProductLine')}</th>
            </tr>
          </thead>
          <tbody>
            {drafts.map((draft, at) => (
              <tr key={`${draft.axis} ${draft.text}`}>
                <td>
                  <input
                    type="checkbox"
                    aria-label={t('makeAll.create3', {
                      axis: singular(draft.axis),
                      draft: draft.text,
                    })}
                    checked={draft.isChosen}
                    onChange={(event) => change(at, { isChosen: event.target.checked })}
                  />
                </td>
                <th scope="row" className="max-w-[110px] truncate font-normal" title={draft.text}>
                  {draft.text} <span className="text-quiet">{singular(draft.axis)}</span>
                </th>
                <td>
                  <input
                    aria-label={t('makeAll.nameOf', { draft: draft.text })}
                    className={cell}
                    maxLength={120}
                    value={draft.name}
                    onChange={(event) => change(at, { name: event.target.value })}
                  />
                </td>
                <td>
                  <input
                    aria-label={t('makeAll.of', {
                      axis: draft.axis === 'rep' ? t('makeAll.region') : t('makeAll.productLine'),
                      draft: draft.text,
                    })}
                    className={cell}
                    maxLength={120}
                    value={draft.place}
                    onChange={(event) => change(at, { place: event.target.value })}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {hasReps && (
        <label className="mt-1.5 block">
          <span className="text-quiet">{t('makeAll.onTheRosterFrom')}</span>{' '}
          <input
            type="month"
            required
            className="rounded-sm border border-quiet bg-sheet px-1 py-0.5"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
          />
        </label>
      )}
      <button
        type="submit"
        className={`${mainButton} mt-2`}
        disabled={say.isPending || chosen.length === 0}
      >
        {t('makeAll.create4', {
          chosen:
            chosen.length === 0 ? t('makeAll.members') : wordsOf(chosen.map((draft) => draft.axis)),
        })}
      </button>
      <p className="mt-1 text-[12px] text-quiet">{t('makeAll.theyArePostedAsOne')}</p>
    </form>
  );
}

function memberOf({ axis, text, name, place }: Draft, from: string): NewMember {
  return axis === 'rep'
    ? { axis, key: text, name, region: place, fromMonth: from }
    : { axis, key: text, name, line: place };
}
