/** Motors starting behind AC breakers: each by itself beside what is wanted, and all that restart by themselves after a blackout (docs/methods.md, M12). */
import { carries } from '../protection';
import { type AcLoad, rowOf } from '../design';
import type { AcParts } from './parts';
import { reachFrom, vaOf } from './consumers';
import type { AcCircuitResult } from './circuits';
import { USUAL_START_S } from './runs';

/** Amps on one leg of the volts: what lies between the legs takes half of its volt-amperes on each. */
const onLeg = (l: AcLoad, va: number, volts: number, leg: 'first' | 'second'): number =>
  l.leg === 'both' ? va / (2 * volts) : l.leg === leg ? va / volts : 0;

export interface BreakerStart {
  /** Appliances that start, and amps on the fuller leg with what runs besides. */
  readonly ids: readonly string[];
  readonly amps: number;
  readonly seconds: number;
  /** The breaker may open before the start is over. */
  readonly opens: boolean;
}

export interface RunStarts {
  readonly id: string;
  /** Each motor behind it, while what is wanted together runs. */
  readonly alone: readonly BreakerStart[];
  /** All that start again by themselves; null: fewer than two. */
  readonly blackout: BreakerStart | null;
}

/** Appliances behind a run; a feeder's through panels and inverters that pass on. */
export function behindRun(design: AcParts, run: AcCircuitResult): readonly AcLoad[] {
  const c = rowOf(design.acCircuits, run.id);
  if (!c) return [];
  const behind = c.to ? reachFrom(design, c.to.kind === 'panel' ? 'panel' : 'source', c.to.id).loads : new Set<string>();
  return design.acLoads.filter((l) => c.loadIds.includes(l.id) || behind.has(l.id));
}

const restarts = (l: AcLoad): boolean => l.motor && l.runsLong && (l.surgeVa ?? 0) > 0;

/** @param two whether the service has two legs. */
function ampsOf(design: AcParts, starting: readonly AcLoad[], running: readonly AcLoad[], volts: number, two: boolean): number {
  const sum = (leg: 'first' | 'second') =>
    starting.reduce((s, l) => s + onLeg(l, l.surgeVa ?? 0, volts, leg), 0) +
    running.reduce((s, l) => s + onLeg(l, vaOf(design, l), volts, leg), 0);
  return two ? Math.max(sum('first'), sum('second')) : sum('first');
}

/** Every run that has motors behind it. */
export function startsBehind(design: AcParts, runs: readonly AcCircuitResult[]): readonly RunStarts[] {
  const wanted = new Set(design.acRules.wanted);
  return runs.flatMap((r): RunStarts[] => {
    // A leg the service has not is calculated on the first.
    const rows = behindRun(design, r).map((l) => (r.legs === 1 ? { ...l, leg: 'first' as const } : l));
    const motors = rows.filter((l) => (l.surgeVa ?? 0) > 0);
    if (motors.length === 0) return [];
    const start = (starting: readonly AcLoad[], running: readonly AcLoad[]): BreakerStart => {
      const amps = ampsOf(design, starting, running, r.volts, r.legs === 2);
      const seconds = Math.max(...starting.map((l) => l.surgeS ?? USUAL_START_S));
      return { ids: starting.map((l) => l.id), amps, seconds, opens: !carries(r.family, r.ratingA, amps, seconds) };
    };
    const c = rowOf(design.acCircuits, r.id);
    const machine = c?.from.kind === 'source' ? rowOf(design.acSources, c.from.id)?.inverter : null;
    // What an inverter that passes nothing on does not give, opens no breaker of its own: whether it starts there, is asked of the inverter.
    if (machine && machine.passA === null) return [];
    const all = motors.filter(restarts);
    return [
      {
        id: r.id,
        alone: motors.map((m) =>
          start(
            [m],
            rows.filter((l) => l.id !== m.id && wanted.has(l.id)),
          ),
        ),
        blackout:
          all.length < 2
            ? null
            : start(
                all,
                rows.filter((l) => l.runsLong && !all.includes(l)),
              ),
      },
    ];
  });
}
