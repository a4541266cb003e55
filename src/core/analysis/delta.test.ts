import fc from 'fast-check';
import { analysisDelta, withAnalysisDelta } from './delta';
import { analyse, type Analysis, createMemory } from './analysis';
import { applyEdit, type Design, dropOp, type Op, setOp } from '../design';
import { bareBoat, withLoad } from '../design/testing';

const start = withLoad(withLoad(bareBoat('metric'), { rating: 40 }, 4), { id: 'y', name: 'Other', rating: 20 }, 3, { id: 'c-y' });
const after = (design: Design, ops: readonly (Op | undefined)[]): Design => {
  const next = applyEdit(design, { ops: ops.filter((op) => op !== undefined) }, true);
  return next.ok ? next.design : design;
};
/** What a window has after hearing of each analysis in turn, over a channel that copies. */
const heard = (analyses: readonly Analysis[]): Analysis | null => {
  let [told, window]: [Analysis | null, Analysis | null] = [null, null];
  for (const a of analyses) {
    window = withAnalysisDelta(window, structuredClone(analysisDelta(told, a)));
    told = a;
  }
  return window;
};

test('the first is told whole', () => {
  const a = analyse(start);
  expect(heard([a])).toEqual(a);
});
test('the same again tells nothing but its sums', () => {
  const memory = createMemory();
  const [a, b] = [analyse(start, memory), analyse(start, memory)];
  const delta = analysisDelta(a, b);
  expect(delta.circuits).toEqual([]);
  expect(delta.loads).toEqual({ order: null, rows: [] });
});
test('a neighbour whose volts alone moved is told as its drop, not as a whole', () => {
  const memory = createMemory();
  const a = analyse(start, memory);
  const b = analyse(after(start, [setOp(start, ['loads', 'x', 'rating'], 44)]), memory);
  const delta = analysisDelta(a, b);
  const other = delta.circuits.find((c) => c.id === 'c-y');
  expect(other && JSON.stringify(other).length).toBeLessThan(JSON.stringify(b.circuits.find((c) => c.id === 'c-y')).length / 4);
  expect(delta.loads.rows.map((l) => l.id)).toEqual(['x']);
  expect(heard([a, b])).toEqual(b);
});
test('a bank’s other name tells of no circuit and of no load', () => {
  const memory = createMemory();
  const [bank] = start.banks;
  const a = analyse(start, memory);
  const b = analyse(after(start, [setOp(start, ['banks', bank?.id ?? '', 'name'], 'House bank, port and starboard')]), memory);
  const delta = analysisDelta(a, b);
  expect([delta.circuits, delta.loads.rows]).toEqual([[], []]);
  expect(heard([a, b])).toEqual(b);
});
test('circuits that go and come', () => {
  const memory = createMemory();
  const fewer = after(start, [dropOp(start, 'circuits', 'c-y')]);
  expect(heard([analyse(start, memory), analyse(fewer, memory), analyse(start, memory)])).toEqual(analyse(start));
});
test('any walk of edits is heard as it is', () => {
  const step = fc.record({ id: fc.constantFrom('x', 'y'), rating: fc.integer({ min: 0, max: 900 }), drop: fc.boolean() });
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
      const memory = createMemory();
      let design = start;
      const analyses = steps.map(({ id, rating, drop }) => {
        design = after(design, drop ? [dropOp(design, 'circuits', `c-${id}`)] : [setOp(design, ['loads', id, 'rating'], rating)]);
        return analyse(design, memory);
      });
      expect(heard(analyses)).toEqual(analyse(design));
    }),
    { numRuns: 40 },
  );
});
