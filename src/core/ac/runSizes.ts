/** Conductors of all AC runs chosen together: feeders and branches share what may be lost, for the least copper (docs/methods.md, M12, M20). */
import { leastOnTree, type Part, type TrunkSize } from '../solve';
import { type Conductor, DROP_PCT } from '../rules';
import { rowOf } from '../design';
import type { AcParts } from './parts';
import { type AcRun, ownSizes } from './runs';

/** Of its own a branch is never asked to lose less than this, %, unless by one size more: a thin feeder is mended at the feeder. */
export const OWN_SHARE_PCT = 1;
/** Sizes of a feeder that are tried, from what it needs by itself on; half as many at each panel further on. */
const FEEDER_SIZES = 8;
/** A percent that a path misses weighs more than any copper, kg. */
const KG_PER_PCT = 1e3;

type Sizes = ReadonlyMap<string, Conductor>;
type Tree = Part<number, Sizes>;

const kgOf = (run: AcRun, size: Conductor): number => (3 * size.massKgPerKm * run.lengthM) / 1000;
const missed = (lostPct: number): number => KG_PER_PCT * Math.max(0, lostPct - DROP_PCT);

/** The smallest that holds behind what is lost before it, and no heavier than its own share, or one size more, asks for. */
function branchSize(run: AcRun, sizes: readonly Conductor[], upPct: number): Conductor | undefined {
  const share = sizes.findIndex((s) => run.dropPct(s) <= OWN_SHARE_PCT + 1e-9);
  const within = share < 0 ? sizes : sizes.slice(0, Math.max(2, share + 1));
  return within.find((s) => upPct + run.dropPct(s) <= DROP_PCT + 1e-9) ?? within.at(-1);
}

/** Where runs meet: a panel, or the input of an inverter that passes on. */
const nodeTo = ({ circuit: { to } }: AcRun): string | null => (to ? `${to.kind} ${to.id}` : null);

function nodeFrom(design: AcParts, { circuit: { from } }: AcRun): string | null {
  if (from.kind === 'panel') return `panel ${from.id}`;
  return rowOf(design.acSources, from.id)?.inverter?.passA != null ? `inverter ${from.id}` : null;
}

/** A size for every run, by id. */
export function runSizes(design: AcParts, runs: ReadonlyMap<string, AcRun>): Sizes {
  const school = design.boat.ruleSet;
  const candidates = new Map([...runs].map(([id, run]) => [id, run.pinned ? [run.pinned] : ownSizes(run, school)]));
  const sizesOf = (run: AcRun) => candidates.get(run.circuit.id) ?? [];
  const into = new Map<string, AcRun[]>();
  const outOf = new Map<string, AcRun[]>();
  const push = (map: Map<string, AcRun[]>, key: string | null, run: AcRun) => {
    if (key !== null) map.set(key, [...(map.get(key) ?? []), run]);
  };
  for (const run of runs.values()) {
    push(into, nodeTo(run), run);
    push(outOf, nodeFrom(design, run), run);
  }
  const done = new Set<string>();

  const branch = (run: AcRun): Tree => ({
    id: run.circuit.id,
    least: (up) => {
      const size = branchSize(run, sizesOf(run), up);
      return size ? { at: new Map([[run.circuit.id, size]]), cost: kgOf(run, size) + missed(up + run.dropPct(size)) } : null;
    },
  });

  /** A node behind a parent, or behind sources alone; levels: what is lost up to it, with the sizes of all its feeders that keep to it. */
  const node = (id: string, depth: number): Tree => {
    done.add(id);
    const feeders = into.get(id) ?? [];
    const most = Math.max(1, FEEDER_SIZES >> depth);
    const parts = (outOf.get(id) ?? []).flatMap((run): Tree[] => {
      const next = nodeTo(run);
      if (next === null) return [branch(run)];
      return done.has(next) ? [] : [node(next, depth + 1)];
    });
    return {
      id,
      sizes: (up) => {
        const lost = (run: AcRun, size: Conductor) => (nodeFrom(design, run) === null ? 0 : up) + run.dropPct(size);
        const levels = feeders.flatMap((run) =>
          sizesOf(run)
            .slice(0, most)
            .map((size) => lost(run, size)),
        );
        return [...new Set(levels)].map((level): TrunkSize<number, Sizes> => {
          const chosen = feeders.flatMap((run) => {
            const sizes = sizesOf(run);
            const size = sizes.find((s) => lost(run, s) <= level + 1e-9) ?? sizes.at(Math.min(most, sizes.length) - 1);
            return size ? [{ run, size }] : [];
          });
          const worst = Math.max(0, ...chosen.map(({ run, size }) => lost(run, size)));
          return {
            at: new Map(chosen.map(({ run, size }) => [run.circuit.id, size])),
            cost: chosen.reduce((sum, { run, size }) => sum + kgOf(run, size), missed(worst)),
            behind: [{ parts, up: worst }],
          };
        });
      },
    };
  };

  const out = new Map<string, Sizes>();
  for (const [id, feeders] of into)
    if (!done.has(id) && feeders.every((run) => nodeFrom(design, run) === null)) leastOnTree(node(id, 0), 0, out);
  const chosen = new Map([...out.values()].flatMap((sizes) => [...sizes]));
  // What nothing feeds, and branches straight from a source.
  for (const run of runs.values()) {
    if (chosen.has(run.circuit.id)) continue;
    const size = branchSize(run, sizesOf(run), 0);
    if (size) chosen.set(run.circuit.id, size);
  }
  return chosen;
}
