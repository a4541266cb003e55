/** Appliances as the sums need them, and which of them each source can reach. */
import { acVolts, chargerAcA } from '../charging';
import { type AcLoad, type Design, rowOf } from '../design';
import type { AcSupplyParts } from './parts';
import { SERVICES } from './services';
import type { Consumer } from './together';

/** Watts and power factor of a row: of a charger from its row on the Charging station. */
export function wattsOf(
  design: Pick<Design, 'boat' | 'banks' | 'sources'>,
  row: AcLoad,
): { readonly watts: number; readonly powerFactor: number } {
  const charger = row.chargerId === null ? undefined : rowOf(design.sources, row.chargerId);
  if (!charger?.charger) return { watts: row.watts, powerFactor: row.powerFactor };
  const { powerFactor } = charger.charger;
  return { watts: chargerAcA(design, charger) * acVolts(design) * powerFactor, powerFactor };
}

/** VA of a row, running. */
export function vaOf(design: AcSupplyParts, row: AcLoad): number {
  const { watts, powerFactor } = wattsOf(design, row);
  return powerFactor > 0 ? watts / powerFactor : Infinity;
}

/** Where the source has one leg everything hangs on it. @param legs of the source. */
export function consumerOf(design: AcSupplyParts, row: AcLoad, legs: 1 | 2): Consumer {
  return {
    id: row.id,
    ...wattsOf(design, row),
    continuous: row.runsLong,
    leg: legs === 1 ? 'first' : row.leg,
    notWith: row.notWith === '' ? null : row.notWith,
    keep: row.keep,
  };
}

/** What one panel or source feeds, all the way down. */
export interface Reach {
  readonly panels: ReadonlySet<string>;
  readonly circuits: ReadonlySet<string>;
  readonly loads: ReadonlySet<string>;
  /** Inverters it passes through. */
  readonly through: ReadonlySet<string>;
}

/** Everything a source, or a panel, can feed with all transfers turned its way; an inverter passes on what its relay is made for. */
export function reachFrom(design: AcSupplyParts, start: 'source' | 'panel', startId: string): Reach {
  const panels = new Set<string>();
  const circuits = new Set<string>();
  const loads = new Set<string>();
  const through = new Set<string>();
  const from = (kind: 'source' | 'panel', id: string): void => {
    for (const c of design.acCircuits) {
      if (c.from.kind !== kind || c.from.id !== id || circuits.has(c.id)) continue;
      circuits.add(c.id);
      for (const l of c.loadIds) loads.add(l);
      if (c.to?.kind === 'panel' && !panels.has(c.to.id)) {
        panels.add(c.to.id);
        from('panel', c.to.id);
      }
      const inverter = c.to?.kind === 'inverter' ? rowOf(design.acSources, c.to?.id) : undefined;
      if (inverter?.inverter?.passA != null && !through.has(inverter.id)) {
        through.add(inverter.id);
        from('source', inverter.id);
      }
    }
  };
  from(start, startId);
  return { panels, circuits, loads, through };
}

/** Appliances that hang on no circuit yet: taken to be within reach of everything. */
export function loose(design: AcSupplyParts): ReadonlySet<string> {
  const wired = new Set(design.acCircuits.flatMap((c) => c.loadIds));
  return new Set(design.acLoads.filter((l) => !wired.has(l.id)).map((l) => l.id));
}

/** Between the two legs of a split boat: a source of one leg cannot run it. */
const needsBoth = (design: AcSupplyParts, row: AcLoad): boolean => row.leg === 'both' && SERVICES[design.boat.acRegion].legs === 2;

/** Rows a source can run. An inverter never runs the charger that fills its own bank. */
export function rowsOn(design: AcSupplyParts, sourceId: string): readonly AcLoad[] {
  const source = rowOf(design.acSources, sourceId);
  const reach = reachFrom(design, 'source', sourceId);
  const free = loose(design);
  return design.acLoads.filter(
    (l) =>
      (reach.loads.has(l.id) || free.has(l.id)) &&
      !(source?.kind === 'inverter' && l.chargerId !== null) &&
      !(source && needsBoth(design, l) && SERVICES[source.service].legs === 1),
  );
}
