/** The service plan by the calendar, and hours learned, by hand. */
import { blankGauge, type BoatRecord, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { learnedOf } from './learned';
import { addMonths, serviceItems, servicePlan, thingName } from './service';

const at = (day: string) => Date.parse(`${day}T00:00:00Z`);
const boat = withLoad(bareBoat('metric'), { name: 'Bilge pump', kind: 'bilge pump', rating: 40 }, 3);
const done = (thing: string, day: string): BoatRecord => ({
  id: `r-${day}-aaaa`,
  kind: 'entry',
  thing,
  at: at(day),
  body: { what: 'service' },
});

test('months by the calendar: the last of January and a month is the last of February', () => {
  expect(addMonths(at('2027-01-31'), 1)).toBe(at('2027-02-28'));
  expect(addMonths(at('2027-11-15'), 3)).toBe(at('2028-02-15'));
  expect(addMonths(at('2028-02-29'), 12)).toBe(at('2029-02-28'));
});

test('what nobody has noted is due now; done, it is due an interval later; the last time counts', () => {
  const now = at('2027-06-10');
  const of = (records: readonly BoatRecord[]) => servicePlan(boat, records, now).find((d) => d.id === 'bilge-x');
  expect(of([])).toMatchObject({ last: null, due: now, overdue: true });
  expect(of([done('service:bilge-x', '2027-06-01')])).toMatchObject({ due: at('2027-07-01'), overdue: false });
  expect(of([done('service:bilge-x', '2027-04-01'), done('service:bilge-x', '2027-03-01')])).toMatchObject({
    last: at('2027-04-01'),
    overdue: true,
  });
});

test('only what the boat has: taking a thing away takes its lines away', () => {
  const ids = (d: Design) => serviceItems(d).map((i) => i.id);
  expect(ids(boat)).toContain('bilge-x');
  expect(ids({ ...boat, loads: [] })).not.toContain('bilge-x');
  expect(ids({ ...boat, gauges: [blankGauge('g', 'Gauge', 'counting', 'house', null)] })).toEqual(
    expect.arrayContaining(['zero-g', 'alarms']),
  );
  const flooded: Design = { ...boat, banks: boat.banks.map((b) => ({ ...b, chemistry: 'flooded' })) };
  expect(ids(flooded)).toContain('water-house');
  expect(ids({ ...flooded, banks: [] }).some((id) => id.endsWith('-house'))).toBe(false);
  expect(new Set(ids(flooded)).size).toBe(ids(flooded).length);
});

test('what a record is about is named', () => {
  expect(thingName(boat, 'piece:c-x.t-x.0p')).toBe(boat.circuits.find((c) => c.id === 'c-x')?.name);
  expect(thingName(boat, 'service:bilge-x')).toBe('Bilge pump: float lifted by hand');
  expect(thingName(boat, 'boat:boat')).toBe(boat.boat.name);
  expect(thingName(boat, 'load:gone')).toBe('');
});

test('hours learned by kind: five tasks that took 1.4 times what was thought move the factor to 1.2', () => {
  const time = (n: number, minutes: number, more: Partial<BoatRecord> = {}): BoatRecord => ({
    id: `t-000000${n}`,
    kind: 'time',
    thing: `task:pull:${n}`,
    at: n,
    body: { kind: 'pull', minutes, estimated: 100 },
    ...more,
  });
  const five = [1, 2, 3, 4, 5].map((n) => time(n, 140));
  expect(learnedOf(five)).toEqual([{ kind: 'pull', n: 5, realMin: 700, estimatedMin: 500, ratio: 1.4, factor: 1.2 }]);
  // A later entry of the same task stands in the place of the earlier.
  expect(learnedOf([...five, time(5, 40, { id: 't-later00', at: 99 })])[0]?.realMin).toBe(600);
  expect(learnedOf([{ ...time(1, 140), body: { kind: 'pull', minutes: 140, estimated: 0 } }])).toEqual([]);
});
