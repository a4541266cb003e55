'use client';
import { useMemo } from 'react';
import { addOp, blankAcCircuit, blankAcPanel, BOUNDS } from '@/core/design';
import { toCsv } from '@/core/format';
import { useAsked, useDesign, useFindings, useFreshId, useLists, useSelected, useStore } from '@/ui/boat/context';
import { PanelFace } from '@/ui/lists/PanelFace';
import { fileName, saveCsv } from '@/ui/files';
import { panelColumns, runColumns, runRows } from './columns';
import { Findings } from './Findings';
import { Rows } from './Rows';
import { tableOf } from './table';
import { usePropose } from './usePropose';

/** Panels and the runs between sources, panels and appliances. */
export function Runs() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const { propose, dialog } = usePropose();
  const [selected, select] = useSelected();
  const { boat, places, acSources, acPanels, acCircuits, panels } = design;
  const lists = useLists();
  const results = useAsked('AC runs', (r) => r.acRuns());
  const rows = useMemo(() => runRows(acCircuits, results ?? []), [acCircuits, results]);
  const columns = useMemo(() => runColumns(design), [design]);
  const ofPanels = useMemo(() => panelColumns({ boat, places, panels }), [boat, places, panels]);
  const open = useFindings().filter((f) => !f.accepted && (f.about.kind === 'AC circuit' || f.about.kind === 'AC panel'));
  const addRun = () => {
    const from = acPanels[0]
      ? { kind: 'panel' as const, id: acPanels[0].id }
      : acSources[0] && { kind: 'source' as const, id: acSources[0].id };
    if (!from) return store.say('refused', 'A run begins at a source or a panel: there is none yet.');
    const row = blankAcCircuit(fresh('ac'), `A${acCircuits.length + 1}`, 'New run', from);
    store.edit('add an AC run', [addOp(design, 'acCircuits', row)]);
    select({ kind: 'AC circuit', id: row.id });
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto pb-6" tabIndex={0} role="region" aria-label="runs and panels">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pb-2">
        <p className="max-w-[560px] flex-1 text-quiet">
          One row is one cable, of three cores or, where both legs go on with neutral, four: from a source or a panel, to a panel, an
          inverter&apos;s input, or to appliances and outlets.
        </p>
        <button
          type="button"
          className="plain"
          onClick={() => saveCsv(`${fileName(boat.name)}-ac-runs.csv`, toCsv(tableOf(rows, columns)))}
        >
          CSV
        </button>
        <button type="button" className="act" onClick={addRun}>
          add a run
        </button>
        <button
          type="button"
          className="act"
          onClick={() => store.edit('add an AC panel', [addOp(design, 'acPanels', blankAcPanel(fresh('ap'), null))])}
        >
          add a panel
        </button>
        {dialog}
        <button type="button" className="act" onClick={propose}>
          propose the AC side
        </button>
      </div>
      <Findings list={open} label="Findings of runs and panels" />
      {rows.length > 0 ? (
        <div className="overflow-x-auto">
          <Rows
            label="AC runs"
            list="acCircuits"
            rows={rows}
            columns={columns}
            selectedId={selected?.kind === 'AC circuit' ? selected.id : null}
            onSelect={(r) => select({ kind: 'AC circuit', id: r.id })}
            most={BOUNDS.acCircuits}
          />
        </div>
      ) : (
        <p className="max-w-[560px] px-4 py-4">
          Nothing yet. Proposed are shore power with a leakage trip at its main, the inverters of the load sheet, a generator where a day
          has one, a panel with its transfer, a branch for each fixed appliance and outlets by place. You correct them row by row.
        </p>
      )}
      {acPanels.length > 0 ? (
        <>
          <h2 className="mt-5 px-4 font-semibold">Panels</h2>
          <div className="overflow-x-auto">
            <Rows
              label="AC panels"
              list="acPanels"
              rows={acPanels}
              columns={ofPanels}
              selectedId={null}
              onSelect={() => undefined}
              most={BOUNDS.acPanels}
            />
          </div>
        </>
      ) : null}
      <section aria-label="Faces" className="flex flex-wrap items-start gap-6 px-4 pt-4">
        {(lists?.acPanels ?? []).map((p) => (
          <PanelFace
            key={p.panelId}
            name={p.name}
            pitchMm={p.pitchMm}
            ways={p.ways}
            onChoose={(id) => select({ kind: 'AC circuit', id })}
          />
        ))}
      </section>
      <p className="caution mx-4 mt-4 max-w-[760px]">
        AC aboard kills: lead out and breaker off at both ends, inverter disconnect open, proved dead with a proved tester before a cover
        comes off. Tinned stranded cable, never household. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
    </div>
  );
}
