/** The simulated meter: each fault shows as itself, and the live answer names it. */
import { designOfKind, type Design } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { liveAnswer } from './live';
import { meterCsv, meterDay, meterDelta, type MeterFault, METER_FAULTS } from './meter';

let n = 0;
const made = withProposals(
  designOfKind('coastal', { name: 'Curlew', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}v${++n}`,
);
const boat: Design = made;
/** A day with the alternator on: it draws, charges and reaches absorption. */
const living = boat.living.find((l) => l.name === 'motoring')?.id ?? '';
const day = (faults: readonly MeterFault[] = []) => meterDay(boat, 'house', living, faults) ?? [];
const clear = day();
const mean = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;

test('a day has 1440 minutes, in the steps a meter reads', () => {
  expect(clear).toHaveLength(1440);
  expect(clear.every((s) => Math.abs(s.volts * 100 - Math.round(s.volts * 100)) < 1e-6)).toBe(true);
  expect(meterDay(boat, 'nobody', living)).toBeNull();
  expect(meterDay(boat, 'house', 'nowhere')).toBeNull();
});

test('drawn round the shunt: it sees 2 A less going out, and volts stay', () => {
  const bypass = day(['drawn round the shunt']);
  expect(mean(bypass.map((s, i) => s.amps - (clear[i]?.amps ?? 0)))).toBeCloseTo(2, 1);
  expect(Math.abs(mean(bypass.map((s, i) => s.volts - (clear[i]?.volts ?? 0))))).toBeLessThan(0.005);
});

test('a corroded joint takes 20 mΩ of what flows', () => {
  const joint = day(['corroded joint']);
  const heavy = clear.flatMap((s, i) => (s.amps < -8 ? [i] : []));
  expect(heavy.length).toBeGreaterThan(5);
  for (const i of heavy.slice(0, 5)) expect((joint[i]?.volts ?? 0) - (clear[i]?.volts ?? 0)).toBeCloseTo((clear[i]?.amps ?? 0) * 0.02, 1);
});

test('a weak block and a dead string end the night lower; a stuck regulator charges higher', () => {
  const low = (faults: readonly MeterFault[]) => Math.min(...day(faults).map((s) => s.soc));
  expect(low(['weak block'])).toBeLessThan(low([]));
  expect(low(['dead string'])).toBeLessThan(low([]));
  const high = (faults: readonly MeterFault[]) => Math.max(...day(faults).map((s) => s.volts));
  expect(high(['stuck regulator'])).toBeGreaterThan(high([]) + 0.2);
});

test('without a fault nothing is off in 95 of 100 minutes', () => {
  const again = meterDay(boat, 'house', living, [], 2) ?? [];
  const off = again.filter((s) => (liveAnswer(boat, 'house', clear, s)?.beside ?? []).some((b) => b.off > 1)).length;
  expect(off / again.length).toBeLessThan(0.05);
});

test.each([
  ['drawn round the shunt', 'round the shunt'],
  ['corroded joint', 'a joint'],
  ['stuck regulator', 'stuck'],
] as const)('%s is named among what could make the difference', (fault, words) => {
  const named = day([fault]).filter((s) => (liveAnswer(boat, 'house', clear, s)?.could ?? []).some((c) => c.what.includes(words))).length;
  expect(named).toBeGreaterThan(20);
});

test('every fault is told of in some minute of the day', () => {
  const silent = METER_FAULTS.filter(
    (fault) => !day([fault]).some((s) => (liveAnswer(boat, 'house', clear, s)?.beside ?? []).some((b) => b.off > 1)),
  );
  expect(silent).toEqual([]);
});

test('as CSV a line a minute; as a delta amps out of the bank are positive', () => {
  const [first] = clear;
  if (!first) throw new Error('no day');
  expect(meterCsv(clear, 0).split('\r\n')).toHaveLength(1441);
  expect(meterCsv([first], 0)).toContain('1970-01-01T00:00:00.000Z');
  const { updates } = JSON.parse(meterDelta('house', { ...first, amps: -5 }, 0)) as {
    updates: { values: { path: string; value: number }[] }[];
  };
  expect(updates[0]?.values[1]).toEqual({ path: 'electrical.batteries.house.current', value: 5 });
});

test('beside the bank stand the engine’s speed and what each source gives', () => {
  const [heads = ''] = meterCsv(clear, 0).split('\r\n');
  const alternator = boat.sources.find((s) => s.kind === 'alternator' && s.bankId === 'house');
  expect(heads.split(',').slice(0, 5)).toEqual(['time', 'volts', 'amps', 'soc', 'rpm']);
  expect(heads).toContain(`amps of ${alternator?.id ?? ''}`);
  // It gives while the engine turns, and only then.
  const gives = (s: (typeof clear)[number]) => s.gives[alternator?.id ?? ''] ?? 0;
  expect(clear.some((s) => s.rpm > 0 && gives(s) > 10)).toBe(true);
  expect(clear.filter((s) => s.rpm === 0).every((s) => gives(s) < 0.1)).toBe(true);
  const at = clear.find((s) => gives(s) > 10);
  if (!at) throw new Error('it never gives');
  const { updates } = JSON.parse(meterDelta('house', at, 0, boat.sources)) as { updates: { values: { path: string; value: number }[] }[] };
  const told = new Map(updates[0]?.values.map((x) => [x.path, x.value]));
  expect(told.get(`electrical.alternators.${alternator?.id ?? ''}.current`)).toBeCloseTo(gives(at), 6);
  expect(told.get('propulsion.main.revolutions')).toBeCloseTo(at.rpm / 60, 2);
});
