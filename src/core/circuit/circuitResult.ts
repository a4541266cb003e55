/** One circuit analysed: its own school's answer in full, the other school's beside it, and what it hands to the circuits below. */
import { circuitTrial, type CircuitTrial, circuitTrialAgain, warmSegmentOhms } from './trial';
import { conductorOf, ladder, type Ladder, ladderAgain, type State, stateAgain, stateAt } from './ladder';
import { circuitInput, type CircuitInput, drifted, type Gathered, type LostBefore } from './circuitInput';
import { endTakes, type Family, SEGMENT_JOINTS_OHM, terminalRow } from '../rules';
import { conductorOhm } from '../conductor';
import { share } from '../design';
import type { Demand } from '../demand';
import type { Upstream } from './upstream';
import { chooseProtection, type Protection } from './choose';

export interface Side {
  readonly protection: Protection;
  readonly ladder: Ladder;
  readonly state: State;
}

export interface TapResult {
  readonly id: string;
  readonly name: string;
  /** The tap before it, by index; -1 at the way. */
  readonly parent: number;
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
  /** By tap: what stands before the ways of a panel fed there; null at loads. */
  readonly below: readonly (Upstream | null)[];
  /** Hot loop resistance from the posts to its way, ohm. */
  readonly upstreamOhm: number;
  /** What it is made of, warm as it runs, ohm: devices and what is in line; each segment there and back, by tap. */
  readonly warmOhm: { readonly head: number; readonly segments: readonly number[] };
}

/** A result beside what it was worked out from: what tests another size, another school, or the same circuit again. Never leaves its process. */
export interface WorkedCircuit {
  readonly result: CircuitResult;
  readonly trial: CircuitTrial;
  /** As first gathered: what stands before its way today is in the trial. */
  readonly gathered: Omit<Gathered, 'upstream'>;
  /** Its device is the second choice, for its terminals: chosen anew whenever anything moves. */
  readonly roomier: boolean;
}

/** Resistance of the whole path from the bank's posts to a tap and back, warm as it runs, ohm. */
export function pathOhm({ upstreamOhm, warmOhm, own, taps }: CircuitResult, tap: number): number {
  let ohm = upstreamOhm + warmOhm.head;
  for (let i = tap; i >= 0; i = taps[i]?.parent ?? -1) ohm += own.state.drop.taps[i]?.segmentOhm ?? 0;
  return ohm;
}

/** The other school's answer to the same circuit, worked out when it is asked for. */
export function otherSchool({ gathered, trial }: WorkedCircuit): { readonly side: Side; readonly trial: CircuitTrial } {
  const input = circuitInput({ ...gathered, upstream: trial.input.upstream, school: gathered.school === 'awg' ? 'metric' : 'awg' });
  const b = circuitTrial(input, chooseProtection(input));
  return { side: sideOf(b), trial: b };
}

const candidateOf = (b: CircuitTrial, l: Ladder) => ({ conductor: conductorOf(b, l.chosen), legs: l.chosen.legs });

function sideOf(b: CircuitTrial): Side {
  const own = ladder(b);
  return { protection: b.protection, ladder: own, state: stateAt(b, candidateOf(b, own)) };
}

/** The side again when only the volts before the way have moved. Parts that say the same keep their identity: they are not told again. */
function sideAgain(b: CircuitTrial, before: Side): Side {
  const own = ladderAgain(b, before.ladder);
  const state =
    own === before.ladder
      ? stateAgain(b, before.state, { conductor: before.state.conductor, legs: own.chosen.legs })
      : share(before.state, stateAt(b, candidateOf(b, own)));
  return { protection: b.protection, ladder: own, state };
}

/** What the ways of the panel at each tap see before them. */
export function belowTaps(b: CircuitTrial, own: Pick<Side, 'state' | 'protection'>): (Upstream | null)[] {
  const { input } = b;
  const { state } = own;
  const { conductor } = state;
  const ratingC = state.heat.derating.ratingC;
  const up = input.upstream;
  const atWayV = input.volts.lowV - input.upstreamDropV;
  const fixedA = input.taps.reduce((sum, t) => sum + t.fixedA, 0);
  // Of what it loses at its demand, the part that is lost with what usually flows: hour by hour.
  const partAt = Array.from({ length: 2 * input.hours.length }, (_, k) =>
    fixedA > 0 ? input.taps.reduce((sum, t) => sum + (t.steadyA[k] ?? 0), 0) / fixedA : 1,
  );
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
    const ownV = loadV === undefined ? 0 : atWayV - loadV;
    const lostV = partAt.map((part, k) => (up.lostV[k] ?? 0) + ownV * part);
    return {
      bank: up.bank,
      chain: [...up.chain, input.circuit.id],
      lostV,
      dropV: Math.max(...lostV.slice(0, input.hours.length)),
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

const warmOhmOf = (b: CircuitTrial, { state }: Side): CircuitResult['warmOhm'] => ({
  head: b.headOhm,
  segments: warmSegmentOhms(b, { conductor: state.conductor, legs: state.candidate.legs }),
});

function resultOf(b: CircuitTrial, own: Side, gathered: Gathered, roomier: boolean): WorkedCircuit {
  const { input } = b;
  const { circuit } = input;
  let surge: CircuitInput['surges'][number] | null = null;
  for (const s of input.surges) if (!surge || s.circuitA > surge.circuitA) surge = s;
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
      parent: t.parent,
      estimatedM: t.estimatedM,
      lengthM: t.lengthM,
      taped: t.tap.tapedM !== null || (circuit.found?.lengthM ?? null) !== null,
      ownA: t.ownA,
      segmentA: t.segmentA,
    })),
    own,
    below: belowTaps(b, own),
    upstreamOhm: input.upstream.hotOhm,
    warmOhm: warmOhmOf(b, own),
  };
  return { result, trial: b, gathered, roomier };
}

/** A device whose terminals take the conductor, where the first that suits has smaller ones; null where it does, or none is better. */
function roomier(b: CircuitTrial, { state, ladder: { kept } }: Side): { readonly trial: CircuitTrial; readonly own: Side } | null {
  const { input, family, protection } = b;
  const takes = (f: Family, areaMm2: number) => endTakes(terminalRow(f, input.school), input.school, areaMm2);
  if (kept || protection.missing || protection.conflict !== null || takes(family, state.conductor.areaMm2)) return null;
  const other = chooseProtection(input, state.conductor.areaMm2);
  if (other.familyId === protection.familyId || other.conflict !== null) return null;
  const trial = circuitTrial(input, other);
  const own = sideOf(trial);
  return takes(trial.family, own.state.conductor.areaMm2) && own.state.passes === state.passes ? { trial, own } : null;
}

/** One circuit, from all its tests need. */
export function analyseCircuit(gathered: Gathered): WorkedCircuit {
  const input = circuitInput(gathered);
  const b = circuitTrial(input, chooseProtection(input));
  const own = sideOf(b);
  const better = roomier(b, own);
  return resultOf(better?.trial ?? b, better?.own ?? own, gathered, better !== null);
}

/** The circuit again when only the steady volts before it have moved: its device, heat and faults stand. @param lost before its way now. */
export function analyseAgain(before: WorkedCircuit, upstream: Upstream, lost: LostBefore): WorkedCircuit {
  const { result: was, gathered } = before;
  if (before.roomier) return analyseCircuit({ ...gathered, upstream });
  const b = circuitTrialAgain(before.trial, drifted(before.trial.input, upstream, lost));
  const own = sideAgain(b, was.own);
  const { ladder: chosen } = was.own;
  // Another size may fit other devices.
  if (own.ladder !== chosen && own.ladder.chosen.size !== chosen.chosen.size) return analyseCircuit({ ...gathered, upstream });
  const result: CircuitResult = {
    id: was.id,
    no: was.no,
    name: was.name,
    isFeeder: was.isFeeder,
    workingA: was.workingA,
    demand: was.demand,
    surgeA: was.surgeA,
    surgeS: was.surgeS,
    lengthM: was.lengthM,
    taps: was.taps,
    own,
    below: was.isFeeder ? belowTaps(b, own) : was.below,
    upstreamOhm: upstream.hotOhm,
    warmOhm: own.ladder === chosen ? was.warmOhm : warmOhmOf(b, own),
  };
  return { result, trial: b, gathered, roomier: false };
}
