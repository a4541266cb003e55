/** The next steps follow the order of the work, and what is done is not told again. */
import { blankDesign } from './blank';
import { designOfKind } from './boatKinds';
import { nextSteps } from './nextSteps';

const boat = { name: 'Test', school: 'metric', lengthM: 10, beamM: 3, systemV: 12 } as const;
const stations = (d: Parameters<typeof nextSteps>[0]) => nextSteps(d, 3).map((s) => s.station);

test('of an empty boat: a bank, loads, what charges', () =>
  expect(stations(blankDesign('Test', 'metric', 10, 3, 12))).toEqual(['bank', 'loads', 'charging']));
test('of one begun as her kind: circuits, main side, AC', () =>
  expect(stations(designOfKind('weekender', boat))).toEqual(['wiring', 'wiring', 'ac']));
test('there is always something left: settling and cutting', () => {
  const all = nextSteps(designOfKind('coastal', boat), 99).map((s) => s.station);
  expect(all.slice(-2)).toEqual(['check', 'build']);
});
