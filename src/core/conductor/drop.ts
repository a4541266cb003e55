/** Voltage along a radial run: constant power is solved, not divided (docs/methods.md, M3). */

export interface PowerPoint {
  readonly loadV: number;
  readonly currentA: number;
}

/** Volts and amps of one constant-power load behind a resistance: upper root of V^2 - Vs V + P R = 0. null: the supply collapses. */
export function constantPower(sourceV: number, loopOhm: number, powerW: number): PowerPoint | null {
  const under = sourceV * sourceV - 4 * powerW * loopOhm;
  if (!(under >= 0)) return null;
  const loadV = (sourceV + Math.sqrt(under)) / 2;
  return loadV > 0 ? { loadV, currentA: powerW / loadV } : null;
}

/** One tap of a radial circuit. parent indexes an earlier tap, -1 the way itself. */
export interface SweepTap {
  readonly parent: number;
  /** Loop resistance of the segment from the parent to here, out and back, ohm. */
  ohm: number;
  /** Current drawn here whatever the voltage, A. */
  fixedA: number;
  /** Power drawn here whatever the voltage, W. */
  powerW: number;
}

export interface Sweep {
  /** Volts at each tap. Empty when the supply collapses. */
  readonly tapV: readonly number[];
  readonly totalA: number;
  readonly collapses: boolean;
}

const COLLAPSED: Sweep = { tapV: [], totalA: NaN, collapses: true };

/**
 * Backward/forward sweep from sourceV over the taps. headOhm stands in line before all of them (way, devices).
 * One constant-power tap is solved in closed form; several by iteration on the upper branch, 1e-9 V.
 */
export function sweep(sourceV: number, headOhm: number, taps: readonly SweepTap[]): Sweep {
  const n = taps.length;
  const [first] = taps;
  if (n === 1 && first && first.fixedA === 0 && first.powerW > 0) {
    const point = constantPower(sourceV, headOhm + first.ohm, first.powerW);
    return point ? { tapV: [point.loadV], totalA: point.currentA, collapses: false } : COLLAPSED;
  }
  const volts = new Array<number>(n).fill(sourceV);
  const flow = new Array<number>(n).fill(0);
  for (let round = 0; round < 300; round++) {
    for (let i = 0; i < n; i++) {
      const tap = taps[i] as SweepTap;
      flow[i] = tap.fixedA + (tap.powerW > 0 ? tap.powerW / (volts[i] as number) : 0);
    }
    let total = 0;
    for (let i = n - 1; i >= 0; i--) {
      const { parent } = taps[i] as SweepTap;
      if (parent >= 0) flow[parent] = (flow[parent] as number) + (flow[i] as number);
      else total += flow[i] as number;
    }
    let moved = 0;
    for (let i = 0; i < n; i++) {
      const tap = taps[i] as SweepTap;
      const from = tap.parent >= 0 ? (volts[tap.parent] as number) : sourceV - total * headOhm;
      const to = from - (flow[i] as number) * tap.ohm;
      moved = Math.max(moved, Math.abs(to - (volts[i] as number)));
      if (tap.powerW > 0 && !(to > sourceV * 0.3)) return COLLAPSED;
      volts[i] = to;
    }
    if (moved < 1e-9) return { tapV: volts, totalA: total, collapses: false };
  }
  return COLLAPSED;
}
