import type { AxisWord, Finding, Load, LoadKind, Measure } from '../../api/types';
import { count } from '../../format/figures';

/** What the sender says of a file; all of it can be corrected before it is staged. */
export interface Draft {
  kind: LoadKind;
  goalSet: string;
  axis: AxisWord;
  measure: string;
  controlTotal: string;
}

const MONTH_HEADER =
  /^((19|20)\d\d[-/.]?\d\d|\d{1,2}[-/.](19|20)\d\d|(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?[ -]?'?(\d{4}|\d\d))$/i;

/** The header's names, lower case: enough of CSV to guess by. */
export function headerNames(firstLine: string): string[] {
  const separator = [';', '\t', ','].sort(
    (a, b) => firstLine.split(b).length - firstLine.split(a).length,
  )[0];
  return firstLine
    .replace('\ufeff', '')
    .split(separator ?? ',')
    .map((name) => name.trim().replace(/^"|"$/g, '').toLowerCase());
}

/** Whether months stand as columns, so that the file must be told what they count. */
export function isWide(names: string[]): boolean {
  const hasTime = ['date', 'month', 'year'].some((name) => names.includes(name));
  return !hasTime && names.some((name) => MONTH_HEADER.test(name));
}

/** Guesses what a file brings from its header and its name. */
export function guess(fileName: string, firstLine: string, measures: Measure[]): Draft {
  const names = headerNames(firstLine);
  const has = (name: string) => names.includes(name);
  const hasMeasure = measures.some((measure) => has(measure.code.toLowerCase()));
  const isGoals = /quota|budget|plan|goal|target|forecast|limit/i.test(fileName) || has('year');
  let kind: LoadKind = isGoals ? 'goals' : 'actuals';
  if (!hasMeasure && has('rep') && has('from')) kind = 'roster';
  if (!hasMeasure && has('product') && has('line') && has('name')) kind = 'products';
  const axis = (['rep', 'product', 'line', 'manager', 'region', 'company'] as const).find(has);
  const used = measures.find((measure) => measure.code === 'revenue') ?? measures[0];
  return {
    kind,
    goalSet: kind === 'goals' ? goalSetName(fileName) : '',
    axis: axis ?? 'rep',
    measure: isWide(names) ? (used?.code ?? '') : '',
    controlTotal: '',
  };
}

function goalSetName(fileName: string): string {
  const word = /quota|budget|region plan|product plan|plan|forecast|limit/i.exec(
    fileName.replace(/[-_.]/g, ' '),
  );
  return word ? word[0].toLowerCase() : 'goals';
}

/** The form that the server takes. */
export function formOf(file: File, draft: Draft): FormData {
  const form = new FormData();
  form.set('kind', draft.kind);
  if (draft.kind === 'goals') {
    form.set('goalSet', draft.goalSet);
    form.set('axis', draft.axis);
  }
  if (draft.measure) form.set('measure', draft.measure);
  if (draft.controlTotal.trim()) form.set('controlTotal', draft.controlTotal.trim());
  form.set('file', file, file.name);
  return form;
}

export interface FindingGroup {
  code: string;
  title: string;
  isHolding: boolean;
  findings: Finding[];
}

const TITLES: Record<string, string> = {
  'column-ignored': 'Columns not read',
  'amount-unreadable': 'Amounts that are no numbers',
  'amount-percent': 'Percentages in an amount',
  'amount-missing': 'No amount',
  'amount-too-large': 'Amounts too large',
  'amount-decimals': 'Too many decimals',
  'amount-ambiguous': 'Amounts that can be read two ways',
  'other-currency': 'Another currency’s sign',
  'signs-differ': 'Amount and quantity of opposite sign',
  'date-missing': 'No date',
  'date-unreadable': 'Dates that are none',
  'date-ambiguous': 'Dates that can be read two ways',
  'day-does-not-exist': 'Days that do not exist',
  'month-outside-calendar': 'Months outside the calendar',
  'year-unreadable': 'Years that are none',
  'member-unknown': 'Unknown members',
  'member-ambiguous': 'Names shared by several',
  'member-missing': 'No member named',
  'member-blank': 'A member left blank',
  'name-too-long': 'Names too long',
  'not-on-roster': 'Not on the roster then',
  'cell-count': 'Too few or too many cells',
  'cut-off': 'Cut off',
  'duplicate-line': 'Twice in this file',
  'goal-twice': 'Goals given twice',
  'stay-twice': 'Stays given twice',
  'product-twice': 'Products given twice',
  'until-before-from': 'Stays that end before they begin',
  'repeated-header': 'Headers repeated',
  'total-line': 'Total lines',
  'same-file': 'The same file again',
};

/** Findings by kind: those that hold lines back first, then by number. */
export function groupFindings(findings: Finding[]): FindingGroup[] {
  const groups = new Map<string, FindingGroup>();
  for (const finding of findings) {
    const group = groups.get(finding.code) ?? {
      code: finding.code,
      title: TITLES[finding.code] ?? finding.code,
      isHolding: finding.held,
      findings: [],
    };
    group.findings.push(finding);
    groups.set(finding.code, group);
  }
  return [...groups.values()].sort(
    (a, b) => Number(b.isHolding) - Number(a.isHolding) || b.findings.length - a.findings.length,
  );
}

/** The sentence over the load, computed from its lines. */
export function headline(load: Load): string {
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
  return load.state === 'posted' && load.held > 0 ? `posted, ${load.held} held` : load.state;
}
