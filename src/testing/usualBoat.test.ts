/** Boats somebody might build, everything proposed: what no practitioner would sign is not there. `npm run judge -- --all 300` asks more of them. */
import { objections } from './judged';
import { usualBoat } from './usualBoat';

test.each(Array.from({ length: 24 }, (_, i) => i + 1))('usual boat %d', (seed) => expect(objections(usualBoat(seed), 4)).toEqual([]));
