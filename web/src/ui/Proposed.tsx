import { Link } from 'react-router';
import type { Proposal } from '../api/types';
import { t } from './words';

/** Says that a change waits for a second person, and where. */
export function Proposed({ proposal }: { proposal: Pick<Proposal, 'id'> }) {
  return (
    <p role="status" className="border-l-4 border-select pl-2">
      {t('proposed.waits')}{' '}
      <Link
        className="font-semibold text-select underline"
        to={`/rules?show=proposals&proposal=${proposal.id}`}
      >
        {t('proposed.open')}
      </Link>
    </p>
  );
}
