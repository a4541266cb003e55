/** What stands between a source and its bank: the resistance of the run it is on, where nobody has entered a measured one. */
import { type CircuitResult, pathOhm } from '../circuit';
import { type Design, type Source, rowOf } from '../design';
import { bankPost, barNode, batteryCablesBetween, sourcePost } from '../topology';
import type { BatteryCableResult } from './sizing';

/** By source: both conductors, joints, devices and feeders from the posts, milliohm, to a tenth. Sources on no circuit are not in it. */
export type Paths = Readonly<Record<string, number>>;

export function pathsOf(design: Design, circuits: readonly CircuitResult[], leads: readonly BatteryCableResult[] = []): Paths {
  const { sources, circuits: rows } = design;
  const paths: Record<string, number> = {};
  for (const source of sources) {
    if (source.pathMohm !== null) continue;
    const led = ledOhm(design, source, leads);
    if (led > 0) paths[source.id] = Math.round(led * 10000) / 10;
    if (source.loadId === null) continue;
    const row = rows.find((c) => c.taps.some((t) => serves(t, source)));
    const result = row && rowOf(circuits, row.id);
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

/** Resistance of a source's whole charging path by its leads of the main side, ohm: from the bank's posts and back; an alternator without a negative returns through the block. 0 where they do not reach. */
export function ledOhm(design: Pick<Design, 'bars' | 'joins' | 'leads'>, source: Source, leads: readonly BatteryCableResult[]): number {
  if (source.bankId === null) return 0;
  const between = (rail: '+' | '-', end: string) =>
    batteryCablesBetween(design, rail === '+' ? 'positive' : 'negative', bankPost(source.bankId ?? '', rail), end);
  const block = design.bars.find((b) => b.kind === 'engine');
  const out = between('+', sourcePost(source.id, '+'));
  const back =
    between('-', sourcePost(source.outputOf ?? source.id, '-')) ??
    (source.kind === 'alternator' && block ? between('-', barNode(block.id)) : null);
  return out && back ? [...out, ...back].reduce((sum, i) => sum + (leads[i]?.copperOhm ?? 0) + (leads[i]?.inlineOhm ?? 0), 0) : 0;
}

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
