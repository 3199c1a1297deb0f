import { itemAt } from '@fomrik/core/units';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';

/** Shorter lists are drawn whole, so that the browser's own search finds everything in them. */
const LONG = 60;

interface LongListProps<T> {
  items: readonly T[];
  keyOf: (item: T) => string;
  /** What a row is about as high as, pixels. */
  rowPx: number;
  children: (item: T) => ReactNode;
  className?: string;
}

/** The nearest box round an element that scrolls. */
function scrollerOf(element: HTMLElement | null): HTMLElement {
  let at = element?.parentElement;
  while (at && !/auto|scroll/.test(getComputedStyle(at).overflowY)) at = at.parentElement;
  return at ?? document.documentElement;
}

/** A list of which only the rows in sight are drawn once it is long. */
export function LongList<T>(props: LongListProps<T>) {
  const { items, keyOf, children, className } = props;
  if (items.length > LONG) return <InSight {...props} />;
  return (
    <ul className={className}>
      {items.map((item) => (
        <li key={keyOf(item)}>{children(item)}</li>
      ))}
    </ul>
  );
}

function InSight<T>({ items, keyOf, rowPx, children, className }: LongListProps<T>) {
  const list = useRef<HTMLUListElement>(null);
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => {
    const box = scrollerOf(list.current);
    setAbove(list.current!.getBoundingClientRect().top - box.getBoundingClientRect().top + box.scrollTop);
  }, []);
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => scrollerOf(list.current),
    estimateSize: () => rowPx,
    getItemKey: (i) => keyOf(itemAt(items, i)),
    scrollMargin: above,
    overscan: 8,
  });
  return (
    <ul ref={list} className={className} style={{ height: rows.getTotalSize(), position: 'relative' }}>
      {rows.getVirtualItems().map((row) => (
        <li
          key={row.key}
          ref={rows.measureElement}
          data-index={row.index}
          aria-setsize={items.length}
          aria-posinset={row.index + 1}
          style={{
            position: 'absolute',
            insetInline: 0,
            transform: `translateY(${row.start - above}px)`,
          }}
        >
          {children(itemAt(items, row.index))}
        </li>
      ))}
    </ul>
  );
}
