/** What the loads draw through a day in a way of living (docs/methods.md, M11). */
import type { Living, Load, When } from '../design';
import { cover, hoursOf, inUse, inUseAt, isCharging, nominalW, spanH, spansOf, standingA, windowOf } from '../demand';
import { stretched } from './sources';

/** Whether a load's stand-by is drawn in a way of living. */
export const standsBy = (load: Load, living: Living): boolean =>
  standingA(load) > 0 &&
  !isCharging(load) &&
  (load.supply === 'always live' || (living.houseSwitch === 'on' && load.supply !== 'engine key'));

/** Ah a day of one load: nominal amps x hours, and its stand-by for the rest of the day. */
export const dayAh = (load: Load, living: Living): number => {
  if (isCharging(load)) return 0;
  const hours = Math.min(24, load.hours[living.id] ?? 0);
  const amps = nominalW(load) / load.nominalV;
  return amps * hours + (standsBy(load, living) ? standingA(load) * (24 - hours) : 0);
};

/**
 * What the loads of one bank draw, added into a table: constant power W, conductance S and constant current A, every step.
 * @param nominalV of the bank. @param at where its first step stands; @param stride from one step to the next.
 */
export function drawsOf(
  living: Living,
  loads: readonly Load[],
  nominalV: number,
  n: number,
  table: Float64Array,
  at: number,
  stride: number,
): void {
  // What is on for as long in the same hours is on together: each such group is gone through the day once.
  const groups = new Map<When, Map<number, Group>>();
  for (const load of loads) {
    if (isCharging(load)) continue;
    const hours = Math.min(24, load.hours[living.id] ?? 0);
    const standby = standsBy(load, living) ? standingA(load) : 0;
    if (hours <= 0 && standby <= 0) continue;
    const when = load.when[living.id] ?? 'any time';
    let byHours = groups.get(when);
    if (!byHours) groups.set(when, (byHours = new Map<number, Group>()));
    let group = byHours.get(hours);
    if (!group) byHours.set(hours, (group = { watts: 0, siemens: 0, amps: 0, standby: 0 }));
    const watts = nominalW(load);
    if (load.behaviour === 'power') group.watts += watts;
    else if (load.behaviour === 'resistance') group.siemens += watts / nominalV ** 2;
    else group.amps += watts / nominalV;
    group.standby += standby;
  }
  for (const [when, byHours] of groups) {
    const part = windowOf(living, when, n);
    const windowH = hoursOf(part);
    for (const [hours, { watts, siemens, amps, standby }] of byHours) {
      const use = inUse(hours, windowH);
      for (let t = 0, row = at; t < n; t++, row += stride) {
        const used = inUseAt(use, part[t] as number);
        table[row] = (table[row] as number) + watts * used;
        table[row + 1] = (table[row + 1] as number) + siemens * used;
        table[row + 2] = (table[row + 2] as number) + amps * used + standby * (1 - used);
      }
    }
  }
}

/** Loads that are on for as many hours in the same window: what they draw while on, and what they stand by with. */
interface Group {
  watts: number;
  siemens: number;
  amps: number;
  standby: number;
}

/** Where in its engine span each step begins (0 at the start, 1 at its planned end, more in the stretch beyond; -1 outside), and how much of it a step is. */
export function enginePhase(living: Living, n: number): { readonly phase: Float64Array; readonly perStep: Float64Array } {
  const stepH = 24 / n;
  const phase = new Float64Array(n).fill(-1);
  const perStep = new Float64Array(n);
  for (const s of spansOf(living, 'engine')) {
    for (let t = 0; t < n; t++) {
      if (cover(stretched(s), t * stepH, stepH) <= 0) continue;
      const here = Math.max(0, (t * stepH - s.fromH) / spanH(s));
      // A planned span goes before another's stretch.
      if ((phase[t] as number) >= 0 && here >= 1) continue;
      phase[t] = here;
      perStep[t] = stepH / spanH(s);
    }
  }
  return { phase, perStep };
}
