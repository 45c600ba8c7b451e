import { Description, Field, Label } from '@headlessui/react';
import {
  Children,
  cloneElement,
  isValidElement,
  useEffect,
  useRef,
  type ReactElement,
  type ReactNode,
} from 'react';

interface LabelledProps {
  label: string;
  fault?: string | undefined;
  isLabelHidden?: boolean;
  /** The field first, an Input or a Select; what helps to fill it may follow. */
  children: ReactNode;
}

/**
 * A field under its label, with what is wrong with it; the field itself says that it is wrong, and
 * the first that is gets the focus, unless somebody types.
 */
export function Labelled({ label, fault, isLabelHidden = false, children }: LabelledProps) {
  const part = useRef<HTMLDivElement>(null);
  const isWrong = fault !== undefined;
  // buttons and further fields stay outside of what belongs to one field
  const [first, ...rest] = Children.toArray(children);
  useEffect(() => {
    if (isWrong) goToFirstFault(part.current);
  }, [isWrong]);
  return (
    <div className="min-w-0" ref={part}>
      <Field>
        <Label className={isLabelHidden ? 'sr-only' : 'block text-quiet'}>{label}</Label>
        {isControl(first) ? cloneElement(first, { invalid: isWrong }) : first}
        {isWrong && (
          <Description as="span" role="alert" className="mt-0.5 block text-bad">
            {fault}
          </Description>
        )}
      </Field>
      {rest}
    </div>
  );
}

function isControl(child: ReactNode): child is ReactElement<{ invalid?: boolean }> {
  return isValidElement(child) && typeof child.type !== 'string';
}

function goToFirstFault(part: HTMLElement | null): void {
  const isTyping = document.activeElement?.matches('input, select, textarea');
  if (isTyping) return;
  const whole = part?.closest('form, section') ?? part;
  whole?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
}
