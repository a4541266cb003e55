/** What the loads draw through a day in a way of living (docs/methods.md, M11). */
import type { Living, Load, When } from '../design';
import { isCharging } from '../network/asked';
import { standingA } from '../network/positions';
import { cover, spanH, spansOf, stretched } from './sources';

/** By bank and step: constant power W, conductance S, constant current A. */
export interface Draws {
  readonly powerW: Float64Array;
  readonly siemens: Float64Array;
  readonly amps: Float64Array;
}

/** Watts of a load at its nominal volts, all its pieces. */
export const nominalW = (load: Load): number => load.quantity * (load.ratingBy === 'W' ? load.rating : load.rating * load.nominalV);

/** Part of each step that is day, night, or has the engine running. Day is where the sun stands; 6 to 18 where none is entered. */
export function windowOf(living: Living, when: When, n: number): Float64Array {
  const stepH = 24 / n;
  const out = new Float64Array(n);
  if (when === 'any time') return out.fill(1);
  const what = when === 'engine running' ? 'engine' : 'sun';
  const entered = spansOf(living, what);
  const spans = entered.length === 0 && what === 'sun' ? [{ id: 'sun', what, fromH: 6, toH: 18, level: 0 } as const] : entered;
  for (let t = 0; t < n; t++) {
    const light = Math.min(
      1,
      spans.reduce((sum, s) => sum + cover(s, t * stepH, stepH), 0),
    );
    out[t] = when === 'by night' ? 1 - light : light;
  }
  return out;
}

/** Part of each step a load is in use: its hours fill its window first and spill over into the rest of the day. */
export function inUse(hours: number, window: Float64Array): Float64Array {
  const n = window.length;
  const out = new Float64Array(n);
  let windowH = 0;
  for (let t = 0; t < n; t++) windowH += ((window[t] as number) * 24) / n;
  const within = windowH > 0 ? Math.min(1, hours / windowH) : 0;
  const spill = windowH < 24 - 1e-9 ? Math.min(1, Math.max(0, hours - windowH) / (24 - windowH)) : 0;
  for (let t = 0; t < n; t++) out[t] = within * (window[t] as number) + spill * (1 - (window[t] as number));
  return out;
}

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

/** All loads of one bank. @param nominalV of the bank. */
export function drawsOf(living: Living, loads: readonly Load[], nominalV: number, n: number): Draws {
  const draws: Draws = { powerW: new Float64Array(n), siemens: new Float64Array(n), amps: new Float64Array(n) };
  const windows = new Map<When, Float64Array>();
  for (const load of loads) {
    if (isCharging(load)) continue;
    const hours = Math.min(24, load.hours[living.id] ?? 0);
    const standby = standsBy(load, living) ? standingA(load) : 0;
    if (hours <= 0 && standby <= 0) continue;
    const when = load.when[living.id] ?? 'any time';
    const window = windows.get(when) ?? windowOf(living, when, n);
    windows.set(when, window);
    const use = inUse(hours, window);
    const watts = nominalW(load);
    const into = load.behaviour === 'power' ? draws.powerW : load.behaviour === 'resistance' ? draws.siemens : draws.amps;
    const unit = load.behaviour === 'power' ? watts : load.behaviour === 'resistance' ? watts / nominalV ** 2 : watts / nominalV;
    for (let t = 0; t < n; t++) {
      into[t] = (into[t] as number) + unit * (use[t] as number);
      draws.amps[t] = (draws.amps[t] as number) + standby * (1 - (use[t] as number));
    }
  }
  return draws;
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
