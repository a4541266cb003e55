/** npm run diagnose: 300 single and 100 double faults over the paths of the demo boats, each found in four readings at most; prints found of tried. */
import { analyse } from '../src/core/analysis';
import { pathOf } from '../src/core/commission';
import { halcyon } from '../src/server/demo/halcyon';
import { marram } from '../src/server/demo/marram';
import { turnstone } from '../src/server/demo/turnstone';
import { bothWithin, firstIs, tried } from '../src/testing/pathTruth';

const AMBIENT_C = 20;
const paths = [marram(), halcyon(), turnstone()].flatMap((design) => {
  const a = analyse(design);
  return a.circuits.flatMap((r) =>
    r.taps.flatMap((_, tap) => {
      const elements = pathOf(design, a.circuits, r.id, tap, AMBIENT_C);
      return r.workingA >= 1 && elements.length > 3
        ? [{ boat: design.boat.name, name: r.name, elements, amps: r.workingA, volts: design.boat.systemV }]
        : [];
    }),
  );
});
const run = (faults: 1 | 2, wanted: number, good: (t: NonNullable<ReturnType<typeof tried>>) => boolean) => {
  let [count, found, readings, seed] = [0, 0, 0, 0];
  const missed = new Map<string, number>();
  for (; count < wanted && seed < 20 * wanted; seed++) {
    const path = paths[seed % paths.length];
    const t = path && tried(path.elements, path.amps, path.volts, faults, 7000 * faults + seed);
    if (!path || !t) continue;
    count++;
    readings += t.readings;
    if (good(t)) found++;
    else missed.set(`${path.boat}, ${path.name}`, (missed.get(`${path.boat}, ${path.name}`) ?? 0) + 1);
  }
  console.log(
    `${faults === 1 ? 'single' : 'double'} faults: ${found} of ${count} found (${((100 * found) / count).toFixed(1)} %), ${(readings / count).toFixed(1)} readings each`,
  );
  for (const [where, n] of [...missed].sort((x, y) => y[1] - x[1]).slice(0, 5)) console.log(`  missed ${n} on ${where}`);
};
console.log(`${paths.length} paths over the demo boats`);
run(1, 300, firstIs);
run(2, 100, bothWithin);
