import { useState } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../../api/client';
import type { Changes, Load, PostMode } from '../../api/types';
import { monthName } from '../../format/figures';
import { count, countOf } from '../../format/nouns';

import { mainButton, quietButton } from '../../ui/Notice';
import { Proposed } from '../../ui/Proposed';
import { modeWord } from './intake';
import { useSay, type useStep } from './useIntake';
import { t } from './words';

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
      {load.state === 'staged' && load.progress === null && load.held > 0 && (
        <CheckAgain load={load} />
      )}
      {load.state === 'posted' && <Posted load={load} step={step} />}
      {load.state === 'reversed' && (
        <p className="text-quiet">
          {load.origin === 'entered'
            ? t('actions.enterTheGoalsAgain')
            : t('actions.loadTheFileAgainTo')}
        </p>
      )}
      {(load.state === 'staged' || load.state === 'received') && load.progress === null && (
        <button
          type="button"
          className={quietButton}
          disabled={step.isPending}
          onClick={() => step.mutate({ kind: 'discard' })}
        >
          {t('actions.discardLoad')}
        </button>
      )}
      {step.data?.proposal && <Proposed proposal={step.data.proposal} />}
      {step.isError && (
        <p role="alert" className="border-l-4 border-bad bg-ground p-2.5">
          {step.error.message}
        </p>
      )}
      {load.state !== 'reading' && (
        <p className="border-t border-rule pt-2.5 text-[12.5px]">
          <a href={`/api/v1/loads/${load.id}/original`} download className="text-select underline">
            {t('actions.originalFile')}
          </a>
        </p>
      )}
    </div>
  );
}

/** Lines wait for reps or products that were not there yet; once they are, a check is enough. */
function CheckAgain({ load }: { load: Load }) {
  const say = useSay(load.id);
  return (
    <p className="text-[12.5px] text-quiet">
      {t('actions.heldLinesWait')}{' '}
      <button
        type="button"
        className="min-h-6 text-select underline"
        disabled={say.isPending}
        onClick={() => say.mutate({ kind: 'reading', told: {} })}
      >
        {t('actions.checkAgain')}
      </button>
    </p>
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
          {t('actions.theSameContentIsAlready', {
            sameAs: load.sameAs,
            isActuals: String(load.kind === 'actuals'),
          })}
        </p>
      )}
      {isChoice && (
        <fieldset>
          <legend className="mb-1 font-semibold">{t('actions.postingMethod2')}</legend>
          {MODES.map((one) => (
            <label key={one} className="flex items-center gap-2 py-0.5">
              <input
                type="radio"
                name="mode"
                checked={chosen === one}
                onChange={() => onMode(one)}
              />
              {modeWord(one)}
              {changes.proposed === one && (
                <span className="text-[12px] text-quiet">{t('actions.proposed')}</span>
              )}
            </label>
          ))}
          <p className="text-[12.5px] text-quiet">{modeSentence(chosen, changes)}</p>
        </fieldset>
      )}
      {sealed.length > 0 && (
        <p className="border-l-4 border-near bg-ground p-2.5">
          {t('actions.thisLoadHasLinesOf2', { join: sealed.map(monthName).join(', ') })}
        </p>
      )}
      {isUnmet && (
        <label className="block">
          <span className="mb-1 block font-semibold">
            {t('actions.reasonForPostingAlthoughThe')}
          </span>
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
          {t('actions.postAsACorrection', {
            lines: count(load.ready, 'line'),
            isCorrection: String(sealed.length > 0),
            isAgain: String(isAgain && chosen === 'add'),
          })}
        </button>
        {load.held > 0 && load.ready > 0 && (
          <span className="text-quiet">{t('actions.lineStaysOnHold', { n: load.held })}</span>
        )}
      </div>
    </>
  );
}

/** What the chosen mode touches, in members and months. */
function modeSentence(mode: PostMode, changes: Changes): string {
  const months =
    changes.months.length === 1 && changes.months[0]
      ? monthName(changes.months[0])
      : t('actions.month', { months: changes.months.length });
  if (mode === 'add') return t('actions.everyLineIsAddedTo');
  if (mode === 'correct') return t('actions.postedLinesWithTheSame');
  const names = changes.covered;
  const covered =
    names.length === 0
      ? t('actions.everything')
      : names.length <= 3
        ? names.join(', ')
        : countOf(names.length, changes.scopeAxis ?? 'member');
  return t('actions.whatIsPostedForIn', { covered, months });
}

function Posted({ load, step }: { load: Load; step: ActionsProps['step'] }) {
  const refused = step.error instanceof ProblemError ? step.error.code : null;
  const isOfSealed = refused === 'month-sealed';
  return (
    <>
      {load.held > 0 && (
        <div className="border-l-4 border-near bg-ground p-2.5">
          <p className="mb-1.5">{t('actions.lineIsOnHoldCorrect', { n: load.held })}</p>
          <button
            type="button"
            className={quietButton}
            disabled={step.isPending}
            onClick={() => step.mutate({ kind: 'remainder' })}
          >
            {t('actions.correctTheLinesOnHold')}
          </button>{' '}
          <a
            href={`/api/v1/loads/${load.id}/remainder.csv`}
            download
            className="ml-1 text-select underline"
          >
            {t('actions.downloadAsCsv')}
          </a>
        </div>
      )}
      <button
        type="button"
        className={quietButton}
        disabled={step.isPending}
        onClick={() => step.mutate({ kind: 'reverse', isCorrecting: isOfSealed })}
      >
        {isOfSealed ? t('actions.reverseLoadAsACorrection') : t('actions.reverseLoad')}
      </button>
      {isOfSealed && <p className="text-quiet">{t('actions.thisLoadHasLinesOf')}</p>}
      <p className="text-quiet">
        {t('actions.reversingTakesOutAgainEverything', { ready: count(load.ready, 'line') })}
      </p>
      {load.mode && load.mode !== 'add' && (
        <p className="text-quiet">
          {t('actions.postingMethod', { toLowerCase: modeWord(load.mode).toLowerCase() })}
        </p>
      )}
      {load.lastMonth && load.kind === 'actuals' && (
        <p>
          <Link to={`/standing?to=${load.lastMonth}`} className="text-select underline">
            {t('actions.openStanding')}
          </Link>
        </p>
      )}
      {load.because && (
        <p className="text-quiet">{t('actions.postedBecause', { because: load.because })}</p>
      )}
    </>
  );
}
