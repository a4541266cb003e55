import { blankLoad } from './blank';
import { enclosureOf, parseIp, waterFigure } from './enclosure';

test('a code is read as it stands on a plate', () => {
  expect(['IP67', 'ip 65', 'X7', ' ip x4 ', '20'].map(parseIp)).toEqual(['67', '65', 'X7', 'X4', '20']);
  expect(['', 'IP', '99', 'waterproof'].map(parseIp)).toEqual([null, null, null, null]);
  expect((['20', '56', 'X7'] as const).map(waterFigure)).toEqual([0, 6, 7]);
});
test('entered goes before typical of its kind; what is of no such kind is for a dry place', () => {
  const load = { ...blankLoad('x', 12), group: 'electronics' as const };
  expect(enclosureOf({ ...load, name: 'Kartenplotter' })).toEqual({ ip: '67', typical: true });
  expect(enclosureOf({ ...load, name: 'Radar' }).ip).toBe('66');
  expect(enclosureOf({ ...load, name: 'Mobile data router' })).toEqual({ ip: '20', typical: true });
  expect(enclosureOf({ ...load, name: 'Radar', ip: '44' })).toEqual({ ip: '44', typical: false });
});
