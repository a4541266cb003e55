/** What a design's circuits ask of copper and hands: kg, and minutes of one pair of hands. What stays as found asks nothing. */
import type { AcCircuitResult } from '../ac';
import type { CircuitResult } from '../circuit';
import { type Design, rowOf } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { AC_JACKET, DEVICE_MIN, END_MIN, PANEL_MIN, PULL_MIN_PER_M } from '../rules';

export interface Effort {
  readonly kg: number;
  readonly minutes: number;
}

/** Copper and jacket of an AC run, kg. */
export const acKg = (r: AcCircuitResult): number => (r.lengthM * r.cores.length * r.conductor.massKgPerKm * AC_JACKET) / 1000;

/** @param leads battery cables, and AC runs: their copper; that they are there is no work of a remedy's. */
export function effortOf(
  design: Design,
  circuits: readonly CircuitResult[],
  leads: readonly BatteryCableResult[] = [],
  acRuns: readonly AcCircuitResult[] = [],
): Effort {
  let kg = leads.reduce((sum, l) => sum + (l.lengthM * l.conductor.massKgPerKm) / 1000, 0) + acRuns.reduce((sum, r) => sum + acKg(r), 0);
  let minutes = PANEL_MIN * design.panels.length;
  for (const r of circuits) {
    const c = rowOf(design.circuits, r.id);
    if (!c || r.own.ladder.kept) continue;
    kg += r.own.state.massKg;
    const hot = c.via.some((id) => rowOf(design.places, id)?.engineSpace === true);
    const { legs } = r.own.ladder.chosen;
    minutes += r.lengthM * (hot ? PULL_MIN_PER_M['engine space'] : PULL_MIN_PER_M[c.enclosure]);
    minutes += legs * c.taps.length * 4 * END_MIN + (r.own.protection.missing ? 0 : DEVICE_MIN) + DEVICE_MIN * c.devices.length;
  }
  return { kg, minutes };
}
