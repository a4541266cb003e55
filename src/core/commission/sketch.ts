/** A path drawn in two minutes, without a boat: parts in a row from the bank and back, with what each should have (docs/methods.md, M16). */
import { BREAKER_V, findConductor, FUSE_V, INLINE, JOINT_OHM, SMALL_BREAKER_V } from '../rules';
import type { Element } from './path';

export const SKETCH_KINDS = ['cable', 'fuse', 'breaker', 'switch', 'joint'] as const;
export type SketchKind = (typeof SKETCH_KINDS)[number];

export interface SketchRow {
  readonly id: string;
  readonly kind: SketchKind;
  /** Of a cable: its size, its length one way, m, and whether it is the way back. */
  readonly size: string;
  readonly lengthM: number;
  readonly back: boolean;
  /** Of a fuse or breaker, A. */
  readonly ratingA: number;
}

/** Two sigma: a length somebody paces out; copper and its temperature; a device and a joint of which nothing is known. As on a boat's own paths. */
const LENGTH = 0.1;
const COPPER = 0.06;
const DEVICE_UP = 0.6;
const DEVICE_DOWN = 0.4;
const JOINT_UP = 0.07;
const JOINT_DOWN = 0.03;

/** A few parts to begin with: a breaker, a cable out, a switch, a cable back. */
export const SKETCH_AT_FIRST = (school: 'awg' | 'metric'): readonly SketchRow[] => {
  const cable = { size: school === 'metric' ? '4' : '12', lengthM: 6, ratingA: 20 };
  return [
    { ...cable, id: 'p1', kind: 'breaker', back: false },
    { ...cable, id: 'p2', kind: 'cable', back: false },
    { ...cable, id: 'p3', kind: 'switch', back: false },
    { ...cable, id: 'p4', kind: 'cable', back: true },
  ];
};

/** Elements as a boat's own path has them; a cable of a size nobody makes is left out. */
export function sketchedPath(rows: readonly SketchRow[], school: 'awg' | 'metric'): readonly Element[] {
  const blank = { circuitId: '', lengthM: null, shared: null, from: 'its one side', to: 'its other side' };
  const device = (row: SketchRow, what: string, mohm: number): Element => ({
    ...blank,
    id: row.id,
    what,
    kind: 'device',
    mohm,
    up: DEVICE_UP * mohm,
    down: DEVICE_DOWN * mohm,
  });
  const joints = (row: SketchRow, what: string, n: number): Element => ({
    ...blank,
    id: row.kind === 'cable' ? `${row.id}j` : row.id,
    what,
    kind: 'joints',
    mohm: n * 1000 * JOINT_OHM,
    up: Math.sqrt(n) * JOINT_UP,
    down: Math.sqrt(n) * JOINT_DOWN,
  });
  return rows.flatMap((row, i): Element[] => {
    const no = `${i + 1}`;
    switch (row.kind) {
      case 'cable': {
        const made = findConductor(school, row.size);
        if (!made || row.lengthM <= 0) return [];
        const mohm = made.r20OhmPerKm * row.lengthM;
        const spread = Math.hypot(LENGTH, COPPER) * mohm;
        const pole = row.back ? '−' : '+';
        return [
          {
            ...blank,
            id: row.id,
            what: `${no} cable ${pole}`,
            kind: 'copper',
            mohm,
            up: spread,
            down: spread,
            lengthM: row.lengthM,
            shared: `${school} ${row.size}`,
          },
          { ...joints(row, `${no} both ends of cable ${pole}`, 2), ends: { school, size: row.size } },
        ];
      }
      case 'fuse':
        return row.ratingA > 0 ? [device(row, `${no} fuse ${row.ratingA} A`, (1000 * FUSE_V) / row.ratingA)] : [];
      case 'breaker':
        return row.ratingA > 0
          ? [device(row, `${no} breaker ${row.ratingA} A`, (1000 * (row.ratingA <= 10 ? SMALL_BREAKER_V : BREAKER_V)) / row.ratingA)]
          : [];
      case 'switch':
        return [device(row, `${no} switch`, 1000 * INLINE.switch.ohm)];
      case 'joint':
        return [joints(row, `${no} joint`, 1)];
    }
  });
}
