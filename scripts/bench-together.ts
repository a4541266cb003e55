/** Times every largest set of eighteen appliances on six AC sources. */
import { type AcLimit, type Consumer, largestSets } from '../src/core/ac';

const loads = Array.from({ length: 18 }, (_, i): Consumer => ({
  id: `a${i}`,
  watts: 90 + 137 * ((i * 7) % 18),
  powerFactor: i % 3 === 0 ? 0.85 : 1,
  continuous: i % 4 === 0,
  leg: 'first',
  notWith: i % 9 === 0 ? 'one' : null,
  keep: i % 5,
}));
const limit = (amps: number, kva: number | null = null): AcLimit => ({
  legs: 1,
  volts: 230,
  amps,
  continuousPart: 1,
  kw: kva === null ? null : kva * 0.8,
  kva,
});
const sources = [limit(10), limit(16), limit(32), limit(50), limit(26, 6), limit(13, 3)];
const once = () => sources.map((s) => largestSets(loads, s).sets.length);
for (let i = 0; i < 3; i++) once();
const times = Array.from({ length: 15 }, () => {
  const from = performance.now();
  once();
  return performance.now() - from;
}).sort((a, b) => a - b);
console.log(
  `together: 18 appliances on 6 sources, ${once().join(' + ')} largest sets: median ${times[7]?.toFixed(1) ?? '–'} ms (aim: 150 ms)`,
);
