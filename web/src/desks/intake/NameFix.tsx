import { useId, useState } from 'react';
import type { UnknownName } from '../../api/types';
import { useMembers } from '../../api/useMembers';
import { count, singular } from '../../format/nouns';
import { quietButton } from '../../ui/Notice';
import type { useSay } from './useIntake';
import { t } from './words';

const link = 'min-h-6 text-left text-select underline font-semibold disabled:opacity-60';
const field = 'w-full rounded-sm border border-quiet bg-sheet px-2 py-1';

interface NameFixProps {
  name: UnknownName;
  say: ReturnType<typeof useSay>;
  onGoTo: (line: number) => void;
}

/** A name that nobody is known by: who is meant, someone else, or a new one. */
export function NameFix({ name, say, onGoTo }: NameFixProps) {
  const [way, setWay] = useState<'choose' | 'make' | null>(null);
  const accept = (member: string) =>
    say.mutate({ kind: 'names', names: [{ axis: name.axis, text: name.text, member }] });
  const canBeMade = name.axis === 'rep' || name.axis === 'product';
  const lines =
    name.lines === 1
      ? t('nameFix.thisLine')
      : t('nameFix.all', { lines: count(name.lines, 'line') });
  return (
    <div className="grid grid-cols-[64px_minmax(0,1fr)] gap-x-1.5 py-1">
      <button
        type="button"
        className="min-h-6 self-start text-left text-select underline"
        onClick={() => onGoTo(name.firstLine)}
      >
        {t('nameFix.line', { firstLine: name.firstLine })}
      </button>
      <div>
        <p className="break-words">
          {t('nameFix.isNotAKnown', {
            name: name.text,
            axis: singular(name.axis),
            proposals: name.proposals[0] ? `. ${name.proposals[0].name}?` : '.',
          })}
        </p>
        <ul>
          {name.proposals.map((one) => (
            <li key={one.key}>
              <button
                type="button"
                className={link}
                disabled={say.isPending}
                onClick={() => accept(one.key)}
              >
                {t('nameFix.useFor', { name: one.name, lines })}
              </button>
            </li>
          ))}
        </ul>
        <p className="flex flex-wrap gap-x-3">
          <button type="button" className={link} onClick={() => setWay('choose')}>
            {t('nameFix.matchToAnExisting', { axis: singular(name.axis) })}
          </button>
          {canBeMade && (
            <button type="button" className={link} onClick={() => setWay('make')}>
              {t('nameFix.createANew', { axis: singular(name.axis) })}
            </button>
          )}
        </p>
        {way === 'choose' && <Choose name={name} onChosen={accept} />}
        {way === 'make' && <Make name={name} say={say} />}
      </div>
    </div>
  );
}

function Choose({ name, onChosen }: { name: UnknownName; onChosen: (key: string) => void }) {
  const [text, setText] = useState('');
  const list = useId();
  const found = useMembers(text);
  const fitting = (found.data ?? []).filter((member) => member.axis === name.axis);
  const chosen = fitting.find((member) => member.name === text || member.key === text);
  return (
    <form
      className="mt-1.5 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (chosen) onChosen(chosen.key);
      }}
    >
      <input
        aria-label={t('nameFix.existing', { axis: singular(name.axis) })}
        className={field}
        value={text}
        list={list}
        placeholder={t('nameFix.nameOrId')}
        onChange={(event) => setText(event.target.value)}
      />
      <datalist id={list}>
        {fitting.map((member) => (
          <option key={member.key} value={member.name} />
        ))}
      </datalist>
      <button type="submit" className={quietButton} disabled={!chosen}>
        {t('nameFix.match')}
      </button>
    </form>
  );
}

function Make({ name, say }: { name: UnknownName; say: NameFixProps['say'] }) {
  const isRep = name.axis === 'rep';
  const [made, setMade] = useState<Record<string, string>>({ key: name.text, name: name.text });
  const fields: [string, string, boolean][] = isRep
    ? [
        ['key', t('nameFix.id'), true],
        ['name', t('nameFix.name'), true],
        ['region', t('nameFix.region'), false],
        ['manager', t('nameFix.manager'), false],
        ['fromMonth', t('nameFix.fromMonthSuchAs2026'), true],
      ]
    : [
        ['key', t('nameFix.id'), true],
        ['name', t('nameFix.name'), true],
        ['line', t('nameFix.productLine'), false],
      ];
  return (
    <form
      className="mt-1.5 space-y-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        say.mutate({
          kind: 'members',
          made: [{ ...made, axis: name.axis, key: made['key'] ?? name.text }],
        });
      }}
    >
      {fields.map(([field_, label, isNeeded]) => (
        <label key={field_} className="block">
          <span className="block text-[12px] text-quiet">{label}</span>
          <input
            className={field}
            required={isNeeded}
            maxLength={120}
            value={made[field_] ?? ''}
            onChange={(event) => setMade({ ...made, [field_]: event.target.value })}
          />
        </label>
      ))}
      <button type="submit" className={quietButton} disabled={say.isPending}>
        {t('nameFix.create', { made: made['name'] ?? name.text })}
      </button>
      <p className="text-[12px] text-quiet">{t('nameFix.itIsPostedAsA')}</p>
    </form>
  );
}
