import { analyse } from '@/core';
import { blankBank, blankTie, type Design } from '@/core/design';
import { blankBatteryCable, proposeMainSide } from '@/core/propose';
import { bareBoat, withLoad } from '@/core/design/testing';
import { barColumns, leadColumns, type LeadRow } from './leadColumns';

let n = 0;
const fresh = (prefix: string) => `${prefix}${++n}`;
const bare = withLoad(bareBoat('metric'), { name: 'Windlass', rating: 900, group: 'heavy' }, 5);
const twoBanks: Design = {
  ...bare,
  banks: [...bare.banks, { ...blankBank('start', 12, 'engine'), name: 'Start', strings: 1 }],
  joins: [{ ...blankTie('j', 'relay', 12), name: 'Relay', firstId: 'house', secondId: 'start' }],
};
const design: Design = { ...twoBanks, ...proposeMainSide(twoBanks, fresh) };
const rowOf = (name: string, d = design): LeadRow => {
  const at = d.leads.findIndex((l) => l.name === name);
  const lead = d.leads[at];
  if (!lead) throw new Error(name);
  return { ...lead, result: analyse(d).leads[at] };
};
const column = (key: string, d = design) => {
  const c = leadColumns(d, fresh).find((x) => x.key === key);
  if (!c) throw new Error(key);
  return c;
};
const shown = (key: string, row: LeadRow, d = design) => (column(key, d).show ?? column(key, d).text)(row);
const written = (key: string, text: string, row = rowOf('House bank negative')) => {
  const parsed = column(key).write?.(row, text);
  if (!parsed) throw new Error('not typed');
  return parsed;
};

test('ends are shown with their rail, typed without it, and chosen by an unambiguous beginning', () => {
  const row = rowOf('House bank negative');
  expect([shown('from', row), shown('to', row)]).toEqual(['House bank −', 'Negative bus']);
  expect(shown('from', rowOf('Relay, first'))).toBe('House bank +');
  expect(shown('to', rowOf('Relay, first'))).toBe('Relay, first side');
  expect(shown('from', rowOf('Windlass case'))).toBe('case of Windlass');
  expect(written('to', 'Start')).toEqual({ ok: true, value: { to: { kind: 'bank', id: 'start' } } });
  expect(written('to', 'Relay, second side')).toEqual({ ok: true, value: { to: { kind: 'join second', id: 'j' } } });
  expect(written('to', 'the moon').ok).toBe(false);
  const { options } = column('from');
  for (const option of Array.isArray(options) ? options : []) expect(written('from', option).ok).toBe(true);
});

test('an end that is gone breaks', () => {
  const lost: Design = {
    ...design,
    leads: [blankBatteryCable('x', 'Lost', 'negative', { kind: 'bank', id: 'house' }, { kind: 'bar', id: 'gone' })],
  };
  const row = rowOf('Lost', lost);
  expect(shown('to', row, lost)).toBe('nothing');
  expect(column('to', lost).tone?.(row)).toBe('breaks');
});

test('length, size and rating: typed, emptied, refused', () => {
  expect(written('lengthM', '1,4')).toEqual({ ok: true, value: { lengthM: 1.4 } });
  expect(written('lengthM', '')).toEqual({ ok: true, value: { lengthM: null } });
  expect(written('lengthM', '900').ok).toBe(false);
  expect(written('size', '25')).toEqual({ ok: true, value: { size: { school: 'metric', size: '25' } } });
  expect(written('size', '')).toEqual({ ok: true, value: { size: null } });
  expect(written('size', '7').ok).toBe(false);
  expect(written('ratingA', '150')).toEqual({ ok: true, value: { ratingA: 150 } });
  expect(written('ratingA', '-3').ok).toBe(false);
  expect(written('name', '  ').ok).toBe(false);
});

test('a choice is in ink, a pin in copper, what fails breaks and is named', () => {
  const tone = (row: LeadRow) => column('size').tone?.(row);
  const free = rowOf('House bank negative');
  expect(tone(free)).toBeUndefined();
  const pin = (size: string): Design => ({
    ...design,
    leads: design.leads.map((l) => (l.name === 'House bank negative' ? { ...l, size: { school: 'metric' as const, size } } : l)),
  });
  expect(tone(rowOf('House bank negative', pin('120')))).toBe('pinned');
  const thin = rowOf('House bank negative', pin('1.5'));
  expect(tone(thin)).toBe('breaks');
  expect(shown('governs', thin)).toMatch(/^✗ /);
  expect(shown('governs', free)).toBe(free.result?.governs);
});

test('a device is told by rating and kind, “none” where a positive has none, a dot where none is asked', () => {
  expect(shown('fused', rowOf('Relay, first'))).toMatch(/^\d+ A /);
  expect(shown('fused', rowOf('House bank negative'))).toBe('·');
  const bared: Design = { ...design, leads: design.leads.map((l) => ({ ...l, fused: false })) };
  expect(shown('fused', rowOf('Relay, first', bared), bared)).toBe('none');
  expect(written('fused', 'no')).toEqual({ ok: true, value: { fused: false } });
});

test('what has nothing to carry shows a dash; an estimate is marked, a taped length too', () => {
  expect(shown('amps', rowOf('Bonding joint'))).toBe('–');
  expect(Number(shown('amps', rowOf('Relay, first')))).toBeGreaterThan(0);
  expect(column('lengthM').tone?.(rowOf('Bonding joint'))).toBe('estimated');
  expect(column('lengthM').tone?.({ ...rowOf('Bonding joint'), lengthM: 2 })).toBe('measured');
});

test('a bar: kind, place and stud from the lists, an unknown place refused', () => {
  const [bar] = design.bars;
  const of = (key: string) => barColumns(design).find((c) => c.key === key);
  if (!bar) throw new Error('no bar');
  expect(of('kind')?.write?.(bar, 'bonding bus')).toEqual({ ok: true, value: { kind: 'bonding bus' } });
  expect(of('place')?.write?.(bar, 'galley')).toEqual({ ok: true, value: { placeId: 'galley' } });
  expect(of('place')?.write?.(bar, '')).toEqual({ ok: true, value: { placeId: null } });
  expect(of('place')?.write?.(bar, 'attic').ok).toBe(false);
  expect(of('stud')?.write?.(bar, 'M10')).toEqual({ ok: true, value: { stud: 'M10' } });
});
