/** The main side: sized leads, the shunt in the return, the starter's sag, and a finding for each fault that goes when it is mended. */
import { analyse, createMemory, studied } from '../analysis';
import {
  blankBar,
  blankBank,
  blankDevice,
  blankTie,
  blankLoad,
  blankSource,
  type Design,
  type BatteryCable,
  type Source,
  type Study,
} from '../design';
import { bankRestV, bankSource } from '../bank';
import { caseFaults, runStudy } from '../network';
import { dcdcInputA } from '../charging';
import { adiabaticK, slowestOpeningS, withstandS } from '../protection';
import { findFamily } from '../rules';
import { bareBoat, withLoad } from '../design/testing';
import { batteryCableLengthM, returnBar } from '../topology';
import { postInventory } from './posts';
import { blankBatteryCable, proposeMainSide } from '../propose';

let made = 0;
const fresh = (prefix: string) => `${prefix}${++made}`;

/** House and start bank, an alternator, a relay between the banks; a windlass on the bus. */
function boat(): Design {
  const bare = withLoad(
    bareBoat('metric'),
    { name: 'Windlass', behaviour: 'current', ratingBy: 'A', rating: 90, surgeA: 240, surgeS: 1, group: 'heavy' },
    6,
  );
  const radio = { ...blankLoad('radio', 12), name: 'Radio', placeId: 'chart' };
  return {
    ...bare,
    loads: [...bare.loads, radio],
    banks: [...bare.banks, { ...blankBank('start', 12, 'engine'), name: 'Start', job: 'start', strings: 1 }],
    engine: { ...bare.engine, startBankId: 'start' },
    sources: [{ ...blankSource('alt', 'alternator', 12, 'house'), ratedA: 90 }],
    joins: [{ ...blankTie('relay', 'relay', 12), name: 'Relay', firstId: 'start', secondId: 'house', ratedA: 120 }],
  };
}
const proposed = (design: Design): Design => {
  const { bars, leads } = proposeMainSide(design, fresh);
  return { ...design, bars: [...design.bars, ...bars], leads: [...design.leads, ...leads] };
};
const whole = proposed(boat());
const found = (design: Design) =>
  analyse(design).findings.filter((f) => f.about.kind === 'lead' || f.about.kind === 'bar' || /shunt/.test(f.id));
const change = (name: string, to: Partial<BatteryCable>): Design => ({
  ...whole,
  leads: whole.leads.map((l) => (l.name === name ? { ...l, ...to } : l)),
});
const barOf = (kind: Design['bars'][number]['kind']) => ({ kind: 'bar' as const, id: whole.bars.find((b) => b.kind === kind)?.id ?? '' });

test('what is proposed hangs together: nothing to settle on it, and asked again there is nothing more', () => {
  expect(found(whole).filter((f) => f.severity !== 'note')).toEqual([]);
  expect(proposeMainSide(whole, fresh)).toEqual({ bars: [], leads: [] });
  expect(whole.leads.map((l) => `${l.rail} ${l.name}`)).toEqual([
    'negative House bank negative',
    'negative Engine negative',
    'positive Starter',
    'negative Start negative',
    'positive Relay, first',
    'positive Relay, second',
    'positive Alternator output',
    'earth Bonding joint',
    'earth AC earth to DC negative, the one joint',
    'earth Windlass case',
  ]);
  expect(returnBar(whole, 'house')).toBe(barOf('negative bus').id);
});

test('a lead by hand: 90 A through 1 m of 35 mm² and the shunt', () => {
  const design = change('House bank negative', { size: { school: 'metric', size: '35' }, lengthM: 1 });
  const at = design.leads.findIndex((l) => l.name === 'House bank negative');
  const r = analyse(design).leads[at];
  // 0.527 ohm/km at 20 °C and 0.00393 a degree; two joints of 0.03 mohm; a shunt of 0.1 mohm, typical.
  const copper = (r?.conductor.r20OhmPerKm ?? NaN) / 1000;
  expect(r?.copperOhm).toBeCloseTo(copper * (1 + 0.00393 * ((r?.ambientC ?? 0) - 20)) + 2 * 0.00003, 9);
  expect(r?.inlineOhm).toBeCloseTo(0.0001, 9);
  expect(r?.carries.amps).toBeGreaterThanOrEqual(90);
  expect(r?.dropV).toBeCloseTo((r?.carries.amps ?? 0) * ((r?.copperOhm ?? 0) + 0.0001), 9);
});

const study = (more: Partial<Study>): Study => ({
  id: 's',
  name: 's',
  soc: 0.6,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads: {},
  ...more,
});

test('the return goes through the shunt: all the bank gives stands in that lead', () => {
  const a = runStudy(whole, analyse(whole), study({ loads: { x: 'on' } }));
  const shunt = a.leads.find((l) => l.name === 'House bank negative');
  expect(a.banks.find((b) => b.id === 'house')?.amps).toBeCloseTo(90, 6);
  expect(shunt?.amps).toBeCloseTo(90, 6);
  // No other strap carries any of it.
  for (const l of a.leads) if (l !== shunt) expect(l.amps).toBeCloseTo(0, 6);
});

test('two sources and more meet at a charging bus; each output and the feed are protected, and their path is what the leads are', () => {
  const bare = boat();
  const two = proposed({ ...bare, sources: [...bare.sources, { ...blankSource('sun', 'solar', 12, 'house'), name: 'Solar', ratedA: 30 }] });
  const analysed = analyse(two);
  const lead = (name: string) => {
    const at = two.leads.findIndex((l) => l.name === name);
    const r = analysed.leads[at];
    return { fuse: r?.device?.own.protection.ratingA ?? 0, amps: r?.carries.amps, ohm: (r?.copperOhm ?? NaN) + (r?.inlineOhm ?? NaN) };
  };
  expect(lead('Charging feed').amps).toBe(120);
  for (const name of ['Charging feed', 'Alternator output', 'Solar output']) expect(lead(name).fuse).toBeGreaterThan(0);
  // From the posts and back: the bank's own negative with its shunt is in it.
  const path = (...names: readonly string[]) => 1000 * names.reduce((sum, name) => sum + lead(name).ohm, 0);
  expect(analysed.paths.sun).toBeCloseTo(path('Charging feed', 'Solar output', 'Solar negative', 'House bank negative'), 1);
  expect(analysed.paths.alt).toBeCloseTo(path('Charging feed', 'Alternator output', 'Engine negative', 'House bank negative'), 1);
  expect(found(two).filter((f) => f.severity !== 'note')).toEqual([]);
  const a = runStudy(two, analysed, study({ engineRpm: 2200, soc: 0.5 }));
  const out = a.leads.find((l) => l.name === 'Alternator output')?.amps ?? 0;
  expect(out).toBeGreaterThan(10);
  // What charges the start bank through the relay comes back to the block by its own negative.
  const back = ['Engine negative', 'Start negative'].map((n) => a.leads.find((l) => l.name === n)?.amps ?? 0);
  expect((back[0] ?? 0) + (back[1] ?? 0)).toBeCloseTo(out, 6);
});

test('the starter: its amps through both its leads, and its volts are the posts less what these take', () => {
  const a = runStudy(whole, analyse(whole), study({ cranking: true }));
  const { crankA } = whole.engine;
  const starter = a.loads.find((l) => l.name === 'Starter');
  const [plus, minus] = ['Starter', 'Start negative'].map((n) => a.leads.find((l) => l.name === n));
  expect(plus?.amps).toBeCloseTo(crankA, 6);
  expect(minus?.amps).toBeCloseTo(crankA, 6);
  const posts = a.banks.find((b) => b.id === 'start')?.postsV ?? NaN;
  expect(starter?.volts).toBeCloseTo(posts - (plus?.dropV ?? 0) - (minus?.dropV ?? 0), 6);
});

test('with the engine running the relay carries the house bank’s share, through its two cables', () => {
  const first = {
    ...whole,
    sources: whole.sources.map((s) => ({ ...s, bankId: 'start' })),
    leads: whole.leads.filter((l) => l.name !== 'Alternator output'),
  };
  const a = runStudy(first, analyse(first), study({ engineRpm: 2000, soc: 0.5 }));
  const [one, two] = ['Relay, first', 'Relay, second'].map((n) => a.leads.find((l) => l.name === n)?.amps ?? 0);
  expect(one).toBeGreaterThan(1);
  expect(one).toBeCloseTo(two ?? 0, 6);
  expect(-(a.banks.find((b) => b.id === 'house')?.amps ?? 0)).toBeCloseTo(one ?? 0, 6);
});

const extra = (
  rail: BatteryCable['rail'],
  from: BatteryCable['from'],
  to: BatteryCable['to'],
  more: Partial<BatteryCable> = {},
): Design => ({
  ...whole,
  leads: [...whole.leads, { ...blankBatteryCable('extra', 'Extra', rail, from, to), ...more }],
});
const bank = (id: string) => ({ kind: 'bank' as const, id });

test.each<readonly [string, string, Design]>([
  ['paralleled:extra', 'stop', extra('positive', bank('house'), bank('start'))],
  ['unfused:extra', 'stop', extra('positive', bank('house'), { kind: 'join second', id: 'relay' }, { fused: false })],
  ['second-joint:extra', 'stop', extra('earth', barOf('bonding bus'), barOf('engine'))],
  ['second-joint:extra', 'fix', extra('negative', bank('start'), barOf('negative bus'))],
  ['round-shunt:house', 'fix', extra('negative', bank('house'), barOf('bonding bus'))],
  ['dangling:extra', 'fix', extra('positive', bank('house'), { kind: 'bar', id: 'gone' })],
  ['to-itself:extra', 'fix', extra('negative', bank('house'), bank('house'))],
  [
    'lead-bonding:extra',
    'fix',
    extra('earth', { kind: 'case', id: 'radio' }, barOf('bonding bus'), { size: { school: 'metric', size: '4' } }),
  ],
  [
    'lead-device-sh:extra',
    'fix',
    extra('negative', { kind: 'source', id: 'alt' }, barOf('engine'), { through: [{ ...blankDevice('sh', 'shunt'), ratingA: 50 }] }),
  ],
  [`loose:lonely`, 'fix', { ...whole, bars: [...whole.bars, blankBar('lonely', 'Lonely', 'bonding bus', null)] }],
  [
    'hull-return:hull',
    'stop',
    {
      ...extra('negative', bank('start'), { kind: 'bar', id: 'hull' }),
      bars: [...whole.bars, blankBar('hull', 'Hull', 'hull', null)],
    },
  ],
  [`ac-earth:${barOf('AC earth bar').id}`, 'fix', change('AC earth to DC negative, the one joint', { to: barOf('bonding bus') })],
])('%s is told, and not without its cause', (id, severity, design) => {
  expect(analyse(design).findings.find((f) => f.id === id)?.severity).toBe(severity);
  expect(analyse(whole).findings.some((f) => f.id === id)).toBe(false);
});

test('a pin too thin is kept and named; a case earth is no more than one size below its positive', () => {
  const thin = change('Relay, first', { size: { school: 'metric', size: '2.5' } });
  expect(
    found(thin)
      .map((f) => f.id)
      .filter((x) => x.startsWith('lead-protection')),
  ).toHaveLength(1);
  const at = whole.leads.findIndex((l) => l.name === 'Windlass case');
  const { leads, circuits } = analyse(whole);
  const positive = circuits.find((c) => c.id === 'c-x')?.own.state.areaMm2 ?? 0;
  const earth = leads[at]?.conductor.areaMm2 ?? 0;
  expect(earth).toBeLessThan(positive);
  expect(earth).toBeGreaterThanOrEqual(10);
  expect(leads[at]?.governs).toBe('its positive');
});

test('a typed length rules over where the ends stand', () => {
  const lead = whole.leads[0];
  if (!lead) throw new Error('no lead');
  // Same place: slack at both ends alone.
  expect(batteryCableLengthM(whole, lead)).toBeCloseTo(2 * whole.house.slackM, 9);
  expect(batteryCableLengthM(whole, { ...lead, lengthM: 2.2 })).toBe(2.2);
});

test('posts: largest lowest, each with its device and stand-by, and nothing round the shunt', () => {
  const standing: Design = { ...whole, loads: whole.loads.map((l) => ({ ...l, standbyA: 0.2 })) };
  const { circuits, leads } = analyse(standing);
  const posts = postInventory(standing, circuits, leads);
  const plus = posts.find((p) => p.name === 'House bank +');
  expect(plus?.landings.map((l) => l.name)).toEqual(expect.arrayContaining(['1 c-main', 'Relay, second, to Relay, second side']));
  expect(plus?.landings.find((l) => l.id === 'c-main')?.standingA).toBeCloseTo(0.2, 9);
  for (const p of posts) p.landings.slice(1).forEach((l, i) => expect(l.areaMm2).toBeLessThanOrEqual(p.landings[i]?.areaMm2 ?? 0));
  const minus = posts.find((p) => p.name === 'House bank −');
  expect(minus?.landings).toHaveLength(1);
  expect(minus?.bypasses).toEqual([]);
  expect(posts.find((p) => p.name === 'Start −')?.bypasses).toBeNull();
  // The main's negative lands on the bus behind the shunt.
  expect(posts.find((p) => p.name === 'Negative bus')?.landings.some((l) => l.id === 'c-main')).toBe(true);
});

describe('a positive on the case', () => {
  const faults = (design: Design) => caseFaults(design, analyse(design));
  test('by hand: rest volts over bank, positive half of the runs, the earth lead and the way back through the shunt', () => {
    const analysed = analyse(whole);
    const [fault] = faults(whole);
    const half = (id: string) => {
      const o = analysed.circuits.find((c) => c.id === id)?.warmOhm;
      return (o?.head ?? NaN) + (o?.segments ?? []).reduce((a, b) => a + b, 0) / 2;
    };
    const lead = (name: string) => {
      const r = analysed.leads[whole.leads.findIndex((l) => l.name === name)];
      return (r?.copperOhm ?? NaN) + (r?.inlineOhm ?? NaN);
    };
    const house = whole.banks[0];
    if (!house) throw new Error('no bank');
    const source = bankSource(house);
    const ohm = source.ohm + half('c-main') + half('c-x') + lead('Windlass case') + lead('House bank negative');
    expect(fault?.amps).toBeCloseTo(bankRestV(source, 0.5) / ohm, 3);
    expect(fault?.verdict).toBe('clears');
    expect(fault?.opensS).toBeLessThanOrEqual(fault?.bearsS ?? 0);
  });
  test('by hand: 509 A through a 100 A class T and 10 mm² from 30 °C, 0.188 s against 7.88 s', () => {
    const amps = 12.22 / 0.024;
    const classT = findFamily('class-T');
    if (!classT) throw new Error('no class T');
    expect(slowestOpeningS(classT, 100, amps)).toBeCloseTo(0.188, 3);
    expect(withstandS(adiabaticK(30, 160), 10, amps)).toBeCloseTo(7.88, 2);
  });
  test('a thin earth burns first, and that is a stop; one that leads nowhere clears nothing', () => {
    const thin = change('Windlass case', { size: { school: 'metric', size: '1' } });
    expect(faults(thin)[0]?.verdict).toBe('the earth burns first');
    expect(studied(thin, analyse(thin)).findings.find((f) => f.id.startsWith('case-earth'))?.severity).toBe('stop');
    const nowhere = change('Windlass case', { to: { kind: 'bar', id: 'gone' } });
    expect(faults(nowhere)[0]).toMatchObject({ amps: 0, verdict: 'may never clear' });
  });
});

describe('protection over the whole graph', () => {
  const side = { kind: 'join second' as const, id: 'relay' };
  const spliced = (size: string): Design => {
    const far = blankBar('post', 'Post', 'negative bus', 'saloon');
    const lead = blankBatteryCable('on', 'On from the relay', 'positive', side, { kind: 'bar', id: 'post' });
    return { ...whole, bars: [...whole.bars, far], leads: [...whole.leads, { ...lead, fused: false, size: { school: 'metric', size } }] };
  };
  test('a conductor that gets smaller behind a device is told, with the place to protect it; one as heavy is not', () => {
    const ids = (d: Design) => analyse(d).findings.map((f) => f.id);
    expect(ids(spliced('4'))).toContain('reduction:on');
    expect(analyse(spliced('4')).findings.find((f) => f.id === 'reduction:on')?.todo).toMatch(/Relay, second side/);
    expect(ids(spliced('95'))).not.toContain('reduction:on');
  });
  test('a device at the end away from the battery protects nothing', () => {
    const turned = change('Relay, first', { from: { kind: 'join first', id: 'relay' }, to: bank('start') });
    expect(analyse(turned).findings.some((f) => f.id.startsWith('unfused'))).toBe(true);
  });
  test('five on one post are too many, four are not', () => {
    const many = (n: number): Design => ({
      ...whole,
      leads: [
        ...whole.leads,
        ...Array.from({ length: n }, (_, i) => blankBatteryCable(`more${i}`, 'More', 'positive', bank('house'), side)),
      ],
    });
    const told = (d: Design) => analyse(d).findings.some((f) => f.id === 'stud-positive:house');
    // The main, the relay and the alternator stand there already.
    expect([told(many(1)), told(many(2))]).toEqual([false, true]);
  });
});

test('a negative is as heavy as the positive whose current it returns, and good for that positive’s device', () => {
  const { leads, circuits } = analyse(whole);
  const negative = leads[whole.leads.findIndex((l) => l.name === 'House bank negative')];
  const main = circuits.find((c) => c.id === 'c-main')?.own;
  expect(negative?.conductor.areaMm2).toBeGreaterThanOrEqual(main?.state.areaMm2 ?? Infinity);
  expect(negative?.izA).toBeGreaterThanOrEqual(main?.protection.ratingA ?? Infinity);
});

test('a negative is sized after the leads it returns too: their larger device, and the starter’s copper', () => {
  const feed = (ratingA: number): Design => ({
    ...whole,
    leads: whole.leads.map((l) => (l.name === 'Alternator output' ? { ...l, family: 'class-T', ratingA } : l)),
  });
  const of = (d: Design, name: string) => analyse(d).leads[d.leads.findIndex((l) => l.name === name)];
  const asked = of(feed(400), 'House bank negative')?.rungs.find((r) => r.by === 'protection');
  expect(asked?.why).toMatch(/^400 A of Alternator output/);
  expect(of(feed(400), 'House bank negative')?.izA).toBeGreaterThanOrEqual(400);
  // The start bank's negative carries what its positive does.
  const [plus, minus] = [of(whole, 'Starter'), of(whole, 'Start negative')];
  expect(minus?.conductor.areaMm2).toBeGreaterThanOrEqual(plus?.conductor.areaMm2 ?? Infinity);
});

test('an edit that says nothing to a lead leaves its result the same object; one that does, makes it anew', () => {
  const memory = createMemory();
  const before = analyse(whole, memory).leads;
  const renamed = { ...whole, loads: whole.loads.map((l) => (l.id === 'radio' ? { ...l, name: 'Wireless' } : l)) };
  expect(analyse(renamed, memory).leads).toBe(before);
  const heavier = { ...renamed, loads: renamed.loads.map((l) => (l.id === 'x' ? { ...l, rating: 160 } : l)) };
  const after = analyse(heavier, memory).leads;
  const changedNames = whole.leads.filter((_, i) => after[i] !== before[i]).map((l) => l.name);
  expect(changedNames).toContain('House bank negative');
  expect(changedNames).not.toContain('Relay, first');
  expect(after).toEqual(analyse(heavier).leads);
});

describe('a starter’s cable', () => {
  const starter = (engine: Partial<Design['engine']>, house: Partial<Design['house']> = {}) => {
    const banks = whole.banks.map((b) => ({ ...b, tempC: 25 }));
    const d: Design = { ...whole, banks, engine: { ...whole.engine, ...engine }, house: { ...whole.house, ...house } };
    const result = analyse(d).leads[d.leads.findIndex((l) => l.name === 'Starter')];
    const rung = (by: string) => result?.rungs.find((r) => r.by === by);
    return { result, rung };
  };
  test('is as heavy as the engine’s maker asks', () => {
    expect(starter({}).rung('engine’s maker')).toBeUndefined();
    const asked = starter({ starterCable: { school: 'metric', size: '95' } });
    expect(asked.rung('engine’s maker')).toMatchObject({ size: '95' });
    expect(asked.result?.conductor.areaMm2).toBeGreaterThanOrEqual(95);
  });
  /*
   * By hand: 350 A, six starts of 10 s are 60 s; with none given away, ρ J² / (c δ) = 1.75e-8 × (350 / 35e-6)² / 3.45e6 = 0.51 K/s warm 35 mm² by
   * 30 °C, to 55 of the 60 °C allowed from 25; 25 mm² by 60 °C, to 85. Some is given away in the pauses: 35 is enough, 16 never.
   */
  test('leaves the battery’s post under 60 °C after starts in a row', () => {
    const { rung } = starter({ crankA: 350, crankS: 3, starts: 6 });
    expect(['25', '35']).toContain(rung('post')?.size);
    const harder = starter({ crankA: 350, crankS: 15, starts: 6 });
    expect(harder.rung('post')?.areaMm2).toBeGreaterThan(rung('post')?.areaMm2 ?? Infinity);
    expect(starter({ crankA: 350, crankS: 3, starts: 6 }, { postC: 45 }).rung('post')?.areaMm2).toBeGreaterThan(
      rung('post')?.areaMm2 ?? Infinity,
    );
  });
  test('leaves the starter its volts: half of what the bank leaves to each of the two cables; where the bank leaves none it is no cable’s', () => {
    const wide = starter({ crankMinV: 6 }).rung('cranking volts');
    const narrow = starter({ crankMinV: 10 }).rung('cranking volts');
    expect(wide?.areaMm2).toBeLessThanOrEqual(narrow?.areaMm2 ?? Infinity);
    expect(starter({ crankMinV: 12 }).rung('cranking volts')).toBeUndefined();
  });
});

describe('a DC–DC charger between two batteries', () => {
  const bare = bareBoat('metric');
  const start = { ...blankBank('start', 12, 'engine'), name: 'Start battery', job: 'start' as const };
  const dcdc: Source = { ...blankSource('d', 'DC–DC', 12, 'start'), fromBankId: 'house', placeId: 'engine', ratedA: 30 };
  let n = 0;
  const two: Design = { ...bare, banks: [...bare.banks, start], sources: [dcdc] };
  const whole: Design = { ...two, ...proposeMainSide(two, (p) => `${p}${++n}`) };
  const { leads } = analyse(whole);
  const of = (name: string) => leads[whole.leads.findIndex((l) => l.name === name)];
  test('a cable from each, each with its own fuse at its battery, and one negative', () => {
    expect(whole.leads.filter((l) => /^DC–DC/.test(l.name)).map((l) => [l.name, l.from.id, l.fused])).toEqual([
      ['DC–DC charger output', 'start', true],
      ['DC–DC charger input', 'house', true],
      ['DC–DC charger negative', 'd', false],
    ]);
    expect([of('DC–DC charger output')?.device, of('DC–DC charger input')?.device].every((d) => d != null)).toBe(true);
  });
  test('the input carries what it draws to give its rated amps', () => {
    expect(of('DC–DC charger output')?.carries.amps).toBe(30);
    expect(of('DC–DC charger input')?.carries.amps).toBeCloseTo(dcdcInputA(dcdc, whole.banks[0], whole.house), 9);
    expect(of('DC–DC charger input')?.carries.amps).toBeGreaterThan(30);
  });
  test('with its output alone it is told of its input, and proposed again it gets that alone', () => {
    const half: Design = { ...whole, leads: whole.leads.filter((l) => l.name !== 'DC–DC charger input') };
    expect(analyse(half).findings.find((f) => f.rule === 'source-unwired')?.title).toContain('at its input');
    expect(proposeMainSide(half, (p) => `${p}x${++n}`).leads.map((l) => l.name)).toEqual(['DC–DC charger input']);
    expect(analyse(whole).findings.some((f) => f.rule === 'source-unwired')).toBe(false);
  });
});

test('no case earth for what has no case: sun and alternator have none, a shore charger and a windlass have', () => {
  const bare = bareBoat('metric');
  const row = (id: string, name: string, group: 'charging' | 'heavy') => ({ ...blankLoad(id, 12), name, group });
  const source = (id: string, kind: Source['kind'], loadId: string) => ({ ...blankSource(id, kind, 12, 'house'), loadId });
  const boat: Design = {
    ...bare,
    loads: [
      row('sun', 'Panneaux', 'charging'),
      row('shore', 'Ladegerät', 'charging'),
      row('alt', 'Lichtmaschine', 'charging'),
      row('w', 'Windlass', 'heavy'),
      { ...row('st', 'Starter', 'heavy'), kind: 'starter' },
    ],
    sources: [source('a', 'solar', 'sun'), source('b', 'shore charger', 'shore')],
  };
  let n = 0;
  const { leads } = proposeMainSide(boat, (p) => `${p}${++n}`);
  expect(leads.flatMap((l) => (l.from.kind === 'case' ? [l.from.id] : []))).toEqual(['shore', 'w']);
});
