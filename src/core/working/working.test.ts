import { analyse } from '../analysis';
import { circuitWorking } from './circuit';
import { loadWorking, needWorking } from './load';
import type { Working } from './types';
import { pathOf, workedOf } from '../analysis/testing';
import { circuitTrial, marginsOf, stateAt } from '../circuit';
import { findConductor } from '../rules';
import type { Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';

const metric = withLoad(bareBoat('metric'), { rating: 240, mark: "maker's" }, 4);
const workingOf = (design: Design, id = 'c-x'): Working => {
  const working = circuitWorking(pathOf(design, id), design.boat);
  if (!working) throw new Error('no circuit');
  return working;
};
const line = (working: Working, label: string | RegExp) =>
  working.sections.flatMap((s) => s.lines).find((l) => (typeof label === 'string' ? l.label === label : label.test(l.label)));

describe('the working of a circuit', () => {
  const working = workingOf(metric);
  test('its sections come in the order of the reasoning', () =>
    expect(working.sections.map((s) => s.title)).toEqual([
      'Current',
      'Length',
      'Conductor',
      'Drop at working current',
      'Protection',
      'Dead short',
      'The AWG school would say',
    ]));
  test('the current, with its numbers and its mark', () => {
    expect(line(working, 'Thing')).toMatchObject({ text: '21.1 A', formula: '240 W ÷ 11.4 V, lowest bank volts', mark: "maker's" });
    expect(line(working, 'Thing')?.value).toBeCloseTo(240 / 11.4, 9);
  });
  test('the length says which figure it used, and counts out and back', () => {
    expect(line(working, 'run to Thing')).toMatchObject({ text: '4 m', mark: 'measured' });
    expect(line(working, 'run to Thing')?.source).toContain('the estimate was');
    expect(line(working, 'out and back')).toMatchObject({ value: 8, formula: '2 × 4 m' });
  });
  test('every line has a number, a unit in its text, and text of its own', () => {
    for (const l of working.sections.filter((s) => !s.title.startsWith('The ')).flatMap((s) => s.lines)) {
      expect(Number.isNaN(l.value)).toBe(false);
      if (l.kind !== 'none' && l.kind !== 'mm2') expect(l.text).toMatch(/ (V|A|W|Ah|mΩ|m|mm²|°C|%|s|h|A²s)$/);
    }
  });
  test('the next size either way, what it changes, and whether it passes', () => {
    expect(working.neighbours.map((n) => n.label)).toEqual(['one size down', 'chosen', 'one size up']);
    expect(working.neighbours.map((n) => n.passes)).toEqual([false, true, true]);
    expect(working.neighbours[2]?.figures.some((f) => f.startsWith('+'))).toBe(true);
  });
  test('the other school beside it', () => expect(working.beside).toMatch(/^The AWG school would take .* AWG and 30 A, governed by /));
});

test('a boat in feet and °F reads so throughout', () => {
  const american = withLoad(bareBoat('awg'), { rating: 240 }, 3.048);
  const working = workingOf(american);
  expect(line(working, 'run to Thing')?.text).toBe('10 ft');
  expect(line(working, 'conductor temperature')?.text).toMatch(/°F$/);
  expect(line(working, /^ampacity of \d+ AWG/)).toBeDefined();
});

test('a broken limit is marked on the line that breaks it', () => {
  const design: Design = {
    ...metric,
    circuits: metric.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: { ...c.pin, size: { school: 'metric', size: '1' } } } : c)),
  };
  const working = workingOf(design);
  expect(line(working, /^ampacity of 1 mm²/)?.breaks).toBe(true);
  expect(working.neighbours.find((n) => n.label === 'pinned')?.passes).toBe(false);
});

test('a start has its own section, from sagged posts to the load', () => {
  const working = workingOf(
    withLoad(bareBoat('metric'), { rating: 80, ratingBy: 'A', behaviour: 'current', surgeA: 240, surgeS: 1, minV: 9 }, 5),
  );
  const at = line(working, 'at Thing');
  const [posts, before, run] = [
    line(working, 'bank posts, sagged'),
    working.sections.find((s) => s.title.startsWith('As '))?.lines.find((l) => l.label === 'lost before this way'),
    line(working, 'lost in the run'),
  ];
  expect(at?.value).toBeCloseTo((posts?.value ?? 0) - (before?.value ?? 0) - (run?.value ?? 0), 9);
  expect(working.cautions.some((c) => c.includes('stalled motor') && c.includes('come first'))).toBe(true);
});

test('the maker’s sheet, a duty and refused families are told', () => {
  const working = workingOf(
    withLoad(
      bareBoat('metric'),
      {
        rating: 80,
        ratingBy: 'A',
        behaviour: 'current',
        duty: { onS: 120, restS: 300, repeats: 3 },
        makerWire: [{ school: 'awg', size: '2', upToM: 6 }],
      },
      5,
    ),
  );
  expect(line(working, 'as heat, the duty equals')?.mark).toBe('assumed');
  expect(line(working, 'the maker of Thing asks for')).toMatchObject({ formula: '2 AWG up to 6 m', mark: "maker's" });
  expect(line(working, /^refused: /)?.source).toMatch(/interrupts|largest|rating/);
});

test('a feeder shows its demand, and everything it might carry', () => {
  const working = workingOf(metric, 'c-main');
  expect(line(working, 'feeder demand')?.source).toContain('metric school');
  expect(line(working, 'sum of everything')?.value).toBeCloseTo(240 / 11.4, 9);
});

describe('margins', () => {
  const { result, trial: b } = workedOf(metric);
  const conductor = findConductor('metric', result.own.ladder.chosen.size);
  if (!conductor) throw new Error('no conductor');
  const m = marginsOf(b, result.own.ladder.chosen);
  const passesAt = (by: number) =>
    stateAt(
      circuitTrial(
        { ...b.input, lengthM: b.input.lengthM * by, taps: b.input.taps.map((t) => ({ ...t, lengthM: t.lengthM * by })) },
        b.protection,
      ),
      { conductor, legs: 1 },
    ).passes;
  test('at the told length it still passes, a little beyond it does not', () => {
    const by = (m.lengthM ?? 0) / b.input.lengthM;
    expect(by).toBeGreaterThanOrEqual(1);
    expect(passesAt(by * 0.9999)).toBe(true);
    expect(passesAt(by * 1.001)).toBe(false);
  });
  test('current is bounded by its device at most', () => expect(m.currentA ?? 0).toBeLessThanOrEqual(result.own.protection.ratingA));
  test('ambient may rise, but not to the rating', () => {
    expect(m.ambientC ?? 0).toBeGreaterThan(30);
    expect(m.ambientC ?? 0).toBeLessThan(105);
  });
});

describe('loads and needs', () => {
  const design: Design = { ...metric, loads: metric.loads.map((l) => ({ ...l, hours: { anchor: 2, passage: 0.5 } })) };
  const analysis = analyse(design);
  test('all three currents are shown, and which holds', () => {
    const working = loadWorking(design, analysis, 'x', design.boat);
    expect(working && line(working, 'at nominal volts')?.value).toBe(20);
    expect(working && line(working, 'as constant power')).toMatchObject({ source: 'this load' });
    expect(working && line(working, 'as a resistance')?.value).toBeCloseTo((20 * 14.4) / 12, 9);
  });
  test('the need of a day is amps times hours', () => {
    const working = loadWorking(design, analysis, 'x', design.boat);
    expect(working && line(working, 'at anchor')).toMatchObject({ value: 40, formula: '20 A × 2 h' });
  });
  test('a way of living: parts, sum, and the hours the usable part lasts', () => {
    const working = needWorking(design, analysis, 'anchor', design.boat);
    expect(line(working, 'a day')?.value).toBe(40);
    expect(line(working, /^usable of 200 Ah/)).toMatchObject({ value: 100, formula: '200 × (100 % − 50 %)' });
    expect(line(working, 'lasts')?.value).toBe(60);
  });
  test('a load that is not there has no working', () => expect(loadWorking(design, analysis, 'nobody', design.boat)).toBeUndefined());
});
