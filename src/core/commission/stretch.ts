/** Parts of a path that ordinary probes tell apart: a cable with both its ends is one. */
import type { Element } from './path';

export interface Stretch {
  readonly id: string;
  readonly what: string;
  readonly elements: readonly Element[];
}

/** A cable and its own two ends share this id. */
export const stretchOf = (elementId: string): string => elementId.replace(/j$/, '');

/** In order along the path. */
export function stretchesOf(path: readonly Element[]): readonly Stretch[] {
  const out: { id: string; what: string; elements: Element[] }[] = [];
  for (const e of path) {
    const id = stretchOf(e.id);
    const last = out[out.length - 1];
    if (last?.id === id) {
      last.elements.push(e);
      // The cable gives the row its name, whichever end comes first.
      if (e.kind === 'copper') last.what = e.what;
    } else out.push({ id, what: e.what, elements: [e] });
  }
  return out;
}
