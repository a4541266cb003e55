/** Turnstone: an invented 7.9 m sloop, 12 V, found with the wiring of forty years and four owners. */
import {
  blankFault,
  blankBank,
  blankCircuit,
  blankDesign,
  blankDevice,
  blankFound,
  blankPanel,
  blankPlace,
  type Circuit,
  type Design,
  type Found,
} from '@/core/design';
import { demoLoads, type LoadEntry } from './build';

const LOADS: readonly LoadEntry[] = [
  ['Masthead tricolour, LED', { name: 'Masthead light', rating: 25, behaviour: 'resistance', placeId: 'mast', mark: 'measured' }],
  ['Bow light, two-colour', { rating: 10, behaviour: 'resistance' }],
  ['Stern light', { rating: 10, behaviour: 'resistance' }],
  ['Cabin light, LED', { name: 'Saloon lamps', quantity: 4, rating: 10, behaviour: 'resistance' }],
  ['Cabin light, LED', { name: 'Fore cabin lamp', rating: 10, behaviour: 'resistance', placeId: 'fore' }],
  [
    'Bilge pump, automatic',
    {
      rating: 3.2,
      ratingBy: 'A',
      surgeA: 7,
      makerFuseA: 10,
      placeId: 'bilge',
      mark: "maker's",
      page: 'label on the pump',
      research: 'researched',
      standbyA: 0.004,
    },
  ],
  ['VHF radio', { rating: 5, ratingBy: 'A', makerFuseA: 7.5, mark: "maker's", research: 'researched' }],
  ['Instrument network', { name: 'Log and sounder', rating: 4 }],
  ['Stereo', { standbyA: 0.03, questions: 'Does its memory wire need a live feed?' }],
  ['Tracker, stand-by', { standbyA: 0.02 }],
  [
    'Refrigerator compressor',
    {
      name: 'Cool box, not chosen',
      rating: 35,
      ratingBy: 'W',
      range: { toRating: 60, placeIds: ['saloon'] },
      placeId: 'galley',
      research: 'unread',
    },
  ],
];

const found = (size: string, change: Partial<Found>): Found => ({
  ...blankFound('metric'),
  sizeKnown: true,
  size: { school: 'metric', size },
  ageYears: 40,
  ...change,
});
const faults = (...kinds: (Found['faults'][number]['kind'] | readonly [Found['faults'][number]['kind'], number])[]): Found['faults'] =>
  kinds.map((k, i) => {
    const [kind, mohm] = typeof k === 'string' ? ([k, null] as const) : k;
    return blankFault(`f${i}`, kind, mohm);
  });

interface Wire {
  readonly name: string;
  readonly loads: readonly string[];
  readonly found: Found;
  readonly change?: Partial<Circuit>;
}

const WIRES: readonly Wire[] = [
  {
    name: 'Masthead light',
    loads: ['Masthead light'],
    found: found('1.5', {
      decision: 'replace',
      reason: 'Green all the way down the mast; 1.1 V lost at the lamp.',
      kind: 'bare strands',
      colour: 'brown and blue',
      lengthM: 16,
      family: 'blade',
      ratingA: 20,
      fromEnd: 'twisted under a screw',
      toEnd: 'twisted and taped',
      faults: faults(['green', 180], 'twisted'),
    }),
  },
  {
    name: 'Bow and stern lights',
    loads: ['Bow light, two-colour', 'Stern light'],
    found: found('1', {
      decision: 'replace',
      reason: 'Too thin for its 3 %.',
      kind: 'household',
      colour: 'white',
      lengthM: 15,
      family: 'blade',
      ratingA: 15,
      faults: faults('screw-block', 'colour'),
    }),
  },
  {
    name: 'Cabin lamps',
    loads: ['Saloon lamps', 'Fore cabin lamp'],
    found: found('2.5', {
      decision: 'keep',
      reason: 'Sound copper where it was opened; renewed twelve years ago. New fuse, new ends.',
      kind: 'tinned strands',
      ageYears: 12,
      colour: 'red and black',
      lengthM: 7,
      family: 'blade',
      ratingA: 25,
      faults: faults('unlabelled', 'open-fork'),
    }),
  },
  {
    name: 'Bilge pump',
    loads: ['Bilge pump, automatic'],
    found: found('1.5', {
      decision: 'undecided',
      kind: 'tinned strands',
      ageYears: 8,
      colour: 'brown',
      lengthM: 4.5,
      keepProtection: true,
      faults: faults(['failed-crimp', 35]),
      toEnd: 'butt splice, wet',
    }),
    change: {
      supply: 'always live',
      from: { kind: 'bank', id: 'house' },
      devices: [{ ...blankDevice('d1', 'float switch'), placeId: 'bilge', ratingA: 10 }],
    },
  },
  {
    name: 'Radio and instruments',
    loads: ['VHF radio', 'Log and sounder'],
    found: found('1.5', {
      decision: 'replace',
      reason: 'Shares a fuse with the instruments and browns at the plug.',
      kind: 'household',
      lengthM: 5,
      colour: 'grey',
      family: 'blade',
      ratingA: 30,
      faults: faults('burnt', 'twist-cap'),
    }),
    change: { devices: [{ ...blankDevice('d2', 'plug'), ratingA: 5, placeId: 'chart' }] },
  },
  {
    name: 'Stereo',
    loads: ['Stereo', 'Tracker, stand-by'],
    found: found('0.75', {
      decision: 'keep',
      reason: 'Small load, short run.',
      kind: 'bare strands',
      ageYears: 15,
      colour: 'red',
      lengthM: 3,
      family: 'blade',
      ratingA: 5,
      keepProtection: true,
      faults: faults('soldered'),
    }),
  },
  {
    name: 'White pair behind the galley',
    loads: [],
    found: found('1.5', {
      decision: 'undecided',
      kind: 'household',
      colour: 'white',
      lengthM: 3.5,
      family: 'blade',
      ratingA: 15,
      faults: faults('nowhere', 'chafed'),
    }),
  },
  {
    name: 'Old spotlight feed',
    loads: [],
    found: found('2.5', {
      decision: 'remove',
      reason: 'Spotlight went years ago; the wire is still live at the bow.',
      kind: 'solid',
      colour: 'black',
      lengthM: 6.5,
      ratingA: null,
      faults: faults('cracked', 'nowhere'),
    }),
    change: { from: { kind: 'bank', id: 'house' } },
  },
];

export function turnstone(): Design {
  const blank = blankDesign('Turnstone', 'metric', 7.9, 2.6, 12);
  const start: Design = {
    ...blank,
    boat: { ...blank.boat, note: 'Invented boat for the demonstration: small, old, and poorly wired in many ways. Figures are our own.' },
    places: [
      ...blank.places.map((p) => (p.id === 'engine' ? { ...p, vapour: true } : p)),
      { ...blankPlace('batteries', 'Under the companionway', { x: 2.9, y: 0.2, z: 0.1 }), ambientC: 35, drips: true },
    ],
    banks: [{ ...blankBank('house', 12, 'batteries'), name: 'The one battery', chemistry: 'flooded', blockAh: 90, strings: 1 }],
    panels: [{ ...blankPanel('board', 'Fuse board', 'panel', 'chart'), family: 'blade', ways: 8, maxTotalA: 60, pitchMm: 15 }],
  };
  const loads = demoLoads(start, LOADS);
  const idOf = (name: string): string => {
    const load = loads.find((l) => l.name === name);
    if (!load) throw new Error(`Turnstone has no ${name}`);
    return load.id;
  };
  const feeder: Circuit = {
    ...blankCircuit('c-feed', '1', 'Feed of the board', { kind: 'bank', id: 'house' }),
    supply: 'house switch',
    devices: [{ ...blankDevice('ds', 'battery switch'), placeId: 'batteries', ratingA: 100 }],
    taps: [{ id: 'feed-1', parent: null, serves: { kind: 'panel', id: 'board' }, tapedM: 3.2 }],
    found: found('6', {
      decision: 'undecided',
      kind: 'bare strands',
      ageYears: 40,
      colour: 'red',
      lengthM: 3.2,
      keepProtection: true,
      faults: faults('crowded', ['green', 8]),
    }),
  };
  const wires = WIRES.map((w, i): Circuit => {
    const id = `c-${i + 2}`;
    return {
      ...blankCircuit(id, String(i + 2), w.name, { kind: 'panel', id: 'board' }),
      taps: w.loads.map((name, k) => ({
        id: `${id}-${k + 1}`,
        parent: k === 0 ? null : `${id}-${k}`,
        serves: { kind: 'load' as const, id: idOf(name) },
        tapedM: null,
      })),
      found: w.found,
      ...w.change,
    };
  });
  const cool: Circuit = {
    ...blankCircuit('c-cool', '10', 'Cool box, provisional', { kind: 'panel', id: 'board' }),
    taps: [{ id: 'cool-1', parent: null, serves: { kind: 'load', id: idOf('Cool box, not chosen') }, tapedM: null }],
    way: 7,
  };
  return {
    ...start,
    loads,
    circuits: [feeder, ...wires, cool],
    routes: [
      {
        id: 'r1',
        name: 'Mast foot gland',
        kind: 'gland',
        placeId: 'mast',
        boreMm: 9,
        heightMm: null,
        bends: 0,
        drawLine: false,
        circuitIds: ['c-2'],
        note: '',
      },
      {
        id: 'r2',
        name: 'Starboard conduit',
        kind: 'conduit',
        placeId: 'galley',
        boreMm: 12,
        heightMm: null,
        bends: 4,
        drawLine: false,
        circuitIds: ['c-4', 'c-6', 'c-cool'],
        note: '',
      },
    ],
  };
}
