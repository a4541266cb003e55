import { diffOps } from './diff';
import { applyEdit, inverseOps } from './edit';
import type { Design } from './schema';
import { bareBoat, withLoad } from './testing';

const boat = withLoad(bareBoat('metric'), {}, 4);
const [load] = boat.loads as [Design['loads'][number]];
const named = (id: string) => ({ ...load, id, name: id });
const after = (d: Design, ops: ReturnType<typeof diffOps>): Design => {
  const done = applyEdit(d, { ops });
  if (!done.ok) throw new Error(JSON.stringify(done.conflicts).slice(0, 300));
  return done.design;
};

test('a field, a row more, a row less and a row moved are told as such', () => {
  const was = { ...boat, loads: [named('a'), named('b'), named('c')] };
  const is: Design = { ...was, boat: { ...was.boat, note: 'x' }, loads: [named('c'), { ...named('a'), rating: 7 }, named('d')] };
  const ops = diffOps(was, is);
  expect(ops.map((op) => [op.op, op.op === 'set' ? op.path.join('.') : op.row.id])).toEqual([
    ['set', 'boat.note'],
    ['drop', 'b'],
    ['drop', 'c'],
    ['add', 'c'],
    ['set', 'loads.a.rating'],
    ['add', 'd'],
  ]);
  expect(after(was, ops)).toEqual(is);
});
test('the same design, in other objects, is no difference', () => expect(diffOps(boat, structuredClone(boat))).toEqual([]));
test('there and back, whatever the order of rows', () => {
  const rows = ['a', 'b', 'c', 'd', 'e'].map(named);
  const orders = [[4, 3, 2, 1, 0], [0, 2, 1], [3], [], [1, 0, 4, 2]];
  for (const from of orders)
    for (const to of orders) {
      const of = (order: readonly number[]): Design => ({ ...boat, loads: order.flatMap((i) => rows[i] ?? []) });
      const [was, is] = [of(from), of(to)];
      const ops = diffOps(was, is);
      expect(after(was, ops)).toEqual(is);
      expect(after(is, inverseOps(ops))).toEqual(was);
    }
});
