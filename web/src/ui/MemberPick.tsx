import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { field } from './field';
import { t } from './words';

const MOST_OFFERED = 50;

/** A rep, region or product to choose. */
export interface Person {
  key: string;
  name: string;
}

interface MemberPickProps {
  /** Read out where no label of a form stands above it. */
  label?: string;
  /** Key of the one that is chosen, empty for none. */
  value: string;
  people: Person[];
  placeholder?: string;
  onPick: (key: string) => void;
}

/** Chooses one of many by typing a part of the name or ID; of thousands it offers those that fit. */
export function MemberPick({ label, value, people, placeholder, onPick }: MemberPickProps) {
  const [text, setText] = useState<string | null>(null);
  const wanted = (text ?? '').trim().toLowerCase();
  const fitting = people.filter(({ key, name }) =>
    [key, name].some((one) => one.toLowerCase().includes(wanted)),
  );
  const nameOf = (key: string) => people.find((one) => one.key === key)?.name ?? key;
  return (
    <Combobox
      immediate
      value={value}
      onChange={(key: string | null) => {
        if (key !== null) onPick(key);
      }}
      onClose={() => setText(null)}
    >
      <ComboboxInput
        aria-label={label}
        className={field}
        placeholder={placeholder ?? t('memberPick.nameOrId')}
        displayValue={nameOf}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => setText(event.target.value)}
      />
      <ComboboxOptions
        anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
        className="z-40 max-h-80 w-[max(var(--input-width),220px)] rounded border border-rule bg-sheet py-1 text-[13px] shadow-lg empty:invisible"
      >
        {fitting.slice(0, MOST_OFFERED).map((one) => (
          <ComboboxOption
            key={one.key}
            value={one.key}
            className="flex cursor-pointer justify-between gap-3 px-3 py-1 data-focus:bg-select-ground data-selected:font-semibold"
          >
            <span className="truncate">{one.name}</span>
            <span className="text-quiet">{one.key}</span>
          </ComboboxOption>
        ))}
        {fitting.length > MOST_OFFERED && (
          <p className="px-3 py-1 text-quiet">
            {t('memberPick.more', { n: fitting.length - MOST_OFFERED })}
          </p>
        )}
        {fitting.length === 0 && <p className="px-3 py-1 text-quiet">{t('memberPick.noMatch')}</p>}
      </ComboboxOptions>
    </Combobox>
  );
}
