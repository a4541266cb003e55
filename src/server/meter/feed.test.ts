/** What is understood of a meter's messages, and what is let go. */
import { meterDelta } from '@/core/monitoring';
import { heardIn } from './feed';

test('our own message comes back as it was: amps into the bank', () => {
  const heard = heardIn(meterDelta('house', { minute: 90, volts: 12.61, amps: -7.3, soc: 0.8, rpm: 0, gives: {} }, 0), 'house');
  expect(heard).toEqual({ at: 90 * 60_000, volts: 12.61, amps: -7.3, soc: 0.8 });
});
test('another bank’s values are not this one’s', () =>
  expect(heardIn(meterDelta('bow', { minute: 0, volts: 12, amps: 0, soc: 1, rpm: 0, gives: {} }, 0), 'house')).toBeNull());
test.each([
  '',
  'nonsense',
  '[]',
  '{"updates":[{"values":[{"path":"electrical.batteries.house.voltage","value":"high"}]}]}',
  '{"updates":{}}',
])('what is no message is let go: %s', (text) => expect(heardIn(text, 'house')).toBeNull());
test('one value alone is told, the others are not made up', () =>
  expect(
    heardIn(
      '{"updates":[{"timestamp":"2026-05-31T00:00:00Z","values":[{"path":"electrical.batteries.house.voltage","value":12.5}]}]}',
      'house',
    ),
  ).toEqual({
    at: Date.parse('2026-05-31T00:00:00Z'),
    volts: 12.5,
    amps: null,
    soc: null,
  }));
