/** An evening of the work as a design of its own, so that the network says whether what must be live is, and whether it is protected. */
import { analyse } from '../analysis';
import { asFoundDesign, blankCircuit, type Circuit, type Design, rowOf, type Study } from '../design';
import { runStudy } from '../network';
import { newFeed, oldFeed } from './tasks';

export const temporaryFeed = (loadId: string): string => `temporary:${loadId}`;

/** A feed from the bank straight to a load, for the time being. */
export function temporaryCircuit(design: Design, loadId: string, bankId: string): Circuit {
  const load = rowOf(design.loads, loadId);
  return {
    ...blankCircuit(`t-${loadId}`.slice(0, 40), 'T', `temporary: ${load?.name ?? ''}`.slice(0, 120), { kind: 'bank', id: bankId }),
    supply: 'always live',
    taps: [{ id: 't', parent: null, serves: { kind: 'load', id: loadId }, tapedM: null }],
  };
}

/** Circuits in service: new ones as designed, old ones as found, and temporary ones. */
export function eveningDesign(design: Design, live: ReadonlySet<string>, temporary: readonly Circuit[]): Design {
  const found = new Map(asFoundDesign(design).circuits.map((c) => [c.id, c]));
  const circuits = design.circuits.flatMap((c): Circuit[] => {
    if (live.has(newFeed(c.id))) return [c.found?.decision === 'replace' ? { ...c, found: null } : c];
    const old = found.get(c.id);
    return old && live.has(oldFeed(c.id)) ? [old] : [];
  });
  return {
    ...design,
    circuits: [...circuits, ...temporary.filter((t) => live.has(temporaryFeed(t.taps[0]?.serves.id ?? '')))],
    departures: [],
    options: [],
  };
}

export interface NightTrouble {
  /** The essential, or null: a conductor of something else. */
  readonly loadId: string | null;
  readonly circuitId: string;
  readonly why: string;
}

/** What is wrong on an evening: an essential under its least volts or dead, a live conductor that nothing protects. */
export function troubleOf(evening: Design, essentials: readonly string[]): readonly NightTrouble[] {
  const analysis = analyse(evening);
  const trouble: NightTrouble[] = [];
  for (const r of analysis.circuits) {
    const c = rowOf(evening.circuits, r.id);
    if (r.own.protection.missing && c)
      trouble.push({
        loadId: c.taps.find((t) => essentials.includes(t.serves.id))?.serves.id ?? null,
        circuitId: c.id,
        why: `${c.no} ${c.name} is live and nothing protects it`.trim(),
      });
  }
  const study: Study = {
    id: 'evening',
    name: 'evening',
    soc: evening.house.studySoc,
    engineRpm: 0,
    shore: false,
    cranking: false,
    loads: Object.fromEntries(essentials.filter((id) => rowOf(evening.loads, id)?.group !== 'charging').map((id) => [id, 'on' as const])),
  };
  const answer = runStudy(evening, analysis, study);
  for (const l of answer.loads)
    if (essentials.includes(l.id) && l.falls)
      trouble.push({
        loadId: l.id,
        circuitId: evening.circuits.find((c) => c.taps.some((t) => t.serves.id === l.id))?.id ?? '',
        why: Number.isNaN(l.volts) ? `${l.name} is dead` : `${l.name} gets ${l.volts.toFixed(2)} V of the ${l.minV.toFixed(2)} V it needs`,
      });
  for (const id of answer.cutOff)
    if (essentials.includes(id))
      trouble.push({ loadId: id, circuitId: '', why: `${rowOf(evening.loads, id)?.name ?? id} is on no live circuit` });
  return trouble;
}
