import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { ReactNode } from 'react';

interface DropProps {
  label: string;
  /** The value beside the label, as it is read. */
  value: string;
  width?: string;
  children: ReactNode;
}

/** A control of the control line that opens a small form. */
export function Drop({ label, value, width = 'w-[290px]', children }: DropProps) {
  return (
    <Popover className="relative">
      <PopoverButton className="min-h-6 whitespace-nowrap" aria-label={`${label}: ${value}`}>
        <span className="text-quiet">{label}: </span>
        <span className="inline-block max-w-[190px] truncate border-b border-select align-bottom font-semibold">
          {value}
        </span>
      </PopoverButton>
      <PopoverPanel
        data-takes-keys
        anchor={{ to: 'bottom start', gap: 4, padding: 8 }}
        className={`z-30 ${width} max-w-[calc(100vw-16px)] rounded border border-rule bg-sheet p-3 text-[13px] shadow-lg focus:outline-none`}
      >
        {children}
      </PopoverPanel>
    </Popover>
  );
}
