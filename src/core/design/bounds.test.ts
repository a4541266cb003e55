/** Every field that came with the as-found survey takes what is right and names what is not. */
import { AC_SOURCE_KINDS } from './ac';
import { blankAcCircuit, blankAcLoad, blankAcPanel, blankAcSource } from './blankAc';
import { blankCircuit, blankDevice, blankFound, blankLoad, blankRoute } from './blank';
import { readDesign } from './read';
import type { Design } from './schema';
import { bareBoat, withLoad } from './testing';

const base = withLoad(bareBoat('metric'), {}, 4);
const problemsOf = (value: unknown): string[] => {
  const read = readDesign(value);
  return read.ok ? [] : read.problems.map((p) => `${p.where}: ${p.message}`);
};
const circuit = (change: object): unknown => ({ ...base, circuits: base.circuits.map((c) => (c.id === 'c-x' ? { ...c, ...change } : c)) });
const found = (change: object): unknown => circuit({ found: { ...blankFound('metric'), ...change } });
const load = (change: object): unknown => ({ ...base, loads: base.loads.map((l) => ({ ...l, ...change })) });
const route = (change: object): unknown => ({ ...base, routes: [{ ...blankRoute('r'), ...change }] });
const departure = (change: object): unknown => ({
  ...base,
  departures: [{ id: 'd', findingId: 'x:y', what: 'a', why: 'b', acceptedBy: 'c', on: '2026-05-31', ...change }],
});
const photo = (change: object): unknown => ({
  ...base,
  photos: [{ id: 'p', caption: '', about: { kind: 'boat', id: 'boat' }, widthPx: 10, heightPx: 10, ...change }],
});
const device = (change: object): unknown => circuit({ devices: [{ ...blankDevice('d', 'switch'), ...change }] });

test.each([
  ['a found wire', found({})],
  ['one of the other school', found({ size: { school: 'awg', size: '14' } })],
  ['with conditions', found({ faults: [{ id: 'f', kind: 'green', mohm: 12.5 }] })],
  [
    'standby and a maker’s sheet',
    load({ standbyA: 0.02, maxLeadM: 3, minBankAh: 100, page: 'p. 4', questions: '?', makerFuseFamily: 'class-T' }),
  ],
  ['a range', load({ range: { toRating: 90, placeIds: ['galley'] } })],
  ['a conduit', route({})],
  ['a trunking', route({ kind: 'trunking', heightMm: 30, circuitIds: ['c-x'] })],
  ['a departure', departure({})],
  ['a picture', photo({})],
  ['a device with a place', device({ placeId: 'chart', largest: { school: 'metric', size: '6' }, bypass: true })],
])('%s is taken', (_, value) => expect(problemsOf(value)).toEqual([]));

test.each([
  ['a decision that is none', found({ decision: 'sell' }), 'found, decision'],
  ['a size that is none', found({ size: { school: 'metric', size: '7' } }), 'no such size'],
  ['a negative length', found({ lengthM: -1 }), 'lengthM'],
  ['an age beyond all boats', found({ ageYears: 900 }), 'ageYears'],
  ['a condition nobody knows', found({ faults: [{ id: 'f', kind: 'cursed', mohm: null }] }), 'faults, row 1, kind'],
  ['a joint of a megohm', found({ faults: [{ id: 'f', kind: 'green', mohm: 1e9 }] }), 'mohm'],
  [
    'more conditions than there are',
    found({ faults: Array.from({ length: 20 }, (_, i) => ({ id: `f${i}`, kind: 'green', mohm: null })) }),
    'at most 12',
  ],
  ['an absurd standing draw', load({ standbyA: 1e9 }), 'standbyA'],
  ['text for a standing draw', load({ standbyA: 'some' }), 'standbyA'],
  ['a range into a place that is not there', load({ range: { toRating: 90, placeIds: ['attic'] } }), 'no place attic'],
  ['a fuse kind nobody makes', load({ makerFuseFamily: 'nail' }), 'makerFuseFamily'],
  ['a research state that is none', load({ research: 'maybe' }), 'research'],
  ['a conduit without a bore', route({ boreMm: 0 }), 'boreMm'],
  ['a conduit with half a bend', route({ bends: 1.5 }), 'whole number'],
  ['a conduit in no place', route({ placeId: 'attic' }), 'no place attic'],
  ['two conduits of one id', { ...base, routes: [blankRoute('r'), blankRoute('r')] }, 'is there twice'],
  ['a departure without a reason', departure({ why: '  ' }), 'a reason is needed'],
  ['a departure nobody accepts', departure({ acceptedBy: '' }), 'who accepts'],
  ['a departure on no day', departure({ on: 'soon' }), 'a date'],
  ['a picture of no size', photo({ widthPx: 0 }), 'widthPx'],
  ['a picture of nothing', photo({ about: { kind: 'ghost', id: 'x' } }), 'about, kind'],
  ['a picture whose id climbs', photo({ id: '../x' }), 'an id'],
  ['a device in no place', device({ placeId: 'attic' }), 'no place attic'],
  ['a device of no kind', device({ kind: 'lever' }), 'kind'],
  ['a way of a panel beyond all panels', circuit({ way: 99 }), 'way'],
  ['half a way', circuit({ way: 1.5 }), 'whole number'],
  ['text for legs of their own', circuit({ pin: { size: null, legs: 1, family: null, ratingA: null, ownDevices: 'yes' } }), 'ownDevices'],
])('%s is refused with the place named', (_, value, word) => expect(problemsOf(value).join('\n')).toContain(word));

test('what a first-version file lacks is filled in, and nothing else changed', () => {
  const strip = (row: object, keys: readonly string[]) => Object.fromEntries(Object.entries(row).filter(([k]) => !keys.includes(k)));
  const old = {
    ...base,
    version: 1,
    loads: base.loads.map((l) => strip(l, ['standbyA', 'range', 'research'])),
    circuits: base.circuits.map((c) => strip(c, ['found', 'way'])),
  };
  const read = readDesign(old);
  expect(read.ok && read.design).toEqual(base);
});
test('a version between is upgraded step by step; one without an upgrade is refused', () => {
  expect(problemsOf({ ...base, version: 0 })[0]).toContain('whole number');
  expect(problemsOf({ ...base, version: 6 })[0]).toContain('reads up to');
});
test('blank rows pass as they are', () => {
  const design: Design = {
    ...base,
    loads: [...base.loads, { ...blankLoad('n', 12), name: 'New' }],
    circuits: [...base.circuits, blankCircuit('n', '99', 'New', { kind: 'panel', id: 'panel' })],
    routes: [blankRoute('n')],
    acSources: AC_SOURCE_KINDS.map((kind) => blankAcSource(kind, kind, base.boat)),
    acPanels: [blankAcPanel('ap', null)],
    acLoads: [blankAcLoad('al')],
    acCircuits: [blankAcCircuit('ac', '1', 'Outlets', { kind: 'panel', id: 'ap' })],
  };
  expect(problemsOf(design)).toEqual([]);
});
