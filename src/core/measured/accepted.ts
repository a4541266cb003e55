/** What of a charge comes out again: amp-hours out over in, from one time the bank is full to the next (docs/methods.md, M19). */
import { bankSource, c20Ah, chemistryOf } from '../bank';
import { type Design, type Op, rowOf, setOp } from '../design';
import type { Measured } from './series';
import { median, within95, ZERO_A } from './spread';

/** Full: within so many volts of 12 of the highest setpoint, and taking less than this of its capacity, for so long. */
const NEAR_V_PER_12 = 0.15;
const TAIL_C = 0.02;
const HELD_MS = 20 * 60_000;
/** Between two fulls so much of its capacity has gone out, or nothing is told by it; and no hole longer than this lies between. */
const LEAST_OUT = 0.1;
const HOLE_MS = 15 * 60_000;
const HOUR_MS = 3600_000;

export interface Accepted {
  /** Out over in. */
  readonly efficiency: number;
  readonly n: number;
  /** 95 of 100. */
  readonly within: number;
  /** As the design has it: eight tenths of a charge at one figure, the last two at the other. */
  readonly was: number;
  /** Both figures moved by as much. */
  readonly ops: readonly Op[];
}

/** How a bank is held by what charges it. */
export interface Held {
  /** Volts from which it stands at the highest setpoint. */
  readonly absorptionV: number;
  /** Volts from which it may stand at the lowest float, taking less than its tail. */
  readonly floatV: number;
  readonly tailA: number;
}

/** null: nothing charges it. */
export function heldBy(design: Design, bankId: string): Held | null {
  const bank = rowOf(design.banks, bankId);
  const regulators = design.sources.filter((s) => s.bankId === bankId && s.insteadOfId === null).map((s) => s.regulator);
  if (!bank || regulators.length === 0) return null;
  const near = NEAR_V_PER_12 * (bankSource(bank).nominalV / 12);
  const absorptionV = Math.max(...regulators.map((r) => r.absorptionV)) - near;
  const floats = regulators.flatMap((r) => (r.staged ? [r.floatV] : []));
  return { absorptionV, floatV: floats.length > 0 ? Math.min(...floats) - near : absorptionV, tailA: TAIL_C * c20Ah(bank) };
}

/** null: it was full less than three times, or nothing says when it is. */
export function acceptedOf(design: Design, bankId: string, { at, volts, amps }: Measured): Accepted | null {
  const bank = rowOf(design.banks, bankId);
  const held = heldBy(design, bankId);
  if (!bank || !held) return null;
  const capacity = c20Ah(bank);
  const parts: number[] = [];
  const offs: number[] = [];
  let [inAh, outAh, heldMs, hours] = [0, 0, 0, 0];
  let counting = false;
  for (let k = 1; k < at.length; k++) {
    const ms = (at[k] ?? 0) - (at[k - 1] ?? 0);
    if (ms > HOLE_MS) {
      counting = false;
      heldMs = 0;
      continue;
    }
    const a = amps[k] ?? 0;
    const ah = (a * ms) / HOUR_MS;
    const full = (volts[k] ?? 0) >= held.absorptionV && a >= 0 && a < held.tailA;
    heldMs = full ? heldMs + ms : 0;
    if (counting) {
      if (ah > 0) inAh += ah;
      else outAh -= ah;
      hours += ms / HOUR_MS;
    }
    // From one time its tail is reached to the next: as full at either end.
    if (heldMs < HELD_MS || (counting && outAh < LEAST_OUT * capacity)) continue;
    if (counting && inAh > 0) {
      parts.push(outAh / inAh);
      offs.push((ZERO_A * hours) / inAh);
    }
    [inAh, outAh, hours] = [0, 0, 0];
    counting = true;
  }
  if (parts.length < 3) return null;
  const { chargeEffBulk, chargeEffFull } = chemistryOf(bank);
  const was = 0.8 * chargeEffBulk + 0.2 * chargeEffFull;
  const efficiency = median(parts);
  const moved = (x: number, least: number) => Number(Math.min(1, Math.max(least, (x * efficiency) / was)).toFixed(3));
  return {
    efficiency,
    n: parts.length,
    within: within95(parts, median(offs)),
    was,
    ops: [
      setOp(design, ['banks', bank.id, 'sheet', 'chargeEffBulk'], moved(chargeEffBulk, 0.5)),
      setOp(design, ['banks', bank.id, 'sheet', 'chargeEffFull'], moved(chargeEffFull, 0.3)),
    ].flatMap((op) => op ?? []),
  };
}
