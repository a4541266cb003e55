import { APPLIANCES, loadFrom } from './appliances';
import { blankAcSource } from './blankAc';
import { blankSource } from './blankCharging';
import { applyEdit, type Op, setOp } from './edit';
import {
  addAcSourceOps,
  addInverterChargerOps,
  addLoadsOps,
  addSourceOps,
  andTheirRows,
  machineOf,
  ofWholeMachines,
  removeMachines,
  sameCaseOps,
} from './machineRows';
import { machineFigures } from './machineFigures';
import { joinMachines, untiedChargers, untiedInverters, untiedSources } from './machines';
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

  it('says what it gives once: the other side follows the one that is set', () => {
    const d = fromList(fromList(bareBoat('metric'), 'Shore charger'), 'Inverter, small');
    const [charger, inverter] = d.loads as [Design['loads'][number], Design['loads'][number]];
    const say = (x: Design, ops: readonly (Op | undefined)[]) =>
      after(
        x,
        ofWholeMachines(
          x,
          ops.flatMap((op) => op ?? []),
        ),
      );
    const told = (x: Design) => machineFigures(x).map((f) => [f.rowSays, f.machineSays]);
    // 360 W at 12 V are 30 A; 900 W an inverter of 900 VA.
    expect(told(d)).toEqual([
      [30, 30],
      [900, 900],
    ]);
    const id = d.sources[0]?.id ?? '';
    const larger = say(d, [setOp(d, ['sources', id, 'ratedA'], 50)]);
    expect([larger.loads[0]?.ratingBy, larger.loads[0]?.rating]).toEqual(['A', 50]);
    const smaller = say(larger, [setOp(larger, ['loads', charger.id, 'rating'], 40)]);
    expect(smaller.sources[0]?.ratedA).toBe(40);
    const source = d.acSources[0]?.inverter;
    const two = say(d, [setOp(d, ['acSources', d.acSources[0]?.id ?? '', 'inverter'], { ...source, va: 1500, units: 2 })]);
    expect(two.loads[1]?.rating).toBe(3000);
    expect(say(two, [setOp(two, ['loads', inverter.id, 'rating'], 2000)]).acSources[0]?.inverter?.va).toBe(1000);
    // What was told apart stays apart, and what is set on both is left to that.
    const apart = after(d, [setOp(d, ['sources', id, 'ratedA'], 20)]);
    expect(told(say(apart, [setOp(apart, ['sources', id, 'ratedA'], 25)]))[0]).toEqual([30, 25]);
    const both = [setOp(d, ['sources', id, 'ratedA'], 45), setOp(d, ['loads', charger.id, 'rating'], 600)];
    expect(told(say(d, both))[0]).toEqual([50, 45]);
  });

  it('held to less on its first output, that is the figure of its cable', () => {
    const d = fromList(bareBoat('metric'), 'Shore charger');
    const id = d.sources[0]?.id ?? '';
    const held = ofWholeMachines(d, [setOp(d, ['sources', id, 'charger', 'firstA'], 10) as Op]);
    const at = after(d, held);
    expect([at.loads[0]?.rating, at.sources[0]?.ratedA]).toEqual([10, 30]);
    const more = after(at, ofWholeMachines(at, [setOp(at, ['loads', at.loads[0]?.id ?? '', 'rating'], 15) as Op]));
    expect([more.sources[0]?.charger?.firstA, more.sources[0]?.ratedA]).toEqual([15, 30]);
  });

  it('taken from the list it is as large as its row, and its row as large as what stands there', () => {
    const large = APPLIANCES.find((a) => a.name === 'Alternator, medium frame');
    if (!large) throw new Error('an alternator');
    const bare = bareBoat('metric');
    const row = { ...loadFrom(large, 'L', 12, new Set(['engine'])), ratingBy: 'A' as const, rating: 120 };
    const d = after(bare, addLoadsOps(bare, [row], idsFor(bare)));
    expect([d.sources[0]?.ratedA, Math.max(...(d.sources[0]?.alternator?.curve.map((p) => p.amps) ?? []))]).toEqual([120, 120]);
    const there = after(bare, addSourceOps(bare, { ...blankSource('q', 'shore charger', 12, 'house'), ratedA: 75 }, idsFor(bare)));
    expect(fromList(there, 'Shore charger').loads.map((l) => [l.ratingBy, l.rating])).toEqual([['A', 75]]);
  });

  it('an inverter-charger is one case: one pair of DC cables, what it charges with on Charging, what it takes among the AC appliances', () => {
    const bare = bareBoat('metric');
    const inverter = { ...blankAcSource('as', 'inverter', bare.boat), name: 'Inverter-charger' };
    const d = after(bare, addInverterChargerOps(bare, inverter, idsFor(bare)));
    const [row, source, ac, load] = [d.loads[0], d.sources[0], d.acSources[0], d.acLoads[0]];
    expect([source?.loadId, ac?.inverter?.loadId]).toEqual([row?.id, row?.id]);
    expect([ac?.inverter?.chargerId, load?.chargerId]).toEqual([source?.id, source?.id]);
    // 2000 VA at 12 V: 960 W of charging are 80 A; an inlet of 16 A where none is entered.
    expect([row?.rating, source?.ratedA, source?.bankId, ac?.inverter?.passA]).toEqual([2000, 80, 'house', 16]);
    expect([untiedSources(d), untiedInverters(d).loads, machineFigures(d).map((f) => f.unit)]).toEqual([[], [], ['W']]);
    const named = after(d, ofWholeMachines(d, [setOp(d, ['sources', source?.id ?? '', 'name'], 'Combi') as Op]));
    expect([named.loads[0]?.name, named.acSources[0]?.name, named.acLoads[0]?.name]).toEqual(['Combi', 'Combi', 'Combi']);
    for (const list of ['loads', 'sources', 'acSources'] as const) {
      const gone = after(d, removeMachines(d, list, [d[list][0]?.id ?? '']));
      expect([gone.loads, gone.sources, gone.acSources, gone.acLoads]).toEqual([[], [], [], []]);
    }
  });

  it('a charger put into the case of an inverter goes by its cables, and out of it again by none; one with cables of its own keeps them', () => {
    const d = fromList(bareBoat('metric'), 'Inverter, small');
    const charger = blankSource('q', 'shore charger', 12, 'house');
    const two: Design = { ...d, sources: [charger] };
    const [ac, row] = [d.acSources[0]?.id ?? '', d.loads[0]?.id];
    const one = after(two, sameCaseOps(two, ac, 'q'));
    expect([one.sources[0]?.loadId, one.acSources[0]?.inverter?.chargerId]).toEqual([row, 'q']);
    expect(after(one, sameCaseOps(one, ac, null)).sources[0]?.loadId).toBeNull();
    const measured: Design = { ...d, sources: [{ ...charger, pathMohm: 4 }] };
    expect(after(measured, sameCaseOps(measured, ac, 'q')).sources[0]?.loadId).toBeNull();
    // An old file that says so is read the same.
    const old: Design = { ...two, acSources: one.acSources };
    expect(joinMachines(old).sources[0]?.loadId).toBe(row);
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
