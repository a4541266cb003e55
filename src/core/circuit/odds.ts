/**
 * How sure a choice is: its tests again over the spread of what they go by (docs/methods.md, M15). Every band is two sigma; each figure moves by
 * itself, the estimated lengths of a circuit together. A run is asked for the volts of the whole path, as the load is.
 */
import type { Load } from '../design';
import { random } from '../solve';
import type { WorkedCircuit } from './circuitResult';
import type { CircuitInput } from './circuitInput';
import { applicable, conductorOf, CRITERIA, passes } from './ladder';
import { type Candidate, circuitTrial, type CircuitTrial, ownDeviceOhm, sizeTrial } from './trial';

/** What a choice goes by. */
export type Unknown = 'run' | 'load' | 'demand' | 'device' | 'in line' | 'before' | 'bank' | 'ambient' | 'copper';

export interface Odds {
  /** Part of the draws in which every test passes, 0..1. */
  readonly passes: number;
  /** The figure that most decides, with the load it is of, and whether it is known as well as it can be; null where nothing fails, or everything. */
  readonly decides: { readonly unknown: Unknown; readonly load: string | null; readonly best: boolean } | null;
}

/** Two sigma below and above the central value, as a part of it. */
type Band = readonly [below: number, above: number];
const even = (part: number): Band => [part, part];

const TAPED = even(0.02);
const ESTIMATED = even(0.15);
const COPPER = even(0.05);
const TYPICAL_DEVICE: Band = [0.4, 0.6];
const MAKERS = even(0.1);
const TYPICAL_BANK: Band = [0.4, 1];
const MAKERS_BANK = even(0.2);
const LOADS: Readonly<Record<Load['mark'], Band>> = {
  measured: even(0.03),
  "maker's": even(0.1),
  typical: even(0.25),
  estimated: even(0.25),
  assumed: even(0.25),
};
/** Nothing closer can be entered. */
const BEST: readonly Band[] = [TAPED, COPPER, LOADS.measured, MAKERS];
/** Of what flows in mains and feeders, and of their own lengths and copper. */
const BEFORE = even(0.3);
const AMBIENT_C = 5;

/** One figure that is not known exactly. */
interface Variable {
  readonly unknown: Unknown;
  readonly band: Band;
  /** Of the tap whose load it is. */
  readonly tap?: number;
}

function variablesOf(b: CircuitTrial): Variable[] {
  const { input } = b;
  const estimated = input.found ? false : input.taps.some((t) => t.tap.tapedM === null);
  const ownOhm = ownDeviceOhm(input, b.protection, b.family);
  const typicalInLine = input.circuit.devices.some((d) => d.mohm === null);
  const out: Variable[] = [
    { unknown: 'run', band: estimated ? ESTIMATED : TAPED },
    { unknown: 'copper', band: COPPER },
    { unknown: 'ambient', band: even(1) },
    ...input.taps.flatMap((t, tap): Variable[] =>
      t.load ? [{ unknown: 'load', tap, band: LOADS[t.load.mark] }] : t.panel ? [{ unknown: 'demand', tap, band: LOADS.typical }] : [],
    ),
  ];
  if (ownOhm > 0) out.push({ unknown: 'device', band: input.circuit.deviceMohm === null ? TYPICAL_DEVICE : MAKERS });
  if (input.inlineOhm > 0) out.push({ unknown: 'in line', band: typicalInLine ? TYPICAL_DEVICE : MAKERS });
  if (!input.isFeeder && input.upstreamDropV > 0) out.push({ unknown: 'before', band: BEFORE });
  if (input.upstream.bank) out.push({ unknown: 'bank', band: input.upstream.bank.faultIsMakers ? MAKERS_BANK : TYPICAL_BANK });
  return out;
}

/** Times the central value, z sigma away. */
const times = ([below, above]: Band, z: number): number => Math.max(0.02, 1 + (z * (z < 0 ? below : above)) / 2);

/** The circuit with every figure so many sigma from where it is entered. */
function drawn(b: CircuitTrial, variables: readonly Variable[], z: readonly number[]): CircuitTrial {
  const { input } = b;
  const by = (unknown: Unknown): number => {
    const i = variables.findIndex((v) => v.unknown === unknown);
    return i < 0 ? 1 : times((variables[i] as Variable).band, z[i] ?? 0);
  };
  const loadBy = input.taps.map(() => 1);
  variables.forEach((v, i) => {
    if (v.tap !== undefined) loadBy[v.tap] = times(v.band, z[i] ?? 0);
  });
  const ownA = input.taps.map((t, i) => t.ownA * (loadBy[i] ?? 1));
  const [was, now] = [input.taps.reduce((sum, t) => sum + t.ownA, 0), ownA.reduce((sum, x) => sum + x, 0)];
  const part = was > 0 ? now / was : 1;
  const run = by('run');
  const ambient = variables.findIndex((v) => v.unknown === 'ambient');
  const riseC = (AMBIENT_C / 2) * (z[ambient] ?? 0);
  const { bank } = input.upstream;
  const bankBy = by('bank');
  const before = by('before');
  const moved: CircuitInput = {
    ...input,
    workingA: input.workingA * part,
    lengthM: input.lengthM * run,
    copperFactor: by('copper'),
    inlineOhm: input.inlineOhm * by('in line'),
    upstreamDropV: input.upstreamDropV * before,
    surroundings: input.surroundings.map((s) => ({ ...s, ambientC: s.ambientC + riseC })),
    upstream: {
      ...input.upstream,
      hotOhm: input.upstream.hotOhm * before,
      // Its smallest fault is told with twice the typical resistance: here the typical one itself has its band.
      bank: bank && { ...bank, ohm: bank.ohm * bankBy, smallestOhm: (bank.smallestOhm / 2) * bankBy },
    },
    taps: input.taps.map((t, i) => {
      const f = loadBy[i] ?? 1;
      return {
        ...t,
        lengthM: t.lengthM * run,
        ownA: t.ownA * f,
        // What its segment carries is its own and what lies behind it.
        segmentA: t.segmentA * (input.taps.length === 1 ? f : part),
        fixedA: t.fixedA * f,
        powerW: t.powerW * f,
      };
    }),
    surges: input.surges.map((s) => {
      const f = loadBy[s.tapIndex] ?? 1;
      return { ...s, addsA: s.addsA * f, loadA: s.loadA * f, circuitA: s.circuitA * f };
    }),
  };
  const trial = circuitTrial(moved, b.protection);
  const ownOhm = ownDeviceOhm(input, b.protection, b.family);
  return { ...trial, headOhm: trial.headOhm + (by('device') - 1) * ownOhm };
}

/** Every test, the drop and the start by the whole path; of a feeder by its own run. */
function holds(b: CircuitTrial, chosen: Candidate): boolean {
  const tried = sizeTrial(b, chosen);
  for (const id of CRITERIA) {
    if (id === 'terminals' || !applicable(b, id)) continue;
    if (id === 'drop' && !b.input.isFeeder) {
      const drop = tried.drop();
      if (drop.collapses || !drop.wholePasses) return false;
    } else if (id === 'surge' && !b.input.isFeeder) {
      if (tried.surge()?.wholePasses === false) return false;
    } else if (!passes(b, id, tried)) return false;
  }
  return true;
}

const DRAWS = 400;
/** Where so many pass without one failing, more of them say no more. */
const FIRST = 100;
/** All figures this many sigma to the worse side together: where that passes, nothing is left to ask. */
const FAR = 3;

/** Signs by which each figure makes things worse; a bank is worse for what starts when it is weak, for faults when either. */
const CORNERS: readonly ((v: Variable) => number)[] = [() => FAR, (v) => (v.unknown === 'bank' ? -FAR : FAR)];

/** How sure the choice of a circuit is. Seeded: asked again it answers the same. */
export function oddsOf({ result, trial: b }: WorkedCircuit): Odds {
  const choice = result.own.ladder.chosen;
  const chosen: Candidate = { conductor: conductorOf(b, choice), legs: choice.legs };
  const variables = variablesOf(b);
  if (CORNERS.every((sign) => holds(drawn(b, variables, variables.map(sign)), chosen))) return { passes: 1, decides: null };
  const { normal } = random(1, variables.length);
  /** Mean of each figure's draws among those that fail: the one that strays furthest decides. */
  const strays = variables.map(() => 0);
  let failed = 0;
  for (let n = 0; n < (failed > 0 ? DRAWS : FIRST); n++) {
    const z = variables.map(normal);
    if (holds(drawn(b, variables, z), chosen)) continue;
    failed++;
    z.forEach((x, i) => (strays[i] = (strays[i] ?? 0) + x));
  }
  let most = 0;
  strays.forEach((x, i) => {
    if (Math.abs(x) > Math.abs(strays[most] ?? 0)) most = i;
  });
  const decides = variables[most];
  return {
    passes: 1 - failed / DRAWS,
    decides:
      failed > 0 && failed < DRAWS && decides
        ? {
            unknown: decides.unknown,
            load: decides.unknown !== 'load' || decides.tap === undefined ? null : (b.input.taps[decides.tap]?.name ?? null),
            best: BEST.includes(decides.band),
          }
        : null,
  };
}
