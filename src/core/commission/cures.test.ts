import { curesOf } from './cures';
import { diagnose, type Suspect } from './diagnose';
import type { Element } from './path';
import { SKETCH_AT_FIRST, sketchedPath } from './sketch';

const element = (id: string, kind: Element['kind'], lengthM: number | null = null): Element => ({
  id,
  what: id,
  kind,
  mohm: 1,
  up: 0.5,
  down: 0.5,
  from: '',
  to: '',
  circuitId: 'c',
  lengthM,
  shared: null,
});
const suspect = (elements: readonly string[], probability: number, extraMohm: readonly number[]): Suspect => ({
  elements,
  notDrawn: false,
  what: elements.join(' and '),
  probability,
  extraMohm,
  watts: 0,
});
const path = [element('ends', 'joints'), element('fuse', 'device'), element('cable', 'copper', 6)];

test('by hand: 40 mΩ at 10 A give 400 mV back; 20 to make it dead, 2 × 3 for the ends, 6 to read it again', () => {
  expect(curesOf(path, { suspects: [suspect(['ends'], 0.9, [40])] }, 10)).toEqual([
    {
      elementId: 'ends',
      what: 'part, clean and torque ends; crimp anew if a crimp is to blame',
      probability: 0.9,
      gainMv: 400,
      metres: null,
      minutes: 32,
    },
  ]);
});
test('ends of 4 mm² made anew where they lie: 2 × 1.6 × 3.5 = 11.2 min more', () => {
  const [first] = curesOf(
    [{ ...element('ends', 'joints'), ends: { school: 'metric', size: '4' } }],
    { suspects: [suspect(['ends'], 0.9, [40])] },
    10,
  );
  expect(first?.what).toBe('part, clean and torque ends; crimp anew if a crimp is to blame, 11.2 min more for both ends');
});
test('a device takes a quarter of an hour more, a cable its metres', () => {
  const [fuse] = curesOf(path, { suspects: [suspect(['fuse'], 1, [40])] }, 10);
  const [cable] = curesOf(path, { suspects: [suspect(['cable'], 1, [40])] }, 10);
  expect(fuse?.minutes).toBe(47);
  // 6 m: 2 min to pull, 1.5 to strip out, each.
  expect(cable).toMatchObject({ metres: 6, minutes: 32 + 6 * 3.5 });
});
test('one of two faults gives back its own; what several suspects name counts once, by their odds', () => {
  const cures = curesOf(path, { suspects: [suspect(['ends', 'cable'], 0.5, [30, 10]), suspect(['ends'], 0.3, [40])] }, 10);
  expect(cures.map((c) => c.elementId)).toEqual(['ends', 'cable']);
  expect(cures[0]?.probability).toBeCloseTo(0.8, 9);
  expect(cures[0]?.gainMv).toBeCloseTo((10 * (0.5 * 30 + 0.3 * 40)) / 0.8, 9);
  expect(cures[1]?.gainMv).toBeCloseTo(100, 9);
});
test('nothing wrong, or so little, or nothing that stands out, wants no cure', () => {
  expect(curesOf(path, { suspects: [suspect([], 1, [])] }, 10)).toEqual([]);
  expect(curesOf(path, { suspects: [suspect(['ends'], 0.9, [0.3])] }, 10)).toEqual([]);
  expect(curesOf(path, { suspects: [suspect(['ends'], 0.15, [40])] }, 10)).toEqual([]);
});
test('readings over a bad part of a sketched path: its cure leads, and gives back what is read too much there', () => {
  const parts = sketchedPath(SKETCH_AT_FIRST('metric'), 'metric');
  const bad = parts.find((e) => e.kind === 'joints');
  const all = parts.reduce((n, e) => n + e.mohm, 0);
  const found = diagnose(
    parts,
    [
      { elements: parts.map((e) => e.id), amps: 10, mv: 10 * (all + 50) },
      { elements: [bad?.id ?? ''], amps: 10, mv: 10 * ((bad?.mohm ?? 0) + 50) },
    ],
    10,
  );
  const [first] = curesOf(parts, found, 10);
  expect(first?.elementId).toBe(bad?.id);
  expect(Math.abs((first?.gainMv ?? 0) - 500)).toBeLessThan(25);
});
