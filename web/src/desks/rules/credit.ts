import type { CreditPart } from '../../api/types';
import { asPercent } from '../../format/figures';
import { readPercent } from './plan';
import { t } from './words';

export interface ShareDraft {
  rep: string;
  share: string;
}

/** Shared credit as it is typed. */
export interface CreditDraft {
  rep: string;
  from: string;
  until: string;
  shares: ShareDraft[];
}

export function newCredit(from: string): CreditDraft {
  const empty = { rep: '', share: '' };
  return { rep: '', from, until: '', shares: [empty, { ...empty }] };
}

export function toCreditDraft(part: CreditPart): CreditDraft {
  return {
    rep: part.rep,
    from: part.from ?? '',
    until: part.until ?? '',
    shares: Object.entries(part.shares).map(([rep, share]) => ({
      rep,
      share: share.includes('/') ? share : `${asPercent(share)} %`,
    })),
  };
}

/** A share typed as a percent, or as a fraction such as 1/3; null where it is neither. */
function readShare(text: string): string | null {
  const fraction = /^\s*(\d{1,6})\s*\/\s*(\d{1,6})\s*$/.exec(text);
  if (fraction) return `${fraction[1]}/${fraction[2]}`;
  const read = readPercent(text, 0);
  return read.kind === 'ratio' ? read.ratio : null;
}

/** The rule, or what is missing in its words; whether shares add up is the server's to say. */
export function fromCreditDraft(draft: CreditDraft): { credit?: CreditPart; fault?: string } {
  if (draft.rep === '') return { fault: t('credit.selectWhoseSalesAreShared') };
  const shares: Record<string, string> = {};
  for (const { rep, share } of draft.shares) {
    const read = readShare(share);
    if (rep === '') return { fault: t('credit.selectWhoGetsEachShare') };
    if (rep in shares) return { fault: t('credit.oneRepHasTwoShares') };
    if (read === null) return { fault: t('credit.writeEachShareAsA') };
    shares[rep] = read;
  }
  return {
    credit: {
      rep: draft.rep,
      shares,
      ...(draft.from ? { from: draft.from } : {}),
      ...(draft.until ? { until: draft.until } : {}),
    },
  };
}

/** Which of them a place such as credits[1].shares names; null for none. */
export function placeInCredits(place: string | null): number | null {
  const found = /^credits\[(\d+)\]/.exec(place ?? '');
  return found ? Number(found[1]) : null;
}
