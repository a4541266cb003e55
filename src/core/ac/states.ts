/** Every state the AC side can stand in, and where neutral meets earth in each (docs/methods.md, M12, bond per source state). */
import { type AcCircuit, type AcPanel, type AcSource, rowOf } from '../design';

import type { AcParts } from './parts';

export interface Bond {
  readonly at: string;
  readonly kind: 'ashore' | 'source' | 'panel';
  readonly id: string;
}

export interface Origin {
  readonly sourceId: string;
  /** Panels it makes live. */
  readonly panels: readonly string[];
  /** Where neutral is joined to earth on this source's neutral, in words and by thing: ashore too, through a lead that is in. One is right. */
  readonly bonds: readonly Bond[];
  /** Another source feeds the same conductors. */
  readonly paralleled: boolean;
}

export interface AcState {
  readonly id: string;
  readonly name: string;
  /** What is there: the lead in, the generator running. */
  readonly present: readonly string[];
  /** Inlets whose lead is in while the pedestal gives nothing: neutral and earth still reach ashore. */
  readonly dead: readonly string[];
  /** By panel with a transfer, the feeder it is on; null: off, or a relay on its way from one to the other. */
  readonly positions: Readonly<Record<string, string | null>>;
  /** Inverters, and what they do. between: their relay has left the input and they do not invert yet. */
  readonly inverters: Readonly<Record<string, InverterDoes>>;
  readonly origins: readonly Origin[];
}

export type InverterDoes = 'inverting' | 'passing' | 'between' | 'off';

export const bondsRight = (o: Origin): boolean => o.bonds.length === 1 && !o.paralleled;

/** Beyond so many the rest is not gone through, and Check says so. */
export const MOST_STATES = 1000;

interface Stand {
  readonly present: ReadonlySet<string>;
  readonly dead: ReadonlySet<string>;
  /** By panel: the feeder it is turned to; null: off. */
  readonly at: ReadonlyMap<string, string | null>;
  readonly on: ReadonlySet<string>;
  /** Inverters caught between passing on and inverting. */
  readonly between: ReadonlySet<string>;
}

/** Which of its feeders a panel is on. Without a transfer it is on all of them at once. */
function closed(panel: AcPanel | undefined, feeders: readonly AcCircuit[], stand: Stand): readonly AcCircuit[] {
  if (feeders.length < 2 || !panel || panel.transfer === 'none') return feeders;
  const chosen = stand.at.get(panel.id);
  return feeders.filter((f) => f.id === chosen);
}

/** A disjoint-set over names. */
function unions() {
  const parent = new Map<string, string>();
  const find = (a: string): string => {
    const p = parent.get(a);
    if (p === undefined || p === a) return a;
    const root = find(p);
    parent.set(a, root);
    return root;
  };
  return { find, join: (a: string, b: string) => void parent.set(find(a), find(b)) };
}

const sourceNode = (id: string) => `source ${id}`;
const panelNode = (id: string) => `panel ${id}`;
const inputNode = (id: string) => `input ${id}`;

function standsAs(design: AcParts, stand: Stand): Omit<AcState, 'id' | 'name'> {
  const { acSources, acPanels, acCircuits } = design;
  const feedersOf = (panelId: string) => acCircuits.filter((c) => c.to?.kind === 'panel' && c.to.id === panelId);
  const live = unions();
  const nodeFrom = (c: AcCircuit) => (c.from.kind === 'source' ? sourceNode(c.from.id) : panelNode(c.from.id));
  const fed = new Map<string, readonly AcCircuit[]>();
  for (const p of acPanels) fed.set(p.id, closed(p, feedersOf(p.id), stand));
  for (const [id, list] of fed) for (const c of list) live.join(nodeFrom(c), panelNode(id));
  for (const c of acCircuits) if (c.to?.kind === 'inverter') live.join(nodeFrom(c), inputNode(c.to.id));
  // An inverter passes on what stands at its input, else inverts if it is on. Those fed by another's output come after it.
  const does = new Map<string, InverterDoes>();
  const externals = acSources.filter((s) => s.kind !== 'inverter' && stand.present.has(s.id));
  const inverters = acSources.filter((s) => s.kind === 'inverter');
  const energised = (node: string): boolean =>
    externals.some((s) => live.find(sourceNode(s.id)) === live.find(node)) ||
    inverters.some((i) => does.get(i.id) === 'inverting' && live.find(sourceNode(i.id)) === live.find(node));
  for (let round = 0; round <= inverters.length; round++)
    for (const i of inverters) {
      if (does.get(i.id) === 'passing' || does.get(i.id) === 'between') continue;
      if (i.inverter?.passA != null && energised(inputNode(i.id)) && live.find(inputNode(i.id)) !== live.find(sourceNode(i.id))) {
        does.set(i.id, stand.between.has(i.id) ? 'between' : 'passing');
        if (!stand.between.has(i.id)) live.join(inputNode(i.id), sourceNode(i.id));
      } else if (!does.has(i.id)) does.set(i.id, stand.on.has(i.id) ? 'inverting' : 'off');
    }
  const neutral = unions();
  for (const p of acPanels) {
    const own = fed.get(p.id) ?? [];
    const tied = p.transfer !== 'none' && p.switchesNeutral ? own : feedersOf(p.id);
    for (const c of tied) neutral.join(nodeFrom(c), panelNode(p.id));
  }
  for (const c of acCircuits) if (c.to?.kind === 'inverter') neutral.join(nodeFrom(c), inputNode(c.to.id));
  for (const i of inverters)
    if (i.inverter?.passA != null && (does.get(i.id) === 'passing' || !i.inverter.opensNeutral))
      neutral.join(inputNode(i.id), sourceNode(i.id));
  const bonds = bondsOf(design, does, (id) => stand.present.has(id) || stand.dead.has(id));
  const origins = acSources.filter((s) => (s.kind === 'inverter' ? does.get(s.id) === 'inverting' : stand.present.has(s.id)));
  return {
    present: [...stand.present],
    dead: [...stand.dead],
    positions: Object.fromEntries(stand.at),
    inverters: Object.fromEntries(does),
    origins: origins.map((s): Origin => {
      const node = sourceNode(s.id);
      const same = (x: string) => neutral.find(x) === neutral.find(node);
      return {
        sourceId: s.id,
        panels: acPanels.filter((p) => live.find(panelNode(p.id)) === live.find(node)).map((p) => p.id),
        bonds: bonds.filter((b) => same(b.node)).map(({ at, kind, id }) => ({ at, kind, id })),
        paralleled: origins.some((o) => o.id !== s.id && live.find(sourceNode(o.id)) === live.find(node)),
      };
    }),
  };
}

/** What joins neutral and earth in this state. A relay of an inverter's own closes only while it inverts; a fixed link always; the joint ashore while the lead is in. */
function bondsOf(
  design: AcParts,
  does: ReadonlyMap<string, InverterDoes>,
  leadIn: (sourceId: string) => boolean,
): (Bond & { readonly node: string })[] {
  const at = (s: AcSource, words: string) => ({ at: words, kind: 'source' as const, id: s.id, node: sourceNode(s.id) });
  return [
    ...design.acSources.flatMap((s): (Bond & { readonly node: string })[] => {
      if (s.kind === 'shore') {
        if (s.shore?.isolation === 'isolation transformer') return [at(s, `${s.name}, secondary of the transformer`)];
        return leadIn(s.id) ? [{ at: `ashore, for ${s.name}`, kind: 'ashore' as const, id: s.id, node: sourceNode(s.id) }] : [];
      }
      if (!s.bonded) return [];
      if (s.kind === 'generator') return [at(s, `${s.name}, at the generator`)];
      // One that passes nothing on has a link for good.
      if (s.inverter?.passA == null) return [at(s, `${s.name}, at the inverter`)];
      return does.get(s.id) === 'inverting' ? [at(s, `${s.name}, by its own relay`)] : [];
    }),
    ...design.acPanels
      .filter((p) => p.linked)
      .map((p) => ({ at: `a link in ${p.name}`, kind: 'panel' as const, id: p.id, node: panelNode(p.id) })),
  ];
}

const known = new WeakMap<AcParts['acCircuits'], { readonly of: AcParts; readonly states: readonly AcState[] }>();

/**
 * Every combination of what is present (a lead in with its pedestal live, in with it dead, or out), how the transfers stand, midway too, and
 * what the inverters do, in which something is live; MOST_STATES at most.
 */
export function statesOf(design: AcParts): readonly AcState[] {
  const { acSources, acPanels, acCircuits } = design;
  const before = known.get(acCircuits);
  if (before && before.of.acSources === acSources && before.of.acPanels === acPanels) return before.states;
  const states = computed(design);
  known.set(acCircuits, { of: design, states });
  return states;
}

function computed(design: AcParts): readonly AcState[] {
  const { acSources, acPanels, acCircuits } = design;
  const externals = acSources.filter((s) => s.kind !== 'inverter');
  const inverters = acSources.filter((s) => s.kind === 'inverter').map((s) => s.id);
  const passing = acSources.filter((s) => s.inverter?.passA != null).map((s) => s.id);
  const leads = acSources.filter((s) => s.kind === 'shore').map((s) => s.id);
  const choices = acPanels.flatMap((p) => {
    const feeders = acCircuits.filter((c) => c.to?.kind === 'panel' && c.to.id === p.id);
    return feeders.length > 1 && p.transfer !== 'none' ? [{ panel: p, feeders }] : [];
  });
  const out: AcState[] = [];
  const seen = new Set<string>();
  const put = (stand: Stand) => {
    if (out.length >= MOST_STATES) return;
    const state = standsAs(design, stand);
    const id = [
      ...state.present,
      ...state.dead.map((s) => `${s}:dead`),
      ...Object.entries(state.positions).map(([p, f]) => `${p}=${f ?? 'off'}`),
      ...Object.entries(state.inverters).map(([i, d]) => `${i}:${d}`),
    ].join(' ');
    if (state.origins.length === 0 || seen.has(id)) return;
    seen.add(id);
    out.push({ id, name: nameOf(design, state), ...state });
  };
  for (const dead of subsets(leads))
    for (const present of subsets(externals.map((s) => s.id).filter((id) => !dead.includes(id))))
      for (const between of subsets(present.length > 0 ? passing : []))
        for (const on of subsets(inverters))
          for (const at of positions(choices, (feeder) => reaches(design, feeder, present, on))) {
            if (out.length >= MOST_STATES) return out;
            put({ present: new Set(present), dead: new Set(dead), on: new Set(on), between: new Set(between), at });
          }
  return out;
}

/** Whether a feeder's own beginning is live with these sources there: what a relay turns to. */
function reaches(design: AcParts, feeder: AcCircuit, present: readonly string[], on: readonly string[]): boolean {
  const seen = new Set<string>();
  const alive = (kind: 'source' | 'panel', id: string): boolean => {
    if (kind === 'source') {
      if (present.includes(id) || on.includes(id)) return true;
      const s = rowOf(design.acSources, id);
      return s?.inverter?.passA != null && design.acCircuits.some((c) => c.to?.kind === 'inverter' && c.to.id === id && next(c));
    }
    return design.acCircuits.some((c) => c.to?.kind === 'panel' && c.to.id === id && next(c));
  };
  const next = (c: AcCircuit): boolean => {
    if (seen.has(c.id)) return false;
    seen.add(c.id);
    return alive(c.from.kind, c.from.id);
  };
  return next(feeder);
}

function subsets(ids: readonly string[]): string[][] {
  return ids.reduce<string[][]>((all, id) => [...all, ...all.map((s) => [...s, id])], [[]]);
}

interface ChoiceOf {
  readonly panel: AcPanel;
  readonly feeders: readonly AcCircuit[];
}

/** By hand every position and off; a relay goes to the first of its feeders that is live, and is caught on its way there. */
function positions(choices: readonly ChoiceOf[], isLive: (feeder: AcCircuit) => boolean): ReadonlyMap<string, string | null>[] {
  return choices.reduce<Map<string, string | null>[]>(
    (all, { panel, feeders }) => {
      const ways = panel.transfer === 'relay' ? [feeders.find(isLive)?.id ?? null, null] : [...feeders.map((f) => f.id), null];
      return all.flatMap((m) => ways.map((w) => new Map(m).set(panel.id, w)));
    },
    [new Map()],
  );
}

function nameOf(design: AcParts, state: Omit<AcState, 'id' | 'name'>): string {
  const there = design.acSources.flatMap((s) => {
    if (state.dead.includes(s.id)) return [`${s.name} in with the pedestal dead`];
    return state.present.includes(s.id) ? [s.kind === 'shore' ? `${s.name} in` : `${s.name} running`] : [];
  });
  const turned = Object.entries(state.positions).map(([panelId, feeder]) => {
    const panel = rowOf(design.acPanels, panelId);
    const to = rowOf(design.acCircuits, feeder);
    const from = to && (to.from.kind === 'source' ? design.acSources : design.acPanels).find((x) => x.id === to.from.id);
    if (!from) return `${panel?.name ?? ''} ${panel?.transfer === 'relay' ? 'between two feeds' : 'off'}`;
    return `${panel?.name ?? ''} on ${from.name}`;
  });
  const inverting = Object.entries(state.inverters)
    .filter(([, does]) => does !== 'off')
    .map(([id, does]) => `${rowOf(design.acSources, id)?.name ?? ''} ${does === 'between' ? 'between the two' : does}`);
  return [...there, ...turned, ...inverting].join(', ');
}
