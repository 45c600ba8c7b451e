import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';

export interface Option {
  value: string;
  word: string;
  /** Said beside the word, quieter. */
  remark?: string;
}

interface ChoiceProps {
  label: string;
  value: string;
  options: Option[];
  onChange: (value: string) => void;
}

/** A control of the control line: a word and its value, which opens a small list. */
export function Choice({ label, value, options, onChange }: ChoiceProps) {
  const chosen = options.find((option) => option.value === value);
  return (
    <Listbox value={value} onChange={onChange}>
      <div className="relative">
        <ListboxButton
          className="min-h-6 whitespace-nowrap"
          aria-label={`${label}: ${chosen?.word ?? value}`}
        >
          <span className="text-quiet">{label}: </span>
          <span className="inline-block max-w-[190px] truncate border-b border-select align-bottom font-semibold">
            {chosen?.word ?? value}
          </span>
        </ListboxButton>
        <ListboxOptions className="absolute z-20 mt-1 max-h-80 min-w-[190px] overflow-auto rounded border border-rule bg-sheet py-1 shadow-lg focus:outline-none">
          {options.map((option) => (
            <ListboxOption
              key={option.value}
              value={option.value}
              className="flex cursor-pointer items-baseline justify-between gap-4 px-3 py-1.5 whitespace-nowrap data-focus:bg-select-ground data-selected:font-semibold"
            >
              {option.word}
              {option.remark && <span className="text-[12px] text-quiet">{option.remark}</span>}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </div>
    </Listbox>
  );
}
