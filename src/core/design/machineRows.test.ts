import { APPLIANCES, loadFrom } from './appliances';
import { blankAcSource } from './blankAc';
import { blankSource } from './blankCharging';
import { applyEdit, type Op, setOp } from './edit';
import { addAcSourceOps, addLoadsOps, addSourceOps, andTheirRows, machineOf, ofWholeMachines, removeMachines } from './machineRows';
import { untiedChargers, untiedInverters, untiedSources } from './machines';
import { sourcesAboard } from './decided';
import { idsFor } from './operations';
import { anotherOutput, outputA } from './outputs';
import type { Design, Source } from './schema';
import { bareBoat } from './testing';

const after = (d: Design, ops: readonly (Op | undefined)[]): Design => {
  const done = applyEdit(d, { ops: ops.flatMap((op) => op ?? []) });
  if (!done.ok) throw new Error(JSON.stringify(done.conflicts));
  return done.design;
};
const fromList = (d: Design, name: string): Design => {
  const item = APPLIANCES.find((a) => a.name === name);
  if (!item) throw new Error(name);
  const fresh = idsFor(d);
  return after(d, addLoadsOps(d, [loadFrom(item, fresh('L'), 12, new Set(['engine']))], fresh));
};

describe('a machine is one thing', () => {
  it('taken from the list of loads it comes with its charging and its AC side, tied', () => {
    const d = fromList(fromList(fromList(bareBoat('metric'), 'Shore charger'), 'Inverter, small'), 'Alternator, medium frame');
    expect(untiedSources(d)).toEqual([]);
    expect(untiedChargers(d)).toEqual([]);
    expect(untiedInverters(d)).toEqual({ loads: [], sources: [] });
    expect(d.sources.map((s) => [s.name, s.kind, s.bankId])).toEqual([
      ['Shore charger', 'shore charger', 'house'],
      ['Alternator, medium frame', 'alternator', 'house'],
    ]);
    expect(d.acLoads.map((l) => l.chargerId)).toEqual([d.sources[0]?.id]);
    expect(d.acSources.map((s) => [s.name, s.inverter?.va])).toEqual([['Inverter, small', 900]]);
  });

  it('finds what stands on Charging already, and is not there twice', () => {
    const bare = bareBoat('metric');
    const charging = after(bare, addSourceOps(bare, blankSource('q', 'shore charger', 12, 'house'), idsFor(bare)));
    const d = fromList(charging, 'Shore charger');
    expect(d.sources).toHaveLength(1);
    expect(d.acLoads).toHaveLength(1);
    expect(
      machineOf(d, { list: 'acLoads', id: d.acLoads[0]?.id ?? '' })
        .map((r) => r.list)
        .sort(),
    ).toEqual(['acLoads', 'loads', 'sources']);
  });

  it('added on AC it has its DC side: the loose inverter of the load sheet, or a row of its own', () => {
    const bare = bareBoat('metric');
    const own = after(bare, addAcSourceOps(bare, blankAcSource('as', 'inverter', bare.boat), idsFor(bare)));
    expect(own.loads.map((l) => [l.kind, l.id])).toEqual([['inverter', own.acSources[0]?.inverter?.loadId]]);
    const loose: Design = {
      ...bare,
      loads: [{ ...own.loads[0], id: 'w', name: 'Wechselrichter', kind: 'inverter' } as Design['loads'][number]],
    };
    const found = after(loose, addAcSourceOps(loose, blankAcSource('as', 'inverter', bare.boat), idsFor(loose)));
    expect(found.loads).toHaveLength(1);
    expect(found.acSources[0]?.name).toBe('Wechselrichter');
    const two: Design = { ...loose, loads: [...loose.loads, { ...loose.loads[0], id: 'w2' } as Design['loads'][number]] };
    expect(
      after(two, addAcSourceOps(two, blankAcSource('as', 'inverter', bare.boat), idsFor(two))).acSources[0]?.inverter?.loadId,
    ).toBeNull();
  });

  it('is renamed and moved as a whole; what has a name of its own keeps it', () => {
    const d = fromList(bareBoat('metric'), 'Shore charger');
    const [row, source, ac] = [d.loads[0], d.sources[0], d.acLoads[0]];
    if (!row || !source || !ac) throw new Error('three rows');
    const say = (x: Design, ops: readonly (Op | undefined)[]) =>
      after(
        x,
        ofWholeMachines(
          x,
          ops.flatMap((op) => op ?? []),
        ),
      );
    const renamed = say(d, [setOp(d, ['loads', row.id, 'name'], 'Ladegerät'), setOp(d, ['loads', row.id, 'placeId'], 'saloon')]);
    expect([renamed.sources[0], renamed.acLoads[0]].map((r) => [r?.name, r?.placeId])).toEqual([
      ['Ladegerät', 'saloon'],
      ['Ladegerät', 'saloon'],
    ]);
    const apart = after(d, [setOp(d, ['acLoads', ac.id, 'name'], 'Charger on AC 4')]);
    const again = say(apart, [setOp(apart, ['sources', source.id, 'name'], 'Charger')]);
    expect([again.loads[0]?.name, again.acLoads[0]?.name]).toEqual(['Charger', 'Charger on AC 4']);
  });

  it('goes as a whole, from whichever side', () => {
    const d = fromList(bareBoat('metric'), 'Shore charger');
    expect(andTheirRows(d, 'loads', [d.loads[0]?.id ?? ''])).toBe(', on Charging and AC appliances too');
    for (const list of ['loads', 'sources', 'acLoads'] as const) {
      const gone = after(d, removeMachines(d, list, [d[list][0]?.id ?? '']));
      expect([gone.loads, gone.sources, gone.acLoads]).toEqual([[], [], []]);
    }
  });
});

describe('the outputs of a charger', () => {
  const d0 = fromList(bareBoat('metric'), 'Shore charger');
  const [machine] = d0.sources as [Source];
  const d: Design = { ...d0, sources: [machine, anotherOutput(machine, 'out2', 2, null)] };

  it('go with it, and it does not go with them', () => {
    expect(after(d, removeMachines(d, 'sources', ['out2'])).sources.map((s) => s.id)).toEqual([machine.id]);
    const gone = after(d, removeMachines(d, 'sources', [machine.id]));
    expect([gone.sources, gone.loads, gone.acLoads]).toEqual([[], [], []]);
  });
  it('move with it', () => {
    const moved = after(d, ofWholeMachines(d, [setOp(d, ['sources', machine.id, 'placeId'], 'bow') as Op]));
    expect(moved.sources.map((s) => s.placeId)).toEqual(['bow', 'bow']);
  });
  it('are not aboard where it is a candidate', () => {
    const other = { ...machine, id: 'other', loadId: null };
    const sources = [{ ...machine, insteadOfId: 'other' }, d.sources[1] as Source, other];
    expect(sourcesAboard(sources).map((s) => s.id)).toEqual(['other']);
  });
  it('have its figures, neither its mass nor its price', () => {
    const priced = anotherOutput({ ...machine, massKg: 3, price: 400 }, 'out3', 3, 'house');
    expect([priced.massKg, priced.price, priced.bankId, outputA(priced)]).toEqual([null, null, 'house', machine.ratedA]);
  });
});
