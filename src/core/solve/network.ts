/** A direct-current network as the solver takes it: positive and negative conductors apart (docs/methods.md, M6). */

export interface NetBranch {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly ohm: number;
}

/** Volts behind a resistance, from its minus node to its plus node. */
export interface NetBank {
  readonly id: string;
  readonly plus: string;
  readonly minus: string;
  readonly emfV: number;
  readonly ohm: number;
}

/** Gives what brings its nodes to its setpoint: amps a volt below it, up to its limit; never takes any. */
export interface NetSource {
  readonly id: string;
  readonly plus: string;
  readonly minus: string;
  readonly setV: number;
  readonly ohm: number;
  readonly limitA: number;
}

/** Draws constant power, by conductance, and constant current: all three at once where a load is made of several. */
export interface NetLoad {
  readonly id: string;
  readonly plus: string;
  readonly minus: string;
  readonly watts: number;
  readonly siemens: number;
  readonly amps: number;
}

export interface Network {
  readonly branches: readonly NetBranch[];
  readonly banks: readonly NetBank[];
  readonly sources: readonly NetSource[];
  readonly loads: readonly NetLoad[];
}

/** Above it a network is refused: a boat has some hundreds. */
export const MOST_NODES = 4000;

/** Less than a microohm is no conductor but one and the same point: it is computed as this. */
export const LEAST_OHM = 1e-6;

export interface NetRefusal {
  readonly what: 'too many nodes' | 'not a figure' | 'less than nothing' | 'a loop of itself';
  readonly id: string;
}

/** What stands in the way of solving a network at all; empty where nothing does. */
export function refusalsOf({ branches, banks, sources, loads }: Network): NetRefusal[] {
  const out: NetRefusal[] = [];
  const check = (id: string, figures: readonly number[], ends: readonly [string, string]) => {
    if (figures.some((x) => Number.isNaN(x) || !Number.isFinite(x))) out.push({ what: 'not a figure', id });
    else if (figures.some((x) => x < 0)) out.push({ what: 'less than nothing', id });
    if (ends[0] === ends[1]) out.push({ what: 'a loop of itself', id });
  };
  for (const x of branches) check(x.id, [x.ohm], [x.a, x.b]);
  for (const x of banks) check(x.id, [x.ohm, x.emfV], [x.plus, x.minus]);
  for (const x of sources) check(x.id, [x.ohm, x.setV, x.limitA], [x.plus, x.minus]);
  for (const x of loads) check(x.id, [x.watts, x.siemens, x.amps], [x.plus, x.minus]);
  const nodes = nodesOf({ branches, banks, sources, loads });
  if (nodes.length > MOST_NODES) out.push({ what: 'too many nodes', id: String(nodes.length) });
  return out;
}

/** Every node that is named, in order of appearance. */
export function nodesOf({ branches, banks, sources, loads }: Network): string[] {
  const seen = new Set<string>();
  for (const { a, b } of branches) seen.add(a).add(b);
  for (const list of [banks, sources, loads]) for (const { plus, minus } of list) seen.add(plus).add(minus);
  return [...seen];
}
