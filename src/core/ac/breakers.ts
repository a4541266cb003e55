/** Breakers between a source and its appliances: what runs together is held against each of them (docs/methods.md, M12). */
import { rowOf } from '../design';
import type { AcParts } from './parts';
import { acCircuits } from './circuits';
import { reachFrom } from './consumers';
import { continuousPart, type Setting, wholeInverter } from './services';
import type { BreakerLimit } from './together';

/** By source: the breakers of all runs it reaches, and the relays of the inverters that pass its current on. */
function breakersOf(design: AcParts, sourceId: string, ratings: ReadonlyMap<string, number>): BreakerLimit[] {
  const part = continuousPart(design.acRules, design.boat.ruleSet);
  const reach = reachFrom(design, 'source', sourceId);
  const out: BreakerLimit[] = [];
  for (const c of design.acCircuits) {
    const amps = ratings.get(c.id);
    if (!reach.circuits.has(c.id) || amps === undefined) continue;
    const behind = c.to === null ? null : reachFrom(design, c.to.kind === 'panel' ? 'panel' : 'source', c.to.id);
    const passes = c.to?.kind !== 'inverter' || rowOf(design.acSources, c.to.id)?.inverter?.passA != null;
    const members = new Set([...c.loadIds, ...(behind && passes ? behind.loads : [])]);
    out.push({ id: c.id, name: `${amps} A of ${`${c.no} ${c.name}`.trim()}`, amps, continuousPart: part, members });
  }
  for (const id of reach.through) {
    const inverter = rowOf(design.acSources, id);
    const amps = inverter && wholeInverter(inverter)?.passA;
    if (!inverter || amps == null) continue;
    const members = reachFrom(design, 'source', id).loads;
    out.push({ id, name: `${amps} A that ${inverter.name} passes on`, amps, continuousPart: 1, members });
  }
  return out;
}

/** Settings with the breakers on their ways. A run without a breaker of its own is held to what it was chosen. */
export function withBreakers(design: AcParts, settings: readonly Setting[]): Setting[] {
  const ratings = new Map(acCircuits(design).map((r) => [r.id, r.ratingA]));
  const known = new Map<string, readonly BreakerLimit[]>();
  return settings.map((s) => {
    const breakers = known.get(s.sourceId) ?? breakersOf(design, s.sourceId, ratings);
    known.set(s.sourceId, breakers);
    return { ...s, limit: { ...s.limit, breakers } };
  });
}
