/** npm run years: forty simulated years with everything known; prints whether what is learned lies within what it says it does. */
import { learn } from '../src/core/measured';
import { knownYear } from '../src/testing/measuredYear';

const YEARS = Number(process.argv[2] ?? 40);
const DAYS = Number(process.argv[3] ?? 365);
const by = new Map<string, { tried: number; inside: number; within: number[]; prior: number }>();
const duties = new Map<string, number[]>();
for (let seed = 1; seed <= YEARS; seed++) {
  const { design, series, truth, duty } = knownYear(seed, DAYS);
  const told = learn(design, 'house', series);
  for (const f of told.figures) {
    const real = truth.get(f.id);
    if (!real) continue;
    const had = by.get(f.id) ?? { tried: 0, inside: 0, within: [], prior: real.prior };
    had.tried++;
    if (Math.abs(f.value - real.value) <= f.within) had.inside++;
    had.within.push(f.within);
    by.set(f.id, had);
  }
  for (const s of told.seen)
    for (const id of s.loadIds) duties.set(s.name, [...(duties.get(s.name) ?? []), s.duty / (duty.get(id) ?? NaN) - 1]);
}
const median = (xs: readonly number[]): number => [...xs].sort((a, b) => a - b)[xs.length >> 1] ?? NaN;
let [tried, inside] = [0, 0];
console.log(`${YEARS} years of ${DAYS} days`);
for (const [id, f] of [...by].sort(([a], [b]) => a.localeCompare(b))) {
  tried += f.tried;
  inside += f.inside;
  console.log(
    `  ${id}: ${f.inside} of ${f.tried} inside their spread; the median spread is ${(100 * (median(f.within) / f.prior)).toFixed(0)} % of what is known before`,
  );
}
console.log(`all: ${inside} of ${tried} inside (${((100 * inside) / tried).toFixed(1)} %; 90 to 99 is right)`);
for (const [name, offs] of duties)
  console.log(
    `  hours of ${name}, told in ${offs.length} years: ${(100 * median(offs)).toFixed(1)} % off at the median, ${(100 * median(offs.map(Math.abs))).toFixed(1)} % either way`,
  );
