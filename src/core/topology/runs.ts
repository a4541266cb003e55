/** Where a circuit's run goes: the places it passes and its estimated lengths, kept while nothing it depends on moves. */
import { type Circuit, type Design, type Load, type Panel, type Place, type Point, rowOf } from '../design';
import { corners, loadPoint, panelPoint, placePoint, runM } from './geometry';

/** What a circuit's taps serve, by tap; null where it is something else or gone. */
export interface Served {
  readonly loads: readonly (Load | null)[];
  readonly panels: readonly (Panel | null)[];
}

export interface RunGeometry {
  /** What it was made of. */
  readonly of: RunOf;
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

/** What a run's length and places go by; of the house rules, slack alone. */
type RunParts = Pick<Design, 'places' | 'boat'> & { readonly house: Pick<Design['house'], 'slackM' | 'openSlackM'> };

interface RunOf {
  readonly design: RunParts;
  readonly circuit: Circuit;
  readonly start: Place | null;
  readonly served: Served;
  readonly from: Panel | null;
}

/** Whether a run is made of the same things. */
const sameRun = (a: RunOf, b: RunOf): boolean =>
  a.circuit === b.circuit &&
  a.start === b.start &&
  a.from === b.from &&
  a.design.places === b.design.places &&
  a.design.boat === b.design.boat &&
  a.design.house.slackM === b.design.house.slackM &&
  a.design.house.openSlackM === b.design.house.openSlackM &&
  sameParts(a.served.loads, b.served.loads) &&
  sameParts(a.served.panels, b.served.panels);

/** @param before of the same circuit: it is kept while it is made of the same things. */
export function runGeometry(of: RunOf, places: ReadonlyMap<string, Place>, before: RunGeometry | undefined): RunGeometry {
  if (before && sameRun(before.of, of)) return before;
  const { circuit, design, from, served, start } = of;
  return { of, passes: placesPassed(circuit, start, served, places), lengths: segmentLengths(design, circuit, start, served, from) };
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

/** Each segment's corners, from where it starts by way of what is in line; of equipment not chosen yet, to the farthest of its places. */
export function segmentPaths(design: RunParts, circuit: Circuit, start: Place | null, served: Served): Point[][] {
  const spots = circuit.taps.map((t, i): Point[] => {
    const [load, panel] = [served.loads[i], served.panels[i]];
    if (load) return [loadPoint(design, load), ...(load.range?.placeIds ?? []).map((id) => placePoint(design, id))];
    return [panel ? panelPoint(design, panel) : placePoint(design, t.serves.id)];
  });
  const posts = circuit.devices.flatMap((d) => (d.placeId === null ? [] : [placePoint(design, d.placeId)]));
  const indexOf = new Map(circuit.taps.map((t, i) => [t.id, i]));
  const source = placePoint(design, start?.id ?? null);
  return circuit.taps.map((t, i) => {
    const parent = t.parent === null ? undefined : spots[indexOf.get(t.parent) ?? -1]?.[0];
    const stops = parent ? [parent] : [source, ...posts];
    const last = stops[stops.length - 1] ?? source;
    const to = (spots[i] ?? [source]).map((spot) => corners(design.boat, last, spot, circuit.along));
    const farthest = to.reduce((far, one) => (runM(one, 0) > runM(far, 0) ? one : far));
    return [...stops.slice(0, -1).flatMap((a, k) => corners(design.boat, a, stops[k + 1] ?? a, circuit.along)), ...farthest];
  });
}

/** Slack at both ends of every stretch between things, more where a panel opens. */
function segmentLengths(design: RunParts, circuit: Circuit, start: Place | null, served: Served, from: Panel | null): number[] {
  const { slackM, openSlackM } = design.house;
  const posts = circuit.devices.filter((d) => d.placeId !== null).length;
  return segmentPaths(design, circuit, start, served).map((points, i) => {
    const first = circuit.taps[i]?.parent === null;
    const opening = (first && from?.opens ? 1 : 0) + (served.panels[i]?.opens ? 1 : 0);
    return runM(points, slackM * (first ? 1 + posts : 1)) + openSlackM * opening;
  });
}

/** A circuit's run as it lies in the boat, segment by segment, for a design alone. */
export function runOf(design: RunParts & Pick<Design, 'banks' | 'panels' | 'loads'>, circuit: Circuit): Point[][] {
  const placeId =
    circuit.from.kind === 'bank' ? rowOf(design.banks, circuit.from.id)?.placeId : rowOf(design.panels, circuit.from.id)?.placeId;
  return segmentPaths(design, circuit, rowOf(design.places, placeId) ?? null, {
    loads: circuit.taps.map((t) => (t.serves.kind === 'load' ? (rowOf(design.loads, t.serves.id) ?? null) : null)),
    panels: circuit.taps.map((t) => (t.serves.kind === 'panel' ? (rowOf(design.panels, t.serves.id) ?? null) : null)),
  });
}

/**
 * Estimated lengths between what is placed in line on a circuit's way to its first tap, slack at both ends of each, m; one where nothing is.
 * null: several ways leave its beginning, and which of them a device stands in is not told.
 */
export function stretchesOf(design: RunParts & Pick<Design, 'banks' | 'panels' | 'loads'>, circuit: Circuit): readonly number[] | null {
  const [first, ...others] = circuit.taps.filter((t) => t.parent === null);
  if (!first || others.length > 0) return null;
  const posts = circuit.devices.flatMap((d) => (d.placeId === null ? [] : [placePoint(design, d.placeId)]));
  const placeId =
    circuit.from.kind === 'bank' ? rowOf(design.banks, circuit.from.id)?.placeId : rowOf(design.panels, circuit.from.id)?.placeId;
  const stops = [placePoint(design, placeId ?? null), ...posts];
  const whole = runOf(design, circuit)[circuit.taps.indexOf(first)] ?? [];
  const between = stops.slice(1).map((p, i) => runM(corners(design.boat, stops[i] ?? p, p, circuit.along), 0));
  const last = Math.max(0, runM(whole, 0) - between.reduce((sum, m) => sum + m, 0));
  return [...between, last].map((m) => m + 2 * design.house.slackM);
}
