import { useState } from 'react';
import type { Briefing } from '../../api/types';
import { timeText } from '../../format/writing';
import { smallButton } from '../../ui/Notice';
import { toggled } from '../../ui/picks';
import { useReaders, useScheduling, useSchedules, useSend, type SendTo } from './useBriefings';
import { t } from './words';

const ROLES = ['analyst', 'approver', 'manager', 'rep'] as const;

/** Sends the briefing by mail: to each person once, with what that person may see. */
export function SendPart({ briefing }: { briefing: Briefing }) {
  const readers = useReaders();
  const send = useSend(briefing.id);
  const [to, setTo] = useState<string[]>([]);
  const [roles, setRoles] = useState<string[]>([]);
  const [asPdf, setAsPdf] = useState(true);
  const had = briefing.sent.map(({ name }) => name);
  const left = (readers.data ?? []).filter(
    ({ name, address }) => address !== null && !had.includes(name),
  );
  const chosen = left.filter(({ name, role }) => to.includes(name) || roles.includes(role));
  const body: SendTo = { to, roles, asPdf };
  return (
    <section aria-label={t('briefing.send')} className="mb-4">
      <h3 className="mb-1 border-b border-rule font-semibold text-quiet">{t('briefing.send')}</h3>
      {briefing.sent.length > 0 && (
        <ul className="mb-2">
          {briefing.sent.map((one) => (
            <li key={one.name} className="flex justify-between gap-3">
              <span className="min-w-0 truncate">{one.name}</span>
              <span className="text-quiet">
                {one.sentAt
                  ? timeText(one.sentAt)
                  : t(one.isUnknown ? 'briefing.nobodyKnows' : 'briefing.waits')}
              </span>
            </li>
          ))}
        </ul>
      )}
      {left.length === 0 ? (
        <p className="text-[12.5px] text-quiet">{t('briefing.nobodyToSendTo')}</p>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            send.mutate(body, {
              onSuccess: () => {
                setTo([]);
                setRoles([]);
              },
            });
          }}
        >
          {ROLES.filter((role) => left.some((one) => one.role === role)).map((role) => (
            <label key={role} className="flex min-h-6 items-center gap-2">
              <input
                type="checkbox"
                checked={roles.includes(role)}
                onChange={() => setRoles(toggled(roles, role))}
              />
              {t(`briefing.allWithRole.${role}`)}
              <span className="text-[12.5px] text-quiet">
                {t('briefing.people', { n: left.filter((one) => one.role === role).length })}
              </span>
            </label>
          ))}
          {left.map(({ name, role }) => (
            <label key={name} className="flex min-h-6 items-center gap-2">
              <input
                type="checkbox"
                checked={to.includes(name) || roles.includes(role)}
                disabled={roles.includes(role)}
                onChange={() => setTo(toggled(to, name))}
              />
              <span className="min-w-0 truncate">{name}</span>
              <span className="text-[12.5px] text-quiet">{role}</span>
            </label>
          ))}
          <label className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              checked={asPdf}
              onChange={(event) => setAsPdf(event.target.checked)}
            />
            {t('briefing.alsoAsPdf')}
          </label>
          <p className="my-1 text-[12.5px] text-quiet">{t('briefing.eachGetsOnly')}</p>
          <button
            type="submit"
            className={smallButton}
            disabled={send.isPending || chosen.length === 0}
          >
            {t('briefing.sendTo', {
              n: chosen.length,
              isDraft: String(briefing.state !== 'signed'),
            })}
          </button>
        </form>
      )}
      <Schedules body={body} />
      {send.isError && (
        <p role="alert" className="mt-1 text-bad">
          {send.error.message}
        </p>
      )}
      {send.isSuccess && (
        <p role="status" className="mt-1 text-quiet">
          {t('briefing.queued', { n: send.data.queued })}
        </p>
      )}
    </section>
  );
}

const RHYTHMS = ['after-closing', 'weekly'] as const;

/** What goes out by itself, and has the chosen people get it from now on. */
function Schedules({ body }: { body: SendTo }) {
  const schedules = useSchedules();
  const scheduling = useScheduling();
  return (
    <div className="mt-2 text-[12.5px]">
      <ul>
        {(schedules.data ?? []).map((one) => (
          <li key={one.id} className="flex items-baseline justify-between gap-2">
            <span>
              {t(`briefing.rhythm.${one.rhythm as (typeof RHYTHMS)[number]}`)}:{' '}
              {[
                ...one.roles.map((role) =>
                  t(`briefing.allWithRole.${role as (typeof ROLES)[number]}`),
                ),
                ...one.to,
              ].join(', ')}
            </span>
            <button
              type="button"
              className="min-h-6 text-select underline"
              onClick={() => scheduling.mutate(one.id)}
            >
              {t('briefing.endSchedule')}
            </button>
          </li>
        ))}
      </ul>
      {body.to.length + body.roles.length > 0 && (
        <p className="flex flex-wrap gap-1.5">
          {RHYTHMS.map((rhythm) => (
            <button
              key={rhythm}
              type="button"
              className={smallButton}
              disabled={scheduling.isPending}
              onClick={() => scheduling.mutate({ ...body, rhythm })}
            >
              {t(`briefing.schedule.${rhythm}`)}
            </button>
          ))}
        </p>
      )}
      {scheduling.isError && (
        <p role="alert" className="text-bad">
          {scheduling.error.message}
        </p>
      )}
    </div>
  );
}
