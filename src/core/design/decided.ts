/** A boat as she was found, and as she will be. */
import type { Circuit, Design } from './schema';

const staying = new WeakMap<Design['circuits'], Design['circuits']>();

/** Circuits that are not to be removed: the same list for the same circuits. */
function stayingOf(circuits: Design['circuits']): Design['circuits'] {
  const known = staying.get(circuits);
  if (known) return known;
  const kept = circuits.some((c) => c.found?.decision === 'remove') ? circuits.filter((c) => c.found?.decision !== 'remove') : circuits;
  staying.set(circuits, kept);
  return kept;
}

/** The design as decided: what is to be removed is gone. The same object when nothing is. */
export function asDecided<D extends Pick<Design, 'circuits'>>(design: D): D {
  const circuits = stayingOf(design.circuits);
  return circuits === design.circuits ? design : { ...design, circuits };
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
