/** Two banks put in parallel: what flows from one into the other (docs/methods.md, M9). */
import type { BankSource } from './bankSource';
import { bankRestV } from './bankSource';

export interface Equalising {
  /** Volts between them at rest, and what flows at once, A. */
  readonly apartV: number;
  readonly amps: number;
}

/** What the fuller of two banks sends into the other as they are joined. @param soc of each; @param ohm of cables and contacts between them. */
export function equalising(from: BankSource, fromSoc: number, to: BankSource, toSoc: number, ohm: number): Equalising {
  const apartV = bankRestV(from, fromSoc) - bankRestV(to, toSoc);
  return { apartV, amps: apartV / (from.ohm + to.ohm + ohm) };
}
