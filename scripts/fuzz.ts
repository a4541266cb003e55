/** Goes through random designs, printing what throws, what takes long, and texts that are no figures. Usage: fuzz.ts [count] [first seed] */
import ELK from 'elkjs/lib/elk.bundled.js';
import { exercise } from '../src/testing/exercise';
import { randomBoat } from '../src/testing/randomBoat';

const [count = 5000, first = 1] = process.argv.slice(2).map(Number);
const elk = new ELK();
const seen = new Map<string, number>();
let failed = 0;
let slow = 0;
let worst = { seed: 0, of: '', ms: 0 };
for (let seed = first; seed < first + count; seed++) {
  const { troubles, slowest } = await exercise(randomBoat(seed), (graph) => elk.layout(graph));
  if (slowest.ms > worst.ms) worst = { seed, ...slowest };
  if (slowest.ms > 2000) {
    slow++;
    console.log(`seed ${seed}: ${slowest.of} took ${slowest.ms.toFixed(0)} ms`);
  }
  if (troubles.length > 0) failed++;
  for (const t of troubles) {
    const key = `${t.in.replaceAll(/\d+/g, '#')}: ${t.what.replaceAll(/\d+/g, '#').slice(0, 60)}`;
    const times = seen.get(key) ?? 0;
    seen.set(key, times + 1);
    if (times === 0) console.log(`seed ${seed}: ${t.in}: ${t.what}`);
  }
}
console.log(
  `${count} designs: ${failed} with trouble of ${seen.size} kinds, ${slow} over 2 s; the slowest step ${worst.ms.toFixed(0)} ms (${worst.of}, seed ${worst.seed})`,
);
process.exit(failed + slow === 0 ? 0 : 1);
