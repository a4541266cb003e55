/** Over several boats: what is due, hours by kind, and what equipment draws against its card. By hand. */
import { APPLIANCES, type BoatRecord, type Card, cardFrom, type Design, loadFrom } from '../design';
import { bareBoat } from '../design/testing';
import { cardAsLearned, equipmentLearned, type FirmBoat, firmSum, partOf } from './firm';

const DAY = 86_400_000;
const now = Date.UTC(2026, 5, 1);
let n = 0;
const record = (kind: BoatRecord['kind'], thing: string, at: number, body: BoatRecord['body']): BoatRecord => ({
  id: `record-${++n}-firm`,
  kind,
  thing,
  at,
  body,
});
const pump = APPLIANCES[0];
if (!pump) throw new Error('no list');
/** A boat with one load of the list at a part of what the list says it draws. */
const boat = (part: number, mark: 'measured' | 'typical' = 'measured', cardId: string | null = null): Design => {
  const bare = bareBoat('metric');
  const load = loadFrom(pump, 'l', 12, new Set());
  return { ...bare, loads: [{ ...load, rating: part * pump.watts, mark, cardId }] };
};
const part = (design: Design) => partOf({ id: 'x', name: 'x', design, records: [] }, now);
const sumOf = (...boats: readonly FirmBoat[]) =>
  firmSum(
    boats.map((b) => partOf(b, now)),
    [],
  );
const kept = (id: string, design: Design, records: readonly BoatRecord[] = []): FirmBoat => ({ id, name: id, design, records });

test('three of a kind at 1.1, 1.2 and 1.4 of the list: 1.2, half of what lies between the quarters 0.075; typical ones teach nothing', () => {
  const [learned, more] = equipmentLearned([boat(1.1), boat(1.2), boat(1.4), boat(3, 'typical')].map(part), []);
  expect(more).toBeUndefined();
  expect(learned).toMatchObject({ name: pump.name, cardId: null, n: 3, listedW: pump.watts });
  expect(learned?.ratio).toBeCloseTo(1.2, 9);
  expect(learned?.spread).toBeCloseTo(0.075, 9);
});
test('one alone says nothing of the next; what no list knows neither', () => {
  expect(equipmentLearned([part(boat(1.5))], [])).toEqual([]);
  const strange = [boat(1.1), boat(1.2)].map((d) => part({ ...d, loads: d.loads.map((l) => ({ ...l, name: 'Selbstbau' })) }));
  expect(equipmentLearned(strange, [])).toEqual([]);
});
test('with a card it goes by the card’s own figure, and is offered to the card', () => {
  const card: Card = { ...cardFrom(loadFrom(pump, 'l', 12, new Set()), 'k'), ratingBy: 'W', rating: 100 };
  const of = (w: number) => part(boat(w / pump.watts, 'measured', 'k'));
  const [learned] = equipmentLearned([of(120), of(124)], [card]);
  expect(learned).toMatchObject({ cardId: 'k', n: 2 });
  expect(learned?.ratio).toBeCloseTo(1.22, 9);
  expect(cardAsLearned(card, learned ?? { ratio: 1 })).toMatchObject({ rating: 122, mark: 'measured' });
});
test('due: what was done and comes round within two months; what nobody noted is counted', () => {
  const design = boat(1);
  const bank = design.banks[0]?.id ?? '';
  const done = (at: number) => record('entry', `service:torque-${bank}`, at, { sort: 'work' });
  const of = (...records: BoatRecord[]) => sumOf(kept('a', design, records)).boats[0];
  expect(of(done(now - 400 * DAY))?.due).toMatchObject([{ id: `torque-${bank}`, overdue: true }]);
  expect(of(done(now - 330 * DAY))?.due).toMatchObject([{ id: `torque-${bank}`, overdue: false }]);
  expect(of(done(now - 30 * DAY))?.due).toEqual([]);
  expect((of()?.never ?? 0) - (of(done(now))?.never ?? 0)).toBe(1);
});
test('hours of a boat: entries and the last time of each task; two boats with one task are two of its kind', () => {
  const time = (minutes: number, at = now) => record('time', 'task:pull:c1', at, { minutes, estimated: 60, kind: 'pull', what: 'pull' });
  const sum = sumOf(
    kept('a', boat(1), [record('entry', 'boat:boat', now, { sort: 'work', hours: 1.5 }), time(30, now - 1), time(90)]),
    kept('b', boat(1), [time(60)]),
  );
  expect(sum.boats.map((b) => b.hours)).toEqual([3, 1]);
  expect(sum.hours).toMatchObject([{ kind: 'pull', n: 2, realMin: 150, estimatedMin: 120 }]);
});
