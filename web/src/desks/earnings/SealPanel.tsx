import { useState } from 'react';
import { Link } from 'react-router';
import { useRights } from '../../api/account';
import { useCloseList } from '../../api/closeList';
import type { SealState } from '../../api/types';
import { amount, monthName, NONE, signed } from '../../format/figures';
import { SidePanel } from '../../ui/SidePanel';
import { field } from '../../ui/field';
import { Failed, Loading, mainButton, smallButton } from '../../ui/Notice';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { useChanged, useReopening, useSeal, useSealing } from './useEarnings';
import { timeText } from '../../format/writing';
import { t } from './words';

/** The checks before a month is sealed; of a sealed one what changed since. */
export function SealPanel({ month, onClose }: { month: string; onClose: () => void }) {
  const seal = useSeal(month);
  return (
    <SidePanel
      label={t('sealPanel.closingTheMonth')}
      title={
        seal.data?.state === 'sealed'
          ? t('sealPanel.isClosed', { month: monthName(month) })
          : t('sealPanel.close', { month: monthName(month) })
      }
      onClose={onClose}
    >
      {seal.isPending ? (
        <Loading what={t('sealPanel.theChecks')} />
      ) : seal.isError ? (
        <Failed error={seal.error} onRetry={() => void seal.refetch()} />
      ) : seal.data.state === 'sealed' ? (
        <Sealed seal={seal.data} />
      ) : (
        <Open seal={seal.data} />
      )}
      {seal.data && seal.data.history.length > 0 && <Past seal={seal.data} />}
    </SidePanel>
  );
}

/** What is in the way, what the close list still has open, and the closing itself. */
function Open({ seal }: { seal: SealState }) {
  const list = useCloseList(seal.month);
  const sealing = useSealing();
  const [reason, setReason] = useState('');
  if (list.isPending) return <Loading what={t('sealPanel.theChecks')} />;
  if (list.isError) return <Failed error={list.error} onRetry={() => void list.refetch()} />;
  const stops = seal.checks.filter((check) => check.level === 'stop');
  const open = list.data.lines.filter((line) => line.state === 'open');
  const month = monthName(seal.month);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const waived = open.map((line) => line.code);
        sealing.mutate({ month: seal.month, waived, reason: reason.trim() });
      }}
    >
      <p className="mb-3 text-quiet">{t('sealPanel.closingFreezesTheFiguresStatus')}</p>
      {stops.map((check) => (
        <p key={check.code} className="mb-3 border-l-4 border-bad bg-ground p-2.5">
          {check.words}
        </p>
      ))}
      <h3 className="font-semibold text-quiet">{t('sealPanel.closeList')}</h3>
      <p className="mb-1">{list.data.headline}</p>
      <ul aria-label={t('sealPanel.openLines')} className="mb-2">
        {open.map((line) => (
          <li key={line.code} className="border-t border-rule py-1.5">
            <Link
              className="font-semibold underline"
              to={`/intake?to=${seal.month}&need=${line.code}`}
            >
              {line.name}
            </Link>
            <span className="block text-[12.5px] text-quiet">{line.text}</span>
          </li>
        ))}
      </ul>
      <p className="mb-3">
        <Link className="underline" to={`/intake?to=${seal.month}`}>
          {t('sealPanel.openTheCloseList')}
        </Link>
      </p>
      {open.length > 0 && (
        <div className="mb-3">
          <Labelled label={t('sealPanel.reasonForWaiving', { n: open.length })}>
            <Input
              maxLength={400}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          </Labelled>
        </div>
      )}
      {sealing.isError && (
        <p role="alert" className="mb-2 text-bad">
          {sealing.error.message}
        </p>
      )}
      <button
        type="submit"
        className={mainButton}
        disabled={
          stops.length > 0 || sealing.isPending || (open.length > 0 && reason.trim() === '')
        }
      >
        {sealing.isPending
          ? t('sealPanel.closing')
          : open.length === 0
            ? t('sealPanel.close', { month })
            : t('sealPanel.waiveAndClose', { month, n: open.length })}
      </button>
    </form>
  );
}

function Sealed({ seal }: { seal: SealState }) {
  const { mayReopen } = useRights();
  const sealing = useReopening();
  const [reason, setReason] = useState('');
  return (
    <>
      <p className="mb-1">
        {t('sealPanel.closedBy', { sealedAt: when(seal.sealedAt), sealedBy: seal.sealedBy })}
      </p>
      <p className="mb-1 text-[12px] break-all text-quiet">
        {t('sealPanel.checksum', { hash: seal.hash })}
      </p>
      {seal.isIntact === false && (
        <p role="alert" className="mb-1 text-bad">
          {t('sealPanel.theStoredFiguresOfThis')}
        </p>
      )}
      <p className="no-print mb-4">
        <a className="underline" href={`/api/v1/months/${seal.month}/seal/snapshot.zip`}>
          {t('sealPanel.downloadTheClosedFiguresZip')}
        </a>
      </p>
      <Changes month={seal.month} />
      {!mayReopen && (
        <p className="mt-5 border-t border-rule pt-3 text-quiet">
          {t('sealPanel.anApproverCanReopenThe')}
        </p>
      )}
      {mayReopen && (
        <form
          className="no-print mt-5 border-t border-rule pt-3"
          onSubmit={(event) => {
            event.preventDefault();
            sealing.mutate({ month: seal.month, reason });
          }}
        >
          <label className="mb-2 block">
            <span className="text-quiet">{t('sealPanel.reasonForReopening')}</span>
            <input
              className={field}
              maxLength={1000}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
          {sealing.isError && (
            <p role="alert" className="mb-2 text-bad">
              {sealing.error.message}
            </p>
          )}
          <button
            type="submit"
            className={smallButton}
            disabled={reason.trim() === '' || sealing.isPending}
          >
            {t('sealPanel.reopen', { month: monthName(seal.month) })}
          </button>
        </form>
      )}
    </>
  );
}

function Changes({ month }: { month: string }) {
  const changed = useChanged(month, true);
  if (changed.isPending) return <Loading what={t('sealPanel.whatChangedSince')} />;
  if (changed.isError)
    return <Failed error={changed.error} onRetry={() => void changed.refetch()} />;
  const { reps, lines, settledIn } = changed.data;
  return (
    <section aria-label={t('sealPanel.changedSinceClosing')}>
      <h3 className="mb-1 font-semibold text-quiet">{t('sealPanel.changedSinceClosing')}</h3>
      {reps.length === 0 && lines.length === 0 ? (
        <p className="text-quiet">{t('sealPanel.nothingHasChanged')}</p>
      ) : (
        <>
          <p className="mb-2">
            {t('sealPanel.theFiguresOfStayThe', { month: monthName(month) })}{' '}
            <Link className="underline" to={`/earnings?to=${settledIn}`}>
              {monthName(settledIn)}
            </Link>
            .
          </p>
          <ul className="mb-3">
            {reps.map((rep) => (
              <li key={rep.rep} className="border-t border-rule py-1.5">
                <span className="flex justify-between gap-2">
                  <Link
                    className="font-semibold underline"
                    to={`/earnings?to=${settledIn}&selected=${encodeURIComponent(rep.rep)}`}
                  >
                    {rep.name}
                  </Link>
                  <b>{signed(rep.adjustment)}</b>
                </span>
                <span className="block text-[12.5px] text-quiet">
                  {t('sealPanel.actualEarnedToDate', {
                    actualThen: amount(rep.actualThen),
                    actualNow: amount(rep.actualNow),
                    earnedThen: amount(rep.earnedThen),
                    earnedNow: amount(rep.earnedNow),
                  })}
                </span>
              </li>
            ))}
          </ul>
          <h4 className="font-semibold text-quiet">{t('sealPanel.lines')}</h4>
          <ul className="text-[12.5px]">
            {lines.map((line) => (
              <li
                key={`${line.load} ${line.line} ${line.rep}`}
                className="flex justify-between gap-2 border-t border-rule py-1"
              >
                <Link
                  className="truncate underline"
                  to={`/intake?load=${line.load}&line=${line.line}`}
                >
                  {t('sealPanel.line', { file: line.file, line: line.line })}
                </Link>
                <span className="whitespace-nowrap">
                  {line.then === null ? NONE : amount(line.then)} →{' '}
                  {line.now === null ? NONE : amount(line.now)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Past({ seal }: { seal: SealState }) {
  return (
    <section aria-label={t('sealPanel.earlierClosings')} className="mt-4 text-[12.5px]">
      <h3 className="mb-1 font-semibold text-quiet">{t('sealPanel.closedBefore')}</h3>
      <ul>
        {seal.history.map((past) => (
          <li key={past.sealedAt} className="border-t border-rule py-1">
            {t('sealPanel.byReopenedBy', {
              sealedAt: when(past.sealedAt),
              sealedBy: past.sealedBy,
              unsealedAt: when(past.unsealedAt),
              unsealedBy: past.unsealedBy,
              reason: past.reason,
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}

function when(instant: string | null): string {
  if (instant === null) return NONE;
  return timeText(instant);
}
