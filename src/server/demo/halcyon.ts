/** Halcyon Drift: an invented 46 ft ketch, 24 V, 120/240 V shore, AWG. Breaker panels on an iron-phosphate bank. */
import { blankBank, blankDesign, blankPanel, blankPlace, type Design } from '@/core/design';
import { halcyonAc } from './ac';
import { halcyonCharging } from './charging';
import { demoLoads, taped, tune, withCircuits, withMainSide, withSmallLeads, withGauges, withStudies, type LoadEntry } from './build';

const LOADS: readonly LoadEntry[] = [
  ['Anchor light, LED', { placeId: 'masthead' }],
  ['Masthead tricolour, LED', { placeId: 'masthead' }],
  ['Steaming light, LED'],
  ['Bow light, two-colour'],
  ['Stern light'],
  ['Deck floodlight', { quantity: 2, name: 'Deck floodlights' }],
  ['Cabin light, LED', { name: 'Saloon lights', quantity: 8 }],
  ['Cabin light, LED', { name: 'Fore cabin lights', quantity: 4, placeId: 'fore' }],
  ['Cabin light, LED', { name: 'Aft cabin lights', quantity: 4, placeId: 'aft' }],
  ['Reading light, LED', { name: 'Reading lights', quantity: 4 }],
  ['Courtesy light', { name: 'Courtesy lights', quantity: 6 }],
  ['Engine space light', { quantity: 2, name: 'Engine space lights' }],
  ['Bilge pump, automatic', { mark: "maker's", makerFuseA: 10 }],
  ['Bilge pump, large', { mark: "maker's", makerFuseA: 15, placeId: 'engine' }],
  ['High-water alarm'],
  ['Gas detector'],
  ['Fresh water pump', { mark: "maker's", makerFuseA: 15 }],
  ['Shower drain pump', { name: 'Shower drain, fore' }],
  ['Shower drain pump', { name: 'Shower drain, aft', placeId: 'aft' }],
  ['Deck wash pump'],
  ['Heads pump, macerating', { name: 'Heads pump, fore' }],
  ['Heads pump, macerating', { name: 'Heads pump, aft', placeId: 'aft' }],
  [
    'Refrigerator compressor',
    {
      mark: "maker's",
      rating: 62,
      makerWire: [
        { school: 'awg', size: '12', upToM: 3 },
        { school: 'awg', size: '10', upToM: 5 },
      ],
    },
  ],
  ['Freezer compressor', { mark: "maker's", rating: 78 }],
  ['VHF radio', { nominalV: 12, note: 'Made for 12 V: wants a converter.' }],
  ['SSB transceiver'],
  ['Position reporting transponder'],
  ['Multifunction display', { quantity: 2, name: 'Displays', placeId: 'helm' }],
  ['Instrument network'],
  ['Radar, solid state', { placeId: 'masthead' }],
  ['Autopilot drive', { rating: 192, surgeA: 26, makerFuseA: 30, mark: "maker's" }],
  ['Autopilot computer'],
  ['Satellite terminal'],
  ['Mobile data router'],
  ['USB outlet, double', { name: 'USB outlets', quantity: 5 }],
  ['Stereo'],
  ['Cabin fan', { name: 'Cabin fans', quantity: 6 }],
  ['Diesel heater'],
  ['Battery monitor', { name: 'Battery gauge' }],
  ['Watermaker, small', { mark: "maker's", rating: 17, ratingBy: 'A', surgeA: 50, makerFuseA: 30 }],
  ['Anchor windlass', { mark: "maker's", rating: 1500, surgeA: 190, makerFuseA: 100, minV: 19 }],
  ['Bow thruster', { mark: "maker's", rating: 4000, surgeA: 420, surgeS: 0.5, makerFuseA: 250, minV: 18 }],
  ['Sheet winch', { name: 'Primary winch, port', mark: "maker's" }],
  ['Sheet winch', { name: 'Primary winch, starboard', mark: "maker's" }],
  [
    'Inverter, large',
    {
      mark: "maker's",
      duty: { onS: 900, restS: 3600, repeats: 2 },
      rating: 2600,
      makerFuseA: 200,
      minV: 21,
      makerWire: [
        { school: 'awg', size: '1/0', upToM: 1.5 },
        { school: 'awg', size: '2/0', upToM: 3 },
      ],
    },
  ],
  ['Alternator, medium frame', { ratingBy: 'A', rating: 100, mark: "maker's" }],
  ['Shore charger', { ratingBy: 'A', rating: 60, placeId: 'lazarette', mark: "maker's" }],
];

export function halcyon(): Design {
  const blank = blankDesign('Halcyon Drift', 'awg', 14, 4.3, 24);
  const places = [
    ...blank.places.map((p) => (p.id === 'masthead' ? { ...p, name: 'Main masthead', at: { x: 8.2, y: 0, z: 18.9 } } : p)),
    { ...blankPlace('batteries', 'Battery box', { x: 7.6, y: 0, z: -0.2 }), ambientC: 33 },
    blankPlace('aft', 'Aft cabin', { x: 2.4, y: 0, z: 0.7 }),
    { ...blankPlace('helm', 'Helm', { x: 3.1, y: 0, z: 1.9 }), wet: true },
  ];
  const panels = [
    {
      ...blankPanel('panel1', 'Navigation panel', 'panel', 'chart'),
      family: 'panel-breaker',
      ways: 24,
      maxTotalA: 100,
      maxWayA: 50,
      stud: 'M6',
    },
    { ...blankPanel('panel2', 'Fore panel', 'panel', 'fore'), family: 'panel-breaker', ways: 16, maxTotalA: 75, maxWayA: 50, stud: 'M6' },
  ];
  const start: Design = {
    ...blank,
    places,
    panels,
    boat: {
      ...blank.boat,
      acRegion: '120/240 V',
      note: 'Invented boat for the demonstration. Loads as planned for a refit; figures are our own.',
    },
    banks: [{ ...blankBank('house', 24, 'batteries'), chemistry: 'lfp', blockAh: 280, strings: 2, shortCircuitA: 4200, mark: "maker's" }],
  };
  let design = withCircuits({ ...start, loads: demoLoads(start, LOADS) });
  design = tune(design, 'Bow thruster', (c) => ({
    ...taped(11.4)(c),
    pin: { ...c.pin, family: 'class-T' },
    note: 'Class T, so that a short at the bow opens it in time.',
  }));
  design = tune(design, 'Anchor windlass', taped(12.6));
  design = tune(design, 'Inverter, large', taped(2.3));
  return withGauges(withStudies(withSmallLeads(withMainSide(halcyonAc(halcyonCharging(tune(design, 'Main', taped(1.1))))))));
}
