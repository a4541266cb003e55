/** The walk-round: asked of this boat's own things, and what is seen becomes a fact. */
import { analyse } from '../analysis';
import { applyEdit, blankFound, type Design, designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { foundOps, seenFault, walkOf } from './walk';

let n = 0;
const made = withProposals(
  designOfKind('coastal', { name: 'Dunlin', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}w${++n}`,
);
const boat: Design = {
  ...made,
  circuits: made.circuits.map((c, i) => (i === 1 ? { ...c, found: { ...blankFound('metric'), decision: 'keep', sizeKnown: true } } : c)),
};
const after = (d: Design, ops: readonly Parameters<typeof applyEdit>[1]['ops'][number][]): Design => {
  const edited = applyEdit(d, { ops: [...ops] });
  if (!edited.ok) throw new Error('refused');
  return edited.design;
};
const item = (d: Design, id: string) => walkOf(d).find((i) => i.id === id);

test('every item has a thing that is there, an id of its own, and a reason', () => {
  const items = walkOf(boat);
  expect(new Set(items.map((i) => i.id)).size).toBe(items.length);
  expect(items.filter((i) => i.ask === '' || i.why === '')).toEqual([]);
  expect(items.length).toBeGreaterThan(30);
});

test('a thing that is removed takes its items along', () => {
  const without: Design = { ...boat, banks: boat.banks.filter((b) => b.id !== 'start') };
  expect(item(boat, 'held-start')).toBeDefined();
  expect(walkOf(without).filter((i) => i.id.endsWith('-start'))).toEqual([]);
});

test('a sealed lithium bank is not asked for a vent', () => {
  const lithium: Design = { ...boat, banks: boat.banks.map((b) => ({ ...b, chemistry: 'lfp' })) };
  expect(item(boat, 'vented-house')).toBeDefined();
  expect(item(lithium, 'vented-house')).toBeUndefined();
});

test('not well becomes a fact of the boat, and the fact a finding; well takes it away', () => {
  const rules = (d: Design) => analyse(d).findings.map((f) => f.id);
  const loose = after(boat, item(boat, 'held-house')?.bad ?? []);
  expect(loose.banks.find((b) => b.id === 'house')?.mounting.held).toBe(false);
  expect(rules(loose)).toContain('bank-held:house');
  const tight = after(loose, item(loose, 'held-house')?.well ?? []);
  expect(rules(tight)).not.toContain('bank-held:house');
  expect(item(tight, 'held-house')?.known).toBe(true);
});

test('a wet place, seen, is entered as wet', () => {
  const wet = after(boat, item(boat, 'dry-lazarette')?.bad ?? []);
  expect(wet.places.find((p) => p.id === 'lazarette')?.wet).toBe(true);
});

test('what an end is found in goes to the as-found row, with its numbers', () => {
  const run = boat.circuits[1]?.id ?? '';
  expect(item(boat, `ends-${run}`)?.conditions).toContain('strands-lost');
  const seen = after(boat, foundOps(boat, run, seenFault('f1', 'strands-lost', 2, { lost: 7, of: 19 })));
  expect(seen.circuits.find((c) => c.id === run)?.found?.faults).toEqual([
    { id: 'f1', kind: 'strands-lost', mohm: null, strands: { lost: 7, of: 19 }, alike: 2 },
  ]);
  const finding = analyse(seen).findings.find((f) => f.id === `fault-f1:${run}`);
  // 12 of 19 strands of 0.75 mm² are 0.47 mm².
  expect(finding?.title).toBe('strands lost, 7 of 19, 2 alike');
  expect(finding?.why).toContain('0.5 mm² of it are left there');
});

test('places come in the boat’s own order', () => {
  const order = boat.places.map((p) => p.id);
  const seen = walkOf(boat).flatMap((i) => (i.placeId === null ? [] : [order.indexOf(i.placeId)]));
  expect(seen).toEqual([...seen].sort((a, b) => a - b));
});
