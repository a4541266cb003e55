/** Stages 2 and 3: each circuit alone, the heavy ones last. */
import type { CircuitResult } from '../../circuit';
import { LOAD_SPREAD, nominalW } from '../../demand';
import { type Design, kindOf, nominalVOf, rowOf } from '../../design';
import { show } from '../../quantity';
import { bandOf, clamp, even } from '../band';
import { bankBehind } from '../bankBehind';
import { type Conditions, dropBand, line, probesAt, type TestLine } from '../line';
import { pathOf } from '../path';
import { stretchesOf } from '../stretch';

export const HEAVY_A = 50;

export function circuitLines(design: Design, circuits: readonly CircuitResult[], given: Conditions): TestLine[] {
  const out: TestLine[] = [];
  for (const c of design.circuits) {
    const r = rowOf(circuits, c.id);
    if (!r) continue;
    for (const [i, t] of c.taps.entries()) {
      const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
      if (!load || load.group === 'charging' || kindOf(load) === 'starter') continue;
      const amps = nominalW(load) / load.nominalV;
      const elements = pathOf(design, circuits, c.id, i, given.ambientC);
      if (elements.length === 0) continue;
      const heavy = amps >= HEAVY_A;
      const name = `${c.no} ${load.name}`.trim();
      const amp = LOAD_SPREAD[load.mark];
      out.push(
        line(heavy ? 3 : 2, {
          id: `amps.${c.id}.${t.id}`,
          what: `amps of ${name}`,
          state: 'it alone is on',
          probes: 'clamp round its positive, at the panel',
          unit: 'A',
          band: bandOf(amps, [even(`${load.mark} figure`, amp * amps), even('clamp', clamp(amps))]),
          working: `${nominalW(load).toFixed(0)} W at ${load.nominalV} V, ${load.mark}`,
          hazard: hazardOf(kindOf(load)),
          outside: 'Another machine than the list says, or it works harder than it should.',
        }),
        line(heavy ? 3 : 2, {
          id: `drop.${c.id}.${t.id}`,
          what: `volts lost to ${name}, there and back`,
          state: 'it alone is on; its amps as just read',
          probes: `bank + to its + terminal, and its − terminal to bank −; both added`,
          unit: 'mV',
          band: dropBand(elements, amps),
          limit: { least: null, most: (1000 * limitPct(design, load.critical) * nominalVOf(design, bankBehind(design, c))) / 100 },
          working: `${elements.reduce((n, e) => n + e.mohm, 0).toFixed(2)} mΩ at ${amps.toFixed(1)} A, copper at ${show(given.ambientC, 'C', design.boat)}`,
          hazard: hazardOf(kindOf(load)),
          outside: 'Part by part along the path: one of them has what it should not.',
          drop: { atA: amps, elements },
          at: probesAt(stretchesOf(elements)),
        }),
      );
    }
  }
  return out;
}

/** Of the whole path, as the design is judged: a critical load's run has the house's figure, its path twice that unless the house is strict. */
const limitPct = ({ house }: Design, critical: boolean): number =>
  critical ? house.criticalDropPct * (house.strictDrop ? 1 : 2) : house.generalDropPct;

const hazardOf = (kind: ReturnType<typeof kindOf>): string =>
  kind === 'windlass or thruster'
    ? 'Windlass: chain secured, clutch free. Thruster: afloat, propellers clear, a look-out. Its duty is not exceeded.'
    : kind === 'blower' || kind === 'radar'
      ? 'Clear of what turns and of what radiates.'
      : '';
