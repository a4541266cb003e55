/** What a start takes from electronics, by hand. */
import { analyse } from '../analysis';
import { bankSource } from '../bank';
import type { Bank, Design } from '../design';
import { shared } from './pairs/whole';

const withSurge = (surgeA: number, change: (d: Design) => Design = (d) => d): Design =>
  change({ ...shared(), loads: shared().loads.map((l) => (l.id === 'pump' ? { ...l, surgeA } : l)) });
const sag = (d: Design) => analyse(d).findings.find((f) => f.rule === 'start-sag');

test('what the start adds, through the feeder they share and the bank', () => {
  const d = withSurge(90);
  const { circuits } = analyse(d);
  const of = (id: string) => circuits.find((c) => c.id === id);
  const addsA = (of('c-pump')?.surgeA ?? 0) - (of('c-pump')?.workingA ?? 0);
  expect(addsA).toBeCloseTo(85, 6);
  const volts = addsA * ((of('c-x')?.upstreamOhm ?? 0) + bankSource(d.banks[0] as Bank).ohm);
  expect(volts).toBeGreaterThan(0.48);
  expect(sag(d)?.title).toContain(`${volts.toPrecision(3)} V`);
});
test('a small start says nothing; a motor on the main bus takes only what the main and the bank lose', () => {
  expect(sag(withSurge(8))).toBeUndefined();
  const feederOf = (d: Design) => Number(/^([\d.]+) V in the feeder/.exec(sag(d)?.why ?? '')?.[1] ?? 0);
  const moved = withSurge(90, (d) => ({
    ...d,
    circuits: d.circuits.map((c) => (c.id === 'c-pump' ? { ...c, from: { kind: 'panel', id: 'main' } } : c)),
  }));
  expect(feederOf(moved)).toBeLessThan(feederOf(withSurge(90)));
});
test('electronics on a bank of their own hear nothing of it', () => {
  const apart = withSurge(90, (d) => ({
    ...d,
    banks: [...d.banks, { ...(d.banks[0] as Bank), id: 'own', name: 'Electronics' }],
    circuits: d.circuits.map((c) => (c.id === 'c-pump' ? { ...c, from: { kind: 'bank', id: 'own' } } : c)),
  }));
  expect(sag(apart)).toBeUndefined();
});

test('what an inverter ripples, through the feeder they share and the bank: 100 A over 5 mΩ are 0.65 V', () => {
  const of = (rating: number) => {
    const d = shared({ kind: 'inverter', rating, surgeA: null });
    const { findings, circuits } = analyse(d);
    return { d, told: findings.find((f) => f.rule === 'ripple'), way: circuits.find((c) => c.id === 'c-x')?.upstreamOhm ?? NaN };
  };
  expect(of(0.5).told).toBeUndefined();
  const { d, told, way } = of(100);
  const pp = 2 * Math.SQRT2 * Math.sqrt(1.1 ** 2 - 1);
  expect(100 * pp * 0.005).toBeCloseTo(0.648, 3);
  const volts = 100 * pp * (way + bankSource(d.banks[0] as Bank).ohm);
  expect(told?.title).toContain(`${volts.toPrecision(3)} V`);
});
