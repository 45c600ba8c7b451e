import { useState } from 'react';
import type {
  CheckFinding,
  CheckGroup,
  Checks as ChecksShape,
  Load,
  UnknownName,
} from '../../api/types';
import { amount } from '../../format/figures';
import { count } from '../../format/nouns';
import { StatusMark } from '../../marks/StatusMark';
import { byWeight, titleOf, weightOf } from './intake';
import { MakeAll } from './MakeAll';
import { NameFix } from './NameFix';
import type { useSay } from './useIntake';
import { t } from './words';

const SHOWN = 40;
const TONES = { settle: 'bad', look: 'near', said: 'neutral' } as const;
const link = 'min-h-6 self-start text-left text-select underline disabled:opacity-60';

interface ChecksProps {
  load: Load;
  checks: ChecksShape;
  isOpen: boolean;
  say: ReturnType<typeof useSay>;
  onGoTo: (line: number, column: string | null, isEditing: boolean) => void;
}

/** What was found, by kind; each kind opens to its lines, and each line to what can be done. */
export function Checks(props: ChecksProps) {
  const { checks, isOpen } = props;
  const [opened, setOpened] = useState<string | null>(null);
  const groups = byWeight(checks.groups);
  const first = groups.find((group) => weightOf(group) !== 'said');
  const shown = opened ?? (isOpen ? (first?.code ?? '') : '');
  return (
    <ul>
      {isOpen && checks.decidedLines > 0 && (
        <li className="px-1 pb-1 text-quiet">
          {t('checks.decidedByHand', { decidedLines: count(checks.decidedLines, 'line') })}{' '}
          <button
            type="button"
            className={link}
            disabled={props.say.isPending}
            onClick={() => props.say.mutate({ kind: 'take-back' })}
          >
            {t('checks.undoAll')}
          </button>
        </li>
      )}
      {groups.map((group) => (
        <li key={group.code} className="border-b border-rule">
          <button
            type="button"
            aria-expanded={shown === group.code}
            onClick={() => setOpened(shown === group.code ? '' : group.code)}
            className="flex w-full items-center justify-between gap-2 px-1 py-2 text-left hover:bg-ground"
          >
            <span className="[&>span]:whitespace-normal">
              <StatusMark status={titleOf(group.code)} tone={TONES[weightOf(group)]} />
            </span>
            <b>{amount(String(group.count))}</b>
          </button>
          {shown === group.code && <Group group={group} {...props} />}
        </li>
      ))}
      {checks.groups.length === 0 && (
        <li className="py-2">
          <StatusMark status={t('checks.namesMonthsAmountsAndDuplicates')} tone="good" />
        </li>
      )}
    </ul>
  );
}

function Group(props: ChecksProps & { group: CheckGroup }) {
  const { group, checks, isOpen, say } = props;
  const names = checks.names.filter((name) =>
    group.findings.some((finding) => finding.details['value'] === name.text),
  );
  const isNames = group.code === 'member-unknown' || group.code === 'member-like';
  return (
    <div className="pb-2 pl-1">
      {isOpen && <WholeGroup group={group} say={say} />}
      {isNames && isOpen && <AllProposals names={names} say={say} />}
      {group.code === 'member-unknown' && isOpen && (
        <MakeAll names={names} firstMonth={props.load.firstMonth} say={say} />
      )}
      {isNames && isOpen
        ? names.map((name) => (
            <NameFix
              key={`${name.axis} ${name.text}`}
              name={name}
              say={say}
              onGoTo={(line) => props.onGoTo(line, null, false)}
            />
          ))
        : group.findings
            .slice(0, SHOWN)
            .map((finding, at) => <One key={at} finding={finding} {...props} />)}
      {group.count > SHOWN && !isNames && (
        <p className="pt-1 text-quiet">
          {t('checks.theFirstOfAreShown', { SHOWN, count: amount(String(group.count)) })}
        </p>
      )}
    </div>
  );
}

/** What can be done with all of a kind at once. */
function WholeGroup({ group, say }: { group: CheckGroup; say: ChecksProps['say'] }) {
  if (group.ofFile || group.count < 2) return null;
  const weight = weightOf(group);
  const decide = (action: 'leave' | 'accept') =>
    say.mutate({ kind: 'fix', decision: { action, code: group.code } });
  return (
    <p className="flex flex-wrap gap-x-4 pb-1">
      {weight === 'look' && (
        <button
          type="button"
          className={link}
          disabled={say.isPending}
          onClick={() => decide('accept')}
        >
          {t('checks.acceptAll')}
        </button>
      )}
      {(weight === 'settle' || group.code === 'duplicate-line') && (
        <button
          type="button"
          className={link}
          disabled={say.isPending}
          onClick={() => decide('leave')}
        >
          {t('checks.leaveOutAll', { count: count(group.count, 'line') })}
        </button>
      )}
    </p>
  );
}

/** Accepts every proposal that is the only one for its name. */
function AllProposals({ names, say }: { names: UnknownName[]; say: ChecksProps['say'] }) {
  const sure = names.flatMap((name) =>
    name.proposals.length === 1 && name.proposals[0]
      ? [{ axis: name.axis, text: name.text, member: name.proposals[0].key }]
      : [],
  );
  if (sure.length < 2) return null;
  return (
    <button
      type="button"
      className={`${link} pb-1`}
      disabled={say.isPending}
      onClick={() => say.mutate({ kind: 'names', names: sure })}
    >
      {t('checks.useAllProposals', { sure: sure.length })}
    </button>
  );
}

function One(props: ChecksProps & { group: CheckGroup; finding: CheckFinding }) {
  const { finding, group, isOpen, say, onGoTo } = props;
  const isAboutALine = !group.ofFile && !(finding.line === 1 && finding.column === null);
  return (
    <div className="grid grid-cols-[64px_minmax(0,1fr)] gap-x-1.5 py-1">
      {isAboutALine ? (
        <button
          type="button"
          className={`${link} text-left`}
          onClick={() => onGoTo(finding.line, finding.column, false)}
        >
          {t('checks.line', { line: amount(String(finding.line)) })}
        </button>
      ) : (
        <span className="text-quiet">{t('checks.file')}</span>
      )}
      <div>
        <p className="break-words">{finding.message}</p>
        {finding.accepted && <p className="text-quiet">{t('checks.accept')}</p>}
        {isOpen && isAboutALine && !finding.accepted && (
          <Fixes group={group} finding={finding} say={say} onGoTo={onGoTo} />
        )}
      </div>
    </div>
  );
}

function Fixes({
  group,
  finding,
  say,
  onGoTo,
}: Pick<ChecksProps, 'say' | 'onGoTo'> & { group: CheckGroup; finding: CheckFinding }) {
  const weight = weightOf(group);
  const lines = [finding.line];
  const column = finding.column;
  const button = (word: string, act: () => void) => (
    <button key={word} type="button" className={link} disabled={say.isPending} onClick={act}>
      {word}
    </button>
  );
  const rule = (told: { dates?: 'day-first' | 'month-first'; decimals?: 'point' | 'comma' }) => {
    if (column) say.mutate({ kind: 'reading', told: { columns: { [column]: told } } });
  };
  const fixes = [];
  if (group.code === 'total-line') {
    fixes.push(
      button(t('checks.countTheLine'), () =>
        say.mutate({ kind: 'fix', decision: { action: 'count', lines } }),
      ),
    );
  } else if (group.code === 'left-out') {
    fixes.push(
      button(t('checks.undo'), () => say.mutate({ kind: 'take-back', line: finding.line })),
    );
  } else if (finding.line > 1 && weight !== 'said') {
    if (group.code === 'date-ambiguous') {
      fixes.push(button(t('checks.dayFirst'), () => rule({ dates: 'day-first' })));
      fixes.push(button(t('checks.monthFirst'), () => rule({ dates: 'month-first' })));
    }
    if (group.code === 'amount-ambiguous') {
      fixes.push(button(t('checks.thePointIsTheDecimal'), () => rule({ decimals: 'point' })));
      fixes.push(button(t('checks.theCommaIsTheDecimal'), () => rule({ decimals: 'comma' })));
    }
    if (column && weight === 'settle') {
      fixes.push(button(t('checks.correct'), () => onGoTo(finding.line, column, true)));
    }
    if (weight === 'look') {
      fixes.push(
        button(t('checks.accept2'), () =>
          say.mutate({ kind: 'fix', decision: { action: 'accept', lines, code: group.code } }),
        ),
      );
    }
    fixes.push(
      button(t('checks.leaveOut'), () =>
        say.mutate({ kind: 'fix', decision: { action: 'leave', lines } }),
      ),
    );
  }
  return <p className="flex flex-wrap gap-x-3 font-semibold">{fixes}</p>;
}
