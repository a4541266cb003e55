/** Readings offered in the place of estimates, and tests that stay open until they are repeated. */
import { analyse } from '../analysis';
import { applyEdit, type BoatRecord, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { USUAL_CONDITIONS } from './line';
import { offersOf, openTests } from './offers';
import { testSheet } from './sheet';

const boat: Design = withLoad(bareBoat('metric'), { rating: 240, ratingBy: 'W', mark: 'typical' }, 4);
const sheet = testSheet(boat, analyse(boat), USUAL_CONDITIONS);
const line = sheet.find((l) => l.id.startsWith('amps.c-x'));
let n = 0;
const read = (id: string, value: number, verdict: string, at = ++n): BoatRecord => ({
  id: `record-${at}-${++n}`,
  kind: 'reading',
  thing: `test:${id}`,
  at,
  body: { value, verdict },
});
const id = line?.id ?? '';

test('25 A read on a load of 240 W, typical, is offered as 300 W, measured; taken, it is offered no more', () => {
  const records = [read(id, 25, 'above band')];
  const [offer, more] = offersOf(boat, sheet, records);
  expect(more).toBeUndefined();
  expect(offer).toMatchObject({ was: '20 A, typical', is: '25 A, measured' });
  const taken = applyEdit(boat, { ops: [...(offer?.ops ?? [])] });
  if (!taken.ok) throw new Error('refused');
  expect(taken.design.loads.find((l) => l.id === 'x')).toMatchObject({ rating: 300, mark: 'measured' });
  expect(offersOf(taken.design, sheet, records)).toEqual([]);
});
test('the last reading counts, by when it was so', () => {
  expect(offersOf(boat, sheet, [read(id, 25, '', 10), read(id, 22, '', 20), read(id, 30, '', 5)])[0]?.is).toBe('22 A, measured');
});
test('nothing read, nothing offered; nonsense is no offer', () => {
  expect(offersOf(boat, sheet, [])).toEqual([]);
  expect(offersOf(boat, sheet, [read(id, 0, '')])).toEqual([]);
});
test('a test that was not right is a finding of its circuit until it is repeated and is', () => {
  const [open] = openTests(boat, sheet, [read(id, 25, 'above band', 1)]);
  expect(open).toMatchObject({ rule: 'test-open', about: { kind: 'circuit', id: 'c-x' } });
  expect(open?.title).toContain('25 A, above band');
  expect(openTests(boat, sheet, [read(id, 25, 'above band', 1), read(id, 20, 'pass', 2)])).toEqual([]);
  expect(openTests(boat, [], [read(id, 25, 'above band', 1)])).toEqual([]);
});

describe('read part by part, windlass of 80 A', () => {
  const heavy: Design = withLoad(bareBoat('metric'), { rating: 960, ratingBy: 'W', mark: 'typical', group: 'heavy' }, 4);
  const lines = testSheet(heavy, analyse(heavy), USUAL_CONDITIONS);
  const parts = lines.filter((l) => l.id.startsWith('part.'));
  const own = (all: typeof lines) => all.filter((l) => l.id.startsWith('part.') && l.drop?.elements[0]?.circuitId === 'c-x');
  const at = (id: string, value: number, atA: number): BoatRecord => ({
    id: `part-${++n}`,
    kind: 'reading',
    thing: `test:${id}`,
    at: n,
    body: { value, atA, verdict: 'pass' },
  });
  test('every part of its path has a line, out and back, and probes at its own two ends', () => {
    const whole = lines.find((l) => l.id.startsWith('drop.'));
    expect(parts.length).toBe(whole?.at?.parts.length);
    expect(parts.map((l) => [l.at?.before, l.at?.behind])).toEqual(parts.map((_, k) => [k, k]));
    expect(parts.reduce((mv, l) => mv + (l.band?.expected ?? 0), 0)).toBeCloseTo(whole?.band?.expected ?? 0, 6);
  });
  test('80 mV over its device at 80 A is 1 mΩ, offered as measured; taken, offered no more', () => {
    const device = own(parts).find((l) => l.drop?.elements[0]?.kind === 'device');
    const records = [at(device?.id ?? '', 80, 80)];
    const [offer, more] = offersOf(heavy, lines, records);
    expect(more).toBeUndefined();
    expect(offer).toMatchObject({ is: '1 mΩ, measured' });
    const taken = applyEdit(heavy, { ops: [...(offer?.ops ?? [])] });
    if (!taken.ok) throw new Error('refused');
    expect(taken.design.circuits.find((c) => c.id === 'c-x')?.deviceMohm).toBe(1);
    expect(offersOf(taken.design, testSheet(taken.design, analyse(taken.design), USUAL_CONDITIONS), records)).toEqual([]);
  });
  test('twice the copper’s millivolts, its two ends taken off, is twice the length; where it is taped the tape stands', () => {
    const untaped: Design = {
      ...heavy,
      circuits: heavy.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) } : c)),
    };
    const estimated = testSheet(untaped, analyse(untaped), USUAL_CONDITIONS);
    const cable = own(estimated).find((l) => l.drop?.elements.some((e) => e.kind === 'copper'));
    const elements = cable?.drop?.elements ?? [];
    const mohm = elements.reduce((sum, e) => sum + (e.kind === 'copper' ? 2 : 1) * e.mohm, 0);
    const records = [at(cable?.id ?? '', 80 * mohm, 80)];
    const [offer] = offersOf(untaped, estimated, records);
    const taken = applyEdit(untaped, { ops: [...(offer?.ops ?? [])] });
    if (!taken.ok) throw new Error('refused');
    const lengthM = elements.find((e) => e.kind === 'copper')?.lengthM ?? 0;
    expect(taken.design.circuits.find((c) => c.id === 'c-x')?.taps[0]?.tapedM).toBeCloseTo(2 * lengthM, 2);
    expect(offersOf(heavy, lines, records)).toEqual([]);
  });
  test('110 mV at 10 A of a bank is 11 mΩ', () => {
    const [bank] = heavy.banks;
    const [offer] = offersOf(heavy, lines, [at(`bankohm.${bank?.id ?? ''}`, 110, 10)]);
    expect(offer).toMatchObject({ is: '11 mΩ, measured' });
  });
});
