/** What a reading may be: the expected figure with its band, 95 % of sound boats, and the verdict on a reading (docs/methods.md, M15). */

/** One cause of spread: how far it moves the figure up and down, in the figure's own unit, at two sigma. */
export interface Spread {
  readonly what: string;
  readonly up: number;
  readonly down: number;
}

export interface Band {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
  readonly spreads: readonly Spread[];
  /** Wider than half of what is expected: it proves little. */
  readonly wide: boolean;
}

/** Independent causes by root sum of squares, up and down apart; never below zero. */
export function bandOf(expected: number, spreads: readonly Spread[]): Band {
  const side = (of: (s: Spread) => number) => Math.sqrt(spreads.reduce((sum, s) => sum + of(s) ** 2, 0));
  const high = expected + side((s) => s.up);
  const low = Math.max(0, expected - side((s) => s.down));
  return { expected, low, high, spreads, wide: expected > 0 && (high - low) / 2 > expected / 2 };
}

export const even = (what: string, by: number): Spread => ({ what, up: by, down: by });

export type Verdict =
  /** In its band and inside its limit. */
  | 'pass'
  /** As designed, but over what the maker, the rule or the house allows. */
  | 'over the limit'
  | 'above its band'
  | 'below its band';

/** A limit a reading must keep to; null: there is none on that side. */
export interface Limit {
  readonly least: number | null;
  readonly most: number | null;
}

/** @returns the verdict, and how many half-widths of the band the reading lies from what is expected. */
export function verdictOf(
  reading: number,
  band: Band | null,
  { least, most }: Limit,
): { readonly verdict: Verdict; readonly distance: number | null } {
  const half = band ? (reading >= band.expected ? band.high - band.expected : band.expected - band.low) : 0;
  const distance = band ? (reading === band.expected ? 0 : half === 0 ? Infinity : (reading - band.expected) / half) : null;
  const outside = (most !== null && reading > most) || (least !== null && reading < least);
  if (band && reading > band.high) return { verdict: 'above its band', distance };
  if (band && reading < band.low) return { verdict: 'below its band', distance };
  return { verdict: outside ? 'over the limit' : 'pass', distance };
}

/** A meter: half a per cent and two digits; a clamp: two per cent and 0.1 A. */
export const meter = (reading: number, digit: number): Spread => even('meter', 0.005 * Math.abs(reading) + 2 * digit);
export const clamp = (amps: number): number => 0.02 * Math.abs(amps) + 0.1;
