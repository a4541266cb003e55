/** The AC side proposed from what the other stations know: sources, panels with transfer, feeders, and branches for every appliance. */
import {
  type AcCircuit,
  type AcLoad,
  type AcPanel,
  type AcSource,
  blankAcCircuit,
  blankAcPanel,
  blankAcSource,
  chargerRow,
  type Design,
  inverterOf,
  kindOf,
  rowOf,
} from '../design';
import { nearestPlaces } from '../topology';
import { loose, outletA, SERVICES, vaOf } from '../ac';

export interface AcProposal {
  readonly acSources: readonly AcSource[];
  readonly acPanels: readonly AcPanel[];
  readonly acLoads: readonly AcLoad[];
  readonly acCircuits: readonly AcCircuit[];
}

/** Within a sentence: only the first letter is lowered, units keep theirs. */
const low = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

const isWet = (design: Design, placeId: string | null): boolean => {
  const p = rowOf(design.places, placeId);
  return p !== undefined && (p.wet || p.drips || p.engineSpace || /galley|head|deck|cockpit/i.test(p.name));
};

/** What is missing; rows already there stay as they are. @param freshId makes an id with a prefix. */
export function proposeAc(design: Design, freshId: (prefix: string) => string): AcProposal {
  const { boat } = design;
  const place = (...ids: string[]) => ids.find((id) => design.places.some((p) => p.id === id)) ?? null;
  const sources = [...design.acSources];
  const added: AcSource[] = [];
  const addSource = (s: AcSource) => {
    sources.push(s);
    added.push(s);
  };
  if (!sources.some((s) => s.kind === 'shore')) addSource(shoreAt(design, freshId('as'), place('lazarette', 'aft')));
  const run = design.living.some((l) => l.day.some((s) => s.what === 'generator'));
  if (run && !sources.some((s) => s.kind === 'generator'))
    addSource({ ...blankAcSource(freshId('as'), 'generator', boat), placeId: place('engine') });
  const known = new Set(sources.map((s) => s.inverter?.loadId));
  for (const row of design.loads.filter((l) => kindOf(l) === 'inverter' && !known.has(l.id))) {
    addSource(inverterOf(row, freshId('as'), boat));
  }
  const loads = chargersAsLoads(design, freshId);
  const panels = panelsFor(design, sources, freshId);
  const whole: Design = { ...design, acSources: sources, acPanels: panels.all, acLoads: [...design.acLoads, ...loads] };
  return { acSources: added, acPanels: panels.added, acLoads: loads, acCircuits: circuitsFor(whole, freshId) };
}

/** Shore power, with its isolator in the nearest dry and aired place. */
function shoreAt(design: Design, id: string, placeId: string | null): AcSource {
  const blank = blankAcSource(id, 'shore', design.boat);
  const [dry] = nearestPlaces(design, placeId, (p) => !p.wet && !p.drips && !p.vapour && !p.engineSpace);
  const isolator = { placeId: dry?.id ?? null, ratedA: blank.ratedA, earthM: null, earthSize: null };
  return { ...blank, placeId, shore: blank.shore && { ...blank.shore, isolator } };
}

/** Shore chargers stand among the appliances: dropped last but one, and turned down first. */
function chargersAsLoads(design: Design, freshId: (prefix: string) => string): AcLoad[] {
  const there = new Set(design.acLoads.map((l) => l.chargerId));
  return design.sources
    .filter((s) => s.kind === 'shore charger' && s.outputOf === null && !there.has(s.id))
    .map((s) => chargerRow(s, freshId('al')));
}

/** A main panel for what comes from ashore and the generator; one for what the inverter carries too. */
function panelsFor(design: Design, sources: readonly AcSource[], freshId: (prefix: string) => string) {
  const all = [...design.acPanels];
  const added: AcPanel[] = [];
  const at = design.panels.find((p) => p.kind === 'panel')?.placeId ?? rowOf(design.places, 'chart')?.id ?? null;
  const put = (p: AcPanel) => {
    all.push(p);
    added.push(p);
  };
  if (all.length === 0) {
    const external = sources.filter((s) => s.kind !== 'inverter').length;
    put({ ...blankAcPanel(freshId('ap'), at), name: 'AC main panel', transfer: external > 1 ? 'by hand' : 'none' });
    if (sources.some((s) => s.kind === 'inverter')) put({ ...blankAcPanel(freshId('ap'), at), name: 'Inverter panel', transfer: 'relay' });
  }
  return { all, added };
}

function circuitsFor(design: Design, freshId: (prefix: string) => string): AcCircuit[] {
  const { acPanels, acSources, acCircuits } = design;
  const [main, second] = acPanels;
  if (!main) return [];
  const out: AcCircuit[] = [];
  let no = acCircuits.length;
  const put = (name: string, from: AcCircuit['from'], more: Partial<AcCircuit>) =>
    out.push({ ...blankAcCircuit(freshId('ac'), `A${++no}`, name, from), labelled: true, ...more });
  const led = (kind: 'source' | 'panel', id: string) => acCircuits.some((c) => c.from.kind === kind && c.from.id === id && c.to !== null);
  const panelOf = (s: AcSource) => (s.kind === 'inverter' ? (second ?? main) : main);
  for (const s of acSources.filter((x) => x.kind !== 'inverter' && !led('source', x.id)))
    put(
      `Main, ${low(s.name)}`,
      { kind: 'source', id: s.id },
      { to: { kind: 'panel', id: main.id }, leakageMa: 30, cable: 'stranded three-core' },
    );
  if (second && !led('panel', main.id))
    put(`To ${low(second.name)}`, { kind: 'panel', id: main.id }, { to: { kind: 'panel', id: second.id } });
  for (const s of acSources.filter((x) => x.kind === 'inverter' && !led('source', x.id)))
    put(s.name, { kind: 'source', id: s.id }, { to: { kind: 'panel', id: panelOf(s).id }, leakageMa: 30 });
  for (const s of acSources.filter(
    (x) => x.inverter?.passA != null && !acCircuits.some((c) => c.to?.kind === 'inverter' && c.to.id === x.id),
  )) {
    const own = design.acLoads.filter((l) => l.chargerId !== null && l.chargerId === s.inverter?.chargerId && loose(design).has(l.id));
    put(`Input of ${low(s.name)}`, { kind: 'panel', id: main.id }, { to: { kind: 'inverter', id: s.id }, loadIds: own.map((l) => l.id) });
  }
  branches(
    { ...design, acCircuits: [...acCircuits, ...out] },
    acSources.some((s) => s.kind === 'inverter') && second ? second : main,
    main,
    put,
  );
  return out;
}

/** Whether some inverter aboard bears an appliance's start for as long as it takes. */
const starts = (design: Design, l: AcLoad): boolean =>
  l.surgeVa === null ||
  design.acSources.some(({ inverter: i }) =>
    i ? i.units * Math.max(i.va, ...i.surges.filter((s) => s.s >= (l.surgeS ?? 1)).map((s) => s.va)) >= (l.surgeVa ?? 0) : false,
  );

/** Fixed appliances of some weight one by one, chargers on the main panel; the rest plugged in, by place. */
function branches(
  design: Design,
  small: AcPanel,
  main: AcPanel,
  put: (name: string, from: AcCircuit['from'], more: Partial<AcCircuit>) => void,
): void {
  const { volts } = SERVICES[design.boat.acRegion];
  const inverterVa = Math.max(0, ...design.acSources.map((s) => s.inverter?.va ?? 0));
  const free = loose(design);
  const rows = design.acLoads.filter((l) => free.has(l.id));
  const fixed = rows.filter((l) => l.chargerId !== null || l.runsLong || vaOf(design, l) > volts * outletA(volts));
  const leakageMa = (placeId: string | null) => (isWet(design, placeId) ? (design.boat.ruleSet === 'awg' ? 5 : 10) : null);
  for (const l of fixed) {
    const panel = l.chargerId !== null || l.leg === 'both' || vaOf(design, l) > 0.5 * inverterVa || !starts(design, l) ? main : small;
    put(l.name, { kind: 'panel', id: panel.id }, { loadIds: [l.id] });
  }
  const plugged = new Map<string, AcLoad[]>();
  for (const l of rows.filter((x) => !fixed.includes(x))) {
    const panel = l.leg === 'both' || vaOf(design, l) > inverterVa ? main : small;
    const key = `${panel.id} ${l.placeId ?? ''}`;
    plugged.set(key, [...(plugged.get(key) ?? []), l]);
  }
  for (const [key, list] of plugged) {
    const panelId = key.split(' ')[0] ?? small.id;
    const placeId = list[0]?.placeId ?? null;
    const where = rowOf(design.places, placeId)?.name ?? 'cabin';
    put(
      `Outlets, ${low(where)}${panelId === main.id && small !== main ? ', mains only' : ''}`,
      { kind: 'panel', id: panelId },
      { loadIds: list.map((l) => l.id), outlets: 2, outletsWet: isWet(design, placeId), leakageMa: leakageMa(placeId), placeId },
    );
  }
}
