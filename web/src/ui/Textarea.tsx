import { Textarea as Native, type TextareaProps } from '@headlessui/react';
import { field } from './field';

/** A field of several lines; inside Labelled it belongs to its label. */
export function Textarea(props: TextareaProps) {
  return <Native {...props} className={field} />;
}
