import ELK, { type ELK as Elk } from 'elkjs/lib/elk-api';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Drawing, fromElk, type Layout, toElk } from '@/core/drawing';
import type { ElkNode } from 'elkjs/lib/elk-api';

export interface LaidOut {
  readonly layout: Layout | null;
  /** Laid out as the drawing is now. */
  readonly fresh: boolean;
  /** What went wrong with the newest; an older layout may be shown meanwhile. */
  readonly trouble: string | null;
  /** Places for any other drawing; rejects where there is no layout. */
  readonly layOut: (drawing: Drawing) => Promise<Layout>;
}

interface LayoutWorker {
  readonly elk: Elk;
  /** Rejects when the worker itself fails, which the package says nothing of. */
  readonly died: Promise<never>;
}

function layoutWorker(): LayoutWorker {
  let fail: (why: Error) => void = () => undefined;
  const died = new Promise<never>((_, reject) => (fail = reject));
  died.catch(() => undefined);
  const elk = new ELK({
    workerFactory: () => {
      const worker = new Worker(new URL('../../workers/layout.worker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('error', (e) => fail(new Error(e.message || 'its program did not load')));
      return worker;
    },
  });
  return { elk, died };
}

/** The drawing with places: laid out anew only when a thing, a line or a size has changed; texts flow into the places there are. A worker that fails is replaced once. */
export function useLayout(drawing: Drawing | null): LaidOut {
  const worker = useRef<LayoutWorker | null>(null);
  const [placed, setPlaced] = useState<{ readonly asked: string; readonly node: ElkNode } | null>(null);
  const [failed, setFailed] = useState<{ readonly asked: string; readonly why: string } | null>(null);
  const graph = useMemo(() => (drawing ? toElk(drawing) : null), [drawing]);
  const asked = useMemo(() => (graph ? JSON.stringify(graph) : null), [graph]);
  const put = useCallback(async (text: string): Promise<ElkNode> => {
    worker.current ??= layoutWorker();
    const { elk, died } = worker.current;
    try {
      return await Promise.race([elk.layout(JSON.parse(text) as ElkNode), died]);
    } catch (error) {
      elk.terminateWorker();
      if (worker.current?.elk === elk) worker.current = null;
      throw error;
    }
  }, []);
  useEffect(
    () => () => {
      worker.current?.elk.terminateWorker();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (asked === null) return;
    let live = true;
    put(asked)
      .catch(() => put(asked))
      .then(
        (node) => {
          if (live) setPlaced({ asked, node });
        },
        (error: unknown) => {
          if (live) setFailed({ asked, why: error instanceof Error ? error.message : String(error) });
        },
      );
    return () => {
      live = false;
    };
  }, [asked, put]);
  const layOut = useCallback(async (other: Drawing) => fromElk(other, await put(JSON.stringify(toElk(other)))), [put]);
  const layout = useMemo(() => (drawing && placed ? fromElk(drawing, placed.node) : null), [drawing, placed]);
  return { layout, fresh: layout !== null && placed?.asked === asked, trouble: failed?.asked === asked ? failed.why : null, layOut };
}
