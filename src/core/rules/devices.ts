/** Protective device families, by pattern or standard, never by maker. Typical figures for the pattern; the exact part's data sheet rules. */

import type { School } from './conductors';

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
  /** DC interrupting capacity: first whose volts cover the bank at rest. Empty for AC families. */
  readonly interrupting: readonly { readonly volts: number; readonly amps: number }[];
  readonly ignitionProtected: boolean;
  readonly thermal: boolean;
  /** How a conductor lands on it, by school: a stud by its metric name (M5 is #10), 'blade' or 'clamp'. */
  readonly terminal: Readonly<Record<School, string>>;
  /** Its row in the table of ends, where it takes other than its screw does. */
  readonly end?: string;
  readonly curve: readonly CurvePoint[];
  readonly source: string;
}

/** The row of the table of ends that a family's terminal is. */
export const terminalRow = (family: Family, school: School): string => family.end ?? family.terminal[school];

export const FAMILIES: readonly Family[] = [
  {
    id: 'blade',
    name: 'blade fuse',
    kind: 'fuse',
    ratingsA: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40],
    maxVDc: 32,
    interrupting: [{ volts: 32, amps: 1000 }],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'blade', awg: 'blade' },
    curve: [
      { multiple: 1.1, fastestS: 360000, slowestS: null },
      { multiple: 1.35, fastestS: 0.75, slowestS: 600 },
      { multiple: 1.6, fastestS: 0.25, slowestS: 50 },
      { multiple: 2, fastestS: 0.15, slowestS: 5 },
      { multiple: 3.5, fastestS: 0.04, slowestS: 0.5 },
      { multiple: 6, fastestS: 0.02, slowestS: 0.1 },
    ],
    source: 'ISO 8820-3 type C',
  },
  {
    id: 'maxi-blade',
    name: 'large blade fuse',
    kind: 'fuse',
    ratingsA: [20, 30, 40, 50, 60, 70, 80, 100],
    maxVDc: 32,
    interrupting: [{ volts: 32, amps: 1000 }],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'M5', awg: 'M5' },
    curve: [
      { multiple: 1.1, fastestS: 360000, slowestS: null },
      { multiple: 1.35, fastestS: 60, slowestS: 1800 },
      { multiple: 1.6, fastestS: 15, slowestS: 300 },
      { multiple: 2, fastestS: 2, slowestS: 60 },
      { multiple: 3.5, fastestS: 0.2, slowestS: 7 },
      { multiple: 6, fastestS: 0.04, slowestS: 1 },
    ],
    source: 'ISO 8820-3 type E',
  },
  {
    id: 'strip-SF30',
    name: 'strip fuse, 30 mm',
    kind: 'fuse',
    ratingsA: [30, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200],
    maxVDc: 58,
    interrupting: [
      { volts: 32, amps: 2000 },
      { volts: 58, amps: 1000 },
    ],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'M5', awg: 'M5' },
    curve: [
      { multiple: 1.1, fastestS: 14400, slowestS: null },
      { multiple: 1.35, fastestS: 60, slowestS: 1800 },
      { multiple: 2, fastestS: 1, slowestS: 15 },
      { multiple: 3.5, fastestS: 0.3, slowestS: 5 },
      { multiple: 6, fastestS: 0.1, slowestS: 1 },
    ],
    source: 'ISO 8820-5',
  },
  {
    id: 'strip-SF51',
    name: 'strip fuse, 51 mm',
    kind: 'fuse',
    ratingsA: [40, 60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500],
    maxVDc: 58,
    interrupting: [
      { volts: 32, amps: 2000 },
      { volts: 58, amps: 1000 },
    ],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'M8', awg: 'M8' },
    curve: [
      { multiple: 1.1, fastestS: 14400, slowestS: null },
      { multiple: 1.35, fastestS: 120, slowestS: 1800 },
      { multiple: 2, fastestS: 1, slowestS: 15 },
      { multiple: 3.5, fastestS: 0.3, slowestS: 5 },
      { multiple: 6, fastestS: 0.1, slowestS: 1 },
    ],
    source: 'ISO 8820-5',
  },
  {
    id: 'strip-link',
    name: 'strip-link fuse',
    kind: 'fuse',
    ratingsA: [35, 50, 60, 80, 100, 130, 150, 175, 200, 225, 250, 300, 325, 350, 400, 450, 500],
    maxVDc: 32,
    interrupting: [
      { volts: 14, amps: 6000 },
      { volts: 32, amps: 6000 },
    ],
    ignitionProtected: true,
    thermal: true,
    terminal: { metric: 'M8', awg: 'M8' },
    curve: [
      { multiple: 1, fastestS: 14400, slowestS: null },
      { multiple: 1.4, fastestS: 100, slowestS: 2000 },
      { multiple: 2, fastestS: 5, slowestS: 60 },
      { multiple: 3.5, fastestS: 0.5, slowestS: 6 },
      { multiple: 6, fastestS: 0.1, slowestS: 1 },
    ],
    source: 'North American strip-link pattern',
  },
  {
    id: 'terminal-cube',
    name: 'cube fuse',
    kind: 'fuse',
    ratingsA: [30, 40, 50, 60, 75, 80, 90, 100, 125, 150, 175, 200, 225, 250, 300],
    maxVDc: 58,
    interrupting: [
      { volts: 14, amps: 10000 },
      { volts: 32, amps: 5000 },
      { volts: 58, amps: 2000 },
    ],
    ignitionProtected: true,
    thermal: true,
    terminal: { metric: 'M8', awg: 'M8' },
    curve: [
      { multiple: 1.1, fastestS: 14400, slowestS: null },
      { multiple: 1.35, fastestS: 100, slowestS: 2000 },
      { multiple: 2, fastestS: 1, slowestS: 20 },
      { multiple: 3.5, fastestS: 0.2, slowestS: 3 },
      { multiple: 6, fastestS: 0.05, slowestS: 0.6 },
    ],
    source: 'cube fuse for a battery post or bus stud; interrupts 10 kA at 14 V, 5 kA at 32 V, 2 kA at 58 V',
  },
  {
    id: 'class-T',
    name: 'class T fuse',
    kind: 'fuse',
    ratingsA: [30, 40, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400],
    maxVDc: 125,
    interrupting: [{ volts: 125, amps: 20000 }],
    ignitionProtected: true,
    thermal: true,
    terminal: { metric: 'M8', awg: 'M8' },
    curve: [
      { multiple: 1.1, fastestS: 14400, slowestS: null },
      { multiple: 1.35, fastestS: 60, slowestS: 7200 },
      { multiple: 2, fastestS: 1, slowestS: 120 },
      { multiple: 3.5, fastestS: 0.08, slowestS: 3 },
      { multiple: 5, fastestS: 0.02, slowestS: 0.2 },
      { multiple: 10, fastestS: 0.003, slowestS: 0.02 },
    ],
    source: 'UL 248-15 fast-acting, current-limiting',
  },
  {
    id: 'nh00-gG',
    name: 'gG knife fuse',
    kind: 'fuse',
    ratingsA: [16, 20, 25, 35, 40, 50, 63, 80, 100, 125, 160],
    maxVDc: 250,
    interrupting: [{ volts: 250, amps: 25000 }],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'M8', awg: 'M8' },
    curve: [
      { multiple: 1.25, fastestS: 3600, slowestS: null },
      { multiple: 1.6, fastestS: 30, slowestS: 7200 },
      { multiple: 3, fastestS: 0.5, slowestS: 120 },
      { multiple: 5, fastestS: 0.08, slowestS: 10 },
      { multiple: 6, fastestS: 0.05, slowestS: 5 },
      { multiple: 10, fastestS: 0.005, slowestS: 0.7 },
      { multiple: 16.5, fastestS: 0.003, slowestS: 0.1 },
    ],
    source: 'IEC 60269-2',
  },
  {
    id: 'cartridge-10x38',
    name: '10 × 38 cartridge fuse',
    kind: 'fuse',
    ratingsA: [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30],
    maxVDc: 600,
    interrupting: [{ volts: 600, amps: 20000 }],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'screw clamp', awg: 'screw clamp' },
    curve: [
      { multiple: 1.13, fastestS: 3600, slowestS: null },
      { multiple: 1.45, fastestS: 60, slowestS: 3600 },
      { multiple: 2, fastestS: 5, slowestS: 120 },
      { multiple: 3, fastestS: 0.5, slowestS: 8 },
      { multiple: 5, fastestS: 0.04, slowestS: 0.4 },
      { multiple: 10, fastestS: 0.003, slowestS: 0.03 },
    ],
    source: 'IEC 60269-6 gPV, 10 mm by 38 mm, in a touch-proof holder; DC figures typical, ours',
  },
  {
    id: 'panel-breaker',
    name: 'panel breaker',
    kind: 'breaker',
    ratingsA: [5, 7.5, 10, 15, 20, 25, 30, 40, 50],
    maxVDc: 65,
    interrupting: [
      { volts: 14, amps: 5000 },
      { volts: 32, amps: 3000 },
      { volts: 65, amps: 3000 },
    ],
    ignitionProtected: true,
    thermal: false,
    terminal: { metric: 'M4', awg: 'M5' },
    end: 'panel breaker',
    curve: [
      { multiple: 1, fastestS: 36000, slowestS: null },
      { multiple: 1.25, fastestS: 20, slowestS: 200 },
      { multiple: 1.5, fastestS: 10, slowestS: 60 },
      { multiple: 2, fastestS: 4, slowestS: 25 },
      { multiple: 4, fastestS: 0.9, slowestS: 6 },
      { multiple: 6, fastestS: 0.01, slowestS: 3 },
      { multiple: 12, fastestS: 0.005, slowestS: 0.05 },
    ],
    source: 'hydraulic-magnetic, medium delay, typical',
  },
  {
    id: 'surface-breaker',
    name: 'surface breaker',
    kind: 'breaker',
    ratingsA: [25, 30, 40, 50, 60, 70, 80, 100, 120, 135, 150, 175, 200],
    maxVDc: 48,
    interrupting: [
      { volts: 14, amps: 5000 },
      { volts: 28, amps: 3000 },
      { volts: 42, amps: 3000 },
    ],
    ignitionProtected: true,
    thermal: true,
    terminal: { metric: 'M6', awg: 'M6' },
    curve: [
      { multiple: 1, fastestS: 36000, slowestS: null },
      { multiple: 1.35, fastestS: 30, slowestS: 600 },
      { multiple: 2, fastestS: 8, slowestS: 60 },
      { multiple: 3, fastestS: 3, slowestS: 20 },
      { multiple: 6, fastestS: 0.7, slowestS: 4 },
      { multiple: 10, fastestS: 0.2, slowestS: 1.5 },
      { multiple: 20, fastestS: 0.03, slowestS: 0.3 },
    ],
    source: 'thermal, trip-free, typical; 5 kA at 12 V',
  },
  {
    id: 'mcb-C',
    name: 'AC breaker, curve C',
    kind: 'breaker-ac',
    ratingsA: [6, 10, 13, 16, 20, 25, 32, 40, 50, 63],
    maxVDc: null,
    interrupting: [],
    ignitionProtected: false,
    thermal: true,
    terminal: { metric: 'clamp', awg: 'clamp' },
    curve: [
      { multiple: 1.13, fastestS: 3600, slowestS: null },
      { multiple: 1.45, fastestS: 1, slowestS: 3600 },
      { multiple: 2.55, fastestS: 1, slowestS: 120 },
      { multiple: 5, fastestS: 0.1, slowestS: 30 },
      { multiple: 10, fastestS: 0.005, slowestS: 0.1 },
    ],
    source: 'IEC 60898-1 type C',
  },
  {
    id: 'ac-panel-breaker',
    name: 'AC panel breaker',
    kind: 'breaker-ac',
    ratingsA: [5, 10, 15, 20, 25, 30, 40, 50],
    maxVDc: null,
    interrupting: [],
    ignitionProtected: false,
    thermal: false,
    terminal: { metric: 'M4', awg: 'M5' },
    end: 'panel breaker',
    curve: [
      { multiple: 1, fastestS: 36000, slowestS: null },
      { multiple: 1.25, fastestS: 20, slowestS: 200 },
      { multiple: 2, fastestS: 4, slowestS: 25 },
      { multiple: 6, fastestS: 0.01, slowestS: 3 },
      { multiple: 12, fastestS: 0.008, slowestS: 0.05 },
    ],
    source: 'hydraulic-magnetic, typical',
  },
];

export const DC_FAMILIES: readonly Family[] = FAMILIES.filter((f) => f.kind !== 'breaker-ac');
export const AC_FAMILIES: readonly Family[] = FAMILIES.filter((f) => f.kind === 'breaker-ac');

const byId = new Map(FAMILIES.map((f) => [f.id, f]));

export const findFamily = (id: string): Family | undefined => byId.get(id);
