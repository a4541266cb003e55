/** Where a thing is best mounted: the whole boat reckoned anew with it in each place (docs/methods.md, "Mounting"). */
import { acCircuits } from '../ac';
import { analyse, createMemory, type Memory } from '../analysis';
import { clipsOf, pulledThrough } from '../build';
import { applyEdit, type Design, type Face, machineOf, type MountKind, ofWholeMachines, type Place, rowOf, setOp } from '../design';
import { type Candidate, type RunThere, type ScorePart, WORTH_MIN } from './candidate';
import { boardOf, fitOn, type FitLine, MOUNT_LISTS, type Mounted, mountedOf, placeFor, verdictOf } from '../mounting';
import { AC_JACKET, CLIP_MIN, CLIP_EVERY_M, PULL } from '../rules';

/** The design without tape on what ends at the thing: a tape holds only where it was laid. */
function untaped(design: Design, thing: Mounted): Design {
  const list = MOUNT_LISTS[thing.kind];
  const rows = list === 'sources' || list === 'acSources' ? machineOf(design, { list, id: thing.id }) : [];
  const ids = new Set([thing.id, ...rows.map((r) => r.id)]);
  return {
    ...design,
    circuits: design.circuits.map((c) =>
      ids.has(c.from.id) || c.taps.some((t) => ids.has(t.serves.id))
        ? { ...c, taps: c.taps.map((t) => (t.tapedM === null ? t : { ...t, tapedM: null })) }
        : c,
    ),
    leads: design.leads.map((l) => (l.lengthM !== null && (ids.has(l.from.id) || ids.has(l.to.id)) ? { ...l, lengthM: null } : l)),
    acCircuits: design.acCircuits.map((c) =>
      c.lengthM !== null && (ids.has(c.from.id) || ids.has(c.to?.id ?? '') || c.loadIds.some((x) => ids.has(x)))
        ? { ...c, lengthM: null }
        : c,
    ),
  };
}

interface There {
  readonly runs: readonly RunThere[];
  readonly grave: readonly { readonly id: string; readonly severity: string; readonly title: string }[];
}

const clipMin = (m: number): number => (m / CLIP_EVERY_M) * CLIP_MIN;

/** Every run of the boat as it then is. */
function reckoned(design: Design, memory: Memory): There {
  const a = analyse(design, memory);
  const runs: RunThere[] = [];
  for (const r of a.circuits) {
    const c = rowOf(design.circuits, r.id);
    if (!c) continue;
    const through = pulledThrough(design, c, r.lengthM);
    const { legs } = r.own.ladder.chosen;
    runs.push({
      id: r.id,
      name: r.name,
      lengthM: r.lengthM,
      wireM: 2 * legs * r.lengthM,
      kg: r.own.state.massKg,
      minutes: [...through].reduce((sum, [way, m]) => sum + m * PULL[way], 0) + clipsOf(through, c) * CLIP_MIN,
      dropPct: r.own.state.drop.worst?.pct ?? null,
    });
  }
  for (const l of a.leads) {
    const name = rowOf(design.leads, l.id)?.name ?? l.id;
    runs.push({
      id: l.id,
      name,
      lengthM: l.lengthM,
      wireM: l.lengthM,
      kg: (l.lengthM * l.conductor.massKgPerKm) / 1000,
      minutes: l.lengthM * PULL.open + clipMin(l.lengthM),
      dropPct: null,
    });
  }
  for (const r of acCircuits(design)) {
    const row = rowOf(design.acCircuits, r.id);
    runs.push({
      id: r.id,
      name: row?.name ?? r.id,
      lengthM: r.lengthM,
      wireM: r.lengthM * r.cores.length,
      kg: (r.lengthM * r.cores.length * r.conductor.massKgPerKm * AC_JACKET) / 1000,
      minutes: r.lengthM * PULL.open + clipMin(r.lengthM),
      dropPct: r.dropPct,
    });
  }
  return { runs, grave: a.findings.filter((f) => f.severity !== 'note' && !f.accepted) };
}

/** Where it may go: every face of every place, and the places of which no face is entered. */
export function candidatesOf(
  design: Pick<Design, 'places'>,
  thing: Mounted,
): readonly { readonly place: Place; readonly face: Face | null }[] {
  return design.places
    .filter((p) => p.at.z < 4 || p.id === thing.placeId)
    .flatMap((place): { place: Place; face: Face | null }[] =>
      place.faces.length > 0 ? place.faces.map((face) => ({ place, face })) : [{ place, face: null }],
    );
}

/** What is on the face already, beside it. */
function crowd(face: Face, place: Place, thing: Mounted, all: readonly Mounted[]): readonly FitLine[] {
  const beside = all.filter((t) => t.placeId === place.id && t.face?.id === face.id && !(t.kind === thing.kind && t.id === thing.id));
  if (beside.length === 0) return [];
  const names = beside.map((t) => t.name).join(', ');
  return [
    {
      what: 'room beside what is there',
      needs: 'its body and its air',
      has: names,
      ok: boardOf(face, [...beside, thing]).over.length === 0,
    },
  ];
}

const NO_FACE: FitLine = { what: 'face', needs: 'a free face of its size', has: 'none entered here', ok: null };

/**
 * Candidates, the best first: what does not fit stands last. A few at a time: from and most count candidates as candidatesOf has them.
 * Lengths are estimates everywhere, also where it stands: a tape holds only where it was laid.
 */
export function rankPlaces(
  design: Design,
  kind: MountKind,
  thingId: string,
  from = 0,
  most = Infinity,
  memory: Memory = createMemory(),
): readonly Candidate[] {
  const things = mountedOf(design);
  const thing = things.find((t) => t.kind === kind && t.id === thingId);
  if (!thing) return [];
  const base = untaped(design, thing);
  const today = reckoned(base, memory);
  const known = new Set(today.grave.map((f) => f.id));
  const all = candidatesOf(design, thing);
  const far = farthest(base, thing, memory);
  return all.slice(from, from + most).map(({ place, face }): Candidate => {
    const lines = [
      ...placeFor(place, thing, design),
      ...(face ? [...fitOn(face, thing, design), ...crowd(face, place, thing, things)] : [NO_FACE]),
    ].filter((l) => l.ok !== true);
    const there = moved(base, thing, place.id, memory);
    const runs = there.runs.filter((r) => far.has(r.id));
    const sum = (of: (r: RunThere) => number) => runs.reduce((s, r) => s + of(r), 0);
    const count = (s: string) => there.grave.filter((f) => f.severity === s).length;
    const asked = lines.filter((l) => l.ok === null).length;
    const verdict = verdictOf(lines);
    const [kg, minutes, stops, fixes] = [sum((r) => r.kg), sum((r) => r.minutes), count('stop'), count('fix')];
    const parts: readonly ScorePart[] = [
      { what: 'minutes of pulling and clipping', count: minutes, kind: 'none', each: 1 },
      { what: 'copper', count: kg, kind: 'kg', each: WORTH_MIN.kg },
      { what: 'open questions', count: asked, kind: 'none', each: WORTH_MIN.ask },
      { what: 'a face out of reach', count: face?.reach === false ? 1 : 0, kind: 'none', each: WORTH_MIN.noReach },
      { what: 'fixes aboard', count: fixes, kind: 'none', each: WORTH_MIN.fix },
      { what: 'stops aboard', count: stops, kind: 'none', each: WORTH_MIN.stop },
    ];
    return {
      placeId: place.id,
      placeName: place.name,
      face,
      verdict,
      lines,
      runs,
      lengthM: sum((r) => r.lengthM),
      kg,
      minutes,
      stops,
      fixes,
      brings: there.grave.flatMap((f) => (known.has(f.id) ? [] : [f.title])),
      score: parts.reduce((s, p) => s + p.count * p.each, 0),
      parts,
      now: thing.placeId === place.id && (thing.mount?.faceId ?? null) === (face?.id ?? null),
    };
  });
}

function placed(base: Design, thing: Mounted, placeId: string): Design {
  const op = setOp(base, [MOUNT_LISTS[thing.kind], thing.id, 'placeId'], placeId);
  const edited = op ? applyEdit(base, { ops: [...ofWholeMachines(base, [op])] }) : null;
  return edited?.ok ? edited.design : base;
}

const moved = (base: Design, thing: Mounted, placeId: string, memory: Memory): There => reckoned(placed(base, thing, placeId), memory);

/** The design as a candidate is reckoned: the thing in that place, without tape on what ends at it. */
export function designThere(design: Design, kind: MountKind, thingId: string, placeId: string): Design {
  const thing = mountedOf(design).find((t) => t.kind === kind && t.id === thingId);
  return thing ? placed(untaped(design, thing), thing, placeId) : design;
}

/** Runs whose length goes with where it stands: those that differ with it at two places apart. */
function farthest(base: Design, thing: Mounted, memory: Memory): ReadonlySet<string> {
  const byX = [...base.places].sort((a, b) => a.at.x - b.at.x);
  const [first, last] = [byX[0], byX[byX.length - 1]];
  if (!first || !last) return new Set();
  const lengths = new Map(moved(base, thing, first.id, memory).runs.map((r) => [r.id, r.lengthM]));
  return new Set(
    moved(base, thing, last.id, memory).runs.flatMap((r) => (Math.abs((lengths.get(r.id) ?? r.lengthM) - r.lengthM) > 0.01 ? [r.id] : [])),
  );
}
