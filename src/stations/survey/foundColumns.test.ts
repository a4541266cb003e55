import { analyse } from '@/core';
import { blankFound, type Circuit, type Design, type Found, parseFaults, parseRange, showFaults, showRange } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { foundColumns, type FoundRow } from './foundColumns';

const found: Found = { ...blankFound('metric'), decision: 'keep', faults: [{ id: 'a', kind: 'green', mohm: 12, strands: null, alike: 1 }] };
const design: Design = withLoad(bareBoat('metric'), { rating: 60 }, 4, { found });
const circuit = design.circuits.find((c) => c.id === 'c-x') as Circuit;
const row: FoundRow = { ...circuit, found, result: analyse(design).circuits.find((c) => c.id === 'c-x') };
const columns = foundColumns(design);
const column = (key: string) => {
  const c = columns.find((x) => x.key === key);
  if (!c) throw new Error(key);
  return c;
};
const written = (key: string, text: string): Partial<Found> | string => {
  const parsed = column(key).write?.(row, text);
  if (!parsed) return 'not typed';
  return parsed.ok ? (parsed.value.found ?? {}) : parsed.message;
};

test.each([
  ['decision', 'rem', { decision: 'remove' }],
  ['size', '14 AWG', { size: { school: 'awg', size: '14' } }],
  ['size', '1,5', { size: { school: 'metric', size: '1.5' } }],
  ['kind', 'house', { kind: 'household' }],
  ['colour', ' brown ', { colour: 'brown' }],
  ['length', '300 cm', { lengthM: 3 }],
  ['length', '', { lengthM: null }],
  ['family', 'blade fuse', { family: 'blade' }],
  ['family', '', { family: null }],
  ['ratingA', '15', { ratingA: 15 }],
  ['ratingA', 'none', { ratingA: null }],
  ['keepProtection', 'y', { keepProtection: true }],
  ['ageYears', '30', { ageYears: 30 }],
  ['insulationC', '75', { insulationC: 75 }],
  ['insulationC', '', { insulationC: null }],
  ['reason', 'Owner wants it', { reason: 'Owner wants it' }],
])('%s takes "%s"', (key, text, expected) => expect(written(key, text)).toMatchObject(expected));

test.each([
  ['decision', 'sell it', 'one of'],
  ['size', '13 AWG', 'no 13 AWG'],
  ['size', 'thick', 'is meant'],
  ['kind', 'string', 'one of'],
  ['length', '-3', 'at least'],
  ['length', '1e9', 'at most'],
  ['ratingA', 'NaN', 'not a number'],
  ['ageYears', '900', 'at most 80'],
  ['insulationC', '73', 'one of'],
  ['faults', 'haunted', 'none of'],
  ['colour', 'x'.repeat(60), 'at most 40'],
])('%s refuses "%s" with what would be right', (key, text, word) => expect(written(key, text)).toEqual(expect.stringContaining(word)));

test('what was typed is shown as typed, and taken back unchanged', () => {
  for (const c of columns) {
    if (!c.write) continue;
    const again = c.write(row, c.text(row));
    expect([c.key, again.ok]).toEqual([c.key, true]);
  }
});
test('bad joints show what they add and the heat they make', () =>
  expect(column('heat').text(row)).toBe(`12, ${((60 / 11.4) ** 2 * 0.012).toPrecision(3)}`));
test('a missing device stands out', () => {
  expect(column('ratingA').show?.(row)).toBe('none');
  expect(column('ratingA').tone?.(row)).toBe('breaks');
});

describe('conditions in words', () => {
  let n = 0;
  const parse = (text: string) => parseFaults(text, found.faults, () => `n${++n}`);
  test('by an unambiguous beginning, with what was measured', () => {
    const parsed = parse('green co 12.5 mΩ; no la; twist cap');
    expect(parsed.ok && parsed.value.map((f) => [f.kind, f.mohm])).toEqual([
      ['green', 12.5],
      ['unlabelled', null],
      ['twist-cap', null],
    ]);
  });
  test('one that stays keeps its id', () => {
    const parsed = parse('no label; green copper 3 mohm');
    expect(parsed.ok && parsed.value[1]).toEqual({ id: 'a', kind: 'green', mohm: 3, strands: null, alike: 1 });
  });
  test('there and back', () => {
    expect(showFaults(found.faults)).toBe('green copper 12 mΩ');
    expect(parse(showFaults(found.faults))).toEqual({ ok: true, value: found.faults });
    expect(parse('')).toEqual({ ok: true, value: [] });
  });
  test('strands by number, and several alike as one row', () => {
    const parsed = parse('strands lost 7 of 19 × 3; one crimp 0.4 mΩ x2; gap');
    expect(parsed.ok && parsed.value.map((f) => [f.kind, f.strands, f.mohm, f.alike])).toEqual([
      ['strands-lost', { lost: 7, of: 19 }, null, 3],
      ['one-crimp', null, 0.4, 2],
      ['gap', null, null, 1],
    ]);
    expect(parsed.ok && showFaults(parsed.value)).toBe(
      'strands lost 7 of 19 × 3; one crimp on a long barrel 0.4 mΩ × 2; gap between jacket and barrel',
    );
    expect(parse('strands lost 20 of 19').ok).toBe(false);
    expect(parse('gap × 0').ok).toBe(false);
  });
  test('an ambiguous beginning is asked again', () => expect(parse('twist').ok).toBe(false));
  test('an absurd resistance is refused', () => expect(parse('green copper 99999999 mΩ').ok).toBe(false));
});

describe('not chosen yet, in words', () => {
  const places = [
    { id: 'g', name: 'Galley' },
    { id: 's', name: 'Saloon' },
  ];
  const name = (id: string) => places.find((p) => p.id === id)?.name ?? '?';
  test.each([
    ['to 60 W; Galley, Saloon', { toRating: 60, placeIds: ['g', 's'] }],
    ['60', { toRating: 60, placeIds: [] }],
    ['to 4,5 w; galley', { toRating: 4.5, placeIds: ['g'] }],
    ['', null],
  ])('"%s"', (text, range) => expect(parseRange(text, { ratingBy: 'W' }, places)).toEqual({ ok: true, value: range }));
  test.each([
    ['to 60 A', 'to 60 W'],
    ['soon', 'is meant'],
    ['to 60 W; Attic', 'Attic'],
    ['to 999999999', 'at most'],
  ])('"%s" is refused', (text, word) => {
    const parsed = parseRange(text, { ratingBy: 'W' }, places);
    expect(!parsed.ok && parsed.message).toContain(word);
  });
  test('there and back', () => {
    const load = { ratingBy: 'W' as const, range: { toRating: 60, placeIds: ['s'] } };
    expect(parseRange(showRange(load, name), load, places)).toEqual({ ok: true, value: load.range });
    expect(showRange({ ...load, range: null }, name)).toBe('');
  });
});
