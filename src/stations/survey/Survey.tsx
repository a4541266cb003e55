'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { addOp, blankPlace, BOUNDS, type Point, setOp, rowOf } from '@/core/design';
import { useDesign, useFindings, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { View, Viewed, Views } from '@/ui/views/Views';
import { AsFound } from './AsFound';
import { BankFacts } from './BankFacts';
import { BoatDrawing, type Thing } from './BoatDrawing';
import { BoatFacts } from './BoatFacts';
import { Gallery } from './Gallery';
import { HouseFacts } from './HouseFacts';
import { PlaceFacts } from './PlaceFacts';
import { RunLine } from './RunLine';
import { Runs, worstByCircuit, type RunsShown } from './Runs';

const Mounting = dynamic(() => import('./mounting/Mounting').then((m) => m.Mounting), { ssr: false });

const VIEWS = ['the boat', 'as found', 'mounting', 'pictures'] as const;
const SHEETS = ['boat', 'places', 'bank', 'house rules'] as const;
type SheetName = (typeof SHEETS)[number];

export default function Survey() {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const [showing, setShowing] = useState<SheetName>('boat');
  const [view, setView] = useState<(typeof VIEWS)[number]>('the boat');
  const [thing, setThing] = useState<Thing | null>(null);
  const findings = useFindings();
  const [run, chooseRun] = useSelected();
  const [runs, setRuns] = useState<RunsShown>('to be settled');
  const worst = worstByCircuit(findings);
  const circuit = run?.kind === 'circuit' ? rowOf(design.circuits, run.id) : undefined;
  const select = (next: Thing) => {
    setThing(next);
    if (next.kind === 'place') setShowing('places');
  };
  const move = (what: Thing, at: Point, done: boolean) => {
    const from = store.snapshot().design;
    const list = what.kind === 'place' ? 'places' : 'loads';
    if (!done) return store.look([setOp(from, [list, what.id, 'at'], at)]);
    store.look(null);
    const saved = store.snapshot().design;
    const name = saved[list].find((r) => r.id === what.id)?.name ?? what.kind;
    store.edit(`move ${name}`, [setOp(saved, [list, what.id, 'at'], at)]);
  };
  const addPlace = () => {
    if (design.places.length >= BOUNDS.places) return store.say('refused', `A boat holds at most ${BOUNDS.places} places.`);
    const place = blankPlace(freshId('s'), 'New place', { x: Math.round(design.boat.lengthM * 50) / 100, y: 0, z: 0.5 });
    store.edit('add a place', [addOp(design, 'places', place)]);
    select({ kind: 'place', id: place.id });
  };
  return (
    <Viewed showing={view} onShow={setView} className="flex h-full flex-col">
      <div className="flex flex-none items-baseline gap-4 px-4 pt-[10px] pb-1">
        <h1 className="text-[18px] font-bold">Survey</h1>
        <Views views={VIEWS} label="Sheets of the survey" />
      </div>
      <View of={view} className={`flex min-h-0 flex-1 ${view === 'the boat' ? 'max-[999px]:flex-col' : 'flex-col'}`}>
        {view === 'as found' ? <AsFound /> : null}
        {view === 'mounting' ? <Mounting /> : null}
        {view === 'pictures' ? <Gallery /> : null}
        {view === 'the boat' ? (
          <>
            <div className="flex min-h-0 min-w-0 flex-1 flex-col">
              <div className="min-h-0 flex-1 overflow-auto px-4">
                <p className="mb-2 flex flex-wrap items-baseline gap-x-4 text-quiet">
                  Drag a place, or a load shown beside it; runs are measured anew. Arrows move what is focused.
                  <label className="ml-auto flex items-baseline gap-2 text-ink">
                    runs shown
                    <select className="box" value={runs} onChange={(e) => setRuns(e.target.value as RunsShown)}>
                      <option>none</option>
                      <option>to be settled</option>
                      <option>all</option>
                    </select>
                  </label>
                </p>
                <BoatDrawing
                  design={design}
                  selected={thing}
                  onSelect={select}
                  onMove={move}
                  under={(view, to) => (
                    <Runs
                      design={design}
                      shown={runs}
                      chosenId={circuit?.id ?? null}
                      worst={worst}
                      onChoose={(c) => chooseRun({ kind: 'circuit', id: c.id })}
                      to={to}
                      view={view}
                    />
                  )}
                />
              </div>
              {circuit ? <RunLine circuit={circuit} worst={worst.get(circuit.id)} onClose={() => chooseRun(null)} /> : null}
            </div>
            <Viewed
              showing={showing}
              onShow={setShowing}
              className="flex w-[292px] flex-none flex-col border-l border-line max-[999px]:max-h-[42%] max-[999px]:w-full max-[999px]:border-t-[1.5px] max-[999px]:border-l-0"
            >
              <div className="flex flex-none gap-4 border-b border-line px-4 pt-3 pb-[5px]">
                <Views views={SHEETS} label="What to enter" />
              </div>
              <View of={showing} scrolls className="min-h-0 flex-1 space-y-3 overflow-y-auto px-4 py-3">
                {showing === 'boat' ? <BoatFacts /> : null}
                {showing === 'places' ? (
                  <PlaceFacts
                    selectedId={thing?.kind === 'place' ? thing.id : null}
                    onSelect={(id) => setThing({ kind: 'place', id })}
                    onAdd={addPlace}
                  />
                ) : null}
                {showing === 'bank' ? <BankFacts /> : null}
                {showing === 'house rules' ? <HouseFacts /> : null}
              </View>
            </Viewed>
          </>
        ) : null}
      </View>
    </Viewed>
  );
}
