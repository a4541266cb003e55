/** What a design's circuits ask of copper and hands: kg, and minutes of one pair of hands. What stays as found asks nothing. */
import type { CircuitResult } from '../circuit';
import { type Design, rowOf } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { DEVICE_MIN, END_MIN, PANEL_MIN, PULL_MIN_PER_M } from '../rules';

export interface Effort {
  readonly kg: number;
  readonly minutes: number;
}

/** @param leads battery cables: their copper, one conductor each; that they are there is no work of a remedy's. */
export function effortOf(design: Design, circuits: readonly CircuitResult[], leads: readonly BatteryCableResult[] = []): Effort {
  let kg = leads.reduce((sum, l) => sum + (l.lengthM * l.conductor.massKgPerKm) / 1000, 0);
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
