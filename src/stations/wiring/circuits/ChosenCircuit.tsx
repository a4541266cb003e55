'use client';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core';
import dynamic from 'next/dynamic';
import { memo, useRef } from 'react';
import type { CircuitResult } from '@/core';
import { type Circuit, rowOf, setOp } from '@/core/design';
import { useDesign, useStore, useWorking, useWorst } from '@/ui/boat/context';
import { Grow, type Grows } from '../Grow';
import { CircuitFacts } from './CircuitFacts';
import { DeviceList } from './DeviceList';
import { LadderChart } from './LadderChart';
import { TapList } from './TapList';
import { VoltsBar } from './VoltsBar';

const DutyChart = memo(dynamic(() => import('./DutyChart'), { ssr: false }));

/** The circuit row under a point of the screen. */
const rowUnder = (x: number, y: number): HTMLElement | null =>
  document
    .elementsFromPoint(x, y)
    .map((e) => e.closest<HTMLElement>('[data-row-id]'))
    .find((e) => e !== null) ?? null;

const pointOf = (event: DragMoveEvent | DragEndEvent): { x: number; y: number } => {
  const start = event.activatorEvent as PointerEvent;
  return { x: start.clientX + event.delta.x, y: start.clientY + event.delta.y };
};

interface Props {
  readonly circuit: Circuit;
  readonly result: CircuitResult;
  /** Moves a tap to the circuit so many rows away, or of that id. */
  readonly onMove: (tapId: string, to: { by: -1 | 1 } | { id: string }) => void;
}

/** The chosen circuit: its ladder, its taps, what is particular to it. A tap is dragged to a row of the sheet. */
export function ChosenCircuit({ circuit, result, onMove }: Props) {
  const design = useDesign();
  const store = useStore();
  const working = useWorking();
  const worst = useWorst();
  const over = useRef<HTMLElement | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const low = worst?.loads.find((l) => l.circuitId === circuit.id && !Number.isNaN(l.volts));
  const studied = low && {
    take: (size: string) =>
      store.edit(`size of ${circuit.name}`, [
        setOp(design, ['circuits', circuit.id, 'pin'], { ...circuit.pin, size: { school: design.boat.ruleSet, size } }),
      ]),
    wants: low.wants,
    said: `Worst study, “${low.study}”: ${low.name} ${low.volts.toFixed(2)} V of ${low.minV.toFixed(2)} V needed, the whole path from the sagged posts.`,
  };
  const growing: readonly Grows[] = [
    ...design.loads
      .filter((l) => circuit.taps.some((t) => t.serves.id === l.id))
      .map((l) => ({ key: l.id, name: l.name, of: (by: number) => ({ load: { id: l.id, by } }) })),
    { key: 'the run', name: 'the length of this run', of: (by) => ({ run: { circuitId: circuit.id, by } }) },
    { key: 'everything', name: 'everything aboard', of: (by) => ({ everything: by }) },
  ];
  const only = circuit.taps.length === 1 ? rowOf(design.loads, circuit.taps[0]?.serves.id) : undefined;
  const brief = only?.duty ? `${only.duty.onS} s on, ${only.duty.restS} s rest, ${only.duty.repeats} times` : null;
  const mark = (row: HTMLElement | null) => {
    if (over.current === row) return;
    if (over.current) delete over.current.dataset.over;
    if (row) row.dataset.over = 'true';
    over.current = row;
  };

  return (
    <section
      aria-label={`Circuit ${circuit.name}`}
      className="max-h-[58%] flex-none overflow-auto border-t-[1.5px] border-ink px-4 pt-2 pb-1"
      tabIndex={0}
    >
      <h2 className="mb-1 font-semibold">
        {circuit.no} {circuit.name} <span className="font-normal text-quiet">what each test asks for, smallest conductor that passes</span>
      </h2>
      <LadderChart ladder={result.own.ladder} other={working?.beside ?? ''} studied={studied ?? null} />
      <div className="mt-2 border-t border-line pt-1">
        <DndContext
          sensors={sensors}
          onDragMove={(e) => {
            const p = pointOf(e);
            mark(rowUnder(p.x, p.y));
          }}
          onDragEnd={(e) => {
            const p = pointOf(e);
            const id = rowUnder(p.x, p.y)?.dataset.rowId;
            mark(null);
            if (id) onMove(String(e.active.id), { id });
          }}
          onDragCancel={() => mark(null)}
        >
          <TapList circuit={circuit} result={result} onMove={onMove} />
        </DndContext>
        <VoltsBar lost={working?.volts ?? []} />
        <CircuitFacts key={circuit.id} circuit={circuit} />
        <DeviceList key={`${circuit.id}-devices`} circuit={circuit} />
        {brief ? <DutyChart circuitId={circuit.id} duty={brief} /> : null}
        <Grow key={`${circuit.id}-grow`} things={growing} />
      </div>
    </section>
  );
}
