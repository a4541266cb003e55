/** AC sides for the core's own tests. */
import {
  type AcCircuit,
  type AcLoad,
  type AcSource,
  blankAcCircuit,
  blankAcLoad,
  blankAcPanel,
  blankAcSource,
  type Design,
  type Finding,
} from '../design';
import { findingsOf } from '../check';
import { ASSUMED_PEDESTAL_OHM } from './services';
import { bareBoat } from '../design/testing';

/** Its pedestal's resistance asked, as much as is assumed else; its isolator entered. */
export function shoreOf(design: Design, change: Partial<AcSource> = {}): AcSource {
  const blank = blankAcSource('shore', 'shore', design.boat);
  const isolator = { placeId: 'chart', ratedA: 100, earthM: 1, earthSize: null };
  return { ...blank, shore: blank.shore && { ...blank.shore, pedestalOhm: ASSUMED_PEDESTAL_OHM, isolator }, ...change };
}

/** A boat of the metric school (230 V) or the awg school (120 V) with an inlet, a panel and one branch to a kettle in the galley. */
export function pluggedIn(school: 'awg' | 'metric' = 'metric'): Design {
  const bare = bareBoat(school);
  const run = (id: string, from: AcCircuit['from'], more: Partial<AcCircuit>): AcCircuit => ({
    ...blankAcCircuit(id, id, id, from),
    ...more,
  });
  return {
    ...bare,
    acSources: [shoreOf(bare, { placeId: 'lazarette' })],
    acPanels: [{ ...blankAcPanel('panel', 'chart'), name: 'AC panel' }],
    acLoads: [appliance('kettle', 1840, { placeId: 'galley' })],
    acCircuits: [
      run('main', { kind: 'source', id: 'shore' }, { to: { kind: 'panel', id: 'panel' }, leakageMa: 30, lengthM: 4 }),
      run('galley', { kind: 'panel', id: 'panel' }, { loadIds: ['kettle'], lengthM: 6 }),
    ],
    acRules: { ...bare.acRules, earthing: 'whole-boat residual current' },
  };
}

export const appliance = (id: string, watts: number, more: Partial<AcLoad> = {}): AcLoad => ({
  ...blankAcLoad(id),
  name: id,
  watts,
  ...more,
});

/** A generator and an inverter beside the shore lead: the first panel turned by hand, the second by a relay. */
export function withMachines(design: Design): Design {
  const generator = { ...blankAcSource('gen', 'generator', design.boat), placeId: 'lazarette' };
  const inverter = { ...blankAcSource('inv', 'inverter', design.boat), placeId: 'lazarette' };
  const run = (id: string, from: AcCircuit['from'], to: string): AcCircuit => ({
    ...blankAcCircuit(id, id, id, from),
    to: { kind: 'panel', id: to },
    leakageMa: 30,
    lengthM: 3,
  });
  return {
    ...design,
    acSources: [...design.acSources, generator, inverter],
    acPanels: [
      ...design.acPanels.map((p) => ({ ...p, transfer: 'by hand' as const })),
      { ...blankAcPanel('small', 'chart'), name: 'Inverter panel', transfer: 'relay' },
    ],
    acLoads: [...design.acLoads, appliance('tv', 100)],
    acCircuits: [
      ...design.acCircuits,
      run('gen-main', { kind: 'source', id: 'gen' }, 'panel'),
      run('to-small', { kind: 'panel', id: 'panel' }, 'small'),
      run('inv-small', { kind: 'source', id: 'inv' }, 'small'),
      { ...blankAcCircuit('tv-run', 'tv-run', 'tv-run', { kind: 'panel', id: 'small' }), loadIds: ['tv'], lengthM: 3 },
    ],
  };
}

/** What the table of rules says of the AC side alone. */
export const acFindings = (design: Design): readonly Finding[] =>
  findingsOf({ design, circuits: [], worked: [], leads: [], needs: [], studied: null }).filter(
    (f) => f.about.kind.startsWith('AC') || f.about.id === 'ac',
  );
