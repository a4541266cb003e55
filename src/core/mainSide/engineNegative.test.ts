/** The engine's negative: what starts, what the alternators give, and what charges the start bank from elsewhere come back by it. */
import { analyse } from '../analysis';
import { type Bank, blankBank, blankDesign, blankSource, type Design } from '../design';
import { proposeMainSide } from '../propose';

const boat = (change: Partial<Design>): Design => {
  const d = { ...blankDesign('Test', 'metric', 11, 3.5, 12), ...change };
  let n = 0;
  const { bars, leads } = proposeMainSide(d, (p) => `${p}${++n}`);
  return { ...d, bars: [...bars], leads: [...leads] };
};
const carried = (d: Design, name: string) => {
  const { leads } = analyse(d);
  return leads.flatMap((r) => (d.leads.find((l) => l.id === r.id)?.name === name ? [r] : []))[0];
};
const house = blankBank('house', 12, 'saloon');
const start: Bank = { ...blankBank('start', 12, 'engine'), name: 'Start', job: 'start' };
const charger = (bankId: string) => ({ ...blankSource('ch', 'shore charger', 12, bankId), ratedA: 30, placeId: 'lazarette' });

test('30 A that charge the start bank come back through the block: its negative bears them', () => {
  const r = carried(boat({ banks: [house, start], sources: [charger('start')] }), 'Engine negative');
  expect(r?.carries).toMatchObject({ amps: 30, why: 'what charges the start bank comes back through the block' });
  expect(r?.izA).toBeGreaterThanOrEqual(30);
});
test('what charges the house alone does not', () => {
  expect(carried(boat({ banks: [house, start], sources: [charger('house')] }), 'Engine negative')?.carries.amps).toBe(0);
});
test('a house bank that cranks has the start on its whole way back, through the shunt and the bus to the block', () => {
  const d = boat({ banks: [house], sources: [charger('house')] });
  const cranked = boat({ banks: [house], sources: [charger('house')], engine: { ...d.engine, startBankId: 'house', crankA: 350 } });
  for (const name of ['House bank negative', 'Engine negative', 'Starter'])
    expect([name, carried(cranked, name)?.carries.amps, carried(cranked, name)?.carries.cranks]).toEqual([name, 350, true]);
  expect(carried(cranked, 'House bank negative')?.carries.lastingA).toBe(30);
});
