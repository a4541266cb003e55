/** What the records bring to Check: of the thing that was read, once each, and gone when what was read is right again. */
import { analyse } from '../analysis';
import { testLimits, testSheet, USUAL_CONDITIONS } from '../commission';
import type { BoatRecord, Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { recordedFindings } from './recorded';

const DAY = 86_400_000;
const now = Date.UTC(2026, 0, 1);
const boat: Design = withLoad(bareBoat('metric'), { rating: 240, ratingBy: 'W', mark: 'typical' }, 4);
const sheet = testSheet(boat, analyse(boat), USUAL_CONDITIONS);
const bankId = boat.banks[0]?.id ?? '';
let n = 0;
const read = (thing: string, daysAgo: number, body: BoatRecord['body']): BoatRecord => ({
  id: `recorded-${++n}-test`,
  kind: 'reading',
  thing,
  at: now - daysAgo * DAY,
  body,
});
const capacity = (daysAgo: number, part: number) => {
  const bank = boat.banks[0];
  const value = part * (bank?.blockAh ?? 0) * (bank?.strings ?? 0);
  return read(`measured:capacity.${bankId}`, daysAgo, { value, unit: 'Ah', what: 'capacity of House' });
};
const of = (...records: BoatRecord[]) => recordedFindings(boat, sheet, records, now);

test('a bank worn out is a finding of that bank, to be settled; charged up again by new blocks it is none', () => {
  expect(of(capacity(400, 0.95), capacity(10, 0.7))).toMatchObject([
    { rule: 'trend-over', severity: 'fix', about: { kind: 'bank', id: bankId } },
  ]);
  expect(of(capacity(400, 0.95), capacity(20, 0.7), capacity(10, 1)).map((f) => f.rule)).not.toContain('trend-over');
});
test('a test that was not right and a trend stand beside each other, each under its own id', () => {
  const amps = sheet.find((l) => l.id.startsWith('amps.'));
  const open = read(`test:${amps?.id ?? ''}`, 1, { value: 40, unit: 'A', verdict: 'above its band', what: 'amps' });
  const found = of(open, capacity(400, 0.95), capacity(10, 0.7));
  expect(found.map((f) => f.rule).sort()).toEqual(['test-open', 'trend-over']);
  expect(new Set(found.map((f) => f.id)).size).toBe(2);
});
test('nothing read, nothing brought', () => expect(of()).toEqual([]));
test('a drop’s limit is kept in mΩ: its millivolts over the amps it is stated at', () => {
  const drop = sheet.find((l) => l.id.startsWith('drop.'));
  if (!drop?.drop || drop.limit.most === null) throw new Error('no drop');
  expect(testLimits(sheet).get(drop.id)?.most).toBeCloseTo(drop.limit.most / drop.drop.atA, 9);
  // 240 W at 12 V: 20 A, and 10 % of 12 V are 1200 mV: 60 mΩ.
  expect(drop.drop.atA).toBe(20);
  expect(testLimits(sheet).get(drop.id)?.most).toBeCloseTo(60, 9);
});
