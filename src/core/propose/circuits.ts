/** Circuits for loads that have none: which share a way, in what order they are tapped, and what feeds the panels. A person regroups them. */
import {
  type Bank,
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
import { demandItem, feederDemand, isCharging, loadCurrent, studyVolts } from '../demand';
import { isAloft, loadPoint, mastFoot, panelPoint, pathM, placePoint } from '../topology';
import { bankFor, blockFamily, HEAVY_A, ratedAmps as amps, smallElectronics } from './livesOn';

export interface Proposal {
  readonly panels: readonly Panel[];
  readonly circuits: readonly Circuit[];
}

/** Loads share a way up to this sum, A, and this many. */
const SHARED_A = 10;
const SHARED_LOADS = 8;

/** May this load share its way? Pumps, refrigeration, electronics of consequence and makers' own fuses want their own. */
const shares = (load: Load): boolean =>
  (load.group === 'lights' || load.group === 'comfort' || load.group === 'other') &&
  load.makerFuseA === null &&
  amps(load) <= SHARED_A / 2 &&
  load.surgeA === null;

/** Of the break at the foot of a mast: the next rating of what is made that bears a quarter more than flows, A. */
const PLUG_A = [5, 10, 16, 25, 50] as const;

/** Ways of the fuse blocks that are made. */
const BLOCK_WAYS = [4, 6, 8, 10, 12] as const;

const drawn = (loads: readonly Load[]): number => loads.reduce((sum, l) => sum + amps(l), 0);

const ISOLATOR_A = [50, 100, 150, 200, 300, 450, 600] as const;

/** What hangs on a bus or a bank has no panel's breaker. */
const switched = ({ supply }: Load): Circuit['supply'] => (supply === 'panel breaker' ? 'house switch' : supply);

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
  const house = design.banks.find((b) => b.job === 'house') ?? design.banks[0];
  if (!house || loose.length === 0) return { panels: [], circuits: [] };
  const bankOf = (load: Load): Bank => bankFor(design, load) ?? house;
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
  /** A fuse block behind a panel's way: nothing else is hung on it, now or later. */
  const isBlock = (p: Panel): boolean => fedBy(p.id)?.supply === 'panel breaker';
  /** The bank a panel hangs on in the end; null: none, or it feeds itself. */
  const rootOf = (panelId: string, seen: ReadonlySet<string> = new Set()): string | null => {
    const from = seen.has(panelId) ? undefined : fedBy(panelId)?.from;
    if (!from) return null;
    return from.kind === 'bank' ? from.id : rootOf(from.id, new Set([...seen, panelId]));
  };
  /** The bus of a bank and a supply class; made beside the bank when the vessel has none. */
  const busFor = (bank: Bank, live: boolean): Panel => {
    const isLive = (p: Panel) =>
      fedBy(p.id)?.supply === 'always live' && (fedBy(p.id)?.devices.every((d) => d.kind !== 'battery switch') ?? false);
    const known = all().find((p) => p.kind === 'bus' && rootOf(p.id) === bank.id && isLive(p) === live);
    if (known) return known;
    const whose = bank.id === house.id ? '' : `${bank.name} `;
    const titled = (name: string) => (whose ? whose + name.toLowerCase() : name);
    const bus = blankPanel(freshId('p'), titled(live ? 'Always-live bus' : 'Main bus'), 'bus', bank.placeId);
    panels.push(bus);
    feed(
      bus,
      { kind: 'bank', id: bank.id },
      live ? 'always live' : 'house switch',
      titled(live ? 'Always-live feed' : 'Main'),
      live ? [] : [blankDevice('switch', 'battery switch')],
    );
    return bus;
  };
  const spare = (p: Panel) =>
    p.ways - [...design.circuits, ...circuits].filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
  /** Loads fed through a panel, also by way of another. */
  const behind = (panelId: string, seen: ReadonlySet<string> = new Set()): Load[] =>
    [...design.circuits, ...circuits]
      .filter((c) => c.from.kind === 'panel' && c.from.id === panelId)
      .flatMap((c) => c.taps)
      .flatMap(({ serves: { kind, id } }) => {
        if (kind === 'load') return rowOf(design.loads, id) ?? [];
        return seen.has(id) ? [] : behind(id, new Set([...seen, id]));
      });
  /** Whether a panel takes so many more: its feeder's device, over the demand of all, may be no larger than the panel. */
  const takes = (p: Panel, more: readonly Load[]): boolean => {
    if (p.maxTotalA === null) return true;
    const volts = studyVolts(design, undefined);
    const items = [...behind(p.id), ...more].map((l) => demandItem(l, loadCurrent(l, volts), []));
    const { demandA } = feederDemand(design.boat.ruleSet, items, design.house.diversity);
    return demandA * design.house.protectionOverLoad <= p.maxTotalA;
  };
  const panelFor = (bank: Bank, near: Point, more: readonly Load[]): Panel => {
    const open = all().filter(
      (p) => p.kind === 'panel' && !isBlock(p) && spare(p) > 0 && takes(p, more) && (rootOf(p.id) ?? bank.id) === bank.id,
    );
    const nearest = open.reduce<Panel | null>(
      (best, p) => (best && pathM(panelPoint(design, best), near, 0) <= pathM(panelPoint(design, p), near, 0) ? best : p),
      null,
    );
    if (nearest) {
      if (!fedBy(nearest.id)) feed(nearest, { kind: 'panel', id: busFor(bank, false).id }, 'house switch', `${nearest.name} feeder`);
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
    feed(panel, { kind: 'panel', id: busFor(bank, false).id }, 'house switch', `${panel.name} feeder`);
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
    const asked = 1.25 * drawn(loads);
    return [{ ...blankDevice(freshId('d'), 'plug'), placeId: foot.id, ratingA: PLUG_A.find((a) => a >= asked) ?? null }];
  };
  /**
   * An inverter asleep looks dead: an isolator in its positive, to be opened and locked before anything is touched. What somebody wants always
   * live is not switched unasked: Check asks, and puts it in.
   */
  const disconnectOf = (loads: readonly Load[], supply: Circuit['supply']): Circuit['devices'] => {
    const inverter = loads.find((l) => kindOf(l) === 'inverter');
    if (!inverter || supply === 'always live') return [];
    const asked = 1.25 * drawn(loads);
    return [{ ...blankDevice(freshId('d'), 'isolator'), placeId: inverter.placeId, ratingA: ISOLATOR_A.find((a) => a >= asked) ?? null }];
  };
  const add = (panel: Panel, supply: Circuit['supply'], name: string, loads: readonly Load[]) =>
    addFrom({ kind: 'panel', id: panel.id }, panelPoint(design, panel), supply, name, loads);
  const addFrom = (
    from: Circuit['from'],
    start: Point,
    supply: Circuit['supply'],
    name: string,
    loads: readonly Load[],
    devices: Circuit['devices'] = [],
  ) => {
    const id = freshId('c');
    const ordered = chain(design, start, loads);
    circuits.push({
      ...blankCircuit(id, nextNo(), name, from),
      supply,
      stepDown: true,
      devices: [...devices, ...disconnectOf(ordered, supply), ...breakAtFoot(ordered)],
      taps: ordered.map((load, i) => ({
        id: `${id}-${i + 1}`,
        parent: i === 0 ? null : `${id}-${i}`,
        serves: { kind: 'load' as const, id: load.id },
        tapedM: null,
      })),
    });
  };

  /** Small electronics of one panel behind one of its breakers: a block with a small fuse for each, as their makers ask. */
  const block = (bank: Bank, loads: readonly Load[]) => {
    const [first] = loads;
    if (!first) return;
    const behind = panelFor(bank, loadPoint(design, first), loads);
    const name = uniqueName('Electronics block');
    const fuses: Panel = {
      ...blankPanel(freshId('p'), name, 'panel', behind.placeId),
      family: blockFamily(design, bank),
      ways: BLOCK_WAYS.find((w) => w > loads.length) ?? loads.length + 1,
      maxTotalA: 100,
      maxWayA: 30,
    };
    panels.push(fuses);
    feed(fuses, { kind: 'panel', id: behind.id }, 'panel breaker', name);
    for (const load of loads) add(fuses, load.supply, load.name, [load]);
  };
  const uniqueName = (name: string): string => {
    const taken = new Set(all().map((p) => p.name));
    let made = name;
    for (let n = 2; taken.has(made); n++) made = `${name} ${n}`;
    return made;
  };

  const shared = new Map<string, Load[]>();
  const small = smallElectronics(design, loose);
  for (const load of loose) {
    const bank = bankOf(load);
    if (small.some((of) => of.includes(load))) continue;
    // A heavy feed on the always-live bus would bring the bank's whole short to the small devices on it.
    if (load.supply === 'always live' && amps(load) >= HEAVY_A)
      addFrom({ kind: 'bank', id: bank.id }, placePoint(design, bank.placeId), 'always live', load.name, [load]);
    // A bank for one job feeds it through a switch of its own: no bus between them.
    else if (bank.id !== house.id && amps(load) >= HEAVY_A)
      addFrom(
        { kind: 'bank', id: bank.id },
        placePoint(design, bank.placeId),
        switched(load),
        load.name,
        [load],
        [{ ...blankDevice('switch', 'battery switch'), placeId: bank.placeId }],
      );
    else if (load.supply === 'always live') add(busFor(bank, true), 'always live', load.name, [load]);
    // What charges goes to the bus: through a panel's feeder it would share its volts with everything there.
    else if (amps(load) >= HEAVY_A || isCharging(load)) add(busFor(bank, false), switched(load), load.name, [load]);
    else if (!shares(load)) add(panelFor(bank, loadPoint(design, load), [load]), load.supply, load.name, [load]);
    else {
      const half = loadPoint(design, load).x > design.boat.lengthM / 2 ? 'forward' : 'aft';
      const key = `${load.group}:${load.supply}:${goesAloft(load) ? 'aloft' : half}:${bank.id}`;
      shared.set(key, [...(shared.get(key) ?? []), load]);
    }
  }
  for (const of of small) block(bankOf(of[0] as Load), of);
  for (const [key, loads] of shared) {
    const [group = '', , half = ''] = key.split(':');
    const near = placePoint(design, loads[0]?.placeId ?? null);
    const title = `${group.charAt(0).toUpperCase()}${group.slice(1)}, ${half}`;
    let batch: Load[] = [];
    const flush = () => {
      const [first] = batch;
      if (first) add(panelFor(bankOf(first), near, batch), first.supply, batch.length === 1 ? first.name : title, batch);
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
