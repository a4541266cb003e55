/** Isolation transformers and galvanic isolators: loops, bonds and earths, two cases each by hand. */
import type { AcSource, Design } from '../design';
import { acCircuits } from './circuits';
import { earthRun } from './earthRuns';
import { bondsRight, statesOf } from './states';
import { acFindings, pluggedIn, withMachines } from './testing';

type Shore = NonNullable<AcSource['shore']>;
const shoreOf = (design: Design, ratedA: number, change: Partial<Shore>): Design => ({
  ...design,
  acSources: design.acSources.map((s) => (s.shore ? { ...s, ratedA, shore: { ...s.shore, ...change } } : s)),
});
const isolator = (ratedA: number | null = null): Shore['isolator'] => ({ placeId: 'chart', ratedA, earthM: null, earthSize: null });
const loopAt = (design: Design, id: string) => acCircuits(design).find((r) => r.id === id)?.faults[0]?.loopOhm ?? NaN;
/** Copper of the two runs, live and earth, at the insulation's heat. */
const copper = (design: Design) =>
  acCircuits(design).reduce(
    (sum, r) => sum + (2 * r.conductor.r20OhmPerKm * r.lengthM * (1 + 0.00393 * (r.derating.ratingC - 20))) / 1000,
    0,
  );

describe('a live case behind a transformer: pedestal 0.5 ohm, cord, 4 % of volts over amps, and the copper aboard', () => {
  test('230 V, 16 A: 0.04 x 230 / 16 = 0.575 ohm; cord of 15 m of 2.5 mm2 0.2657 ohm', () => {
    const d = shoreOf(pluggedIn(), 16, { isolation: 'isolation transformer', isolator: isolator(16) });
    expect(loopAt(d, 'galley') - copper(d)).toBeCloseTo(0.5 + 0.575 + 0.2657, 3);
  });
  test('120 V, 30 A: 0.04 x 120 / 30 = 0.16 ohm; cord of 50 ft of 10 AWG 2 x 3.28 x 15.24 / 1000 x 1.0786', () => {
    const d = shoreOf(pluggedIn('awg'), 30, { isolation: 'isolation transformer', isolator: isolator(30) });
    const r10 = acCircuits(shoreOf(pluggedIn('awg'), 30, {})).find((r) => r.id === 'main')?.conductor;
    expect(r10?.size).toBe('10');
    const cord = ((2 * (r10?.r20OhmPerKm ?? NaN) * 15.24) / 1000) * (1 + 0.00393 * 20);
    expect(loopAt(d, 'galley') - copper(d)).toBeCloseTo(0.5 + 0.16 + cord, 6);
  });
});

describe('bonds with a transformer', () => {
  const wrong = (d: Design) =>
    statesOf(d).flatMap((s) => s.origins.filter((o) => !bondsRight(o)).map((o) => `${o.sourceId} with ${s.name}`));
  test('one at its secondary in every state, the lead in, out or dead, the generator or the inverter running', () => {
    const d = shoreOf(withMachines(pluggedIn()), 16, { isolation: 'isolation transformer', isolator: isolator(16) });
    expect(wrong(d)).toEqual([]);
    expect(statesOf(d).some((s) => s.dead.includes('shore') && s.inverters.inv === 'inverting')).toBe(true);
  });
  test('a link left in the panel is a second one on shore; with no transformer it is one beside that ashore', () => {
    const linked = (d: Design): Design => ({ ...d, acPanels: d.acPanels.map((p) => ({ ...p, linked: true })) });
    const d = shoreOf(pluggedIn(), 16, { isolation: 'isolation transformer', isolator: isolator(16) });
    const kinds = (x: Design) => statesOf(x).flatMap((s) => s.origins.map((o) => o.bonds.map((b) => b.kind).join()));
    expect(kinds(linked(d))).toEqual(['source,panel']);
    expect(kinds(linked(pluggedIn()))).toEqual(['ashore,panel']);
  });
});

describe('the earth of an inlet', () => {
  test('metric, 16 A: 2.5 mm2; through an isolator it goes from the inlet to it and on to the panel, from a transformer on only', () => {
    const d = shoreOf(pluggedIn(), 16, { isolation: 'galvanic isolator', isolator: isolator(16) });
    const [through, from] = [d, shoreOf(d, 16, { isolation: 'isolation transformer' })].map((x) => {
      const [s] = x.acSources;
      return s ? earthRun(x, s) : null;
    });
    expect([through?.least.size, from?.least.size]).toEqual(['2.5', '2.5']);
    // Isolator and panel share a place: slack alone on the second stretch.
    expect(from?.lengthM).toBeCloseTo(2 * d.house.slackM, 9);
    expect(through?.lengthM ?? 0).toBeGreaterThan(from?.lengthM ?? Infinity);
  });
  test('awg, 50 A: 10 AWG; lighter is a stop', () => {
    const d = shoreOf(pluggedIn('awg'), 50, {
      isolation: 'galvanic isolator',
      isolator: { ...isolator(60), earthSize: { school: 'awg', size: '12' } } as Shore['isolator'],
    });
    const [s] = d.acSources;
    expect(s && earthRun(d, s)?.least.size).toBe('10');
    expect(acFindings(d).map((f) => f.id)).toContain('ac-isolator-earth:shore');
  });
});
