/** Hours of a job, counted from its ends, metres and awkward places (docs/methods.md, "Hours"). */
import type { CircuitResult } from '../circuit';
import { asDecided, type Circuit, type Design, type Place, rowOf } from '../design';
import { random } from '../solve';
import { isAloft, mastFoot } from '../topology';
import {
  ACCESS_MIN,
  BUS_BAR_MIN,
  CLIP_EVERY_M,
  CLIP_MIN,
  DEVICE_MIN,
  DRAWING_MIN,
  END_MIN,
  FAULTS_SHARE,
  GLAND_MIN,
  HOLE_MIN,
  INLET_MIN,
  ISOLATE_MIN,
  MACHINE_MIN,
  PANEL_MIN,
  PHOTOGRAPH_MIN,
  PULL,
  SHUNT_MIN,
  SPREAD_OF_JOB,
  SPREAD_OF_KIND,
  STRIP_MIN,
  STRIP_MIN_PER_M,
  SURVEY_MIN,
  TEST_MIN,
  TIDY_MIN,
  WORK_KINDS,
  type WorkKind,
} from '../rules';
import type { Lists } from './lists';
import type { MadePiece } from './made';

export interface WorkLine {
  readonly kind: WorkKind;
  readonly what: string;
  readonly count: number;
  readonly unit: string;
  readonly each: number;
  /** With the firm's factor. */
  readonly minutes: number;
  readonly factor: number;
}

export interface Hours {
  readonly lines: readonly WorkLine[];
  /** Median of the sum, and what it stays under nine times in ten, h. */
  readonly p50H: number;
  readonly p90H: number;
  /** Working days of the hours given, by the median. */
  readonly days: number;
}

/** What a run passes through, the slowest of it below deck. */
function pullWay(places: readonly Place[], circuit: Pick<Circuit, 'enclosure'>): keyof typeof PULL {
  if (places.some((p) => p.engineSpace)) return 'engine space';
  if (places.some((p) => p.wet && p.at.z < 0)) return 'bilge';
  return circuit.enclosure === 'insulated' ? 'joinery' : circuit.enclosure;
}

/** Metres of a run by what they are pulled through: up the mast, and the rest. */
export function pulledThrough(design: Design, circuit: Circuit, lengthM: number): ReadonlyMap<keyof typeof PULL, number> {
  const places = placesOf(design, circuit);
  const top = places.filter((p) => isAloft(p)).sort((a, b) => b.at.z - a.at.z)[0];
  const aloft = top ? Math.min(lengthM, top.at.z - (mastFoot(design.places, top)?.at.z ?? 0)) : 0;
  const by = new Map<keyof typeof PULL, number>([[pullWay(places, circuit), lengthM - aloft]]);
  if (aloft > 0) by.set('mast', aloft);
  return by;
}

/** Clips along a run in the open; what goes up a mast hangs in its conduit. */
export const clipsOf = (through: ReadonlyMap<keyof typeof PULL, number>, circuit: Pick<Circuit, 'enclosure'>): number =>
  circuit.enclosure === 'open' ? [...through].reduce((n, [way, m]) => (way === 'mast' ? n : n + m / CLIP_EVERY_M), 0) : 0;

type Counted = readonly [kind: WorkKind, what: string, count: number, unit: string, each: number];

/** Places a circuit's run touches. */
export const placesOf = (design: Design, circuit: Circuit): readonly Place[] =>
  [
    circuit.from.kind === 'panel' ? rowOf(design.panels, circuit.from.id)?.placeId : rowOf(design.banks, circuit.from.id)?.placeId,
    ...circuit.taps.map((t) =>
      t.serves.kind === 'load'
        ? rowOf(design.loads, t.serves.id)?.placeId
        : t.serves.kind === 'panel'
          ? rowOf(design.panels, t.serves.id)?.placeId
          : t.serves.id,
    ),
    ...circuit.via,
  ].flatMap((id) => rowOf(design.places, id) ?? []);

function pulls(design: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[]): Counted[] {
  const metres = new Map<keyof typeof PULL, number>();
  let clips = 0;
  for (const r of circuits) {
    const c = rowOf(design.circuits, r.id);
    if (!c || r.own.ladder.kept) continue;
    const through = pulledThrough(design, c, r.lengthM);
    for (const [way, m] of through) metres.set(way, (metres.get(way) ?? 0) + m);
    clips += clipsOf(through, c);
  }
  // Battery cables, AC runs and small leads, each for itself.
  const others = made.reduce((m, { cut }) => (rowOf(design.circuits, cut.circuitId) ? m : m + cut.lengthM), 0);
  metres.set('open', (metres.get('open') ?? 0) + others);
  clips += others / CLIP_EVERY_M;
  return [
    ...[...metres].map(([way, m]): Counted => ['pull', way === 'open' ? 'run in the open' : `run, ${way}`, m, 'm', PULL[way]]),
    ['support', 'clip', Math.ceil(clips), '', CLIP_MIN],
  ];
}

function ends(made: readonly MadePiece[]): Counted[] {
  const bySize = new Map<string, { count: number; minutes: number }>();
  let landed = 0;
  for (const { cut, ends: both } of [...made].sort((a, b) => a.cut.cores - b.cut.cores || b.cut.areaMm2 - a.cut.areaMm2))
    for (const e of both) {
      const key = `${cut.size}${e.inPlace ? ', in place' : ''}`;
      const line = bySize.get(key) ?? { count: 0, minutes: 0 };
      bySize.set(key, { count: line.count + cut.cores, minutes: line.minutes + e.minutes });
      landed += cut.cores;
    }
  return [
    ...[...bySize].map(([what, { count, minutes }]): Counted => ['ends', what, count, 'ends', minutes / count]),
    ['land and torque', 'ends', landed, 'ends', END_MIN],
  ];
}

function fitted(design: Design, circuits: readonly CircuitResult[]): Counted[] {
  const inLine = design.circuits.reduce((n, c) => n + c.devices.length, 0) + design.leads.reduce((n, l) => n + l.through.length, 0);
  const atPosts = circuits.filter((r) => rowOf(design.circuits, r.id)?.from.kind === 'bank' && !r.own.protection.missing).length;
  const shunts = design.leads.reduce((n, l) => n + l.through.filter((d) => d.kind === 'shunt').length, 0);
  const machines = design.sources.filter((s) => s.outputOf === null && s.kind !== 'alternator' && s.kind !== 'portable').length;
  const inverters = design.acSources.reduce((n, s) => n + (s.inverter?.units ?? 0), 0);
  const inlets = design.acSources.filter((s) => s.shore !== null).length;
  return [
    [
      'devices and panels',
      'devices in line and at posts',
      inLine - shunts + atPosts + design.leads.filter((l) => l.fused).length,
      '',
      DEVICE_MIN,
    ],
    [
      'devices and panels',
      'panels cut out and hung',
      design.panels.filter((p) => p.kind === 'panel' && p.partOfId === null).length + design.acPanels.length,
      '',
      PANEL_MIN,
    ],
    [
      'devices and panels',
      'bus bars',
      design.panels.filter((p) => p.kind === 'bus').length + design.bars.filter((b) => / bus$|bar$/.test(b.kind)).length,
      '',
      BUS_BAR_MIN,
    ],
    ['machines', 'shunts, with their gauges programmed', shunts, '', SHUNT_MIN],
    ['machines', 'chargers, converters, controllers', machines, '', MACHINE_MIN],
    ['machines', 'inverters', inverters, '', MACHINE_MIN],
    ['machines', 'shore inlets', inlets, '', INLET_MIN],
  ];
}

/** Everything but what goes by the day. */
function counted(design: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[], lists: Lists): Counted[] {
  const { stripOut } = lists.found;
  const touched = new Set(design.circuits.flatMap((c) => placesOf(design, c).map((p) => p.id)));
  const holes = lists.penetrations.filter((p) => p.kind === 'bulkhead').length;
  return [
    ['survey and drawings', 'circuits found', design.circuits.filter((c) => c.found !== null).length, '', SURVEY_MIN],
    ['survey and drawings', 'circuits drawn and recorded', design.circuits.length + design.acCircuits.length, '', DRAWING_MIN],
    ['photographs and labels', 'places', touched.size, '', PHOTOGRAPH_MIN],
    ['access', 'places opened and made good', touched.size, '', ACCESS_MIN],
    ['holes and glands', 'holes through bulkheads, sealed', holes, '', HOLE_MIN],
    ['holes and glands', 'glands', lists.penetrations.length - holes, '', GLAND_MIN],
    ['strip-out', 'wire', stripOut.reduce((m, l) => m + l.lengthM, 0), 'm', STRIP_MIN_PER_M],
    ['strip-out', 'circuits', stripOut.length, '', STRIP_MIN],
    ...pulls(design, circuits, made),
    ...fitted(design, circuits),
    ...ends(made),
    ['tests', 'DC circuits', design.circuits.filter((c) => c.taps.length > 0).length, '', TEST_MIN['DC circuit']],
    ['tests', 'heavy paths, part by part', design.leads.length, '', TEST_MIN['heavy path part']],
    ['tests', 'AC circuits', design.acCircuits.length, '', TEST_MIN['AC circuit']],
  ];
}

/** By day: what is isolated and proved each morning, and tidied each evening; and a share for what is found on the way. */
const daily = (days: number, otherMinutes: number): Counted[] => [
  ['isolate and prove', 'visits', days, '', ISOLATE_MIN],
  ['tidy', 'days', days, '', TIDY_MIN],
  ['faults found', 'share of all else, 5 %', 1, '', FAULTS_SHARE * otherMinutes],
];

/** @param made the pieces still to be made: those that stand already are left out by the caller. */
export function hoursOf(whole: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[], lists: Lists): Hours {
  const design = asDecided(whole);
  const { hoursPerDay, people, factors } = design.work;
  const line = ([kind, what, count, unit, each]: Counted): WorkLine => {
    const factor = factors[kind] ?? 1;
    return { kind, what, count, unit, each, factor, minutes: count * each * factor };
  };
  const own = counted(design, circuits, made, lists)
    .filter((c) => c[2] > 0)
    .map(line);
  const sum = own.reduce((n, l) => n + l.minutes, 0);
  const perDay = hoursPerDay * 60 * people;
  // A day is shorter by what each day asks for.
  const days = sum === 0 ? 0 : Math.max(1, Math.ceil((sum * (1 + FAULTS_SHARE)) / Math.max(60, perDay - ISOLATE_MIN - TIDY_MIN)));
  const lines = [
    ...own,
    ...daily(days, sum)
      .filter(() => sum > 0)
      .map(line),
  ].sort((a, b) => WORK_KINDS.indexOf(a.kind) - WORK_KINDS.indexOf(b.kind));
  return { lines, ...spread(lines), days };
}

const DRAWS = 4000;

/** P50 and P90 of the sum: minutes of a kind rise and fall together, and the whole job with them. Seeded: the same lines give the same. */
export function spread(lines: readonly { readonly kind: WorkKind; readonly minutes: number }[]): {
  readonly p50H: number;
  readonly p90H: number;
} {
  const sums = WORK_KINDS.map((kind) => lines.reduce((n, l) => (l.kind === kind ? n + l.minutes : n), 0)).filter((m) => m > 0);
  const { normal } = random(1, 0);
  const drawn = Array.from({ length: DRAWS }, () => {
    const job = Math.exp(SPREAD_OF_JOB * normal());
    return sums.reduce((n, m) => n + m * job * Math.exp(SPREAD_OF_KIND * normal()), 0) / 60;
  }).sort((a, b) => a - b);
  const at = (q: number) => drawn[Math.floor(q * DRAWS)] ?? 0;
  return { p50H: at(0.5), p90H: at(0.9) };
}

/** The firm's factor after n tasks of a kind, real over estimated minutes: it moves from 1 as they become many. */
export const learnedFactor = (ratio: number, n: number): number => 1 + ((ratio - 1) * n) / (n + 5);
