import { useState } from 'react';
import { useRights } from '../../../api/account';
import type { Note, Standing } from '../../../api/types';
import { plusMonths } from '../../../address/span';
import { monthName } from '../../../format/figures';
import { field } from '../../../ui/field';
import { smallButton } from '../../../ui/Notice';
import { ReasonList } from '../../../ui/ReasonList';
import { UndoLine } from '../../../ui/UndoLine';
import type { Member } from '../rows';
import { useWriteNote } from '../useStanding';
import { useReasons } from '../../../api/reasons';
import { Select } from '../../../ui/Select';
import { t } from '../words';

const MOST_MONTHS = 24;

interface NotesPartProps {
  member: Member;
  standing: Standing;
  notes: Note[];
}

/** Why a month came out as it did: a reason of the list, a text, or both. */
export function NotesPart({ member, standing, notes }: NotesPartProps) {
  const { mayExplain } = useRights();
  const months = monthsOf(standing);
  const [month, setMonth] = useState(standing.to);
  const written = notes.find((note) => note.month === month);
  const [changed, setChanged] = useState<NoteChange | null>(null);
  const undo = useWriteNote();
  return (
    <section aria-label={t('notesPart.reasonForTheVariance')} className="mb-5">
      <h3 className="mb-1.5 font-semibold text-quiet">{t('notesPart.reasonForTheVariance')}</h3>
      {notes.length > 0 && (
        <ul className="mb-2 space-y-1">
          {notes.map((note) => (
            <li key={note.month}>
              <span className="text-quiet">{monthName(note.month)}: </span>
              {note.reasonName && <b>{note.reasonName}</b>}
              {note.reasonName && note.text && ', '}
              {note.text}
            </li>
          ))}
        </ul>
      )}
      {mayExplain && months.length > 1 && (
        <label className="no-print mb-1.5 block">
          <span className="sr-only">{t('notesPart.monthOfTheNote')}</span>
          <Select value={month} onChange={(event) => setMonth(event.target.value)}>
            {months.map((one) => (
              <option key={one} value={one}>
                {monthName(one)}
              </option>
            ))}
          </Select>
        </label>
      )}
      {mayExplain ? (
        <NoteForm
          key={month + (written?.reason ?? '') + (written?.text ?? '')}
          {...{ member, month, written }}
          onChanged={setChanged}
        />
      ) : (
        notes.length === 0 && <p className="text-quiet">{t('notesPart.noReasonIsNoted')}</p>
      )}
      <UndoLine
        words={t('notesPart.changed', { month: monthName(changed?.month ?? month) })}
        onUndo={
          changed &&
          (() =>
            undo.mutate(
              { ...member, ...changed.before, month: changed.month, was: changed.text },
              { onSuccess: () => setChanged(null) },
            ))
        }
      />
      {undo.isError && (
        <p role="alert" className="text-bad">
          {undo.error.message}
        </p>
      )}
    </section>
  );
}

/** A note that was just written, with what stood there before. */
interface NoteChange {
  month: string;
  text: string;
  before: { reason: string | null; text: string };
}

interface NoteFormProps {
  member: Member;
  month: string;
  written: Note | undefined;
  onChanged: (change: NoteChange) => void;
}

function NoteForm({ member, month, written, onChanged }: NoteFormProps) {
  const reasons = useReasons();
  const { mayLoad } = useRights();
  const write = useWriteNote();
  const [reason, setReason] = useState(written?.reason ?? '');
  const [text, setText] = useState(written?.text ?? '');
  const [isListed, setListed] = useState(false);
  const isSame = reason === (written?.reason ?? '') && text === (written?.text ?? '');
  if (isListed) {
    return <ReasonList reasons={reasons.data ?? []} onClose={() => setListed(false)} />;
  }
  return (
    <form
      className="no-print space-y-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        const before = { reason: written?.reason ?? null, text: written?.text ?? '' };
        write.mutate(
          { ...member, month, reason: reason || null, text, was: before.text },
          { onSuccess: () => onChanged({ month, text: text.trim(), before }) },
        );
      }}
    >
      <div className="flex gap-1.5">
        <Select
          aria-label={t('notesPart.reason')}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        >
          <option value="">{t('notesPart.selectAReason')}</option>
          {(reasons.data ?? []).map((one) => (
            <option key={one.code} value={one.code}>
              {one.name}
            </option>
          ))}
        </Select>
        {mayLoad && (
          <button
            type="button"
            className={`${smallButton} shrink-0`}
            onClick={() => setListed(true)}
          >
            {t('notesPart.editReasons')}
          </button>
        )}
      </div>
      <textarea
        aria-label={t('notesPart.note')}
        className={field}
        rows={2}
        maxLength={2000}
        placeholder={t('notesPart.whatHappenedIn', { month: monthName(month) })}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {write.isError && (
        <p role="alert" className="text-bad">
          {write.error.message}
        </p>
      )}
      <button type="submit" className={smallButton} disabled={isSame || write.isPending}>
        {reason === '' && text.trim() === '' && written
          ? t('notesPart.deleteNote')
          : t('notesPart.saveNote')}
      </button>
    </form>
  );
}

/** The span's months, the last first. */
function monthsOf(standing: Standing): string[] {
  const months: string[] = [];
  for (let at = 0; at < MOST_MONTHS; at++) {
    const month = plusMonths(standing.to, -at);
    if (month < standing.from) break;
    months.push(month);
  }
  return months;
}
