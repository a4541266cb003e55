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
  const [offer, more] = offersOf(boat, records);
  expect(more).toBeUndefined();
  expect(offer).toMatchObject({ was: '20 A, typical', is: '25 A, measured' });
  const taken = applyEdit(boat, { ops: [...(offer?.ops ?? [])] });
  if (!taken.ok) throw new Error('refused');
  expect(taken.design.loads.find((l) => l.id === 'x')).toMatchObject({ rating: 300, mark: 'measured' });
  expect(offersOf(taken.design, records)).toEqual([]);
});
test('the last reading counts, by when it was so', () => {
  expect(offersOf(boat, [read(id, 25, '', 10), read(id, 22, '', 20), read(id, 30, '', 5)])[0]?.is).toBe('22 A, measured');
});
test('nothing read, nothing offered; nonsense is no offer', () => {
  expect(offersOf(boat, [])).toEqual([]);
  expect(offersOf(boat, [read(id, 0, '')])).toEqual([]);
});
test('a test that was not right is a finding of its circuit until it is repeated and is', () => {
  const [open] = openTests(boat, sheet, [read(id, 25, 'above band', 1)]);
  expect(open).toMatchObject({ rule: 'test-open', about: { kind: 'circuit', id: 'c-x' } });
  expect(open?.title).toContain('25 A, above band');
  expect(openTests(boat, sheet, [read(id, 25, 'above band', 1), read(id, 20, 'pass', 2)])).toEqual([]);
  expect(openTests(boat, [], [read(id, 25, 'above band', 1)])).toEqual([]);
});
