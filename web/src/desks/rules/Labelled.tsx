import type { ReactNode } from 'react';

interface LabelledProps {
  label: string;
  fault: string | undefined;
  children: ReactNode;
}

/** A field under its label, with what is wrong with it. */
export function Labelled({ label, fault, children }: LabelledProps) {
  return (
    <label className="block min-w-0">
      <span className="text-quiet">{label}</span>
      {children}
      {fault !== undefined && (
        <span role="alert" className="mt-0.5 block text-bad">
          {fault}
        </span>
      )}
    </label>
  );
}
