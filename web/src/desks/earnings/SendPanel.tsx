import { query } from '../../api/client';
import type { Job, PayDesk, SentState } from '../../api/types';
import { monthName } from '../../format/figures';
import { count } from '../../format/nouns';
import { SidePanel } from '../../ui/SidePanel';
import { Failed, Loading, mainButton, smallButton } from '../../ui/Notice';
import { useJob, useSent } from './useEarnings';
import { timeText } from '../../format/writing';
import { t } from './words';

/** All statements of the month: as files, and to the reps by mail. */
export function SendPanel({ desk, onClose }: { desk: PayDesk; onClose: () => void }) {
  const sent = useSent(desk.month);
  const pdf = useJob(desk.month);
  const mail = useJob(desk.month);
  return (
    <SidePanel
      label={t('sendPanel.statements')}
      title={t('sendPanel.statements2', { month: monthName(desk.month) })}
      onClose={onClose}
    >
      <h3 className="mb-1 font-semibold text-quiet">{t('sendPanel.asFiles')}</h3>
      <p className="mb-1 flex flex-wrap gap-1.5">
        <a
          className={smallButton}
          href={`/api/v1/earnings/payroll.csv${query({ month: desk.month })}`}
          download
        >
          {t('sendPanel.payrollFileCsv')}
        </a>
        <button
          type="button"
          className={smallButton}
          disabled={pdf.job?.state === 'running'}
          onClick={() => pdf.start.mutate({ kind: 'pdf' })}
        >
          {t('sendPanel.allStatementsPdf')}
        </button>
      </p>
      {pdf.job && <Progress job={pdf.job} doing={t('sendPanel.written')} />}
      {pdf.job?.state === 'done' && (
        <p>
          <a
            className="text-select underline"
            href={`/api/v1/earnings/jobs/${pdf.job.id}/statements.pdf`}
            download
          >
            {t('sendPanel.downloadThePdf')}
          </a>
        </p>
      )}
      <h3 className="mt-5 mb-1 font-semibold text-quiet">{t('sendPanel.byMail')}</h3>
      {desk.state === 'open' && (
        <p className="mb-2 text-near-text">
          {t('sendPanel.isNotClosedTheStatements', { month: monthName(desk.month) })}
        </p>
      )}
      {sent.isPending ? (
        <Loading what={t('sendPanel.whatWasSent')} />
      ) : sent.isError ? (
        <Failed error={sent.error} onRetry={() => void sent.refetch()} />
      ) : (
        <Mail
          sent={sent.data}
          isBusy={mail.job?.state === 'running' || mail.start.isPending}
          onSend={(again) => mail.start.mutate({ kind: 'send', again })}
        />
      )}
      {mail.start.isError && (
        <p role="alert" className="mt-2 text-bad">
          {mail.start.error.message}
        </p>
      )}
      {mail.job && <Sending job={mail.job} />}
    </SidePanel>
  );
}

interface MailProps {
  sent: SentState;
  isBusy: boolean;
  onSend: (again: string[]) => void;
}

function Mail({ sent, isBusy, onSend }: MailProps) {
  const { statements } = sent;
  const open = statements.filter((one) => !one.isPresent);
  const unclear = statements.filter((one) => one.isPresent && one.sentAt === null);
  return (
    <>
      <button
        type="button"
        className={mainButton}
        disabled={!sent.canSend || isBusy || open.length === 0}
        onClick={() => onSend([])}
      >
        {open.length === 0
          ? t('sendPanel.allStatementsAreSent')
          : t('sendPanel.sendNotSentYet', {
              open: count(open.length, 'statement'),
              isRest: String(open.length < statements.length),
            })}
      </button>
      {!sent.canSend && <p className="mt-1 text-quiet">{t('sendPanel.noMailServerIsSet')}</p>}
      {unclear.length > 0 && (
        <p className="mt-2">
          {t('sendPanel.statementWasBeingSentWhen', { n: unclear.length })}{' '}
          <button
            type="button"
            className="text-select underline"
            disabled={isBusy}
            onClick={() => onSend(unclear.map((one) => one.rep))}
          >
            {t('sendPanel.sendAgain')}
          </button>
        </p>
      )}
      <ul className="mt-3 text-[12.5px]">
        {statements.map((one) => (
          <li key={one.rep} className="flex justify-between gap-2 border-t border-rule py-1">
            <span className="min-w-0">
              <span className="block truncate font-semibold">{one.name}</span>
              <span className="block truncate text-quiet">{one.address}</span>
            </span>
            <span className="text-right text-quiet">{stateOf(one)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function stateOf(one: SentState['statements'][number]): string {
  if (one.begunAt === null) return t('sendPanel.notSent');
  if (one.sentAt === null) return t('sendPanel.notKnown');
  const when = timeText(one.sentAt);
  return one.isPresent ? t('sendPanel.sent', { when }) : t('sendPanel.changedSince', { when });
}

function Progress({ job, doing }: { job: Job; doing: string }) {
  if (job.state === 'failed') {
    return (
      <p role="alert" className="text-bad">
        {job.problem}
      </p>
    );
  }
  return (
    <p role="status" className="text-quiet">
      {t('sendPanel.of', {
        done: job.done,
        total: job.total,
        doing,
        state: job.state === 'running' && ' …',
      })}
    </p>
  );
}

function Sending({ job }: { job: Job }) {
  const sent = job.done - job.already - job.refused.length;
  return (
    <div className="mt-2">
      <Progress job={job} doing={t('sendPanel.done')} />
      {job.state === 'done' && (
        <p>
          {t('sendPanel.sent2', {
            sent: count(sent, 'statement'),
            already: job.already > 0 && t('sendPanel.hadBeenSentBefore', { already: job.already }),
            refused:
              job.refused.length > 0 && t('sendPanel.refused', { refused: job.refused.length }),
          })}
        </p>
      )}
      {job.refused.length > 0 && (
        <ul role="alert" className="text-bad">
          {job.refused.slice(0, 10).map((one) => (
            <li key={one.rep}>
              {one.name}: {one.why}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
