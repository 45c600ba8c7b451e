import { signed } from '../../format/figures';
import { useOneMore } from './useEarnings';
import { t } from './words';

interface OneMoreLineProps {
  month: string;
  isOpen: boolean;
  onSelect: (rep: string) => void;
}

/** Who would change status with one more order of the own average size. */
export function OneMoreLine({ month, isOpen, onSelect }: OneMoreLineProps) {
  const found = useOneMore(month);
  const reps = found.data ?? [];
  if (!isOpen || reps.length === 0) return null;
  return (
    <p className="mb-2 text-quiet">
      {t('oneMoreLine.oneMoreOrderOfThe', { n: reps.length })}{' '}
      {reps.slice(0, 6).map((one, at) => (
        <span key={one.rep}>
          {at > 0 && ', '}
          <button
            type="button"
            className="min-h-6 text-left underline"
            onClick={() => onSelect(one.rep)}
          >
            {one.name}
          </button>{' '}
          {one.then} ({signed(one.pay)})
        </span>
      ))}
      {reps.length > 6 && t('oneMoreLine.andMore', { reps: reps.length - 6 })}.
    </p>
  );
}
