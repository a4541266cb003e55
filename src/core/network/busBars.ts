/** Bus bars chosen and judged: what flows through each, what lands on it, how strong it must be (docs/methods.md, "Main side"). */
import type { Bar, Design, Panel, Study } from '../design';
import { type Post, postInventory, MOST_ON_A_STUD } from '../mainSide';
import { BUS_RATINGS_A, BUS_STUDS, endTakes, OWN_STUD_MM2, type School, studFor, studName } from '../rules';
import { barNode, panelBar, returnBar, servingOf } from '../topology';
import type { StudyAnswer } from './study';
import type { Analysed } from './system';

/** What flows in one that ends on a bar, either way. */
export interface Flow {
  readonly kind: 'circuit' | 'lead';
  readonly id: string;
  readonly amps: number;
}

export interface BusBar {
  readonly about: { readonly kind: 'panel' | 'bar'; readonly id: string };
  readonly name: string;
  /** Largest current that lasts, A, and where: a study in which nothing starts, or what its cables are sized for. */
  readonly amps: number;
  readonly by: string;
  /** What then ends on it, A; empty where its cables' sizes speak. Half of their sum flows through. */
  readonly flows: readonly Flow[];
  /** As entered; null: not entered. */
  readonly ratedA: number | null;
  readonly studs: number | null;
  readonly stud: string;
  /** The rating, studs and stud it asks for; null: none is made so strong. fits: that stud takes its largest cable. */
  readonly wants: { readonly ratedA: number | null; readonly studs: number | null; readonly stud: string; readonly fits: boolean };
  readonly terminals: number;
  /** Terminals beyond what its studs may hold. */
  readonly tooMany: number;
  /** Studs left, each heavy cable on one of its own; null: its studs are not entered. */
  readonly spare: number | null;
  readonly largest: { readonly school: School; readonly size: string; readonly fits: boolean } | null;
  /** Lowest volts at it in a study, V, against the first bank's negative; null without one. */
  readonly volts: number | null;
  /** Largest fault there, A: of a bar of negatives at most, what its banks give. */
  readonly faultA: number | null;
}

type Studied = readonly { readonly study: Study; readonly answer: StudyAnswer }[];

const BUSES: ReadonlySet<Bar['kind']> = new Set(['positive bus', 'negative bus']);

/** Each heavy cable on a stud of its own, the lighter ones two to a stud. */
function studsFor(post: Post, school: School): number {
  const heavy = post.landings.filter((l) => l.areaMm2 >= OWN_STUD_MM2[school] - 1e-9).length;
  return heavy + Math.ceil((post.landings.length - heavy) / 2);
}

/** What ends on a node: half of it flows in, half out. */
interface Ends {
  readonly circuits: ReadonlySet<string>;
  readonly leads: ReadonlySet<string>;
}
const flowing = ({ circuits, leads }: Ends, answer: StudyAnswer): readonly Flow[] => [
  ...answer.runs.flatMap((r): Flow[] => (circuits.has(r.circuitId) ? [{ kind: 'circuit', id: r.circuitId, amps: r.amps }] : [])),
  ...answer.leads.flatMap((l): Flow[] => (leads.has(l.leadId) ? [{ kind: 'lead', id: l.leadId, amps: Math.abs(l.amps) }] : [])),
];

const starts = (study: Study): boolean => study.cranking || Object.values(study.loads).includes('start');

/** The strongest of what lasts: studies in which nothing starts, and what stands without any. */
function lasting(ends: Ends, studied: Studied, without: number): Pick<BusBar, 'amps' | 'by' | 'flows'> {
  let worst: Pick<BusBar, 'amps' | 'by' | 'flows'> = { amps: without, by: 'what its cables are sized for', flows: [] };
  for (const { study, answer } of studied) {
    if (starts(study)) continue;
    const flows = flowing(ends, answer);
    const amps = flows.reduce((sum, f) => sum + f.amps, 0) / 2;
    if (amps > worst.amps) worst = { amps, by: `study “${study.name}”`, flows };
  }
  return worst;
}

/** Lowest volts of a node over the studies. */
function lowest(node: string, studied: Studied): number | null {
  const all = studied.map(({ answer }) => answer.nodes[node] ?? NaN).filter((v) => !Number.isNaN(v));
  return all.length > 0 ? Math.min(...all) : null;
}

/** Buses, positive and negative, in the order of the design; engine blocks, earths and panels with ways of their own are none. */
export function busBars(design: Design, { circuits, leads }: Analysed, studied: Studied): BusBar[] {
  const school = design.boat.ruleSet;
  const posts = new Map(postInventory(design, circuits, leads).map((p) => [p.node, p]));
  const result = new Map(circuits.map((r) => [r.id, r]));
  const of = (
    row: Panel | Bar,
    kind: BusBar['about']['kind'],
    node: string,
    entered: Pick<BusBar, 'ratedA' | 'studs'>,
    without: number,
    faultA: number | null,
  ): BusBar[] => {
    const post = posts.get(node);
    if (!post || post.landings.length === 0) return [];
    const ends = {
      circuits: new Set(post.landings.flatMap((l) => (l.kind === 'circuit' ? [l.id] : []))),
      leads: new Set(post.landings.flatMap((l) => (l.kind === 'lead' ? [l.id] : []))),
    };
    const last = lasting(ends, studied, without);
    const { amps } = last;
    const [largest] = post.landings;
    const needs = studsFor(post, school);
    const takes = (stud: string) => !largest || endTakes(stud, school, largest.areaMm2);
    const wanted = largest && !takes(row.stud) ? studFor(school, largest.areaMm2, 'M6') : row.stud;
    return [
      {
        about: { kind, id: row.id },
        name: row.name,
        ...last,
        ...entered,
        stud: row.stud,
        wants: {
          ratedA: BUS_RATINGS_A.find((r) => r >= amps - 1e-9) ?? null,
          // One stud, or one in four, to spare.
          studs: BUS_STUDS.find((n) => n >= needs + Math.max(1, Math.ceil(needs / 4))) ?? null,
          stud: wanted,
          fits: takes(wanted),
        },
        terminals: post.landings.length,
        tooMany: entered.studs === null ? 0 : Math.max(0, post.landings.length - MOST_ON_A_STUD * entered.studs),
        spare: entered.studs === null ? null : entered.studs - needs,
        largest: largest ? { school: largest.school, size: largest.size, fits: takes(row.stud) } : null,
        volts: lowest(node, studied),
        faultA,
      },
    ];
  };
  const feeders = servingOf(design.circuits).panels;
  const panels = design.panels.flatMap((p) => {
    if (p.kind !== 'bus') return [];
    const own = design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id);
    const faults = own.flatMap((c) => result.get(c.id)?.own.state.fault?.sendingA ?? []);
    const fed = result.get(feeders.get(p.id)?.id ?? '')?.workingA ?? 0;
    // Its feeder has a stud beside those of the ways.
    const entered = { ratedA: p.maxTotalA, studs: p.ways + 1 };
    return of(p, 'panel', panelBar(p.id, '+'), entered, fed, faults.length > 0 ? Math.max(...faults) : null);
  });
  const bars = design.bars.flatMap((b) => {
    if (!BUSES.has(b.kind)) return [];
    const on = design.leads.flatMap((l, i) =>
      l.rail !== 'earth' && [l.from, l.to].some((e) => e.kind === 'bar' && e.id === b.id) ? (leads[i] ?? []) : [],
    );
    const without = Math.max(0, ...on.map((r) => (r.carries.cranks ? 0 : r.carries.amps)));
    const banks = design.banks.filter((x) => returnBar(design, x.id) === b.id);
    const faults = circuits.flatMap((r) => {
      const from = design.circuits.find((c) => c.id === r.id)?.from;
      return from?.kind === 'bank' && banks.some((x) => x.id === from.id) ? (r.own.state.fault?.sendingA ?? []) : [];
    });
    return of(b, 'bar', barNode(b.id), { ratedA: b.ratedA, studs: b.studs }, without, faults.length > 0 ? Math.max(...faults) : null);
  });
  return [...panels, ...bars];
}

const inWords = (ratedA: number | null, studs: number | null, stud: string): string =>
  `${ratedA === null ? 'a bar made to order' : `${ratedA} A`}, ${studs === null ? 'more studs than one bar has' : `${studs} studs ${stud}`}`;

/** A bar as it asks to be. */
export const busName = ({ wants }: BusBar, design: Design): string =>
  inWords(wants.ratedA, wants.studs, studName(design.boat.ruleSet, wants.stud));

/** A bar as it is bought: as entered, else as it asks to be. A bus of circuits is a pair, with ways of its own. */
export function busPart({ about, ratedA, studs, stud, wants }: BusBar, design: Design): string {
  const name = about.kind === 'panel' ? 'bus bars, positive and negative, covered' : 'bus bar, covered';
  return `${name}: ${inWords(ratedA ?? wants.ratedA, studs ?? wants.studs, studName(design.boat.ruleSet, studs === null ? wants.stud : stud))}`;
}
