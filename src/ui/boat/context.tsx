'use client';
/** The boat on the table, for every station: its design, its analysis, what is selected. */
import { createContext, useCallback, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { Remote } from 'comlink';
import type { Analysis, CutList, Finding, Lists, Working } from '@/core';
import { bySeverity } from '@/core/check/findings';
import type { Worst } from '@/core/network/worst';
import type { AcPowerAnswer, AnalysisApi, Selected } from '@/workers/analysis.worker';
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

/**
 * What the worker answers to a question about the design, asked again after every analysis.
 * @param about names what is asked, so that an answer to another question is not shown; null asks nothing.
 * @param restMs asks only once nothing has changed for so long: for what takes longer than an edit may.
 */
export function useAsked<T>(about: string | null, question: (remote: Remote<AnalysisApi>) => Promise<T | null>, restMs = 0): T | null {
  const { analyser } = useContextBoat();
  const analysis = useAnalysis();
  const [shown, setShown] = useState<{ about: string; answer: T } | null>(null);
  useEffect(() => {
    if (about === null) return;
    let live = true;
    const ask = () =>
      void analyser.ask(question).then((answer) => {
        if (live && answer !== null) setShown({ about, answer });
      });
    const timer = restMs > 0 ? setTimeout(ask, restMs) : undefined;
    if (timer === undefined) ask();
    return () => {
      live = false;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- about names the question
  }, [analyser, analysis, about, restMs]);
  return about !== null && shown?.about === about ? shown.answer : null;
}

/** The working behind what is selected, kept up to date with every edit. */
export function useWorking(): Working | null {
  const { selected } = useContextBoat();
  return useAsked<Working>(selected && `${selected.kind}:${selected.id}`, (r) => (selected ? r.working(selected) : Promise.resolve(null)));
}

/** The cut list of the design as analysed; null until the worker has answered. */
export const useCutList = (): CutList | null => useAsked<CutList>('cut list', (r) => r.cutList());
const WORST_RESTS_MS = 150;

/** The worst of all studies; null until the worker has answered, and without studies. */
export function useWorst(): Worst | null {
  const { design } = useBoat();
  return useAsked<Worst>(design.studies.length + design.leads.length > 0 ? 'worst' : null, (r) => r.worst(), WORST_RESTS_MS);
}

/** Inverters and generators on the DC network; null until the worker has answered, and without AC sources. */
export function useAcPower(): AcPowerAnswer | null {
  const { design } = useBoat();
  return useAsked<AcPowerAnswer>(design.acSources.length > 0 ? 'power' : null, (r) => r.power(), WORST_RESTS_MS);
}

/** Everything there is to settle: of the analysis, and of the studies and the AC machines once they are reckoned. */
export function useFindings(): readonly Finding[] {
  const { findings } = useAnalysis();
  const worst = useWorst();
  const power = useAcPower();
  return useMemo(() => {
    const later = [...(worst?.findings ?? []), ...(power?.findings ?? [])];
    return later.length > 0 ? bySeverity(findings, later) : findings;
  }, [findings, worst, power]);
}

export const useLists = (): Lists | null => useAsked<Lists>('lists', (r) => r.lists());

/** A fresh id for a new row. */
export const useFreshId = (): ((prefix: string) => string) =>
  useCallback((prefix: string) => `${prefix}${crypto.randomUUID().slice(0, 8)}`, []);
