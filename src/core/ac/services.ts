/** Shore services of the regions, and what a source may give: the limit that appliances are held against (docs/methods.md, M12). */
import { AMBIENT_C } from '../rules';
import type { AcSupplyParts } from './parts';
import { TYPICAL_XD } from './generator';
import type { AcLimit } from './together';
import { type AcRules, type AcSource, type Design, rowOf, SERVICE_V } from '../design';

export interface Service {
  readonly legs: 1 | 2;
  /** Of one leg, V. */
  readonly volts: number;
  readonly hz: 50 | 60;
  /** Pedestals met with, A. */
  readonly dockA: readonly number[];
  readonly words: string;
}

export const SERVICES: Readonly<Record<AcSource['service'], Service>> = {
  '120 V': { legs: 1, volts: SERVICE_V['120 V'], hz: 60, dockA: [15, 20, 30], words: '120 V 60 Hz, one pole' },
  '120/240 V': { legs: 2, volts: SERVICE_V['120/240 V'], hz: 60, dockA: [30, 50], words: '120/240 V 60 Hz, two legs' },
  '230 V': { legs: 1, volts: SERVICE_V['230 V'], hz: 50, dockA: [10, 16, 32], words: '230 V 50 Hz' },
};

/** Part of a breaker that loads of more than three hours may take together. */
export const continuousPart = (rules: AcRules, school: Design['boat']['ruleSet']): number =>
  rules.continuousPart ?? (school === 'awg' ? 0.8 : 1);

/** An inverter's figures for all of its units in parallel; null: the source is none. */
export function wholeInverter({ inverter: i }: Pick<AcSource, 'inverter'>): AcSource['inverter'] {
  if (!i || i.units === 1) return i;
  const n = i.units;
  return {
    ...i,
    va: n * i.va,
    surges: i.surges.map((s) => ({ ...s, va: n * s.va })),
    idleW: n * i.idleW,
    sleepW: i.sleepW === null ? null : n * i.sleepW,
    passA: i.passA === null ? null : n * i.passA,
  };
}

/** Continuous output of an inverter where it stands, VA, all units: what its maker says, less so much a degree above the maker's temperature. */
export function inverterVa(source: AcSource, ambientC: number): number {
  const i = wholeInverter(source);
  if (!i) return 0;
  return i.va * Math.max(0, 1 - (i.lossPctPerC / 100) * Math.max(0, ambientC - i.atC));
}

/** One way a source may be set: a pedestal of so many amps, the generator, the inverter. */
export interface Setting {
  readonly id: string;
  readonly name: string;
  readonly sourceId: string;
  readonly kind: AcSource['kind'];
  readonly dockA: number | null;
  readonly limit: AcLimit;
}

const ambientOf = (design: AcSupplyParts, placeId: string | null): number => rowOf(design.places, placeId)?.ambientC ?? AMBIENT_C;

/** What a source gives at most, on a pedestal of dockA where it is shore. */
export function limitOf(design: AcSupplyParts, source: AcSource, dockA: number | null): AcLimit {
  const { legs, volts } = SERVICES[source.service];
  const part = continuousPart(design.acRules, design.boat.ruleSet);
  if (source.kind === 'generator') {
    const kva = source.generator?.kva ?? 0;
    return { legs, volts, amps: source.ratedA, continuousPart: part, kw: kva * (source.generator?.powerFactor ?? 1), kva };
  }
  if (source.kind === 'inverter') {
    const kva = inverterVa(source, ambientOf(design, source.placeId)) / 1000;
    return { legs, volts, amps: source.ratedA * (source.inverter?.units ?? 1), continuousPart: 1, kw: kva, kva };
  }
  return { legs, volts, amps: Math.min(source.ratedA, dockA ?? source.ratedA), continuousPart: part, kw: null, kva: null };
}

/** Every setting of every source: pedestals up to the inlet's own rating, the largest first. */
export function settingsOf(design: AcSupplyParts): Setting[] {
  return design.acSources.flatMap((s): Setting[] => {
    const at = (name: string, dockA: number | null, key: string): Setting => ({
      id: `${s.id}${key}`,
      name,
      sourceId: s.id,
      kind: s.kind,
      dockA,
      limit: limitOf(design, s, dockA),
    });
    if (s.kind === 'inverter') return [at(`${s.name} at ${Math.round(100 * design.acRules.inverterSoc)} % battery`, null, '')];
    if (s.kind === 'generator') return [at(s.name, null, '')];
    const smaller = SERVICES[s.service].dockA.filter((a) => a < s.ratedA);
    return [s.ratedA, ...[...smaller].reverse()].map((a) => at(`${s.name}, ${a} A`, a, `@${a}`));
  });
}

/** Part of its volts that a full transformer's short circuit takes; typical where its plate does not say. */
export const TRANSFORMER_UK = 0.04;

/** Ohm of an isolation transformer in a short: its uk of volts over its amps (the inlet's where nobody asked); 0 without one. */
export function transformerOhm(source: AcSource): number {
  if (source.shore?.isolation !== 'isolation transformer') return 0;
  const amps = source.shore.isolator?.ratedA ?? source.ratedA;
  return amps > 0 ? (TRANSFORMER_UK * SERVICES[source.service].volts) / amps : 0;
}

/** Ohm between a source's terminals in a short: the pedestal's and a transformer's, or what limits a machine. */
export function sourceOhm(source: AcSource): number {
  const { volts, legs } = SERVICES[source.service];
  if (source.kind === 'shore') return (source.shore?.pedestalOhm ?? ASSUMED_PEDESTAL_OHM) + transformerOhm(source);
  if (source.kind === 'generator') {
    const kva = source.generator?.kva ?? 0;
    return kva > 0 ? ((source.generator?.xd ?? TYPICAL_XD) * volts * volts) / ((1000 * kva) / legs) : Infinity;
  }
  const { va = 0, faultTimes = 2 } = wholeInverter(source) ?? {};
  return va > 0 ? (volts * volts) / (faultTimes * va) : Infinity;
}

/** Least a breaker must interrupt on a service, A, main and branch: North American small-craft practice; verify against the edition in force. */
export const INTERRUPTS_AT_LEAST: Readonly<Record<AcSource['service'], { readonly main: number; readonly branch: number }>> = {
  '120 V': { main: 3000, branch: 3000 },
  '120/240 V': { main: 5000, branch: 3000 },
  '230 V': { main: 3000, branch: 3000 },
};
/** What the AC families interrupt, A: typical of the pattern; the part's own sheet rules. */
export const INTERRUPTS: Readonly<Record<string, number>> = { 'mcb-C': 6000, 'ac-panel-breaker': 5000 };

/** Where nobody has asked. */
export const ASSUMED_PEDESTAL_OHM = 0.5;
