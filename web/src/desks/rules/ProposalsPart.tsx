import { useState } from 'react';
import { Link } from 'react-router';
import type { Changes } from '../../address/useView';
import type { Proposal } from '../../api/types';
import { timeText } from '../../format/writing';
import { field } from '../../ui/field';
import { Failed, Loading, mainButton, quietButton } from '../../ui/Notice';
import { Lines } from './Lines';
import { useDecide, useProposal, useProposals } from './useProposals';
import { t } from './words';

interface ProposalsPartProps {
  chosen: string | null;
  change: (changes: Changes) => void;
}

const STATES: Record<Proposal['state'], string> = {
  waiting: t('proposals.waiting'),
  accepted: t('proposals.accepted'),
  declined: t('proposals.declined'),
  withdrawn: t('proposals.withdrawn'),
};

/** Changes that wait for a second person, each with what would come of it. */
export function ProposalsPart({ chosen, change }: ProposalsPartProps) {
  const all = useProposals();
  if (all.isPending) return <Loading what={t('proposals.theProposals')} />;
  if (all.isError) return <Failed error={all.error} onRetry={() => void all.refetch()} />;
  const found = all.data.find((one) => String(one.id) === chosen) ?? all.data[0];
  if (!found) {
    return <p className="max-w-[620px] px-[18px] text-quiet">{t('proposals.none')}</p>;
  }
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(220px,340px)_minmax(0,1fr)]">
      <section
        aria-label={t('proposals.proposals')}
        className="min-h-0 overflow-auto border-r border-rule px-[18px] py-1"
      >
        <ul>
          {all.data.map((one) => (
            <li key={one.id}>
              <button
                type="button"
                aria-current={one.id === found.id || undefined}
                className={`block w-full rounded-sm px-2 py-1.5 text-left ${one.id === found.id ? 'bg-select-ground' : 'hover:bg-sheet'}`}
                onClick={() => change({ proposal: String(one.id) })}
              >
                <span className="block truncate font-semibold" title={one.subject}>
                  {one.subject}
                </span>
                <span className="block text-[12px] text-quiet">
                  {STATES[one.state]}, {one.by}, {timeText(one.at)}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <One key={found.id} id={found.id} />
    </div>
  );
}

function One({ id }: { id: number }) {
  const one = useProposal(id);
  if (one.isPending) return <Loading what={t('proposals.theProposal')} />;
  if (one.isError) return <Failed error={one.error} onRetry={() => void one.refetch()} />;
  const proposal = one.data;
  const { effect } = proposal;
  return (
    <section aria-label={t('proposals.proposal')} className="min-h-0 overflow-auto px-5 py-1">
      <h2 className="text-[16px] font-bold">{proposal.subject}</h2>
      <p className="mb-2 text-quiet">
        {t('proposals.madeBy', { by: proposal.by, at: timeText(proposal.at) })}{' '}
        {proposal.decidedBy !== null &&
          t('proposals.decidedBy', {
            state: STATES[proposal.state],
            by: proposal.decidedBy,
            at: timeText(proposal.decidedAt ?? ''),
          })}
      </p>
      {proposal.because !== null && (
        <p className="mb-2 border-l-4 border-warn pl-2">
          {t('proposals.because', { because: proposal.because })}
        </p>
      )}
      {proposal.stale.map((words) => (
        <p key={words} role="alert" className="mb-2 max-w-[720px] border-l-4 border-bad pl-2">
          {words} {t('proposals.mustBeRenewed')}
        </p>
      ))}
      <Decide proposal={proposal} />
      <Lines
        title={t('proposals.changes', { n: proposal.changes })}
        lines={proposal.lines}
        more={
          proposal.kind === 'goals' || proposal.kind === 'rules'
            ? proposal.changes - proposal.lines.length
            : 0
        }
      />
      {proposal.load !== null && (
        <p className="mt-2">
          <Link
            className="font-semibold text-select underline"
            to={`/intake?load=${proposal.load}`}
          >
            {t('proposals.openTheLoad')}
          </Link>
        </p>
      )}
      {effect?.sentence && <p className="mt-4 max-w-[720px]">{effect.sentence}</p>}
      {effect && effect.moves.length > 0 && (
        <Lines title={t('proposals.statuses')} lines={effect.moves} more={0} />
      )}
      {effect && effect.pay.length > 0 && (
        <Lines title={t('proposals.pay')} lines={effect.pay} more={0} />
      )}
    </section>
  );
}

function Decide({ proposal }: { proposal: Proposal }) {
  const decide = useDecide(proposal.id);
  const [because, setBecause] = useState('');
  if (proposal.state !== 'waiting') return null;
  return (
    <div className="mb-4 max-w-[720px] border-y border-rule py-2.5">
      {proposal.mayDecide ? (
        <form
          aria-label={t('proposals.decide')}
          className="flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (because.trim()) decide.mutate({ kind: 'decline', because });
          }}
        >
          <button
            type="button"
            className={mainButton}
            disabled={decide.isPending || proposal.stale.length > 0}
            onClick={() => decide.mutate({ kind: 'accept' })}
          >
            {t('proposals.accept')}
          </button>
          <label className="ml-6 min-w-[220px] flex-1">
            <span className="text-quiet">{t('proposals.reason')}</span>
            <input
              className={field}
              maxLength={400}
              value={because}
              onChange={(event) => setBecause(event.target.value)}
            />
          </label>
          <button
            type="submit"
            className={quietButton}
            disabled={decide.isPending || because.trim() === ''}
          >
            {t('proposals.decline')}
          </button>
        </form>
      ) : proposal.isOwn ? (
        <p className="flex flex-wrap items-center gap-3">
          <span>{t('proposals.yours')}</span>
          <button
            type="button"
            className={quietButton}
            disabled={decide.isPending}
            onClick={() => decide.mutate({ kind: 'withdraw' })}
          >
            {t('proposals.withdraw')}
          </button>
        </p>
      ) : (
        <p>{t('proposals.approversDecide')}</p>
      )}
      {decide.isError && (
        <p role="alert" className="mt-2 text-bad">
          {decide.error.message}
        </p>
      )}
    </div>
  );
}
