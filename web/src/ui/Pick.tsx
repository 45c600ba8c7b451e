import { field } from './field';

interface PickProps {
  label: string;
  value: string;
  options: { value: string; word: string }[];
  onChange: (value: string) => void;
}

/** A plain list under its label. */
export function Pick({ label, value, options, onChange }: PickProps) {
  return (
    <label className="block min-w-0">
      <span className="text-quiet">{label}</span>
      <select className={field} value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.word}
          </option>
        ))}
      </select>
    </label>
  );
}
