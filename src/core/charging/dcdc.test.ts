import { blankBank, blankSource } from '../design';
import { dcdcInputA } from './dcdc';

const house = { lowVoltsPct: 95 };
test('by hand: 30 A at 14.2 V from a 12 V bank at 11.4 V, 0.9', () => {
  const s = blankSource('d', 'DC–DC', 12, 'start');
  const source = {
    ...s,
    ratedA: 30,
    regulator: { ...s.regulator, absorptionV: 14.2 },
    dcdc: s.dcdc && { ...s.dcdc, efficiency: 0.9, stopV: 10 },
  };
  // 30 x 14.2 / (11.4 x 0.9) = 426 / 10.26 = 41.5 A.
  expect(dcdcInputA(source, blankBank('house', 12, null), house)).toBeCloseTo(41.52, 2);
  // It stops at 12.4 V: it never draws at less. 426 / (12.4 x 0.9) = 38.2 A.
  const stops = { ...source, dcdc: source.dcdc && { ...source.dcdc, stopV: 12.4 } };
  expect(dcdcInputA(stops, blankBank('house', 12, null), house)).toBeCloseTo(38.17, 2);
});
