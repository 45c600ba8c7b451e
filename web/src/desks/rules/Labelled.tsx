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
  return (
    <label className="block min-w-0">
      <span className="text-quiet">{label}</span>
      {Children.map(children, (child, at) =>
        at === 0 && isPlainField(child)
          ? cloneElement(child, {
              'aria-invalid': isWrong || undefined,
              'aria-describedby': isWrong ? id : undefined,
            })
          : child,
      )}
      {isWrong && (
        <span id={id} role="alert" className="mt-0.5 block text-bad">
          {fault}
        </span>
      )}
    </label>
  );
}

function isPlainField(child: ReactNode): child is ReactElement<Record<string, unknown>> {
  return isValidElement(child) && typeof child.type === 'string';
}
