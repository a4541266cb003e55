/** A boat as she was found, and as she will be. */
import { machineOfOutput } from './outputs';
import { onceFor } from './once';
import { rowOf } from './rowOf';
import type { Circuit, Design, Source } from './schema';

/** Circuits that are not to be removed: the same list for the same circuits. */
const stayingOf = onceFor((circuits: Design['circuits']): Design['circuits'] =>
  circuits.some((c) => c.found?.decision === 'remove') ? circuits.filter((c) => c.found?.decision !== 'remove') : circuits,
);

/** Sources that are aboard: candidates are compared, never counted. The same list for the same sources. */
export const sourcesAboard = onceFor((sources: Design['sources']): Design['sources'] =>
  sources.some((s) => s.insteadOfId !== null)
    ? sources.filter((s) => !isCandidate(sources, s) && !isCandidate(sources, machineOfOutput(sources, s)))
    : sources,
);

/** Whether a source only may take another's place. Where what it may replace is gone it counts; of a circle the first counts. */
function isCandidate(sources: Design['sources'], source: Source): boolean {
  const ring = [source];
  for (;;) {
    const next = rowOf(sources, ring[ring.length - 1]?.insteadOfId);
    if (!next) return ring.length > 1;
    if (ring.includes(next)) return sources.find((s) => ring.includes(s)) !== source;
    ring.push(next);
  }
}

const landed = new WeakMap<Design['leads'], { readonly sources: Design['sources']; readonly leads: Design['leads'] }>();

/** Battery cables but those of candidates. */
function leadsAboard({ leads, sources }: Pick<Design, 'leads' | 'sources'>): Design['leads'] {
  const known = landed.get(leads);
  if (known?.sources === sources) return known.leads;
  const here = sourcesAboard(sources);
  const gone = new Set(sources.flatMap((s) => (here.includes(s) ? [] : [s.id])));
  const kept = leads.filter((l) => ![l.from, l.to].some((e) => (e.kind === 'source' || e.kind === 'source input') && gone.has(e.id)));
  const same = kept.length === leads.length ? leads : kept;
  landed.set(leads, { sources, leads: same });
  return same;
}

/** The design as decided: what is to be removed is gone, and candidates are not there. The same object when nothing is. */
export function asDecided<D extends Pick<Design, 'circuits' | 'sources'>>(design: D): D {
  const circuits = stayingOf(design.circuits);
  const sources = sourcesAboard(design.sources);
  if (circuits === design.circuits && sources === design.sources) return design;
  const led = design as D & Partial<Pick<Design, 'leads'>>;
  return { ...design, circuits, sources, ...(led.leads ? { leads: leadsAboard({ leads: led.leads, sources: design.sources }) } : {}) };
}

const untouched = (c: Circuit): Circuit =>
  c.found ? { ...c, found: { ...c.found, decision: 'keep', keepProtection: true }, pin: { ...c.pin, size: null, ratingA: null } } : c;

/** The design as found: only the circuits found aboard, each as it was, and the loads they feed. */
export function asFoundDesign(design: Design): Design {
  const circuits = design.circuits.filter((c) => c.found !== null).map(untouched);
  const fed = new Set(circuits.flatMap((c) => c.taps.map((t) => t.serves.id)));
  const sources = new Set(circuits.map((c) => c.from.id));
  return {
    ...design,
    circuits,
    loads: design.loads.filter((l) => fed.has(l.id)),
    panels: design.panels.filter((p) => fed.has(p.id) || sources.has(p.id)),
    departures: [],
  };
}
