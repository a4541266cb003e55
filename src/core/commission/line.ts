/** A line of the test sheet, and what several stages make it from. */
import { bankSource, chemistryOf } from '../bank';
import { type Design, rowOf } from '../design';
import { unitOf } from '../quantity';
import { restV } from '../rules';
import { type Band, bandOf, clamp, even, type Limit, meter, type Spread } from './band';
import type { Element } from './path';
import type { Stretch } from './stretch';

export const STAGES = [
  'dead',
  'DC energised by stages',
  'circuits, each alone',
  'heavy paths',
  'charging',
  'AC, source by source',
  'monitor and alarms',
  'dead and live',
] as const;

/** Asked once, and again when they change. */
export interface Conditions {
  /** Rest volts of each bank, by id, where they were read. */
  readonly restV: Readonly<Record<string, number>>;
  readonly ambientC: number;
}

export const USUAL_CONDITIONS: Conditions = { restV: {}, ambientC: 20 };

export interface TestLine {
  readonly id: string;
  /** 0 to 7. */
  readonly stage: number;
  readonly what: string;
  /** State the boat is in. */
  readonly state: string;
  readonly probes: string;
  /** What is typed; 'seen': nothing is, it is looked at. */
  readonly unit: 'V' | 'mV' | 'A' | 'Ω' | 'kΩ' | 'MΩ' | 'ms' | '°C' | '°F' | 'seen';
  readonly band: Band | null;
  readonly limit: Limit;
  readonly working: string;
  readonly hazard: string;
  readonly outside: string;
  /** Of a drop: the current it is stated at, A, and the elements it lies over; another current moves it in proportion. */
  readonly drop: { readonly atA: number; readonly elements: readonly Element[] } | null;
  /** Where the probes go along a path; null: on no path. */
  readonly at: ProbesAt | null;
}

/** Parts of a path from the bank and back; probes stand before one and behind another, by their order. */
export interface ProbesAt {
  readonly parts: readonly { readonly what: string; readonly back: boolean }[];
  readonly before: number;
  readonly behind: number;
}

/** @param before of the parts; all of them where it is not said. */
export function probesAt(stretches: readonly Stretch[], before = 0, behind = stretches.length - 1): ProbesAt {
  return { parts: stretches.map((s) => ({ what: s.what, back: s.id.endsWith('−') })), before, behind };
}

const NONE: Limit = { least: null, most: null };

export type Given = Pick<TestLine, 'id' | 'what' | 'state' | 'probes' | 'unit'> & Partial<TestLine>;
export const line = (stage: number, given: Given): TestLine => ({
  stage,
  band: null,
  limit: NONE,
  working: '',
  hazard: '',
  outside: '',
  drop: null,
  at: null,
  ...given,
});

/** Millivolts over elements at a current, with the band of all their causes; the meter and the clamp are shared. */
export function dropBand(elements: readonly Element[], amps: number, clamped = true): Band {
  const sum = elements.reduce((n, e) => n + e.mohm, 0);
  const mv = sum * amps;
  const shared = new Map<string, { up: number; down: number }>();
  const own: Spread[] = [];
  for (const e of elements)
    if (e.shared === null) own.push({ what: e.what, up: e.up * amps, down: e.down * amps });
    else {
      const had = shared.get(e.shared) ?? { up: 0, down: 0 };
      shared.set(e.shared, { up: had.up + e.up * amps, down: had.down + e.down * amps });
    }
  return bandOf(mv, [
    ...own,
    ...[...shared].map(([what, s]) => ({ what: `copper ${what}`, ...s })),
    meter(mv, mv < 200 ? 0.1 : 1),
    ...(clamped && amps > 0 ? [even('clamp', sum * clamp(amps))] : []),
  ]);
}

/** Temperatures in the boat's own unit: the unit's name, a temperature and a difference of °C in it. */
export function degrees({ boat }: Pick<Design, 'boat'>): {
  readonly unit: '°C' | '°F';
  readonly at: (c: number) => number;
  readonly by: (c: number) => number;
} {
  return { unit: boat.tempUnit === 'F' ? '°F' : '°C', at: unitOf('C', boat).to, by: unitOf('dC', boat).to };
}

/** Rest volts of a bank: as read, else of a full one. */
export const emf = (design: Design, bankId: string, given: Conditions): number => {
  const read = given.restV[bankId];
  if (read !== undefined) return read;
  const bank = rowOf(design.banks, bankId);
  return bank ? restV(chemistryOf(bank), 1) * (bankSource(bank).nominalV / 12) : 12.7;
};

/** A line's band as the current really was. */
export const bandAt = (l: TestLine, amps: number | null): Band | null =>
  l.drop !== null && amps !== null && amps > 0 ? dropBand(l.drop.elements, amps) : l.band;
