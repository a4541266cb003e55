/** What a circuit's path is made of, element by element from the bank and back, cold as it is tested (docs/methods.md, M15). */
import type { CircuitResult } from '../circuit';
import { type Circuit, type Design, rowOf } from '../design';
import { BREAKER_V, findConductor, findFamily, FUSE_V, INLINE, JOINT_OHM, type School, SMALL_BREAKER_V } from '../rules';

export interface Element {
  readonly id: string;
  readonly what: string;
  readonly kind: 'copper' | 'device' | 'joints';
  /** Cold, mohm. */
  readonly mohm: number;
  /** Two sigma, mohm. */
  readonly up: number;
  readonly down: number;
  /** Both probes: where it begins and ends. */
  readonly from: string;
  readonly to: string;
  readonly circuitId: string;
  /** Of a cable, one way, m; null: it is none. */
  readonly lengthM: number | null;
  /** Copper of one size moves together. */
  readonly shared: string | null;
  /** Of joints: the size of cable they end, where it is known. */
  readonly ends?: { readonly school: School; readonly size: string };
}

const COPPER_PER_C = 0.00393;
/** Two sigma of a length, taped and estimated; of copper; of the air, °C. */
const TAPED = 0.02;
const ESTIMATED = 0.15;
const COPPER = 0.05;
const AIR_C = 5;
/** A device: typical, and its maker's or measured. */
const DEVICE_UP = 0.6;
const DEVICE_DOWN = 0.4;
const MAKERS = 0.1;
/** A joint: 0.03 mohm, from nothing to 0.1. */
const JOINT_UP = 0.07;
const JOINT_DOWN = 0.03;

/** A circuit's own fuse or breaker; none: it has none. */
export function deviceOf(c: Circuit, r: CircuitResult): Element[] {
  const { protection } = r.own;
  if (protection.missing) return [];
  const breaker = findFamily(protection.familyId)?.kind === 'breaker';
  const volts = breaker ? (protection.ratingA <= 10 ? SMALL_BREAKER_V : BREAKER_V) : FUSE_V;
  const known = c.deviceMohm !== null;
  const mohm = c.deviceMohm ?? (1000 * volts) / protection.ratingA;
  return [
    {
      id: `${c.id}.device`,
      what: `${protection.familyName} ${protection.ratingA} A of ${c.name}`,
      kind: 'device',
      mohm,
      up: mohm * (known ? MAKERS : DEVICE_UP),
      down: mohm * (known ? MAKERS : DEVICE_DOWN),
      from: 'its line side',
      to: 'its load side',
      circuitId: c.id,
      lengthM: null,
      shared: null,
    },
  ];
}

const inlineOf = (c: Circuit): Element[] =>
  c.devices
    .filter((d) => INLINE[d.kind].dropV === 0)
    .map((d): Element => {
      const mohm = d.mohm ?? 1000 * INLINE[d.kind].ohm;
      return {
        id: `${c.id}.${d.id}`,
        what: `${d.kind} of ${c.name}`,
        kind: 'device',
        mohm,
        up: mohm * (d.mohm === null ? DEVICE_UP : MAKERS),
        down: mohm * (d.mohm === null ? DEVICE_DOWN : MAKERS),
        from: `one side of the ${d.kind}`,
        to: 'its other side',
        circuitId: c.id,
        lengthM: null,
        shared: null,
      };
    });

/** Segments of a circuit on the way to one of its taps. */
function segments(c: Circuit, r: CircuitResult, tap: number): number[] {
  const out: number[] = [];
  for (let i = tap; i >= 0; i = r.taps[i]?.parent ?? -1) out.unshift(i);
  return out;
}

function copperOf(c: Circuit, r: CircuitResult, tap: number, ambientC: number): Element[] {
  const { school, size, legs } = r.own.ladder.chosen;
  const r20 = findConductor(school, size)?.r20OhmPerKm ?? 0;
  return segments(c, r, tap).flatMap((i) => {
    const t = r.taps[i];
    if (!t) return [];
    const one = (r20 * t.lengthM * (1 + COPPER_PER_C * (ambientC - 20))) / legs;
    const spread = Math.hypot(t.taped ? TAPED : ESTIMATED, COPPER, COPPER_PER_C * AIR_C) * one;
    const joints = 2 * 1000 * JOINT_OHM;
    return (['+', '−'] as const).flatMap((pole): Element[] => [
      {
        id: `${c.id}.${t.id}${pole}`,
        what: `cable ${pole} of ${c.name}${r.taps.length > 1 ? ` to ${t.name}` : ''}`,
        kind: 'copper',
        mohm: one,
        up: spread,
        down: spread,
        from: `${pole} at ${i === 0 || t.parent < 0 ? 'its start' : (r.taps[t.parent]?.name ?? 'the tap before')}`,
        to: `${pole} at ${t.name}`,
        circuitId: c.id,
        lengthM: t.lengthM,
        shared: `${school} ${size}`,
      },
      {
        id: `${c.id}.${t.id}${pole}j`,
        what: `both ends ${pole} of ${c.name}${r.taps.length > 1 ? ` to ${t.name}` : ''}`,
        kind: 'joints',
        mohm: joints,
        up: Math.hypot(JOINT_UP, JOINT_UP),
        down: Math.hypot(JOINT_DOWN, JOINT_DOWN),
        from: `${pole} stud before it`,
        to: `${pole} stud behind it`,
        circuitId: c.id,
        lengthM: null,
        shared: null,
        ends: { school, size },
      },
    ]);
  });
}

/** From the bank's posts to a tap and back. Empty: the circuit hangs on nothing. @param tap of the circuit, by index. */
export function pathOf(
  design: Design,
  circuits: readonly CircuitResult[],
  circuitId: string,
  tap: number,
  ambientC: number,
): readonly Element[] {
  // Out on the positive, back on the negative: as probes go along it.
  let out: Element[] = [];
  let back: Element[] = [];
  const seen = new Set<string>();
  for (let id: string | null = circuitId, at = tap; id !== null && !seen.has(id);) {
    seen.add(id);
    const c: Circuit | undefined = rowOf(design.circuits, id);
    const r = rowOf(circuits, id);
    if (!c || !r) return [];
    const copper = copperOf(c, r, at, ambientC);
    const minus = (e: Element) => /−j?$/.test(e.id);
    out = [...deviceOf(c, r), ...inlineOf(c), ...copper.filter((e) => !minus(e)), ...out];
    back = [...back, ...copper.filter(minus).reverse()];
    if (c.from.kind === 'bank') return [...out, ...back];
    const panelId: string = c.from.id;
    const feeder: Circuit | undefined = design.circuits.find((x) =>
      x.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === panelId),
    );
    at = feeder?.taps.findIndex((t) => t.serves.kind === 'panel' && t.serves.id === panelId) ?? 0;
    id = feeder?.id ?? null;
  }
  return [];
}
