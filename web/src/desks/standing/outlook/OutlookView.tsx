import { Link } from 'react-router';
import { useRights } from '../../../api/account';
import type { Company, Outlook, Standing } from '../../../api/types';
import type { Changes, View } from '../../../address/useView';
import { query } from '../../../api/client';
import { amount } from '../../../format/figures';
import { dayText } from '../../../format/writing';
import { framed } from '../../../marks/framed';
import { toneText } from '../../../marks/tones';
import { Choice } from '../../../ui/Choice';
import { Failed, Loading, quietButton } from '../../../ui/Notice';
import { PrintHead } from '../../../ui/PrintHead';
import { useRowSteps } from '../../../ui/shortcuts';
import { Stale } from '../../../ui/Stale';
import { BasisControls, LayoutChoice, RowControls } from '../controls/ControlLine';
import { NarrowDrop } from '../controls/NarrowDrop';
import { ExportMenu } from '../controls/TakeAlong';
import { InsightLine } from '../panels/InsightLine';
import { toggled } from '../../../ui/picks';
import { spanText, TOTAL } from '../rows';
import { OutlookCloseUp } from './OutlookCloseUp';
import { LikelyDrop } from './LikelyDrop';
import { OutlookMonths } from './OutlookMonths';
import { OutlookTable } from './OutlookTable';
import { DealTrialBand } from './TrialPart';
import { outlookItems, type OutlookItem } from './rows';
import { outlookLegend, outlookSvg } from './outlookSvg';
import { outlookQuery, useOutlook } from './useOutlook';
import { t } from './words';

type Change = (changes: Changes, isTyping?: boolean) => void;

interface OutlookViewProps {
  company: Company;
  view: View;
  standing: Standing;
  change: Change;
}

/** Where open deals would take each row, and what changed since the snapshot before. */
export default function OutlookView({ company, view, standing, change }: OutlookViewProps) {
  const outlook = useOutlook(view);
  const items = outlook.data ? outlookItems(outlook.data, view) : [];
  useRowSteps((step) => {
    const at = items.findIndex((item) => item.id === (view.selected ?? TOTAL)) + step;
    const next = items[Math.min(at, items.length - 1)];
    change({ selected: at < 0 ? null : (next?.id ?? null), step: null }, true);
  });
  if (outlook.isPending) return <Loading what={t('view.theOutlook')} />;
  if (outlook.isError) {
    return (
      <div>
        <Failed error={outlook.error} onRetry={() => void outlook.refetch()} />
        <p className="mx-6">
          <button
            type="button"
            className={quietButton}
            onClick={() => change({ layout: null, deals: null, since: null, step: null })}
          >
            {t('view.backToTheList')}
          </button>
        </p>
      </div>
    );
  }
  const data = outlook.data;
  const select = (id: string) => change({ selected: id === TOTAL ? null : id, step: null });
  return (
    <div className="standing-desk">
      <PrintHead
        left={`${company.name}: ${spanText(standing)}`}
        right={t('view.printed', { goal: data.goal, asOf: data.asOf ? dayText(data.asOf) : '–' })}
      />
      <section
        aria-label={t('view.outlook')}
        aria-busy={outlook.isPlaceholderData}
        className={`flex min-h-0 min-w-0 flex-col px-[18px] pt-2 xl:pt-3.5 ${outlook.isPlaceholderData ? 'is-stale' : ''}`}
      >
        <Stale isStale={outlook.isPlaceholderData} />
        <div className="flex flex-wrap items-start justify-between gap-x-4 sm:flex-nowrap">
          <h1
            className="mb-1.5 text-[17px] leading-snug font-bold xl:text-[20px]"
            aria-live="polite"
          >
            {data.headline.map((part, at) => (
              <span key={at} className={toneText(part.tone)}>
                {part.text}
              </span>
            ))}
          </h1>
          {data.snapshots.length > 0 && <Along view={view} outlook={data} items={items} />}
        </div>
        <InsightLine
          folded={3}
          insights={data.insights.map(({ text, keys }) => ({
            key: text,
            text,
            changes: insightChanges(keys),
          }))}
        />
        <DealTrialBand view={view} outlook={data} change={change} />
        <Controls
          company={company}
          view={view}
          standing={standing}
          outlook={data}
          change={change}
        />
        {data.snapshots.length === 0 ? (
          <NoDeals />
        ) : view.isByMonth && data.from !== data.to ? (
          <OutlookMonths
            view={view}
            outlook={data}
            items={items}
            selected={view.selected ?? TOTAL}
            onSelect={select}
          />
        ) : (
          <>
            <OutlookTable
              outlook={data}
              items={items}
              view={view}
              selected={view.selected ?? TOTAL}
              onSelect={select}
              onSort={(sort) => change({ sort })}
              onToggle={(group) => change({ folded: toggled(view.folded, group) })}
            />
            <Foot outlook={data} />
          </>
        )}
      </section>
      <OutlookCloseUp company={company} view={view} outlook={data} change={change} />
    </div>
  );
}

interface AlongProps {
  view: View;
  outlook: Outlook;
  items: OutlookItem[];
}

/** The outlook as files and as a drawing. */
function Along({ view, outlook, items }: AlongProps) {
  return (
    <ExportMenu
      route="/outlook/export"
      asked={query({ ...outlookQuery(view), tryDeal: view.tried })}
      draw={(save) => {
        const title = outlook.headline.map((part) => part.text).join('');
        const drawing = framed(
          outlookSvg(items.map(({ row }) => row)),
          title,
          outlookLegend(outlook.goal),
        );
        void save(drawing, `outlook ${outlook.axis} ${outlook.to}`);
      }}
    />
  );
}

/** The rows that show a sentence: one is selected, several are kept. */
function insightChanges(keys: string[]): Changes {
  const [first, ...others] = keys;
  if (first === undefined) return { only: null, selected: null };
  return others.length === 0
    ? { only: null, selected: first }
    : { only: keys, group: null, selected: null };
}

interface ControlsProps extends OutlookViewProps {
  outlook: Outlook;
}

function Controls({ company, view, standing, outlook, change }: ControlsProps) {
  const days = [...new Set(outlook.snapshots.map(({ asOf }) => asOf))];
  return (
    <div className="no-print mb-1.5 flex flex-wrap items-center gap-x-2.5 gap-y-0 text-[12.5px] xl:mb-2 xl:gap-x-3.5 xl:gap-y-1.5 xl:text-[13px]">
      <RowControls company={company} view={view} change={change} />
      <BasisControls company={company} view={view} change={change} />
      <LayoutChoice company={company} view={view} change={change} />
      {outlook.from !== outlook.to && (
        <Choice
          label={t('view.months')}
          value={view.isByMonth ? 'month' : ''}
          options={[
            { value: '', word: t('view.together') },
            { value: 'month', word: t('view.sideBySide') },
          ]}
          onChange={(per) => change({ per: per || null })}
        />
      )}
      {days.length > 0 && (
        <Choice
          label={t('view.dealsAsOf')}
          value={outlook.asOf ?? ''}
          options={[
            ...(outlook.asOf === null ? [{ value: '', word: t('view.none') }] : []),
            ...days.map((day) => ({ value: day, word: dayText(day) })),
          ]}
          onChange={(day) =>
            change({ deals: day === days[0] ? null : day, since: null, step: null })
          }
        />
      )}
      {((standing.corrections?.lines ?? 0) > 0 || view.isRestated) && (
        <Choice
          label={t('view.closedMonths')}
          value={view.isRestated ? 'restated' : 'as-closed'}
          options={[
            { value: 'as-closed', word: t('view.asClosed') },
            { value: 'restated', word: t('view.restated') },
          ]}
          onChange={(closed) => change({ closed: closed === 'restated' ? closed : null })}
        />
      )}
      <LikelyDrop view={view} change={change} />
      <NarrowDrop view={view} standing={standing} company={company} change={change} />
    </div>
  );
}

function Foot({ outlook }: { outlook: Outlook }) {
  return (
    <div className="mb-1 flex flex-wrap items-center gap-x-4 text-[11.5px] text-quiet">
      <span className="inline-flex items-center gap-1.5">
        <svg width="58" height="12" aria-hidden="true">
          <rect x="0" y="2" width="20" height="8" fill="var(--good)" />
          <rect x="20" y="2" width="18" height="8" fill="var(--good)" opacity="0.38" />
          <rect x="38.5" y="2.5" width="18" height="7" fill="none" stroke="var(--good)" />
        </svg>
        {t('view.legendLane')}
      </span>
      <span className="inline-flex items-center gap-1.5">
        <svg width="32" height="14" aria-hidden="true">
          <rect x="0.5" y="4.5" width="29" height="6" fill="none" stroke="var(--rule)" />
          <rect x="0.5" y="4.5" width="18" height="6" fill="var(--field)" />
          <rect x="20" y="1" width="2" height="13" fill="var(--ink)" />
        </svg>
        {t('view.legendLikelihood')}
      </span>
      {outlook.overridden && (
        <span className="text-near-text">
          {t('view.overridden', {
            n: outlook.overridden.deals,
            weighted: amount(outlook.overridden.weighted),
          })}
        </span>
      )}
      {outlook.difference && <span className="ml-auto">{outlook.difference}</span>}
    </div>
  );
}

function NoDeals() {
  const { isOffice } = useRights();
  return (
    <p className="my-4">
      {t('view.noDeals')}{' '}
      {isOffice && (
        <Link to="/intake" className="font-semibold text-select underline">
          {t('view.goToIntake')}
        </Link>
      )}
    </p>
  );
}
