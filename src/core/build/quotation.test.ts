/** Quotations: sums by hand, and no price that nobody typed. */
import { analyse } from '../analysis';
import type { Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { cutList } from './cutList';
import { priceKey, quotationOf } from './quotation';

const boat: Design = withLoad(bareBoat('metric'), { rating: 5, ratingBy: 'A' }, 4);
const list = cutList(boat, analyse(boat).circuits);
const hours = { lines: [], p50H: 10, p90H: 14, days: 2 };

test('nothing typed: no sum, every line counted as open', () => {
  const q = quotationOf(boat, list, hours);
  expect(q).toMatchObject({ parts: 0, work: null, total: 0 });
  expect(q.open).toBe(q.groups.reduce((n, g) => n + g.lines.length, 0));
});
test('a reel at 2 a metre, ten hours at 50, a tenth of margin on both', () => {
  const [cable] = quotationOf(boat, list, hours).groups;
  const [reel] = cable?.lines ?? [];
  if (!reel) throw new Error('no reel');
  const priced: Design = {
    ...boat,
    boat: { ...boat.boat, prices: { [reel.key]: 2 } },
    work: { ...boat.work, hourRate: 50, marginPct: 10 },
  };
  const q = quotationOf(priced, list, hours);
  expect(q.groups[0]?.lines[0]?.sum).toBeCloseTo(2 * reel.quantity, 9);
  expect(q.parts).toBeCloseTo(2.2 * reel.quantity, 9);
  expect(q.work).toBeCloseTo(550, 9);
  expect(q.total).toBeCloseTo(2.2 * reel.quantity + 550, 9);
});
test('keys are ids, and no two parts share one', () => {
  const keys = quotationOf(boat, list, hours).groups.flatMap((g) => g.lines.map((l) => l.key));
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.every((k) => /^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/.test(k))).toBe(true);
  expect(priceKey('lug 16 mm² × M8, tinned, bare, long barrel')).not.toBe(priceKey('lug 16 mm² × M8, tinned, bare, long barrels'));
});
