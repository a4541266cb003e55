/** Where a circuit's run goes: the places it passes and its estimated lengths, kept while nothing it depends on moves. */
import type { Circuit, Design, Load, Panel, Place, Point } from '../design/schema';
import { loadPoint, panelPoint, pathM, placePoint } from './geometry';

/** What a circuit's taps serve, by tap; null where it is something else or gone. */
export interface Served {
  readonly loads: readonly (Load | null)[];
  readonly panels: readonly (Panel | null)[];
}

export interface Lay {
  readonly deps: readonly unknown[];
  /** Each place once: where the run starts, what it serves, what is named on the way. */
  readonly passes: readonly Place[];
  /** Estimated length of each segment, m. */
  readonly lengths: readonly number[];
}

export const sameParts = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return true;
};

export function layOf(
  design: Design,
  circuit: Circuit,
  start: Place | null,
  served: Served,
  places: ReadonlyMap<string, Place>,
  before: Lay | undefined,
): Lay {
  const deps = [circuit, design.places, design.boat, design.house.slackM, start, ...served.loads, ...served.panels];
  if (before && sameParts(before.deps, deps)) return before;
  return { deps, passes: placesPassed(circuit, start, served, places), lengths: segmentLengths(design, circuit, start, served) };
}

function placesPassed(circuit: Circuit, start: Place | null, served: Served, places: ReadonlyMap<string, Place>): Place[] {
  const ids = [
    start?.id,
    ...served.loads.map((l) => l?.placeId),
    ...served.panels.map((p) => p?.placeId),
    ...circuit.taps.map((t) => (t.serves.kind === 'place' ? t.serves.id : null)),
    ...circuit.via,
    ...circuit.devices.map((d) => d.placeId),
    ...served.loads.flatMap((l) => l?.range?.placeIds ?? []),
  ];
  return [...new Set(ids)].flatMap((id) => (id ? (places.get(id) ?? []) : []));
}

function segmentLengths(design: Design, circuit: Circuit, start: Place | null, served: Served): number[] {
  // Equipment not chosen yet may stand in any of its places.
  const spots = circuit.taps.map((t, i): Point[] => {
    const [load, panel] = [served.loads[i], served.panels[i]];
    if (load) return [loadPoint(design, load), ...(load.range?.placeIds ?? []).map((id) => placePoint(design, id))];
    return [panel ? panelPoint(design, panel) : placePoint(design, t.serves.id)];
  });
  // The run goes by way of what is in line.
  const posts = circuit.devices.flatMap((d) => (d.placeId === null ? [] : [placePoint(design, d.placeId)]));
  const indexOf = new Map(circuit.taps.map((t, i) => [t.id, i]));
  const source = placePoint(design, start?.id ?? null);
  return circuit.taps.map((t, i) => {
    const parent = t.parent === null ? undefined : spots[indexOf.get(t.parent) ?? -1]?.[0];
    let from = parent ?? source;
    let before = 0;
    for (const post of parent ? [] : posts) {
      before += pathM(from, post, design.house.slackM);
      from = post;
    }
    return before + Math.max(...(spots[i] ?? [source]).map((to) => pathM(from, to, design.house.slackM)));
  });
}
