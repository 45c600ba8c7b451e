import { useState } from 'react';
import type { Company, Load, PostMode } from '../../api/types';
import { Failed, Loading, quietButton } from '../../ui/Notice';
import { Actions } from './Actions';
import { Changes } from './Changes';
import { Checks } from './Checks';
import { Equation } from './Equation';
import { headline, timeLeft, titleOf, toSettle, weightOf } from './intake';
import { Reading } from './Reading';
import { SheetView, type Walk } from './SheetView';
import {
  placeOf,
  useChanges,
  useChecks,
  useProgress,
  useSay,
  useSheet,
  useStep,
} from './useIntake';
import { t } from './words';

interface LoadViewProps {
  load: Load;
  company: Company;
  /** A line of the file to begin at, from the address. */
  line: number | null;
  onGone: () => void;
  onOpen: (id: number) => void;
}

/** One load: its sheet, what is wrong with it, what posting changes, and the next step. */
export function LoadView({ load, company, line, onGone, onOpen }: LoadViewProps) {
  const sheet = useSheet(load);
  const checks = useChecks(load);
  const say = useSay(load.id);
  const step = useStep(load.id, onGone, onOpen);
  const [mode, setMode] = useState<PostMode | null>(null);
  const changes = useChanges(load, mode, 'rep');
  const hasFigures = load.kind === 'actuals' || load.kind === 'goals';
  const [walk, setWalk] = useState<Walk | null>(null);
  const progress = useProgress(load);
  const isStaged = load.state === 'staged';
  const groups = checks.data?.groups ?? [];

  function goTo(target: number, column: string | null, isEditing: boolean) {
    void placeOf(load.id, target).then((place) =>
      setWalk({ place, line: target, column, isEditing, turn: Date.now() }),
    );
  }

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_272px] xl:grid-cols-[minmax(0,1fr)_318px]">
      <section
        aria-label={t('loadView.load')}
        className="flex min-h-0 min-w-0 flex-col p-[18px] pt-3.5 pb-2"
      >
        <h1 className="mb-2.5 text-[20px] font-bold break-words">{headline(load)}</h1>
        {progress && (
          <div className="mb-3 bg-sheet p-3">
            <div className="flex items-center justify-between gap-4">
              <p role="status">
                {progress.phase === 'reading' ? t('loadView.loading') : t('loadView.checking')},{' '}
                {progress.percent} %{' '}
                <span className="text-quiet">{timeLeft(progress.secondsLeft)}</span>
              </p>
              <button
                type="button"
                className={quietButton}
                onClick={() => step.mutate({ kind: 'cancel' })}
              >
                {t('loadView.stopLoading')}
              </button>
            </div>
            <progress
              aria-label={t('loadView.progressOfTheFile')}
              className="mt-2 h-1.5 w-full accent-select"
              max={100}
              value={progress.percent}
            />
            {progress.isPolled && (
              <p role="status" className="mt-1 text-[12px] text-quiet">
                {t('loadView.polled')}
              </p>
            )}
          </div>
        )}
        {load.problem && !progress && (
          <div role="alert" className="mb-3 border-l-4 border-bad bg-sheet p-3">
            <p>{load.problem.message}</p>
            {/^load-(cancelled|interrupted)$|^internal$/.test(load.problem.code) && (
              <button
                type="button"
                className={`${quietButton} mt-2`}
                onClick={() => say.mutate({ kind: 'read' })}
              >
                {t('loadView.loadTheFileAgain')}
              </button>
            )}
          </div>
        )}
        {load.state !== 'received' && load.state !== 'reading' && (
          <Equation load={load} isOpen={isStaged} say={say} />
        )}
        {sheet.data && (
          <Reading
            load={load}
            sheet={sheet.data}
            company={company}
            isOpen={isStaged || load.state === 'received'}
            say={say}
          />
        )}
        {say.isError && (
          <p role="alert" className="mb-2 border-l-4 border-bad bg-sheet p-2.5">
            {say.error.message}
          </p>
        )}
        {sheet.isPending && load.state !== 'reading' && <Loading what={t('loadView.theSheet')} />}
        {sheet.isError && load.problem === null && (
          <Failed error={sheet.error} onRetry={() => void sheet.refetch()} />
        )}
        {sheet.data && (
          <SheetView
            load={load}
            head={sheet.data}
            first={line}
            walk={walk}
            isOpen={isStaged || load.state === 'received'}
            say={say}
          />
        )}
        {isStaged && hasFigures && changes.data && <Changes load={load} changes={changes.data} />}
      </section>
      <aside
        aria-label={t('loadView.checks')}
        className="min-h-0 overflow-auto border-l border-rule bg-sheet p-4"
      >
        <h2 className="mb-2 text-[18px] font-bold">{checksTitle()}</h2>
        {load.state === 'received' && sheet.data && <p>{t('loadView.ourFieldForEachColumn')}</p>}
        {checks.data && (
          <Checks load={load} checks={checks.data} say={say} onGoTo={goTo} isOpen={isStaged} />
        )}
        <div className="sticky -bottom-4 -mx-4 -mb-4 border-t border-rule bg-sheet px-4 pb-4">
          <Actions
            load={load}
            changes={changes.data ?? null}
            mode={mode}
            onMode={setMode}
            step={step}
          />
        </div>
      </aside>
    </div>
  );

  function checksTitle(): string {
    if (load.state === 'reading') return t('loadView.loading');
    if (load.state === 'received') return t('loadView.needsAField');
    const lines = toSettle(groups);
    if (lines > 0 && isStaged) return t('loadView.lineNeedsAttention', { n: lines });
    const looks = groups.filter((group) => weightOf(group) === 'look');
    if (looks.length === 1 && looks[0])
      return t('loadView.pleaseCheck', { toLowerCase: titleOf(looks[0].code).toLowerCase() });
    return looks.length > 0 ? t('loadView.pleaseCheck2') : t('loadView.noLineNeedsAttention');
  }
}
