import ELK, { type ELK as Elk } from 'elkjs/lib/elk-api';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Drawing } from '@/core/drawing/graph';
import { fromElk, toElk, type Layout } from '@/core/drawing/layout';
import type { ElkNode } from 'elkjs/lib/elk-api';

/** The drawing with places: laid out anew only when a thing, a line or a size has changed; texts flow into the places there are. fresh: laid out as it is now. */
export function useLayout(drawing: Drawing | null): { readonly layout: Layout | null; readonly fresh: boolean } {
  const elk = useRef<Elk | null>(null);
  const [placed, setPlaced] = useState<{ readonly asked: string; readonly node: ElkNode } | null>(null);
  const graph = useMemo(() => (drawing ? toElk(drawing) : null), [drawing]);
  const asked = useMemo(() => (graph ? JSON.stringify(graph) : null), [graph]);
  useEffect(() => {
    const worker = new ELK({
      workerFactory: () => new Worker(new URL('../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
    });
    elk.current = worker;
    return () => {
      worker.terminateWorker();
      elk.current = null;
    };
  }, []);
  useEffect(() => {
    if (asked === null || !elk.current) return;
    let live = true;
    void elk.current.layout(JSON.parse(asked) as ElkNode).then((node) => {
      if (live) setPlaced({ asked, node });
    });
    return () => {
      live = false;
    };
  }, [asked]);
  const layout = useMemo(() => (drawing && placed ? fromElk(drawing, placed.node) : null), [drawing, placed]);
  return { layout, fresh: layout !== null && placed?.asked === asked };
}
