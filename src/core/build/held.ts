/** What must not be built yet: pieces that an open stop stands against, and stops that are the whole boat's. */
import type { Design, Finding } from '../design';
import { servingOf } from '../topology';
import type { CutList } from './cutList';
import type { Cut } from './cut';

export interface Held {
  /** Open: nobody has accepted a departure. */
  readonly stops: readonly Finding[];
  /** By circuit, battery cable or AC circuit: what stands against cutting it. */
  readonly against: ReadonlyMap<string, readonly Finding[]>;
  /** Pieces that may be cut already: nothing against them, taped, and what parts them has its place. */
  readonly free: readonly Cut[];
  readonly heldPieces: number;
  /** Nothing against them, but their length is an estimate. */
  readonly untaped: number;
}

/** The circuits a finding is about: its own, the one that serves its load, the one that feeds its panel, all from its bank. */
function circuitsOf(design: Design, { about }: Finding): readonly string[] {
  const { loads, panels } = servingOf(design.circuits);
  switch (about.kind) {
    case 'circuit':
    case 'lead':
    case 'bank':
    case 'AC circuit':
      return [about.id];
    case 'load':
      return [loads.get(about.id)?.id ?? ''];
    case 'panel':
      return [panels.get(about.id)?.id ?? '', ...design.circuits.filter((c) => c.from.id === about.id).map((c) => c.id)];
    default:
      return [];
  }
}

/** @param findings all of the design, studies and machines with them where they are worked out. */
export function heldBack(design: Design, list: CutList, findings: readonly Finding[]): Held {
  const stops = findings.filter((f) => f.severity === 'stop' && !f.accepted);
  const against = new Map<string, Finding[]>();
  for (const f of stops) for (const id of circuitsOf(design, f)) against.set(id, [...(against.get(id) ?? []), f]);
  const clear = list.cuts.filter((c) => !against.has(c.circuitId));
  const free = clear.filter((c) => c.taped && c.unplaced === '');
  return { stops, against, free, heldPieces: list.cuts.length - clear.length, untaped: clear.length - free.length };
}
