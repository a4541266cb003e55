import { runningOf } from '../ac';
import { appliance, pluggedIn, withMachines } from '../ac/testing';
import type { Design } from '../design';
import { acSetWorking } from './acSet';

const boat = withMachines(pluggedIn());
const galley = (acLoads: Design['acLoads'], of = boat): Design => ({
  ...of,
  acLoads,
  acCircuits: of.acCircuits.map((c) => (c.id === 'galley' ? { ...c, loadIds: acLoads.map((l) => l.id) } : { ...c, loadIds: [] })),
});
const linesOf = (design: Design, settingId: string, ids: readonly string[]) =>
  acSetWorking(design, settingId, ids, design.boat)?.sections.flatMap((s) => s.lines) ?? [];
const [kettle, motor] = [appliance('kettle', 2000), appliance('motor', 460, { powerFactor: 0.8 })];

// By hand: 460 W at 0.8 are 345 var; √(2460² + 345²) = 2484 VA; ÷ 230 V = 10.8 A.
test('watts and vars add, each by itself, and every breaker on the way carries them', () => {
  const design = galley([kettle, motor]);
  const [dock] = runningOf(design);
  const lines = linesOf(design, dock?.setting.id ?? '', ['kettle', 'motor']);
  expect(lines.find((l) => l.label === 'together')?.value).toBe(2460);
  expect(lines.find((l) => l.label === 'together, VA')?.value).toBeCloseTo(2484.07, 2);
  const behind = lines.filter((l) => l.kind === 'A');
  expect(behind.map((l) => l.label)).toEqual([
    'the source itself',
    expect.stringMatching(/^16 A of main/),
    expect.stringMatching(/A of galley/),
  ]);
  for (const l of behind) expect(l.value).toBeCloseTo(10.8, 2);
});

test('a set of a charger that runs long is held against four fifths of a breaker by the awg school', () => {
  const design = galley([appliance('charger', 1200, { runsLong: true })], pluggedIn('awg'));
  const [dock] = runningOf(design);
  const long = linesOf(design, dock?.setting.id ?? '', ['charger']).find((l) => l.label === 'the source itself, for long');
  expect(long?.value).toBeCloseTo(10, 9);
  expect(long?.formula).toBe('of 24 A');
});

test('no line of a largest set is broken, and one appliance more breaks one', () => {
  const loads = [2000, 1500, 1200, 900, 700, 350].map((watts, i) => appliance(`a${i}`, watts, { powerFactor: 1 - 0.05 * i }));
  const design = galley(loads);
  let tried = 0;
  for (const { setting, together, tooLarge } of runningOf(design))
    for (const set of together.sets) {
      expect(linesOf(design, setting.id, set).filter((l) => l.breaks)).toEqual([]);
      for (const { id } of loads)
        if (!set.includes(id) && !tooLarge.includes(id) && linesOf(design, setting.id, [id]).some((l) => l.label === id)) {
          tried++;
          expect(linesOf(design, setting.id, [...set, id]).some((l) => l.breaks)).toBe(true);
        }
    }
  expect(tried).toBeGreaterThan(10);
});

test('no such setting: no working', () => expect(acSetWorking(boat, 'none', [], boat.boat)).toBeUndefined());
