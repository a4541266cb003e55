import { select as d3select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import type { Layout } from '@/core/drawing';

/** What is in sight, in the drawing's own units. */
export interface Sight {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface View {
  /** What is in sight; null until it is laid out. */
  readonly sight: { readonly get: () => Sight | null; readonly subscribe: (hear: () => void) => () => void };
  readonly fit: () => void;
  readonly by: (factor: number) => void;
  readonly reveal: (at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }) => void;
}

/** Letters are 10 units: at first they are shown at 11 px, and never smaller than 9 px, even where the whole does not fit. */
const READABLE = 1.1;
const LEAST = 0.9;
const MOST = 6;

/** Pan and zoom; fitted once it is laid out, left where it is when it is laid out anew. @param of what is drawn: another one is fitted anew. */
export function useView(ref: RefObject<SVGSVGElement | null>, layout: Layout | null, of = ''): View {
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const latest = useRef(layout);
  const fitted = useRef<string | null>(null);
  const seen = useRef<Sight | null>(null);
  const hearers = useRef(new Set<() => void>());
  const [sight] = useState<View['sight']>(() => ({
    get: () => seen.current,
    subscribe: (hear) => {
      hearers.current.add(hear);
      return () => hearers.current.delete(hear);
    },
  }));
  useEffect(() => {
    latest.current = layout;
  }, [layout]);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const z = zoom<SVGSVGElement, unknown>()
      .scaleExtent([LEAST, MOST])
      .on('zoom', ({ transform }: { transform: ZoomTransform }) => {
        element.querySelector('[data-view]')?.setAttribute('transform', transform.toString());
        const { x, y, k } = transform;
        seen.current = { x: -x / k, y: -y / k, width: element.clientWidth / k, height: element.clientHeight / k };
        for (const hear of hearers.current) hear();
      });
    behaviour.current = z;
    d3select(element).call(z).on('dblclick.zoom', null);
  }, [ref]);
  const fit = useCallback(
    (least = LEAST) => {
      const [element, drawn] = [ref.current, latest.current];
      if (!element || !drawn || !behaviour.current) return;
      const { clientWidth: w, clientHeight: h } = element;
      const k = Math.max(least, Math.min(1.6, (w - 20) / Math.max(1, drawn.width), (h - 20) / Math.max(1, drawn.height)));
      const spare = (room: number, size: number) => Math.max(0, (room - k * size) / 2);
      // What does not fit begins at the bank.
      const bank = drawn.things.find((t) => t.symbol === 'cell');
      const y =
        k * drawn.height <= h || !bank
          ? spare(h, drawn.height)
          : Math.min(0, Math.max(h - k * drawn.height, h / 2 - k * (bank.y + bank.height / 2)));
      const x = k * drawn.width <= w || !bank ? spare(w, drawn.width) : Math.min(0, Math.max(w - k * drawn.width, 0.25 * w - k * bank.x));
      behaviour.current.transform(d3select(element), zoomIdentity.translate(x, y).scale(k));
    },
    [ref],
  );
  useEffect(() => {
    if (!layout || fitted.current === of) return;
    fitted.current = of;
    fit(READABLE);
  }, [layout, of, fit]);
  return {
    sight,
    fit: () => fit(),
    by: (factor) => {
      if (ref.current) behaviour.current?.scaleBy(d3select(ref.current), factor);
    },
    reveal: ({ x, y, width, height }) => {
      if (ref.current) behaviour.current?.translateTo(d3select(ref.current), x + width / 2, y + height / 2);
    },
  };
}
