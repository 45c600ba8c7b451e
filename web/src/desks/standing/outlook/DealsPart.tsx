import { useState } from 'react';
import type { Deal, Outlook, OutlookRow } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { amount, hasFraction, monthName, NONE, shortMonth } from '../../../format/figures';
import { placed } from '../../../format/placing';
import { dayText } from '../../../format/writing';
import { Failed, Loading, smallButton } from '../../../ui/Notice';
import { SourceLink } from '../../../ui/SourceLink';
import { markColour, markOf, type LikelyMark } from './likely';
import { OverridePart } from './OverridePart';
import { TryDeal } from './TrialPart';
import { useDeals, useHistory } from './useOutlook';
import { t } from './words';

const PAGE = 8;
const MORE = 50;

interface DealsPartProps {
  view: View;
  outlook: Outlook;
  row: OutlookRow;
  change: (changes: Changes) => void;
}

/** The deals of the row: those that are open, overdue ones apart, or those of one step. */
export function DealsPart({ view, outlook, row, change }: DealsPartProps) {
  if (view.step !== '') {
    return (
      <List
        view={view}
        outlook={outlook}
        kind={view.step}
        title={t('deals.ofStep', { step: view.step.replace('-i', 'I').replace('-o', 'O') })}
        onClose={() => change({ step: null })}
        change={change}
      />
    );
  }
  return (
    <>
      {outlook.tried.length > 0 && <p className="mb-1 text-quiet">{t('trial.dealsAsTheyAre')}</p>}
      <List view={view} outlook={outlook} kind="open" title={t('deals.open')} change={change} />
      {row.overdueDeals > 0 && (
        <List
          view={view}
          outlook={outlook}
          kind="overdue"
          title={t('deals.overdue')}
          isBad
          change={change}
        />
      )}
    </>
  );
}

interface ListProps {
  view: View;
  outlook: Outlook;
  kind: string;
  title: string;
  isBad?: boolean;
  onClose?: () => void;
  change: (changes: Changes) => void;
}

function List({ view, outlook, kind, title, isBad = false, onClose, change }: ListProps) {
  const [size, setSize] = useState(PAGE);
  const [opened, setOpened] = useState<string | null>(null);
  const deals = useDeals(view, kind, 0, size);
  const isSplit = (deals.data?.deals ?? []).some((deal) => hasFraction(deal.moved ?? deal.amount));
  const decimals = isSplit ? 'keep' : 'drop';
  const unit = outlook.unit === 'count' ? t('deals.amount') : outlook.unit;
  return (
    <section aria-label={title} className="mb-4">
      <div className="mb-1 flex items-baseline justify-between gap-2 border-b border-rule pb-1">
        <h3 className={`font-semibold ${isBad ? 'text-bad' : 'text-quiet'}`}>{title}</h3>
        {onClose && (
          <button type="button" className={smallButton} onClick={onClose}>
            {t('deals.showOpen')}
          </button>
        )}
      </div>
      {deals.isPending ? (
        <Loading what={t('deals.theDeals')} />
      ) : deals.isError ? (
        <Failed error={deals.error} onRetry={() => void deals.refetch()} />
      ) : deals.data.count === 0 ? (
        <p className="text-quiet">{t('deals.none')}</p>
      ) : (
        <table className="w-full text-[12.5px]">
          <thead className="text-[11.5px] text-quiet">
            <tr>
              <th scope="col" className="text-left font-normal">
                {t('deals.deal')}
              </th>
              <th scope="col" className="pl-2 text-left font-normal">
                {t('deals.closes')}
              </th>
              <th scope="col" className="pl-2 text-right font-normal">
                {t('deals.likelihood')}
              </th>
              <th scope="col" className="pl-2 text-right font-normal">
                {unit}
              </th>
            </tr>
          </thead>
          <tbody>
            {deals.data.deals.map((deal) => {
              const id = `${deal.source} ${deal.deal}`;
              return (
                <Lines
                  key={id}
                  deal={deal}
                  view={view}
                  outlook={outlook}
                  decimals={decimals}
                  isOpen={opened === id}
                  onToggle={() => setOpened(opened === id ? null : id)}
                  change={change}
                />
              );
            })}
          </tbody>
          <tfoot>
            <tr className="border-t border-rule font-semibold">
              <th scope="row" className="py-1 text-left">
                {t('deals.count', { n: deals.data.count })}
              </th>
              <td colSpan={2} className="pl-2 text-right font-normal text-quiet">
                {deals.data.likelihoodShown !== null &&
                  t('deals.standAt', { percent: amount(deals.data.likelihoodShown) })}
              </td>
              <td className="pl-2 text-right whitespace-nowrap">
                {amount(deals.data.sum, hasFraction(deals.data.sum) ? 'keep' : decimals)}
              </td>
            </tr>
          </tfoot>
        </table>
      )}
      {deals.data && deals.data.count > size && (
        <button type="button" className={smallButton} onClick={() => setSize(size + MORE)}>
          {t('deals.more', { n: deals.data.count - size })}
        </button>
      )}
    </section>
  );
}

interface LinesProps {
  deal: Deal;
  view: View;
  outlook: Outlook;
  decimals: 'keep' | 'drop';
  isOpen: boolean;
  onToggle: () => void;
  change: (changes: Changes) => void;
}

/** A deal, and when it is opened its proof and its history. */
function Lines({ deal, view, outlook, decimals, isOpen, onToggle, change }: LinesProps) {
  return (
    <>
      <tr className="border-t border-rule">
        <td className="max-w-0 truncate py-0.5">
          <button
            type="button"
            aria-expanded={isOpen}
            onClick={onToggle}
            className="block min-h-6 w-full truncate text-left"
            title={[deal.deal, deal.productName, deal.repName].filter(Boolean).join(', ')}
          >
            <span className="font-semibold">{deal.deal}</span>{' '}
            {deal.override && (
              <span className="text-near-text" title={t('override.marked')}>
                ✎<span className="sr-only"> {t('override.marked')}</span>{' '}
              </span>
            )}
            <span className="text-quiet">{deal.productName ?? deal.repName}</span>
          </button>
        </td>
        <td
          className={`w-[48px] pl-2 ${deal.overdue ? 'text-bad' : ''}`}
          title={monthName(deal.closes)}
        >
          {shortMonth(deal.closes)}
        </td>
        <td className="w-[92px] pl-2 text-right whitespace-nowrap">
          <LikelyBar
            share={placed(deal.likelihood)}
            mark={markOf(deal.likelihoodShown, view.likely)}
          />{' '}
          {amount(deal.likelihoodShown, 'drop')} %
        </td>
        <td className="w-[76px] pl-2 text-right whitespace-nowrap">
          {amount(deal.moved ?? deal.amount, decimals)}
        </td>
      </tr>
      {isOpen && (
        <tr>
          <td colSpan={4} className="bg-ground/60 px-2 py-1.5">
            <Proof deal={deal} view={view} outlook={outlook} change={change} />
          </td>
        </tr>
      )}
    </>
  );
}

function LikelyBar({ share, mark }: { share: number; mark: LikelyMark }) {
  return (
    <svg width="34" height="8" aria-hidden="true" className="inline">
      <rect x="0.5" y="0.5" width="33" height="7" fill="none" stroke="var(--rule)" />
      <rect
        x="0.5"
        y="0.5"
        width={33 * share}
        height="7"
        fill={markColour(mark, 'var(--near)')}
        opacity="0.6"
      />
    </svg>
  );
}

interface ProofProps {
  deal: Deal;
  view: View;
  outlook: Outlook;
  change: (changes: Changes) => void;
}

/** Where a deal stands in its file, and what every snapshot said of it. */
function Proof({ deal, view, outlook, change }: ProofProps) {
  const history = useHistory(view, deal.deal, deal.source);
  return (
    <div className="text-[12px]">
      <p className="mb-1 flex gap-1 truncate">
        <span className="text-quiet">{t('deals.from')}</span>
        <SourceLink load={deal.load} line={deal.line}>
          {t('deals.fileLine', { file: deal.file, line: deal.line })}
        </SourceLink>
      </p>
      <p className="mb-1 text-quiet">
        {[deal.repName, deal.region, deal.stage && t('deals.stage', { stage: deal.stage })]
          .filter(Boolean)
          .join(', ')}
      </p>
      {history.isPending ? (
        <Loading what={t('deals.theHistory')} />
      ) : history.isError ? (
        <Failed error={history.error} onRetry={() => void history.refetch()} />
      ) : (
        <table className="w-full">
          <caption className="text-left text-quiet">{t('deals.history')}</caption>
          <thead className="sr-only">
            <tr>
              <th scope="col">{t('deals.snapshot')}</th>
              <th scope="col">{t('deals.state')}</th>
              <th scope="col">{t('deals.closes')}</th>
              <th scope="col">{t('deals.likelihood')}</th>
              <th scope="col">{t('deals.amount')}</th>
            </tr>
          </thead>
          <tbody>
            {history.data.snapshots.map(({ asOf, deal: then }) => (
              <tr key={asOf} className="border-t border-rule">
                <th scope="row" className="text-left font-normal">
                  {dayText(asOf)}
                </th>
                {then === null ? (
                  <td colSpan={4} className="text-quiet">
                    {t('deals.notThere')}
                  </td>
                ) : (
                  <>
                    <td>{t('deals.stateWord', { state: then.state })}</td>
                    <td>{shortMonth(then.closes)}</td>
                    <td className="text-right whitespace-nowrap">
                      {then.state === 'open' ? `${amount(then.likelihoodShown, 'drop')} %` : NONE}
                    </td>
                    <td className="text-right">
                      {amount(then.amount, hasFraction(then.amount) ? 'keep' : 'drop')}
                    </td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {outlook.asOf === outlook.snapshots[0]?.asOf && (
        <OverridePart deal={deal} measure={outlook.measure} scale={outlook.scale} />
      )}
      {deal.state === 'open' && !deal.overdue && (
        <TryDeal deal={deal} view={view} change={change} />
      )}
    </div>
  );
}
