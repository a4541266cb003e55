/** Compact way to write an invented demo boat: appliances from the list, changed where this boat differs. */
import { proposeGauges } from '@/core/monitoring';
import { APPLIANCES, loadFrom, proposeCircuits } from '@/core';
import { blankFace, blankMount, type Design, type Face, type Load, type MountKind } from '@/core/design';
import { proposeMainSide, proposeSmallLeads, proposeStudies } from '@/core/propose';

export type LoadEntry = readonly [appliance: string, changes?: Partial<Load>];

/** Loads of a boat from the appliance list; ids are L1, L2 … in order. */
export function demoLoads(design: Design, entries: readonly LoadEntry[]): Load[] {
  const places = new Set(design.places.map((p) => p.id));
  return entries.map(([name, changes], i) => {
    const appliance = APPLIANCES.find((a) => a.name === name);
    if (!appliance) throw new Error(`the list has no ${name}`);
    return { ...loadFrom(appliance, `L${i + 1}`, design.boat.systemV, places), ...changes };
  });
}

/** The design with circuits proposed for all its loads; ids count up. */
export function withCircuits(design: Design): Design {
  let count = 0;
  const proposal = proposeCircuits(design, (prefix) => `${prefix}${++count}`);
  return { ...design, panels: [...design.panels, ...proposal.panels], circuits: [...design.circuits, ...proposal.circuits] };
}

type Circuit = Design['circuits'][number];

/** Changes the first circuit of that name. */
export const tune = (design: Design, name: string, change: (c: Circuit) => Circuit): Design => {
  if (!design.circuits.some((c) => c.name === name)) throw new Error(`the demo has no circuit ${name}`);
  return { ...design, circuits: design.circuits.map((c) => (c.name === name ? change(c) : c)) };
};

/** A taped length on the first segments of a circuit, m. */
export const taped =
  (...lengths: readonly (number | null)[]) =>
  (c: Circuit): Circuit => ({ ...c, taps: c.taps.map((t, i) => ({ ...t, tapedM: lengths[i] ?? t.tapedM })) });

/** A gauge on every bank, as the application itself proposes. */
export function withGauges(design: Design): Design {
  let n = 0;
  return { ...design, gauges: proposeGauges(design, (prefix) => `${prefix}${++n}`) };
}

/** The studies the application itself proposes. */
export function withStudies(design: Design): Design {
  let n = 0;
  return { ...design, studies: proposeStudies(design, (prefix) => `${prefix}${++n}`) };
}

/** The main side the application itself proposes. */
export function withMainSide(design: Design): Design {
  let n = 0;
  return { ...design, ...proposeMainSide(design, (prefix) => `${prefix}-m${++n}`) };
}

/** What the sources sense and are woken by, as it is usually laid. */
export function withSmallLeads(design: Design): Design {
  let n = 0;
  return { ...design, ...proposeSmallLeads(design, (prefix) => `${prefix}-${++n}`) };
}

/** Faces somebody has measured, by place, and what is to be mounted on them: kind, thing, face. */
export function withFaces(
  design: Design,
  faces: Readonly<Record<string, readonly (Partial<Face> & Pick<Face, 'id' | 'name'>)[]>>,
  mounts: readonly (readonly [MountKind, string, string])[],
): Design {
  return {
    ...design,
    places: design.places.map((p) => ({ ...p, faces: (faces[p.id] ?? []).map((f) => ({ ...blankFace(f.id, f.name), ...f })) })),
    mounts: mounts.map(([kind, id, faceId]) => ({ ...blankMount(kind, id), faceId })),
  };
}
