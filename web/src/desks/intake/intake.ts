import type { CheckGroup, Load, PostMode } from '../../api/types';
import { count } from '../../format/figures';

const TITLES: Record<string, string> = {
  'column-ignored': 'Columns not read',
  'column-guessed': 'Columns that were guessed',
  'lines-above': 'Lines above the header',
  'encoding-guessed': 'Encoding guessed',
  'macros-ignored': 'Macros not run',
  'periods-read': 'Periods read as months',
  'amount-unreadable': 'Amounts that are no numbers',
  'amount-percent': 'Percentages in an amount',
  'amount-missing': 'No amount',
  'amount-too-large': 'Amounts too large',
  'amount-decimals': 'Too many decimals',
  'amount-ambiguous': 'Amounts that can be read two ways',
  'other-currency': 'Another currency’s sign',
  'signs-differ': 'Amount and quantity of opposite sign',
  'unusual-amount': 'Far from what is usual',
  'unusual-sign': 'Negative where none was before',
  'date-missing': 'No date',
  'date-unreadable': 'Dates that are none',
  'date-ambiguous': 'Dates that can be read two ways',
  'day-does-not-exist': 'Days that do not exist',
  'month-outside-calendar': 'Months outside the calendar',
  'month-far': 'Months far from all others',
  'period-unreadable': 'Periods that are none',
  'year-unreadable': 'Years that are none',
  'member-unknown': 'Unknown names',
  'member-ambiguous': 'Names shared by several',
  'member-missing': 'No member named',
  'member-blank': 'A member left blank',
  'member-like': 'New names like known ones',
  'member-left': 'Left before the month',
  'member-not-begun': 'Not begun by the month',
  'name-too-long': 'Names too long',
  'name-unseen': 'Characters that cannot be seen',
  'not-on-roster': 'Not on the roster then',
  'cell-count': 'Too few or too many cells',
  'cut-off': 'Cut off',
  'duplicate-line': 'Twice in this file',
  'already-posted': 'Orders that are posted already',
  'goal-twice': 'Goals given twice',
  'stay-twice': 'Stays given twice',
  'product-twice': 'Products given twice',
  'until-before-from': 'Stays that end before they begin',
  'mail-unreadable': 'Mail addresses that are none',
  'repeated-header': 'Headers repeated',
  'total-line': 'Total lines',
  'left-out': 'Left out by hand',
  'same-file': 'The same file again',
  'trailer-differs': 'The total line does not match',
  'units-mixed': 'Another unit than usual',
  'member-absent': 'On the roster, but not in the file',
  'goal-absent': 'On the roster, without a goal',
  'goals-differ': 'Reps’ goals and their region’s',
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
  if (load.state === 'reading') return `${load.file} is being read.`;
  if (load.state === 'received') return `${load.file} could not be staged yet.`;
  if (load.state === 'posted') {
    return `${load.file} is posted${load.held ? `, ${count(load.held, 'line')} left behind` : ''}.`;
  }
  if (load.state === 'reversed') return `${load.file} was posted and taken out again.`;
  if (load.ready === 0) return `No line of ${load.file} is ready.`;
  if (load.held > 0) return `${load.file} is ${count(load.held, 'line')} short of ready.`;
  return `${load.file} is ready.`;
}

/** The word beside a load in the tray. */
export function stateWord(load: Load): string {
  if (load.state === 'received') return 'to be told';
  return load.state === 'posted' && load.held > 0 ? `posted, ${load.held} held` : load.state;
}

/** What posting in a mode does, said before the button. */
export function modeWord(mode: PostMode): string {
  if (mode === 'replace') return 'Replace what is posted';
  return mode === 'correct' ? 'Correct by order' : 'Add to what is posted';
}

/** "2 min", "40 s"; empty while it is too early to say. */
export function timeLeft(seconds: number): string {
  if (seconds < 0) return '';
  return seconds >= 90 ? `${Math.round(seconds / 60)} min left` : `${seconds} s left`;
}

/** Cells copied from a sheet: lines of at least two cells, or several lines. */
export function isTable(text: string): boolean {
  const lines = text.split(/\r\n|\n|\r/).filter((line) => line.trim() !== '');
  return lines.length > 1 && lines.some((line) => /[\t;,|]/.test(line));
}

/** Pasted cells as a file. */
export function pastedFile(text: string, now: Date): File {
  const stamp = now.toISOString().slice(0, 16).replace('T', ' ').replace(':', '.');
  return new File([text], `pasted ${stamp}.tsv`, { type: 'text/tab-separated-values' });
}
