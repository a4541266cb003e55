/** Timings of Build, the order of work, a gauge and a diagnosis on a large boat, median of five. */
import { analyse } from '../src/core/analysis';
import { everyFinding } from '../src/core/check';
import { studied } from '../src/core/analysis';
import { cutList, heldBack, hoursOf, listsOf, madePieces } from '../src/core/build';
import { diagnose, pathOf, testSheet, USUAL_CONDITIONS } from '../src/core/commission';
import { asDecided, blankGauge } from '../src/core/design';
import { postInventory } from '../src/core/mainSide';
import { answerOf, gridOf, gridSize, tryGrid } from '../src/core/monitoring';
import { orderOf } from '../src/core/order';
import { largeBoat } from '../src/testing/largeBoat';

const median = (xs: readonly number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;
function time<T>(what: string, work: () => T): T {
  const took: number[] = [];
  let last = work();
  for (let i = 0; i < 5; i++) {
    const t = performance.now();
    last = work();
    took.push(performance.now() - t);
  }
  console.log(`${what}: ${median(took).toFixed(1)} ms`);
  return last;
}

const boat = largeBoat(200);
const analysis = analyse(boat);
const findings = everyFinding(analysis, studied(boat, analysis));
const decided = asDecided(boat);
const made = time('Build of 200 circuits: list, pieces, hours', () => {
  const list = cutList(decided, analysis.circuits, analysis.leads);
  const held = heldBack(boat, list, findings);
  const pieces = madePieces(boat, list.cuts, held.against, postInventory(decided, analysis.circuits, analysis.leads), new Map());
  hoursOf(boat, analysis.circuits, pieces, listsOf(boat, analysis.circuits));
  return pieces;
});
time('order of work of 200 circuits, each evening proved', () => orderOf(boat, analysis, made));
const gauge = blankGauge('g', 'Gauge', 'counting', boat.banks[0]?.id ?? null, null);
const answer = time('a gauge against thirty days, the series made with it', () => answerOf(boat, gauge, 0, 1));
if (answer)
  time('search of 600 settings', () => {
    const grid = gridOf(boat.boat.systemV, true);
    return tryGrid(answer.series, answer.sheet.set, answer.measures, grid, 0, gridSize(grid));
  });
time('test sheet of 200 circuits', () => testSheet(boat, analysis, USUAL_CONDITIONS));
const path = boat.circuits.map((c) => pathOf(boat, analysis.circuits, c.id, 0, 20)).reduce((a, b) => (b.length > a.length ? b : a));
time(`diagnosis over ${path.length} elements`, () => diagnose(path, [{ elements: path.map((e) => e.id), amps: 10, mv: 3000 }], 10));
