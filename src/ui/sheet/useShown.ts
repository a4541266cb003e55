'use client';
/** Which rows of a long sheet are drawn: those in sight, some around them, and the one that is worked on. A short sheet is drawn whole. */
import { defaultRangeExtractor, type Range, useVirtualizer } from '@tanstack/react-virtual';
import { type RefObject, useCallback, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** Up to here every row is drawn. */
const SHORT = 150;
const ROW_PX = 27;
/** Under fingers, as globals.css has it. */
const TOUCH_ROW_PX = 44;
const rowPx = (): number => (typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches ? TOUCH_ROW_PX : ROW_PX);
const AROUND = 15;

export interface Shown {
  readonly index: number;
  /** Height of the rows left out before it, px. */
  readonly gapPx: number;
}

export interface ShownRows {
  readonly rows: readonly Shown[];
  /** Height of the rows left out at the end, px. */
  readonly tailPx: number;
  /** Brings a row into sight. */
  readonly reveal: (index: number) => void;
}

/** What a sheet scrolls within. */
function scrollerOf(element: HTMLElement | null): HTMLElement | null {
  for (let at = element?.parentElement ?? null; at; at = at.parentElement) {
    const { overflowY } = getComputedStyle(at);
    if (overflowY === 'auto' || overflowY === 'scroll') return at;
  }
  return null;
}

/** @param active the row that is worked on: it stays there wherever one scrolls. */
export function useShown(body: RefObject<HTMLElement | null>, count: number, active: number): ShownRows {
  const long = count > SHORT;
  const [printing, setPrinting] = useState(false);
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const [margin, setMargin] = useState(0);
  useEffect(() => {
    if (!long) return;
    const found = scrollerOf(body.current);
    setScroller(found);
    if (found && body.current) setMargin(body.current.getBoundingClientRect().top - found.getBoundingClientRect().top + found.scrollTop);
    // On paper every row stands.
    const before = () => flushSync(() => setPrinting(true));
    const after = () => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, [long, body]);
  const rangeExtractor = useCallback(
    (range: Range) => [...new Set([...defaultRangeExtractor(range), ...(active < count ? [active] : [])])].sort((a, b) => a - b),
    [active, count],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- it is memoized by nobody
  const virtual = useVirtualizer({
    count: long ? count : 0,
    getScrollElement: () => scroller,
    estimateSize: rowPx,
    overscan: AROUND,
    scrollMargin: margin,
    rangeExtractor,
  });
  const reveal = useCallback((index: number) => virtual.scrollToIndex(index, { align: 'auto' }), [virtual]);
  if (!long || printing)
    return { rows: Array.from({ length: count }, (_, index) => ({ index, gapPx: 0 })), tailPx: 0, reveal: () => undefined };
  const tall = rowPx();
  let end = 0;
  const rows = virtual.getVirtualItems().map(({ index }) => {
    const gapPx = index * tall - end;
    end = (index + 1) * tall;
    return { index, gapPx };
  });
  return { rows, tailPx: count * tall - end, reveal };
}
