/** Terminals, studs and heat shrink: what a conductor's end is made up from. */
import type { School } from './conductors';

export interface TerminalRow {
  readonly awg: string;
  readonly mm2: string;
  readonly pullTestN: number;
  readonly pullTestMetricN: number | null;
  readonly insulatedColour: string | null;
  readonly kind: 'lug' | 'ring';
}

const row = (
  awg: string,
  mm2: string,
  pullTestN: number,
  insulatedColour: string | null,
  kind: 'lug' | 'ring',
  pullTestMetricN: number | null = null,
): TerminalRow => ({ awg, mm2, pullTestN, pullTestMetricN, insulatedColour, kind });

/** Pull tests: North American small-craft standard, held one minute; metric column where it differs. Verify. */
export const TERMINALS: readonly TerminalRow[] = [
  row('18', '1', 44, 'red', 'ring'),
  row('16', '1.5', 67, 'blue', 'ring'),
  row('14', '2.5', 133, 'blue', 'ring'),
  row('12', '4', 156, 'yellow', 'ring'),
  row('10', '6', 178, 'yellow', 'ring', 178),
  row('8', '10', 200, null, 'lug', 220),
  row('6', '16', 222, null, 'lug', 260),
  row('4', '25', 311, null, 'lug', 311),
  row('3', '25', 356, null, 'lug', 311),
  row('2', '35', 400, null, 'lug', 350),
  row('1', '50', 445, null, 'lug', 400),
  row('1/0', '50', 556, null, 'lug', 400),
  row('2/0', '70', 667, null, 'lug', 440),
  row('3/0', '95', 778, null, 'lug', 550),
  row('4/0', '120', 1001, null, 'lug', 660),
];

/** The terminal row of a conductor size. 0.75 mm2 is made up as 1 mm2; 150 mm2 has no row and takes a lug. */
export function terminalFor(school: School, size: string): TerminalRow {
  const wanted = size === '0.75' ? '1' : size;
  return (
    TERMINALS.find((t) => (school === 'awg' ? t.awg : t.mm2) === wanted) ??
    row(school === 'awg' ? size : '4/0', school === 'metric' ? size : '150', 1001, null, 'lug', 660)
  );
}

export interface Stud {
  readonly metric: string;
  readonly imperial: string;
  readonly clearanceHoleMm: number;
  readonly torqueNm: number;
}

/** Torque: plausible for tinned copper on brass or stainless studs; the equipment maker's figure always rules. */
export const STUDS: readonly Stud[] = [
  { metric: 'M3.5', imperial: '#6', clearanceHoleMm: 3.7, torqueNm: 1 },
  { metric: 'M4', imperial: '#8', clearanceHoleMm: 4.3, torqueNm: 1.5 },
  { metric: 'M5', imperial: '#10', clearanceHoleMm: 5.3, torqueNm: 2.5 },
  { metric: 'M6', imperial: '1/4 in', clearanceHoleMm: 6.5, torqueNm: 6 },
  { metric: 'M8', imperial: '5/16 in', clearanceHoleMm: 8.4, torqueNm: 14 },
  { metric: 'M10', imperial: '3/8 in', clearanceHoleMm: 10.5, torqueNm: 24 },
  { metric: 'M12', imperial: '1/2 in', clearanceHoleMm: 13, torqueNm: 40 },
];

export const studName = (school: School, metric: string): string => {
  const stud = STUDS.find((s) => s.metric === metric);
  return stud && school === 'awg' ? stud.imperial : metric;
};

/** Supplied bores of adhesive-lined heat shrink (about 3:1), mm. Typical. */
export const SHRINK_BORES_MM = [3, 4.8, 6, 9, 12, 19, 24, 30, 39] as const;

/** Shrink for a made-up end: covers barrel and 25 mm of jacket; the bore must pass the lug's barrel, taken as 1.35 x the jacket. */
export function shrinkFor(odMm: number): { boreMm: number; lengthMm: number } {
  const boreMm = SHRINK_BORES_MM.find((bore) => bore >= odMm * 1.35) ?? 39;
  return { boreMm, lengthMm: odMm < 6 ? 40 : odMm < 12 ? 55 : 70 };
}
