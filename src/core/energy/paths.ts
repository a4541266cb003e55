/** What stands between a source and its bank: the resistance of the run it is on, where nobody has entered a measured one. */
import type { CircuitResult } from '../circuitResult';
import { pathOhm } from '../circuitResult';
import type { Design, Source } from '../design';

/** By source: both conductors, joints, devices and feeders from the posts, milliohm, to a tenth. Sources on no circuit are not in it. */
export type Paths = Readonly<Record<string, number>>;

/** @param circuits results of this process, not copies. */
export function pathsOf({ sources, circuits: rows }: Design, circuits: readonly CircuitResult[]): Paths {
  const paths: Record<string, number> = {};
  for (const source of sources) {
    if (source.loadId === null || source.pathMohm !== null) continue;
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
