import { BOUNDS } from './bounds';
import fc from 'fast-check';
import { bareBoat, withLoad } from './testing';
import { addOp, applyEdit, dropOp, inverseOps, type Op, setOp } from './edit';
import { blankLoad } from './blank';
import { brokenReferences, readDesign, readDesignText } from './read';
import { share } from './share';
import type { Design } from './schema';

const boat = withLoad(bareBoat('metric'), {}, 4);
const applied = (design: Design, ops: Op[]): Design => {
  const result = applyEdit(design, { ops });
  if (!result.ok) throw new Error(JSON.stringify(result.conflicts));
  return result.design;
};

describe('edits', () => {
  test('setting a field changes that field only, and shares the rest', () => {
    const next = applied(boat, [setOp(boat, ['loads', 'x', 'name'], 'Lamp')]);
    expect(next.loads[0]?.name).toBe('Lamp');
    expect(next.circuits).toBe(boat.circuits);
    expect(boat.loads[0]?.name).toBe('Thing');
  });

  test('a value that moved on is a conflict that shows base, mine and theirs', () => {
    const stale = setOp(boat, ['loads', 'x', 'rating'], 80);
    const moved = applied(boat, [setOp(boat, ['loads', 'x', 'rating'], 70)]);
    expect(applyEdit(moved, { ops: [stale] })).toEqual({
      ok: false,
      conflicts: [{ path: ['loads', 'x', 'rating'], base: 60, mine: 80, theirs: 70 }],
    });
  });

  test('edits of different fields of one row both stand', () => {
    const a = setOp(boat, ['loads', 'x', 'rating'], 80);
    const b = setOp(boat, ['loads', 'x', 'name'], 'Lamp');
    expect(applied(applied(boat, [a]), [b]).loads[0]).toMatchObject({ rating: 80, name: 'Lamp' });
  });

  test('an edit in part conflicting is not applied in part', () => {
    const moved = applied(boat, [setOp(boat, ['loads', 'x', 'rating'], 70)]);
    const ops = [setOp(boat, ['boat', 'name'], 'Renamed'), setOp(boat, ['loads', 'x', 'rating'], 80)];
    expect(applyEdit(moved, { ops }).ok).toBe(false);
  });

  test('removing a row that was changed meanwhile is a conflict', () => {
    const drop = dropOp(boat, 'loads', 'x') as Op;
    const moved = applied(boat, [setOp(boat, ['loads', 'x', 'rating'], 70)]);
    expect(applyEdit(moved, { ops: [drop] }).ok).toBe(false);
    expect(applyEdit(moved, { ops: [drop] }, true).ok).toBe(true);
  });

  test('the inverse of any sequence of edits restores the design, order of rows included', () => {
    const step = fc.oneof(
      fc.record({ kind: fc.constant('set' as const), value: fc.double({ min: 0, max: 100, noNaN: true }) }),
      fc.record({ kind: fc.constant('add' as const), value: fc.integer({ min: 0, max: 1e6 }) }),
      fc.record({ kind: fc.constant('drop' as const), value: fc.nat(9) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let design = boat;
        const done: Op[][] = [];
        steps.forEach((s, i) => {
          const target = design.loads[s.value % Math.max(1, design.loads.length)];
          const op =
            s.kind === 'add'
              ? addOp(design, 'loads', blankLoad(`n${i}`, 12), design.loads[0]?.id ?? null)
              : s.kind === 'drop'
                ? target && dropOp(design, 'loads', target.id)
                : design.loads[0] && setOp(design, ['loads', design.loads[0].id, 'rating'], s.value);
          if (!op) return;
          design = applied(design, [op]);
          done.push([op]);
        });
        for (const ops of done.reverse()) design = applied(design, inverseOps(ops));
        expect(design).toEqual(boat);
      }),
    );
  });

  test.each([['__proto__'], ['constructor'], ['prototype']])('a path through %s changes nothing of the program', (name) => {
    applyEdit(boat, { ops: [{ op: 'set', path: [name, 'polluted'], from: null, to: true }] }, true);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
});

describe('reading a design', () => {
  const text = JSON.stringify(boat);
  test('what is written is read back whole', () => expect(readDesignText(text)).toEqual({ ok: true, design: boat }));
  test.each([
    ['nothing', '', 'the file'],
    ['half a file', text.slice(0, 300), 'the file'],
    ['a list', '[]', 'the file'],
    ['another format', '{"format":"other","version":1}', 'format'],
    ['a newer version', JSON.stringify({ ...boat, version: 99 }), 'version'],
    ['a version that is no number', JSON.stringify({ ...boat, version: 'x' }), 'version'],
    ['an absurd rating', JSON.stringify({ ...boat, loads: [{ ...boat.loads[0], rating: 1e9 }] }), 'loads, row 1 (Thing), rating'],
    ['a rating in words', JSON.stringify({ ...boat, loads: [{ ...boat.loads[0], rating: 'sixty' }] }), 'loads, row 1 (Thing), rating'],
    ['a negative length', JSON.stringify({ ...boat, boat: { ...boat.boat, lengthM: -1 } }), 'boat, lengthM'],
    ['a load that is not there', JSON.stringify({ ...boat, loads: [] }), 'circuits, row 3 (Thing), taps, row 1, serves'],
    [
      'a place that is not there',
      JSON.stringify({ ...boat, loads: [{ ...boat.loads[0], placeId: 'nowhere' }] }),
      'loads, row 1 (Thing), placeId',
    ],
    ['an id twice', JSON.stringify({ ...boat, loads: [boat.loads[0], boat.loads[0]] }), 'loads, row 2, id'],
    ['ids that are no ids', JSON.stringify({ ...boat, living: [{ id: '../x', name: 'x' }] }), 'living, row 1 (x), id'],
    [
      'too many rows',
      JSON.stringify({ ...boat, loads: Array.from({ length: BOUNDS.loads + 1 }, (_, i) => ({ ...boat.loads[0], id: `n${i}` })) }),
      'loads',
    ],
  ])('%s is refused, naming the place', (_, bad, where) => {
    const read = readDesignText(bad);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems.map((p) => p.where)).toContain(where);
  });
  test('a file beyond the bound is refused before it is parsed', () => {
    const read = readDesignText(`{"x":"${'y'.repeat(BOUNDS.fileBytes)}"}`);
    expect(read).toMatchObject({ ok: false, problems: [{ where: 'the file' }] });
  });
  test('a polluting key is dropped, not taken over', () => {
    const read = readDesign(JSON.parse(text.replace('"boat":{', '"boat":{"__proto__":{"polluted":1},')));
    expect(read.ok).toBe(true);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('reading never throws, whatever the text', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (anything) => expect(typeof readDesignText(anything).ok).toBe('boolean')));
  });
  test('a branch that precedes the one it hangs on is refused', () => {
    const circuits = boat.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, parent: 'later' })) } : c));
    expect(brokenReferences({ ...boat, circuits })[0]?.where).toContain('parent');
  });
});

test('sharing keeps equal parts as the same objects and takes over what changed', () => {
  const copy = structuredClone(boat) as Design;
  expect(share(boat, copy)).toBe(boat);
  const changed = { ...copy, boat: { ...copy.boat, name: 'Other' } };
  const merged = share(boat, changed);
  expect(merged).toEqual(changed);
  expect(merged.loads).toBe(boat.loads);
  expect(merged.boat).not.toBe(boat.boat);
});
