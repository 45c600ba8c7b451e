import { useState } from 'react';
import { useRights } from '../../api/account';
import type { Briefing, BriefingBlock } from '../../api/types';
import { monthName } from '../../format/figures';
import { timeText } from '../../format/writing';
import { Input } from '../../ui/Input';
import { Labelled } from '../../ui/Labelled';
import { mainButton, smallButton } from '../../ui/Notice';
import { SidePanel } from '../../ui/SidePanel';
import { ClaimMark } from './ClaimMark';
import { SendPart } from './SendPart';
import { useReaders, type useStep } from './useBriefings';
import { t } from './words';

interface BriefingPanelProps {
  briefing: Briefing;
  selected: string | null;
  step: ReturnType<typeof useStep>;
  isOpen: boolean;
  onSelect: (block: string) => void;
  onAdd: (kind: 'text' | Added) => void;
  onKeepTemplate: (name: string) => void;
  onRemove: () => void;
}

/** Exhibits that can be added. */
const EXHIBITS = [
  'lanes',
  'parts',
  'months',
  'reasons',
  'follow-ups',
  'outlook',
  'bridge',
  'pay',
  'stairs',
] as const;
export type Added = (typeof EXHIBITS)[number];

/** The claims with their state, who did what, what moved, and the ways out. */
export function BriefingPanel(props: BriefingPanelProps) {
  const { briefing, selected, step, isOpen, onSelect, onAdd } = props;
  const { mayLoad } = useRights();
  const claims = briefing.blocks.filter((block) => block.kind === 'claim');
  const unsettled = briefing.moved + briefing.voids;
  return (
    <SidePanel label={t('briefing.closeUp')} title={briefing.title} isScreenOnly>
      <p className="mb-3">
        {t(`briefing.sentence.${briefing.state}`, { unsettled, claims: claims.length })}
      </p>
      {briefing.because && (
        <p className="mb-3 border-l-4 border-bad bg-ground p-2.5">
          {t('briefing.declinedBecause', { because: briefing.because })}
        </p>
      )}
      {step.isError && (
        <p role="alert" className="mb-3 border-l-4 border-bad bg-ground p-2.5">
          {step.error.message}
        </p>
      )}
      <Section title={t('briefing.claims')}>
        <ol>
          {claims.map((block, at) => (
            <li key={block.id}>
              <button
                type="button"
                aria-current={block.id === selected || undefined}
                className={`flex w-full items-start justify-between gap-3 border-t border-rule px-1 py-1.5 text-left ${block.id === selected ? 'bg-select-ground' : 'hover:bg-ground'}`}
                onClick={() => onSelect(block.id)}
              >
                <span className="min-w-0">
                  {at + 1}. {briefly(block)}
                </span>
                {block.state && <ClaimMark state={block.state} />}
              </button>
            </li>
          ))}
        </ol>
        {isOpen && mayLoad && (
          <p className="mt-2 flex flex-wrap gap-1.5">
            <button type="button" className={smallButton} onClick={() => onAdd('text')}>
              {t('briefing.addAClaim')}
            </button>
            <button
              type="button"
              className={smallButton}
              disabled={step.isPending}
              onClick={() => step.mutate({ kind: 'take', block: null })}
            >
              {t('briefing.readAllAnew')}
            </button>
            <AddExhibit onAdd={onAdd} />
          </p>
        )}
      </Section>
      <Remarks {...props} />
      <Section title={t('briefing.who')}>
        <p className="flex justify-between gap-3">
          <span>{t('briefing.prepared', { by: briefing.madeBy })}</span>
          <span className="text-quiet">{timeText(briefing.madeAt)}</span>
        </p>
        {briefing.reviewers.map((one) => (
          <p key={one.name} className="flex justify-between gap-3">
            <span>{t('briefing.reviewer', { name: one.name })}</span>
            <span className="text-quiet">{t('briefing.remarked', { n: one.remarks })}</span>
          </p>
        ))}
        {isOpen && mayLoad && <AskToReview briefing={briefing} step={step} />}
        {briefing.signedBy && briefing.signedAt && (
          <>
            <p className="flex justify-between gap-3">
              <span>{t('briefing.signed', { by: briefing.signedBy })}</span>
              <span className="text-quiet">{timeText(briefing.signedAt)}</span>
            </p>
            <p className="text-[12px] break-all text-quiet">
              {t('briefing.checksum', { checksum: briefing.checksum ?? '' })}
            </p>
          </>
        )}
      </Section>
      {briefing.movedSince.length > 0 && (
        <Section title={t('briefing.movedSince', { title: briefing.movedSince[0]?.title ?? '' })}>
          <ul>
            {briefing.movedSince.map((one, at) => (
              <li key={at} className="border-t border-rule py-1">
                <span className="block text-[12.5px] text-quiet">{one.sentence}</span>
                {one.then} → <b>{one.now ?? t('briefing.state.void')}</b>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Section title={t('briefing.export')}>
        <p className="flex flex-wrap gap-x-4">
          {(['pdf', 'html', 'xlsx', 'txt'] as const).map((form) => (
            <a
              key={form}
              download
              className="min-h-6 text-select underline"
              href={`/api/v1/briefings/${briefing.id}/briefing.${form}`}
            >
              {t(`briefing.form.${form}`)}
            </a>
          ))}
        </p>
        {briefing.state !== 'signed' && (
          <p className="text-[12.5px] text-quiet">{t('briefing.exportsSayDraft')}</p>
        )}
      </Section>
      {mayLoad && <SendPart briefing={briefing} />}
      <Signing {...props} />
      {mayLoad && <Ends {...props} />}
    </SidePanel>
  );
}

function briefly(block: BriefingBlock): string {
  const text = block.pieces.map((piece) => piece.now ?? piece.text).join('');
  return text.length > 80 ? `${text.slice(0, 79)}…` : text;
}

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="mb-4">
      <h3 className="mb-1 border-b border-rule font-semibold text-quiet">{title}</h3>
      {children}
    </section>
  );
}

function AddExhibit({ onAdd }: { onAdd: (kind: Added) => void }) {
  const [isShown, setShown] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-expanded={isShown}
        className={smallButton}
        onClick={() => setShown(!isShown)}
      >
        {t('briefing.addAnExhibit')}
      </button>
      {isShown && (
        <span className="flex w-full flex-wrap gap-1.5">
          {EXHIBITS.map((kind) => (
            <button
              key={kind}
              type="button"
              className="min-h-6 text-select underline"
              onClick={() => {
                onAdd(kind);
                setShown(false);
              }}
            >
              {t(`briefing.exhibit.${kind}`)}
            </button>
          ))}
        </span>
      )}
    </>
  );
}

/** Chooses who is to look at it before it is signed. */
function AskToReview({ briefing, step }: Pick<BriefingPanelProps, 'briefing' | 'step'>) {
  const readers = useReaders();
  const asked = briefing.reviewers.map(({ name }) => name);
  const others = (readers.data ?? []).filter(
    ({ name, role }) => (role === 'analyst' || role === 'approver') && !asked.includes(name),
  );
  if (others.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-1.5">
      {others.map(({ name }) => (
        <button
          key={name}
          type="button"
          className="min-h-6 text-[12.5px] text-select underline"
          disabled={step.isPending}
          onClick={() => step.mutate({ kind: 'review', to: [...asked, name] })}
        >
          {t('briefing.askToReview', { name })}
        </button>
      ))}
    </p>
  );
}

/** What reviewers say of the selected block, and the answers. */
function Remarks({ briefing, selected, step, isOpen }: BriefingPanelProps) {
  const [text, setText] = useState('');
  const [answers, setAnswers] = useState<Record<number, string>>({});
  const remarks = briefing.remarks.filter((one) => selected === null || one.block === selected);
  if (remarks.length === 0 && (!isOpen || selected === null)) return null;
  return (
    <Section title={t('briefing.remarks')}>
      <ul>
        {remarks.map((one) => (
          <li key={one.id} className="border-t border-rule py-1.5">
            <p>{one.text}</p>
            <p className="text-[12.5px] text-quiet">
              {t('briefing.remarkBy', { by: one.by, at: timeText(one.at) })}
            </p>
            {one.answer !== null ? (
              <p className="border-l-4 border-rule pl-2">
                {one.answer} <span className="text-[12.5px] text-quiet">{one.answeredBy}</span>
              </p>
            ) : (
              isOpen && (
                <form
                  className="mt-1 flex gap-1.5"
                  onSubmit={(event) => {
                    event.preventDefault();
                    step.mutate({ kind: 'answer', remark: one.id, text: answers[one.id] ?? '' });
                  }}
                >
                  <Input
                    aria-label={t('briefing.answerTo', { by: one.by })}
                    value={answers[one.id] ?? ''}
                    onChange={(event) => setAnswers({ ...answers, [one.id]: event.target.value })}
                  />
                  <button
                    type="submit"
                    className={smallButton}
                    disabled={(answers[one.id] ?? '').trim() === ''}
                  >
                    {t('briefing.answer')}
                  </button>
                </form>
              )
            )}
          </li>
        ))}
      </ul>
      {isOpen && selected !== null && (
        <form
          className="mt-1 flex items-end gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            step.mutate(
              { kind: 'remark', block: selected, text },
              { onSuccess: () => setText('') },
            );
          }}
        >
          <div className="min-w-0 flex-1">
            <Labelled label={t('briefing.remarkOnTheSelected')}>
              <Input
                maxLength={1000}
                value={text}
                onChange={(event) => setText(event.target.value)}
              />
            </Labelled>
          </div>
          <button type="submit" className={smallButton} disabled={text.trim() === ''}>
            {t('briefing.addRemark')}
          </button>
        </form>
      )}
    </Section>
  );
}

function Signing({ briefing, step, isOpen }: BriefingPanelProps) {
  const { mayLoad } = useRights();
  const [reason, setReason] = useState('');
  const unsettled = briefing.moved + briefing.voids;
  if (briefing.maySign) {
    return (
      <Section title={t('briefing.signature')}>
        <p className="mb-2 text-quiet">{t('briefing.signingKeepsThePage')}</p>
        <button
          type="button"
          className={mainButton}
          disabled={step.isPending || unsettled > 0}
          onClick={() => step.mutate({ kind: 'sign' })}
        >
          {t('briefing.signBriefing')}
        </button>
        <form
          className="mt-3 flex items-end gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            step.mutate({ kind: 'decline', text: reason });
          }}
        >
          <div className="min-w-0 flex-1">
            <Labelled label={t('briefing.reasonForDeclining')}>
              <Input
                maxLength={400}
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
            </Labelled>
          </div>
          <button type="submit" className={smallButton} disabled={reason.trim() === ''}>
            {t('briefing.declineBriefing')}
          </button>
        </form>
      </Section>
    );
  }
  if (!isOpen || !mayLoad || briefing.state === 'handed') return null;
  return (
    <Section title={t('briefing.signature')}>
      <button
        type="button"
        className={mainButton}
        disabled={step.isPending || unsettled > 0}
        onClick={() => step.mutate({ kind: 'hand', signer: '' })}
      >
        {t('briefing.handOverToSign')}
      </button>
      {unsettled > 0 && (
        <p className="mt-1 text-[12.5px] text-quiet">{t('briefing.onceEveryClaimHolds')}</p>
      )}
    </Section>
  );
}

/** Keeping the order for every month, and taking a draft away. */
function Ends({ isOpen, onKeepTemplate, onRemove }: BriefingPanelProps) {
  const [name, setName] = useState('');
  return (
    <div className="border-t border-rule pt-3">
      <form
        className="mb-3 flex items-end gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onKeepTemplate(name);
          setName('');
        }}
      >
        <div className="min-w-0 flex-1">
          <Labelled label={t('briefing.keepThisOrderAs')}>
            <Input maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
          </Labelled>
        </div>
        <button type="submit" className={smallButton} disabled={name.trim() === ''}>
          {t('briefing.saveTemplate')}
        </button>
      </form>
      {isOpen && (
        <button type="button" className={smallButton} onClick={onRemove}>
          {t('briefing.discardDraft')}
        </button>
      )}
    </div>
  );
}

/** The months that a page is about, in words. */
export const spanWords = ({ from, to }: { from: string; to: string }): string =>
  from === to ? monthName(to) : `${monthName(from)} – ${monthName(to)}`;
