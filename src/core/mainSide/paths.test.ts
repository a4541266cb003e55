import { analyse, createMemory, swapGrowth, whatIfItGrows } from '../analysis';
import { bankWorking, dayWorking } from '../working';
import { applyEdit, blankTie, type Design, setOp } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { cruise, joinedBy, partsOfWay, runDays, sceneOf } from '../energy';
import { pathsOf, withPaths } from './paths';
import { drawing, driven, quietBoat, sourceInto } from '../energy/testing';

/** A boat whose 60 A charger stands 4 m from the main bus on a circuit of its own. */
function wired(pathMohm: number | null = null): Design {
  const boat = withLoad(bareBoat('metric'), { group: 'charging', ratingBy: 'A', rating: 60, behaviour: 'current' }, 4);
  return { ...boat, sources: [{ ...sourceInto('shore charger', { ratedA: 60 }), loadId: 'x', pathMohm }] };
}

describe('the path of a source', () => {
  test('is the copper there and back, the joints and devices of its run, and the feeders before it', () => {
    const boat = wired();
    const { circuits, paths } = analyse(boat);
    const run = circuits.find((c) => c.id === 'c-x');
    const main = circuits.find((c) => c.id === 'c-main');
    const copper = (r: typeof run, m: number) => (2 * m * (r?.own.state.conductor.r20OhmPerKm ?? NaN)) / 1000;
    const mohm = paths['s-shore charger'] ?? NaN;
    // Warm copper is up to a quarter more than at 20 degC; joints and devices add a few tenths of a milliohm.
    const cold = 1000 * (copper(run, 4) + copper(main, 1));
    expect(mohm).toBeGreaterThan(cold);
    expect(mohm).toBeLessThan(1.3 * cold + 2);
  });
  test('what is entered stands; a source on no circuit has none', () => {
    expect(analyse(wired(7)).paths).toEqual({});
    const loose = { ...wired(), sources: wired().sources.map((s) => ({ ...s, loadId: null })) };
    expect(analyse(loose).paths).toEqual({});
    expect(withPaths(loose, {})).toBe(loose);
  });
  test('fills in the sources, the same list for the same paths, and nothing else', () => {
    const boat = wired();
    const { paths } = analyse(boat);
    const filled = withPaths(boat, paths);
    expect(filled.sources[0]?.pathMohm).toBe(paths['s-shore charger']);
    expect(withPaths(boat, paths).sources).toBe(filled.sources);
    expect(boat.sources[0]?.pathMohm).toBeNull();
  });
  // A staged charger floats later behind a thin cable, and may so make up for it: this one holds its setpoint.
  test('a thinner or longer run makes the day’s charge smaller, never larger', () => {
    const day = (mohm: number) => {
      const boat = driven(
        quietBoat(),
        [
          sourceInto('shore charger', {
            ratedA: 40,
            pathMohm: mohm,
            regulator: { ...sourceInto('shore charger').regulator, staged: false },
          }),
        ],
        [['shore', 0, 6, 0]],
      );
      return runDays(sceneOf(boat, { stepMin: 15 }), [0], 0.6, 'x').days[0]?.madeAh ?? NaN;
    };
    const made = [0, 2, 5, 12, 30].map(day);
    for (let i = 1; i < made.length; i++) expect(made[i]).toBeLessThanOrEqual((made[i - 1] ?? 0) + 1e-9);
    expect(made[4]).toBeLessThan((made[0] ?? 0) - 1);
  });
  test('is taken up by the analysis, and kept while nothing of it moves', () => {
    const memory = createMemory();
    const boat = wired();
    const first = analyse(boat, memory);
    const edit = applyEdit(boat, { ops: [setOp(boat, ['boat', 'note'], 'painted')] });
    if (!edit.ok) throw new Error('refused');
    expect(analyse(edit.design, memory).paths).toBe(first.paths);
    expect(pathsOf(boat, first.circuits)).toEqual(first.paths);
  });
});

describe('a swap is tested on the run it goes through', () => {
  const boat = wired();
  const [was] = boat.sources;
  if (!was) throw new Error('no source');
  test('a larger one asks for cable and fuse by figures', () => {
    const growth = swapGrowth(boat, was, { ...was, ratedA: 150 });
    expect(growth).toEqual({ load: { id: 'x', by: 2.5 } });
    const line = growth && whatIfItGrows(boat, growth).find((l) => l.id === 'c-x');
    expect(line).toMatchObject({ beforeA: 60, afterA: 150, verdict: 'fails now' });
    expect(line?.wantsA).toBeGreaterThanOrEqual(150);
  });
  test.each([
    ['one no larger', { ...was, ratedA: 55 }, was],
    ['one whose row is gone', { ...was, ratedA: 150 }, { ...was, loadId: 'gone' }],
    ['one on no circuit', { ...was, ratedA: 150 }, { ...was, loadId: null }],
  ])('%s changes nothing', (_, becomes, now) => {
    expect(swapGrowth(boat, now, becomes)).toBeNull();
  });
});

describe('what joining costs in parts', () => {
  test('what is typed, part by part; what stands aboard has its own price', () => {
    const boat = quietBoat();
    const priced: Design = {
      ...boat,
      boat: { ...boat.boat, prices: { relay: 80, 'bank-cable': null } },
      joins: [{ ...blankTie('j', 'selector', 12), name: 'The old switch', price: 35 }],
    };
    expect(partsOfWay(priced, 'voltage-sensitive relay')).toEqual([
      { id: 'relay', name: 'voltage-sensitive relay', price: 80 },
      { id: 'bank-cable', name: 'cable with a fuse at each bank', price: null },
    ]);
    expect(partsOfWay(priced, 'as designed')).toEqual([{ id: 'j', name: 'The old switch', price: 35 }]);
    expect(partsOfWay(boat, 'as designed')).toEqual([]);
    expect(joinedBy(boat, 'DC–DC charger')).toBeNull();
  });
});

describe('the working of a cruise', () => {
  const boat: Design = {
    ...drawing(driven(quietBoat(), [sourceInto('shore charger')], [['shore', 18, 20, 0]]), 5),
    cruises: [{ id: 'c', name: 'two days', legs: [{ id: 'l', livingId: 'day', days: 2 }], repeat: 1, startSoc: 0.9 }],
  };
  const run = cruise(boat);
  const all = (w: ReturnType<typeof bankWorking>) => w?.sections.flatMap((s) => s.lines) ?? [];
  const of = (w: ReturnType<typeof bankWorking>, label: string) => all(w).find((l) => l.label === label)?.value ?? NaN;
  test('every term of a bank adds up to what it ends with', () => {
    const w = bankWorking(run, 'house', boat.boat);
    expect(of(w, 'begins with')).toBeCloseTo(180, 6);
    const sum = of(w, 'begins with') + of(w, 'stored') - of(w, 'drawn') - of(w, 'self-discharge') - of(w, 'overflowed as gas and heat');
    expect(of(w, 'ends with')).toBeCloseTo(sum, 9);
    expect(of(w, 'ends with') / 200).toBeCloseTo(run.banks[0]?.endSoc ?? NaN, 6);
    // 5 A around the clock but for the two hours in which the charger carries it: 2 x 110 Ah.
    expect(of(w, 'drawn')).toBeCloseTo(220, 4);
    expect(of(w, 'full cycles')).toBeCloseTo(1.1, 4);
  });
  test('a day: what each source made, what was drawn, where the bank stood', () => {
    const w = dayWorking(run, 1, boat.boat);
    expect(w?.title).toBe('Day 2: a day');
    expect(of(w, 'made')).toBeCloseTo(60, 6);
    expect(of(w, 'by the loads, and into DC–DC')).toBeCloseTo(120, 6);
    expect(of(w, 'begins at, %')).toBeCloseTo(100 * (run.days[0]?.endSoc[0] ?? NaN), 9);
    expect(of(w, 'something charges for')).toBeCloseTo(2, 6);
  });
  test('a bank or a day that is not there has none', () => {
    expect(bankWorking(run, 'gone', boat.boat)).toBeUndefined();
    expect(dayWorking(run, 3, boat.boat)).toBeUndefined();
    expect(dayWorking(run, NaN, boat.boat)).toBeUndefined();
  });
  test('a limit that is broken is marked', () => {
    const low = cruise({ ...boat, cruises: boat.cruises.map((c) => ({ ...c, startSoc: 0.5 })) });
    expect(all(bankWorking(low, 'house', boat.boat)).find((l) => l.label === 'lowest, %')?.breaks).toBe(true);
    expect(all(bankWorking(run, 'house', boat.boat)).find((l) => l.label === 'longest without full, days')?.breaks).toBe(false);
  });
});
