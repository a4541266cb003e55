/** Ways to put right what is found on a circuit: each is tried on the whole design, and told by what it costs and what it brings. */
import { analyse, type Analysis, createMemory, type Memory } from './analysis';
import { cureOf } from './cured';
import { effortOf } from './effort';
import { studied } from './studied';
import { chosenTogether, type SizeChange, sizeChanges } from './together';
import {
  addOp,
  ALONGS,
  applyEdit,
  type BatteryCable,
  blankCircuit,
  blankPanel,
  type Circuit,
  type Design,
  type Finding,
  idsFor,
  type Op,
  rowOf,
  setOp,
} from '../design';
import { everyFinding, ruleIds } from '../check';
import { sizeName } from '../quantity';
import { CONDUCTORS, DC_FAMILIES, FAMILY_ORDER } from '../rules';
import { servingOf, upFrom } from '../topology';

export interface Remedy {
  readonly id: string;
  readonly say: string;
  readonly ops: readonly Op[];
  /** More copper and insulation, kg, and work, minutes, than now; less where negative. */
  readonly kg: number;
  readonly minutes: number;
  /** Stops and fixes that come with it, and how many more than the one go. */
  readonly brings: readonly Finding[];
  readonly alsoGone: number;
  /** Conductors that become others. */
  readonly changes: readonly SizeChange[];
}

interface Try {
  readonly id: string;
  readonly say: string;
  readonly ops: readonly (Op | undefined)[];
}

/** A kilogram of copper weighs as much as so many minutes of work: ours. */
const MIN_PER_KG = 20;
/** Nobody reads on. */
const MOST = 8;
/** Sizes heavier that are tried of a shared part. */
const FEEDER_STEPS = 4;

const pinOf = (design: Design, c: Circuit, change: Partial<Circuit['pin']>): Op | undefined =>
  setOp(design, ['circuits', c.id, 'pin'], { ...c.pin, ...change });

/** Sizes of the boat's school heavier than what a circuit has. */
function heavier(design: Design, analysis: Analysis, id: string) {
  const now = rowOf(analysis.circuits, id)?.own.state.conductor.areaMm2 ?? Infinity;
  return CONDUCTORS[design.boat.ruleSet].filter((s) => s.areaMm2 > now + 1e-9);
}

/** One at a time, the first that helps counts: what is heavier than needed is no remedy of its own. */
type Series = readonly Try[];

/** Families that are customary where a circuit starts; a panel made for one takes no other. */
function customary(design: Design, { from }: Circuit): readonly string[] {
  if (from.kind === 'bank') return FAMILY_ORDER.bank;
  const panel = rowOf(design.panels, from.id);
  if (panel?.kind === 'bus') return FAMILY_ORDER.bus;
  return panel?.family ? [] : ['blade', 'maxi-blade', 'panel-breaker'];
}

function devices(design: Design, c: Circuit, analysis: Analysis): Series[] {
  const now = rowOf(analysis.circuits, c.id)?.own.protection;
  const larger = DC_FAMILIES.find((f) => f.id === now?.familyId)?.ratingsA.filter((r) => r > (now?.ratingA ?? 0)) ?? [];
  return [
    ...DC_FAMILIES.filter((f) => f.id !== now?.familyId && customary(design, c).includes(f.id)).map((f): Series => [
      {
        id: `family-${f.id}`,
        say: `a ${f.name} instead of the ${now?.familyName ?? 'device'}`,
        ops: [pinOf(design, c, { family: f.id, ratingA: null })],
      },
    ]),
    larger.slice(0, 2).map((r) => ({
      id: `rating-${r}`,
      say: `${r} A instead of ${now?.ratingA ?? 0} A: a larger device loses less`,
      ops: [pinOf(design, c, { ratingA: r })],
    })),
    c.pin.ratingA === null && c.pin.family === null
      ? []
      : [{ id: 'device', say: 'the device left to the program', ops: [pinOf(design, c, { family: null, ratingA: null })] }],
  ];
}

function copper(design: Design, c: Circuit, analysis: Analysis): Series[] {
  const own = heavier(design, analysis, c.id).map((s): Try => ({
    id: `own-${s.size}`,
    say: `${sizeName(s.school, s.size)} in its own run`,
    ops: [pinOf(design, c, { size: { school: s.school, size: s.size } }), setOp(design, ['circuits', c.id, 'stepDown'], true)],
  }));
  const shared = upFrom(design.circuits, c.id)
    .filter((up) => up.id !== c.id)
    .map((up): Series =>
      heavier(design, analysis, up.id)
        .slice(0, FEEDER_STEPS)
        .map((s) => {
          const size = { school: s.school, size: s.size };
          return {
            id: `shared-${up.id}-${s.size}`,
            say: `${sizeName(s.school, s.size)} in ${`${up.no} ${up.name}`.trim()}`,
            ops: up.pin.size ? [pinOf(design, up, { size })] : [setOp(design, ['circuits', up.id, 'together'], size)],
          };
        }),
    );
  return [own, ...shared];
}

/** Other ways to lead it: from nearer the bank, from a panel near it, along another side, in two. */
function ways(design: Design, c: Circuit): Series[] {
  const fresh = idsFor(design);
  const out: Series[] = [];
  const feeder = c.from.kind === 'panel' ? servingOf(design.circuits).panels.get(c.from.id) : undefined;
  if (feeder) {
    const name =
      (feeder.from.kind === 'panel' ? rowOf(design.panels, feeder.from.id) : rowOf(design.banks, feeder.from.id))?.name ?? 'the bank';
    out.push([
      {
        id: 'own-way',
        say: `a way of its own from ${name}`,
        ops: [
          setOp(design, ['circuits', c.id, 'from'], feeder.from),
          setOp(design, ['circuits', c.id, 'supply'], feeder.supply),
          setOp(design, ['circuits', c.id, 'stepDown'], true),
        ],
      },
    ]);
    const load = rowOf(design.loads, c.taps.find((t) => t.serves.kind === 'load')?.serves.id);
    const place = rowOf(design.places, load?.placeId);
    if (load && place) {
      const panel = {
        ...blankPanel(fresh('p'), `Panel, ${place.name.toLowerCase()}`, 'panel', place.id),
        family: 'panel-breaker',
        ways: 6,
      };
      const id = fresh('c');
      const near = design.circuits.filter(
        (x) =>
          x.from.id === c.from.id &&
          x.taps.length > 0 &&
          x.taps.every((t) => t.serves.kind === 'load' && rowOf(design.loads, t.serves.id)?.placeId === place.id),
      );
      const feed: Circuit = {
        ...blankCircuit(id, c.no ? `${c.no}f` : '', `${panel.name} feeder`, feeder.from),
        supply: feeder.supply,
        stepDown: true,
        taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: panel.id }, tapedM: null }],
      };
      const moved = near.some((x) => x.id === c.id) ? near : [...near, c];
      out.push([
        {
          id: 'second-panel',
          say: `a second panel in ${place.name.toLowerCase()}, with ${moved.length} of the circuits there`,
          ops: [
            addOp(design, 'panels', panel),
            addOp(design, 'circuits', feed),
            ...moved.map((x) => setOp(design, ['circuits', x.id, 'from'], { kind: 'panel', id: panel.id })),
          ],
        },
      ]);
    }
  }
  for (const along of ALONGS)
    if (along !== c.along)
      out.push([
        {
          id: `along-${along}`,
          say: `led ${along === 'straight' ? 'straight' : along === 'under the sole' ? along : `along the ${along}`}, if it can be`,
          ops: [setOp(design, ['circuits', c.id, 'along'], along)],
        },
      ]);
  if (c.taps.length > 1) {
    const at = Math.ceil(c.taps.length / 2);
    const [stay, go] = [c.taps.slice(0, at), c.taps.slice(at)];
    const id = fresh('c');
    const gone = new Set(stay.map((t) => t.id));
    const second: Circuit = {
      ...blankCircuit(id, c.no ? `${c.no}b` : '', `${c.name}, second half`, c.from),
      supply: c.supply,
      stepDown: true,
      taps: go.map((t) => (t.parent !== null && gone.has(t.parent) ? { ...t, parent: null, tapedM: null } : t)),
    };
    out.push([
      {
        id: 'split',
        say: `split: ${go.length} of its ${c.taps.length} on a way of their own`,
        ops: [setOp(design, ['circuits', c.id, 'taps'], stay), addOp(design, 'circuits', second)],
      },
    ]);
  }
  return out;
}

function rest(design: Design, c: Circuit): Series[] {
  return [
    c.pin.legs > 1 && !c.pin.ownDevices
      ? [{ id: 'per-leg', say: 'a device for each leg, at both ends', ops: [pinOf(design, c, { ownDevices: true })] }]
      : [],
    c.insulationC === 125 ? [] : [{ id: 'hot', say: 'cable for 125 °C', ops: [setOp(design, ['circuits', c.id, 'insulationC'], 125)] }],
    c.pin.size === null || c.found
      ? []
      : [
          {
            id: 'unpin',
            say: 'the size left to the program',
            ops: [pinOf(design, c, { size: null, legs: 1, ownDevices: false }), setOp(design, ['circuits', c.id, 'stepDown'], true)],
          },
        ],
    c.stepDown
      ? []
      : [{ id: 'step-down', say: 'step-down pieces at its ends', ops: [setOp(design, ['circuits', c.id, 'stepDown'], true)] }],
  ];
}

/** Ways out of what is found on a battery cable: heavier, another device, everything left to the program. */
function ofLead(design: Design, lead: BatteryCable, analysis: Analysis): Series[] {
  const result = analysis.leads.find((l) => l.id === lead.id);
  const set = (key: 'size' | 'family' | 'ratingA', to: unknown): Op => setOp(design, ['leads', lead.id, key], to);
  const device = result?.device?.own.protection;
  const larger = DC_FAMILIES.find((f) => f.id === device?.familyId)?.ratingsA.filter((r) => r > (device?.ratingA ?? 0)) ?? [];
  return [
    lead.size === null && lead.family === null && lead.ratingA === null
      ? []
      : [{ id: 'free', say: 'size and device left to the program', ops: [set('size', null), set('family', null), set('ratingA', null)] }],
    CONDUCTORS[design.boat.ruleSet]
      .filter((s) => s.areaMm2 > (result?.conductor.areaMm2 ?? Infinity) + 1e-9)
      .map((s) => ({
        id: `own-${s.size}`,
        say: `${sizeName(s.school, s.size)} in it`,
        ops: [set('size', { school: s.school, size: s.size })],
      })),
    ...FAMILY_ORDER.bank
      .flatMap((id) => DC_FAMILIES.find((f) => f.id === id) ?? [])
      .filter((f) => device !== undefined && f.id !== device.familyId)
      .map((f): Series => [
        {
          id: `family-${f.id}`,
          say: `a ${f.name} instead of the ${device?.familyName ?? 'device'}`,
          ops: [set('family', f.id), set('ratingA', null)],
        },
      ]),
    larger.slice(0, 2).map((r) => ({ id: `rating-${r}`, say: `${r} A instead of ${device?.ratingA ?? 0} A`, ops: [set('ratingA', r)] })),
  ];
}

/** Battery cables, case earths among them, whose conductor is another than it was. */
const cableChanges = (design: Design, before: Analysis, after: Analysis): SizeChange[] =>
  before.leads.flatMap((b): SizeChange[] => {
    const a = after.leads.find((l) => l.id === b.id);
    if (!a || (a.conductor.size === b.conductor.size && a.conductor.school === b.conductor.school)) return [];
    const [from, to] = [b, a].map((l) => sizeName(l.conductor.school, l.conductor.size));
    const kg = (a.lengthM * a.conductor.massKgPerKm - b.lengthM * b.conductor.massKgPerKm) / 1000;
    return [{ circuitId: b.id, no: '', name: rowOf(design.leads, b.id)?.name ?? '', from: from ?? '', to: to ?? '', kg }];
  });

const OF_CIRCUITS = ruleIds('circuits');
const OF_MAIN_SIDE = ruleIds('main side');
/** Of studies what is about a circuit's volts: every try runs them all. */
const ofStudies = (f: Finding): boolean => f.rule === 'study-volts' && f.about.kind === 'circuit';

/** Findings that can be searched for ways out: those on circuits, on battery cables and on volts in studies that ask to be settled. */
export const searchable = (findings: readonly Finding[]): readonly string[] =>
  findings.flatMap((f) =>
    f.severity !== 'note' && (OF_CIRCUITS.has(f.rule) || ofStudies(f) || (OF_MAIN_SIDE.has(f.rule) && f.about.kind === 'lead'))
      ? [f.id]
      : [],
  );

const circuitOf = (design: Design, { about }: Finding): Circuit | undefined =>
  about.kind === 'circuit'
    ? rowOf(design.circuits, about.id)
    : about.kind === 'load'
      ? servingOf(design.circuits).loads.get(about.id)
      : undefined;

/**
 * Ways out of a finding on a circuit, on a battery cable or on a load's volts in a study, the cheapest first: each takes the finding away and
 * brings no stop. Empty for findings of other things, and where nothing helps that can be edited here.
 */
export function remediesOf(design: Design, finding: Finding, memory: Memory = createMemory()): Remedy[] {
  const c = circuitOf(design, finding);
  const lead = finding.about.kind === 'lead' ? rowOf(design.leads, finding.about.id) : undefined;
  const before = analyse(design, memory);
  const told = (d: Design, a: Analysis): readonly Finding[] => (ofStudies(finding) ? everyFinding(a, studied(d, a)) : a.findings);
  const findings = told(design, before);
  if ((!c && !lead) || !findings.some((f) => f.id === finding.id)) return [];
  const known = new Set(findings.map((f) => f.id));
  const now = effortOf(design, before.circuits, before.leads);
  const ruled = cureOf(design, finding);
  const series: readonly Series[] = [
    ...(c ? [...copper(design, c, before), ...rest(design, c), ...devices(design, c, before), ...ways(design, c)] : []),
    ...(lead ? ofLead(design, lead, before) : []),
    ruled ? [{ id: 'rule', say: 'as the rule itself puts it right', ops: ruled }] : [],
  ];
  const tried = (t: Try): Remedy | null => {
    const ops = t.ops.filter((op) => op !== undefined);
    const edited = ops.length > 0 ? applyEdit(design, { ops }) : null;
    if (!edited?.ok) return null;
    const after = analyse(edited.design, memory);
    const all = told(edited.design, after);
    const still = all.find((f) => f.id === finding.id);
    if (still && (still.severity === finding.severity || still.severity !== 'note')) return null;
    const brings = all.filter((f) => f.severity !== 'note' && !known.has(f.id));
    if (brings.some((f) => f.severity === 'stop')) return null;
    const then = effortOf(edited.design, after.circuits, after.leads);
    const left = new Set(all.map((f) => f.id));
    return {
      id: t.id,
      say: t.say,
      ops,
      kg: then.kg - now.kg,
      minutes: then.minutes - now.minutes,
      brings,
      alsoGone: findings.filter((f) => f.severity !== 'note' && f.id !== finding.id && !left.has(f.id)).length,
      changes: [...sizeChanges(before.circuits, after.circuits), ...cableChanges(design, before, after)],
    };
  };
  const found: Remedy[] = [];
  for (const one of series)
    for (const t of one) {
      const remedy = tried(t);
      if (!remedy) continue;
      found.push(remedy);
      break;
    }
  const together = c ? chosenTogether(design, memory) : { ops: [] };
  const shared =
    together.ops.length > 0 ? tried({ id: 'together', say: 'mains, feeders and branches sized together', ops: together.ops }) : null;
  if (shared) found.push(shared);
  const cost = (r: Remedy): number => r.brings.length * 1e4 + r.minutes + MIN_PER_KG * r.kg;
  const seen = new Set<string>();
  return found
    .filter((r) => {
      // What comes to the same is told once.
      const key = JSON.stringify(r.changes.length > 0 ? [r.changes, r.minutes, r.brings.map((f) => f.id)] : r.ops);
      return seen.has(key) ? false : seen.add(key);
    })
    .sort((a, b) => cost(a) - cost(b))
    .slice(0, MOST);
}
