/** Protective device families, by pattern or standard, never by maker. Typical figures for the pattern; the exact part's data sheet rules. */

export type FamilyKind = 'fuse' | 'breaker' | 'breaker-ac';

/** multiple of rating; fastest and slowest time to open, s. fastest null: below the curve; slowest null: may never open. */
export interface CurvePoint {
  readonly multiple: number;
  readonly fastestS: number;
  readonly slowestS: number | null;
}

export interface Family {
  readonly id: string;
  readonly name: string;
  readonly kind: FamilyKind;
  readonly ratingsA: readonly number[];
  readonly maxVDc: number | null;
  /** DC interrupting capacity: first pair whose volts cover the bank at rest. Empty for AC families. */
  readonly interrupting: readonly (readonly [volts: number, amps: number])[];
  readonly ignitionProtected: boolean;
  readonly thermal: boolean;
  /** How a conductor lands on it: a metric stud, 'blade' or 'clamp'. */
  readonly terminal: string;
  readonly curve: readonly CurvePoint[];
  readonly source: string;
}

type Row = readonly [
  id: string,
  name: string,
  kind: FamilyKind,
  ratings: string,
  maxVDc: number | null,
  interrupting: string,
  ignition: boolean,
  thermal: boolean,
  terminal: string,
  curve: string,
  source: string,
];

const ROWS: readonly Row[] = [
  [
    'blade',
    'blade fuse',
    'fuse',
    '1 2 3 4 5 7.5 10 15 20 25 30 35 40',
    32,
    '32:1000',
    false,
    true,
    'blade',
    '1.10:360000- 1.35:0.75-600 1.60:0.25-50 2.00:0.15-5 3.50:0.04-0.5 6.00:0.02-0.1',
    'ISO 8820-3 type C',
  ],
  [
    'maxi-blade',
    'large blade fuse',
    'fuse',
    '20 30 40 50 60 70 80 100',
    32,
    '32:1000',
    false,
    true,
    'M5',
    '1.10:360000- 1.35:60-1800 1.60:15-300 2.00:2-60 3.50:0.2-7 6.00:0.04-1',
    'ISO 8820-3 type E',
  ],
  [
    'strip-SF30',
    'strip fuse, 30 mm',
    'fuse',
    '30 40 50 60 70 80 100 125 150 175 200',
    58,
    '32:2000 58:1000',
    false,
    true,
    'M5',
    '1.10:14400- 1.35:60-1800 2.00:1-15 3.50:0.3-5 6.00:0.1-1',
    'ISO 8820-5',
  ],
  [
    'strip-SF51',
    'strip fuse, 51 mm',
    'fuse',
    '40 60 80 100 125 150 175 200 225 250 300 350 400 450 500',
    58,
    '32:2000 58:1000',
    false,
    true,
    'M8',
    '1.10:14400- 1.35:120-1800 2.00:1-15 3.50:0.3-5 6.00:0.1-1',
    'ISO 8820-5',
  ],
  [
    'strip-link',
    'strip-link fuse',
    'fuse',
    '35 50 60 80 100 130 150 175 200 225 250 300 325 350 400 450 500',
    32,
    '14:6000 32:6000',
    true,
    true,
    'M8',
    '1.00:14400- 1.40:100-2000 2.00:5-60 3.50:0.5-6 6.00:0.1-1',
    'North American strip-link pattern',
  ],
  [
    'terminal-cube',
    'cube fuse',
    'fuse',
    '30 40 50 60 75 80 90 100 125 150 175 200 225 250 300',
    58,
    '14:10000 32:5000 58:2000',
    true,
    true,
    'M8',
    '1.10:14400- 1.35:100-2000 2.00:1-20 3.50:0.2-3 6.00:0.05-0.6',
    'cube fuse for a battery post or bus stud; interrupts 10 kA at 14 V, 5 kA at 32 V, 2 kA at 58 V',
  ],
  [
    'class-T',
    'class T fuse',
    'fuse',
    '30 40 50 60 70 80 90 100 110 125 150 175 200 225 250 300 350 400',
    125,
    '125:20000',
    true,
    true,
    'M8',
    '1.10:14400- 1.35:60-7200 2.00:1-120 3.50:0.08-3 5.00:0.02-0.2 10.00:0.003-0.02',
    'UL 248-15 fast-acting, current-limiting',
  ],
  [
    'nh00-gG',
    'gG knife fuse',
    'fuse',
    '16 20 25 35 40 50 63 80 100 125 160',
    250,
    '250:25000',
    false,
    true,
    'M8',
    '1.25:3600- 1.60:30-7200 3.00:0.5-120 5.00:0.08-10 6.00:0.05-5 10.00:0.005-0.7 16.50:0.003-0.1',
    'IEC 60269-2',
  ],
  [
    'panel-breaker',
    'panel breaker',
    'breaker',
    '5 7.5 10 15 20 25 30 40 50',
    65,
    '14:5000 32:3000 65:3000',
    true,
    false,
    'M4',
    '1.00:36000- 1.25:20-200 1.50:10-60 2.00:4-25 4.00:0.9-6 6.00:0.01-3 12.00:0.005-0.05',
    'hydraulic-magnetic, medium delay, typical',
  ],
  [
    'surface-breaker',
    'surface breaker',
    'breaker',
    '25 30 40 50 60 70 80 100 120 135 150 175 200',
    48,
    '14:5000 28:3000 42:3000',
    true,
    true,
    'M6',
    '1.00:36000- 1.35:30-600 2.00:8-60 3.00:3-20 6.00:0.7-4 10.00:0.2-1.5 20.00:0.03-0.3',
    'thermal, trip-free, typical; 5 kA at 12 V',
  ],
  [
    'mcb-C',
    'AC breaker, curve C',
    'breaker-ac',
    '6 10 13 16 20 25 32 40 50 63',
    null,
    '',
    false,
    true,
    'clamp',
    '1.13:3600- 1.45:1-3600 2.55:1-120 5.00:0.1-30 10.00:0.005-0.1',
    'IEC 60898-1 type C',
  ],
  [
    'ac-panel-breaker',
    'AC panel breaker',
    'breaker-ac',
    '5 10 15 20 25 30 40 50',
    null,
    '',
    false,
    false,
    'M4',
    '1.00:36000- 1.25:20-200 2.00:4-25 6.00:0.01-3 12.00:0.008-0.05',
    'hydraulic-magnetic, typical',
  ],
];

const numbers = (text: string): number[] => text.split(' ').filter(Boolean).map(Number);

const parseCurve = (text: string): CurvePoint[] =>
  text.split(' ').map((item) => {
    const [multiple, times] = item.split(':') as [string, string];
    const [fastest, slowest] = times.split('-') as [string, string];
    return { multiple: Number(multiple), fastestS: Number(fastest), slowestS: slowest === '' ? null : Number(slowest) };
  });

const parsePairs = (text: string): (readonly [number, number])[] =>
  text
    .split(' ')
    .filter(Boolean)
    .map((pair) => {
      const [volts, amps] = pair.split(':').map(Number) as [number, number];
      return [volts, amps] as const;
    });

export const FAMILIES: readonly Family[] = ROWS.map(
  ([id, name, kind, ratings, maxVDc, interrupting, ignitionProtected, thermal, terminal, curve, source]) => ({
    id,
    name,
    kind,
    ratingsA: numbers(ratings),
    maxVDc,
    interrupting: parsePairs(interrupting),
    ignitionProtected,
    thermal,
    terminal,
    curve: parseCurve(curve),
    source,
  }),
);

export const DC_FAMILIES: readonly Family[] = FAMILIES.filter((f) => f.kind !== 'breaker-ac');
export const AC_FAMILIES: readonly Family[] = FAMILIES.filter((f) => f.kind === 'breaker-ac');

const byId = new Map(FAMILIES.map((f) => [f.id, f]));

export const findFamily = (id: string): Family | undefined => byId.get(id);
