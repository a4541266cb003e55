'use client';
import { useEffect, useState } from 'react';
import type { Design } from '@/core/design';
import { bestOf, type GaugeAnswer, type Tried } from '@/core/monitoring';
import { type Employed, employ } from '@/ui/boat/employ';
import type { GaugeApi } from '@/workers/gauge.worker';

export type Told = Omit<GaugeAnswer, 'series' | 'measures'>;

const PATIENCE_MS = 60_000;
const AT_ONCE = 40;
const REST_MS = 300;

export interface Searched {
  readonly tried: readonly Tried[];
  readonly of: number;
  readonly best: Tried | null;
}

export interface GaugeWork {
  readonly told: Told | null;
  readonly busy: boolean;
  readonly trouble: string;
  readonly searched: Searched | null;
  readonly searching: boolean;
  readonly search: () => void;
  readonly stop: () => void;
}

/** A gauge against the boat in a worker of its own: anew when the design has rested, and its settings searched when it is asked for. */
export function useGauge(design: Design, gaugeId: string | null, unseenA: number, cloudSeed: number | null): GaugeWork {
  const [told, setTold] = useState<Told | null>(null);
  const [busy, setBusy] = useState(true);
  const [trouble, setTrouble] = useState('');
  const [searched, setSearched] = useState<Searched | null>(null);
  const [searching, setSearching] = useState(false);
  const [worker, setWorker] = useState<Employed<GaugeApi> | null>(null);
  useEffect(() => {
    let live = true;
    let own: Employed<GaugeApi> | null = null;
    const timer = setTimeout(() => {
      if (gaugeId === null) return;
      own = employ<GaugeApi>(() => new Worker(new URL('../../workers/gauge.worker.ts', import.meta.url), { type: 'module' }));
      setWorker(own);
      setBusy(true);
      own
        .call((r) => r.answer(design, gaugeId, unseenA, cloudSeed), PATIENCE_MS)
        .then((answer) => {
          if (!live) return;
          setTold(answer);
          setSearched(null);
          setTrouble('');
        })
        .catch((error: unknown) => {
          if (live) setTrouble(error instanceof Error ? error.message : String(error));
        })
        .finally(() => {
          if (live) setBusy(false);
        });
    }, REST_MS);
    return () => {
      live = false;
      clearTimeout(timer);
      own?.end();
      setSearching(false);
    };
  }, [design, gaugeId, unseenA, cloudSeed]);
  const search = () => {
    if (!worker) return;
    setSearching(true);
    void (async () => {
      try {
        const of = await worker.call((r) => r.size(), PATIENCE_MS);
        const tried: Tried[] = [];
        while (tried.length < of) {
          tried.push(...(await worker.call((r) => r.tries(tried.length, AT_ONCE), PATIENCE_MS)));
          setSearched({ tried: [...tried], of, best: bestOf(tried) });
        }
      } catch {
        // Stopped, or the design moved on: what was tried until then stands.
      }
      setSearching(false);
    })();
  };
  const stop = () => {
    worker?.end();
    setSearching(false);
  };
  return { told, busy, trouble, searched, searching, search, stop };
}
