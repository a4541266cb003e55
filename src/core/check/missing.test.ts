/** Facts that are missing, and which of them most is judged by. */
import { designOfKind, type Design } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { missingOf, settlingMost } from './missing';

let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Knot', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}m${++n}`,
);
const of = (d: Design, kind: string) => missingOf(d).find((k) => k.kind === kind);

test('the short-circuit current of the house bank is judged by most: every circuit and cable of it', () => {
  const [first] = settlingMost(missingOf(boat));
  expect(first).toMatchObject({ kind: 'short-circuit current of a battery', about: { kind: 'bank', id: 'house' } });
  const cables = boat.leads.filter((l) => l.from.id === 'house' || l.to.id === 'house').length;
  expect(first?.judged).toBeGreaterThan(cables);
});

test('entered, it is missing no more, and nothing else changes', () => {
  const known: Design = { ...boat, banks: boat.banks.map((b) => (b.id === 'house' ? { ...b, shortCircuitA: 4000 } : b)) };
  const count = (d: Design) => missingOf(d).reduce((sum, k) => sum + k.facts.length, 0);
  expect(count(boat) - count(known)).toBe(1);
});

test('a tape takes one run off the list', () => {
  const run = boat.circuits[0];
  if (!run) throw new Error('no run');
  const taped: Design = {
    ...boat,
    circuits: boat.circuits.map((c) => (c.id === run.id ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: 3 })) } : c)),
  };
  expect((of(boat, 'length of a run')?.facts.length ?? 0) - (of(taped, 'length of a run')?.facts.length ?? 0)).toBe(1);
});

test('kinds stand by how much is judged, and each fact once', () => {
  const kinds = missingOf(boat);
  expect([...kinds].sort((a, b) => b.judged - a.judged).map((k) => k.judged)).toEqual(kinds.map((k) => k.judged));
  const ids = kinds.flatMap((k) => k.facts.map((f) => `${k.kind} ${f.about.kind} ${f.about.id}`));
  expect(ids.length).toBeGreaterThan(10);
  expect(kinds.filter((k) => k.kind !== 'rating of a switch or plug in line').flatMap((k) => k.facts).length).toBe(
    new Set(ids.filter((i) => !i.startsWith('rating of a switch'))).size,
  );
});
