/** In which hours of a day a load's use falls (docs/methods.md, M11). */
import type { Living, When } from '../design';
import { cover, spansOf } from './spans';

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

/** Hours of a window. */
export const hoursOf = (window: Float64Array): number => (window.reduce((sum, part) => sum + part, 0) * 24) / window.length;

/** Hours fill the load's window first and spill over into the rest of the day. @param windowH hours of the window. */
export const inUse = (hours: number, windowH: number): InUse => ({
  within: windowH > 0 ? Math.min(1, hours / windowH) : 0,
  spill: windowH < 24 - 1e-9 ? Math.min(1, Math.max(0, hours - windowH) / (24 - windowH)) : 0,
});

/** Part of a step a load is in use, part of which lies within its window. */
export const inUseAt = ({ within, spill }: InUse, part: number): number => spill + (within - spill) * part;
