/** What is wrong with a bank, from readings: faults with their odds, and what to read next (docs/methods.md, M16). */
import type { CircuitResult } from '../../circuit';
import type { Conditions } from '../line';
import { open, worth } from '../worth';
import { type BankFault, type BankFaultKind, bankFaults, type BankScene } from './faults';
import { bankProbes, NONE, NOTHING_OFF, type Probe } from './probes';

/** A figure, or which of several. */
export interface BankReading {
  readonly probeId: string;
  readonly value: number | null;
  readonly choice: string | null;
}

export interface BankSuspect {
  readonly id: string;
  readonly what: string;
  readonly probability: number;
  /** The likeliest size of it; null: it has none, or none is told yet. */
  readonly size: { readonly value: number; readonly unit: 'A' | 'V' | 'missing' } | null;
}

/** A reading that can be asked for, with what leading suspects would make it show. */
export interface BankAsked {
  readonly id: string;
  readonly what: string;
  readonly how: string;
  readonly hazard: string;
  readonly minutes: number;
  readonly unit: 'A' | 'V' | 'mV' | null;
  readonly choices: readonly { readonly id: string; readonly name: string }[];
  readonly predicts: readonly { readonly what: string; readonly says: string }[];
}

export interface BankDiagnosis {
  readonly suspects: readonly BankSuspect[];
  /** The same as they are told: of many alike, none of which stands out yet, one line. */
  readonly told: readonly BankSuspect[];
  readonly next: BankAsked | null;
  readonly asked: readonly BankAsked[];
}

const NOT_DRAWN = 0.05;
const SIZES = 9;
/** Walking there and writing it down, beside what the reading itself takes. */
const EACH_MINUTES = 2;
const LEAST_BITS = 0.08;
/** A circuit is taken apart at its end where that much speaks for it. */
const APART_FROM = 0.04;
/** Guesses that are not weighed for what comes next. */
const LEAST_WEIGHED = 1e-4;

interface Guess {
  /** null: nothing that is drawn here. */
  readonly fault: BankFault | null;
  readonly size: number;
  readonly p: number;
}

/** From one size of a fault to the next, as a factor. */
const stepOf = ({ unit, least, most }: BankFault): number => (unit === '' ? 1 : (most / least) ** (1 / (SIZES - 1)));
/** One sigma of what is anywhere between two, with a little to spare. */
const BETWEEN = 0.35;

const NOT_HERE = 'something that is not drawn here';

const normal = (z: number): number => Math.exp(-(z ** 2) / 2) / Math.sqrt(2 * Math.PI);

/** How well a guess explains a reading. */
function fits(probe: Probe, reading: BankReading, { fault, size }: Guess): number {
  if (probe.unit === null) {
    if (reading.choice === null) return 1;
    return fault ? (probe.chance(fault, size, NOTHING_OFF).get(reading.choice) ?? 0.01) : 1 / probe.choices.length;
  }
  if (reading.value === null) return 1;
  // What nobody drew may give any reading, and most often gives the usual one.
  const mean = probe.mean(fault, size, NOTHING_OFF);
  const own = probe.sigma(mean);
  if (!fault) return 0.5 / probe.span + (0.5 * normal((reading.value - mean) / own)) / own;
  // Between two sizes that are tried lies any of them.
  const half = Math.sqrt(stepOf(fault));
  const apart = probe.mean(fault, size * half, NOTHING_OFF) - probe.mean(fault, size / half, NOTHING_OFF);
  const sigma = Math.hypot(own, BETWEEN * apart);
  return normal((reading.value - mean) / sigma) / sigma + 1e-9;
}

/** Every fault at several sizes, evenly by their logarithm. */
const guesses = (scene: BankScene): Guess[] => [
  ...bankFaults(scene).flatMap((fault): Guess[] => {
    if (fault.unit === '') return [{ fault, size: 1, p: fault.prior }];
    const step = stepOf(fault);
    return Array.from({ length: SIZES }, (_, i) => ({ fault, size: fault.least * step ** i, p: fault.prior / SIZES }));
  }),
];

function weighed(scene: BankScene, probes: readonly Probe[], readings: readonly BankReading[]): readonly Guess[] {
  const drawn = guesses(scene);
  const sum = drawn.reduce((n, g) => n + g.p, 0);
  const all: Guess[] = [...drawn.map((g) => ({ ...g, p: ((1 - NOT_DRAWN) * g.p) / sum })), { fault: null, size: 0, p: NOT_DRAWN }];
  const after = all.map((g) => ({
    ...g,
    p: readings.reduce((p, r) => {
      const probe = probes.find((x) => x.id === r.probeId);
      return probe ? p * fits(probe, r, g) : p;
    }, g.p),
  }));
  const total = after.reduce((n, g) => n + g.p, 0) || 1;
  return after.map((g) => ({ ...g, p: g.p / total }));
}

/** Sizes of one fault gathered into its odds and its mean. */
function suspectsOf(all: readonly Guess[]): readonly (BankSuspect & { readonly fault: BankFault | null })[] {
  const by = new Map<string, { fault: BankFault | null; p: number; log: number }>();
  for (const g of all) {
    const had = by.get(g.fault?.id ?? NOT_HERE) ?? { fault: g.fault, p: 0, log: 0 };
    had.p += g.p;
    had.log += g.p * Math.log(g.size || 1);
    by.set(g.fault?.id ?? NOT_HERE, had);
  }
  return [...by]
    .map(([id, { fault, p, log }]) => ({
      id,
      fault,
      what: fault?.what ?? NOT_HERE,
      probability: p,
      size: fault === null || fault.unit === '' || p <= 0 ? null : { value: Math.exp(log / p), unit: fault.unit },
    }))
    .sort((a, b) => b.probability - a.probability);
}

function bitsOf(probe: Probe, all: readonly Guess[]): number {
  if (probe.unit !== null)
    return worth(
      all.flatMap((g) => (g.fault ? [{ p: g.p, mv: probe.mean(g.fault, g.size, NOTHING_OFF) }] : [])),
      probe.sigma(probe.mean(null, 0, NOTHING_OFF)),
    );
  const chances = all.flatMap((g) => (g.fault ? [{ p: g.p, of: probe.chance(g.fault, g.size, NOTHING_OFF) }] : []));
  const after = probe.choices.reduce((n, { id }) => {
    const joint = chances.map((x) => x.p * (x.of.get(id) ?? 0));
    return n + joint.reduce((a, b) => a + b, 0) * open(joint);
  }, 0);
  const total = chances.reduce((n, x) => n + x.p, 0) || 1;
  return Math.max(0, open(chances.map((x) => x.p)) - after / total);
}

/** Of each fault one guess of its mean size: what it is weighed by for the next reading. */
const means = (suspects: ReturnType<typeof suspectsOf>): Guess[] =>
  suspects.filter((s) => s.probability > LEAST_WEIGHED).map((s) => ({ fault: s.fault, size: s.size?.value ?? 1, p: s.probability }));

/** A kind as it is told while none of so many stands out. */
const OF_MANY: Partial<Record<BankFaultKind, (n: number) => string>> = {
  'standing draw': (n) => `something on one of ${n} circuits draws while it should not`,
  leak: (n) => `a leak in the wires of one of ${n} circuits: damp, chafe, a green plug`,
  'weak block': (n) => `one of ${n} blocks is weak`,
  'set too low': (n) => `one of ${n} sources is set too low`,
  'set too high': (n) => `one of ${n} sources is set too high`,
  'gives nothing': (n) => `one of ${n} sources gives nothing`,
  'gives part': (n) => `one of ${n} sources gives only a part of what it should`,
  'stuck at full': (n) => `the regulator of one of ${n} sources is stuck at full`,
};
/** One of many stands out from this part of its kind's odds. */
const STANDS_OUT = 0.6;

/** Of each kind the one that stands out and the rest, or all in one line. */
function toldOf(suspects: ReturnType<typeof suspectsOf>): ReturnType<typeof suspectsOf> {
  const by = new Map<string, ReturnType<typeof suspectsOf>>();
  for (const s of suspects) by.set(s.fault?.kind ?? s.id, [...(by.get(s.fault?.kind ?? s.id) ?? []), s]);
  return [...by.values()]
    .flatMap((alike) => {
      const [first] = alike;
      const sum = alike.reduce((n, s) => n + s.probability, 0);
      const words = first?.fault ? OF_MANY[first.fault.kind] : undefined;
      if (!first || !words || alike.length < 2 || first.probability >= STANDS_OUT * sum) return alike;
      const log = alike.reduce((n, s) => n + s.probability * Math.log(s.size?.value ?? 1), 0);
      return [
        {
          ...first,
          id: `${first.fault?.kind ?? ''} of ${alike.length}`,
          what: words(alike.length),
          probability: sum,
          size: first.size && { ...first.size, value: Math.exp(log / (sum || 1)) },
        },
      ];
    })
    .sort((a, b) => b.probability - a.probability);
}

const round = (x: number): string => (Math.abs(x) >= 100 ? x.toFixed(0) : x.toFixed(2));
const MOST_PREDICTED = 3;

function askedOf(probe: Probe, suspects: ReturnType<typeof suspectsOf>): BankAsked {
  const { id, what, how, hazard, minutes, unit } = probe;
  const says = (fault: BankFault, size: number, many: boolean): string => {
    if (probe.unit !== null) return `${round(probe.mean(fault, size, NOTHING_OFF))} ${probe.unit}`;
    const [most] = [...probe.chance(fault, size, NOTHING_OFF)].sort((a, b) => b[1] - a[1]);
    if (many && most?.[0] !== NONE) return 'one of them';
    return probe.choices.find((c) => c.id === most?.[0])?.name ?? '';
  };
  return {
    id,
    what,
    how,
    hazard,
    minutes,
    unit,
    choices: probe.unit === null ? probe.choices : [],
    predicts: suspects
      .flatMap((s) => (s.fault ? [{ what: s.what, says: says(s.fault, s.size?.value ?? 1, s.id !== s.fault.id) }] : []))
      .slice(0, MOST_PREDICTED),
  };
}

/** @param readings of the probes this gives out; others are passed over. */
export function diagnoseBank(
  scene: BankScene,
  results: readonly CircuitResult[],
  given: Conditions,
  readings: readonly BankReading[],
): BankDiagnosis {
  // Circuits that a reading is of stay, whatever speaks for them now.
  const read = readings.flatMap((r) => (r.probeId.startsWith('apart ') ? [r.probeId.slice('apart '.length)] : []));
  const first = bankProbes(scene, results, given, read);
  const all = weighed(scene, first, readings);
  const suspects = suspectsOf(all);
  const apartOf = new Set(read);
  for (const s of suspects) if (s.fault?.kind === 'leak' && s.probability >= APART_FROM) apartOf.add(s.fault.at);
  const probes = bankProbes(scene, results, given, [...apartOf]);
  const had = new Set(readings.map((r) => r.probeId));
  const weighing = means(suspects);
  const ranked = probes
    .filter((p) => !had.has(p.id))
    .map((probe) => ({ probe, bits: bitsOf(probe, weighing) }))
    .sort((a, b) => b.bits / (b.probe.minutes + EACH_MINUTES) - a.bits / (a.probe.minutes + EACH_MINUTES));
  const best = ranked.find((x) => x.bits >= LEAST_BITS);
  const told = toldOf(suspects);
  const plain = (list: typeof suspects): BankSuspect[] => list.map(({ id, what, probability, size }) => ({ id, what, probability, size }));
  // A reading of one thing tells nothing of a line that stands for many.
  const ask = (probe: Probe) => askedOf(probe, /^(end|apart) /.test(probe.id) ? suspects : told);
  return {
    suspects: plain(suspects),
    told: plain(told),
    next: best ? ask(best.probe) : null,
    asked: ranked.map(({ probe }) => ask(probe)),
  };
}
