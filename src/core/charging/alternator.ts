/** What an alternator gives at an engine speed: curve, pulleys, heat, belt and the way to the bank (docs/methods.md, M10). */
import type { Source } from '../design';

export type Alternator = NonNullable<Source['alternator']>;

/** Belt limits at 12 V, A. Typical. */
const BELT_A: Readonly<Record<Alternator['belt'], number>> = {
  'V-belt 10 mm': 80,
  'V-belt 13 mm': 110,
  'two V-belts': 200,
  'multi-rib': 200,
};

/** Electrical over shaft power, and extra fuel, L per kWh at the shaft. */
export const ALTERNATOR_EFFICIENCY = 0.55;
export const FUEL_L_PER_KWH = 0.3;
const FAST_RPM = 3000;

/** Most a belt carries at the system's volts, A. */
export const beltA = (belt: Alternator['belt'], systemV: number): number => (BELT_A[belt] * 12) / systemV;

/** Alternator turns per engine turn: of the pulleys where both are known. */
export const pulleyRatio = (a: Alternator): number =>
  a.enginePulleyMm !== null && a.pulleyMm !== null ? a.enginePulleyMm / a.pulleyMm : a.ratio;

/**
 * Monotone cubic through points at rising x (Fritsch and Carlson): no overshoot, no wiggles. Level after the last point, 0 before the first.
 * One point stands level from itself on; no point gives 0.
 */
export function monotone(points: readonly { readonly x: number; readonly y: number }[]): (x: number) => number {
  const p = [...points].sort((a, b) => a.x - b.x).filter((a, i, all) => i === 0 || a.x > (all[i - 1]?.x ?? -Infinity));
  const n = p.length;
  const [first, last] = [p[0], p[n - 1]];
  if (!first || !last) return () => 0;
  const slope = p.slice(1).map((b, i) => (b.y - (p[i]?.y ?? 0)) / (b.x - (p[i]?.x ?? 0)));
  const tangent = p.map((_, i) => {
    const [l, r] = [slope[i - 1], slope[i]];
    if (l === undefined || r === undefined) return l ?? r ?? 0;
    // Harmonic mean keeps it monotone.
    return l * r <= 0 ? 0 : (2 * l * r) / (l + r);
  });
  return (x) => {
    if (x < first.x) return 0;
    if (x >= last.x) return last.y;
    let i = 0;
    while (i < n - 2 && (p[i + 1]?.x ?? Infinity) <= x) i++;
    const [a, b] = [p[i] ?? first, p[i + 1] ?? last];
    const h = b.x - a.x;
    const t = (x - a.x) / h;
    const [ma, mb] = [(tangent[i] ?? 0) * h, (tangent[i + 1] ?? 0) * h];
    const y =
      (2 * t ** 3 - 3 * t ** 2 + 1) * a.y + (t ** 3 - 2 * t ** 2 + t) * ma + (3 * t ** 2 - 2 * t ** 3) * b.y + (t ** 3 - t ** 2) * mb;
    return Math.min(Math.max(a.y, b.y), Math.max(Math.min(a.y, b.y), y));
  };
}

export interface Output {
  readonly engineRpm: number;
  readonly rpm: number;
  /** The label's curve, hot, within the belt, and what reaches the bank, A. */
  readonly labelA: number;
  readonly hotA: number;
  readonly beltA: number;
  readonly bankA: number;
  readonly shaftW: number;
  readonly litresPerHour: number;
}

/**
 * Output at an engine speed. @param pathOhm out and back to the bank; @param roomV setpoint less the bank's volts while it takes all:
 * what is sensed at the alternator's own post pushes no more than room / path; Infinity when it senses the bank.
 */
export function alternatorAt(
  a: Alternator,
  systemV: number,
  engineRpm: number,
  pathOhm: number,
  roomV: number,
  label = labelCurve(a),
): Output {
  const rpm = engineRpm * pulleyRatio(a);
  const labelA = label(rpm);
  const hot = a.fieldLimited || rpm >= FAST_RPM ? a.hotFactor : Math.min(a.hotFactor, 0.5);
  const hotA = labelA * hot;
  const belted = Math.min(hotA, beltA(a.belt, systemV));
  const bankA = Math.max(0, Math.min(belted, pathOhm > 0 ? roomV / pathOhm : Infinity));
  const shaftW = ((systemV / 12) * 14 * bankA) / ALTERNATOR_EFFICIENCY;
  return {
    engineRpm,
    rpm,
    labelA,
    hotA,
    beltA: belted,
    bankA,
    shaftW,
    litresPerHour: (shaftW / 1000) * FUEL_L_PER_KWH,
  };
}

/** The label's curve by the alternator's own rpm, A. */
export const labelCurve = (a: Alternator): ((rpm: number) => number) => monotone(a.curve.map((p) => ({ x: p.rpm, y: p.amps })));

/** Lowest engine speed that gives anything, rpm; null when none does. */
export function cutInRpm(a: Alternator): number | null {
  const rising = [...a.curve].sort((p, q) => p.rpm - q.rpm);
  const at = rising.findIndex((p) => p.amps > 0);
  const [before, first] = [rising[at - 1], rising[at]];
  if (!first) return null;
  return (before?.rpm ?? first.rpm) / pulleyRatio(a);
}
