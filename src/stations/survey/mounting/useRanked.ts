'use client';
import { useEffect, useState } from 'react';
import type { Design, MountKind } from '@/core/design';
import { bestFirst, type Candidate } from '@/core/placing';
import { type Employed, employ } from '@/ui/boat/employ';
import type { PlacingApi } from '@/workers/placing.worker';

const PATIENCE_MS = 60_000;
const AT_ONCE = 6;
const REST_MS = 250;

export interface Ranked {
  readonly all: readonly Candidate[];
  readonly of: number;
  readonly busy: boolean;
  readonly trouble: string;
  readonly stop: () => void;
}

/** Places for a thing, the best first, in a worker of its own: anew when the design has rested; what is there so far is shown. */
export function useRanked(design: Design, kind: MountKind | null, id: string | null): Ranked {
  const [all, setAll] = useState<readonly Candidate[]>([]);
  const [of, setOf] = useState(0);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const [worker, setWorker] = useState<Employed<PlacingApi> | null>(null);
  useEffect(() => {
    let live = true;
    let own: Employed<PlacingApi> | null = null;
    const run = async (employed: Employed<PlacingApi>, what: MountKind, thing: string) => {
      const size = await employed.call((r) => r.size(design, what, thing), PATIENCE_MS);
      if (!live) return;
      setOf(size);
      const found: Candidate[] = [];
      while (live && found.length < size) {
        const more = await employed.call((r) => r.some(design, what, thing, found.length, AT_ONCE), PATIENCE_MS);
        if (more.length === 0) break;
        found.push(...more);
        if (live) setAll(bestFirst(found));
      }
    };
    const timer = setTimeout(() => {
      if (kind === null || id === null) return;
      own = employ<PlacingApi>(() => new Worker(new URL('../../../workers/placing.worker.ts', import.meta.url), { type: 'module' }));
      setWorker(own);
      setBusy(true);
      setTrouble('');
      run(own, kind, id)
        .catch((error: unknown) => {
          if (live) setTrouble(error instanceof Error ? error.message : String(error));
        })
        .finally(() => {
          own?.end();
          if (live) setBusy(false);
        });
    }, REST_MS);
    return () => {
      live = false;
      clearTimeout(timer);
      own?.end();
    };
  }, [design, kind, id]);
  return { all, of, busy, trouble, stop: () => worker?.end() };
}
