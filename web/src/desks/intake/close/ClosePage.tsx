import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useRights } from '../../../api/account';
import { useCloseList } from '../../../api/closeList';
import type { CloseLine, CloseList, Company } from '../../../api/types';
import { fiscalYear } from '../../../address/span';
import { monthName } from '../../../format/figures';
import { timeText } from '../../../format/writing';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { useRowSteps, useShortcuts } from '../../../ui/shortcuts';
import { gridStop, useGridKeys } from '../../../ui/useGridKeys';
import { ArrivalLines } from './ArrivalLines';
import { CloseMark } from './CloseMark';
import { LinePanel } from './LinePanel';
import { AddLine } from './AddLine';
import { useCloseChange } from './useClose';
import { YearOfCloses } from './YearOfCloses';
import { t } from './words';

const ROW_HEIGHT = 29;

interface ClosePageProps {
  company: Company;
  month: string;
  /** Code of the line whose close-up is shown; null for none. */
  selected: string | null;
  onSelect: (line: string | null) => void;
  onChoose: () => void;
}

/** What a month still needs before it is closed, line by line, with what resolves each. */
export function ClosePage(props: ClosePageProps) {
  const list = useCloseList(props.month);
  if (list.isPending) return <Loading what={t('close.theList')} />;
  if (list.isError) return <Failed error={list.error} onRetry={() => void list.refetch()} />;
  return <Page {...props} list={list.data} />;
}

function Page({
  company,
  month,
  selected,
  onSelect,
  onChoose,
  list,
}: ClosePageProps & { list: CloseList }) {
  const { isOffice, mayLoad } = useRights();
  const navigate = useNavigate();
  const change = useCloseChange(month);
  const [isAdding, setAdding] = useState(false);
  const [waiving, setWaiving] = useState<string | null>(null);
  const all = [...list.lines, ...list.after];
  const line = all.find((one) => one.code === selected);
  const first = list.lines.find((one) => one.state === 'open')?.code;
  const isOpen = list.state !== 'sealed';

  useRowSteps((step) => {
    const at = all.findIndex((one) => one.code === selected);
    const next = all[Math.max(0, Math.min(at + step, all.length - 1))];
    if (next) onSelect(next.code);
  });
  useShortcuts((shortcut, event) => {
    if (shortcut === 'addLine' && isOpen) {
      event.preventDefault();
      setAdding(true);
    } else if (shortcut === 'waive' && line?.state === 'open' && isOpen) {
      event.preventDefault();
      setWaiving(line.code);
    }
  });

  function act(one: CloseLine) {
    if (one.isOwn) change.mutate({ kind: 'tick', line: one.code, isDone: true });
    else if (one.action?.address) void navigate(one.action.address);
    else onChoose();
  }

  return (
    <div className={line ? 'close-desk h-full min-h-0' : 'h-full min-h-0'}>
      <section className="h-full min-h-0 min-w-0 overflow-auto px-[18px] py-3.5">
        <div className="mb-2 flex flex-wrap items-start justify-between gap-x-4 gap-y-1">
          <div className="min-w-0">
            <h1 className="text-[20px] leading-snug font-bold" aria-live="polite">
              {list.headline}
            </h1>
            <p className="text-quiet">{list.sentence}</p>
          </div>
          <span className="flex gap-2">
            {isOpen && isOffice && (
              <button type="button" className={smallButton} onClick={() => setAdding(true)}>
                {t('close.addALine')}
              </button>
            )}
            {isOffice && (list.state === 'checked' || list.state === 'open') && (
              <button
                type="button"
                className={smallButton}
                onClick={() => void navigate(`/earnings?to=${month}&show=seal`)}
              >
                {t('close.close', { month: monthName(month) })}
              </button>
            )}
          </span>
        </div>
        {isAdding && (
          <AddLine
            isPending={change.isPending}
            onAdd={(name, recurs) =>
              change.mutate({ kind: 'add', name, recurs }, { onSuccess: () => setAdding(false) })
            }
            onCancel={() => setAdding(false)}
          />
        )}
        {change.isError && (
          <p role="alert" className="mb-2 border-l-4 border-bad bg-sheet p-2.5">
            {change.error.message}
          </p>
        )}
        {list.lines.length > 0 && (
          <Lines
            label={t('close.whatTheMonthNeeds', { month: monthName(month) })}
            lines={list.lines}
            first={first}
            selected={selected}
            onSelect={onSelect}
            onAct={act}
            mayAct={mayLoad || isOffice}
          />
        )}
        <h2 className="mt-4 mb-1 font-semibold text-quiet">{t('close.afterClosing')}</h2>
        <Lines
          label={t('close.afterClosing')}
          lines={list.after}
          isLater
          first={undefined}
          selected={selected}
          onSelect={onSelect}
          onAct={act}
          mayAct={isOffice}
        />
        <ArrivalLines sources={list.sources} maySet={mayLoad} />
        <YearOfCloses year={fiscalYear(month, company.calendar)} chosen={month} />
      </section>
      {line && (
        <LinePanel
          key={line.code}
          line={line}
          month={month}
          isOpen={isOpen && list.lines.includes(line)}
          isWaiving={waiving === line.code}
          onWaiving={(is) =>
            // what ends for one line leaves another's form as it is
            setWaiving((now) => (is ? line.code : now === line.code ? null : now))
          }
          change={change}
          onAct={() => act(line)}
          onClose={() => onSelect(null)}
        />
      )}
    </div>
  );
}

interface LinesProps {
  label: string;
  lines: CloseLine[];
  /** Whether they wait for the closing and do not count. */
  isLater?: boolean;
  /** The open line that comes first: its action is filled. */
  first: string | undefined;
  selected: string | null;
  mayAct: boolean;
  onSelect: (line: string) => void;
  onAct: (line: CloseLine) => void;
}

function Lines({
  label,
  lines,
  isLater = false,
  first,
  selected,
  mayAct,
  onSelect,
  onAct,
}: LinesProps) {
  const [grid, setGrid] = useState<HTMLDivElement | null>(null);
  useGridKeys(grid, grid, ROW_HEIGHT);
  return (
    <div
      ref={setGrid}
      role="grid"
      aria-label={label}
      aria-rowcount={lines.length + 1}
      className="close-lines bg-sheet"
    >
      <div role="row" aria-rowindex={1} className="close-line close-head text-quiet">
        <span role="columnheader">{t('close.state')}</span>
        <span role="columnheader">{label}</span>
        <span role="columnheader" className="close-text">
          {t('close.what')}
        </span>
        <span role="columnheader" className="text-right">
          {t('close.figure')}
        </span>
        <span role="columnheader" className="close-who">
          {t('close.whoWhen')}
        </span>
        <span role="columnheader">
          <span className="sr-only">{t('close.action')}</span>
        </span>
      </div>
      {lines.map((line, at) => (
        <div
          key={line.code}
          role="row"
          aria-rowindex={at + 2}
          aria-selected={line.code === selected}
          className={`close-line border-t border-rule ${line.code === selected ? 'bg-select-ground' : ''}`}
        >
          <span role="gridcell">
            <CloseMark state={line.state} isLater={isLater} />
          </span>
          <span role="rowheader" className="min-w-0">
            <button
              type="button"
              {...gridStop}
              className={`max-w-full truncate text-left hover:underline ${line.state === 'open' ? 'font-bold' : ''}`}
              onClick={() => onSelect(line.code)}
            >
              {line.name}
            </button>
          </span>
          <span role="gridcell" className="close-text truncate text-quiet" title={line.text}>
            {line.reason ?? line.text}
          </span>
          <span role="gridcell" className="text-right font-semibold whitespace-nowrap">
            {line.figure}
          </span>
          <span role="gridcell" className="close-who truncate text-quiet">
            {line.by && line.at ? `${line.by}, ${timeText(line.at)}` : ''}
          </span>
          <span role="gridcell" className="text-right">
            {line.action && mayAct && (
              <button
                type="button"
                className={`rounded-sm border px-2 py-0.5 text-[12.5px] font-semibold whitespace-nowrap ${line.code === first ? 'border-select bg-select text-on-select' : 'border-field bg-sheet text-select hover:border-select'}`}
                onClick={() => onAct(line)}
              >
                {line.action.words}
              </button>
            )}
          </span>
        </div>
      ))}
    </div>
  );
}
