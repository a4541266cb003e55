/** The tasks of a design: what is made, with its reasons, minutes, and the feeds it takes down and brings up (docs/methods.md, "Order of work"). */
import type { Analysis } from '../analysis';
import { clipsOf, type MadePiece, placesOf, pulledThrough } from '../build';
import { asDecided, type Circuit, type Design, rowOf } from '../design';
import {
  CLIP_MIN,
  END_MIN,
  GLAND_MIN,
  HOLE_MIN,
  MACHINE_MIN,
  PANEL_MIN,
  PHOTOGRAPH_MIN,
  PULL,
  STRIP_MIN,
  STRIP_MIN_PER_M,
  TEST_MIN,
} from '../rules';
import type { Task, TaskKind } from './task';

const need = (id: string, why: string) => ({ id, why });
/** Heavy, long or up a mast: one feeds, one pulls. */
const HEAVY_MM2 = 35;
const LONG_M = 8;

export const newFeed = (circuitId: string): string => `new:${circuitId}`;
export const oldFeed = (circuitId: string): string => `old:${circuitId}`;

interface Making {
  readonly bench: number;
  readonly place: number;
  readonly ends: number;
  readonly metres: number;
  readonly largestMm2: number;
  /** Some of it is not taped. */
  readonly estimated: boolean;
}

/** By circuit, battery cable, bank or AC run: what its pieces ask for. What is landed already asks nothing. */
function makings(made: readonly MadePiece[]): ReadonlyMap<string, Making> {
  const by = new Map<string, Making>();
  for (const { cut, ends, stage } of made) {
    if (stage === 'landed') continue;
    const had = by.get(cut.circuitId) ?? { bench: 0, place: 0, ends: 0, metres: 0, largestMm2: 0, estimated: false };
    const minutes = (inPlace: boolean) => (stage === 'made' ? 0 : ends.reduce((n, e) => (e.inPlace === inPlace ? n + e.minutes : n), 0));
    by.set(cut.circuitId, {
      bench: had.bench + minutes(false),
      place: had.place + minutes(true),
      ends: had.ends + 2 * cut.cores,
      metres: had.metres + cut.lengthM,
      largestMm2: Math.max(had.largestMm2, cut.areaMm2),
      estimated: had.estimated || !cut.taped,
    });
  }
  return by;
}

/** All tasks; what is marked done is left out, with the reasons that named it. @param done ids of tasks that are done. */
export function tasksOf(
  whole: Design,
  analysis: Analysis,
  made: readonly MadePiece[],
  done: ReadonlySet<string> = new Set(),
): readonly Task[] {
  const design = asDecided(whole);
  const { factors } = design.work;
  const tasks: Task[] = [];
  const makes = makings(made);
  const resultOf = new Map(analysis.circuits.map((r) => [r.id, r]));
  const arrives = (circuitId: string): Task['notBefore'] => {
    const last = [...design.work.deliveries].filter((d) => d.circuitIds.includes(circuitId)).sort((a, b) => b.day - a.day)[0];
    return last && last.day > 1 ? { day: last.day, why: last.what } : null;
  };
  const add = (t: Pick<Task, 'id' | 'kind' | 'what' | 'minutes'> & Partial<Task>): void => {
    tasks.push({ place: '', two: false, needs: [], notBefore: null, takesDown: [], bringsUp: [], ...t });
  };
  const named = (c: Pick<Circuit, 'no' | 'name'>): string => `${c.no} ${c.name}`.trim();

  const touched = new Map(design.circuits.flatMap((c) => placesOf(design, c).map((p) => [p.id, p] as const)));
  for (const p of touched.values())
    add({ id: `photograph:${p.id}`, kind: 'photograph', what: `photograph and label: ${p.name}`, place: p.name, minutes: PHOTOGRAPH_MIN });
  const photographed = (ids: Iterable<string>) =>
    [...new Set(ids)].filter((id) => touched.has(id)).map((id) => need(`photograph:${id}`, 'how it was is on a picture'));

  for (const r of design.routes.filter((x) => x.kind === 'bulkhead' || x.kind === 'gland')) {
    const place = rowOf(design.places, r.placeId);
    add({
      id: `holes:${r.id}`,
      kind: 'holes',
      what: `holes and glands: ${r.name}`,
      place: place?.name ?? '',
      minutes: r.circuitIds.length * (r.kind === 'gland' ? GLAND_MIN : HOLE_MIN),
      needs: photographed(place ? [place.id] : []),
    });
  }
  for (const p of [...design.panels.filter((x) => x.partOfId === null && x.kind === 'panel'), ...design.acPanels])
    add({
      id: `mount:${p.id}`,
      kind: 'mount',
      what: `hang ${p.name}`,
      place: rowOf(design.places, p.placeId)?.name ?? '',
      minutes: PANEL_MIN,
      needs: design.routes
        .filter((r) => r.placeId === p.placeId && (r.kind === 'bulkhead' || r.kind === 'gland'))
        .map((r) => need(`holes:${r.id}`, 'no dust on what is mounted')),
    });
  const mounted = new Set(tasks.map((t) => t.id));
  for (const s of design.sources.filter((x) => x.outputOf === null && x.kind !== 'alternator' && x.kind !== 'portable'))
    add({
      id: `mount:${s.id}`,
      kind: 'mount',
      what: `mount ${s.name}`,
      place: rowOf(design.places, s.placeId)?.name ?? '',
      minutes: MACHINE_MIN,
      two: (s.massKg ?? 0) > 15,
    });
  for (const s of design.acSources.filter((x) => x.inverter !== null))
    add({
      id: `mount:${s.id}`,
      kind: 'mount',
      what: `mount ${s.name}`,
      place: rowOf(design.places, s.placeId)?.name ?? '',
      minutes: MACHINE_MIN * (s.inverter?.units ?? 1),
      two: true,
    });

  // What was found: stripped before its place is needed, its feed down from then on.
  for (const c of whole.circuits) {
    const { found } = c;
    if (!found || (found.decision !== 'remove' && found.decision !== 'replace')) continue;
    const lengthM = found.lengthM ?? resultOf.get(c.id)?.lengthM ?? 0;
    add({
      id: `strip:${c.id}`,
      kind: 'strip',
      what: `strip out the old ${named(c)}`,
      place: placesOf(whole, c)[0]?.name ?? '',
      minutes: STRIP_MIN + STRIP_MIN_PER_M * lengthM,
      needs: photographed(placesOf(whole, c).map((p) => p.id)),
      takesDown: [oldFeed(c.id)],
    });
  }

  const chain = (
    id: string,
    what: string,
    place: string,
    m: Making,
    o: {
      readonly pullMin: number;
      readonly two: boolean;
      readonly before: Task['needs'];
      readonly lands: Task['needs'];
      readonly testMin: number;
      readonly feeder: string | null;
      readonly brings: readonly string[];
      readonly takes: readonly string[];
    },
  ): void => {
    const waits = arrives(id);
    add({
      id: `bench:${id}`,
      kind: 'bench',
      what: `cut and make up ${what}`,
      minutes: m.bench,
      notBefore: waits,
      // An estimate is not cut: its run is taped where its places are photographed.
      needs: m.estimated ? o.before.filter((n) => n.id.startsWith('photograph:')).map((n) => need(n.id, 'its run is taped there')) : [],
    });
    add({
      id: `pull:${id}`,
      kind: 'pull',
      what: `pull ${what}`,
      place,
      minutes: o.pullMin,
      two: o.two,
      needs: [need(`bench:${id}`, 'it is cut'), ...o.before],
    });
    if (m.place > 0)
      add({
        id: `terminate:${id}`,
        kind: 'terminate',
        what: `make the ends of ${what} in place`,
        place,
        minutes: m.place,
        needs: [need(`pull:${id}`, 'it lies there')],
      });
    add({
      id: `land:${id}`,
      kind: 'land',
      what: `land and torque ${what}`,
      place,
      minutes: m.ends * END_MIN,
      needs: [need(`${m.place > 0 ? 'terminate' : 'pull'}:${id}`, 'its ends are made'), ...o.lands],
      takesDown: o.takes,
    });
    live(id, what, place, o, [need(`land:${id}`, 'it is landed')]);
  };
  const live = (
    id: string,
    what: string,
    place: string,
    o: { readonly testMin: number; readonly feeder: string | null; readonly brings: readonly string[] },
    needs: Task['needs'],
  ): void => {
    add({ id: `test:${id}`, kind: 'test', what: `test ${what}`, place, minutes: o.testMin, needs });
    add({
      id: `energise:${id}`,
      kind: 'energise',
      what: `energise ${what}`,
      place,
      minutes: 1,
      needs: [need(`test:${id}`, 'it was tested dead'), ...(o.feeder ? [need(`energise:${o.feeder}`, 'what feeds it is live')] : [])],
      bringsUp: o.brings,
    });
  };

  const panelFeeder = new Map(
    design.circuits.flatMap((c) => c.taps.flatMap((t) => (t.serves.kind === 'panel' ? [[t.serves.id, c.id] as const] : []))),
  );
  for (const l of design.leads) {
    const m = makes.get(l.id);
    if (!m) continue;
    chain(l.id, l.name, '', m, {
      pullMin: PULL.open * m.metres,
      two: m.largestMm2 >= HEAVY_MM2,
      before: [],
      lands: [],
      testMin: TEST_MIN['heavy path part'],
      feeder: null,
      brings: [newFeed(l.id)],
      takes: [],
    });
  }
  for (const b of design.banks) {
    const m = makes.get(b.id);
    if (m)
      chain(b.id, `links of ${b.name}`, rowOf(design.places, b.placeId)?.name ?? '', m, {
        pullMin: 0,
        two: false,
        before: [],
        lands: [],
        testMin: TEST_MIN['heavy path part'],
        feeder: null,
        brings: [newFeed(b.id)],
        takes: [],
      });
  }
  for (const c of design.circuits) {
    if (c.taps.length === 0) continue;
    const m = makes.get(c.id);
    const places = placesOf(design, c);
    const place = places[0]?.name ?? '';
    const feeder = c.from.kind === 'panel' ? (panelFeeder.get(c.from.id) ?? null) : null;
    const after = {
      testMin: TEST_MIN['DC circuit'],
      feeder: feeder !== null && feeder !== c.id ? feeder : null,
      brings: [newFeed(c.id)],
    };
    const source =
      c.from.kind === 'panel' && mounted.has(`mount:${c.from.id}`) ? [need(`mount:${c.from.id}`, 'there is something to land it on')] : [];
    if (!m) {
      // It stays: landed on what is new, tested, and live again.
      live(c.id, named(c), place, after, source);
      continue;
    }
    const r = resultOf.get(c.id);
    const lengthM = r?.lengthM ?? 0;
    const through = pulledThrough(design, c, lengthM);
    const routes = design.routes.filter((x) => x.circuitIds.includes(c.id));
    chain(c.id, named(c), place, m, {
      ...after,
      pullMin: [...through].reduce((n, [way, metres]) => n + PULL[way] * metres, CLIP_MIN * clipsOf(through, c)),
      two: m.largestMm2 >= HEAVY_MM2 || lengthM > LONG_M || through.has('mast') || routes.some((x) => x.kind === 'conduit'),
      before: [
        ...photographed(places.map((p) => p.id)),
        ...routes.filter((x) => x.kind === 'bulkhead' || x.kind === 'gland').map((x) => need(`holes:${x.id}`, 'it passes there')),
        // In a conduit the old makes room for the new.
        ...(c.found?.decision === 'replace' && routes.some((x) => x.kind === 'conduit')
          ? [need(`strip:${c.id}`, 'the conduit is full of the old one')]
          : []),
      ],
      lands: [
        ...source,
        ...c.taps.flatMap((t) =>
          t.serves.kind === 'panel' && mounted.has(`mount:${t.serves.id}`)
            ? [need(`mount:${t.serves.id}`, 'there is something to land it on')]
            : [],
        ),
      ],
      // The load has one pair of terminals: landing the new takes the old off.
      takes: c.found?.decision === 'replace' ? [oldFeed(c.id)] : [],
    });
  }
  for (const c of design.acCircuits) {
    const m = makes.get(c.id);
    if (!m) continue;
    const feeder = design.acCircuits.find((x) => x.to?.kind === 'panel' && c.from.kind === 'panel' && x.to.id === c.from.id);
    chain(c.id, `AC ${named(c)}`, '', m, {
      pullMin: PULL[c.enclosure === 'insulated' ? 'joinery' : c.enclosure] * m.metres,
      two: m.metres > LONG_M,
      before: [],
      lands: [c.from, ...(c.to ? [c.to] : [])].flatMap((e) =>
        mounted.has(`mount:${e.id}`) ? [need(`mount:${e.id}`, 'there is something to land it on')] : [],
      ),
      testMin: TEST_MIN['AC circuit'],
      feeder: feeder && makes.has(feeder.id) ? feeder.id : null,
      brings: [newFeed(c.id)],
      takes: [],
    });
  }
  const factorOf = (kind: TaskKind): number => factors[KIND_OF[kind]] ?? 1;
  const open = tasks.filter((t) => !done.has(t.id)).map((t) => ({ ...t, minutes: t.minutes * factorOf(t.kind) }));
  const there = new Set(open.map((t) => t.id));
  return open.map((t) => ({ ...t, needs: t.needs.filter((n) => there.has(n.id)) }));
}

/** What a task's minutes are learned with. */
export const KIND_OF = {
  photograph: 'photographs and labels',
  bench: 'ends',
  holes: 'holes and glands',
  strip: 'strip-out',
  pull: 'pull',
  mount: 'devices and panels',
  terminate: 'ends',
  land: 'land and torque',
  test: 'tests',
  energise: 'tests',
  temporary: 'temporary feeds',
} as const satisfies Record<TaskKind, string>;
