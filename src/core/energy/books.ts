/** What the time loop takes and keeps: a day's factors, its trace, its running sums. */
import type { Scene } from './scene';

/** What one day has of what the way of living says: 1 is as entered. */
export interface Factors {
  sun: number;
  wind: number;
  use: number;
  motor: number;
}
export const AS_ENTERED: Readonly<Factors> = { sun: 1, wind: 1, use: 1, motor: 1 };

/** What is kept of every step, row by row. */
export interface Trace {
  /** By step and bank. */
  readonly soc: Float64Array;
  readonly volts: Float64Array;
  readonly bankA: Float64Array;
  /** By step and source. */
  readonly sourceA: Float64Array;
  /** By step. */
  readonly loadA: Float64Array;
  readonly unmetA: Float64Array;
}

/** Running sums since the reset, Ah unless named otherwise. By bank, by source, or alone. */
export interface Totals {
  readonly inAh: Float64Array;
  readonly outAh: Float64Array;
  readonly storedAh: Float64Array;
  readonly drawnAh: Float64Array;
  readonly selfAh: Float64Array;
  readonly overflowAh: Float64Array;
  readonly belowWindowH: Float64Array;
  /** Hours since full, and the longest spell; hours in a row under 70 %, and the longest. */
  readonly sinceFullH: Float64Array;
  readonly longestH: Float64Array;
  readonly under70H: Float64Array;
  readonly longest70H: Float64Array;
  /** Lowest state of charge since the day began. */
  readonly lowest: Float64Array;
  readonly sourceAh: Float64Array;
  readonly sourceH: Float64Array;
  /** By Sum (kernel/layout.ts). */
  readonly sums: Float64Array;
}
export interface Loop {
  readonly soc: Float64Array;
  readonly totals: Totals;
  /** All banks at these states of charge (one figure: all alike), stages and sums at their start. */
  readonly reset: (soc: number | ArrayLike<number>) => void;
  /** What loads draw as another scene has it, that differs in nothing else. */
  readonly redraw: (scene: Scene) => void;
  /** One day in a way of living, by its place among the scene's days: one that is gone through. */
  readonly day: (index: number, factors: Readonly<Factors>, trace?: Trace, step?: number) => void;
}

export const FULL_SOC = 0.995;

export function traceFor(scene: Scene, days: number): Trace {
  const steps = scene.n * days;
  return {
    soc: new Float64Array(steps * scene.banks.length),
    volts: new Float64Array(steps * scene.banks.length),
    bankA: new Float64Array(steps * scene.banks.length),
    sourceA: new Float64Array(steps * scene.sources.length),
    loadA: new Float64Array(steps),
    unmetA: new Float64Array(steps),
  };
}
