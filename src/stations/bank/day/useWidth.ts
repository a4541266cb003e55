import { useCallback, useState, type RefCallback } from 'react';

/** Width of an element as it stands, px: measured from the moment it is there. */
export function useWidth<T extends HTMLElement>(first: number): [RefCallback<T>, number] {
  const [width, setWidth] = useState(first);
  const ref = useCallback((element: T) => {
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.floor(entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
