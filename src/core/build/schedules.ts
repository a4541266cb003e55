/** Lists read aboard: panel schedules, switches, what is stripped out, what is used again. */
import { servingOf } from '../topology';
import type { CircuitResult } from '../circuit';
import { conductorOhm } from '../conductor';
import { type Design, type Panel, rowOf } from '../design';
import { choiceName, sizeName } from '../quantity';
import { conditionOf, findConductor, findFamily, INLINE } from '../rules';

export interface Way {
  readonly way: number;
  readonly circuitId: string | null;
  readonly no: string;
  readonly name: string;
  readonly device: string;
  readonly ratingA: number | null;
  readonly workingA: number;
  readonly cable: string;
}

export interface PanelSchedule {
  readonly panelId: string;
  readonly name: string;
  /** The block whose body it shares; null: its own. */
  readonly partOf: string | null;
  /** How its feed is switched; '' without one. */
  readonly supply: string;
  readonly ways: readonly Way[];
  readonly spare: number;
  readonly sumOfRatingsA: number;
  readonly demandA: number;
  /** Left of the panel's or its feeder's limit, A; null where neither is known. */
  readonly spareA: number | null;
  readonly limitedBy: string;
}

/** Rows of a panel in the order of its ways: those with a way of their own first where they ask to be, the rest fill what is free. */
export function placed<T extends { readonly way: number | null }>(ways: number, circuits: readonly T[]): (T | null)[] {
  const rows: (T | null)[] = Array.from({ length: Math.max(ways, circuits.length) }, () => null);
  const loose: T[] = [];
  for (const c of circuits) {
    const at = (c.way ?? 0) - 1;
    if (at >= 0 && at < rows.length && rows[at] === null) rows[at] = c;
    else loose.push(c);
  }
  for (const c of loose) rows[rows.indexOf(null)] = c;
  return rows;
}

export function panelSchedule(design: Design, results: readonly CircuitResult[], panel: Panel): PanelSchedule {
  const own = design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === panel.id && c.found?.decision !== 'remove');
  const resultOf = new Map(results.map((r) => [r.id, r]));
  const feederRow = servingOf(design.circuits).panels.get(panel.id);
  const feeder = feederRow && resultOf.get(feederRow.id);
  const ways = placed(panel.ways, own).map((c, i): Way => {
    const result = c && resultOf.get(c.id);
    const device = result?.own.protection;
    return {
      way: i + 1,
      circuitId: c?.id ?? null,
      no: c?.no ?? '',
      name: c?.name ?? 'spare',
      device: device?.familyName ?? (panel.family ? (findFamily(panel.family)?.name ?? '') : ''),
      ratingA: device?.ratingA ?? null,
      workingA: result?.workingA ?? 0,
      cable: result ? choiceName(result.own.ladder.chosen) : '',
    };
  });
  const limits = [
    ...(panel.maxTotalA !== null ? [{ amps: panel.maxTotalA, by: 'its bus bar' }] : []),
    ...(feeder ? [{ amps: feeder.own.protection.ratingA, by: `the feeder's ${feeder.own.protection.ratingA} A` }] : []),
  ].sort((a, b) => a.amps - b.amps);
  const demandA = feeder?.workingA ?? ways.reduce((sum, w) => sum + w.workingA, 0);
  return {
    panelId: panel.id,
    name: panel.name,
    partOf: rowOf(design.panels, panel.partOfId)?.name ?? null,
    supply: feederRow?.supply ?? '',
    ways,
    spare: ways.filter((w) => w.circuitId === null).length,
    sumOfRatingsA: ways.reduce((sum, w) => sum + (w.ratingA ?? 0), 0),
    demandA,
    spareA: limits[0] ? limits[0].amps - demandA : null,
    limitedBy: limits[0]?.by ?? '',
  };
}

export interface SwitchLine {
  readonly circuitId: string;
  readonly circuit: string;
  readonly kind: string;
  readonly place: string;
  readonly ratingA: number | null;
  readonly carriesA: number;
  readonly cable: string;
  readonly largest: string;
  readonly note: string;
}

/** Everything in line that a person or the water works, with what it carries. */
export function switchSchedule(design: Design, results: readonly CircuitResult[]): SwitchLine[] {
  const resultOf = new Map(results.map((r) => [r.id, r]));
  const places = new Map(design.places.map((p) => [p.id, p.name]));
  return design.circuits.flatMap((c) => {
    const result = resultOf.get(c.id);
    return result
      ? c.devices
          .filter((d) => INLINE[d.kind].opens)
          .map((d): SwitchLine => ({
            circuitId: c.id,
            circuit: `${c.no} ${c.name}`.trim(),
            kind: d.kind,
            place: places.get(d.placeId ?? '') ?? '',
            ratingA: d.ratingA,
            carriesA: result.workingA,
            cable: choiceName(result.own.ladder.chosen),
            largest: d.largest ? sizeName(d.largest.school, d.largest.size) : '',
            note: [INLINE[d.kind].note, d.kind === 'float switch' ? (d.bypass ? 'with a manual bypass' : 'no bypass') : '']
              .filter(Boolean)
              .join('; '),
          }))
      : [];
  });
}

export interface FoundLine {
  readonly circuitId: string;
  readonly circuit: string;
  readonly cable: string;
  readonly colour: string;
  readonly lengthM: number;
  readonly massKg: number;
  readonly faults: string;
  readonly reason: string;
  /** What bad joints turn into heat at working current, W. */
  readonly heatW: number;
}

export interface FoundLists {
  readonly stripOut: readonly FoundLine[];
  /** Kept, with the length left after what is cut back at bad ends. */
  readonly reuse: readonly (FoundLine & { readonly leftM: number })[];
  readonly unidentified: readonly FoundLine[];
}

/** Cut off at each end whose joint is bad, m. */
const CUT_BACK_M = 0.15;

export function foundLists(design: Design, results: readonly CircuitResult[]): FoundLists {
  const resultOf = new Map(results.map((r) => [r.id, r]));
  const lists = { stripOut: [] as FoundLine[], reuse: [] as (FoundLine & { leftM: number })[], unidentified: [] as FoundLine[] };
  for (const c of design.circuits) {
    const { found } = c;
    if (!found) continue;
    const result = resultOf.get(c.id);
    const lengthM = found.lengthM ?? result?.lengthM ?? 0;
    const conductor = findConductor(found.size.school, found.size.size);
    const bad = found.faults.filter((f) => (f.mohm ?? conditionOf(f.kind)?.mohm ?? 0) > 0);
    const ohm = bad.reduce((sum, f) => sum + (f.mohm ?? conditionOf(f.kind)?.mohm ?? 0), 0) / 1000;
    const line: FoundLine = {
      circuitId: c.id,
      circuit: `${c.no} ${c.name}`.trim(),
      cable: sizeName(found.size.school, found.size.size),
      colour: found.colour,
      lengthM,
      massKg: (2 * lengthM * (conductor?.massKgPerKm ?? 0)) / 1000,
      faults: found.faults.map((f) => conditionOf(f.kind)?.name ?? f.kind).join(', '),
      reason: found.reason,
      heatW: (result?.workingA ?? 0) ** 2 * ohm,
    };
    if (c.taps.length === 0 && found.decision !== 'remove') lists.unidentified.push(line);
    else if (found.decision === 'remove' || found.decision === 'replace') lists.stripOut.push(line);
    else if (found.decision === 'keep') lists.reuse.push({ ...line, leftM: Math.max(0, lengthM - CUT_BACK_M * Math.min(2, bad.length)) });
  }
  return lists;
}

/** Cold resistance of a found run out and back, ohm: what a meter should read across it, without its joints. */
export const foundCopperOhm = (size: { school: 'awg' | 'metric'; size: string }, lengthM: number): number =>
  2 * conductorOhm(findConductor(size.school, size.size)?.r20OhmPerKm ?? 0, lengthM, 20);
