/** Circuits for loads that have none: which share a way, in what order they are tapped, and what feeds the panels. A person regroups them. */
import {
  blankCircuit,
  blankDevice,
  blankPanel,
  type Circuit,
  type Design,
  kindOf,
  type Load,
  type Panel,
  type Point,
  rowOf,
} from '../design';
import { isCharging } from '../demand';
import { isAloft, loadPoint, mastFoot, panelPoint, pathM, placePoint } from '../topology';

export interface Proposal {
  readonly panels: readonly Panel[];
  readonly circuits: readonly Circuit[];
}

/** A load of this many amps, or more, goes to the main bus with protection of its own. */
const HEAVY_A = 30;
/** Loads share a way up to this sum, A, and this many. */
const SHARED_A = 10;
const SHARED_LOADS = 8;

const amps = (load: Load): number => (load.ratingBy === 'A' ? load.rating : load.rating / load.nominalV) * load.quantity;

/** May this load share its way? Pumps, refrigeration, electronics of consequence and makers' own fuses want their own. */
const shares = (load: Load): boolean =>
  (load.group === 'lights' || load.group === 'comfort' || load.group === 'other') &&
  load.makerFuseA === null &&
  amps(load) <= SHARED_A / 2 &&
  load.surgeA === null;

/** Of the break at the foot of a mast: the next rating of what is made that bears a quarter more than flows, A. */
const PLUG_A = [5, 10, 16, 25, 50] as const;

const ISOLATOR_A = [50, 100, 150, 200, 300, 450, 600] as const;

/** Loads in the order a cable would meet them: nearest to the last first. */
function chain(design: Design, start: Point, loads: readonly Load[]): Load[] {
  const left = [...loads];
  const out: Load[] = [];
  let at = start;
  while (left.length > 0) {
    let best = 0;
    left.forEach((l, i) => {
      if (pathM(at, loadPoint(design, l), 0) < pathM(at, loadPoint(design, left[best] as Load), 0)) best = i;
    });
    const [next] = left.splice(best, 1) as [Load];
    out.push(next);
    at = loadPoint(design, next);
  }
  return out;
}

/**
 * Proposes panels, feeders and circuits for every load without a circuit. Pure; ids come from freshId.
 * Heavy loads hang on the main bus, always-live ones on a bus before the house switch, the rest on the nearest panel.
 */
export function proposeCircuits(design: Design, freshId: (prefix: string) => string): Proposal {
  const onCircuit = new Set(design.circuits.flatMap((c) => c.taps.flatMap((t) => (t.serves.kind === 'load' ? [t.serves.id] : []))));
  const loose = design.loads.filter((l) => !onCircuit.has(l.id));
  const bank = design.banks[0];
  if (!bank || loose.length === 0) return { panels: [], circuits: [] };
  const panels: Panel[] = [];
  const circuits: Circuit[] = [];
  let no = design.circuits.reduce((most, c) => Math.max(most, Number.parseInt(c.no, 10) || 0), 0);
  const nextNo = () => String(++no);
  const fedBy = (panelId: string): Circuit | undefined =>
    [...design.circuits, ...circuits].find((c) => c.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === panelId));
  const feed = (panel: Panel, from: Circuit['from'], supply: Circuit['supply'], name: string, devices: Circuit['devices'] = []) => {
    const id = freshId('c');
    circuits.push({
      ...blankCircuit(id, nextNo(), name, from),
      supply,
      devices,
      stepDown: true,
      taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: panel.id }, tapedM: null }],
    });
  };
  const all = () => [...design.panels, ...panels];
  /** The bus of a supply class; made beside the bank when the vessel has none. */
  const busFor = (live: boolean): Panel => {
    const isLive = (p: Panel) =>
      fedBy(p.id)?.supply === 'always live' && (fedBy(p.id)?.devices.every((d) => d.kind !== 'battery switch') ?? false);
    const known = all().find((p) => p.kind === 'bus' && fedBy(p.id) && isLive(p) === live);
    if (known) return known;
    const bus = blankPanel(freshId('p'), live ? 'Always-live bus' : 'Main bus', 'bus', bank.placeId);
    panels.push(bus);
    feed(
      bus,
      { kind: 'bank', id: bank.id },
      live ? 'always live' : 'house switch',
      live ? 'Always-live feed' : 'Main',
      live ? [] : [blankDevice('switch', 'battery switch')],
    );
    return bus;
  };
  const spare = (p: Panel) =>
    p.ways - [...design.circuits, ...circuits].filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
  const panelFor = (near: Point): Panel => {
    const open = all().filter((p) => p.kind === 'panel' && spare(p) > 0);
    const nearest = open.reduce<Panel | null>(
      (best, p) => (best && pathM(panelPoint(design, best), near, 0) <= pathM(panelPoint(design, p), near, 0) ? best : p),
      null,
    );
    if (nearest) {
      if (!fedBy(nearest.id)) feed(nearest, { kind: 'panel', id: busFor(false).id }, 'house switch', `${nearest.name} feeder`);
      return nearest;
    }
    const chart = rowOf(design.places, 'chart') ?? design.places.find((p) => !p.wet && !p.engineSpace);
    const count = all().filter((p) => p.kind === 'panel').length + 1;
    const panel: Panel = {
      ...blankPanel(freshId('p'), `Panel ${count}`, 'panel', chart?.id ?? null),
      family: 'panel-breaker',
      ways: 24,
      maxTotalA: 100,
    };
    panels.push(panel);
    feed(panel, { kind: 'panel', id: busFor(false).id }, 'house switch', `${panel.name} feeder`);
    return panel;
  };
  const placeOf = (load: Load) => rowOf(design.places, load.placeId);
  const goesAloft = (load: Load): boolean => {
    const place = placeOf(load);
    return place !== undefined && isAloft(place);
  };
  /** A run up the mast is parted at its foot, so that the mast can be taken out. */
  const breakAtFoot = (loads: readonly Load[]): Circuit['devices'] => {
    const above = loads.map(placeOf).find((p) => p !== undefined && isAloft(p));
    const foot = above && mastFoot(design.places, above);
    if (!foot) return [];
    const asked = 1.25 * loads.reduce((sum, l) => sum + amps(l), 0);
    return [{ ...blankDevice(freshId('d'), 'plug'), placeId: foot.id, ratingA: PLUG_A.find((a) => a >= asked) ?? null }];
  };
  /**
   * An inverter asleep looks dead: an isolator in its positive, to be opened and locked before anything is touched. What somebody wants always
   * live is not switched unasked: Check asks, and puts it in.
   */
  const disconnectOf = (loads: readonly Load[], supply: Circuit['supply']): Circuit['devices'] => {
    const inverter = loads.find((l) => kindOf(l) === 'inverter');
    if (!inverter || supply === 'always live') return [];
    const asked = 1.25 * loads.reduce((sum, l) => sum + amps(l), 0);
    return [{ ...blankDevice(freshId('d'), 'isolator'), placeId: inverter.placeId, ratingA: ISOLATOR_A.find((a) => a >= asked) ?? null }];
  };
  const add = (panel: Panel, supply: Circuit['supply'], name: string, loads: readonly Load[]) =>
    addFrom({ kind: 'panel', id: panel.id }, panelPoint(design, panel), supply, name, loads);
  const addFrom = (from: Circuit['from'], start: Point, supply: Circuit['supply'], name: string, loads: readonly Load[]) => {
    const id = freshId('c');
    const ordered = chain(design, start, loads);
    circuits.push({
      ...blankCircuit(id, nextNo(), name, from),
      supply,
      stepDown: true,
      devices: [...disconnectOf(ordered, supply), ...breakAtFoot(ordered)],
      taps: ordered.map((load, i) => ({
        id: `${id}-${i + 1}`,
        parent: i === 0 ? null : `${id}-${i}`,
        serves: { kind: 'load' as const, id: load.id },
        tapedM: null,
      })),
    });
  };

  const shared = new Map<string, Load[]>();
  for (const load of loose) {
    // A heavy feed on the always-live bus would bring the bank's whole short to the small devices on it.
    if (load.supply === 'always live' && amps(load) >= HEAVY_A)
      addFrom({ kind: 'bank', id: bank.id }, placePoint(design, bank.placeId), 'always live', load.name, [load]);
    else if (load.supply === 'always live') add(busFor(true), 'always live', load.name, [load]);
    // What charges goes to the bus: through a panel's feeder it would share its volts with everything there.
    else if (amps(load) >= HEAVY_A || isCharging(load))
      add(busFor(false), load.supply === 'panel breaker' ? 'house switch' : load.supply, load.name, [load]);
    else if (!shares(load)) add(panelFor(loadPoint(design, load)), load.supply, load.name, [load]);
    else {
      const half = loadPoint(design, load).x > design.boat.lengthM / 2 ? 'forward' : 'aft';
      const key = `${load.group}:${load.supply}:${goesAloft(load) ? 'aloft' : half}`;
      shared.set(key, [...(shared.get(key) ?? []), load]);
    }
  }
  for (const [key, loads] of shared) {
    const [group = '', , half = ''] = key.split(':');
    const near = placePoint(design, loads[0]?.placeId ?? null);
    const title = `${group.charAt(0).toUpperCase()}${group.slice(1)}, ${half}`;
    let batch: Load[] = [];
    const flush = () => {
      const [first] = batch;
      if (first) add(panelFor(near), first.supply, batch.length === 1 ? first.name : title, batch);
      batch = [];
    };
    for (const load of loads) {
      const sum = batch.reduce((s, l) => s + amps(l), amps(load));
      if (batch.length >= SHARED_LOADS || sum > SHARED_A) flush();
      batch.push(load);
    }
    flush();
  }
  return { panels, circuits };
}
