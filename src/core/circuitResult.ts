/** One circuit analysed: its own school's answer in full, the other school's beside it, and what it hands to the circuits below. */
import { circuitFindings } from './check/circuitFindings';
import type { Finding } from './check/findings';
import { bench, type Bench } from './conductor/evaluate';
import { ladder, stateAt, type Ladder, type State } from './conductor/ladder';
import { SEGMENT_JOINTS_OHM, type CircuitInput } from './conductor/circuitInput';
import { conductorOhm } from './conductor/resistance';
import type { Demand } from './network/demand';
import type { Upstream } from './network/upstream';
import { chooseProtection, type Protection } from './protection/choose';
import type { Units } from './quantity';
import { CONDUCTORS, findConductor, type Conductor } from './rules/conductors';

export interface Side {
  readonly protection: Protection;
  readonly ladder: Ladder;
  readonly state: State;
}

export interface TapResult {
  readonly id: string;
  readonly name: string;
  readonly estimatedM: number;
  readonly lengthM: number;
  readonly taped: boolean;
  readonly ownA: number;
  readonly segmentA: number;
}

export interface CircuitResult {
  readonly id: string;
  readonly no: string;
  readonly name: string;
  readonly isFeeder: boolean;
  readonly workingA: number;
  readonly demand: Demand | null;
  readonly surgeA: number | null;
  readonly surgeS: number | null;
  readonly lengthM: number;
  readonly taps: readonly TapResult[];
  readonly own: Side;
  readonly findings: readonly Finding[];
  /** By tap: what stands before the ways of a panel fed there; null at loads. */
  readonly below: readonly (Upstream | null)[];
}

/** The inputs behind a result, for the working; lost when a result is copied, so ask in the process that analysed. */
const inputs = new WeakMap<CircuitResult, { readonly own: CircuitInput; readonly other: () => CircuitInput }>();

/** The bench a result was worked out on, set up again. */
export function benchOf(result: CircuitResult): Bench | undefined {
  const kept = inputs.get(result);
  return kept && bench(kept.own, result.own.protection);
}

/** The other school's answer to the same circuit, worked out when it is asked for. */
export function otherSchool(result: CircuitResult): { readonly side: Side; readonly bench: Bench } | undefined {
  const kept = inputs.get(result);
  return kept && side(kept.other());
}

const largest = (school: 'awg' | 'metric'): Conductor => CONDUCTORS[school][CONDUCTORS[school].length - 1] as Conductor;

function side(input: CircuitInput): { side: Side; bench: Bench } {
  const protection = chooseProtection(input);
  const b = bench(input, protection);
  const steps = ladder(b);
  const conductor = findConductor(input.school, steps.chosen.size) ?? largest(input.school);
  const state = stateAt(b, { conductor, legs: steps.chosen.legs });
  return { side: { protection, ladder: steps, state }, bench: b };
}

/** What the ways of the panel at each tap see before them. */
function belowTaps(b: Bench, own: Side): (Upstream | null)[] {
  const { input } = b;
  const { state } = own;
  const conductor = findConductor(input.school, state.candidate.size) ?? largest(input.school);
  const ratingC = state.heat.derating.ratingC;
  const up = input.upstream;
  const atWayV = input.volts.lowV - input.upstreamDropV;
  return input.taps.map((tap, at) => {
    if (!tap.panel) return null;
    let hot = b.headOhm;
    let cold = 0;
    let faultHot = b.headOhm;
    for (let i = at; i >= 0; i = input.taps[i]?.parent ?? -1) {
      const lengthM = input.taps[i]?.lengthM ?? 0;
      hot += state.drop.taps[i]?.segmentOhm ?? 0;
      cold += (2 * conductorOhm(conductor.r20OhmPerKm, lengthM, 20)) / state.candidate.legs;
      faultHot += (2 * conductorOhm(conductor.r20OhmPerKm, lengthM, ratingC)) / state.candidate.legs + SEGMENT_JOINTS_OHM;
    }
    const loadV = state.drop.taps[at]?.loadV;
    return {
      bank: up.bank,
      chain: [...up.chain, input.circuit.id],
      dropV: up.dropV + (loadV === undefined ? 0 : atWayV - loadV),
      hotOhm: up.hotOhm + hot,
      coldOhm: up.coldOhm + cold,
      faultHotOhm: up.faultHotOhm + faultHot,
      bankDemandA: 0,
      place: null,
      atBank: false,
      feederRatingA: own.protection.ratingA,
    };
  });
}

export function analyseCircuit(input: CircuitInput, otherInput: () => CircuitInput, units: Units): CircuitResult {
  const own = side(input);
  const { circuit } = input;
  const surge = input.surges.reduce<CircuitInput['surges'][number] | null>(
    (most, s) => (most && most.circuitA >= s.circuitA ? most : s),
    null,
  );
  const result: CircuitResult = {
    id: circuit.id,
    no: circuit.no,
    name: circuit.name,
    isFeeder: input.isFeeder,
    workingA: input.workingA,
    demand: input.demand,
    surgeA: surge?.circuitA ?? null,
    surgeS: surge?.seconds ?? null,
    lengthM: input.lengthM,
    taps: input.taps.map((t) => ({
      id: t.tap.id,
      name: t.name,
      estimatedM: t.estimatedM,
      lengthM: t.lengthM,
      taped: t.tap.tapedM !== null,
      ownA: t.ownA,
      segmentA: t.segmentA,
    })),
    own: own.side,
    findings: circuitFindings(own.bench, own.side.ladder, own.side.state, units),
    below: belowTaps(own.bench, own.side),
  };
  inputs.set(result, { own: input, other: otherInput });
  return result;
}
