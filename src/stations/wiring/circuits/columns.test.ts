import { analyse } from '@/core';
import type { Design } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { ringFrom } from '@/core/topology';
import { circuitColumns, type CircuitRow } from './columns';

const design = withLoad(bareBoat('metric'), { rating: 60, surgeA: 15, surgeS: 0.5 }, 4);
const rowOf = (d: Design, id = 'c-x'): CircuitRow => {
  const circuit = d.circuits.find((c) => c.id === id);
  if (!circuit) throw new Error(id);
  const from = [...d.banks, ...d.panels].find((s) => s.id === circuit.from.id);
  return {
    ...circuit,
    result: analyse(d).circuits.find((c) => c.id === id),
    fromName: from?.name ?? '?',
    ringFrom: (source) => ringFrom(d, circuit, source),
  };
};
const row = rowOf(design);
const column = (key: string, d = design) => {
  const c = circuitColumns(d).find((x) => x.key === key);
  if (!c) throw new Error(key);
  return c;
};
const written = (key: string, text: string, r = row) => {
  const parsed = column(key).write?.(r, text);
  if (!parsed) throw new Error('not typed');
  return parsed;
};
const pinned = (pin: Partial<CircuitRow['pin']>): Design => ({
  ...design,
  circuits: design.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: { ...c.pin, ...pin } } : c)),
});

describe('pinning a cable', () => {
  test.each([
    ['10', { size: { school: 'metric', size: '10' }, legs: 1 }],
    ['10 AWG', { size: { school: 'awg', size: '10' }, legs: 1 }],
    ['2x50', { size: { school: 'metric', size: '50' }, legs: 2 }],
    ['3 × 70 mm²', { size: { school: 'metric', size: '70' }, legs: 3 }],
    ['', { size: null, legs: 1, ownDevices: false }],
  ])('"%s"', (text, pin) => {
    const parsed = written('cable', text);
    expect(parsed.ok && parsed.value.pin).toMatchObject(pin);
  });
  test.each([
    ['2x10', 'parallel'],
    ['7', 'no 7 mm²'],
    ['thick', 'is meant'],
    ['9x50', 'is meant'],
  ])('"%s" is refused', (text, word) => {
    const parsed = written('cable', text);
    expect(!parsed.ok && parsed.message).toContain(word);
  });
  test('what is chosen is shown, what is pinned stands out', () => {
    expect(column('cable').show?.(row)).toMatch(/mm²$/);
    expect(column('cable').tone?.(row)).toBeUndefined();
    const r = rowOf(pinned({ size: { school: 'metric', size: '10' } }));
    expect([column('cable').show?.(r), column('cable').tone?.(r), column('cable').text(r)]).toEqual(['10 mm²', 'pinned', '10 mm²']);
  });
});

describe('other entries', () => {
  test('a length typed is a taped one; empty goes back to the estimate', () => {
    const typed = written('length', '3 m');
    expect(typed.ok && typed.value.taps?.[0]?.tapedM).toBe(3);
    const empty = written('length', '');
    expect(empty.ok && empty.value.taps?.[0]?.tapedM).toBeNull();
    expect(column('length').tone?.(row)).toBe('measured');
  });
  test('several taps are taped one by one', () => {
    const two = { ...row, taps: [...row.taps, { ...row.taps[0], id: 't2' } as CircuitRow['taps'][number]] };
    expect(written('length', '3', two).ok).toBe(false);
    expect(column('name').show?.(two)).toBe('Thing (2)');
  });
  test('a rating is pinned and unpinned', () => {
    const typed = written('fuse', '15');
    expect(typed.ok && typed.value.pin?.ratingA).toBe(15);
    expect(written('fuse', '0.1').ok).toBe(false);
    const r = rowOf(pinned({ ratingA: 1 }));
    expect(column('fuse').tone?.(r)).toBe('breaks');
  });
  test('the source by its name', () => {
    const typed = written('from', 'Panel');
    expect(typed.ok && typed.value.from).toEqual({ kind: 'panel', id: 'panel' });
    expect(written('from', 'Attic').ok).toBe(false);
  });
  test('a panel that feeds itself is refused with its ring named, and is no choice', () => {
    const feeder = rowOf(design, 'c-feed');
    expect(written('from', 'Panel', feeder)).toEqual({ ok: false, message: 'it would feed itself: Panel → Panel' });
    const { options } = column('from');
    expect(typeof options === 'function' && options(feeder)).toEqual(['House bank', 'Main bus']);
  });
  test('way and bundle are whole numbers', () => {
    expect(written('way', '3')).toEqual({ ok: true, value: { way: 3 } });
    expect(written('way', '')).toEqual({ ok: true, value: { way: null } });
    expect(written('way', '99').ok).toBe(false);
    expect(written('bundled', '6')).toEqual({ ok: true, value: { bundled: 6 } });
    expect(written('bundled', '1').ok).toBe(false);
  });
  test('a name is needed; a number is short', () => {
    expect(written('name', '  ').ok).toBe(false);
    expect(written('no', '1234567890123').ok).toBe(false);
  });
});

test('what fails is named where it governs', () => {
  const r = rowOf(pinned({ size: { school: 'metric', size: '0.75' } }));
  expect(column('governs').text(r)).toMatch(/^✗ /);
  expect(column('governs').tone?.(r)).toBe('breaks');
  expect(column('governs').text(row)).not.toMatch(/^✗/);
});
test('a circuit without figures shows dashes', () => {
  const bare = { ...row, result: undefined };
  for (const key of ['amps', 'surge', 'drop', 'governs']) expect(column(key).text(bare)).toBe('–');
  expect(column('cable').show?.(bare)).toBe('–');
});
test('every column sorts by what it shows', () => {
  for (const c of circuitColumns(design)) if (c.sort) expect(['number', 'string']).toContain(typeof c.sort(row));
});
