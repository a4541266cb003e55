/** What stands between a source and its bank: the resistance of the run it is on, where nobody has entered a measured one. */
import type { CircuitResult } from '../circuitResult';
import { pathOhm } from '../circuitResult';
import type { Design, LeadEnd, Source } from '../design';
import type { LeadResult } from '../mainSide/leads';

/** By source: both conductors, joints, devices and feeders from the posts, milliohm, to a tenth. Sources on no circuit are not in it. */
export type Paths = Readonly<Record<string, number>>;

/** @param circuits results of this process, not copies. */
export function pathsOf(design: Design, circuits: readonly CircuitResult[], leads: readonly LeadResult[] = []): Paths {
  const { sources, circuits: rows } = design;
  const paths: Record<string, number> = {};
  for (const source of sources) {
    if (source.pathMohm !== null) continue;
    const led = ledOhm(design, source, leads);
    if (led > 0) paths[source.id] = Math.round(led * 10000) / 10;
    if (source.loadId === null) continue;
    const row = rows.find((c) => c.taps.some((t) => serves(t, source)));
    const result = row && circuits.find((c) => c.id === row.id);
    const ohm =
      result &&
      pathOhm(
        result,
        row.taps.findIndex((t) => serves(t, source)),
      );
    if (ohm !== undefined && ohm > 0) paths[source.id] = Math.round(ohm * 10000) / 10;
  }
  return paths;
}

/** By its leads of the main side: its output back to the bank, and its negative; an alternator's by way of the block. 0 without a positive. */
function ledOhm(design: Design, source: Source, leads: readonly LeadResult[]): number {
  const at = (rail: 'positive' | 'negative', touches: (e: LeadEnd) => boolean) => {
    const i = design.leads.findIndex((l) => l.rail === rail && (touches(l.from) || touches(l.to)));
    const [lead, result] = [design.leads[i], leads[i]];
    return lead && result ? { lead, ohm: result.copperOhm + result.inlineOhm } : null;
  };
  const own = (e: LeadEnd) => e.kind === 'source' && e.id === source.id;
  const out = at('positive', own);
  if (!out) return 0;
  const bar = [out.lead.from, out.lead.to].find((e) => e.kind === 'bar');
  const feed = bar
    ? at(
        'positive',
        (e) =>
          e.kind === 'bank' &&
          design.leads.some((l) => l.rail === 'positive' && ((l.from === e && same(l.to, bar)) || (l.to === e && same(l.from, bar)))),
      )
    : null;
  const block = design.bars.find((b) => b.kind === 'engine');
  const back =
    at('negative', own) ?? (source.kind === 'alternator' && block ? at('negative', (e) => e.kind === 'bar' && e.id === block.id) : null);
  return out.ohm + (feed?.ohm ?? 0) + (back?.ohm ?? 0);
}

const same = (a: LeadEnd, b: LeadEnd): boolean => a.kind === b.kind && a.id === b.id;

const serves = (tap: Design['circuits'][number]['taps'][number], source: Source): boolean =>
  tap.serves.kind === 'load' && tap.serves.id === source.loadId;

const known = new WeakMap<readonly Source[], { readonly paths: Paths; readonly sources: readonly Source[] }>();

/** The design with the paths of its sources filled in where they are not entered; asked again, the same sources. */
export function withPaths(design: Design, paths: Paths): Design {
  const { sources } = design;
  if (!sources.some((s) => s.pathMohm === null && paths[s.id] !== undefined)) return design;
  const before = known.get(sources);
  if (before?.paths === paths) return { ...design, sources: before.sources };
  const filled = sources.map((s) => (s.pathMohm === null ? { ...s, pathMohm: paths[s.id] ?? null } : s));
  known.set(sources, { paths, sources: filled });
  return { ...design, sources: filled };
}
