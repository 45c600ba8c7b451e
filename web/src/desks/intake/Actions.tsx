import { useState } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../../api/client';
import type { Changes, Load, PostMode } from '../../api/types';
import { count, monthName } from '../../format/figures';

import { mainButton, quietButton } from '../../ui/Notice';
import { modeWord } from './intake';
import type { useStep } from './useIntake';

const MODES: PostMode[] = ['add', 'replace', 'correct'];

interface ActionsProps {
  load: Load;
  changes: Changes | null;
  mode: PostMode | null;
  onMode: (mode: PostMode) => void;
  step: ReturnType<typeof useStep>;
}

/** The next step of a load: post, reverse, settle what was held back, discard. */
export function Actions(props: ActionsProps) {
  const { load, step } = props;
  return (
    <div className="mt-3 space-y-3">
      {load.state === 'staged' && load.progress === null && <Post {...props} />}
      {load.state === 'posted' && <Posted load={load} step={step} />}
      {load.state === 'reversed' && (
        <p className="text-quiet">Load the file again to bring its lines back.</p>
      )}
      {(load.state === 'staged' || load.state === 'received') && load.progress === null && (
        <button
          type="button"
          className={quietButton}
          disabled={step.isPending}
          onClick={() => step.mutate({ kind: 'discard' })}
        >
          Discard
        </button>
      )}
      {step.isError && (
        <p role="alert" className="border-l-4 border-bad bg-ground p-2.5">
          {step.error.message}
        </p>
      )}
      {load.state !== 'reading' && (
        <p className="border-t border-rule pt-2.5 text-[12.5px]">
          <a href={`/api/v1/loads/${load.id}/original`} download className="text-select underline">
            The file as it came
          </a>
        </p>
      )}
    </div>
  );
}

function Post({ load, changes, mode, onMode, step }: ActionsProps) {
  const [because, setBecause] = useState('');
  const isUnmet = load.controlTotal !== null && !load.controlTotal.met;
  const isAgain = load.sameState === 'posted';
  const chosen = mode ?? changes?.mode ?? 'add';
  const isChoice = load.kind === 'actuals' && changes !== null;
  const sealed = changes?.sealedMonths ?? [];
  return (
    <>
      {isAgain && chosen === 'add' && (
        <p className="border-l-4 border-near bg-ground p-2.5">
          The same content is already posted as load {load.sameAs}. Posting it here as well
          {load.kind === 'actuals' ? ' counts every line twice.' : ' changes nothing.'}
        </p>
      )}
      {isChoice && (
        <fieldset>
          <legend className="mb-1 font-semibold">How it is booked</legend>
          {MODES.map((one) => (
            <label key={one} className="flex items-center gap-2 py-0.5">
              <input
                type="radio"
                name="mode"
                checked={chosen === one}
                onChange={() => onMode(one)}
              />
              {modeWord(one)}
              {changes.proposed === one && <span className="text-[12px] text-quiet">proposed</span>}
            </label>
          ))}
          <p className="text-[12.5px] text-quiet">{modeSentence(chosen, changes)}</p>
        </fieldset>
      )}
      {sealed.length > 0 && (
        <p className="border-l-4 border-near bg-ground p-2.5">
          It touches {sealed.map(monthName).join(', ')}, sealed. As a correction it leaves the
          sealed figures as they are; the difference in pay goes to the next open month.
        </p>
      )}
      {isUnmet && (
        <label className="block">
          <span className="mb-1 block font-semibold">Why post without the control total?</span>
          <input
            value={because}
            maxLength={400}
            onChange={(event) => setBecause(event.target.value)}
            className="w-full rounded-sm border border-quiet bg-sheet px-2.5 py-1.5"
          />
        </label>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className={mainButton}
          disabled={step.isPending || load.ready === 0 || (isUnmet && !because.trim())}
          onClick={() =>
            step.mutate({
              kind: 'post',
              because: because.trim(),
              mode: chosen,
              isCorrecting: sealed.length > 0,
            })
          }
        >
          Post {count(load.ready, 'line')}
          {sealed.length > 0 ? ' as a correction' : ''}
          {isAgain && chosen === 'add' ? ' again' : ''}
        </button>
        {load.held > 0 && load.ready > 0 && <span className="text-quiet">hold the rest</span>}
      </div>
    </>
  );
}

/** What the chosen mode touches, in members and months. */
function modeSentence(mode: PostMode, changes: Changes): string {
  const months =
    changes.months.length === 1 && changes.months[0]
      ? monthName(changes.months[0])
      : `${changes.months.length} months`;
  if (mode === 'add') return 'Every line counts beside what is posted.';
  if (mode === 'correct') return 'Posted lines of the same order and product no longer count.';
  const names = changes.covered;
  const covered =
    names.length === 0
      ? 'everything'
      : names.length <= 3
        ? names.join(', ')
        : `${names.length} ${changes.scopeAxis ?? 'member'}s`;
  return `What is posted for ${covered} in ${months} no longer counts.`;
}

function Posted({ load, step }: { load: Load; step: ActionsProps['step'] }) {
  const refused = step.error instanceof ProblemError ? step.error.code : null;
  const isOfSealed = refused === 'month-sealed';
  return (
    <>
      {load.held > 0 && (
        <div className="border-l-4 border-near bg-ground p-2.5">
          <p className="mb-1.5">
            {count(load.held, 'line')} stayed behind. Settle {load.held === 1 ? 'it' : 'them'} here,
            or in the file.
          </p>
          <button
            type="button"
            className={quietButton}
            disabled={step.isPending}
            onClick={() => step.mutate({ kind: 'remainder' })}
          >
            Settle the rest
          </button>{' '}
          <a
            href={`/api/v1/loads/${load.id}/remainder.csv`}
            download
            className="ml-1 text-select underline"
          >
            As CSV
          </a>
        </div>
      )}
      <button
        type="button"
        className={quietButton}
        disabled={step.isPending}
        onClick={() => step.mutate({ kind: 'reverse', isCorrecting: isOfSealed })}
      >
        {isOfSealed ? 'Reverse as a correction' : 'Reverse'}
      </button>
      {isOfSealed && (
        <p className="text-quiet">
          It touches a sealed month, whose figures stay; the difference in pay goes to the next open
          one.
        </p>
      )}
      <p className="text-quiet">
        Takes its {count(load.ready, 'line')} out again; everything is then as it was before.
      </p>
      {load.mode && load.mode !== 'add' && (
        <p className="text-quiet">Booked so: {modeWord(load.mode).toLowerCase()}.</p>
      )}
      {load.lastMonth && load.kind === 'actuals' && (
        <p>
          <Link to={`/standing?to=${load.lastMonth}`} className="text-select underline">
            See the standing
          </Link>
        </p>
      )}
      {load.because && <p className="text-quiet">Posted because: {load.because}</p>}
    </>
  );
}
