import { Input as Native, type InputProps } from '@headlessui/react';
import { field } from './field';

/** A field in a form; inside Labelled it belongs to its label. */
export function Input({ className, ...rest }: InputProps & { className?: string }) {
  return <Native {...rest} className={className ?? field} />;
}
