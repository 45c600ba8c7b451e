import { useState } from 'react';
import { Link } from 'react-router';
import type { Load } from '../../api/types';
import { amount, count } from '../../format/figures';
import { StatusMark } from '../../marks/StatusMark';
import { mainButton, quietButton } from '../../ui/Notice';
import { Equation } from './Equation';
import { groupFindings, headline, type FindingGroup } from './intake';
import { useStep } from './useIntake';

const SHOWN = 200;

/** One load: what is in it, what is wrong with it, and the next step. */
export function LoadView({ load, onDiscarded }: { load: Load; onDiscarded: () => void }) {
  const groups = groupFindings(load.findings ?? []);
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = groups.filter((group) => chosen === null || group.code === chosen);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_280px] xl:grid-cols-[minmax(0,1fr)_330px]">
      <section aria-label="Load" className="min-h-0 overflow-auto p-[18px] pt-3.5">
        <h1 className="mb-2.5 text-[20px] font-bold break-words">{headline(load)}</h1>
        <Equation load={load} />
        <FindingTable groups={shown} load={load} />
      </section>
      <aside
        aria-label="Checks"
        className="min-h-0 overflow-auto border-l border-rule bg-sheet p-4"
      >
        <h2 className="mb-2 text-[18px] font-bold">{checksTitle(groups)}</h2>
        <Checks groups={groups} chosen={chosen} onChoose={setChosen} />
        <Actions load={load} onDiscarded={onDiscarded} />
      </aside>
    </div>
  );
}

function checksTitle(groups: FindingGroup[]): string {
  const holding = groups.filter((group) => group.isHolding);
  const lines = new Set(holding.flatMap((group) => group.findings.map((one) => one.line)));
  if (lines.size > 0) return `${count(lines.size, 'line')} to settle`;
  return groups.length > 0 ? 'Worth a look' : 'Nothing to settle';
}

interface ChecksProps {
  groups: FindingGroup[];
  chosen: string | null;
  onChoose: (code: string | null) => void;
}

function Checks({ groups, chosen, onChoose }: ChecksProps) {
  return (
    <ul className="mb-4">
      {groups.map((group) => (
        <li key={group.code} className="border-b border-rule">
          <button
            type="button"
            aria-pressed={chosen === group.code}
            onClick={() => onChoose(chosen === group.code ? null : group.code)}
            className={`flex w-full items-center justify-between gap-2 px-1 py-2 text-left ${chosen === group.code ? 'bg-select-ground' : 'hover:bg-ground'}`}
          >
            <span className="[&>span]:whitespace-normal">
              <StatusMark status={group.title} tone={group.isHolding ? 'bad' : 'near'} />
            </span>
            <b>{amount(String(group.findings.length))}</b>
          </button>
        </li>
      ))}
      {groups.length === 0 && (
        <li className="py-2">
          <StatusMark status="Names, months, amounts, repetitions" tone="good" />
        </li>
      )}
    </ul>
  );
}

function FindingTable({ groups, load }: { groups: FindingGroup[]; load: Load }) {
  const findings = groups.flatMap((group) => group.findings).sort((a, b) => a.line - b.line);
  if (findings.length === 0) return null;
  const kept = load.findings?.length ?? 0;
  return (
    <>
      <table className="w-full bg-sheet">
        <caption className="sr-only">Findings by line</caption>
        <thead>
          <tr className="border-b border-ink text-left text-[12px] text-quiet">
            <th scope="col" className="w-[58px] py-1.5 pl-3">
              Line
            </th>
            <th scope="col" className="w-[96px] xl:w-[130px]">
              Column
            </th>
            <th scope="col">What, and what to do</th>
            <th scope="col" className="w-[100px] pr-3 text-right">
              The line is
            </th>
          </tr>
        </thead>
        <tbody>
          {findings.slice(0, SHOWN).map((finding, at) => (
            <tr key={at} className="border-b border-rule align-top">
              <td className="py-1.5 pl-3 text-quiet">{amount(String(finding.line))}</td>
              <td className="max-w-[96px] truncate xl:max-w-[130px] py-1.5 pr-2 font-semibold">
                {finding.column ?? ''}
              </td>
              <td className="py-1.5 pr-3 break-words">{finding.message}</td>
              <td
                className={`py-1.5 pr-3 text-right ${finding.held ? 'font-semibold text-bad' : 'text-quiet'}`}
              >
                {fate(finding.held, finding.code, finding.line)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="py-2 text-quiet">
        {findings.length > SHOWN && `The first ${SHOWN} are shown. `}
        {load.findingCount > kept &&
          `${count(load.findingCount, 'finding')} in all; the first ${amount(String(kept))} can be looked through.`}
      </p>
    </>
  );
}

function fate(isHeld: boolean, code: string, line: number): string {
  if (isHeld) return 'held back';
  if (code === 'total-line' || code === 'repeated-header') return 'left out';
  return line === 1 ? '' : 'ready';
}

function Actions({ load, onDiscarded }: { load: Load; onDiscarded: () => void }) {
  const step = useStep(load.id, onDiscarded);
  const [because, setBecause] = useState('');
  const isUnmet = load.controlTotal !== null && !load.controlTotal.met;
  const isAgain = load.sameState === 'posted';
  return (
    <div className="space-y-3">
      {load.state === 'staged' && (
        <>
          {isAgain && (
            <p className="border-l-4 border-near bg-ground p-2.5">
              The same content is already posted as load {load.sameAs}. Posting it here as well
              {load.kind === 'actuals' ? ' counts every line twice.' : ' changes nothing.'}
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
              onClick={() => step.mutate({ kind: 'post', because: because.trim() })}
            >
              Post {count(load.ready, 'line')}
              {isAgain ? ' again' : ''}
            </button>
            {load.held > 0 && load.ready > 0 && <span className="text-quiet">hold the rest</span>}
          </div>
          <button
            type="button"
            className={quietButton}
            disabled={step.isPending}
            onClick={() => step.mutate({ kind: 'discard' })}
          >
            Discard
          </button>
        </>
      )}
      {load.state === 'posted' && (
        <>
          <button
            type="button"
            className={quietButton}
            disabled={step.isPending}
            onClick={() => step.mutate({ kind: 'reverse' })}
          >
            Reverse
          </button>
          <p className="text-quiet">
            Takes its {count(load.ready, 'line')} out again; everything is then as it was before.
          </p>
          {load.lastMonth && load.kind === 'actuals' && (
            <p>
              <Link to={`/standing?to=${load.lastMonth}`} className="text-select underline">
                See the standing
              </Link>
            </p>
          )}
          {load.because && <p className="text-quiet">Posted because: {load.because}</p>}
        </>
      )}
      {load.state === 'reversed' && (
        <p className="text-quiet">Load the file again to bring its lines back.</p>
      )}
      {step.isError && (
        <p role="alert" className="border-l-4 border-bad bg-ground p-2.5">
          {step.error.message}
        </p>
      )}
    </div>
  );
}
