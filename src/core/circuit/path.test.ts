import { analyse } from '../analysis';
import type { Circuit, Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { devicesOnPath, selectivityText } from './path';

const boat = (change: Partial<Circuit> = {}): Design =>
  withLoad(bareBoat('metric'), { ratingBy: 'W', rating: 60 }, 5, { from: { kind: 'panel', id: 'panel' }, ...change });
const path = (d: Design, id = 'c-x') => devicesOnPath(d, analyse(d).circuits, id);

test('from the circuit up to the bank, each against the next above', () => {
  const devices = path(boat());
  expect(devices.map((d) => d.circuitId)).toEqual(['c-x', 'c-feed', 'c-main']);
  expect(devices[2]?.above).toBeNull();
  for (const [i, d] of devices.entries()) {
    expect(d.faultA).toBeLessThanOrEqual(devices[i + 1]?.faultA ?? Infinity);
    expect(d.workingA).toBeLessThanOrEqual((devices[i + 1]?.workingA ?? Infinity) + 1e-9);
  }
});
test('a circuit straight from the bank has nothing above it', () => {
  const devices = path(boat(), 'c-main');
  expect(devices).toHaveLength(1);
  expect(selectivityText(devices[0]?.above ?? null)).toBe('nothing above it');
});
test('a loop ends where it closes; what is not there has no path', () => {
  const looped = boat();
  const circuits = looped.circuits.map((c) => (c.id === 'c-main' ? { ...c, from: { kind: 'panel' as const, id: 'panel' } } : c));
  expect(path({ ...looped, circuits }).length).toBeLessThanOrEqual(3);
  expect(path(boat(), 'gone')).toEqual([]);
});
test.each([
  [{ verdict: 'selective', untilA: null } as const, 'opens alone'],
  [{ verdict: 'never', untilA: 30 } as const, 'the one above may open with it'],
  [{ verdict: 'up to', untilA: 412.4 } as const, 'alone up to 412 A, then both may open'],
])('%p reads %p', (s, words) => expect(selectivityText(s)).toBe(words));
test('a rating as large as the one above it does not open alone', () => {
  const plain = boat();
  const same = { ...plain, circuits: plain.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: { ...c.pin, ratingA: 50 } } : c)) };
  const [first] = path(same);
  expect(first?.above?.verdict).not.toBe('selective');
});
