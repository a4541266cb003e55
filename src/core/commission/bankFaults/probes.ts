/** Where a meter tells what is wrong with a bank, and what each fault would make it show (docs/methods.md, M16). */
import { bankSource } from '../../bank';
import { alternatorAt, compensatedV } from '../../charging';
import type { CircuitResult } from '../../circuit';
import { standingA } from '../../demand';
import { type Circuit, type Design, rowOf, type Source } from '../../design';
import { meter } from '../band';
import { type Conditions, emf } from '../line';
import { deviceOf } from '../path';
import { type BankFault, type BankScene, blocksOf, nameOfCircuit, settable, twelves } from './faults';

/** What is not exactly as the design has it: factors and volts. Of the design itself nothing is off. */
export interface Off {
  readonly standing: (loadId: string) => number;
  readonly device: (circuitId: string) => number;
  readonly regulatorV: (sourceId: string) => number;
  readonly emfV: number;
  readonly ohm: number;
}
export const NOTHING_OFF: Off = { standing: () => 1, device: () => 1, regulatorV: () => 0, emfV: 0, ohm: 1 };

interface Asked {
  readonly id: string;
  readonly what: string;
  readonly how: string;
  readonly hazard: string;
  readonly minutes: number;
}
/** A figure is read. */
export interface FigureProbe extends Asked {
  readonly unit: 'A' | 'V' | 'mV';
  readonly mean: (fault: BankFault | null, size: number, off: Off) => number;
  /** One sigma of it where it should be so much: what is not known, and the meter. */
  readonly sigma: (mean: number) => number;
  /** One sigma of the meter alone. */
  readonly meterSigma: number;
  /** A reading may lie anywhere in here where nothing of this explains it. */
  readonly span: number;
}
/** One of several things is told. */
export interface ChoiceProbe extends Asked {
  readonly unit: null;
  readonly choices: readonly { readonly id: string; readonly name: string }[];
  readonly chance: (fault: BankFault | null, size: number, off: Off) => ReadonlyMap<string, number>;
}
export type Probe = FigureProbe | ChoiceProbe;

/** What nobody stands out in. */
export const NONE = 'none';

const BELT = 'Belt and fan: sleeves and hair. Its cable is never opened while it turns.';
const GAS = 'A lead-acid bank that gasses: no spark, air in, eyes covered; acid burns. A lithium bank that is hot is left alone.';

const isCharge = (f: BankFault | null): boolean =>
  f !== null && ['set too low', 'set too high', 'gives nothing', 'stuck at full'].includes(f.kind);
const isDrawn = (f: BankFault | null): f is BankFault => f !== null && (f.kind === 'standing draw' || f.kind === 'leak');

/** What is drawn as she is left, A: stand-by of what hangs on some circuits. */
const standing = (design: Design, circuits: readonly Circuit[], off: Off): number =>
  circuits.reduce(
    (sum, c) =>
      sum +
      c.taps.reduce((n, t) => {
        const load = t.serves.kind === 'load' ? rowOf(design.loads, t.serves.id) : undefined;
        return load && load.group !== 'charging' ? n + standingA(load) * off.standing(load.id) : n;
      }, 0),
    0,
  );

const STANDING = 0.125;
const MILLIAMMETER_A = 0.01;
const AS_LEFT =
  'as she is left when nobody is aboard: everything off by its own switch, breakers and house switch as they are left, nothing charging';

function still({ design, bank, circuits }: BankScene): Probe {
  const amps = standing(design, circuits, NOTHING_OFF);
  const meterSigma = Math.max(MILLIAMMETER_A, 0.01 * amps);
  return {
    id: 'still',
    what: `amps out of ${bank.name} while nothing is used`,
    how: `${AS_LEFT}; a clamp for direct current round its negative, or the gauge`,
    hazard: '',
    minutes: 3,
    unit: 'A',
    mean: (f, size, off) => standing(design, circuits, off) + (isDrawn(f) ? size : 0),
    sigma: () => Math.hypot(STANDING * amps, meterSigma),
    meterSigma,
    span: 8,
  };
}

/** What shows for certain: millivolts across a small device, amps of a small clamp round the cable of a large one. */
const SEEN_MV = 0.45;
const SEEN_A = 0.3;
const MISTAKEN = 0.04;

/** From the bank outward, device by device, on into the panel whose feeder shows more. */
function walk({ design, bank, circuits }: BankScene, results: readonly CircuitResult[]): Probe {
  const ends = circuits.filter((c) => c.taps.some((t) => t.serves.kind === 'load'));
  const panels = circuits.length - ends.length;
  const mohm = new Map(
    ends.map((c) => {
      const r = rowOf(results, c.id);
      return [c.id, r ? (deviceOf(c, r)[0]?.mohm ?? 0) : 0];
    }),
  );
  return {
    id: 'walk',
    what: `millivolts across each fuse or breaker in turn, from ${bank.name} outward`,
    how: `${AS_LEFT}; a clamp for direct current round the cable of large ones. Which shows more than its own stand-by, in proportion to its rating? ${panels > 0 ? 'First where circuits begin, then in the panel whose feeder shows more. ' : ''}Nothing is opened`,
    hazard: 'Live parts: insulated probes, rings off, one hand.',
    minutes: 4 + 0.4 * circuits.length,
    unit: null,
    choices: [...ends.map((c) => ({ id: c.id, name: nameOfCircuit(c) })), { id: NONE, name: 'none of them' }],
    chance: (f, size, off) => {
      const own = isDrawn(f) && design.circuits.some((c) => c.id === f.at) ? f.at : null;
      const mv = own === null ? 0 : size * (mohm.get(own) ?? 0) * off.device(own);
      const seen = own === null ? 0 : (1 - MISTAKEN) * Math.min(1, Math.max(mv / SEEN_MV, size / SEEN_A));
      const others = MISTAKEN / Math.max(1, ends.length);
      return told(ends, (c) => (c.id === own ? seen : others));
    },
  };
}

/** Part of a normal spread under so many sigma (a logistic of 1.702, within 0.01). */
const below = (z: number): number => 1 / (1 + Math.exp(-1.702 * z));

/** Chances of each of several, and of none of them with what is left. */
function told<T extends { readonly id: string }>(things: readonly T[], chance: (thing: T) => number): ReadonlyMap<string, number> {
  const out = new Map(things.map((t) => [t.id, chance(t)] as const));
  out.set(NONE, Math.max(0.01, 1 - [...out.values()].reduce((n, x) => n + x, 0)));
  return out;
}

/** The load taken off at its end: what goes on flowing flows in the wires. */
const apart = (c: Circuit): Probe => ({
  id: `apart ${c.id}`,
  what: `amps of ${nameOfCircuit(c)} with what it feeds unplugged at its end`,
  how: 'its breaker on; millivolts across it by its milliohms, or a clamp round its positive',
  hazard: '',
  minutes: 10,
  unit: 'A',
  mean: (f, size) => (f?.kind === 'leak' && f.at === c.id ? size : 0),
  sigma: () => 0.02,
  meterSigma: 0.02,
  span: 2,
});

function restProbe({ design, bank }: BankScene, given: Conditions): Probe {
  const volts = emf(design, bank.id, given);
  const meterSigma = meter(volts, 0.01).up / 2;
  const blockTwelves = bank.blockV / 12;
  return {
    id: 'rest',
    what: `rest volts of ${bank.name}`,
    how: 'charged until its amps have fallen, ashore if need be; then four hours with its posts off',
    hazard: '',
    minutes: 20,
    unit: 'V',
    mean: (f, size, off) => volts + off.emfV - (f?.kind === 'weak block' ? (size * Math.min(1, blockTwelves)) / bank.strings : 0),
    sigma: () => Math.hypot(0.05 * twelves(bank), meterSigma),
    meterSigma,
    span: 3 * twelves(bank),
  };
}

/** Amps a bank is loaded with for ten seconds: a tenth of its Ah. */
const loadedA = ({ bank }: BankScene): number => Math.max(5, Math.round(bank.blockAh * bank.strings * 0.1));

function fallProbe(scene: BankScene): Probe {
  const { bank } = scene;
  const mohm = 1000 * bankSource(bank).ohm;
  const amps = loadedA(scene);
  const known = bank.sheet.mohm !== null;
  const blocks = bank.series * bank.strings;
  return {
    id: 'fall',
    what: `fall of ${bank.name} at its posts as about ${amps} A go on for ten seconds`,
    how: 'rested; before less during, at the posts themselves',
    hazard: '',
    minutes: 4,
    unit: 'mV',
    // A weak block has some three times its own resistance.
    mean: (f, size, off) => mohm * off.ohm * amps * (1 + (f?.kind === 'weak block' ? (2 * Math.min(1.5, size)) / blocks : 0)),
    sigma: (mean) => mean * (known ? 0.15 : 0.38),
    meterSigma: 3,
    span: 8 * mohm * amps,
  };
}

function blocksProbe({ bank }: BankScene): Probe[] {
  const blocks = blocksOf(bank);
  if (blocks.length < 2) return [];
  return [
    {
      id: 'blocks',
      what: `volts of each ${bank.strings > 1 ? 'battery' : 'block'} of ${bank.name} for itself`,
      how: `charged and rested${bank.strings > 1 ? ', the links between them taken off first, with everything off and nothing charging' : ''}; is one lower than the rest by 0.1 V or more?`,
      hazard: 'A spanner across posts welds: insulate it, rings off.',
      minutes: bank.strings > 1 ? 30 : 8,
      unit: null,
      choices: [...blocks.map((b) => ({ id: b.id, name: b.name })), { id: NONE, name: 'all alike' }],
      chance: (f, size) => {
        const seen = f?.kind === 'weak block' ? (1 - MISTAKEN) * Math.min(1, size / 0.25) : 0;
        const others = MISTAKEN / (2 * blocks.length);
        return told(blocks, (b) => (f?.kind === 'weak block' && f.at === b.id ? seen : others));
      },
    },
  ];
}

/** Volts by which a source is off at the bank, for every 12: stuck, or set otherwise. */
const offBy = (f: BankFault | null, size: number, s: Source): number =>
  f === null || f.at !== s.id || !isCharge(f) ? 0 : f.kind === 'set too low' ? -size : size;

/** Settings of all that can be set, held against their sheets. */
function menus({ sources }: BankScene): Probe[] {
  const set = sources.filter(settable);
  if (set.length === 0) return [];
  const ways = set.flatMap((s) => [
    { id: `low ${s.id}`, name: `${s.name}: lower` },
    { id: `high ${s.id}`, name: `${s.name}: higher` },
  ]);
  return [
    {
      id: 'menus',
      what: `what ${set.map((s) => s.name).join(', ')} ${set.length > 1 ? 'are' : 'is'} set to`,
      how: `menu, switches or program beside the sheet: ${set.map((s) => `${s.name} ${s.regulator.absorptionV.toFixed(2)} V`).join(', ')}`,
      hazard: '',
      minutes: 4 * set.length,
      unit: null,
      choices: [...ways, { id: NONE, name: 'all as they should be' }],
      // A fault of settings has the name of what is told of it.
      chance: (f) => told(ways, (w) => (w.id === f?.id ? 0.97 : 0.005)),
    },
  ];
}

const CRUISE_RPM = 1800;
/** So far above its setpoint, for every 12 V, nobody waits for the end of a charge. */
const STOP_V = 0.6;

/** What a source is in while it should charge. */
const charging = ({ kind }: Source): string =>
  kind === 'alternator'
    ? `engine at ${CRUISE_RPM} rpm, half an hour in`
    : kind === 'solar'
      ? 'full sun on the whole array'
      : kind === 'wind'
        ? 'in a steady wind'
        : 'it alone is on';

/** One sigma of what a source should give, as a part of it: speed, heat, sun, how full the bank is. */
const SHOULD = 0.1;
/** Missing from this part on, it is told as giving too little. */
const TOO_LITTLE = 0.25;

/** Amps of each source in turn: one that gives none, or well under what it should, stands out. */
function gives({ bank, sources }: BankScene): Probe[] {
  if (sources.length === 0) return [];
  const expected = (s: Source): string => {
    if (s.kind === 'wind') return 'by the wind';
    if (s.kind !== 'alternator' || !s.alternator) return `about ${s.ratedA.toFixed(0)} A`;
    return `about ${alternatorAt(s.alternator, bankSource(bank).nominalV, CRUISE_RPM, 0, Infinity).hotA.toFixed(0)} A`;
  };
  return [
    {
      id: 'gives',
      what: `amps of ${sources.map((s) => s.name).join(', ')}, one after another, into ${bank.name}`,
      how: `the bank at 60 % or less; a clamp round its positive: ${sources.map((s) => `${s.name}, ${charging(s)}, ${expected(s)}`).join('; ')}`,
      hazard: sources.some((s) => s.kind === 'alternator') ? BELT : '',
      minutes: 6 * sources.length,
      unit: null,
      choices: [
        ...sources.flatMap((s) => [
          { id: s.id, name: `${s.name} gives none` },
          { id: `part ${s.id}`, name: `${s.name} gives under three quarters of that` },
        ]),
        { id: NONE, name: 'each gives what it should' },
      ],
      chance: (f, size) =>
        told(
          sources.flatMap((s) => [{ id: s.id }, { id: `part ${s.id}` }]),
          ({ id }) => {
            if (f?.kind === 'gives nothing' && f.at === id) return 0.97;
            if (f?.kind === 'gives part' && f.id === id) return 0.97 * below((size - TOO_LITTLE) / SHOULD);
            return 0.005;
          },
        ),
    },
  ];
}

function endOf({ design, bank }: BankScene, s: Source, given: Conditions): Probe {
  const volts = compensatedV(s.regulator.absorptionV, s, bank, given.ambientC);
  const rest = emf(design, bank.id, given);
  const times = twelves(bank);
  const meterSigma = meter(volts, 0.01).up / 2;
  const hazard = s.kind === 'alternator' ? BELT : '';
  return {
    id: `end ${s.id}`,
    what: `volts at the posts of ${bank.name} at the end of a charge by ${s.name}`,
    how: `${charging(s)}, no other source on, until its amps have fallen; watch them all the while, and stop it at once where they pass ${(volts + STOP_V * times).toFixed(1)} V`,
    hazard: [hazard, GAS].filter(Boolean).join(' '),
    minutes: 15,
    unit: 'V',
    mean: (f, size, off) =>
      f?.kind === 'gives nothing' && f.at === s.id ? rest + off.emfV : volts + off.regulatorV(s.id) + offBy(f, size, s) * times,
    sigma: () => Math.hypot(0.05 * times, meterSigma),
    meterSigma,
    span: 5 * times,
  };
}

/** Every reading that tells something of this bank. @param apartOf circuits whose loads may be taken off at their ends. */
export function bankProbes(
  scene: BankScene,
  results: readonly CircuitResult[],
  given: Conditions,
  apartOf: readonly string[],
): readonly Probe[] {
  const drawn = scene.trouble === 'flat';
  return [
    ...(drawn ? [still(scene), walk(scene, results), ...scene.circuits.filter((c) => apartOf.includes(c.id)).map(apart)] : []),
    restProbe(scene, given),
    fallProbe(scene),
    ...blocksProbe(scene),
    ...menus(scene),
    ...gives(scene),
    ...scene.sources.map((s) => endOf(scene, s, given)),
  ];
}
