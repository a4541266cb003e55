/** Everything the tests on one circuit need, gathered once from the design. */
import { type Circuit, type Found, type HouseRules, type Load, type Panel, type Place, type Tap } from '../design';
import {
  type DayHour,
  type Demand,
  type DemandItem,
  feederDemand,
  isCharging,
  type LoadCurrent,
  type StudyVolts,
  type Surge,
  usualBy,
} from '../demand';
import type { Upstream } from './upstream';
import { deviceDropV, deviceOhm, RULE_SETS, type RuleSet, type School, AMBIENT_C, WORST_COPPER, CRANK_PCT } from '../rules';
import { foundInsulationC, foundLengths, foundOhm, standing } from './asFound';
import type { Duty, Surroundings } from '../conductor';

export interface TapInput {
  readonly tap: Tap;
  readonly parent: number;
  readonly estimatedM: number;
  readonly lengthM: number;
  readonly load: Load | null;
  readonly current: LoadCurrent | null;
  readonly panel: Panel | null;
  readonly name: string;
  /** Current at the tap itself and through the segment that leads to it, A. */
  readonly ownA: number;
  readonly segmentA: number;
  /** Drawn while nothing brief runs, A: what the drop of a feeder is computed with. */
  readonly fixedA: number;
  /** What a panel's loads draw through it in use as usual, by hour, then by hour with everything for safety on: what is fed from it is judged by it. */
  readonly steadyA: readonly number[];
  /** Its load as one of several; null of a panel. */
  readonly item: DemandItem | null;
  readonly powerW: number;
  /** Most its own run may lose, and the whole path to it, % of nominal; of a panel the run alone is judged. */
  readonly dropPct: number;
  readonly pathPct: number;
  readonly minV: number;
}

export interface CircuitInput {
  readonly circuit: Circuit;
  readonly school: School;
  readonly rules: RuleSet;
  readonly house: HouseRules;
  readonly systemV: number;
  readonly volts: StudyVolts;
  readonly upstream: Upstream;
  readonly taps: readonly TapInput[];
  readonly isFeeder: boolean;
  readonly demand: Demand | null;
  readonly workingA: number;
  /** Volts lost before the way, in the hour in which that is most while the circuit is in use, and that hour's place; null: none counts. */
  readonly upstreamDropV: number;
  readonly atHour: AtHour | null;
  readonly hours: readonly DayHour[];
  readonly surges: readonly Surge[];
  readonly duty: Duty | null;
  readonly places: readonly Place[];
  readonly surroundings: readonly Surroundings[];
  readonly insulationC: number;
  readonly bundled: number;
  /** Panel the way stands in; null at a bank. */
  readonly panel: Panel | null;
  readonly copperFactor: number;
  readonly lengthM: number;
  readonly runsLong: boolean;
  readonly minimumSize: HouseRules['minElectronics'];
  readonly ownTrip: boolean;
  /** The wire as found that stands here still; null where all is new. */
  readonly found: Found | null;
  /** Loop resistance and fixed drop of what is in line and of bad joints, ohm and V. */
  readonly inlineOhm: number;
  readonly inlineV: number;
}

export interface Gathered {
  readonly circuit: Circuit;
  readonly house: HouseRules;
  readonly school: School;
  readonly volts: StudyVolts;
  readonly upstream: Upstream;
  readonly panel: Panel | null;
  readonly places: readonly Place[];
  readonly lengths: readonly { readonly estimatedM: number; readonly lengthM: number }[];
  readonly loads: readonly (Load | null)[];
  readonly currents: readonly (LoadCurrent | null)[];
  /** Loads as parts of what flows, by tap. */
  readonly items: readonly (DemandItem | null)[];
  readonly hours: readonly DayHour[];
  readonly panels: readonly (Panel | null)[];
  readonly names: readonly string[];
  /** Items downstream of each tap (panels: all they feed), tightest drop class below, and surges below. */
  readonly downstream: readonly (readonly DemandItem[])[];
  readonly belowSurge: readonly (Surge | null)[];
}

/** An hour in which something is judged, and whether all that is for safety is on in it. */
export interface AtHour {
  readonly hour: number;
  readonly safetyOn: boolean;
}

export interface LostBefore {
  readonly volts: number;
  readonly at: AtHour | null;
}

/**
 * Volts lost before the way: feeders at what usually flows in them, in the worst hour in which one of the circuit's own loads has use, and of those
 * loads what the hour does not count already. What is for safety is judged with everything for safety on. What charges loses only by its own
 * current, the other way.
 */
export function lostBefore(
  { isFeeder, items, workingA }: { readonly isFeeder: boolean; readonly items: readonly (DemandItem | null)[]; readonly workingA: number },
  { lostV, dropV, hotOhm }: Upstream,
): LostBefore {
  if (isFeeder) return { volts: dropV, at: null };
  // Asked of every circuit at every edit: nothing is made on the way.
  let loads = 0;
  let charging = 0;
  let safetyOn = false;
  for (let i = 0; i < items.length; i++) {
    const l = items[i];
    if (!l) continue;
    loads++;
    if (l.charging) charging++;
    if (l.safety) safetyOn = true;
  }
  if (loads === 0) return { volts: dropV, at: null };
  if (charging === loads) return { volts: workingA * hotOhm, at: null };
  const hours = lostV.length / 2;
  let most = -Infinity;
  let at = -1;
  for (let hour = 0; hour < hours; hour++) {
    let countedA = 0;
    let used = false;
    for (let i = 0; i < items.length; i++) {
      const l = items[i];
      if (!l || l.charging) continue;
      const part = l.use[hour] ?? 0;
      if (part > 0) used = true;
      if (!l.brief) countedA += (safetyOn && l.safety ? 1 : part) * l.currentA;
    }
    const volts = (lostV[safetyOn ? hours + hour : hour] ?? 0) + Math.max(0, workingA - countedA) * hotOhm;
    if (used && volts > most) {
      most = volts;
      at = hour;
    }
  }
  return at < 0 ? { volts: dropV + workingA * hotOhm, at: null } : { volts: most, at: { hour: at, safetyOn } };
}

const itemsOf = ({ isFeeder, taps, workingA }: Pick<CircuitInput, 'isFeeder' | 'taps' | 'workingA'>) => ({
  isFeeder,
  items: taps.map((t) => t.item),
  workingA,
});

/** What is lost before a circuit's way, behind another path than its own. */
export const lostBeforeInput = (input: Pick<CircuitInput, 'isFeeder' | 'taps' | 'workingA'>, upstream: Upstream): LostBefore =>
  lostBefore(itemsOf(input), upstream);

/** The same circuit when only the steady state of what stands before it has moved. @param lost before its way now. */
export function drifted(input: CircuitInput, upstream: Upstream, { volts, at }: LostBefore): CircuitInput {
  // Written out: this is asked of most circuits at every edit, and a spread of so many fields takes twenty times as long.
  return {
    circuit: input.circuit,
    school: input.school,
    rules: input.rules,
    house: input.house,
    systemV: input.systemV,
    volts: input.volts,
    upstream,
    taps: input.taps,
    isFeeder: input.isFeeder,
    demand: input.demand,
    workingA: input.workingA,
    upstreamDropV: volts,
    atHour: at,
    hours: input.hours,
    surges: input.surges,
    duty: input.duty,
    places: input.places,
    surroundings: input.surroundings,
    insulationC: input.insulationC,
    bundled: input.bundled,
    panel: input.panel,
    copperFactor: input.copperFactor,
    lengthM: input.lengthM,
    runsLong: input.runsLong,
    minimumSize: input.minimumSize,
    ownTrip: input.ownTrip,
    found: input.found,
    inlineOhm: input.inlineOhm,
    inlineV: input.inlineV,
  };
}

/** Most a run may lose, and the whole path with it: critical loads, feeders and what charges by the tighter figure, the rest by the general one. */
function limitsOf(house: HouseRules, load: Load | null, isPanel: boolean, charges: boolean): Pick<TapInput, 'dropPct' | 'pathPct'> {
  // What charges through a feeder has its limit for the whole way: the shared part takes a third of it.
  const feederPct = charges ? Math.min(house.feederDropPct, house.criticalDropPct / 3) : house.feederDropPct;
  if (isPanel) return { dropPct: feederPct, pathPct: feederPct };
  if (load?.kind === 'starter') return { dropPct: 2 * CRANK_PCT, pathPct: 2 * CRANK_PCT };
  if (load && isCharging(load)) return { dropPct: house.criticalDropPct, pathPct: house.criticalDropPct };
  if (load?.critical) return { dropPct: house.criticalDropPct, pathPct: house.criticalDropPct * (house.strictDrop ? 1 : 2) };
  return { dropPct: house.generalDropPct, pathPct: house.generalDropPct };
}

export function circuitInput(g: Gathered): CircuitInput {
  const { circuit, house } = g;
  const systemV = g.volts.nominalV;
  const isFeeder = g.panels.some((p) => p !== null);
  const indexOf = new Map(circuit.taps.map((tap, i) => [tap.id, i]));
  const found = standing(circuit);
  // A run that was measured aboard is as long for what replaces its wire.
  const lengths = circuit.found
    ? foundLengths(
        circuit.found,
        g.lengths.map((l, i) => ({ lengthM: l.lengthM, taped: circuit.taps[i]?.tapedM !== null })),
      )
    : g.lengths.map((l) => l.lengthM);
  const parents = circuit.taps.map((tap) => (tap.parent === null ? -1 : (indexOf.get(tap.parent) ?? -1)));
  const surgeFloorV = (systemV * house.surgeVoltsPct) / 100;
  const ownA = circuit.taps.map((_, i) =>
    g.panels[i] ? feederDemand(g.school, g.downstream[i] ?? [], house.diversity).demandA : (g.currents[i]?.workingA ?? 0),
  );
  // A feeder's own run is judged at its demand; what stands below it is judged by what usually flows.
  const steady = circuit.taps.map((_, i) => {
    if (!g.panels[i]) return { loadsA: Array.from({ length: 2 * g.hours.length }, () => ownA[i] ?? 0), feederA: ownA[i] ?? 0 };
    const items = g.downstream[i] ?? [];
    const lasting = items.filter((d) => !d.brief);
    return { loadsA: usualBy(items, g.hours.length), feederA: feederDemand(g.school, lasting, house.diversity).demandA };
  });
  const segmentA = [...ownA];
  for (let i = segmentA.length - 1; i >= 0; i--) {
    const parent = parents[i] ?? -1;
    if (parent >= 0) segmentA[parent] = (segmentA[parent] ?? 0) + (segmentA[i] ?? 0);
  }
  const demand = isFeeder ? feederDemand(g.school, g.downstream.flat(), house.diversity) : null;
  const workingA = demand ? demand.demandA : ownA.reduce((a, b) => a + b, 0);
  const taps = circuit.taps.map((tap, i): TapInput => {
    const load = g.loads[i] ?? null;
    const current = g.currents[i] ?? null;
    const constant = load?.behaviour === 'power' && current !== null;
    const own = ownA[i] ?? 0;
    return {
      tap,
      parent: parents[i] ?? -1,
      estimatedM: g.lengths[i]?.estimatedM ?? 0,
      lengthM: lengths[i] ?? 0,
      load,
      current,
      panel: g.panels[i] ?? null,
      name: g.names[i] ?? '',
      ownA: own,
      segmentA: Math.min(segmentA[i] ?? 0, Math.max(workingA, own)),
      fixedA: constant ? 0 : (steady[i]?.feederA ?? own),
      steadyA: steady[i]?.loadsA ?? [],
      item: g.items[i] ?? null,
      powerW: constant ? current.nominalW : 0,
      ...limitsOf(
        house,
        load,
        g.panels[i] !== null,
        (g.downstream[i] ?? []).some((d) => d.charging),
      ),
      minV: load?.minV ?? surgeFloorV,
    };
  });
  const loads = g.loads.filter((l) => l !== null);
  const only = loads.length === 1 && !isFeeder ? loads[0] : undefined;
  const surges = taps.flatMap((tap, i): Surge[] => {
    if (tap.current?.surgeA != null) {
      const addsA = tap.current.surgeA - tap.current.workingA;
      return [
        {
          tapIndex: i,
          name: tap.name,
          circuitA: workingA + addsA,
          loadA: tap.current.surgeA,
          addsA,
          seconds: tap.current.surgeS,
          minV: tap.minV,
        },
      ];
    }
    const below = g.belowSurge[i];
    return below ? [{ ...below, tapIndex: i, circuitA: workingA + below.addsA, loadA: tap.ownA + below.addsA, minV: 0 }] : [];
  });
  const lost = lostBefore({ isFeeder, items: g.items, workingA }, g.upstream);
  const electronics = loads.some((l) => l.group === 'electronics');
  return {
    circuit,
    school: g.school,
    rules: RULE_SETS[g.school],
    house,
    systemV,
    volts: g.volts,
    upstream: g.upstream,
    taps,
    isFeeder,
    demand,
    workingA,
    upstreamDropV: lost.volts,
    atHour: lost.at,
    hours: g.hours,
    surges,
    duty: only && only.quantity === 1 ? only.duty : null,
    places: g.places,
    surroundings: g.places.length > 0 ? g.places : [{ ambientC: AMBIENT_C, engineSpace: false, wet: false }],
    insulationC: found ? foundInsulationC(found) : (circuit.insulationC ?? house.insulationC),
    found,
    inlineOhm: circuit.devices.reduce((sum, d) => sum + deviceOhm(d), 0) + (found ? foundOhm(found) : 0),
    inlineV: circuit.devices.reduce((sum, d) => sum + deviceDropV(d), 0),
    bundled: house.bundleDc ? circuit.bundled : 2,
    panel: g.panel,
    copperFactor: house.worstCaseCopper === null ? RULE_SETS[g.school].worstCaseCopper : house.worstCaseCopper ? WORST_COPPER : 1,
    lengthM: taps.reduce((sum, t) => sum + t.lengthM, 0),
    runsLong: loads.some((l) => l.runsLong),
    minimumSize: electronics ? house.minElectronics : null,
    ownTrip: loads.length > 0 && loads.every((l) => l.ownTrip),
  };
}
