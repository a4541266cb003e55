'use client';
import { settingsOf } from '@/core/ac';
import {
  AC_SOURCE_KINDS,
  type AcSource,
  addAcSourceOps,
  addInverterChargerOps,
  andTheirRows,
  blankAcSource,
  BOUNDS,
  removeMachines,
  rowOf,
} from '@/core/design';
import { round3 } from '@/core/quantity';
import { useDesign, useFindings, useFreshId, useSelected, useStore, useStudied } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Findings } from './Findings';
import { OneSource } from './OneSource';
import { usePropose } from './usePropose';

/** Shore inlets, generators, inverters: what each gives, and what it draws. */
export function Sources() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const { propose, dialog } = usePropose();
  const power = useStudied()?.power;
  const findings = useFindings();
  const [selected, select] = useSelected();
  const { acSources, boat } = design;
  const source = (selected?.kind === 'AC source' ? rowOf(acSources, selected.id) : undefined) ?? acSources[0];
  const add = (kind: AcSource['kind']) => {
    const row = blankAcSource(fresh('as'), kind, boat);
    store.edit(`add ${row.name.toLowerCase()}`, addAcSourceOps(design, row, fresh));
    select({ kind: 'AC source', id: row.id });
  };
  const addInverterCharger = () => {
    const row = { ...blankAcSource(fresh('as'), 'inverter', boat), name: 'Inverter-charger' };
    store.edit('add inverter-charger', addInverterChargerOps(design, row, fresh));
    select({ kind: 'AC source', id: row.id });
  };
  const general = findings.filter((f) => !f.accepted && f.about.kind === 'boat' && f.about.id === 'ac');
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-8" tabIndex={0} role="region" aria-label="sources">
      <p className="flex flex-wrap items-baseline gap-3 pt-1">
        <span className="text-quiet">add</span>
        {AC_SOURCE_KINDS.map((kind) => (
          <button key={kind} type="button" className="act" disabled={acSources.length >= BOUNDS.acSources} onClick={() => add(kind)}>
            {kind === 'shore' ? 'shore inlet' : kind}
          </button>
        ))}
        <button type="button" className="act" disabled={acSources.length >= BOUNDS.acSources} onClick={addInverterCharger}>
          inverter-charger
        </button>
        {dialog}
        <button type="button" className="act" onClick={propose}>
          propose the AC side
        </button>
      </p>
      <div className="-mx-4 pt-1">
        <Findings list={general} label="Findings of the AC side" />
      </div>
      {source ? (
        <>
          <Plain
            label="AC sources"
            columns={[
              { title: 'source' },
              { title: 'service' },
              { title: 'settings' },
              { title: 'gives at most', right: true },
              { title: 'to settle' },
            ]}
            rows={acSources.map((s) => {
              const settings = settingsOf(design).filter((x) => x.sourceId === s.id);
              const open = findings.filter(
                (f) => f.about.kind === 'AC source' && f.about.id === s.id && f.severity !== 'note' && !f.accepted,
              );
              const limit = settings[0]?.limit;
              return {
                id: s.id,
                cells: [
                  <button
                    key="n"
                    type="button"
                    aria-pressed={s.id === source.id}
                    className={`text-left ${s.id === source.id ? 'font-semibold text-verdigris' : 'plain'}`}
                    onClick={() => select({ kind: 'AC source', id: s.id })}
                  >
                    {s.name}
                  </button>,
                  s.service,
                  settings.map((x) => (x.dockA === null ? 'one' : `${x.dockA} A`)).join(', '),
                  limit
                    ? limit.kva === null
                      ? `${limit.legs === 2 ? '2 × ' : ''}${round3(limit.amps)} A`
                      : `${round3(limit.kva)} kVA`
                    : '–',
                  open.length > 0 ? (
                    <b key="f" className={`font-semibold ${open.some((f) => f.severity === 'stop') ? 'text-lead' : ''}`}>
                      {open[0]?.title}
                      {open.length > 1 ? `, and ${open.length - 1} more` : ''}
                    </b>
                  ) : (
                    ''
                  ),
                ],
              };
            })}
          />
          <OneSource
            key={source.id}
            source={source}
            inverter={power?.inverters.find((i) => i.id === source.id)}
            generator={power?.generators.find((g) => g.id === source.id)}
            findings={findings.filter((f) => !f.accepted && f.about.kind === 'AC source' && f.about.id === source.id)}
          />
          <button
            type="button"
            className="plain mt-4"
            onClick={() => {
              const ids = [source.id];
              store.edit(`remove ${source.name}${andTheirRows(design, 'acSources', ids)}`, removeMachines(design, 'acSources', ids));
            }}
          >
            remove {source.name}
          </button>
        </>
      ) : (
        <p className="mt-4 max-w-[560px]">
          Nothing feeds an outlet yet. Add what there is: the inlet first, with the amps its cord is made for; then the generator and the
          inverter. Or let the station propose them from the load sheet and the days: you correct what it proposes.
        </p>
      )}
    </div>
  );
}
