/** The balance line: the five figures that tell how the design stands. */
import type { CircuitResult } from '../circuit';
import { type Design, type Living, type Load, nominalVOf } from '../design';
import { bankOfLoads } from '../topology';
import { type BankSource, houseBanks } from '../bank';
import { dayLoads } from '../ac';
import { dayAh, type DayYield } from '../energy';

export interface Need {
  readonly livingId: string;
  readonly name: string;
  readonly needAh: number;
  /** What the sources make that day, Ah; null without a source. */
  readonly made: DayYield | null;
}

export interface Balance {
  /** Ah a day in each way of living: nominal amps x hours, and what stands by. */
  readonly needs: readonly Need[];
  readonly usableAh: number;
  /** Whole path drop nearest (or past) its limit. */
  readonly worst: { readonly circuitId: string; readonly pct: number; readonly limitPct: number; readonly name: string } | null;
}

/** What each load and each AC appliance on its inverter takes in a day, Ah at the boat's volts: of a bank with volts of its own, as much energy. */
export function needsOf(design: Design): readonly { readonly load: Load; readonly ahIn: (living: Living) => number }[] {
  const bankOf = bankOfLoads(design);
  return dayLoads(design).map((load) => {
    const part = nominalVOf(design, bankOf.get(load.id)) / design.boat.systemV;
    return { load, ahIn: (living) => part * dayAh(load, living) };
  });
}

export function balance(
  design: Design,
  banks: readonly BankSource[],
  circuits: readonly CircuitResult[],
  made: readonly DayYield[],
): Balance {
  const asked = needsOf(design);
  const needs = design.living.map((living) => ({
    livingId: living.id,
    name: living.name,
    needAh: asked.reduce((sum, need) => sum + need.ahIn(living), 0),
    made: made.find((m) => m.livingId === living.id) ?? null,
  }));
  let worst: Balance['worst'] = null;
  for (const c of circuits) {
    const w = c.own.state.drop.worst;
    if (!w || c.isFeeder) continue;
    if (!worst || w.pct / w.limitPct > worst.pct / worst.limitPct)
      worst = { circuitId: c.id, pct: w.pct, limitPct: w.limitPct, name: c.name };
  }
  return { needs, usableAh: houseBanks(design, banks).reduce((sum, b) => sum + b.usableAh, 0), worst };
}

/** Hours the usable capacity lasts at a day's need with no source; null without need or bank. */
export const autonomyH = (usableAh: number, needAh: number): number | null =>
  usableAh > 0 && needAh > 0 ? (24 * usableAh) / needAh : null;
