import type { Proposal } from '../api/types';
import { Proposed } from './Proposed';

interface SavedProps {
  save: { isSuccess: boolean; data: { proposal?: Proposal } | undefined };
  words: string;
}

/** What became of a save: the words for it, or that it waits for a second person. */
export function Saved({ save, words }: SavedProps) {
  if (!save.isSuccess) return null;
  const proposal = save.data?.proposal;
  return proposal ? (
    <Proposed proposal={proposal} />
  ) : (
    <span role="status" className="text-quiet">
      {words}
    </span>
  );
}
