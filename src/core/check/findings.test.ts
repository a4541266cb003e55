/** Each finding appears for its cause, and goes when the cause does. */
import { analyse } from '../analysis';
import { applyEdit, blankCircuit, blankDevice, blankLoad, type Circuit, type Design, type Load, setOp } from '../design';
import { sourceInto } from '../energy/testing';
import { bareBoat, withLoad } from '../design/testing';

const bare = withLoad(bareBoat('metric'), { rating: 24, placeId: 'saloon', supply: 'house switch' }, 3);
const charger = sourceInto('shore charger');
const good: Design = {
  ...bare,
  circuits: bare.circuits.map((c) => (c.id === 'c-main' ? { ...c, devices: [blankDevice('off', 'battery switch')] } : c)),
  sources: [{ ...charger, pathMohm: 5, regulator: { ...charger.regulator, sensor: 'on the bank' } }],
};
const idsOf = (design: Design): string[] => analyse(design).findings.map((f) => f.id);
const circuit = (change: Partial<Circuit>): Design => ({
  ...good,
  circuits: good.circuits.map((c) => (c.id === 'c-x' ? { ...c, ...change } : c)),
});
const load = (change: Partial<Load>): Design => ({ ...good, loads: good.loads.map((l) => (l.id === 'x' ? { ...l, ...change } : l)) });
const place = (id: string, change: object): Design => ({
  ...good,
  places: good.places.map((p) => (p.id === id ? { ...p, ...change } : p)),
});
const house = (change: object, from = good): Design => ({ ...from, house: { ...from.house, ...change } });

test('the good boat has nothing to settle', () => expect(analyse(good).findings.filter((f) => f.severity !== 'note')).toEqual([]));

const causes: readonly (readonly [id: string, severity: string, design: Design])[] = [
  ['no-bank:boat', 'stop', { ...good, banks: [] }],
  ['no-source:c-x', 'stop', { ...good, circuits: good.circuits.filter((c) => c.id !== 'c-main') }],
  ['no-feeder:main', 'stop', { ...good, circuits: good.circuits.filter((c) => c.id !== 'c-main') }],
  ['bank-volts:house', 'stop', { ...good, banks: good.banks.map((b) => ({ ...b, series: 2 })) }],
  [
    'twice-c-z:x',
    'stop',
    {
      ...good,
      circuits: [
        ...good.circuits,
        {
          ...blankCircuit('c-z', '10', 'Z', { kind: 'panel', id: 'main' }),
          taps: [{ id: 'z', parent: null, serves: { kind: 'load', id: 'x' }, tapedM: 1 }],
        },
      ],
    },
  ],
  ['ways:main', 'stop', { ...good, panels: good.panels.map((p) => (p.id === 'main' ? { ...p, ways: 1 } : p)) }],
  ['volts-x:c-x', 'stop', load({ nominalV: 24 })],
  ['supply-x:c-x', 'fix', load({ supply: 'always live' })],
  ['supply-x:c-x', 'note', load({ supply: 'engine key' })],
  ['no-rating:x', 'note', load({ rating: 0 })],
  ['no-circuit:y', 'note', { ...good, loads: [...good.loads, { ...blankLoad('y', 12), rating: 5, placeId: 'saloon' }] }],
  ['no-place:x', 'note', load({ placeId: null })],
  ['electronics-place:x', 'fix', load({ group: 'electronics', placeId: 'bilge' })],
  ['electronics-place:x', 'fix', load({ group: 'electronics', placeId: 'engine' })],
  ['empty:c-x', 'note', circuit({ taps: [] })],
  [
    'fails-drop:c-x',
    'fix',
    circuit({
      pin: { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false },
      taps: [{ id: 't-x', parent: null, serves: { kind: 'load', id: 'x' }, tapedM: 30 }],
    }),
  ],
  [
    'fails-mechanical:c-x',
    'fix',
    circuit({ pin: { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false } }),
  ],
  [
    'fails-maker:c-x',
    'stop',
    {
      ...load({ makerWire: [{ school: 'metric', size: '10', upToM: null }] }),
      circuits: circuit({ pin: { size: { school: 'metric', size: '6' }, legs: 1, family: null, ratingA: null, ownDevices: false } })
        .circuits,
    },
  ],
  ['placement:c-x', 'stop', circuit({ deviceAtM: 0.5 })],
  ['device-d:c-x', 'stop', circuit({ devices: [{ ...blankDevice('d', 'switch'), ratingA: 1 }] })],
  ['place-refuses:c-x', 'stop', circuit({ insulationC: 60, via: ['engine'] })],
  ['over-load-gap:c-x', 'note', house({ protectionOverLoadMost: 1.3 }, load({ rating: 20 }))],
  [
    'collapse:c-x',
    'stop',
    {
      ...load({ rating: 600 }),
      circuits: circuit({
        pin: { size: { school: 'metric', size: '0.75' }, legs: 1, family: null, ratingA: null, ownDevices: false },
        taps: [{ id: 't-x', parent: null, serves: { kind: 'load', id: 'x' }, tapedM: 30 }],
      }).circuits,
    },
  ],
];
test.each(causes)('%s is a %s', (id, severity, design) => {
  const found = analyse(design).findings.find((f) => f.id === id);
  expect(found?.severity).toBe(severity);
  for (const words of [found?.title, found?.why, found?.todo]) expect(words?.length).toBeGreaterThan(5);
  expect(idsOf(good)).not.toContain(id);
});

describe('where the device may stand', () => {
  const at = (deviceAtM: number, sheathed: boolean, school: 'awg' | 'metric' = 'metric') =>
    idsOf({ ...circuit({ deviceAtM, sheathed }), boat: { ...good.boat, ruleSet: school } }).includes('placement:c-x');
  test.each([
    ['metric', 0.2, false, false],
    ['metric', 0.21, false, true],
    ['metric', 1.8, true, false],
    ['metric', 1.81, true, true],
    ['awg', 0.18, false, false],
    ['awg', 0.19, false, true],
    ['awg', 1.02, true, false],
    ['awg', 1.03, true, true],
  ] as const)('%s school, %p m, sheathed %p: a finding %p', (school, m, sheathed, found) => expect(at(m, sheathed, school)).toBe(found));
});

describe('petrol vapour', () => {
  const vapour = place('saloon', { vapour: true });
  test('only ignition-protected families are chosen where it is possible', () => {
    const result = analyse(vapour).circuits.find((c) => c.id === 'c-x');
    expect(['strip-link', 'terminal-cube', 'class-T', 'panel-breaker', 'surface-breaker']).toContain(result?.own.protection.familyId);
    expect(result?.own.protection.refused.map((r) => r.reason)).toContain('not ignition protected, and petrol vapour is possible here');
  });
  test('a pinned blade there is a stop', () => {
    const pinned: Design = {
      ...vapour,
      circuits: circuit({ pin: { size: null, legs: 1, family: 'blade', ratingA: null, ownDevices: false } }).circuits,
    };
    expect(idsOf(pinned)).toContain('vapour:c-x');
  });
});

describe('what a panel may hold', () => {
  const panelOn = (family: string, blockAh: number): Design => {
    const base = withLoad(
      { ...bareBoat('metric'), banks: bareBoat('metric').banks.map((b) => ({ ...b, blockAh })) },
      { rating: 24, supply: 'house switch' },
      3,
      { from: { kind: 'panel', id: 'panel' } },
    );
    return {
      ...base,
      panels: base.panels.map((p) => (p.id === 'panel' ? { ...p, family } : p)),
      circuits: base.circuits.map((c) =>
        c.id === 'c-main' || c.id === 'c-feed' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: '70' } } } : c,
      ),
    };
  };
  test('blades behind a thick feeder and a large bank cannot interrupt a short', () => {
    const found = analyse(panelOn('blade', 1000)).findings.find((f) => f.id === 'panel-family:panel');
    expect(found?.severity).toBe('stop');
    expect(found?.title).toContain('blade fuse');
    expect(found?.why).toContain('1000 A');
  });
  test('it is said once for the panel, not for each of its ways', () =>
    expect(idsOf(panelOn('blade', 400)).filter((id) => id === 'protection-conflict:c-x')).toEqual([]));
});

test('findings come worst first', () => {
  const bad = { ...circuit({ deviceAtM: 2 }), loads: load({ supply: 'engine key', group: 'electronics', placeId: 'bilge' }).loads };
  const order = analyse(bad).findings.map((f) => ['stop', 'fix', 'note'].indexOf(f.severity));
  expect(order).toEqual([...order].sort((a, b) => a - b));
});

test('a house rule that lets a rating round up is used only where the load cannot overload, and is flagged', () => {
  const big = withLoad(
    bareBoat('metric'),
    { rating: 14.6, ratingBy: 'A', behaviour: 'current', supply: 'house switch', ownTrip: true, placeId: 'saloon' },
    1,
    { bundled: 2 },
  );
  const rounded = house({ roundUpToNext: true }, big);
  const strict = analyse(big).circuits.find((c) => c.id === 'c-x');
  const loose = analyse(rounded).circuits.find((c) => c.id === 'c-x');
  expect(loose?.own.state.areaMm2).toBeLessThanOrEqual(strict?.own.state.areaMm2 ?? 0);
  const trusting = { ...rounded, loads: rounded.loads.map((l) => ({ ...l, ownTrip: false })) };
  expect(analyse(trusting).circuits.find((c) => c.id === 'c-x')?.own.ladder.chosen).toEqual(strict?.own.ladder.chosen);
});

test('correcting the cause takes the finding away', () => {
  const bad = circuit({ deviceAtM: 2 });
  const fixed = applyEdit(bad, { ops: [setOp(bad, ['circuits', 'c-x', 'deviceAtM'], 0.1)] });
  expect(fixed.ok && idsOf(fixed.design)).not.toContain('placement:c-x');
});
