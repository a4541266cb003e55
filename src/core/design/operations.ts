/** What people do to a design in one act, as ops: many rows at once, a tap to another circuit, a thing with all that hangs on it. */
import { rowGoesOver } from './machineFigures';
import { rowOf } from './rowOf';
import { addOp, dropOp, dropOps, type ListName, type Op, setOp } from './edit';
import type { Circuit, Design, Tap } from './schema';

/** Rows by list, in the order they are added. */
export type Rows = { readonly [K in ListName]?: readonly Design[K][number][] };

const LISTS_IN_ORDER: readonly ListName[] = [
  'panels',
  'circuits',
  'bars',
  'leads',
  'smallLeads',
  'gauges',
  'mounts',
  'acSources',
  'acPanels',
  'acLoads',
  'acCircuits',
  'studies',
  'loads',
  'places',
  'banks',
  'sources',
  'joins',
];

/** Adds rows to the ends of their lists, each after the one before it. */
export function addRows(design: Design, rows: Rows): Op[] {
  return LISTS_IN_ORDER.flatMap((list) => {
    const fresh: readonly { readonly id: string }[] = rows[list] ?? [];
    let after = design[list][design[list].length - 1]?.id ?? null;
    return fresh.map((row) => {
      const op = addOp(design, list, row, after);
      after = row.id;
      return op;
    });
  });
}

/** The design with those rows at the ends of their lists. */
export function withRows(design: Design, rows: Rows): Design {
  const lists = LISTS_IN_ORDER.flatMap((list) => (rows[list]?.length ? [[list, [...design[list], ...rows[list]]]] : []));
  return lists.length > 0 ? { ...design, ...(Object.fromEntries(lists) as Partial<Design>) } : design;
}

export const rowCount = (rows: Rows): number => LISTS_IN_ORDER.reduce((sum, list) => sum + (rows[list]?.length ?? 0), 0);

type Taps = Circuit['taps'];

/** Without some taps; what hung on one hangs on the nearest that stays, toward the way. */
export function withoutTaps(taps: Taps, gone: ReadonlySet<string>): Tap[] {
  const parentOf = new Map(taps.map((t) => [t.id, t.parent]));
  const kept = (id: string | null): string | null => {
    let at = id;
    while (at !== null && gone.has(at)) at = parentOf.get(at) ?? null;
    return at;
  };
  return taps.filter((t) => !gone.has(t.id)).map((t) => (t.parent !== null && gone.has(t.parent) ? { ...t, parent: kept(t.parent) } : t));
}

/** With a tap added at the far end of the run; its taped length no longer holds. */
export function withTap(taps: Taps, tap: Tap): Tap[] {
  const id = taps.some((t) => t.id === tap.id) ? `${tap.id}x`.slice(0, 40) : tap.id;
  return [...taps, { ...tap, id, parent: taps[taps.length - 1]?.id ?? null, tapedM: null }];
}

/** The tap one earlier or later along a simple run; every tap hangs on the one before it afterwards. null at either end. */
export function shiftedTap(taps: Taps, id: string, by: -1 | 1): Tap[] | null {
  const at = taps.findIndex((t) => t.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= taps.length) return null;
  const order = [...taps];
  const [tap] = order.splice(at, 1) as [Tap];
  order.splice(to, 0, tap);
  return order.map((t, i) => ({
    ...t,
    parent: order[i - 1]?.id ?? null,
    tapedM: t.parent === (order[i - 1]?.id ?? null) ? t.tapedM : null,
  }));
}

/** Hangs a tap on another one, or on the way itself: a branch of the run. null when that would close a ring. */
export function tapHungOn(taps: Taps, id: string, parent: string | null): Tap[] | null {
  for (let at = parent; at !== null; at = taps.find((t) => t.id === at)?.parent ?? null) if (at === id) return null;
  const moved = taps.map((t) => (t.id === id ? { ...t, parent, tapedM: null } : t));
  const placed: Tap[] = [];
  while (placed.length < moved.length) {
    const next = moved.find((t) => !placed.includes(t) && (t.parent === null || placed.some((p) => p.id === t.parent)));
    if (!next) return null;
    placed.push(next);
  }
  return placed;
}

/** Takes a tap from its circuit to the end of another's run. Empty where either is gone or they are one. */
export function moveTap(design: Design, tapId: string, toCircuitId: string): Op[] {
  const from = design.circuits.find((c) => c.taps.some((t) => t.id === tapId));
  const to = rowOf(design.circuits, toCircuitId);
  const tap = from?.taps.find((t) => t.id === tapId);
  if (!from || !to || !tap || from.id === to.id) return [];
  return [
    setOp(design, ['circuits', from.id, 'taps'], withoutTaps(from.taps, new Set([tapId]))),
    setOp(design, ['circuits', to.id, 'taps'], withTap(to.taps, tap)),
  ];
}

/** Takes a tap to a new circuit from the same source. Empty where it is gone. @param fresh the circuit as it is to be, without taps. */
export function tapApart(design: Design, tapId: string, fresh: Circuit): Op[] {
  const from = design.circuits.find((c) => c.taps.some((t) => t.id === tapId));
  const tap = from?.taps.find((t) => t.id === tapId);
  if (!from || !tap) return [];
  return [
    setOp(design, ['circuits', from.id, 'taps'], withoutTaps(from.taps, new Set([tapId]))),
    addOp(design, 'circuits', { ...fresh, from: from.from, supply: from.supply, taps: [{ ...tap, parent: null, tapedM: null }] }),
  ];
}

/** Takes loads off the boat, and off the circuits that serve them. */
export function removeLoads(design: Design, ids: readonly string[]): Op[] {
  const gone = new Set(ids);
  const served = design.circuits.flatMap((c) => {
    const taps = new Set(c.taps.filter((t) => t.serves.kind === 'load' && gone.has(t.serves.id)).map((t) => t.id));
    return taps.size > 0 ? [setOp(design, ['circuits', c.id, 'taps'], withoutTaps(c.taps, taps))] : [];
  });
  return [...served, ...dropOps(design, 'loads', ids)];
}

/** Takes AC appliances away, out of the runs that serve them and of what is wanted together, too. */
export function removeAcLoads(design: Design, ids: readonly string[]): Op[] {
  const gone = new Set(ids);
  const kept = (from: readonly string[]) => from.filter((id) => !gone.has(id));
  const served = design.acCircuits.flatMap((c) =>
    c.loadIds.some((id) => gone.has(id)) ? [setOp(design, ['acCircuits', c.id, 'loadIds'], kept(c.loadIds))] : [],
  );
  const { wanted } = design.acRules;
  return [
    ...served,
    ...(wanted.some((id) => gone.has(id)) ? [setOp(design, ['acRules', 'wanted'], kept(wanted))] : []),
    ...dropOps(design, 'acLoads', ids),
  ];
}

/** Takes a panel away with the taps that feed it. null while circuits start at it: they go elsewhere first. */
export function removePanel(design: Design, id: string): Op[] | null {
  if (design.circuits.some((c) => c.from.kind === 'panel' && c.from.id === id)) return null;
  const feeders = design.circuits.flatMap((c) => {
    const taps = new Set(c.taps.filter((t) => t.serves.kind === 'panel' && t.serves.id === id).map((t) => t.id));
    return taps.size > 0 ? [setOp(design, ['circuits', c.id, 'taps'], withoutTaps(c.taps, taps))] : [];
  });
  const parts = design.panels.flatMap((p) => (p.partOfId === id ? [setOp(design, ['panels', p.id, 'partOfId'], null)] : []));
  const drop = dropOp(design, 'panels', id);
  return drop ? [...feeders, ...parts, drop] : [...feeders, ...parts];
}

const smallLeadsOf = (design: Design, sourceId: string) => design.smallLeads.filter((l) => l.sourceId === sourceId);
/** The small leads of one source become another's. */
const smallLeadsTo = (design: Design, from: string, to: string): Op[] =>
  smallLeadsOf(design, from).map((l) => setOp(design, ['smallLeads', l.id, 'sourceId'], to));

/** Without a source; the first of its candidates takes its place on the list, the others become candidates of that one. */
export function removeSource(design: Design, id: string): Op[] {
  const [first, ...others] = design.sources.filter((s) => s.insteadOfId === id);
  const drop = dropOp(design, 'sources', id);
  return [
    ...(first ? [setOp(design, ['sources', first.id, 'insteadOfId'], null)] : []),
    ...others.map((s) => setOp(design, ['sources', s.id, 'insteadOfId'], first?.id ?? null)),
    ...(drop ? [drop] : []),
    ...(first ? smallLeadsTo(design, id, first.id) : smallLeadsOf(design, id).map((l) => dropOp(design, 'smallLeads', l.id))).flatMap(
      (op) => op ?? [],
    ),
  ];
}

/**
 * A candidate in the place of the source it may replace, which becomes the candidate: bank, tie, place, cable and AC side go over to it where it has
 * none of its own. null where it is no candidate, or what it may replace is gone.
 */
export function takeCandidate(design: Design, candidateId: string): Op[] | null {
  const next = rowOf(design.sources, candidateId);
  const was = rowOf(design.sources, next?.insteadOfId);
  if (!next || !was || was.id === next.id) return null;
  const set = (id: string, key: string, to: unknown) => setOp(design, ['sources', id, key], to);
  const over = (['bankId', 'joinId', 'fromBankId', 'loadId', 'placeId'] as const).flatMap((key) =>
    next[key] === null && was[key] !== null ? [set(next.id, key, was[key])] : [],
  );
  const led = (id: string) => design.leads.some((l) => [l.from, l.to].some((e) => e.kind === 'source' && e.id === id));
  const ends = led(next.id)
    ? []
    : design.leads.flatMap((l) =>
        (['from', 'to'] as const).flatMap((end) =>
          l[end].kind === 'source' && l[end].id === was.id ? [setOp(design, ['leads', l.id, end], { ...l[end], id: next.id })] : [],
        ),
      );
  return [
    set(next.id, 'insteadOfId', null),
    ...over,
    ...(next.loadId === null && was.loadId !== null ? [...rowGoesOver(design, was, next), set(was.id, 'loadId', null)] : []),
    set(was.id, 'insteadOfId', next.id),
    ...design.sources.flatMap((s) => (s.insteadOfId === was.id && s.id !== next.id ? [set(s.id, 'insteadOfId', next.id)] : [])),
    ...ends,
    ...(smallLeadsOf(design, next.id).length > 0 ? [] : smallLeadsTo(design, was.id, next.id)),
    ...design.acLoads.flatMap((l) => (l.chargerId === was.id ? [setOp(design, ['acLoads', l.id, 'chargerId'], next.id)] : [])),
    ...design.acSources.flatMap((s) =>
      s.inverter?.chargerId === was.id ? [setOp(design, ['acSources', s.id, 'inverter', 'chargerId'], next.id)] : [],
    ),
  ];
}

/** Ids for new rows that no row of the design has: prefix and a number. */
export function idsFor(design: Design): (prefix: string) => string {
  const taken = new Set<string>();
  for (const list of LISTS_IN_ORDER) for (const row of design[list]) taken.add(row.id);
  let n = 0;
  return (prefix) => {
    let id: string;
    do id = `${prefix}${++n}`;
    while (taken.has(id));
    return id;
  };
}
