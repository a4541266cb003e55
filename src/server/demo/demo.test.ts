/** The demonstration boats as people meet them. */
import { analyse } from '@/core';
import { bondsRight, statesOf } from '@/core/ac';
import { asOption, type Design, readDesign } from '@/core/design';
import { cruise } from '@/core/energy';
import { settingsMatrix } from '@/core/charging';
import { halcyon } from './halcyon';
import { marram } from './marram';
import { turnstone } from './turnstone';

const boats: [string, () => Design][] = [
  ['Marram', marram],
  ['Halcyon Drift', halcyon],
  ['Turnstone', turnstone],
];

describe.each(boats)('%s', (_, boat) => {
  test('is a file that reads back as it was written', () => {
    const design = boat();
    expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual({ ok: true, design });
  });
  test('every figure of her analysis is one', () => {
    const { balance, circuits } = analyse(boat());
    for (const n of balance.needs) expect(Number.isFinite(n.needAh)).toBe(true);
    for (const n of balance.needs) if (n.made) expect(n.made.madeAh).toBeGreaterThanOrEqual(0);
    expect(circuits.every((c) => Number.isFinite(c.workingA))).toBe(true);
  });
  test('her cruise balances to 1e-9', () => expect(cruise(boat()).imbalance).toBeLessThan(1e-9));
});

test.each([
  ['Marram', marram],
  ['Halcyon Drift', halcyon],
])('%s: her AC side has nothing to stop at, in any option, and every appliance hangs on a run', (_, boat) => {
  const design = boat();
  const served = new Set(design.acCircuits.flatMap((c) => c.loadIds));
  expect(design.acLoads.filter((l) => !served.has(l.id))).toEqual([]);
  for (const d of [design, ...design.options.map((o) => asOption(design, o))]) {
    expect(d.acSources.length).toBeGreaterThan(1);
    expect(analyse(d).findings.filter((f) => f.about.kind.startsWith('AC') && f.severity === 'stop')).toEqual([]);
    const states = statesOf(d);
    expect(states.length).toBeGreaterThan(2);
    expect(states.every((s) => s.origins.every(bondsRight))).toBe(true);
  }
});

test('Marram goes below her window in summer; option B does not', () => {
  const design = marram();
  expect(cruise(design).warnings.map((w) => w.id)).toContain('window:house');
  const b = design.options.find((o) => o.parts !== null);
  expect(b && cruise(asOption(design, b)).warnings.map((w) => w.id)).not.toContain('window:house');
});
test('her strings want fuses, her panels a sensor: the settings say so', () => {
  expect(analyse(marram()).findings.map((f) => f.id)).toEqual(expect.arrayContaining(['string-fuse:sun', 'set-sensor:sun']));
  expect(settingsMatrix(marram())[0]?.source.id).toBe('sun');
});
