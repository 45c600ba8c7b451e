import type { CheckGroup, Load, PostMode } from '../../api/types';
import { count } from '../../format/nouns';
import { t } from './words';

const TITLES: Record<string, string> = {
  'column-ignored': t('intake.ignoredColumns'),
  'column-guessed': t('intake.detectedColumns'),
  'lines-above': t('intake.linesAboveTheHeader'),
  'encoding-guessed': t('intake.detectedEncoding'),
  'macros-ignored': t('intake.macrosNotRun'),
  'periods-read': t('intake.periodsConvertedToMonths'),
  'amount-unreadable': t('intake.invalidAmounts'),
  'amount-percent': t('intake.percentagesInAnAmount'),
  'amount-missing': t('intake.missingAmounts'),
  'amount-too-large': t('intake.amountsTooLarge'),
  'amount-decimals': t('intake.tooManyDecimals'),
  'amount-ambiguous': t('intake.ambiguousAmounts'),
  'other-currency': t('intake.differentCurrencySign'),
  'signs-differ': t('intake.amountAndQuantityOfOpposite'),
  'unusual-amount': t('intake.farFromTheUsualAmount'),
  'unusual-sign': t('intake.firstNegativeAmounts'),
  'date-missing': t('intake.missingDates'),
  'date-unreadable': t('intake.invalidDates'),
  'date-ambiguous': t('intake.ambiguousDates'),
  'day-does-not-exist': t('intake.daysThatDoNotExist'),
  'month-outside-calendar': t('intake.monthsOutsideTheCalendar'),
  'month-far': t('intake.monthsFarFromTheOthers'),
  'period-unreadable': t('intake.invalidPeriods'),
  'year-unreadable': t('intake.invalidYears'),
  'member-unknown': t('intake.unknownNames'),
  'member-ambiguous': t('intake.namesSharedBySeveral'),
  'member-missing': t('intake.missingRepRegionOrProduct'),
  'member-blank': t('intake.blankRepRegionOrProduct'),
  'member-like': t('intake.newNamesSimilarToKnown'),
  'member-left': t('intake.repLeftBeforeTheMonth'),
  'member-not-begun': t('intake.repStartsAfterTheMonth'),
  'name-too-long': t('intake.namesTooLong'),
  'name-unseen': t('intake.invisibleCharacters'),
  'not-on-roster': t('intake.notOnTheRosterIn'),
  'cell-count': t('intake.tooFewOrTooMany'),
  'cut-off': t('intake.cutOffCells'),
  'duplicate-line': t('intake.duplicatesInThisFile'),
  'already-posted': t('intake.ordersAlreadyPosted'),
  'goal-twice': t('intake.duplicateGoals'),
  'stay-twice': t('intake.duplicateAssignments'),
  'deal-missing': t('intake.missingDeals'),
  'deal-twice': t('intake.duplicateDeals'),
  'amount-below-zero': t('intake.amountsBelowZero'),
  'likelihood-missing': t('intake.missingLikelihoods'),
  'likelihood-unreadable': t('intake.invalidLikelihoods'),
  'likelihood-outside': t('intake.likelihoodsOutside'),
  'state-unknown': t('intake.unknownStates'),
  'deal-overdue': t('intake.overdueDeals'),
  'deals-gone': t('intake.dealsGone'),
  'snapshot-older': t('intake.snapshotOlder'),
  'product-twice': t('intake.duplicateProducts'),
  'until-before-from': t('intake.assignmentsThatEndBeforeThey'),
  'mail-unreadable': t('intake.invalidEMailAddresses'),
  'repeated-header': t('intake.repeatedHeaderLines'),
  'total-line': t('intake.totalLines'),
  'left-out': t('intake.leftOutByHand'),
  'same-file': t('intake.fileLoadedBefore'),
  'trailer-differs': t('intake.theTotalLineDoesNot'),
  'units-mixed': t('intake.unitDiffersFromTheUsual'),
  'member-absent': t('intake.onTheRosterNotIn'),
  'goal-absent': t('intake.onTheRosterNoGoal'),
  'goals-differ': t('intake.sumOfRepGoalsAgainst'),
};

/** What a kind of finding is called. */
export function titleOf(code: string): string {
  return TITLES[code] ?? code;
}

/** Remarks that need nobody's yes: they only say how the file was read. */
const INFORMING = new Set([
  'column-ignored',
  'column-guessed',
  'lines-above',
  'encoding-guessed',
  'macros-ignored',
  'periods-read',
  'repeated-header',
  'total-line',
  'left-out',
]);

/** What a group asks for: lines to settle, something worth a look, or nothing. */
export function weightOf(group: CheckGroup): 'settle' | 'look' | 'said' {
  if (group.held) return 'settle';
  return INFORMING.has(group.code) || group.open === 0 ? 'said' : 'look';
}

/** Groups that ask for most come first, in their order otherwise. */
export function byWeight(groups: CheckGroup[]): CheckGroup[] {
  const order = ['settle', 'look', 'said'];
  return [...groups].sort((a, b) => order.indexOf(weightOf(a)) - order.indexOf(weightOf(b)));
}

/** How many lines are left to settle, over all groups that hold lines back. */
export function toSettle(groups: CheckGroup[]): number {
  const lines = new Set<number>();
  let beyond = 0;
  for (const group of groups.filter((one) => one.held)) {
    group.findings.forEach((finding) => lines.add(finding.line));
    beyond += group.count - group.findings.length;
  }
  return lines.size + beyond;
}

/** The sentence over the load, computed from its lines. */
export function headline(load: Load): string {
  if (load.state === 'reading') return t('intake.isLoading', { file: load.file });
  if (load.state === 'received') return t('intake.needsAFieldBeforeIt', { file: load.file });
  if (load.state === 'posted') {
    return t('intake.isPosted', {
      file: load.file,
      held: load.held ? t('intake.onHold', { held: count(load.held, 'line') }) : '',
    });
  }
  if (load.state === 'reversed') return t('intake.wasPostedAndReversed', { file: load.file });
  if (load.ready === 0) return t('intake.noLineOfIsReady', { file: load.file });
  if (load.held > 0) return t('intake.lineNeedsAttention', { file: load.file, n: load.held });
  return t('intake.isReady', { file: load.file });
}

/** The word beside a load in the tray. */
export function stateWord(load: Load): string {
  if (load.state === 'received') return t('intake.needsAField');
  return load.state === 'posted' && load.held > 0
    ? t('intake.postedOnHold', { held: load.held })
    : load.state;
}

/** What posting in a mode does, said before the button. */
export function modeWord(mode: PostMode): string {
  if (mode === 'replace') return t('intake.replaceWhatIsPosted');
  return mode === 'correct' ? t('intake.replaceMatchingOrders') : t('intake.addToWhatIsPosted');
}

/** "2 min", "40 s"; empty while it is too early to say. */
export function timeLeft(seconds: number): string {
  if (seconds < 0) return '';
  return seconds >= 90
    ? t('intake.minLeft', { seconds: Math.round(seconds / 60) })
    : t('intake.sLeft', { seconds });
}

/** Cells copied from a sheet: lines of at least two cells, or several lines. */
export function isTable(text: string): boolean {
  const lines = text.split(/\r\n|\n|\r/).filter((line) => line.trim() !== '');
  return lines.length > 1 && lines.some((line) => /[\t;,|]/.test(line));
}

/** Pasted cells as a file. */
export function pastedFile(text: string, now: Date): File {
  const stamp = now.toISOString().slice(0, 16).replace('T', ' ').replace(':', '.');
  return new File([text], t('intake.pastedTsv', { stamp }), { type: 'text/tab-separated-values' });
}
