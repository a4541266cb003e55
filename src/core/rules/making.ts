/** Making up ends. Typical of copper tube terminals and adhesive shrink; the terminal maker's sheet rules. */
import type { School } from './conductors';

export interface MakingRow {
  readonly metric: string | null;
  readonly awg: string | null;
  readonly barrelMm: number;
  /** From the middle of the stud to where the copper ends, mm. */
  readonly standoffMm: number;
  /** Of a compression die for metric lugs on metric cable (DIN 46235); null: none is made, or a hand tool does it. AWG lugs take their maker's. */
  readonly die: number | null;
  /** Crimps on a barrel, with narrow dies (5 mm) and wide ones (10 mm). */
  readonly narrow: number;
  readonly wide: number;
  /** Stripped, crimped, pulled, shrunk and labelled at a bench. */
  readonly minutes: number;
}

const row = (
  metric: string | null,
  awg: string | null,
  barrelMm: number,
  standoffMm: number,
  die: number | null,
  narrow: number,
  wide: number,
  minutes: number,
): MakingRow => ({ metric, awg, barrelMm, standoffMm, die, narrow, wide, minutes });

export const MAKING: readonly MakingRow[] = [
  row('0.75', '18', 6, 10, null, 1, 1, 3),
  row('1', '18', 6, 10, null, 1, 1, 3),
  row('1.5', '16', 6, 10, null, 1, 1, 3),
  row('2.5', '14', 6, 10, null, 1, 1, 3),
  row('4', '12', 7, 12, null, 1, 1, 3.5),
  row('6', '10', 9, 14, 5, 1, 1, 4),
  row('10', '8', 10, 18, 6, 1, 1, 6),
  row('16', '6', 20, 20, 8, 2, 1, 8),
  row('25', '4', 20, 23, 10, 2, 1, 9),
  row(null, '3', 20, 24, null, 2, 1, 9),
  row('35', '2', 20, 26, 12, 2, 1, 10),
  row(null, '1', 24, 28, null, 2, 1, 11),
  row('50', '1/0', 28, 29, 14, 3, 2, 12),
  row('70', '2/0', 28, 33, 16, 3, 2, 14),
  row('95', '3/0', 35, 37, 18, 4, 2, 17),
  row('120', '4/0', 35, 41, 20, 4, 2, 19),
  row('150', null, 35, 45, 22, 4, 2, 22),
];

/** An end finished where it lies takes so much longer than at a bench. */
export const IN_PLACE = 1.6;

/** The row of a conductor. Every size of both schools has one; thin ones of metric cable are made up as 0.75 mm2. */
export const makingOf = (school: School, size: string): MakingRow => {
  const found = MAKING.find((m) => (school === 'awg' ? m.awg : m.metric) === size);
  return found ?? (MAKING[school === 'awg' ? 0 : MAKING.length - 1] as MakingRow);
};

/** Pins of ferrules, mm, by the largest conductor they are made for, mm2. Typical (DIN 46228). */
const PINS: readonly (readonly [upToMm2: number, mm: number])[] = [
  [2.5, 8],
  [6, 12],
  [Infinity, 18],
];
export const pinMm = (areaMm2: number): number => PINS.find(([upTo]) => areaMm2 <= upTo)?.[1] ?? 18;
