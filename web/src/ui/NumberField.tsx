import { useId, useState, type ReactNode } from 'react';
import { amount } from '../format/figures';
import { readNumber, type NumberKind } from '../format/numbers';
import { typed } from '../format/writing';
import { field } from './field';
import { t } from './words';

interface NumberFieldProps {
  label: ReactNode;
  /** What is kept: a plain decimal, empty for nothing. */
  value: string;
  kind: NumberKind;
  /** Written behind what was understood, such as a currency. */
  unit?: string;
  placeholder?: string;
  className?: string | undefined;
  /** Whether the cursor is in it, at its end, from the start. */
  isBegun?: boolean;
  /** Gets the plain decimal, empty for nothing, or null while what is typed cannot be read. */
  onRead: (decimal: string | null) => void;
}

const focused = (input: HTMLInputElement | null) => input?.focus();

/**
 * A field for a number: takes it as people write it, says what cannot be read, and shows back what
 * it understood where that is written otherwise.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, value, kind, unit, placeholder, className, isBegun = false, onRead } = props;
  const id = useId();
  const [text, setText] = useState(() => typed(value));
  const read = readNumber(text, kind);
  const understood = read.kind === 'number' ? amount(read.decimal) : '';
  const isSame = understood === '' || understood === text.trim();
  return (
    <div className={className}>
      <label htmlFor={`${id}-field`} className="block text-quiet">
        {label}
      </label>
      <input
        id={`${id}-field`}
        ref={isBegun ? focused : undefined}
        className={field}
        inputMode="decimal"
        value={text}
        placeholder={placeholder}
        aria-invalid={read.kind === 'fault'}
        aria-describedby={id}
        onChange={(event) => {
          setText(event.target.value);
          const now = readNumber(event.target.value, kind);
          onRead(now.kind === 'number' ? now.decimal : now.kind === 'empty' ? '' : null);
        }}
      />
      <span id={id} aria-live="polite" className="block min-h-4 text-[11.5px]">
        {read.kind === 'fault' ? (
          <span className="text-bad">{read.words}</span>
        ) : isSame ? null : (
          <span className="text-quiet">
            {t('numberField.readAs', {
              understood,
              isPercent: kind.isPercent ? ' %' : unit ? ` ${unit}` : '',
            })}
          </span>
        )}
      </span>
    </div>
  );
}
