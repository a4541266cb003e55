'use client';
import { useCallback, useMemo, useState } from 'react';
import { addOp, blankCircuit, blankFound, type Circuit, dropOps, setOp, rowOf } from '@/core/design';
import { useAnalysis, useAsked, useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { Photos } from '@/ui/photos/Photos';
import { opsOf, Sheet, type Change } from '@/ui/sheet';
import { WorkingPanel } from '@/ui/working/WorkingPanel';
import { foundColumns, type FoundRow } from './foundColumns';

/** What was aboard before anything was changed, and what becomes of each wire. */
export function AsFound() {
  const design = useDesign();
  const analysis = useAnalysis();
  const store = useStore();
  const freshId = useFreshId();
  const [selected, select] = useSelected();
  const [filter, setFilter] = useState('');
  const before = useAsked('before', (r) => r.before());
  const rows = useMemo(() => {
    const results = new Map(analysis.circuits.map((r) => [r.id, r]));
    return design.circuits.flatMap((c): FoundRow[] => (c.found ? [{ ...c, found: c.found, result: results.get(c.id) }] : []));
  }, [design.circuits, analysis.circuits]);
  const { boat } = design;
  const columns = useMemo(() => foundColumns({ boat }), [boat]);
  const onSelect = useCallback((row: FoundRow) => select({ kind: 'circuit', id: row.id }), [select]);
  const onChange = useCallback(
    (change: Change<FoundRow>) => store.edit(change.label, opsOf(store.snapshot().design, 'circuits', change)),
    [store],
  );
  const onLook = useCallback(
    (change: Change<FoundRow> | null) => store.look(change && opsOf(store.snapshot().design, 'circuits', change)),
    [store],
  );
  const add = () => {
    const from = design.panels[0]
      ? { kind: 'panel' as const, id: design.panels[0].id }
      : design.banks[0]
        ? { kind: 'bank' as const, id: design.banks[0].id }
        : null;
    if (!from) return store.say('refused', 'A wire starts at a bank or a panel: enter a first bank, then come back.');
    const id = freshId('c');
    const wire: Circuit = { ...blankCircuit(id, '', 'Found wire', from), found: blankFound(boat.ruleSet) };
    store.edit('add a found wire', [addOp(design, 'circuits', wire)]);
    select({ kind: 'circuit', id });
  };
  const wired = new Set(design.circuits.flatMap((c) => c.taps.map((t) => t.serves.id)));
  const feedable = design.loads.filter((l) => !wired.has(l.id));
  const feeds = (id: string, loadId: string) => {
    const load = rowOf(design.loads, loadId);
    const wire = rowOf(design.circuits, id);
    if (!load || !wire) return;
    store.edit(`${wire.name} feeds ${load.name}`, [
      setOp(design, ['circuits', id, 'taps'], [{ id: `${id}-1`, parent: null, serves: { kind: 'load', id: load.id }, tapedM: null }]),
      ...(wire.name === 'Found wire' ? [setOp(design, ['circuits', id, 'name'], load.name)] : []),
    ]);
  };
  const record = (id: string) => {
    const circuit = rowOf(design.circuits, id);
    if (circuit) store.edit(`record ${circuit.name} as found`, [setOp(design, ['circuits', id, 'found'], blankFound(boat.ruleSet))]);
  };
  const remove = (doomed: readonly FoundRow[]) => {
    store.edit(
      doomed.length === 1 ? `remove the record of ${doomed[0]?.name ?? ''}` : `remove ${doomed.length} records`,
      dropOps(
        design,
        'circuits',
        doomed.map((r) => r.id),
      ),
    );
  };
  const count = (findings: readonly { severity: string }[], severity: string) => findings.filter((f) => f.severity === severity).length;
  const told = (findings: readonly { severity: string }[]) => `${count(findings, 'stop')} stop, ${count(findings, 'fix')} fix`;
  const undecided = rows.filter((r) => r.found.decision === 'undecided').length;
  const current = selected?.kind === 'circuit' ? rows.find((r) => r.id === selected.id) : undefined;
  const unrecorded = design.circuits.filter((c) => c.found === null);
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pb-2">
          <span>
            {rows.length} found{undecided > 0 ? `, ${undecided} not decided` : ''}
          </span>
          {rows.length > 0 ? (
            <span data-testid="before-after">
              <b className="font-semibold">as found:</b> {before ? told(before) : '…'} <b className="ml-2 font-semibold">as decided:</b>{' '}
              {told(analysis.findings)}
            </span>
          ) : null}
          <input
            className="box ml-auto w-[110px]"
            placeholder="filter"
            aria-label="Filter what was found"
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
          />
          {unrecorded.length > 0 ? (
            <select className="box w-[170px]" aria-label="Record a circuit as found" value="" onChange={(e) => record(e.target.value)}>
              <option value="">record a circuit as found</option>
              {unrecorded.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.no} {c.name}
                </option>
              ))}
            </select>
          ) : null}
          <button type="button" className="act" onClick={add}>
            add a found wire
          </button>
        </div>
        {rows.length === 0 ? (
          <div className="max-w-[560px] px-4 py-4">
            <p>
              One row is one wire that is aboard already: its size, kind, colour, ends, what protects it, its condition, and what becomes of
              it: keep, replace or remove, with a reason. What is kept is calculated with its real figures; bad joints count as resistance
              and heat.
            </p>
            <p className="caution mt-3">
              A found wire may be live from both ends. Prove it dead with a proved tester before it is touched; take a picture before
              anything comes apart. Local code, the maker&apos;s instructions and licensed practice come first.
            </p>
          </div>
        ) : null}
        <div className="min-h-[100px] flex-1 overflow-auto">
          <Sheet
            enterStays
            label="As found"
            rows={rows}
            columns={columns}
            selectedId={current?.id ?? null}
            onSelect={onSelect}
            onChange={onChange}
            onLook={onLook}
            onDelete={remove}
            onRefuse={(m) => store.say('refused', m)}
            filter={filter}
          />
        </div>
        {current ? (
          <section
            aria-label={`Found: ${current.name}`}
            className="max-h-[40%] flex-none overflow-auto border-t-[1.5px] border-ink px-4 py-1"
            tabIndex={0}
          >
            <h2 className="font-semibold">
              {current.name}{' '}
              <span className="font-normal text-quiet">
                {current.taps.length === 0
                  ? 'feeds nothing that is known'
                  : `feeds ${current.result?.taps.map((t) => t.name).join(', ') ?? ''}`}
              </span>
            </h2>
            {current.taps.length === 0 ? (
              <label className="flex items-baseline gap-2 py-1">
                <span>What does it feed?</span>
                <select className="box w-[240px]" value="" onChange={(e) => feeds(current.id, e.target.value)}>
                  <option value="">not traced yet</option>
                  {feedable.map((l) => (
                    <option key={l.id} value={l.id}>
                      {l.name}
                    </option>
                  ))}
                </select>
                <span className="text-quiet">
                  {feedable.length === 0
                    ? 'Every load has its wire already: a new one goes on the load sheet first.'
                    : 'Loads no wire is known of.'}
                </span>
              </label>
            ) : null}
            <Photos about={{ kind: 'circuit', id: current.id }} of={current.name} />
          </section>
        ) : null}
      </div>
      {current ? <WorkingPanel /> : null}
    </div>
  );
}
