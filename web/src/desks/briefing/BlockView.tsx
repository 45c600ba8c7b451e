import { useState } from 'react';
import type { Briefing, BriefingBlock } from '../../api/types';
import { Labelled } from '../../ui/Labelled';
import { smallButton } from '../../ui/Notice';
import { Input } from '../../ui/Input';
import { BindFigure } from './BindFigure';
import { ClaimEditor } from './ClaimEditor';
import { ClaimMark } from './ClaimMark';
import { ExhibitView } from './ExhibitView';
import { t } from './words';

export interface BlockActions {
  onSelect: () => void;
  onEdit: (isEditing: boolean) => void;
  onReword: (text: string, figures?: BriefingBlock['figures']) => void;
  onMove: (step: 1 | -1) => void;
  onDrop: () => void;
  onTake: () => void;
  onKeep: (reason: string) => void;
}

interface BlockViewProps extends BlockActions {
  briefing: Briefing;
  block: BriefingBlock;
  /** Of a claim, from 1; null of other kinds. */
  number: number | null;
  isSelected: boolean;
  isEditing: boolean;
  isOpen: boolean;
  isPending: boolean;
}

/** A claim, an exhibit or a text, with its state in the margin. */
export function BlockView(props: BlockViewProps) {
  const { block, number, isSelected, isEditing, isOpen, isPending } = props;
  const { onSelect, onEdit, onReword } = props;
  return (
    <li data-block={block.id} className={`briefing-block ${isSelected ? 'bg-select-ground' : ''}`}>
      <div className="briefing-margin text-[12.5px]">
        {number !== null && block.state !== null && (
          <span className="flex items-center gap-1.5">
            <span className="w-4 text-right text-quiet">{number}</span>
            <ClaimMark state={block.state} />
          </span>
        )}
      </div>
      <div className="min-w-0">
        {isEditing ? (
          <ClaimEditor
            block={block}
            isPending={isPending}
            onSave={(text) => onReword(text)}
            onCancel={() => onEdit(false)}
          />
        ) : block.kind === 'exhibit' ? (
          block.data && <ExhibitView title={block.text} data={block.data} />
        ) : (
          <Sentence block={block} />
        )}
        {(block.state === 'moved' || block.state === 'void') && <Moved {...props} />}
        {block.state === 'kept' && (
          <p className="no-print text-[12.5px] text-quiet">
            {t('briefing.keptAsItWas', { reason: block.reason ?? '', by: block.reasonBy ?? '' })}
          </p>
        )}
        {isOpen && !isEditing && block.unbound.length > 0 && <BindFigure {...props} />}
        {isOpen && !isEditing && (
          <BlockButtons {...props} isShown={isSelected} onSelect={onSelect} />
        )}
      </div>
    </li>
  );
}

/** A sentence; a figure that has moved is struck, with the new one beside it. */
function Sentence({ block }: { block: BriefingBlock }) {
  const isClaim = block.kind === 'claim';
  const body = block.pieces.map((piece, at) =>
    piece.figure === null ? (
      piece.text
    ) : piece.now === null ? (
      <span key={at} className={piece.isVoid ? 'line-through' : undefined}>
        {piece.text}
      </span>
    ) : (
      <span key={at}>
        <del className="text-quiet">{piece.text}</del>{' '}
        <ins className="text-near-text no-underline">{piece.now}</ins>
      </span>
    ),
  );
  return isClaim ? (
    <h2 className="max-w-[70ch] text-[16.5px] leading-snug font-bold">{body}</h2>
  ) : (
    <p className="max-w-[70ch]">{body}</p>
  );
}

function Moved({ block, isOpen, isPending, onTake, onKeep }: BlockViewProps) {
  const [reason, setReason] = useState('');
  const [isKeeping, setKeeping] = useState(false);
  const changes = block.pieces
    .filter((piece) => piece.now !== null)
    .map((piece) => `${piece.text} → ${piece.now ?? ''}`);
  return (
    <div className="no-print mt-1 border-l-4 border-near pl-2.5 text-[13px]">
      <p>
        {block.state === 'void' ? t('briefing.aFigureCanNoLonger') : changes.join(', ')}
        {block.cause && <span className="text-quiet">: {block.cause}</span>}{' '}
        {isOpen && (
          <span className="inline-flex gap-3">
            {block.state === 'moved' && (
              <button
                type="button"
                className="min-h-6 font-semibold text-select underline"
                disabled={isPending}
                onClick={onTake}
              >
                {t('briefing.takeTheNewFigures')}
              </button>
            )}
            <button
              type="button"
              className="min-h-6 font-semibold text-select underline"
              onClick={() => setKeeping(!isKeeping)}
            >
              {t('briefing.keepItAsItWas')}
            </button>
          </span>
        )}
      </p>
      {isKeeping && (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            onKeep(reason);
          }}
        >
          <div className="min-w-[220px] flex-1">
            <Labelled label={t('briefing.reasonForKeeping')}>
              <Input
                maxLength={400}
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
            </Labelled>
          </div>
          <button
            type="submit"
            className={smallButton}
            disabled={isPending || reason.trim() === ''}
          >
            {t('briefing.keepClaim')}
          </button>
        </form>
      )}
    </div>
  );
}

function BlockButtons(props: BlockViewProps & { isShown: boolean }) {
  const { block, isShown, onSelect, onEdit, onMove, onDrop } = props;
  if (!isShown) {
    return (
      <button
        type="button"
        className="no-print min-h-6 text-[12.5px] text-quiet hover:text-select hover:underline"
        onClick={onSelect}
      >
        {t(`briefing.edit.${block.kind}`)}
        <span className="sr-only">: {block.text.slice(0, 60)}</span>
      </button>
    );
  }
  return (
    <p className="no-print mt-1 flex flex-wrap gap-1.5">
      <button type="button" className={smallButton} onClick={() => onEdit(true)}>
        {t(block.kind === 'exhibit' ? 'briefing.editTitle' : 'briefing.editWording')}
      </button>
      <button type="button" className={smallButton} onClick={() => onMove(-1)}>
        {t('briefing.moveUp')}
      </button>
      <button type="button" className={smallButton} onClick={() => onMove(1)}>
        {t('briefing.moveDown')}
      </button>
      <button type="button" className={smallButton} onClick={onDrop}>
        {t(`briefing.remove.${block.kind}`)}
      </button>
    </p>
  );
}
