/** Two designs side by side: what differs in figures, sizes and parts, and nothing where nothing does. */
import { comparedOf } from './compared';
import { bareBoat, withLoad } from '../design/testing';

const boat = (watts: number) => withLoad(bareBoat('metric'), { rating: watts, placeId: 'saloon', supply: 'house switch' }, 5);

test('the same twice differs in nothing', () => {
  const { lines, brings, settles, changes, parts } = comparedOf(boat(60), boat(60));
  expect([lines, brings, settles, changes, parts]).toEqual([[], [], [], [], []]);
});
test('five times the load asks for a heavier cable, another reel and device, and more a day', () => {
  const { changes, parts } = comparedOf(boat(60), boat(600));
  expect(changes.map((c) => c.circuitId)).toContain('c-x');
  const was = changes.find((c) => c.circuitId === 'c-x');
  expect(parts.find((p) => p.what.startsWith(was?.from ?? '?'))?.b).toBe('–');
  expect(parts.find((p) => p.what.startsWith(was?.to ?? '?'))?.a).toBe('–');
});
