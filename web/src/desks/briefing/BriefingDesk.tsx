import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useRights } from '../../api/account';
import type { Briefing, BriefingBlock, BriefingListed, Company } from '../../api/types';
import { useView, type Changes } from '../../address/useView';
import { timeText } from '../../format/writing';
import { Choice } from '../../ui/Choice';
import { Empty, Failed, Loading, mainButton, smallButton } from '../../ui/Notice';
import { PrintHead } from '../../ui/PrintHead';
import { useRowSteps } from '../../ui/shortcuts';
import { BlockView } from './BlockView';
import { BriefingPanel, spanWords, type Added } from './BriefingPanel';
import { ClaimEditor } from './ClaimEditor';
import {
  toSave,
  useBriefing,
  useBriefings,
  useDraft,
  useKeepTemplate,
  useRemove,
  useStep,
  useTemplates,
  type BlockToSave,
} from './useBriefings';
import { t } from './words';

/** The month told on one page: drafted by itself, reworded, read anew, signed and handed on. */
export function BriefingDesk({ company }: { company: Company }) {
  const [view, change] = useView(company);
  const [search] = useSearchParams();
  const list = useBriefings();
  const { from, to } = view.span;
  const scope = { axis: search.get('of'), key: search.get('key') };
  const ofMonths = (list.data ?? []).filter(
    (one) => one.to === to && one.from === from && (scope.key === null || one.key === scope.key),
  );
  const asked = search.get('briefing');
  const chosen = (list.data ?? []).find((one) => String(one.id) === asked) ?? ofMonths[0];
  const briefing = useBriefing(chosen?.id ?? null);
  if (list.isPending) return <Loading what={t('briefing.theBriefings')} />;
  if (list.isError) return <Failed error={list.error} onRetry={() => void list.refetch()} />;
  if (!chosen) return <First from={from} to={to} scope={scope} change={change} />;
  if (briefing.isPending) return <Loading what={t('briefing.theBriefing')} />;
  if (briefing.isError) {
    return <Failed error={briefing.error} onRetry={() => void briefing.refetch()} />;
  }
  return (
    <Page
      key={chosen.id}
      company={company}
      briefing={briefing.data}
      others={ofMonths.includes(chosen) ? ofMonths : [chosen, ...ofMonths]}
      selected={search.get('block')}
      change={change}
    />
  );
}

function useDrafting(change: (changes: Changes) => void) {
  return useDraft((made) =>
    change({ briefing: String(made.id), block: null, of: null, key: null }),
  );
}

interface FirstProps {
  from: string;
  to: string;
  /** The one member that it is to be about; null for the whole company. */
  scope: { axis: string | null; key: string | null };
  change: (changes: Changes) => void;
}

/** Months that nobody has told of yet. */
function First({ from, to, scope, change }: FirstProps) {
  const { mayLoad } = useRights();
  const templates = useTemplates();
  const [template, setTemplate] = useState('');
  const draft = useDrafting(change);
  return (
    <Empty
      title={t('briefing.noBriefingOf', {
        months: [spanWords({ from, to }), scope.key].filter(Boolean).join(' · '),
      })}
    >
      <p>{t('briefing.aDraftTells')}</p>
      {(templates.data ?? []).length > 0 && (
        <p>
          <Choice
            label={t('briefing.order')}
            value={template}
            options={[
              { value: '', word: t('briefing.usual') },
              ...(templates.data ?? []).map(({ name }) => ({ value: name, word: name })),
            ]}
            onChange={setTemplate}
          />
        </p>
      )}
      {mayLoad && (
        <button
          type="button"
          className={mainButton}
          disabled={draft.isPending}
          onClick={() =>
            draft.mutate({
              from,
              to,
              template: template || null,
              ...(scope.axis && scope.key ? { axis: scope.axis, key: scope.key } : {}),
            })
          }
        >
          {draft.isPending ? t('briefing.drafting') : t('briefing.draftBriefing')}
        </button>
      )}
      {draft.isError && (
        <p role="alert" className="text-bad">
          {draft.error.message}
        </p>
      )}
    </Empty>
  );
}

interface PageProps {
  company: Company;
  briefing: Briefing;
  others: BriefingListed[];
  /** Id of the block that is selected; null for none. */
  selected: string | null;
  change: (changes: Changes) => void;
}

function Page({ company, briefing, others, selected, change }: PageProps) {
  const { mayLoad } = useRights();
  const step = useStep(briefing);
  const draft = useDrafting(change);
  const keepTemplate = useKeepTemplate();
  const remove = useRemove(briefing.id, () => change({ briefing: null, block: null }));
  const [editing, setEditing] = useState<string | null>(null);
  const [past, setPast] = useState<BlockToSave[][]>([]);
  const isOpen = briefing.state !== 'signed';
  const mayChange = isOpen && mayLoad;
  const claims = briefing.blocks.filter((block) => block.kind === 'claim');
  const select = (block: string | null) => change({ block });

  useRowSteps((by) => {
    const at = claims.findIndex((block) => block.id === selected);
    const next = claims[Math.max(0, Math.min(at + by, claims.length - 1))];
    if (next) {
      select(next.id);
      document
        .querySelector(`[data-block="${next.id}"]`)
        ?.scrollIntoView({ block: 'nearest', behavior: 'auto' });
    }
  });

  const save = (blocks: BlockToSave[]) => {
    setPast((before) => [...before.slice(-49), briefing.blocks.map(toSave)]);
    setEditing(null);
    step.mutate({ kind: 'save', blocks });
  };
  const move = (id: string, by: 1 | -1) => {
    const blocks = briefing.blocks.map(toSave);
    const at = blocks.findIndex((block) => block.id === id);
    const to = at + by;
    const one = blocks[at];
    if (!one || to < 0 || to >= blocks.length) return;
    blocks.splice(at, 1);
    blocks.splice(to, 0, one);
    save(blocks);
  };
  const undo = () => {
    const before = past[past.length - 1];
    if (!before) return;
    setPast(past.slice(0, -1));
    step.mutate({ kind: 'save', blocks: before });
  };

  useEffect(() => {
    if (!mayChange) return undefined;
    const onKey = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof Element && event.target.closest('input, textarea');
      if (isTyping) return;
      if ((event.ctrlKey || event.metaKey) && event.key === 'z') {
        event.preventDefault();
        undo();
      } else if (event.altKey && selected && /^Arrow(Up|Down)$/.test(event.key)) {
        event.preventDefault();
        move(selected, event.key === 'ArrowUp' ? -1 : 1);
      } else if (event.key === 'Enter' && selected && event.target === document.body) {
        setEditing(selected);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const add = (kind: 'text' | Added) => {
    if (kind === 'text') {
      setEditing('');
      return;
    }
    const exhibit = exhibitOf(kind, briefing);
    const blocks = briefing.blocks.map(toSave);
    const at = blocks.findIndex((block) => block.id === selected);
    blocks.splice(at < 0 ? blocks.length : at + 1, 0, {
      id: null,
      kind: 'exhibit',
      part: null,
      text: t(`briefing.exhibit.${kind}`),
      figures: [],
      exhibit,
    });
    save(blocks);
  };

  return (
    <div className="briefing-desk h-full min-h-0">
      <PrintHead left={company.name} right={briefing.title} />
      <div className="print-whole min-h-0 min-w-0 overflow-auto px-[18px] py-3.5">
        <div className="no-print mx-auto mb-2 flex max-w-[880px] flex-wrap items-baseline gap-x-4 gap-y-1">
          <Choice
            label={t('briefing.briefing')}
            value={String(briefing.id)}
            options={others.map((one) => ({
              value: String(one.id),
              word: one.title,
              remark: t(`briefing.is.${one.state as Briefing['state']}`),
            }))}
            onChange={(id) => change({ briefing: id, block: null })}
          />
          {mayLoad && (
            <button
              type="button"
              className={smallButton}
              disabled={draft.isPending}
              onClick={() => draft.mutate({ from: briefing.from, to: briefing.to, template: null })}
            >
              {t('briefing.draftAnother')}
            </button>
          )}
          {mayChange && past.length > 0 && (
            <button type="button" className={smallButton} onClick={undo}>
              {t('briefing.undo')}
            </button>
          )}
          {step.isPending && <span role="status">{t('briefing.saving')}</span>}
        </div>
        <article
          aria-label={briefing.title}
          className="briefing-page mx-auto max-w-[880px] border border-rule bg-sheet px-5 py-4"
        >
          <div className="briefing-block border-b border-ink pb-2">
            <div />
            <div className="flex flex-wrap items-baseline justify-between gap-x-4">
              <h1 className="text-[22px] font-bold">{briefing.title}</h1>
              <span className="text-[12.5px] text-quiet">
                {company.name} · {t('briefing.figuresOf', { at: timeText(briefing.readAt) })}
              </span>
            </div>
          </div>
          {briefing.blocks.length === 0 && (
            <p className="p-3 text-quiet">{t('briefing.nothingToTell')}</p>
          )}
          <ol>
            {briefing.blocks.map((block) => {
              const number = claims.indexOf(block);
              return (
                <BlockView
                  key={block.id}
                  briefing={briefing}
                  block={block}
                  number={number < 0 ? null : number + 1}
                  isSelected={block.id === selected}
                  isEditing={editing === block.id}
                  isOpen={mayChange}
                  isPending={step.isPending}
                  onSelect={() => select(block.id)}
                  onEdit={(is) => setEditing(is ? block.id : null)}
                  onReword={(text, figures) => save(reworded(briefing, block, text, figures))}
                  onMove={(by) => move(block.id, by)}
                  onDrop={() => save(briefing.blocks.filter((one) => one !== block).map(toSave))}
                  onTake={() => step.mutate({ kind: 'take', block: block.id })}
                  onKeep={(text) => step.mutate({ kind: 'keep', block: block.id, text })}
                />
              );
            })}
          </ol>
          {editing === '' && (
            <ClaimEditor
              block={null}
              isPending={step.isPending}
              onSave={(text) =>
                save([
                  ...briefing.blocks.map(toSave),
                  { id: null, kind: 'claim', part: null, text, figures: [], exhibit: null },
                ])
              }
              onCancel={() => setEditing(null)}
            />
          )}
          <Signatures briefing={briefing} />
        </article>
      </div>
      <BriefingPanel
        briefing={briefing}
        selected={selected}
        step={step}
        isOpen={isOpen}
        onSelect={select}
        onAdd={add}
        onKeepTemplate={(name) => keepTemplate.mutate({ name, parts: partsOf(briefing) })}
        onRemove={() => remove.mutate()}
      />
    </div>
  );
}

function Signatures({ briefing }: { briefing: Briefing }) {
  return (
    <div className="briefing-block border-t border-ink pt-2 text-[13px]">
      <div />
      <div className="flex flex-wrap justify-between gap-x-6">
        <span>{t('briefing.prepared', { by: briefing.madeBy })}</span>
        <span>
          {briefing.signedBy && briefing.signedAt
            ? t('briefing.signedOn', {
                by: briefing.signedBy,
                at: timeText(briefing.signedAt),
              })
            : t('briefing.notSigned')}
        </span>
        {briefing.checksum && (
          <span className="w-full break-all text-quiet">
            {t('briefing.checksum', { checksum: briefing.checksum })}
          </span>
        )}
      </div>
    </div>
  );
}

/** All blocks with one of them reworded. */
const reworded = (
  briefing: Briefing,
  block: BriefingBlock,
  text: string,
  figures?: BriefingBlock['figures'],
): BlockToSave[] =>
  briefing.blocks.map((one) =>
    one === block ? { ...toSave(one), text, figures: figures ?? one.figures } : toSave(one),
  );

/** What the page's drafted blocks were drafted for, each once, in their order. */
function partsOf(briefing: Briefing): string[] {
  const parts = briefing.blocks.map(({ part }) => part).filter((part) => part !== null);
  return [...new Set(parts)];
}

/** Exhibits of a month of commission. */
const OF_PAY = ['pay', 'stairs'];

/** An exhibit of the page's own months, measure and goals. */
function exhibitOf(kind: Added, briefing: Briefing): NonNullable<BriefingBlock['exhibit']> {
  const shown = briefing.blocks.find(({ exhibit }) => exhibit && !OF_PAY.includes(exhibit.kind));
  const figure = briefing.blocks
    .flatMap(({ figures }) => figures)
    .find(({ query }) => query.of === 'standing');
  const view = shown?.exhibit?.view ?? figure?.query.view ?? {};
  const months = { from: briefing.from, to: briefing.to };
  if (OF_PAY.includes(kind)) return { kind, view: { month: briefing.to }, row: null };
  return { kind, view: { axis: 'rep', ...view, ...months }, row: null };
}
