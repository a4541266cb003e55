/** Boats for the tests of the network. */
import type { Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { proposeMainSide } from '../propose';

/** A 12 V boat with 20 A and 60 A of loads on the main bus, and its proposed main side. */
export function twoLoads(school: 'metric' | 'awg' = 'metric'): Design {
  const amps = (d: Design, id: string, rating: number): Design => {
    const one = withLoad({ ...d, loads: [], circuits: [] }, { id, name: id, ratingBy: 'A', rating, behaviour: 'current' }, 2);
    return { ...d, loads: [...d.loads, ...one.loads], circuits: [...d.circuits, ...one.circuits.map((c) => ({ ...c, id: `c-${id}` }))] };
  };
  const whole = amps(amps(bareBoat(school), 'small', 20), 'large', 60);
  let n = 0;
  return { ...whole, ...proposeMainSide(whole, (p) => `${p}${++n}`) };
}
/** A study of such loads at eight tenths of charge. */
export const theStudy = (loads: Readonly<Record<string, 'on' | 'start'>>, name = 'both on') => ({
  id: name,
  name,
  soc: 0.8,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads,
  positions: null,
  open: null,
});
