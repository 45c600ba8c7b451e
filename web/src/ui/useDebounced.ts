import { useEffect, useRef } from 'react';

const PAUSE_MS = 250;

/** Calls once somebody pauses typing, with what was typed last; never after the field is gone. */
export function useDebounced<Value>(act: (value: Value) => void): (value: Value) => void {
  const latest = useRef(act);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  return (value) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => latest.current(value), PAUSE_MS);
  };
}
