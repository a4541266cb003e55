/** What takes the volts between a bank's posts and a load: each circuit on the way by its devices, joints and copper (docs/methods.md, M3). */
import { SEGMENT_JOINTS_OHM } from '../rules';
import { bankRestV } from '../bank';
import type { AtHour } from './circuitInput';
import type { WorkedCircuit } from './circuitResult';
import type { Upstream } from './upstream';

export interface VoltsShare {
  readonly circuitId: string;
  readonly circuit: string;
  /** Its own run, or a main or feeder before it. */
  readonly own: boolean;
  readonly part: 'copper' | 'devices' | 'joints';
  readonly volts: number;
}

export interface VoltsLost {
  readonly when: 'at working current' | 'as it starts';
  readonly tap: string;
  /** At the posts, as they stand then, and at the load, V. */
  readonly postsV: number;
  readonly loadV: number;
  /** Below its rest volts the bank itself sags by, V: no copper gives it back. null where it is not counted. */
  readonly bankSagV: number | null;
  /** Most the whole path may lose, and its own run of it, V; own null where a start is judged. */
  /** Nominal volts that percents are of. */
  readonly nominalV: number;
  readonly limitV: number;
  readonly ownLimitV: number | null;
  readonly passes: boolean;
  /** From the bank on; they sum to postsV - loadV. */
  readonly shares: readonly VoltsShare[];
}

interface Parts {
  readonly devices: number;
  readonly joints: number;
  readonly copper: number;
}

const scaled = ({ devices, joints, copper }: Parts, to: number): Parts => {
  const sum = devices + joints + copper;
  return sum > 0
    ? { devices: (devices * to) / sum, joints: (joints * to) / sum, copper: (copper * to) / sum }
    : { devices: to, joints: 0, copper: 0 };
};

/** Segments from a circuit's way to one of its taps. */
function segmentsTo({ result: { taps } }: WorkedCircuit, tap: number): number[] {
  const out: number[] = [];
  for (let i = tap; i >= 0 && out.length <= taps.length; i = taps[i]?.parent ?? -1) out.push(i);
  return out;
}

/** Volts lost in a circuit's own parts to a tap, whatever its segments carry. */
function lostIn(worked: WorkedCircuit, tap: number, headV: number, segmentV: (i: number) => number): Parts {
  const { result } = worked;
  const legJoints = SEGMENT_JOINTS_OHM;
  let joints = 0;
  let copper = 0;
  for (const i of segmentsTo(worked, tap)) {
    const ohm = result.warmOhm.segments[i] ?? 0;
    const volts = segmentV(i);
    const jointsV = ohm > 0 ? (volts * Math.min(legJoints, ohm)) / ohm : 0;
    joints += jointsV;
    copper += volts - jointsV;
  }
  return { devices: headV, joints, copper };
}

const nameOf = ({ result }: WorkedCircuit): string => `${result.no} ${result.name}`.trim();

const sharesOf = (worked: WorkedCircuit, own: boolean, parts: Parts): VoltsShare[] =>
  (['copper', 'devices', 'joints'] as const).map((part) => ({
    circuitId: worked.result.id,
    circuit: nameOf(worked),
    own,
    part,
    volts: parts[part],
  }));

interface Before {
  readonly worked: WorkedCircuit;
  /** Lost in it with what usually flows, V, and its hot loop, ohm. */
  readonly usualV: number;
  readonly ohm: number;
  readonly parts: Parts;
}

/** Lost to a way in an hour, V; without one the most. */
const usualAt = ({ lostV, dropV }: Upstream, at: AtHour | null): number =>
  at === null ? dropV : (lostV[at.safetyOn ? lostV.length / 2 + at.hour : at.hour] ?? 0);

/** Mains and feeders before a circuit, nearest the bank first. */
function beforeWay(chain: readonly WorkedCircuit[]): Before[] {
  const hour = chain[chain.length - 1]?.trial.input.atHour ?? null;
  return chain.slice(0, -1).map((worked, at): Before => {
    const next = chain[at + 1]?.trial.input.circuit.from;
    const tap = worked.trial.input.taps.findIndex((t) => t.panel !== null && t.panel.id === next?.id);
    const below: Upstream | null = worked.result.below[tap] ?? null;
    const { upstream, taps } = worked.trial.input;
    const segments = segmentsTo(worked, tap);
    const volts = (i: number) => (worked.result.warmOhm.segments[i] ?? 0) * (taps[i]?.segmentA ?? 0);
    return {
      worked,
      usualV: below ? usualAt(below, hour) - usualAt(upstream, hour) : 0,
      ohm: below ? below.hotOhm - upstream.hotOhm : 0,
      parts:
        segments.length > 0
          ? lostIn(worked, tap, worked.trial.input.workingA * worked.trial.headOhm + worked.trial.input.inlineV, volts)
          : { devices: 0, joints: 0, copper: 0 },
    };
  });
}

/** What is lost before the way, shared among what stands there: as usual, and what this circuit's own current adds by resistance. */
function sharedBefore(before: readonly Before[], lostV: number, usualV: number): VoltsShare[] {
  const ohm = before.reduce((sum, x) => sum + x.ohm, 0);
  // What charges loses only by its own current: what usually flows the other way is not counted.
  const base = lostV >= usualV - 1e-9 ? 1 : 0;
  const extraV = lostV - base * usualV;
  return before.flatMap((x) => {
    const volts = base * x.usualV + (ohm > 0 ? (extraV * x.ohm) / ohm : extraV / before.length);
    return sharesOf(x.worked, false, scaled(x.parts, volts));
  });
}

/** @param chain circuits from the bank to this one, this one last. */
function atWork(chain: readonly WorkedCircuit[], worked: WorkedCircuit): VoltsLost | null {
  const { result, trial } = worked;
  const { input } = trial;
  const { drop } = result.own.state;
  const { worst } = drop;
  if (!worst || drop.collapses) return null;
  const volts = (i: number) => {
    const parent = result.taps[i]?.parent ?? -1;
    const beforeV = parent >= 0 ? drop.taps[parent]?.loadV : input.volts.lowV - input.upstreamDropV - drop.headV;
    return (beforeV ?? 0) - (drop.taps[i]?.loadV ?? 0);
  };
  const own = lostIn(worked, worst.tapIndex, drop.headV, volts);
  const panel = input.taps[worst.tapIndex]?.panel ?? null;
  const shared = panel ? [] : sharedBefore(beforeWay(chain), input.upstreamDropV, usualAt(input.upstream, input.atHour));
  const postsV = panel ? worst.loadV + worst.runV + drop.headV : input.volts.lowV;
  return {
    when: 'at working current',
    tap: result.taps[worst.tapIndex]?.name ?? '',
    postsV,
    loadV: worst.loadV,
    bankSagV: null,
    nominalV: input.systemV,
    limitV: (worst.limitPct * input.systemV) / 100,
    ownLimitV: (worst.allowedPct * input.systemV) / 100,
    passes: drop.passes && (panel !== null || drop.wholePasses),
    shares: [...shared, ...sharesOf(worked, true, own)],
  };
}

function atStart(chain: readonly WorkedCircuit[], worked: WorkedCircuit): VoltsLost | null {
  const { result, trial } = worked;
  const { input } = trial;
  const { surge } = result.own.state;
  const start = surge && input.surges[surge.surgeIndex];
  if (!surge || !start || start.minV <= 0) return null;
  const headV = start.circuitA * trial.headOhm + input.inlineV;
  const volts = (i: number) => ((input.taps[i]?.segmentA ?? 0) + start.addsA) * (result.warmOhm.segments[i] ?? 0);
  const bank = input.upstream.bank;
  return {
    when: 'as it starts',
    nominalV: input.systemV,
    tap: start.name,
    postsV: surge.sagV,
    loadV: surge.loadV,
    bankSagV: bank ? bankRestV(bank, input.house.studySoc) - surge.sagV : null,
    limitV: Math.max(0, surge.sagV - surge.minV),
    ownLimitV: null,
    passes: surge.wholePasses,
    shares: [
      ...sharedBefore(beforeWay(chain), surge.upstreamV, usualAt(input.upstream, input.atHour)),
      ...sharesOf(worked, true, lostIn(worked, start.tapIndex, headV, volts)),
    ],
  };
}

/**
 * Volts lost from the posts to the tap with the least room, at working current and as the worst of its starts runs, V by part. Of a feeder,
 * its own run. Empty where nothing flows or the supply collapses.
 * @param chain worked circuits from the bank to the one asked about, that one last.
 */
export function voltsLost(chain: readonly WorkedCircuit[]): VoltsLost[] {
  const worked = chain[chain.length - 1];
  return worked ? [atWork(chain, worked), atStart(chain, worked)].flatMap((x) => x ?? []) : [];
}
