import { useState } from 'react';
import { Link } from 'react-router';
import { useRights } from '../../api/account';
import { query } from '../../api/client';
import type { PayLine, PaySource, PayStatement } from '../../api/types';
import { amount, monthName, shortMonth, signed } from '../../format/figures';
import { count } from '../../format/nouns';
import { StatusMark } from '../../marks/StatusMark';
import { SidePanel } from '../../ui/SidePanel';
import { Failed, Loading, smallButton } from '../../ui/Notice';
import { SourceLink } from '../../ui/SourceLink';
import { percent, sentence } from './earnings';
import { NOTHING_TRIED, useStatement, type PayTrial } from './useEarnings';
import { WhatIfPart } from './WhatIfPart';
import { Pager } from '../../ui/Pager';
import { t } from './words';

const PAGE = 50;

interface StatementPanelProps {
  rep: string;
  month: string;
  /** What is tried instead of what is in force. */
  trial?: PayTrial;
  isTrial?: boolean;
}

/** A rep's statement, line by line, down to the source lines. */
export function StatementPanel({
  rep,
  month,
  trial = NOTHING_TRIED,
  isTrial = false,
}: StatementPanelProps) {
  const [page, setPage] = useState(0);
  const statement = useStatement(rep, month, page, trial);
  return (
    <SidePanel label={t('statementPanel.statement')}>
      {statement.isPending ? (
        <Loading what={t('statementPanel.theStatement')} />
      ) : statement.isError ? (
        <Failed error={statement.error} onRetry={() => void statement.refetch()} />
      ) : (
        <Statement statement={statement.data} month={month} isTrial={isTrial} onTurn={setPage} />
      )}
    </SidePanel>
  );
}

interface StatementProps {
  statement: PayStatement;
  month: string;
  isTrial: boolean;
  onTurn: (page: number) => void;
}

function Statement({ statement, month, isTrial, onTurn }: StatementProps) {
  const { row } = statement;
  return (
    <>
      <h2 className="text-[18px] font-bold break-words">{row.name}</h2>
      {row.region && <p className="text-quiet">{row.region}</p>}
      <p className="mt-1.5">
        <StatusMark status={row.status} tone={row.tone} isPast={row.status === 'at ceiling'} />
      </p>
      <p className="mb-3 leading-snug">{sentence(row, monthName(month))}</p>
      <div className="mb-1 flex items-baseline justify-between gap-2">
        <h3 className="font-semibold text-quiet">
          {t('statementPanel.statement2', {
            month: monthName(month),
            plan: row.plan && ` · ${row.plan}`,
          })}
        </h3>
        {isTrial ? (
          <b className="whitespace-nowrap">{t('statementPanel.trial')}</b>
        ) : (
          <a
            className={`${smallButton} no-print`}
            href={`/api/v1/earnings/reps/${encodeURIComponent(row.rep)}/statement.pdf${query({ month })}`}
            download
          >
            {t('statementPanel.pdf')}
          </a>
        )}
      </div>
      {statement.lines.length === 0 ? (
        <p className="mb-4 text-quiet">
          {t('statementPanel.actualNoCommissionIsDue', {
            actual: amount(row.actual),
            unit: row.unit === 'count' ? '' : row.unit,
          })}
        </p>
      ) : (
        <Lines statement={statement} month={month} />
      )}
      {row.earned !== null && (
        <WhatIfPart row={row} month={month} isOpen={statement.state === 'open' && !isTrial} />
      )}
      <Sources statement={statement} onTurn={onTurn} />
    </>
  );
}

function Lines({ statement, month }: { statement: PayStatement; month: string }) {
  const { isOffice } = useRights();
  return (
    <table className="mb-5 w-full">
      <caption className="sr-only">
        {t('statementPanel.commissionOfFor', {
          name: statement.row.name,
          month: monthName(month),
          currency: statement.currency,
        })}
      </caption>
      <tbody>
        {statement.lines.map((line, at) => (
          <Item
            key={at}
            words={line.words}
            figure={figureOf(line)}
            isStrong={line.kind === 'sum'}
            link={
              line.through === null || !isOffice
                ? undefined
                : `/earnings?to=${line.through}&show=seal`
            }
          />
        ))}
      </tbody>
    </table>
  );
}

/** Figures come as decimal text; a few facts are words. */
function figureOf(line: PayLine): string {
  if (!/^-?[\d.]+$/.test(line.figure)) return line.figure;
  return line.kind === 'adjustment' ? signed(line.figure) : amount(line.figure);
}

interface ItemProps {
  words: string;
  figure: string;
  isStrong?: boolean;
  link: string | undefined;
}

function Item({ words, figure, isStrong = false, link }: ItemProps) {
  return (
    <tr className={`border-b ${isStrong ? 'border-ink font-bold' : 'border-rule'}`}>
      <th scope="row" className={`py-1.5 pr-2 text-left ${isStrong ? 'font-bold' : 'font-normal'}`}>
        {link ? (
          <Link to={link} className="underline">
            {words}
          </Link>
        ) : (
          words
        )}
      </th>
      <td className="py-1.5 text-right align-top whitespace-nowrap">{figure}</td>
    </tr>
  );
}

function Sources({
  statement,
  onTurn,
}: {
  statement: PayStatement;
  onTurn: (page: number) => void;
}) {
  const { plan, lineCount, sales, quota, page } = statement;
  const { isOffice } = useRights();
  const pages = Math.max(1, Math.ceil(lineCount / PAGE));
  return (
    <section aria-label={t('statementPanel.sources')} className="text-[12.5px]">
      <h3 className="mb-1 font-semibold text-quiet">{t('statementPanel.sources')}</h3>
      {plan && (
        <p className="mb-2">
          {isOffice ? (
            <Link to={`/rules?plan=${encodeURIComponent(plan.name)}`} className="underline">
              {plan.name}
            </Link>
          ) : (
            plan.name
          )}
          ,{' '}
          {plan.paidFrom === 'first unit'
            ? t('statementPanel.theFirstUnitOnceThe')
            : t('statementPanel.salesAboveTheFloor')}
          , {plan.method}
          {plan.steps.map((step) =>
            t('statementPanel.fromAt', {
              from: percent(step.from),
              unit: statement.row.unit === 'count' ? amount(step.rate) : percent(step.rate),
            }),
          )}
          .
        </p>
      )}
      <details className="mb-2">
        <summary className="min-h-6 cursor-pointer">
          {t('statementPanel.quota', { quota: count(quota.length, 'line') })}
        </summary>
        <SourceList lines={quota} />
      </details>
      <details>
        <summary className="min-h-6 cursor-pointer">
          {t('statementPanel.sales', { lineCount: count(lineCount, 'line') })}
        </summary>
        <SourceList lines={sales} />
        <Pager page={page} pages={pages} onTurn={onTurn} />
      </details>
    </section>
  );
}

function SourceList({ lines }: { lines: PaySource[] }) {
  return (
    <ul>
      {lines.map((line) => (
        <li
          key={`${line.load} ${line.line} ${line.month}`}
          className="flex justify-between gap-2 border-t border-rule py-1"
        >
          <SourceLink load={line.load} line={line.line}>
            {t('statementPanel.line', { file: line.file, line: line.line })}
          </SourceLink>
          <span className="whitespace-nowrap">
            {shortMonth(line.month)} {amount(line.amount)}
          </span>
        </li>
      ))}
    </ul>
  );
}
