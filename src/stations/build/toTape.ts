/** Every run that can be taped, and where: from the stern forward. */
import type { Analysis } from '@/core';
import type { AcCircuitResult } from '@/core/ac';
import { asDecided, type Design, type Place, rowOf } from '@/core/design';
import { endName, leadStretchesOf, stretchesOf } from '@/core/topology';

export interface Taped {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly to: string;
  readonly estimatedM: number;
  readonly tapedM: number | null;
  /** The field it is written to; of a bank's links they are written whole. */
  readonly path: readonly string[];
  readonly links: string | null;
}

interface Found extends Taped {
  readonly at: Place | undefined;
}

const NOWHERE = 'place not entered';

export function toTape(
  whole: Design,
  circuits: Analysis['circuits'],
  leads: Analysis['leads'],
  acRuns: readonly AcCircuitResult[],
): readonly Taped[] {
  const design = asDecided(whole);
  const found: Found[] = [];
  const place = (id: string | null | undefined) => rowOf(design.places, id);
  for (const c of design.circuits) {
    const result = rowOf(circuits, c.id);
    if (!result || result.own.ladder.kept) continue;
    const from = c.from.kind === 'panel' ? rowOf(design.panels, c.from.id) : rowOf(design.banks, c.from.id);
    const stops = c.devices.filter((d) => d.placeId !== null);
    const stretches = stretchesOf(design, c);
    // What stands in line parts it: each stretch is taped.
    if (stretches)
      for (const [i, d] of stops.entries()) {
        const at = place(i === 0 ? from?.placeId : stops[i - 1]?.placeId);
        found.push({
          id: `${c.id}.${d.id}`,
          name: `${c.no} ${c.name}, to its ${d.kind}`.trim(),
          place: at?.name ?? NOWHERE,
          at,
          to: `${d.kind}, ${place(d.placeId)?.name ?? ''}`,
          estimatedM: stretches[i] ?? NaN,
          tapedM: d.fromM,
          path: ['circuits', c.id, 'devices', d.id, 'fromM'],
          links: null,
        });
      }
    for (const [i, tap] of c.taps.entries()) {
      const part = result.taps[i];
      if (!part) continue;
      const at = place(from?.placeId);
      found.push({
        id: `${c.id}.${tap.id}`,
        name: `${c.no} ${part.name}`.trim(),
        place: at?.name ?? NOWHERE,
        at,
        to:
          tap.parent === null
            ? stops.length > 0
              ? `${part.name}, the whole way`
              : part.name
            : `${part.name}, from ${result.taps[part.parent]?.name ?? ''}`,
        estimatedM: part.estimatedM,
        tapedM: tap.tapedM,
        path: ['circuits', c.id, 'taps', tap.id, 'tapedM'],
        links: null,
      });
    }
  }
  for (const [i, l] of whole.leads.entries()) {
    const result = leads[i];
    if (!result || !design.leads.includes(l)) continue;
    const stops = l.through.filter((d) => d.placeId !== null);
    const stretches = leadStretchesOf(design, l);
    for (const [k, d] of stops.entries())
      found.push({
        id: `${l.id}.${d.id}`,
        name: `${l.name}, to its ${d.kind}`,
        place: 'main side',
        at: undefined,
        to: `${d.kind}, ${place(d.placeId)?.name ?? ''}`,
        estimatedM: stretches[k] ?? NaN,
        tapedM: d.fromM,
        path: ['leads', l.id, 'through', d.id, 'fromM'],
        links: null,
      });
    found.push({
      id: l.id,
      name: l.name,
      place: 'main side',
      at: undefined,
      to: `${endName(design, l, l.to) ?? ''}${stops.length > 0 ? ', the whole way' : ''}`,
      estimatedM: result.lengthM,
      tapedM: l.lengthM,
      path: ['leads', l.id, 'lengthM'],
      links: null,
    });
  }
  for (const c of design.acCircuits) {
    const panel = c.from.kind === 'panel' ? rowOf(design.acPanels, c.from.id) : rowOf(design.acSources, c.from.id);
    const at = place(panel?.placeId);
    found.push({
      id: c.id,
      name: `${c.no} AC ${c.name}`.trim(),
      place: at?.name ?? NOWHERE,
      at,
      to: c.name,
      estimatedM: rowOf(acRuns, c.id)?.lengthM ?? NaN,
      tapedM: c.lengthM,
      path: ['acCircuits', c.id, 'lengthM'],
      links: null,
    });
  }
  for (const b of design.banks) {
    if (b.series * b.strings < 2) continue;
    const at = place(b.placeId);
    found.push({
      id: `links.${b.id}`,
      name: `longest link of ${b.name}`,
      place: at?.name ?? NOWHERE,
      at,
      to: 'post to post',
      estimatedM: b.links.lengthM,
      tapedM: b.links.measured ? b.links.lengthM : null,
      path: [],
      links: b.id,
    });
  }
  const order = (f: Found) => f.at?.at.x ?? Infinity;
  return [...found].sort((a, b) => order(a) - order(b) || a.place.localeCompare(b.place));
}
