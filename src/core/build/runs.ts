/** What a run passes through, and what that asks of the hand that pulls it. */
import { type Circuit, type Design, type Place, rowOf } from '../design';
import { CLIP_EVERY_M, type PULL } from '../rules';
import { isAloft, mastFoot } from '../topology';

/** Places a circuit's run touches. */
export const placesOf = (design: Design, circuit: Circuit): readonly Place[] =>
  [
    circuit.from.kind === 'panel' ? rowOf(design.panels, circuit.from.id)?.placeId : rowOf(design.banks, circuit.from.id)?.placeId,
    ...circuit.taps.map((t) =>
      t.serves.kind === 'load'
        ? rowOf(design.loads, t.serves.id)?.placeId
        : t.serves.kind === 'panel'
          ? rowOf(design.panels, t.serves.id)?.placeId
          : t.serves.id,
    ),
    ...circuit.via,
  ].flatMap((id) => rowOf(design.places, id) ?? []);

/** What a run passes through, the slowest of it below deck. */
function pullWay(places: readonly Place[], circuit: Pick<Circuit, 'enclosure'>): keyof typeof PULL {
  if (places.some((p) => p.engineSpace)) return 'engine space';
  if (places.some((p) => p.wet && p.at.z < 0)) return 'bilge';
  return circuit.enclosure === 'insulated' ? 'joinery' : circuit.enclosure;
}

/** Metres of a run by what they are pulled through: up the mast, and the rest. */
export function pulledThrough(design: Design, circuit: Circuit, lengthM: number): ReadonlyMap<keyof typeof PULL, number> {
  const places = placesOf(design, circuit);
  const top = places.filter((p) => isAloft(p)).sort((a, b) => b.at.z - a.at.z)[0];
  const aloft = top ? Math.min(lengthM, top.at.z - (mastFoot(design.places, top)?.at.z ?? 0)) : 0;
  const by = new Map<keyof typeof PULL, number>([[pullWay(places, circuit), lengthM - aloft]]);
  if (aloft > 0) by.set('mast', aloft);
  return by;
}

/** Clips along a run in the open; what goes up a mast hangs in its conduit. */
export const clipsOf = (through: ReadonlyMap<keyof typeof PULL, number>, circuit: Pick<Circuit, 'enclosure'>): number =>
  circuit.enclosure === 'open' ? [...through].reduce((n, [way, m]) => (way === 'mast' ? n : n + m / CLIP_EVERY_M), 0) : 0;
