'use client';
/** The boat this window works on, for every station: its design, its analysis, what is selected. A component subscribes to what it shows. */
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useStore as useZustand } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { Analysis, CutList, Finding, Lists, Working } from '@/core';
import type { Design } from '@/core/design';
import type { Worst } from '@/core/network';
import type { Studied } from '@/core/analysis';
import { everyFinding } from '@/core/check';
import type { Selected } from '@/workers/analysis.worker';
import { Analyser } from './analyser';
import type { Asking, Question } from './answers';
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
  const [analyser] = useState(() => new Analyser({ analysis, design: initial.design, revision: initial.revision }));
  const [selected, select] = useState<Selected | null>(null);
  useEffect(() => store.open(), [store]);
  useEffect(() => {
    const stop = analyser.start();
    const hand = () => analyser.analyse(store.snapshot().design, store.snapshot().revision);
    hand();
    const unsubscribe = store.subscribe(hand);
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
  if (!boat) throw new Error('no boat in this window');
  return boat;
}

export const useStore = (): BoatStore => useContextBoat().store;
export const useAnalyser = (): Analyser => useContextBoat().analyser;

/** What a component shows of the boat: it is drawn again only when that changes. */
export const useBoat = <T,>(selector: (state: BoatState) => T): T => useZustand(useContextBoat().store.state, useShallow(selector));

export const useDesign = (): Design => useBoat((s) => s.design);

export function useAnalysis(): Analysis {
  const { analyser } = useContextBoat();
  const analysis = () => analyser.figures().analysis;
  return useSyncExternalStore(analyser.subscribe, analysis, analysis);
}

export function useSelected(): readonly [Selected | null, (selected: Selected | null) => void] {
  const { selected, select } = useContextBoat();
  return [selected, select];
}

/** Watches a question while the component is there. The question is named by what it is about: one that is named alike asks the same. */
function useWatch(about: string | null, question: Question<unknown>, { restMs = 0, saysItself = false }: Asking) {
  const { answers } = useContextBoat().analyser;
  const latest = useRef(question);
  useEffect(() => {
    latest.current = question;
  });
  return useCallback(
    (listener: () => void) =>
      about === null ? () => undefined : answers.watch(about, (remote) => latest.current(remote), { restMs, saysItself }, listener),
    [answers, about, restMs, saysItself],
  );
}

/**
 * What the worker answers to a question about the design, asked once a design however many show it.
 * @param about names what is asked; null asks nothing.
 */
export function useAsked<T>(about: string | null, question: Question<T | null>, asking: Asking = {}): T | null {
  const { answers } = useContextBoat().analyser;
  const value = () => answers.answer(about).value;
  return useSyncExternalStore(useWatch(about, question, asking), value, value) as T | null;
}

/** For work that takes its time: the revision its answer belongs to while a newer one is being worked out; null while it is of the newest. */
export function useOlderRevision(about: string): number | null {
  const { analyser } = useContextBoat();
  const older = () => {
    const { of, revision } = analyser.answers.answer(about);
    return of === null || of === analyser.figures().analysis ? null : revision;
  };
  return useSyncExternalStore(analyser.answers.subscribe, older, older);
}

/** The working behind what is selected, kept up to date with every edit. */
export function useWorking(): Working | null {
  const { selected } = useContextBoat();
  return useAsked<Working>(selected && `${selected.kind}:${selected.id}`, (r) => (selected ? r.working(selected) : Promise.resolve(null)));
}

/** The cut list of the design as analysed; null until the worker has answered. */
export const useCutList = (): CutList | null => useAsked<CutList>('cut list', (r) => r.cutList());
export const useLists = (): Lists | null => useAsked<Lists>('lists', (r) => r.lists());

/** For what takes longer than an edit may: asked once nothing has changed for as long. */
export const REST: Asking = { restMs: 150 };

/** Studies and machines on the network; null until the worker has answered. */
export const useStudied = (): Studied | null => useAsked<Studied>('studies', (r) => r.studied(), REST);

/** The worst of all studies; null until the worker has answered. */
export const useWorst = (): Worst | null => useStudied()?.worst ?? null;

/** Everything there is to settle: of the analysis at once, of the studies as soon as they are worked out. */
export function useFindings(): readonly Finding[] {
  const analysis = useAnalysis();
  const late = useStudied();
  return useMemo(() => everyFinding(analysis, late), [analysis, late]);
}

/** A fresh id for a new row. */
export const useFreshId = (): ((prefix: string) => string) =>
  useCallback((prefix: string) => `${prefix}${crypto.randomUUID().slice(0, 8)}`, []);
