'use client';
import { useEffect, useState } from 'react';
import { type CutPlan, firstPlan, type ReelGroup } from '@/core/build';
import { employ } from '@/ui/boat/employ';
import type { CuttingApi } from '@/workers/cutting.worker';

const PATIENCE_MS = 30_000;

export interface Plans {
  /** By group; the one made at once until the solver has answered. */
  readonly plans: ReadonlyMap<string, CutPlan>;
  readonly done: number;
  readonly of: number;
  readonly trouble: string;
  readonly stop: () => void;
}

/** Plans of all groups, one after another in a worker. @param key changes when what is asked does. */
export function usePlans(groups: readonly ReelGroup[], key: string): Plans {
  const [state, setState] = useState<{
    readonly key: string;
    readonly better: ReadonlyMap<string, CutPlan>;
    readonly done: number;
    readonly trouble: string;
  }>({
    key: '',
    better: new Map(),
    done: 0,
    trouble: '',
  });
  const [stopped, setStopped] = useState('');
  const asked = groups.filter((g) => g.asked.wanted.length > 0);
  useEffect(() => {
    if (stopped === key || asked.length === 0) return;
    let live = true;
    const worker = employ<CuttingApi>(() => new Worker(new URL('../../../workers/cutting.worker.ts', import.meta.url), { type: 'module' }));
    void (async () => {
      const better = new Map<string, CutPlan>();
      try {
        for (const [i, g] of asked.entries()) {
          better.set(g.key, await worker.call((r) => r.plan(g.asked), PATIENCE_MS));
          if (!live) return;
          setState({ key, better: new Map(better), done: i + 1, trouble: '' });
        }
      } catch (error) {
        if (live) setState({ key, better, done: better.size, trouble: error instanceof Error ? error.message : String(error) });
      } finally {
        worker.end();
      }
    })();
    return () => {
      live = false;
      worker.end();
    };
    // The key stands for the groups.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, stopped]);
  const own = state.key === key;
  return {
    plans: new Map(asked.map((g) => [g.key, (own ? state.better.get(g.key) : undefined) ?? firstPlan(g.asked)])),
    done: own ? state.done : 0,
    of: asked.length,
    trouble: own ? state.trouble : '',
    stop: () => setStopped(key),
  };
}
