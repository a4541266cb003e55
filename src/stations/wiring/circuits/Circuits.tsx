'use client';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core';
import dynamic from 'next/dynamic';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import { addOp, blankCircuit, dropOps, moveTap, rowCount, setOp, tapApart, rowOf, type Op } from '@/core/design';
import { ringFrom } from '@/core/topology';
import { proposedRows } from '@/core/propose';
import { counted, useProposal } from '@/ui/propose/Proposal';
import { show } from '@/core/quantity';
import { useAnalyser, useAnalysis, useDesign, useFreshId, useSelected, useStore, useWorking, useWorst } from '@/ui/boat/context';
import { opsOf, Sheet, type Change } from '@/ui/sheet';
import { Grow, type Grows } from '../Grow';
import { CircuitFacts } from './CircuitFacts';
import { circuitColumns, type CircuitRow } from './columns';
import { DeviceList } from './DeviceList';
import { LadderChart } from './LadderChart';
import { SharedSizes } from './SharedSizes';
import { TapList } from './TapList';
import { VoltsBar } from './VoltsBar';
import { NextSteps } from '@/ui/next/NextSteps';

const LeastSure = dynamic(() => import('./LeastSure').then((m) => m.LeastSure), { ssr: false });
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

/** The circuit sheet, and below it the chosen circuit: its ladder, its taps, what is particular to it. A tap is dragged from row to row. */
export function Circuits({ filter, onFilter }: { filter: string; onFilter: (filter: string) => void }) {
  const design = useDesign();
  const analysis = useAnalysis();
  const store = useStore();
  const analyser = useAnalyser();
  const freshId = useFreshId();
  const [selected, select] = useSelected();
  const working = useWorking();
  const worst = useWorst();
  const [asked, setAsked] = useState(false);
  const proposal = useProposal();
  const over = useRef<HTMLElement | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));

  const rows = useMemo(() => {
    const names = new Map([...design.banks, ...design.panels].map((s) => [s.id, s.name]));
    const results = new Map(analysis.circuits.map((r) => [r.id, r]));
    return design.circuits.map((c): CircuitRow => {
      const result = results.get(c.id);
      const fromName = names.get(c.from.id) ?? '?';
      return { ...c, result, fromName, ringFrom: (from) => ringFrom(design, c, from) };
    });
  }, [design, analysis]);
  const { boat, banks, panels } = design;
  const columns = useMemo(() => circuitColumns({ boat, banks, panels }), [boat, banks, panels]);
  const onSelect = useCallback((row: CircuitRow) => select({ kind: 'circuit', id: row.id }), [select]);
  const onChange = useCallback(
    (change: Change<CircuitRow>) => store.edit(change.label, opsOf(store.snapshot().design, 'circuits', change)),
    [store],
  );
  const onLook = useCallback(
    (change: Change<CircuitRow> | null) => store.look(change && opsOf(store.snapshot().design, 'circuits', change)),
    [store],
  );

  const circuit = selected?.kind === 'circuit' ? rowOf(design.circuits, selected.id) : undefined;
  const result = circuit && rowOf(analysis.circuits, circuit.id);
  const low = worst?.loads.find((l) => l.circuitId === circuit?.id && !Number.isNaN(l.volts));
  const studied = circuit &&
    low && {
      take: (size: string) =>
        store.edit(`size of ${circuit.name}`, [
          setOp(design, ['circuits', circuit.id, 'pin'], { ...circuit.pin, size: { school: boat.ruleSet, size } }),
        ]),
      wants: low.wants,
      said: `Worst study, “${low.study}”: ${low.name} ${low.volts.toFixed(2)} V of ${low.minV.toFixed(2)} V needed, the whole path from the sagged posts.`,
    };
  const growing: readonly Grows[] = circuit
    ? [
        ...design.loads
          .filter((l) => circuit.taps.some((t) => t.serves.id === l.id))
          .map((l) => ({ key: l.id, name: l.name, of: (by: number) => ({ load: { id: l.id, by } }) })),
        { key: 'the run', name: 'the length of this run', of: (by) => ({ run: { circuitId: circuit.id, by } }) },
        { key: 'everything', name: 'everything aboard', of: (by) => ({ everything: by }) },
      ]
    : [];
  const only = circuit?.taps.length === 1 ? rowOf(design.loads, circuit.taps[0]?.serves.id) : undefined;
  const brief = only?.duty ? `${only.duty.onS} s on, ${only.duty.restS} s rest, ${only.duty.repeats} times` : null;
  const loose = analysis.loads.filter((l) => l.circuitId === null).length;

  const propose = (): void => {
    if (design.banks.length === 0) return store.say('refused', 'Circuits start at a bank: enter a first one on Survey.');
    const rows = proposedRows(design, 'circuits', freshId);
    if (rowCount(rows) === 0) return store.say('said', 'Every load has its circuit.');
    proposal.propose({
      rows,
      label: (taken) => `propose ${taken.circuits?.length ?? 0} circuits`,
      stays: counted([design.circuits.length, 'circuit', 'circuits'], [design.panels.length, 'panel', 'panels']),
      sizes: sharedSizes,
    });
  };

  /** Sizes of shared parts that go with these edits; without the worker's answer they stay as each asks for by itself. */
  const sharedSizes = async (ops: readonly Op[]): Promise<readonly Op[]> => {
    try {
      return (await (await analyser.ask((r) => r.sharedSizes(ops)))?.ops) ?? [];
    } catch (error) {
      store.say('refused', `Shared parts are sized each by itself: ${error instanceof Error ? error.message : String(error)}`);
      return [];
    }
  };

  const nextNo = () => String(1 + design.circuits.reduce((most, c) => Math.max(most, Number.parseInt(c.no, 10) || 0), 0));

  const move = (tapId: string, to: { by: -1 | 1 } | { id: string }) => {
    const at = design.circuits.findIndex((c) => c.taps.some((t) => t.id === tapId));
    const from = design.circuits[at];
    if (!from) return;
    const name = rowOf(analysis.circuits, from.id)?.taps.find((t) => t.id === tapId)?.name ?? 'tap';
    if ('id' in to && to.id === 'new') {
      const id = freshId('c');
      store.edit(`${name} on a circuit of its own`, tapApart(design, tapId, blankCircuit(id, nextNo(), name, from.from)));
      select({ kind: 'circuit', id });
      return;
    }
    const target = 'by' in to ? design.circuits[at + to.by] : rowOf(design.circuits, to.id);
    if (!target || target.id === from.id) return;
    store.edit(`move ${name} to ${target.name}`, moveTap(design, tapId, target.id));
    select({ kind: 'circuit', id: target.id });
  };

  const remove = (doomed: readonly CircuitRow[]) => {
    store.edit(
      doomed.length === 1 ? `remove circuit ${doomed[0]?.name ?? ''}` : `remove ${doomed.length} circuits`,
      dropOps(
        design,
        'circuits',
        doomed.map((r) => r.id),
      ),
    );
  };

  const addCircuit = () => {
    const source = design.panels[0]
      ? { kind: 'panel' as const, id: design.panels[0].id }
      : design.banks[0]
        ? { kind: 'bank' as const, id: design.banks[0].id }
        : null;
    if (!source) return store.say('refused', 'A circuit starts at a panel or a bank: there is none yet.');
    const fresh = blankCircuit(freshId('c'), nextNo(), 'New circuit', source);
    store.edit('add a circuit', [addOp(design, 'circuits', fresh)]);
    select({ kind: 'circuit', id: fresh.id });
  };

  const mark = (row: HTMLElement | null) => {
    if (over.current === row) return;
    if (over.current) delete over.current.dataset.over;
    if (row) row.dataset.over = 'true';
    over.current = row;
  };

  const total = analysis.circuits.reduce((sum, c) => sum + 2 * c.lengthM, 0);
  return (
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
        if (id) move(String(e.active.id), { id });
      }}
      onDragCancel={() => mark(null)}
    >
      <div className="flex flex-none items-baseline gap-3 px-4 pb-[6px]">
        <span className="text-quiet">
          {design.circuits.length} circuits, {show(total, 'm', design.boat)} of conductor
        </span>
        <input
          className="box ml-auto w-[120px]"
          placeholder="filter"
          aria-label="Filter circuits"
          value={filter}
          onChange={(e) => onFilter(e.target.value)}
        />
        <button type="button" className="act" onClick={addCircuit}>
          add
        </button>
        <button type="button" className="plain" onClick={() => setAsked(true)}>
          least sure
        </button>
        {asked ? <LeastSure onClose={() => setAsked(false)} /> : null}
        <SharedSizes />
        {proposal.dialog}
        <button type="button" className="act" onClick={propose} disabled={proposal.busy || loose === 0}>
          propose{loose > 0 ? ` for ${loose} loose` : ''}
        </button>
      </div>
      {design.circuits.length === 0 ? (
        <div className="max-w-[520px] px-4 py-6">
          <p>
            A circuit is one way with its device, and the run tapped along it.{' '}
            {loose > 0
              ? '“Propose” makes panels, feeders and circuits for the loads that have none; you regroup them.'
              : 'List the loads first; then let circuits be proposed and regroup them.'}
          </p>
          <NextSteps />
        </div>
      ) : null}
      <div className="min-h-[120px] flex-1 overflow-auto" data-testid="circuit-rows">
        <Sheet
          enterStays
          label="Circuits"
          rows={rows}
          columns={columns}
          selectedId={circuit?.id ?? null}
          onSelect={onSelect}
          onChange={onChange}
          onLook={onLook}
          onDelete={remove}
          onRefuse={(m) => store.say('refused', m)}
          filter={filter}
        />
      </div>
      {circuit && result ? (
        <section
          aria-label={`Circuit ${circuit.name}`}
          className="max-h-[58%] flex-none overflow-auto border-t-[1.5px] border-ink px-4 pt-2 pb-1"
          tabIndex={0}
        >
          <h2 className="mb-1 font-semibold">
            {circuit.no} {circuit.name}{' '}
            <span className="font-normal text-quiet">what each test asks for, smallest conductor that passes</span>
          </h2>
          <LadderChart ladder={result.own.ladder} other={working?.beside ?? ''} studied={studied ?? null} />
          <div className="mt-2 border-t border-line pt-1">
            <TapList circuit={circuit} result={result} onMove={move} />
            <VoltsBar lost={working?.volts ?? []} />
            <CircuitFacts key={circuit.id} circuit={circuit} />
            <DeviceList key={`${circuit.id}-devices`} circuit={circuit} />
            {brief ? <DutyChart circuitId={circuit.id} duty={brief} /> : null}
            <Grow key={`${circuit.id}-grow`} things={growing} />
          </div>
        </section>
      ) : null}
    </DndContext>
  );
}
