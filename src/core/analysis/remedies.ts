/** Ways to put right what is found: each is tried on the whole design, and told by what it costs and what it brings. */
import { analyse, type Analysis, createMemory, type Memory } from './analysis';
import { cureOf } from './cured';
import { acKg, effortOf } from './effort';
import { studied } from './studied';
import { chosenTogether, type SizeChange, sizeChanges } from './together';
import { type AcCircuitResult, acCircuits } from '../ac';
import { acRun } from './tries/acRun';
import { copper, devices, rest, ways } from './tries/circuit';
import { ofLead } from './tries/lead';
import { cleaner, further, ofPanel } from './tries/panel';
import { moved } from './tries/place';
import { ofSource } from './tries/source';
import type { Series, Try } from './tries/try';
import { applyEdit, type Circuit, type Design, type Finding, type Op, rowOf } from '../design';
import { everyFinding, ruleIds } from '../check';
import { sizeName } from '../quantity';
import { servingOf } from '../topology';

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

/** A kilogram of copper weighs as much as so many minutes of work: ours. */
const MIN_PER_KG = 20;
/** Nobody reads on. */
const MOST = 8;
/** Battery cables, case earths among them, whose conductor is another than it was. */
const cableChanges = (design: Design, before: Analysis, after: Analysis): SizeChange[] =>
  before.leads.flatMap((b): SizeChange[] => {
    const a = after.leads.find((l) => l.id === b.id);
    if (!a || (a.conductor.size === b.conductor.size && a.conductor.school === b.conductor.school)) return [];
    const [from, to] = [b, a].map((l) => sizeName(l.conductor.school, l.conductor.size));
    const kg = (a.lengthM * a.conductor.massKgPerKm - b.lengthM * b.conductor.massKgPerKm) / 1000;
    return [{ circuitId: b.id, no: '', name: rowOf(design.leads, b.id)?.name ?? '', from: from ?? '', to: to ?? '', kg }];
  });

/** AC runs whose conductor is another than it was. */
const runChanges = (design: Design, before: readonly AcCircuitResult[], after: readonly AcCircuitResult[]): SizeChange[] =>
  before.flatMap((b): SizeChange[] => {
    const a = rowOf(after, b.id);
    const c = rowOf(design.acCircuits, b.id);
    if (!a || !c || a.conductor === b.conductor) return [];
    const [from, to] = [b, a].map((r) => sizeName(r.conductor.school, r.conductor.size));
    const kg = acKg(a) - acKg(b);
    return [{ circuitId: c.id, no: c.no, name: c.name, from: from ?? '', to: to ?? '', kg }];
  });

const OF_CIRCUITS = new Set([...ruleIds('circuits'), ...ruleIds('circuit failures'), ...ruleIds('circuit volts')]);
const OF_MAIN_SIDE = ruleIds('main side');
const OF_AC_RUNS = new Set([...ruleIds('AC runs'), ...ruleIds('AC')]);
/** Of studies what is about a circuit's volts: every try runs them all. */
const ofStudies = (f: Finding): boolean => f.rule === 'study-volts' && f.about.kind === 'circuit';

/** Whether a finding has more than its rule's own cure to be searched: by the thing it is about. */
const searched = (f: Finding): boolean =>
  OF_CIRCUITS.has(f.rule) ||
  ofStudies(f) ||
  (OF_MAIN_SIDE.has(f.rule) && f.about.kind === 'lead') ||
  (OF_AC_RUNS.has(f.rule) && f.about.kind === 'AC circuit') ||
  f.about.kind === 'source' ||
  f.about.kind === 'panel' ||
  PLACED.has(f.rule);
/** Rules on clean power. */
const CLEAN: ReadonlySet<string> = new Set(['start-sag', 'ripple']);
/** Rules on where a thing stands. */
const PLACED: ReadonlySet<string> = new Set(['vapour-load', 'vapour-bank', 'electronics-place']);

/** Findings that can be searched for ways out, and ask to be settled. */
export const searchable = (findings: readonly Finding[]): readonly string[] =>
  findings.flatMap((f) => (f.severity !== 'note' && searched(f) ? [f.id] : []));

const circuitOf = (design: Design, { about }: Finding): Circuit | undefined =>
  about.kind === 'circuit'
    ? rowOf(design.circuits, about.id)
    : about.kind === 'load'
      ? servingOf(design.circuits).loads.get(about.id)
      : undefined;

/**
 * Ways out of a finding on a circuit, a battery cable, a source, an AC run, a load's volts in a study or where a thing stands, the cheapest
 * first: each takes the finding away and brings no stop. Empty for findings of other things, and where nothing helps that can be edited here.
 */
export function remediesOf(design: Design, finding: Finding, memory: Memory = createMemory()): Remedy[] {
  const c = circuitOf(design, finding);
  const about = <T extends { readonly id: string }>(kind: string, rows: readonly T[]): T | undefined =>
    finding.about.kind === kind ? rowOf(rows, finding.about.id) : undefined;
  const lead = about('lead', design.leads);
  const source = about('source', design.sources);
  const panel = about('panel', design.panels);
  const block = c?.from.kind === 'panel' ? rowOf(design.panels, c.from.id) : undefined;
  const run = about('AC circuit', design.acCircuits);
  const before = analyse(design, memory);
  const told = (d: Design, a: Analysis): readonly Finding[] => (ofStudies(finding) ? everyFinding(a, studied(d, a)) : a.findings);
  const findings = told(design, before);
  if (!searched(finding) || !findings.some((f) => f.id === finding.id)) return [];
  const known = new Set(findings.map((f) => f.id));
  const runs = (d: Design) => (run ? acCircuits(d) : []);
  const runsNow = runs(design);
  const now = effortOf(design, before.circuits, before.leads, runsNow);
  const ruled = cureOf(design, finding);
  const series: readonly Series[] = [
    ...(c ? [...copper(design, c, before), ...rest(design, c), ...devices(design, c, before), ...ways(design, c)] : []),
    block && finding.rule === 'protection-conflict' ? further(design, block, before) : [],
    ...(panel ? (CLEAN.has(finding.rule) ? cleaner : ofPanel)(design, panel, before) : []),
    ...(lead ? ofLead(design, lead, before) : []),
    ...(source ? ofSource(design, source, before) : []),
    ...(run ? acRun(design, run) : []),
    moved(design, finding.about),
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
    const runsThen = runs(edited.design);
    const then = effortOf(edited.design, after.circuits, after.leads, runsThen);
    const left = new Set(all.map((f) => f.id));
    return {
      id: t.id,
      say: t.say,
      ops,
      kg: then.kg - now.kg,
      minutes: then.minutes - now.minutes,
      brings,
      alsoGone: findings.filter((f) => f.severity !== 'note' && f.id !== finding.id && !left.has(f.id)).length,
      changes: [
        ...sizeChanges(before.circuits, after.circuits),
        ...cableChanges(design, before, after),
        ...runChanges(design, runsNow, runsThen),
      ],
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
