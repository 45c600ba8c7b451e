import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useRights } from '../../../../api/account';
import { CHANGED_BY } from '../../../../api/changedBy';
import { ask, query } from '../../../../api/client';
import type { FollowUp } from '../../../../api/types';
import { asJson, useChange } from '../../../../api/useChange';
import { dayText } from '../../../../format/writing';
import { Input } from '../../../../ui/Input';
import { Labelled } from '../../../../ui/Labelled';
import { smallButton } from '../../../../ui/Notice';
import type { Member } from '../../rows';
import { t } from './words';

interface FollowUpsProps {
  member: Member;
  month: string;
}

/** What will be done about a month's variance, by whom and until when; the close list reminds of it. */
export default function FollowUps({ member, month }: FollowUpsProps) {
  const { mayExplain } = useRights();
  const all = useQuery({
    queryKey: ['follow-ups', month],
    queryFn: () => ask<FollowUp[]>(`/follow-ups${query({ month })}`),
  });
  const own = (all.data ?? []).filter((one) => one.axis === member.axis && one.key === member.key);
  const [what, setWhat] = useState('');
  const [who, setWho] = useState('');
  const [due, setDue] = useState('');
  const [isAdding, setAdding] = useState(false);
  const add = useChange(
    (body: { what: string; who: string; due: string }) =>
      ask(
        `/notes/${member.axis}/${encodeURIComponent(member.key)}/${month}/follow-ups`,
        asJson('POST', body),
      ),
    ...CHANGED_BY.notes,
  );
  const settle = useChange(
    ({ id, isDone }: { id: number; isDone: boolean }) =>
      ask(`/follow-ups/${id}?done=${isDone}`, asJson('PUT', {})),
    ...CHANGED_BY.notes,
  );
  const remove = useChange(
    (id: number) => ask(`/follow-ups/${id}`, { method: 'DELETE' }),
    ...CHANGED_BY.notes,
  );
  const failure = add.error ?? settle.error ?? remove.error;
  if (own.length === 0 && !mayExplain) return null;
  return (
    <section aria-label={t('follow.followUps')} className="mb-5">
      <h3 className="mb-1.5 font-semibold text-quiet">{t('follow.followUps')}</h3>
      <ul className="mb-2">
        {own.map((one) => (
          <li key={one.id} className="border-t border-rule py-1">
            <span className={one.doneBy ? 'text-quiet line-through' : ''}>{one.what}</span>
            <span className="block text-[12.5px] text-quiet">
              {t('follow.until', { who: one.who, due: dayText(one.due) })}
              {one.doneBy && `, ${t('follow.done', { by: one.doneBy })}`}
            </span>
            {mayExplain && (
              <span className="no-print flex gap-3 text-[12.5px]">
                <button
                  type="button"
                  className="min-h-6 text-select underline"
                  onClick={() => settle.mutate({ id: one.id, isDone: one.doneBy === null })}
                >
                  {t(one.doneBy === null ? 'follow.markAsDone' : 'follow.markAsOpen')}
                </button>
                <button
                  type="button"
                  aria-label={t('follow.remove', { what: one.what })}
                  className="min-h-6 min-w-6 text-quiet hover:text-bad"
                  onClick={() => remove.mutate(one.id)}
                >
                  ×
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
      {mayExplain && !isAdding && (
        <button type="button" className={`${smallButton} no-print`} onClick={() => setAdding(true)}>
          {t('follow.add')}
        </button>
      )}
      {mayExplain && isAdding && (
        <form
          aria-label={t('follow.add')}
          className="no-print space-y-2"
          onSubmit={(event) => {
            event.preventDefault();
            add.mutate({ what, who, due }, { onSuccess: () => setAdding(false) });
          }}
        >
          <Labelled label={t('follow.what')}>
            <Input value={what} maxLength={400} onChange={(event) => setWhat(event.target.value)} />
          </Labelled>
          <Labelled label={t('follow.who')}>
            <Input value={who} maxLength={120} onChange={(event) => setWho(event.target.value)} />
          </Labelled>
          <Labelled label={t('follow.when')}>
            <Input type="date" value={due} onChange={(event) => setDue(event.target.value)} />
          </Labelled>
          <button
            type="submit"
            className={smallButton}
            disabled={add.isPending || what.trim() === '' || who.trim() === '' || due === ''}
          >
            {t('follow.add')}
          </button>
        </form>
      )}
      {failure && (
        <p role="alert" className="text-bad">
          {failure.message}
        </p>
      )}
    </section>
  );
}
