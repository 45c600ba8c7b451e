import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useRights } from '../api/account';

/** Leads to a line of a loaded file; plain words for those who may not open files. */
export function SourceLink(props: { load: number; line: number; children: ReactNode }) {
  const { isOffice } = useRights();
  return isOffice ? (
    <Link to={`/intake?load=${props.load}&line=${props.line}`} className="truncate underline">
      {props.children}
    </Link>
  ) : (
    <span className="truncate">{props.children}</span>
  );
}
