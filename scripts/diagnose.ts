/** npm run diagnose: 300 single and 100 double faults over the paths of the demo boats, and 300 of their banks, each found in four readings at most; prints found of tried. */
import { analyse } from '../src/core/analysis';
import { BANK_TROUBLES, bankByProgram, bankScene, type BankTrouble, hideInBank, pathOf, USUAL_CONDITIONS } from '../src/core/commission';
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

const banks = [marram(), halcyon(), turnstone()].flatMap((design) => {
  const { circuits } = analyse(design);
  return design.banks.flatMap((b) =>
    (Object.keys(BANK_TROUBLES) as BankTrouble[]).flatMap((trouble) => {
      const scene = bankScene(design, b.id, trouble, false);
      return scene ? [{ scene, circuits }] : [];
    }),
  );
});
const byKind = new Map<string, { tried: number; found: number }>();
for (let seed = 0, count = 0; count < 300 && seed < 6000; seed++) {
  const at = banks[seed % banks.length];
  const hidden = at && hideInBank(at.scene, at.circuits, USUAL_CONDITIONS, 9000 + seed);
  if (!hidden) continue;
  count++;
  const { diagnosis } = bankByProgram(at.scene, at.circuits, USUAL_CONDITIONS, hidden);
  const had = byKind.get(hidden.fault.kind) ?? { tried: 0, found: 0 };
  byKind.set(hidden.fault.kind, {
    tried: had.tried + 1,
    found: had.found + (diagnosis.suspects[0]?.id === hidden.fault.id ? 1 : 0),
  });
}
const all = [...byKind.values()].reduce((n, k) => ({ tried: n.tried + k.tried, found: n.found + k.found }), { tried: 0, found: 0 });
console.log(`faults of banks and what charges them: ${all.found} of ${all.tried} found (${((100 * all.found) / all.tried).toFixed(1)} %)`);
for (const [kind, k] of byKind) console.log(`  ${kind}: ${k.found} of ${k.tried}`);
