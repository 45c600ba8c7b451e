import { createContext, useContext } from 'react';

/** A file that was dropped anywhere and waits to be taken up by Intake. */
export interface Dropped {
  file: File | null;
  take: (file: File | null) => void;
}

export const DroppedContext = createContext<Dropped>({ file: null, take: () => undefined });

export function useDropped(): Dropped {
  return useContext(DroppedContext);
}
