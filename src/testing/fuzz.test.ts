/** A hundred of the random designs of `npm run fuzz`: nothing throws, and no text shows what is no figure. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { exercise } from './exercise';
import { randomBoat } from './randomBoat';

const elk = new ELK();

test.each(Array.from({ length: 10 }, (_, i) => i))('random designs, lot %i', async (lot) => {
  for (let seed = 10 * lot + 1; seed <= 10 * lot + 10; seed++) {
    // Every fourth is laid out too: most of the time goes there.
    const { troubles } = await exercise(randomBoat(seed), seed % 4 === 0 ? (graph) => elk.layout(graph) : null);
    expect(troubles.map((t) => `seed ${seed}: ${t.in}: ${t.what}`)).toEqual([]);
  }
});
