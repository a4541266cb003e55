'use client';
import dynamic from 'next/dynamic';
import { useCallback, useMemo, useState } from 'react';
import { addOp, blankCircuit, dropOps, moveTap, rowCount, tapApart, rowOf, type Op } from '@/core/design';
import { ringFrom } from '@/core/topology';
import { counted, useProposal } from '@/ui/propose/useProposal';
import { useWanted } from '@/ui/propose/useWanted';
import { show } from '@/core/quantity';
import { useAnalyser, useAnalysis, useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { opsOf, Sheet, type Change } from '@/ui/sheet';
import { circuitColumns, type CircuitRow } from './columns';
import { SharedSizes } from './SharedSizes';
import { NextSteps } from '@/ui/next/NextSteps';

const LeastSure = dynamic(() => import('./LeastSure').then((m) => m.LeastSure), { ssr: false });
/** Arrives when a circuit is first chosen, with what drags taps. */
export const fetchChosen = () => import('./ChosenCircuit');
const ChosenCircuit = dynamic(() => fetchChosen().then((m) => m.ChosenCircuit), {
  ssr: false,
  // As high as it will be: the chosen row stays in sight.
  loading: () => <div className="h-[58%] flex-none border-t-[1.5px] border-ink" />,
});

/** The circuit sheet, and below it the chosen circuit. */
export function Circuits({ filter, onFilter }: { filter: string; onFilter: (filter: string) => void }) {
  const design = useDesign();
  const analysis = useAnalysis();
  const store = useStore();
  const analyser = useAnalyser();
  const freshId = useFreshId();
  const [selected, select] = useSelected();
  const [asked, setAsked] = useState(false);
  const proposal = useProposal();
  const wanted = useWanted();
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
  const loose = analysis.loads.filter((l) => l.circuitId === null).length;

  const propose = async (): Promise<void> => {
    if (design.banks.length === 0) return store.say('refused', 'Circuits start at a bank: enter a first one on Survey.');
    const rows = await wanted('circuits');
    if (!rows) return;
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

  const total = analysis.circuits.reduce((sum, c) => sum + 2 * c.lengthM, 0);
  return (
    <>
      <div className="flex flex-none items-baseline gap-3 px-4 pb-[6px]">
        <span className="text-quiet">
          {design.circuits.length} circuits, {show(total, 'm', design.boat)} of conductor
        </span>
        <input
          className="box w-[120px]"
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
        {/* What comes later grows into the room between: nothing that can be pressed moves. */}
        <span className="flex-1" />
        <SharedSizes />
        {proposal.dialog}
        <button type="button" className="act" onClick={() => void propose()} disabled={proposal.busy || loose === 0}>
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
      {circuit && result ? <ChosenCircuit circuit={circuit} result={result} onMove={move} /> : null}
    </>
  );
}
