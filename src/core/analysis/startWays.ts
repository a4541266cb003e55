/** Ways to have a generator's control coil pull in and stay in, each worked out: heavier pairs, a relay at the set, a nearer switch. */
import { type Circuit, type Design, rowOf } from '../design';
import { conductorOhm } from '../conductor';
import { gensetStart, type GensetStart } from '../network';
import { CONDUCTORS, DEVICE_MIN, END_MIN, PULL_MIN_PER_M } from '../rules';
import { sizeName } from '../quantity';
import { servingOf } from '../topology';
import { analyse, type Analysis, createMemory, type Memory } from './analysis';

export interface StartWay {
  readonly id: string;
  readonly say: string;
  /** At the coil: before anything turns, and while its own starter turns, V. */
  readonly atRestV: number;
  readonly turningV: number;
  readonly starts: boolean;
  /** Conductor pulled anew, m, and minutes of one pair of hands. */
  readonly metres: number;
  readonly minutes: number;
}

/** Sizes heavier that are compared. */
const HEAVIER = 2;
/** A small relay's coil, A; from it a pair of this length, of the control circuit's own size, goes to the solenoid, m. Typical. */
const RELAY_A = 0.2;
const RELAY_PAIR_M = 1;

const ways = (s: GensetStart): Pick<StartWay, 'atRestV' | 'turningV' | 'starts'> => ({
  atRestV: s.atRestV,
  turningV: s.turningV,
  starts: s.pullsIn && s.holds,
});

/** Empty where no coil is named or nothing reaches it. */
export function startWays(design: Design, sourceId: string, memory: Memory = createMemory()): readonly StartWay[] {
  const source = rowOf(design.acSources, sourceId);
  const circuit = servingOf(design.circuits).loads.get(source?.generator?.startLoadId ?? '');
  if (!source || !circuit) return [];
  const asIs = analyse(design, memory);
  const now = gensetStart(design, asIs, source);
  const result = rowOf(asIs.circuits, circuit.id);
  if (!now || !result) return [];
  const pulled = (metres: number): number => metres * PULL_MIN_PER_M[circuit.enclosure] + 4 * END_MIN;
  const changed = (change: Partial<Circuit>): GensetStart | null => {
    const d: Design = { ...design, circuits: design.circuits.map((c) => (c.id === circuit.id ? { ...c, ...change } : c)) };
    return gensetStart(d, analyse(d, memory), source);
  };
  const { conductor } = result.own.state;
  const heavier = CONDUCTORS[conductor.school]
    .filter((s) => s.areaMm2 > conductor.areaMm2 + 1e-9)
    .slice(0, HEAVIER)
    .flatMap((s): StartWay[] => {
      const then = changed({ pin: { ...circuit.pin, size: { school: s.school, size: s.size } } });
      return then
        ? [
            {
              id: `heavier ${s.size}`,
              say: `a heavier pair, ${sizeName(s.school, s.size)}`,
              ...ways(then),
              metres: 2 * result.lengthM,
              minutes: pulled(result.lengthM),
            },
          ]
        : [];
    });
  const half = changed({ taps: circuit.taps.map((t, i) => ({ ...t, tapedM: (result.taps[i]?.lengthM ?? result.lengthM) / 2 })) });
  return [
    { id: 'as it is', say: 'as it is', ...ways(now), metres: 0, minutes: 0 },
    ...heavier,
    relayed(design, asIs, now, conductor.r20OhmPerKm, source.id),
    ...(half
      ? [
          {
            id: 'nearer',
            say: 'a switch half as far away',
            ...ways(half),
            metres: result.lengthM,
            minutes: pulled(result.lengthM / 2) + DEVICE_MIN,
          },
        ]
      : []),
  ];
}

/** The run carries a relay's coil alone; the solenoid hangs on the set's own battery by a short pair. */
function relayed(design: Design, asIs: Analysis, now: GensetStart, ohmPerKm: number, sourceId: string): StartWay {
  const source = rowOf(design.acSources, sourceId);
  const pathOhm = (2 * RELAY_PAIR_M * conductorOhm(ohmPerKm, 1000, 20)) / 1000;
  const light: Design = {
    ...design,
    loads: design.loads.map((l) =>
      l.id === now.loadId ? { ...l, quantity: 1, ratingBy: 'A' as const, rating: RELAY_A, behaviour: 'current' as const } : l,
    ),
  };
  const coil = source && gensetStart(light, asIs, source);
  const lost = now.coilA * pathOhm;
  // At rest the run's far end, nearly without current, has the volts of the posts.
  const [atRestV, turningV] = [(coil?.atRestV ?? NaN) - lost, now.postsV - lost];
  return {
    id: 'relay',
    say: 'a relay at the set, fed from its own battery',
    atRestV,
    turningV,
    starts: coil?.pullsIn === true && coil.holds && atRestV >= now.pullInV && turningV >= now.holdInV,
    metres: 2 * RELAY_PAIR_M,
    minutes: DEVICE_MIN + 2 * RELAY_PAIR_M * PULL_MIN_PER_M.open + 4 * END_MIN,
  };
}
