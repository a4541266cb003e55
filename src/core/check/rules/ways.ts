/** Rules on where a run lies: beside a compass, an exhaust, what moves. */
import { deviationDeg } from '../../conductor';
import { type Circuit, type Point, rowOf, setOp } from '../../design';
import { runOf } from '../../topology';
import { type Rule, SOURCES, type Told, when } from '../rule';
import { setting, type StillRule, serves, idOf } from './circuitFacts';
import type { DesignFacts } from './design';

/** Degrees a card may be turned: a note from the first, a fix from the second: ours. */
const NOTE_DEG = 0.25;
const FIX_DEG = 1;
/** The heaviest pair a hand can twist, mm2: ours. */
const TWISTS_MM2 = 10;

/** Distance from a point to a stretch, m. */
function toStretch(p: Point, a: Point, b: Point): number {
  const [dx, dy, dz] = [b.x - a.x, b.y - a.y, b.z - a.z];
  const long = dx * dx + dy * dy + dz * dz;
  const along = long === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy + (p.z - a.z) * dz) / long));
  return Math.hypot(p.x - a.x - along * dx, p.y - a.y - along * dy, p.z - a.z - along * dz);
}

const toRun = (p: Point, paths: readonly (readonly Point[])[]): number =>
  Math.min(...paths.flatMap((path) => path.slice(1).map((b, i) => toStretch(p, path[i] ?? b, b))));

export const COMPASS_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'compass',
    about: 'circuit',
    severity: 'fix',
    reads: ['places.compass', 'circuits.twisted', 'circuits.taps', 'loads.rating'],
    when: `a pair that is not twisted turns a compass by more than ${NOTE_DEG}°`,
    why: 'The card or its sensor follows the current: the course is wrong whenever it is on.',
    todo: 'Twist the pair within a metre of the compass, lead it another way, and swing the compass with it on and off.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design, results }) => {
      const compasses = design.places.filter((p) => p.compass);
      if (compasses.length === 0) return [];
      return design.circuits.flatMap((c): readonly Told[] => {
        const r = results.get(c.id);
        if (!r || r.workingA <= 0 || c.taps.length === 0) return [];
        const paths = runOf(design, c);
        const worst = compasses
          .map((p) => {
            const distanceM = toRun(p.at, paths);
            return { p, distanceM, deg: deviationDeg(r.workingA, r.own.state.conductor.odMm, distanceM, c.twisted || c.sheathed) };
          })
          .reduce((most, one) => (one.deg > most.deg ? one : most));
        return when(worst.deg > NOTE_DEG, () => ({
          id: c.id,
          suffix: r.own.state.areaMm2 > TWISTS_MM2 ? '-heavy' : '',
          severity: worst.deg > FIX_DEG ? ('fix' as const) : ('note' as const),
          title: `turns the compass at ${worst.p.name} by ${worst.deg.toFixed(1)}° at ${r.workingA.toFixed(1)} A`,
          ...(r.own.state.areaMm2 > TWISTS_MM2
            ? { todo: 'It is too heavy to twist: lead it another way, its two conductors tied together.' }
            : {}),
        }));
      });
    },
    cure: (design, { about, id }) => {
      const c = rowOf(design.circuits, about.id);
      return c && !c.twisted && !id.startsWith('compass-heavy') ? [setOp(design, ['circuits', c.id, 'twisted'], true)] : null;
    },
  },
];

const clear = (c: Circuit, place: { readonly exhaust: boolean; readonly moving: boolean }): boolean =>
  c.guarded || (!place.exhaust && c.enclosure === 'conduit');

export const WAY_RULES: readonly StillRule[] = [
  {
    id: 'way-hazard',
    about: 'circuit',
    severity: 'fix',
    reads: ['places.exhaust', 'places.moving', 'circuits.guarded', 'circuits.enclosure', 'circuits.via'],
    when: 'a run passes a place with a hot exhaust or with belts, shafts or a quadrant, and is not said to be clear of them',
    why: 'Its insulation melts, or it is caught and torn off live.',
    todo: 'Another way; or clamped a hand’s breadth clear of the exhaust and away from what moves, in a guard: then say so.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (f) => {
      const { circuit, places } = f.b.input;
      const bad = places.find((p) => (p.exhaust || p.moving) && !clear(circuit, p));
      return when(serves(f) && bad !== undefined, () => ({
        id: idOf(f),
        title: `passes ${bad?.name ?? ''}, where ${[bad?.exhaust ? 'a hot exhaust is' : '', bad?.moving ? 'something turns' : ''].filter(Boolean).join(' and ')}`,
      }));
    },
    // Of a run that is there it is seen, not decided.
    cure: setting((design, id) => (rowOf(design.circuits, id)?.found === null ? { guarded: true } : null)),
  },
];
