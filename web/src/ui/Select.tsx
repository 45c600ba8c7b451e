import { Select as Native, type SelectProps } from '@headlessui/react';
import { field } from './field';

/** A choice in a form; the options stand in it. */
export function Select({ className, ...rest }: SelectProps & { className?: string }) {
  return <Native {...rest} className={className ?? field} />;
}
