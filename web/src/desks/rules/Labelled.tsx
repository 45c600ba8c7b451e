import {
  Children,
  cloneElement,
  isValidElement,
  useId,
  type ReactElement,
  type ReactNode,
} from 'react';

interface LabelledProps {
  label: string;
  fault: string | undefined;
  /** The field first; what helps to fill it may follow. */
  children: ReactNode;
}

/** A field under its label, with what is wrong with it; the field itself says that it is wrong. */
export function Labelled({ label, fault, children }: LabelledProps) {
  const id = useId();
  const isWrong = fault !== undefined;
  // buttons and further fields stay outside the label, which belongs to one field
  const [first, ...rest] = Children.toArray(children);
  return (
    <div className="min-w-0">
      <label className="block">
        <span className="text-quiet">{label}</span>
        {isPlainField(first)
          ? cloneElement(first, {
              'aria-invalid': isWrong || undefined,
              'aria-describedby': isWrong ? id : undefined,
            })
          : first}
      </label>
      {rest}
      {isWrong && (
        <span id={id} role="alert" className="mt-0.5 block text-bad">
          {fault}
        </span>
      )}
    </div>
  );
}

function isPlainField(child: ReactNode): child is ReactElement<Record<string, unknown>> {
  return isValidElement(child) && typeof child.type === 'string';
}
