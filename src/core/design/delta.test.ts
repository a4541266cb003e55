import fc from 'fast-check';
import { addOp, applyEdit, dropOp, type Op, setOp } from './edit';
import { blankLoad } from './blank';
import { deltaOf, withDelta } from './delta';
import type { Design } from './schema';
import { bareBoat, withLoad } from './testing';

const start = withLoad(withLoad(bareBoat('metric'), {}, 4), { id: 'y', name: 'Other' }, 3, { id: 'c-y' });
const after = (design: Design, ops: readonly (Op | undefined)[]): Design => {
  const next = applyEdit(design, { ops: ops.filter((op) => op !== undefined) }, true);
  if (!next.ok) throw new Error('refused');
  return next.design;
};
const sent = (before: Design | null, next: Design): Design => withDelta(before, structuredClone(deltaOf(before, next)));

test('the first one tells everything', () => expect(sent(null, start)).toEqual(start));
test('the same design tells nothing', () => expect(deltaOf(start, start)).toEqual({ parts: {}, lists: {} }));
test('one changed figure tells one row, and the rest keep their identity', () => {
  const next = after(start, [setOp(start, ['loads', 'x', 'rating'], 77)]);
  expect(deltaOf(start, next)).toMatchObject({ parts: {}, lists: { loads: { order: null, rows: [{ id: 'x', rating: 77 }] } } });
  const got = sent(start, next);
  expect(got).toEqual(next);
  expect(got.loads[1]).toBe(start.loads[1]);
  expect(got.circuits).toBe(start.circuits);
});
test('what of a changed row is the same keeps its identity too', () => {
  const next = after(start, [setOp(start, ['circuits', 'c-x', 'name'], 'Renamed')]);
  expect(sent(start, next).circuits.find((c) => c.id === 'c-x')?.taps).toBe(start.circuits.find((c) => c.id === 'c-x')?.taps);
});
test('rows added, removed and moved', () => {
  const added = after(start, [addOp(start, 'loads', { ...blankLoad('z', 12), name: 'Z' }, 'x')]);
  expect(sent(start, added)).toEqual(added);
  const fewer = after(added, [dropOp(added, 'loads', 'x')]);
  expect(sent(added, fewer)).toEqual(fewer);
  const turned: Design = { ...start, loads: [...start.loads].reverse() };
  expect(sent(start, turned)).toEqual(turned);
  expect(deltaOf(start, turned).lists.loads?.rows).toEqual([]);
});
test('the boat and her house rules', () => {
  const next = after(start, [setOp(start, ['boat', 'systemV'], 24), setOp(start, ['house', 'slackM'], 1)]);
  expect(sent(start, next)).toEqual(next);
});
test('a design that came anew, equal but of other objects, keeps what was there', () => {
  const got = sent(start, structuredClone(start));
  expect(got).toEqual(start);
  expect(got.loads[0]).toBe(start.loads[0]);
});
test('any walk of edits arrives as it was sent', () => {
  const step = fc.record({
    id: fc.constantFrom('x', 'y', 'n1', 'n2'),
    kind: fc.constantFrom('set', 'add', 'drop', 'house'),
    to: fc.integer({ min: 1, max: 90 }),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let here = start;
      let there = sent(null, start);
      for (const { id, kind, to } of steps) {
        const has = here.loads.some((l) => l.id === id);
        const op =
          kind === 'house'
            ? setOp(here, ['house', 'wastePct'], to)
            : kind === 'add'
              ? has
                ? undefined
                : addOp(here, 'loads', { ...blankLoad(id, 12), rating: to }, here.loads[0]?.id ?? null)
              : !has
                ? undefined
                : kind === 'drop'
                  ? dropOp(here, 'loads', id)
                  : setOp(here, ['loads', id, 'rating'], to);
        const next = op ? after(here, [op]) : here;
        there = withDelta(there, structuredClone(deltaOf(here, next)));
        here = next;
        expect(there).toEqual(here);
      }
    }),
    { numRuns: 60 },
  );
});
