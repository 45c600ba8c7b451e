import { Labelled } from './Labelled';
import { Select } from './Select';

interface PickProps {
  label: string;
  value: string;
  /** Where what stands before it says what it is for. */
  isLabelHidden?: boolean;
  options: { value: string; word: string }[];
  onChange: (value: string) => void;
}

/** A plain list under its label. */
export function Pick({ label, value, options, onChange, isLabelHidden = false }: PickProps) {
  return (
    <Labelled label={label} isLabelHidden={isLabelHidden}>
      <Select value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.word}
          </option>
        ))}
      </Select>
    </Labelled>
  );
}
