import fc from 'fast-check';
import { analyse } from '../analysis';
import { blankBank, blankTie, type Design, type Study } from '../design';
import { sourceInto } from '../energy/testing';
import { bareBoat, withLoad } from '../design/testing';
import { bankRestV, bankSource } from '../bank';
import { runStudy } from './study';
import { systemOf } from './system';

const study = (change: Partial<Study> = {}): Study => ({
  id: 's',
  name: 'a study',
  soc: 0.6,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads: { x: 'on' },
  ...change,
});
const answer = (design: Design, s: Study) => runStudy(design, analyse(design), s);
/** A boat with a windlass 6 m and a radio 5 m from the main bus. */
function boat(): Design {
  const one = withLoad(
    bareBoat('metric'),
    { name: 'Windlass', behaviour: 'current', ratingBy: 'A', rating: 90, surgeA: 240, surgeS: 1 },
    6,
  );
  const two = withLoad(one, { id: 'radio', name: 'Radio', rating: 60, minV: 11.6, behaviour: 'power' } as never, 5, {
    id: 'c-radio',
    no: '10',
    name: 'Radio',
    from: { kind: 'panel', id: 'panel' },
    taps: [{ id: 't-radio', parent: null, serves: { kind: 'load', id: 'radio' }, tapedM: 5 }],
  });
  return two;
}

describe('how the switches stand in a study', () => {
  const two: Design = {
    ...boat(),
    banks: [...boat().banks, { ...blankBank('start', 12, 'engine'), name: 'Start', job: 'start', strings: 1 }],
    joins: [{ ...blankTie('j', 'selector', 12), firstId: 'house', secondId: 'start', stopped: 'first', running: 'both' }],
  };
  const banks = (s: Study, d = two) => answer(d, s).banks.map((b) => Math.round(b.amps));
  test('a selector as habit has it, and turned otherwise for this study', () => {
    expect(banks(study())).toEqual([90, 0]);
    expect(banks(study({ positions: { j: 'second' } }))).toEqual([0, 90]);
    const [house = 0, start = 0] = banks(study({ positions: { j: 'both' } }));
    expect(house).toBeGreaterThan(start);
    expect(house + start).toBe(90);
    expect(answer(two, study({ positions: { j: 'off' } })).loads[0]?.volts).toBeNaN();
  });
  test('a relay closed or open for this study, whatever charges', () => {
    const relay = { ...two, joins: two.joins.map((j) => ({ ...j, kind: 'relay' as const })) };
    expect(banks(study(), relay)).toEqual([90, 0]);
    expect(banks(study({ positions: { j: 'both' } }), relay)[1]).toBeGreaterThan(5);
    expect(banks(study({ shore: true, positions: { j: 'off' } }), relay)).toEqual([90, 0]);
  });
  test('what hangs behind an opened feeder is cut off; undone with nothing it is as before', () => {
    const cut = answer(two, study({ loads: { x: 'on', radio: 'on' }, open: ['c-feed'] }));
    expect(cut.loads.find((l) => l.id === 'radio')?.volts).toBeNaN();
    expect(cut.loads.find((l) => l.id === 'x')?.volts).toBeGreaterThan(10);
    expect(answer(two, study({ open: null, positions: null })).banks).toEqual(answer(two, study()).banks);
  });
});

describe('by hand', () => {
  test('one current through bank, main and branch: every drop is its amps times its ohms', () => {
    const design = boat();
    const analysed = analyse(design);
    const { circuits } = analysed;
    const ohm = (id: string) => {
      const o = circuits.find((c) => c.id === id)?.warmOhm;
      return (o?.head ?? NaN) + (o?.segments.reduce((a, b) => a + b, 0) ?? NaN);
    };
    const source = bankSource(design.banks[0] ?? blankBank('x', 12, null));
    const rest = bankRestV(source, 0.6);
    const a = runStudy(design, analysed, study());
    const wanted = rest - 90 * (source.ohm + ohm('c-main') + ohm('c-x'));
    expect(a.loads.find((l) => l.id === 'x')?.volts).toBeCloseTo(wanted, 6);
    expect(a.banks[0]?.postsV).toBeCloseTo(rest - 90 * source.ohm, 6);
    const main = a.runs.find((r) => r.circuitId === 'c-main');
    expect(main?.dropV).toBeCloseTo(90 * ohm('c-main'), 6);
    expect(main?.heatW).toBeCloseTo(90 * 90 * ohm('c-main'), 4);
    expect(a.heatW).toBeCloseTo(90 * 90 * (source.ohm + ohm('c-main') + ohm('c-x')), 4);
  });
});

describe('one thing pulls another down', () => {
  const design = boat();
  test('the windlass at its start takes the radio out of its band, and the study says so', () => {
    const quiet = answer(design, study({ loads: { radio: 'on' } }));
    const pulled = answer(design, study({ loads: { radio: 'on', x: 'start' } }));
    const radio = (a: typeof quiet) => a.loads.find((l) => l.id === 'radio');
    expect(radio(quiet)?.falls).toBe(false);
    expect(radio(pulled)?.falls).toBe(true);
    expect(radio(pulled)?.volts).toBeLessThan((radio(quiet)?.volts ?? 0) - 0.4);
    expect(pulled.loads.find((l) => l.id === 'x')).toMatchObject({ starting: true, minIsMakers: false, minV: 10.2 });
  });
  test('with the engine running the same is borne better', () => {
    const alt = { ...sourceInto('alternator'), ratedA: 80 };
    const engined = { ...design, sources: [alt] };
    const s = study({ loads: { radio: 'on', x: 'on' } });
    const [off, on] = [answer(engined, s), answer(engined, { ...s, engineRpm: 2000 })];
    expect(on.sources[0]?.amps).toBeGreaterThan(30);
    for (const [i, l] of on.loads.entries()) expect(l.volts).toBeGreaterThan(off.loads[i]?.volts ?? NaN);
    expect(on.banks[0]?.amps).toBeLessThan(off.banks[0]?.amps ?? NaN);
  });
  test('what would cure it is one run and a size, and it does', () => {
    const thin = {
      ...design,
      circuits: design.circuits.map((c) =>
        c.id === 'c-radio' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: '1' } } } : c,
      ),
    };
    const s = study({ soc: 0.9, loads: { radio: 'on' } });
    const a = answer({ ...thin, loads: thin.loads.map((l) => (l.id === 'radio' ? { ...l, minV: 12.2 } : l)) }, s);
    expect(a.loads[0]?.falls).toBe(true);
    expect(a.cure?.circuitId).toBe('c-radio');
    expect(a.cure?.volts).toBeGreaterThanOrEqual(12.2);
    const fat = {
      ...thin,
      circuits: thin.circuits.map((c) =>
        c.id === 'c-radio' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: a.cure?.size ?? '' } } } : c,
      ),
    };
    expect(answer(fat, s).loads[0]?.volts).toBeGreaterThan(12.1);
  });
  test('a load that no run can save has no cure', () => {
    const hopeless = { ...design, loads: design.loads.map((l) => (l.id === 'radio' ? { ...l, minV: 13 } : l)) };
    const a = answer(hopeless, study({ soc: 0.2, loads: { radio: 'on' } }));
    expect(a.loads[0]?.falls).toBe(true);
    expect(a.cure).toBeNull();
  });
});

describe('through the diodes of a splitter', () => {
  const two = (sense: 'the bank' | 'its own post', blockAh: number): Design => {
    const base = boat();
    const alt = sourceInto('alternator', { bankId: null, joinId: 'j', ratedA: 120 });
    return {
      ...base,
      banks: [...base.banks.map((b) => ({ ...b, blockAh, strings: 1 })), { ...blankBank('start', 12, null), job: 'start', blockAh }],
      joins: [{ ...blankTie('j', 'splitter', 12), firstId: base.banks[0]?.id ?? null, secondId: 'start' }],
      sources: [{ ...alt, regulator: { ...alt.regulator, sense, absorptionV: 14.4 } }],
    };
  };
  test('both banks are charged from behind 0.7 V, unless the regulator sees past it', () => {
    const s = study({ soc: 0.95, engineRpm: 2500, loads: {} });
    const posts = (sense: 'the bank' | 'its own post') => answer(two(sense, 2), s).banks.map((b) => b.postsV);
    const [blind, seeing] = [posts('its own post'), posts('the bank')];
    for (const v of blind) expect(v).toBeLessThan(13.7 + 1e-6);
    for (const [i, v] of seeing.entries()) expect(v - (blind[i] ?? NaN)).toBeGreaterThan(0.3);
    expect(answer(two('the bank', 2), s).banks.every((b) => b.amps < 0)).toBe(true);
  });
  test('what charges is what the banks take, and the diodes turn 0.7 V of it into heat', () => {
    const a = answer(two('its own post', 10), study({ soc: 0.5, engineRpm: 2500, loads: {} }));
    const taken = -a.banks.reduce((sum, b) => sum + b.amps, 0);
    expect(a.sources[0]?.amps).toBeCloseTo(taken, 6);
    expect(a.heatW).toBeGreaterThan(0.7 * taken);
  });
  test('no current passes from one bank to the other: the windlass leaves the start bank alone', () => {
    const pulling = study({ engineRpm: 800, loads: { x: 'start' } });
    const a = answer(two('its own post', 10), pulling);
    expect(a.banks[0]?.amps).toBeGreaterThan(50);
    expect(a.banks[1]?.amps).toBeLessThanOrEqual(1e-6);
    expect(answer(two('its own post', 10), study({ loads: { x: 'start' } })).banks[1]?.amps).toBe(0);
  });
});

describe('what is open, joined or gone', () => {
  test('behind the engine key all is dead while it stands', () => {
    const keyed = { ...boat(), circuits: boat().circuits.map((c) => (c.id === 'c-x' ? { ...c, supply: 'engine key' as const } : c)) };
    expect(answer(keyed, study()).cutOff).toEqual(['x']);
    expect(answer(keyed, study({ engineRpm: 900 })).cutOff).toEqual([]);
  });
  test('a load on no circuit is told, not lost', () => {
    const loose = { ...boat(), circuits: boat().circuits.filter((c) => c.id !== 'c-x') };
    expect(answer(loose, study()).cutOff).toEqual(['x']);
  });
  test('behind a panel that nothing feeds a load is dead', () => {
    const cut = { ...boat(), circuits: boat().circuits.filter((c) => c.id !== 'c-main') };
    const [x] = answer(cut, study()).loads;
    expect(x?.volts).toBeNaN();
    expect(x?.falls).toBe(true);
  });
  test('a second bank helps only where it is joined', () => {
    const base = boat();
    const two: Design = {
      ...base,
      banks: [...base.banks, { ...blankBank('start', 12, null), job: 'start', strings: 1 }],
      joins: [{ ...blankTie('sel', 'selector', 12), firstId: 'house', secondId: 'start', running: 'both', stopped: 'first' }],
    };
    const apart = answer(two, study());
    expect(apart.banks[1]?.amps).toBeCloseTo(0, 6);
    const both = answer({ ...two, joins: two.joins.map((j) => ({ ...j, stopped: 'both' as const })) }, study());
    expect(both.banks[1]?.amps).toBeGreaterThan(5);
    expect(both.loads[0]?.volts).toBeGreaterThan(apart.loads[0]?.volts ?? NaN);
  });
  test('no bank, no loads, nothing at all: an answer all the same', () => {
    expect(answer({ ...boat(), banks: [] }, study()).loads[0]?.falls).toBe(true);
    expect(answer(boat(), study({ loads: {} })).loads).toEqual([]);
    expect(answer({ ...boat(), circuits: [] }, study()).runs).toEqual([]);
  });
  test('more than the bank can give collapses, and names the load', () => {
    const greedy = { ...boat(), loads: boat().loads.map((l) => (l.id === 'radio' ? { ...l, rating: 60000 } : l)) };
    const a = answer(greedy, study({ loads: { radio: 'on' } }));
    expect(a.collapse?.loadId).toBe('radio');
    expect(a.collapse?.fraction).toBeLessThan(0.9);
    expect(a.cure).toBeNull();
  });
});

describe('whatever is switched on', () => {
  const design = boat();
  const analysed = analyse(design);
  test('what the bank gives is what the loads draw, and no load stands above the rest volts', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.subarray(['x', 'radio'], { minLength: 1 }),
        fc.constantFrom('on' as const, 'start' as const),
        (soc, ids, use) => {
          const a = runStudy(design, analysed, study({ soc, loads: Object.fromEntries(ids.map((id) => [id, use])) }));
          const drawn = a.loads.reduce((sum, l) => sum + l.amps, 0);
          expect(a.banks[0]?.amps).toBeCloseTo(drawn, 6);
          for (const l of a.loads) expect(l.volts).toBeLessThan(a.banks[0]?.restV ?? 0);
        },
      ),
      { numRuns: 40 },
    ));
  test('positive and negative of a run lose alike, and every branch is known by its circuit', () => {
    const { network, runs } = systemOf(design, analysed, study());
    const owned = new Set([...runs.values()].flat());
    expect(network.branches.filter((b) => !owned.has(b.id))).toEqual([]);
    for (const b of network.branches) {
      if (!b.id.endsWith('+')) continue;
      const other = network.branches.find((x) => x.id === `${b.id.slice(0, -1)}-`);
      expect(other?.ohm).toBe(b.ohm);
    }
  });
});
