'use client';
/** The boat on the table, for every station: its design, its analysis, what is selected. */
import { createContext, useCallback, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { Analysis, CutList, Working } from '@/core';
import type { Selected } from '@/workers/analysis.worker';
import { Analyser } from './analyser';
import { BoatStore, type BoatState, type Initial } from './store';

interface Boat {
  readonly store: BoatStore;
  readonly analyser: Analyser;
  readonly selected: Selected | null;
  readonly select: (selected: Selected | null) => void;
}

const BoatContext = createContext<Boat | null>(null);

export function BoatProvider({ initial, analysis, children }: { initial: Initial; analysis: Analysis; children: ReactNode }) {
  const [store] = useState(() => new BoatStore(initial));
  const [analyser] = useState(() => new Analyser(analysis));
  const [selected, select] = useState<Selected | null>(null);
  useEffect(() => store.open(), [store]);
  useEffect(() => {
    const stop = analyser.start();
    let last = store.snapshot().design;
    analyser.analyse(last);
    const unsubscribe = store.subscribe(() => {
      const { design } = store.snapshot();
      if (design !== last) analyser.analyse((last = design));
    });
    return () => {
      unsubscribe();
      stop();
    };
  }, [store, analyser]);
  const value = useMemo(() => ({ store, analyser, selected, select }), [store, analyser, selected]);
  return <BoatContext value={value}>{children}</BoatContext>;
}

function useContextBoat(): Boat {
  const boat = useContext(BoatContext);
  if (!boat) throw new Error('no boat on the table');
  return boat;
}

export const useStore = (): BoatStore => useContextBoat().store;

export function useBoat(): BoatState {
  const { store } = useContextBoat();
  return useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
}

export function useAnalysis(): Analysis {
  const { analyser } = useContextBoat();
  return useSyncExternalStore(analyser.subscribe, analyser.snapshot, analyser.snapshot);
}

export function useSelected(): readonly [Selected | null, (selected: Selected | null) => void] {
  const { selected, select } = useContextBoat();
  return [selected, select];
}

/** The working behind what is selected, kept up to date with every edit. */
export function useWorking(): Working | null {
  const { analyser, selected } = useContextBoat();
  const analysis = useAnalysis();
  const [shown, setShown] = useState<{ for: Selected; working: Working | null } | null>(null);
  useEffect(() => {
    if (!selected) return;
    let live = true;
    void analyser.working(selected).then((working) => {
      if (live) setShown({ for: selected, working });
    });
    return () => {
      live = false;
    };
  }, [analyser, analysis, selected]);
  return selected && shown?.for.id === selected.id && shown.for.kind === selected.kind ? shown.working : null;
}

/** The cut list of the design as analysed; null until the worker has answered. */
export function useCutList(): CutList | null {
  const { analyser } = useContextBoat();
  const analysis = useAnalysis();
  const [list, setList] = useState<CutList | null>(null);
  useEffect(() => {
    let live = true;
    void analyser.cutList().then((next) => {
      if (live && next) setList(next);
    });
    return () => {
      live = false;
    };
  }, [analyser, analysis]);
  return list;
}

/** A fresh id for a new row. */
export const useFreshId = (): ((prefix: string) => string) =>
  useCallback((prefix: string) => `${prefix}${crypto.randomUUID().slice(0, 8)}`, []);
