/** Sizes chosen together, against every other way to size the shared parts. */
import { applyEdit, type Design } from '../design';
import { CONDUCTORS } from '../rules';
import { usualBoat } from '@/testing/usualBoat';
import { analyse, createMemory } from './analysis';
import { choosingTogether, chosenTogether } from './together';
import { reelsKg } from './fewerSizes';

const taken = (design: Design): Design => {
  const edited = applyEdit(design, { ops: [...chosenTogether(design).ops] });
  if (!edited.ok) throw new Error('the edits do not apply');
  return edited.design;
};
const kgOf = (design: Design): number => analyse(design).circuits.reduce((sum, c) => sum + c.own.state.massKg, 0);
const missed = (design: Design): string[] =>
  analyse(design).circuits.flatMap((c) => (!c.isFeeder && !c.own.state.drop.wholePasses ? [c.id] : []));

/** The lightest of all pairs of sizes of two shared parts with which no path misses, kg; Infinity where none does. */
function lightest(design: Design, [main, feeder]: readonly [string, string]): number {
  const table = CONDUCTORS[design.boat.ruleSet];
  const memory = createMemory();
  let best = Infinity;
  for (const m of table)
    for (const f of table) {
      const sized: Design = {
        ...design,
        circuits: design.circuits.map((c) => {
          const size = c.id === main ? m.size : c.id === feeder ? f.size : null;
          return size === null ? c : { ...c, together: { school: design.boat.ruleSet, size } };
        }),
      };
      const { circuits } = analyse(sized, memory);
      if (circuits.some((c) => !c.isFeeder && !c.own.state.drop.wholePasses)) continue;
      best = Math.min(best, circuits.reduce((sum, c) => sum + c.own.state.massKg, 0) + reelsKg(circuits));
    }
  return best;
}

describe.each([1, 9, 21, 26, 38])('boat %d', (seed) => {
  const design = usualBoat(seed);
  const sized = taken(design);
  test('weighs no more than the lightest of every pair of main and feeder sizes, the reels each asks for counted', () => {
    const fed = (panelId: string) => design.circuits.find((c) => c.taps.some((t) => t.serves.id === panelId));
    const feeders = design.circuits.filter((c) => c.from.kind === 'panel' && c.taps.some((t) => t.serves.kind === 'panel'));
    const [feeder] = feeders;
    const main = feeder && fed(feeder.from.id);
    if (!feeder || !main) throw new Error('no main and feeder');
    // The pairs leave branches to themselves: where they alone do not do, choosing together does.
    const weighed = kgOf(sized) + reelsKg(analyse(sized).circuits);
    expect(weighed).toBeLessThanOrEqual(lightest(design, [main.id, feeder.id]) * 1.01);
  });
  test('every path holds, and asked again nothing changes', () => {
    expect(missed(sized)).toEqual([]);
    expect(chosenTogether(sized).ops).toEqual([]);
  });
  test('what it says it weighs and changes is what comes out', () => {
    const told = chosenTogether(design);
    expect(told.kgBefore).toBeCloseTo(kgOf(design), 9);
    expect(told.kgAfter).toBeCloseTo(kgOf(sized), 9);
    expect(told.changes.reduce((sum, c) => sum + c.kg, 0)).toBeCloseTo(told.kgAfter - told.kgBefore, 9);
  });
});

test('worked out in turns with another boat on one memory, both come out as each alone', () => {
  const memory = createMemory();
  const boats = [usualBoat(1), usualBoat(21)];
  const alone = boats.map((d) => chosenTogether(d));
  const inTurns = boats.map((d) => choosingTogether(d, memory));
  const out = boats.map((): unknown => null);
  for (let left = boats.length; left > 0;)
    inTurns.forEach((steps, i) => {
      const step = steps.next();
      if (!step.done || out[i] !== null) return;
      out[i] = step.value;
      left--;
    });
  expect(out).toEqual(alone);
});
test('pinned parts stay, and what was chosen before is chosen anew', () => {
  const design = usualBoat(1);
  const [first] = chosenTogether(design).changes;
  const id = first?.circuitId ?? '';
  const size = analyse(design).circuits.find((c) => c.id === id)?.own.ladder.chosen.size ?? '';
  const pinned: Design = {
    ...design,
    circuits: design.circuits.map((c) => (c.id === id ? { ...c, pin: { ...c.pin, size: { school: design.boat.ruleSet, size } } } : c)),
  };
  expect(chosenTogether(pinned).changes.map((c) => c.circuitId)).not.toContain(id);
  const heavy: Design = {
    ...design,
    circuits: design.circuits.map((c) => ({
      ...c,
      together: { school: design.boat.ruleSet, size: CONDUCTORS[design.boat.ruleSet].at(-2)?.size ?? '' },
    })),
  };
  expect(kgOf(taken(heavy))).toBeCloseTo(kgOf(taken(design)), 9);
});

describe('fewer sizes', () => {
  const sizes = (design: Design): number => new Set(analyse(design).circuits.map((c) => c.own.state.conductor.size)).size;
  const many = [2, 3, 5, 6, 7, 11, 12, 13].map((seed) => usualBoat(seed)).filter((d) => sizes(d) > 5);
  test('there are boats with more than five', () => expect(many.length).toBeGreaterThan(1));
  test('what is left beyond five would take a kilogram or more to do without, or bring a fault', () => {
    for (const design of many) {
      const sized = taken(design);
      expect(sizes(sized)).toBeLessThanOrEqual(sizes(design));
      const memory = createMemory();
      const { circuits, findings } = analyse(sized, memory);
      const grave = findings.filter((f) => f.severity !== 'note').length;
      if (sizes(sized) <= 5) continue;
      const used = [...new Set(circuits.map((c) => c.own.state.conductor))].sort((a, b) => a.areaMm2 - b.areaMm2);
      used.slice(0, -1).forEach((from, i) => {
        const to = used[i + 1];
        const own = circuits.filter((c) => c.own.state.conductor === from);
        const kg = own.reduce((sum, c) => sum + (2 * c.lengthM * ((to?.massKgPerKm ?? 0) - from.massKgPerKm)) / 1000, 0);
        if (kg >= 1 || own.some((c) => c.own.ladder.chosen.legs > 1)) return;
        const merged: Design = {
          ...sized,
          circuits: sized.circuits.map((c) =>
            own.some((o) => o.id === c.id) ? { ...c, together: { school: sized.boat.ruleSet, size: to?.size ?? '' } } : c,
          ),
        };
        const then = analyse(merged, memory);
        const worse = then.findings.filter((f) => f.severity !== 'note').length > grave;
        expect(worse || sizes(merged) >= sizes(sized)).toBe(true);
      });
    }
  });
});
