import { select as d3select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { type RefObject, useCallback, useEffect, useRef } from 'react';
import type { Layout } from '@/core/drawing';

export interface View {
  readonly fit: () => void;
  readonly by: (factor: number) => void;
  readonly reveal: (at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }) => void;
}

/** At first letters are shown no smaller than this, even where the whole does not fit. */
const READABLE = 0.45;

/** Pan and zoom; fitted once it is laid out, left where it is when it is laid out anew. @param of what is drawn: another one is fitted anew. */
export function useView(ref: RefObject<SVGSVGElement | null>, layout: Layout | null, of = ''): View {
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const latest = useRef(layout);
  const fitted = useRef<string | null>(null);
  useEffect(() => {
    latest.current = layout;
  }, [layout]);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const z = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.08, 6])
      .on('zoom', ({ transform }: { transform: { toString: () => string } }) => {
        element.querySelector('[data-view]')?.setAttribute('transform', transform.toString());
      });
    behaviour.current = z;
    d3select(element).call(z).on('dblclick.zoom', null);
  }, [ref]);
  const fit = useCallback(
    (least = 0) => {
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
    fit: () => fit(),
    by: (factor) => {
      if (ref.current) behaviour.current?.scaleBy(d3select(ref.current), factor);
    },
    reveal: ({ x, y, width, height }) => {
      if (ref.current) behaviour.current?.translateTo(d3select(ref.current), x + width / 2, y + height / 2);
    },
  };
}
