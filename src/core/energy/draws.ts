/** What the loads draw through a day in a way of living (docs/methods.md, M11). */
import type { Living, Load, When } from '../design';
import { cover, isCharging, nominalW, spanH, spansOf, standingA } from '../demand';
import { stretched } from './sources';

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

/** Part of the steps within its window, and of those outside, that a load is in use. */
export interface InUse {
  readonly within: number;
  readonly spill: number;
}

const hoursOf = (window: Float64Array): number => (window.reduce((sum, part) => sum + part, 0) * 24) / window.length;

/** Hours fill the load's window first and spill over into the rest of the day. @param windowH hours of the window. */
export const inUse = (hours: number, windowH: number): InUse => ({
  within: windowH > 0 ? Math.min(1, hours / windowH) : 0,
  spill: windowH < 24 - 1e-9 ? Math.min(1, Math.max(0, hours - windowH) / (24 - windowH)) : 0,
});

/** Part of a step a load is in use, part of which lies within its window. */
export const inUseAt = ({ within, spill }: InUse, part: number): number => spill + (within - spill) * part;

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
  const windows = new Map<When, { readonly part: Float64Array; readonly hours: number }>();
  for (const load of loads) {
    if (isCharging(load)) continue;
    const hours = Math.min(24, load.hours[living.id] ?? 0);
    const standby = standsBy(load, living) ? standingA(load) : 0;
    if (hours <= 0 && standby <= 0) continue;
    const when = load.when[living.id] ?? 'any time';
    let window = windows.get(when);
    if (!window) {
      const part = windowOf(living, when, n);
      windows.set(when, (window = { part, hours: hoursOf(part) }));
    }
    const use = inUse(hours, window.hours);
    const watts = nominalW(load);
    const kind = load.behaviour === 'power' ? 0 : load.behaviour === 'resistance' ? 1 : 2;
    const unit = kind === 0 ? watts : kind === 1 ? watts / nominalV ** 2 : watts / nominalV;
    const { part } = window;
    for (let t = 0, row = at; t < n; t++, row += stride) {
      const used = inUseAt(use, part[t] as number);
      table[row + kind] = (table[row + kind] as number) + unit * used;
      table[row + 2] = (table[row + 2] as number) + standby * (1 - used);
    }
  }
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
