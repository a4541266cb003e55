import { analyse } from '../analysis';
import { cutList } from './cutList';
import { blankBatteryCable, proposeCircuits, proposeMainSide } from '../propose';
import { blankBar, blankDesign, blankDevice, blankFound, blankLoad, blankSource, brokenReferences, type Design } from '../design';
import { fromBlock, harmless, restored, toBlock, toCsv } from '../format';
import { findConductor } from '../rules';
import { bareBoat, withLoad } from '../design/testing';
import { endName, tightened } from './ends';
import { appliance, pluggedIn } from '../ac/testing';

const listOf = (design: Design) => cutList(design, analyse(design).circuits);

test('one circuit by hand: two conductors, four ends, an order rounded up', () => {
  const design = withLoad({ ...bareBoat('metric'), circuits: bareBoat('metric').circuits }, { rating: 24, connection: 'M6' }, 4);
  const list = listOf(design);
  const own = list.cuts.filter((c) => c.circuitId === 'c-x');
  expect(own.map((c) => [c.polarity, c.lengthM, c.colour])).toEqual([
    ['+', 4, 'red'],
    ['−', 4, 'black'],
  ]);
  const size = own[0]?.size ?? '';
  expect(own.every((c) => c.toEnd === `ring ${size} × M6`)).toBe(true);
  const reel = list.reels.find((r) => r.size === size && r.colour === 'black');
  // The panel's feeder comes out at the same size: 4 m + 1 m, 5 % for waste, bought by the half metre.
  expect(reel?.netM).toBe(5);
  expect(reel?.orderM).toBe(5.5);
});

test('totals are the sum of the pieces', () => {
  const list = listOf(withLoad(bareBoat('awg'), { rating: 500 }, 6));
  expect(list.totalM).toBeCloseTo(
    list.cuts.reduce((s, c) => s + c.lengthM, 0),
    9,
  );
  expect(list.totalM).toBeCloseTo(
    list.reels.reduce((s, r) => s + r.netM, 0),
    9,
  );
});

test('a chain of taps shares one splice a conductor at each tap on the way', () => {
  const base = withLoad(bareBoat('metric'), { rating: 5, connection: 'screw clamp' }, 2);
  const [load] = base.loads;
  if (!load) throw new Error('no load');
  const design: Design = {
    ...base,
    loads: [load, { ...load, id: 'y', name: 'Y' }],
    circuits: base.circuits.map((c) =>
      c.id === 'c-x' ? { ...c, taps: [...c.taps, { id: 't-y', parent: 't-x', serves: { kind: 'load', id: 'y' }, tapedM: 1 }] } : c,
    ),
  };
  const list = listOf(design);
  const splices = list.terminals.filter((t) => t.item.startsWith('adhesive butt')).reduce((s, t) => s + t.count, 0);
  expect(splices).toBe(2);
  expect(list.cuts.filter((c) => c.circuitId === 'c-x').map((c) => c.label)).toEqual(['9+.1 Thing', '9−.1 Thing', '9+.2 Y', '9−.2 Y']);
});

test('AC runs by hand: one cable each, three cores or four, landed core by core, with its breaker', () => {
  const list = listOf(pluggedIn());
  const own = list.cuts.filter((c) => c.polarity === 'cable');
  expect(own.map((c) => [c.circuitId, c.cores, c.lengthM, c.taped, c.colour])).toEqual([
    ['main', 3, 4, true, 'brown / light blue / green with yellow stripe'],
    ['galley', 3, 6, true, 'brown / light blue / green with yellow stripe'],
  ]);
  const [, galley] = own;
  expect(galley).toMatchObject({ size: '3 × 1.5 mm²', fromEnd: 'ferrule 1.5 mm²', toEnd: 'ferrule 1.5 mm²', label: 'galley AC galley' });
  // Three cores at two ends of each run; what else is of that size aboard lands on studs.
  expect(['1.5', '2.5'].map((s) => list.terminals.find((t) => t.item === `ferrule ${s} mm²`)?.count)).toEqual([6, 6]);
  const reel = list.reels.find((r) => r.size === '3 × 1.5 mm²');
  // 6 m and 5 % by the half metre; three cores' mass and a quarter for jacket and filler.
  expect([reel?.netM, reel?.orderM]).toEqual([6, 6.5]);
  expect(reel?.massKg).toBeCloseTo((6 * 3 * 1.25 * (findConductor('metric', '1.5')?.massKgPerKm ?? NaN)) / 1000, 9);
  // Cores of 1.5 mm² are 3 mm over their insulation or less: a hundred millimetres of them, the earth 30 longer.
  expect(galley?.note).toBe(
    'sheath off 100 mm at each end, earth 30 mm longer than live and neutral; starts on the load side of its breaker in AC panel',
  );
  expect(list.cuts.find((c) => c.no === 'main')?.note).toMatch(
    /; from Shore power to the line side of its breaker; AC panel on the load side; its earth not on the inlet’s: that goes by the isolator$/,
  );
  expect(list.protection.map((p) => p.item)).toContain('AC breaker, curve C 16 A, 2 poles, 30 mA residual');
});

test('a feeder of a split service has four cores; what lies between the legs needs no neutral', () => {
  const base = pluggedIn('awg');
  const split: Design = {
    ...base,
    acSources: base.acSources.map((s) => ({ ...s, service: '120/240 V', ratedA: 50 })),
    acLoads: [appliance('kettle', 1440), appliance('heater', 3000, { leg: 'both' })],
    acCircuits: base.acCircuits.flatMap((c) =>
      c.id === 'galley' ? [c, { ...c, id: 'heat', no: 'heat', name: 'heat', loadIds: ['heater'] }] : [c],
    ),
  };
  const cores = Object.fromEntries(
    listOf(split)
      .cuts.filter((c) => c.polarity === 'cable')
      .map((c) => [c.circuitId, c.colour]),
  );
  expect(cores).toEqual({ main: 'black / red / white / green', galley: 'black / white / green', heat: 'black / red / green' });
});

test('ends by connection kind and size', () => {
  expect(endName('M8', 'awg', '2/0')).toBe('lug 2/0 AWG × 5/16 in');
  expect(endName('M6', 'metric', '4')).toBe('ring 4 mm² × M6');
  expect(tightened('lug 2/0 AWG × 5/16 in', blankDesign('', 'awg', 10, 3, 12).boat)).toMatch(/^; die 2\/0 AWG; [\d.]+ lb ft/);
  expect(tightened('ring 4 mm² × M6', bareBoat('metric').boat)).toMatch(/^; die 4 mm²; /);
  expect(tightened('ferrule 2.5 mm²', bareBoat('metric').boat)).toBe('');
  expect(endName('screw clamp', 'metric', '2.5')).toBe('ferrule 2.5 mm²');
  expect(endName('own lead', 'metric', '2.5')).toBe('adhesive butt splice 2.5 mm²');
});

test('function colours follow the scheme where the house asks for them', () => {
  const design = withLoad(bareBoat('awg'), { rating: 12, group: 'navigation' }, 4);
  expect(listOf(design).cuts.find((c) => c.circuitId === 'c-x')?.colour).toBe('dark grey');
  expect(listOf({ ...design, house: { ...design.house, functionColours: false } }).cuts.find((c) => c.circuitId === 'c-x')?.colour).toBe(
    'red',
  );
});

describe('proposing', () => {
  const fresh = () => {
    let n = 0;
    return (prefix: string) => `${prefix}${++n}n`;
  };
  const loads = [
    ...Array.from({ length: 5 }, (_, i) => ({
      ...blankLoad(`lamp${i}`, 12),
      name: `Lamp ${i}`,
      group: 'lights' as const,
      rating: 6,
      placeId: i < 3 ? 'saloon' : 'fore',
    })),
    {
      ...blankLoad('windlass', 12),
      name: 'Windlass',
      group: 'heavy' as const,
      rating: 1000,
      supply: 'house switch' as const,
      placeId: 'bow',
    },
    { ...blankLoad('bilge', 12), name: 'Bilge pump', group: 'pump' as const, rating: 48, supply: 'always live' as const, placeId: 'bilge' },
  ];
  const bare: Design = { ...bareBoat('metric'), panels: [], circuits: [], loads };
  const proposal = proposeCircuits(bare, fresh());
  const design: Design = { ...bare, panels: [...proposal.panels], circuits: [...proposal.circuits] };
  const circuitOf = (id: string) => design.circuits.find((c) => c.taps.some((t) => t.serves.id === id));

  test('every load gets exactly one circuit, and every reference holds', () => {
    for (const l of loads) expect(design.circuits.filter((c) => c.taps.some((t) => t.serves.id === l.id))).toHaveLength(1);
    expect(brokenReferences(design)).toEqual([]);
  });
  test('lamps of one end of the boat share a way, tapped one after another', () => {
    expect(circuitOf('lamp0')?.id).toBe(circuitOf('lamp2')?.id);
    expect(circuitOf('lamp0')?.taps.map((t) => t.parent === null)).toEqual(expect.arrayContaining([true, false]));
  });
  test('what must stay live is fed before the house switch', () => {
    const feed = design.circuits.find((c) => c.taps.some((t) => t.serves.id === circuitOf('bilge')?.from.id));
    expect(feed?.from.kind).toBe('bank');
    expect(feed?.devices).toEqual([]);
  });
  test('heavy consumers hang on the main bus', () =>
    expect(design.panels.find((p) => p.id === circuitOf('windlass')?.from.id)?.kind).toBe('bus'));
  test('asked again it proposes nothing', () => expect(proposeCircuits(design, fresh()).circuits).toEqual([]));
  test('nothing is left unfed', () => expect(analyse(design).findings.filter((f) => f.id.startsWith('no-'))).toEqual([]));
});

describe('tables as text', () => {
  test.each([['=1+1'], ['@cmd'], ['+SUM(A1)'], ['-x']])('%s cannot run as a formula, and is restored on the way back', (cell) => {
    expect(harmless(cell)).toBe(`'${cell}`);
    expect(restored(harmless(cell))).toBe(cell);
  });
  test('plain numbers stay numbers', () => expect([harmless('-3.5'), harmless('+2'), harmless('4')]).toEqual(['-3.5', '+2', '4']));
  test('a block goes out and comes in whole, tabs and breaks in cells included', () => {
    const rows = [
      ['a', 'b\tc', ''],
      ['line\nbreak', '"quoted"', '=x'],
    ];
    expect(fromBlock(toBlock(rows))).toEqual(rows);
  });
  test('CSV quotes what needs it', () => expect(toCsv([['a,b', 'c"d']])).toBe('"a,b","c""d"'));
});

test('a lit switch gets a thin negative of its own, from where the circuit starts', () => {
  const design = withLoad(bareBoat('metric'), { rating: 24 }, 4, {
    devices: [{ ...blankDevice('d', 'lit switch'), placeId: 'chart' }, blankDevice('e', 'switch')],
  });
  const lamp = listOf(design).cuts.filter((c) => c.serves === 'lamp of the switch');
  const { places } = design;
  const [bus, chart] = ['saloon', 'chart'].map((id) => places.find((p) => p.id === id)?.at);
  if (!bus || !chart) throw new Error('no places');
  expect(lamp).toHaveLength(1);
  expect(lamp[0]).toMatchObject({ polarity: '−', size: '1 mm²', colour: 'black', label: '9− lamp of its switch' });
  expect(lamp[0]?.lengthM).toBeCloseTo(Math.abs(bus.x - chart.x) + Math.abs(bus.y - chart.y) + Math.abs(bus.z - chart.z) + 0.6, 9);
});

test('what is kept as found is not cut, and its own device not bought', () => {
  const found = {
    ...blankFound('metric'),
    size: { school: 'metric', size: '2.5' } as const,
    sizeKnown: true,
    decision: 'keep' as const,
    keepProtection: true,
    family: 'blade',
    ratingA: 10,
  };
  const list = listOf(withLoad(bareBoat('metric'), { rating: 24 }, 4, { found }));
  expect(list.cuts.some((c) => c.circuitId === 'c-x')).toBe(false);
  const fresh = listOf(withLoad(bareBoat('metric'), { rating: 24 }, 4, { found: { ...found, keepProtection: false } }));
  const count = (l: typeof list) => l.protection.reduce((sum, p) => sum + p.count, 0);
  expect(count(fresh)).toBe(count(list) + 1);
});

test('leads of the main side are cut, lugged by their studs, sleeved and protected with the rest', () => {
  let n = 0;
  const bare = bareBoat('metric');
  const proposal = proposeMainSide(
    { ...bare, sources: [{ ...blankSource('alt', 'alternator', 12, 'house'), name: 'Alternator' }] },
    (p) => `${p}${++n}`,
  );
  const design: Design = { ...bare, sources: [{ ...blankSource('alt', 'alternator', 12, 'house'), name: 'Alternator' }], ...proposal };
  const { circuits, leads } = analyse(design);
  const list = cutList(design, circuits, leads);
  const without = cutList(design, circuits);
  // The shunt parts the negative it stands in.
  expect(list.cuts.length - without.cuts.length).toBe(design.leads.length + 1);
  expect(list.totalM - without.totalM).toBeCloseTo(
    leads.reduce((sum, l) => sum + l.lengthM, 0),
    9,
  );
  const earth = list.cuts.find((c) => c.label === 'earth Bonding joint');
  expect(earth).toMatchObject({ colour: 'green', size: '10 mm²', fromEnd: 'lug 10 mm² × M8', toEnd: 'lug 10 mm² × M8' });
  expect(list.terminals.find((t) => t.item === 'lug 10 mm² × M8')?.note).toMatch(/pull test 220 N; die 10 mm²; 14 N m/);
  const fuses = (l: typeof list) => l.protection.reduce((sum, p) => sum + p.count, 0);
  expect(fuses(list) - fuses(without)).toBe(leads.filter((l) => l.device).length);
});

test('a remark on a device stays when the same device stands elsewhere without one', () => {
  const bare = bareBoat('metric');
  const legs = {
    ...bare,
    circuits: bare.circuits.map((c) =>
      c.id === 'c-main'
        ? { ...c, pin: { size: { school: 'metric' as const, size: '70' }, legs: 2, family: 'class-T', ratingA: 150, ownDevices: true } }
        : c,
    ),
  };
  const bus = blankBar('bus', 'Charging bus', 'positive bus', 'saloon');
  const feed = blankBatteryCable('feed', 'Feed', 'positive', { kind: 'bank', id: 'house' }, { kind: 'bar', id: 'bus' });
  const design: Design = { ...legs, bars: [bus], leads: [{ ...feed, family: 'class-T', ratingA: 150 }] };
  const { circuits, leads } = analyse(design);
  const line = cutList(design, circuits, leads).protection.find((p) => /class T.* 150 A/.test(p.item));
  expect(line).toMatchObject({ note: 'at both ends of each leg', count: 5 });
});

describe('an end that takes less than its conductor', () => {
  const pin = { size: { school: 'metric' as const, size: '25' }, legs: 1, family: 'panel-breaker', ratingA: null, ownDevices: false };
  const boat = (stepDown: boolean, connection: 'M4' | 'own lead' = 'M4') =>
    withLoad(bareBoat('metric'), { rating: 60, behaviour: 'current', ratingBy: 'W', connection }, 4, { pin, stepDown });
  const own = (design: Design) => listOf(design).cuts.filter((c) => c.circuitId === 'c-x');
  test('is met by a tail of what it takes, on a junction stud', () => {
    // A panel breaker takes 10 mm2, an M4 screw 6 mm2; the bus has M8.
    expect(own(boat(true)).map((c) => [c.polarity, c.size, c.lengthM, c.fromEnd, c.toEnd])).toEqual([
      ['+', '25 mm²', 4, 'lug 25 mm² × M6 on a junction stud', 'lug 25 mm² × M6 on a junction stud'],
      ['+', '10 mm²', 0.2, 'lug 10 mm² × M4', 'lug 10 mm² × M6'],
      ['+', '6 mm²', 0.2, 'ring 6 mm² × M6', 'ring 6 mm² × M4'],
      ['−', '25 mm²', 4, 'lug 25 mm² × M8', 'lug 25 mm² × M6 on a junction stud'],
      ['−', '6 mm²', 0.2, 'ring 6 mm² × M6', 'ring 6 mm² × M4'],
    ]);
    expect(listOf(boat(true)).terminals.find((t) => t.item.startsWith('junction stud'))).toMatchObject({
      item: 'junction stud M6, insulated, covered',
      count: 3,
    });
    expect(listOf(boat(true)).terminals.some((t) => t.item.includes('on a junction'))).toBe(false);
  });
  test('is listed as it is where nobody asked for a step down: the audit stops there', () =>
    expect(own(boat(false)).map((c) => c.toEnd)).toEqual(['lug 25 mm² × M4', 'lug 25 mm² × M4']));
  test('a load with a lead of its own is bolted to it: no splice is made for 25 mm²', () =>
    expect(own(boat(false, 'own lead')).map((c) => c.toEnd)).toEqual(Array(2).fill('lug 25 mm² × M6 on a junction stud')));
});
