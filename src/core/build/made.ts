/** Pieces as they are made: where they are cut, what each end is made up with, and in which order (docs/methods.md, "Making cables"). */
import { type BoatRecord, type Design, rowOf } from '../design';
import type { Post } from '../mainSide';
import { sizeName } from '../quantity';
import { findConductor, IN_PLACE, jointSchool, makingOf, type MakingRow, pinMm, sealSchool, shrinkFor, STUDS, terminalFor } from '../rules';
import type { Cut, Where } from './cut';
import { boughtEnd } from './ends';

/** How far a piece is. measure: its length is an estimate; held: a stop stands against it. */
export const STAGES = ['measure', 'held', 'taped', 'released', 'cut', 'made', 'landed'] as const;
export type Stage = (typeof STAGES)[number];
/** Stages a person marks; the others follow from the design. */
export const MARKED = ['released', 'cut', 'made', 'landed'] as const;
export type Marked = (typeof MARKED)[number];

export interface MadeEnd {
  readonly id: string;
  readonly on: Where;
  readonly terminal: string;
  /** '': it is no pressed or crimped end. */
  readonly die: string;
  readonly stripMm: number;
  readonly crimps: string;
  /** One of each size and day, held for a minute, N; null: nothing to pull. */
  readonly pullN: number | null;
  readonly sleeve: { readonly boreMm: number; readonly lengthMm: number } | null;
  readonly torque: { readonly nm: number; readonly by: 'its maker' | 'the stud' | 'a battery post' } | null;
  /** What lies on the same stud below and above, by name, where it is known. */
  readonly under: readonly string[];
  readonly over: readonly string[];
  readonly minutes: number;
  /** Made where it lies, not at the bench. */
  readonly inPlace: boolean;
}

export interface MadePiece {
  readonly cut: Cut;
  readonly stage: Stage;
  /** What to cut, mm; null: it is not to be cut yet. */
  readonly cutMm: number | null;
  /** Set aside of a reel until it is measured, m. */
  readonly reservedM: number;
  /** What the length is made of. */
  readonly working: readonly { readonly what: string; readonly mm: number }[];
  readonly ends: readonly [MadeEnd, MadeEnd];
  /** The end that is made first, 0 or 1, and why. */
  readonly first: 0 | 1;
  readonly why: string;
  /** As it was cut, where that is not what the design asks for now; '': it is. */
  readonly differs: string;
  /** At 20 °C from stud to stud, mohm, of one conductor: what a meter should read. */
  readonly mohm: number;
}

/** Bow of a run, of its length, and at least. */
const BOW = 0.03;
const LEAST_BOW_MM = 20;
/** Of an estimated length, set aside until it is measured. */
const RESERVE = 1.15;
/** Cut to the next so many mm. */
const STEP_MM = 5;

const pressed = (terminal: string): boolean => /^(lug|ring) /.test(terminal);

const stripOf = (terminal: string, making: MakingRow, areaMm2: number, insulated: boolean): number => {
  if (terminal.startsWith('ferrule')) return pinMm(areaMm2) + 1;
  if (terminal.startsWith('adhesive butt') || terminal.startsWith('blade') || insulated) return making.barrelMm;
  return Math.round(making.barrelMm + Math.max(1, making.barrelMm * 0.1));
};

function dieOf(terminal: string, { conductor, school }: Cut, making: MakingRow, insulated: boolean): string {
  if (terminal.startsWith('ferrule')) return `ferrule tool, ${sizeName(school, conductor)}`;
  if (!/^(lug|ring|blade|adhesive butt)/.test(terminal)) return '';
  const { insulatedColour, kind } = terminalFor(school, conductor);
  if (kind === 'ring' && (insulated || terminal.startsWith('adhesive butt') || terminal.startsWith('blade')) && insulatedColour)
    return `ratchet tool, ${insulatedColour} nest`;
  if (school === 'awg') return `AWG ${conductor}, its maker’s`;
  return making.die === null ? `ratchet tool, ${sizeName(school, conductor)}` : `die ${making.die} (DIN 46235)`;
}

const crimpsOf = ({ narrow, wide }: MakingRow): string => (narrow === 1 ? 'one crimp' : `${narrow} narrow crimps, or ${wide} wide`);

/** Torque of the thing it lands on: as its maker says; else of the stud; less in a battery's insert. */
function torqueOf(design: Design, terminal: string, on: Where): MadeEnd['torque'] {
  const stud = STUDS.find((s) => terminal.endsWith(`× ${s.metric}`) || terminal.endsWith(`× ${s.imperial}`));
  if (!stud) return null;
  const maker = on.node === null ? null : makersTorque(design, on.node);
  if (maker !== null) return { nm: maker, by: 'its maker' };
  if (on.node?.startsWith('bank ') && stud.metric === 'M8') return { nm: BATTERY_POST_NM, by: 'a battery post' };
  return { nm: stud.torqueNm, by: 'the stud' };
}
/** M8 in a battery post: 9 to 12 N m. */
const BATTERY_POST_NM = 10;

function makersTorque(design: Design, node: string): number | null {
  const id = node.replace(/^\S+ /, '').replace(/[+-]$/, '');
  const row = rowOf(design.bars, id) ?? rowOf(design.panels, id);
  return row ? row.torqueNm : (rowOf(design.banks, id)?.sheet.torqueNm ?? null);
}

interface Around {
  readonly design: Design;
  readonly posts: ReadonlyMap<string, Post>;
  /** Pass a hole or a conduit no terminal of theirs passes. */
  readonly pulledBare: ReadonlySet<string>;
}

function endOf({ design, posts }: Around, cut: Cut, k: 0 | 1, inPlace: boolean): MadeEnd {
  const { terminal } = boughtEnd(k === 0 ? cut.fromEnd : cut.toEnd);
  const on = k === 0 ? cut.from : cut.to;
  const making = makingOf(cut.school, cut.conductor);
  const row = terminalFor(cut.school, cut.conductor);
  const insulated = design.house.terminals === 'insulated' && row.insulatedColour !== null && terminal.startsWith('ring');
  const barrel = pressed(terminal) || terminal.startsWith('blade');
  const stack = on.node === null ? undefined : stackAt(design, posts.get(on.node));
  const at = stack?.landings.findIndex((l) => l.id === cut.circuitId) ?? -1;
  const ways = [jointSchool(design.house.joint), ...(barrel && !insulated ? [sealSchool(design.house.seal)] : [])];
  const minutes = ways.reduce((sum, w) => sum + w.minutes + (w.per10Mm2 * cut.areaMm2) / 10, making.minutes);
  return {
    id: `${cut.id}:${k}`,
    on,
    terminal: insulated ? `${terminal}, insulated ${row.insulatedColour}` : terminal,
    die: dieOf(terminal, cut, making, insulated),
    stripMm: stripOf(terminal, making, cut.areaMm2, insulated),
    crimps: barrel ? crimpsOf(making) : terminal.startsWith('adhesive butt') ? 'one crimp each side' : 'one crimp',
    pullN: barrel ? (cut.school === 'metric' && row.pullTestMetricN !== null ? row.pullTestMetricN : row.pullTestN) : null,
    sleeve: barrel && !insulated && design.house.seal === 'adhesive shrink' ? shrinkFor(cut.odMm) : null,
    torque: torqueOf(design, terminal, on),
    under: at < 0 ? [] : (stack?.landings.slice(0, at) ?? []).map((l) => l.name),
    over: at < 0 ? [] : (stack?.landings.slice(at + 1) ?? []).map((l) => l.name),
    minutes: Math.max(1, minutes) * cut.cores * (inPlace ? IN_PLACE : 1),
    inPlace,
  };
}

/** The length to cut, mm, and what it is made of. Bow keeps it from pulling; a terminal stands off what it lands on. */
export function cutLength(cut: Cut): { readonly mm: number; readonly working: MadePiece['working'] } {
  const runMm = 1000 * cut.lengthM;
  const standoff = (end: string) =>
    pressed(boughtEnd(end).terminal) && cut.cores === 1 ? makingOf(cut.school, cut.conductor).standoffMm : 0;
  const working = [
    { what: cut.taped ? 'run as taped' : 'run as estimated, with slack', mm: runMm },
    { what: 'bow, 3 %, 20 mm at least', mm: Math.max(LEAST_BOW_MM, BOW * runMm) },
    ...(cut.openM > 0 ? [{ what: 'slack where a panel opens', mm: 1000 * cut.openM }] : []),
    { what: 'less the stand-off of the first end', mm: -standoff(cut.fromEnd) },
    { what: 'less the stand-off of the far end', mm: -standoff(cut.toEnd) },
  ].filter((w) => w.mm !== 0);
  const sum = working.reduce((all, w) => all + w.mm, 0);
  return { mm: Math.max(STEP_MM, Math.ceil(sum / STEP_MM - 1e-9) * STEP_MM), working };
}

/** What is piled on one stud: a battery's post, the engine's block, the starter. A bus bar has studs for each. */
const stackAt = (design: Design, post: Post | undefined): Post | undefined =>
  post?.kind === 'bank' || ['engine', 'starter'].includes(design.bars.find((b) => `bar ${b.id}` === post?.node)?.kind ?? '')
    ? post
    : undefined;

/** A batten, a hole or a conduit: light conductors with ferrules pass, lugs and rings do not. */
function bareRuns(design: Design): ReadonlySet<string> {
  return new Set(design.routes.filter((r) => r.kind === 'conduit' || r.kind === 'gland').flatMap((r) => r.circuitIds));
}

function firstEnd(cut: Cut, pulledBare: boolean): { readonly first: 0 | 1; readonly why: string } {
  const [from, to] = [cut.fromEnd, cut.toEnd].map((e) => pressed(boughtEnd(e).terminal));
  if (pulledBare)
    return { first: 0, why: 'pulled bare at its far end: no terminal passes the conduit or gland; that end is made in place' };
  if (from && to) return { first: 0, why: 'the end that cannot be turned first; mark how the palms lie to each other before the second' };
  if (to) return { first: 1, why: 'the lug or ring first: a ferrule can be made in place' };
  return { first: 0, why: 'from where it starts' };
}

function stageOf(cut: Cut, held: boolean, mark: BoatRecord | undefined): Stage {
  const marked = MARKED.find((m) => m === mark?.body.state);
  if (marked === 'cut' || marked === 'made' || marked === 'landed') return marked;
  if (held) return 'held';
  if (!cut.taped || cut.unplaced !== '') return 'measure';
  return marked ?? 'taped';
}

function differsFrom(cut: Cut, cutMm: number, mark: BoatRecord | undefined): string {
  if (!mark || !['cut', 'made', 'landed'].includes(String(mark.body.state))) return '';
  const { size, colour, mm } = mark.body;
  const told = [
    ...(typeof size === 'string' && size !== cut.size ? [`${size}; ${cut.size} is asked for now`] : []),
    ...(typeof colour === 'string' && colour !== cut.colour ? [`${colour}; ${cut.colour} is asked for now`] : []),
    ...(typeof mm === 'number' && mm < cutMm - 1 ? [`${mm} mm; ${cutMm} mm is asked for now`] : []),
  ];
  return told.length > 0 ? `it was cut as ${told.join(', ')}` : '';
}

/** Each piece of the list as it is made. @param held ids of what a stop stands against. @param marks the last mark of each thing. */
export function madePieces(
  design: Design,
  cuts: readonly Cut[],
  held: { readonly has: (id: string) => boolean },
  posts: readonly Post[],
  marks: ReadonlyMap<string, BoatRecord>,
): readonly MadePiece[] {
  const around: Around = { design, posts: new Map(posts.map((p) => [p.node, p])), pulledBare: bareRuns(design) };
  return cuts.map((cut): MadePiece => {
    const mark = marks.get(`piece:${cut.id}`);
    const { mm, working } = cutLength(cut);
    const bare = around.pulledBare.has(cut.circuitId);
    const { first, why } = firstEnd(cut, bare);
    const stage = stageOf(cut, held.has(cut.circuitId), mark);
    const open = stage === 'measure' || stage === 'held';
    const inPlace = (k: 0 | 1) => (bare && k !== first) || (!cut.taped && k !== first);
    return {
      cut,
      stage,
      cutMm: open ? null : mm,
      reservedM: cut.taped ? mm / 1000 : RESERVE * cut.lengthM,
      working,
      ends: [endOf(around, cut, 0, inPlace(0)), endOf(around, cut, 1, inPlace(1))],
      first,
      why,
      differs: differsFrom(cut, mm, mark),
      mohm: ohmPerKm(cut) * cut.lengthM,
    };
  });
}

/** At 20 degC, of its conductor, mohm per metre. */
const ohmPerKm = (cut: Cut): number => findConductor(cut.school, cut.conductor)?.r20OhmPerKm ?? 0;
