/** A design put through everything the core answers: what throws, and what says something that is no figure. */
import type { ElkNode } from 'elkjs/lib/elk-api';
import {
  acCircuitWorking,
  acSourceWorking,
  analyse,
  bankWorking,
  circuitWorking,
  cutList,
  dayWorking,
  batteryCableWorking,
  listsOf,
  loadWorking,
  yieldWorking,
  needWorking,
} from '@/core';
import { acCircuits, isolationSteps, placardLines, statesOf } from '@/core/ac';
import { settingsMatrix, sheetLines } from '@/core/charging';
import { analysisAnswer } from '@/core/answer';
import { asDecided, type Design, readDesign } from '@/core/design';
import { drawingOf, type DrawingWish, foldAtFirst, fromElk, toElk } from '@/core/drawing';
import { cruise } from '@/core/energy';
import { postInventory, withPaths } from '@/core/mainSide';
import { type Act, atRest, consequencesOf, runStudy, standingAnswer } from '@/core/network';
import { createMemory, studied, workedPath } from '@/core/analysis';

export interface Trouble {
  readonly in: string;
  readonly what: string;
}

export type LayOut = (graph: ElkNode) => Promise<ElkNode>;

const NO_FIGURE = /NaN|∞|Infinity|undefined|\[object/;

/** Texts that show what is no figure, by where they stand. */
function noFigures(value: unknown, at: string, out: Trouble[], seen = new Set<unknown>()): void {
  if (out.length > 20) return;
  if (typeof value === 'string') {
    if (NO_FIGURE.test(value)) out.push({ in: at, what: value.slice(0, 200) });
    return;
  }
  if (typeof value !== 'object' || value === null || seen.has(value)) return;
  seen.add(value);
  for (const [key, inner] of Object.entries(value)) noFigures(inner, `${at}.${key}`, out, seen);
}

/** One of each kind of act at the switches. */
const acts = (design: Design): readonly Act[] => [
  ...design.joins.map((j): Act => ({ do: 'turn', joinId: j.id, to: 'off' })),
  ...design.circuits.slice(0, 2).map((c): Act => ({ do: 'switch', circuitId: c.id })),
  ...design.loads.slice(0, 1).map((l): Act => ({ do: 'use', loadId: l.id })),
  { do: 'engine', run: true },
  { do: 'shore', in: true },
];

/** Goes through all of it. @param layOut the layered layout, or null to leave it out. */
export async function exercise(
  design: Design,
  layOut: LayOut | null,
): Promise<{ readonly troubles: readonly Trouble[]; readonly slowest: { readonly of: string; readonly ms: number } }> {
  const troubles: Trouble[] = [];
  let slowest = { of: '', ms: 0 };
  const attempt = <T>(of: string, work: () => T): T | null => {
    const from = performance.now();
    try {
      const answer = work();
      noFigures(answer, of, troubles);
      return answer;
    } catch (error) {
      troubles.push({ in: of, what: error instanceof Error ? (error.stack ?? error.message).slice(0, 600) : String(error) });
      return null;
    } finally {
      const ms = performance.now() - from;
      if (ms > slowest.ms) slowest = { of, ms };
    }
  };
  attempt('reading', () => {
    const read = readDesign(JSON.parse(JSON.stringify(design)));
    if (!read.ok) throw new Error(`not a design: ${read.problems.map((p) => `${p.where} ${p.message}`).join('; ')}`);
  });
  const memory = createMemory();
  const analysis = attempt('analysis', () => analyse(design, memory));
  if (!analysis) return { troubles, slowest };
  const units = design.boat;
  const decided = asDecided(design);
  attempt('workings of circuits', () => analysis.circuits.map((c) => circuitWorking(workedPath(memory, c.id), units)));
  attempt('workings of loads', () => design.loads.map((l) => loadWorking(design, analysis, l.id, units)));
  attempt('workings of leads', () => design.leads.map((l) => batteryCableWorking(design, analysis, l.id, units)));
  attempt('workings of days', () =>
    design.living.map((l) => [needWorking(design, analysis, l.id, units), yieldWorking(design, analysis, l.id, units)]),
  );
  attempt('cut list', () => cutList(decided, analysis.circuits, analysis.leads));
  attempt('lists', () => listsOf(design, analysis.circuits));
  attempt('posts', () => postInventory(decided, analysis.circuits, analysis.leads));
  const late = attempt('studies and machines', () => studied(design, analysis));
  const worst = late?.worst ?? null;
  const power = late?.power ?? null;
  const studies = design.studies.map((s) => attempt(`study ${s.id}`, () => runStudy(design, analysis, s)));
  attempt('switches', () => standingAnswer(design, analysis, atRest(design)));
  for (const act of acts(design)) attempt(`act: ${act.do}`, () => consequencesOf(design, analysis, atRest(design), act));
  attempt('settings', () => [settingsMatrix(design), design.sources.map((s) => sheetLines(design, s))]);
  attempt('AC runs', () => acCircuits(design).map((c) => [c.failing, c.governs]));
  attempt('AC together', () => placardLines(design));
  attempt('answer to programs', () => JSON.parse(JSON.stringify(analysisAnswer(design))) as unknown);
  const states = attempt('AC states', () => statesOf(design));
  attempt('AC steps', () => isolationSteps(design));
  attempt('AC workings', () => [
    design.acCircuits.map((c) => acCircuitWorking(design, c.id, units)),
    design.acSources.map((s) => power && acSourceWorking(design, power, s.id, units)),
  ]);
  attempt('cruise', () => {
    const run = cruise(withPaths(design, analysis.paths));
    return [run.warnings, design.banks.map((b) => bankWorking(run, b.id, units)), dayWorking(run, 0, units)];
  });
  const wishes: [string, DrawingWish][] = [
    ['one line', { rails: 'one line', folded: foldAtFirst(design), study: studies[0] ?? null }],
    ['both rails', { rails: 'both', folded: new Set(), study: null, worst }],
    ['earths', { rails: 'earths', folded: new Set(), study: null }],
    ['AC drawing', { rails: 'AC', folded: new Set(), study: null, ac: states?.[0] ?? null }],
  ];
  for (const [name, wish] of wishes) {
    const drawing = attempt(name, () => drawingOf(design, analysis, wish));
    if (!drawing || !layOut) continue;
    const from = performance.now();
    try {
      const layout = fromElk(drawing, await layOut(toElk(drawing)));
      const lost = drawing.things.filter((t) => !layout.things.some((x) => x.id === t.id && Number.isFinite(x.x) && Number.isFinite(x.y)));
      if (lost.length > 0) troubles.push({ in: `layout, ${name}`, what: `no place for ${lost.map((t) => t.id).join()}` });
    } catch (error) {
      troubles.push({ in: `layout, ${name}`, what: error instanceof Error ? (error.stack ?? error.message).slice(0, 300) : String(error) });
    }
    const ms = performance.now() - from;
    if (ms > slowest.ms) slowest = { of: `layout, ${name}`, ms };
  }
  return { troubles, slowest };
}
