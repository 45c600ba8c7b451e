import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, type ReactNode } from 'react';
import { usePrinting } from './usePrinting';

const OVERSCAN = 12;

interface VirtualRowsProps<T> {
  items: T[];
  keyOf: (item: T) => string;
  /** Height of each row. */
  height: number;
  /** Height of what stays on top while the rows scroll beneath it. */
  top: number;
  /** What scrolls; null until it is there. */
  scroll: HTMLElement | null;
  /** Place of the row that is kept in sight, −1 for none. */
  selectedAt?: number;
  children: (item: T, at: number) => ReactNode;
}

/** The rows of a table that are in sight; on paper all of them. */
export function VirtualRows<T>(props: VirtualRowsProps<T>) {
  const { items, keyOf, height, top, scroll, selectedAt = -1, children } = props;
  const isPrinting = usePrinting();
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is memoized here
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroll,
    estimateSize: () => height,
    overscan: OVERSCAN,
    scrollMargin: top,
    scrollPaddingStart: top,
  });

  useEffect(() => {
    if (scroll && selectedAt >= 0) virtual.scrollToIndex(selectedAt, { align: 'auto' });
  }, [scroll, selectedAt, virtual]);

  if (isPrinting) {
    return (
      <div role="rowgroup">
        {items.map((item, at) => (
          <div key={keyOf(item)} role="presentation">
            {children(item, at)}
          </div>
        ))}
      </div>
    );
  }
  return (
    <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((place) => {
        const item = items[place.index];
        return item === undefined ? null : (
          <div
            key={keyOf(item)}
            role="presentation"
            className="absolute right-0 left-0"
            style={{ top: place.start - top, height }}
          >
            {children(item, place.index)}
          </div>
        );
      })}
    </div>
  );
}
