import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Company, MemberFound } from '../api/types';
import { useMembers } from '../api/useMembers';
import { carriedTo } from '../address/useView';
import { t } from './words';

export const FIND_BOX = 'find-box';

/** Finds a member of any axis and opens it on Standing. */
export function FindBox({ company }: { company: Company }) {
  const [text, setText] = useState('');
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const found = useMembers(text);

  function open(member: MemberFound | null) {
    if (!member) return;
    const address = new URLSearchParams(carriedTo('/standing', search));
    address.set('axis', member.axis);
    address.set('selected', member.key);
    void navigate(`/standing?${address.toString()}`);
    setText('');
  }

  const options = text.trim() === '' ? [] : (found.data ?? []);
  return (
    <Combobox<MemberFound | null> value={null} onChange={open} by="key">
      <div className="relative">
        <ComboboxInput
          id={FIND_BOX}
          aria-label={t('findBox.findARepRegionOr', { name: company.name })}
          placeholder={t('findBox.findARepRegionProduct')}
          className="w-[170px] max-w-full rounded border border-[#4a566e] bg-transparent px-2.5 py-1 text-white xl:w-[230px] placeholder:text-[#b7c0cf]"
          onChange={(event) => setText(event.target.value)}
          displayValue={() => text}
          autoComplete="off"
        />
        <ComboboxOptions className="absolute right-0 z-30 mt-1 max-h-80 w-[300px] overflow-auto rounded border border-rule bg-sheet py-1 text-ink shadow-lg empty:invisible">
          {options.map((member) => (
            <ComboboxOption
              key={`${member.axis} ${member.key}`}
              value={member}
              className="flex cursor-pointer justify-between gap-3 px-3 py-1.5 data-focus:bg-select-ground"
            >
              <span className="truncate">{member.name}</span>
              <span className="text-quiet">{member.axis}</span>
            </ComboboxOption>
          ))}
          {text.trim() !== '' && found.isSuccess && options.length === 0 && (
            <p className="px-3 py-1.5 text-quiet">{t('findBox.noMatch')}</p>
          )}
        </ComboboxOptions>
      </div>
    </Combobox>
  );
}
