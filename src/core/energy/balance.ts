/** The balance line: the five figures that tell how the design stands. */
import type { CircuitResult } from '../circuitResult';
import type { Design } from '../design/schema';
import type { BankSource } from '../network/bankSource';
import { dayLoads } from '../ac/budget';
import { dayAh } from './draws';
import type { Made } from './made';

export interface Need {
  readonly livingId: string;
  readonly name: string;
  readonly needAh: number;
  /** What the sources make that day, Ah; null without a source. */
  readonly made: Made | null;
}

export interface Balance {
  /** Ah a day in each way of living: nominal amps x hours, and what stands by. */
  readonly needs: readonly Need[];
  readonly usableAh: number;
  /** Whole path drop nearest (or past) its limit. */
  readonly worst: { readonly circuitId: string; readonly pct: number; readonly limitPct: number; readonly name: string } | null;
}

export function balance(design: Design, banks: readonly BankSource[], circuits: readonly CircuitResult[], made: readonly Made[]): Balance {
  const needs = design.living.map((living) => ({
    livingId: living.id,
    name: living.name,
    needAh: dayLoads(design).reduce((sum, load) => sum + dayAh(load, living), 0),
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

/** The banks the house lives on; all of them where none is for the house. */
export function houseBanks(design: Design, banks: readonly BankSource[]): readonly BankSource[] {
  const house = new Set(design.banks.filter((b) => b.job === 'house').map((b) => b.id));
  return house.size > 0 ? banks.filter((b) => house.has(b.bankId)) : banks;
}

/** Hours the usable capacity lasts at a day's need with no source; null without need or bank. */
export const autonomyH = (usableAh: number, needAh: number): number | null =>
  usableAh > 0 && needAh > 0 ? (24 * usableAh) / needAh : null;
