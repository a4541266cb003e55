/** Marram: an invented 11.6 m sloop, 12 V, 230 V shore, mm2. A breaker panel on an AGM bank. */
import { blankBank, blankDesign, blankPanel, blankPlace, type Design } from '@/core/design';
import { marramAc } from './ac';
import { marramCharging } from './charging';
import { FRIDGE_CARD } from './firm';
import {
  demoLoads,
  taped,
  tune,
  withCircuits,
  withMainSide,
  withSmallLeads,
  withFaces,
  withGauges,
  withStudies,
  type LoadEntry,
} from './build';

const LOADS: readonly LoadEntry[] = [
  ['Anchor light, LED', { placeId: 'masthead' }],
  ['Masthead tricolour, LED', { placeId: 'masthead', mark: "maker's", rating: 4.5 }],
  ['Steaming light, LED'],
  ['Bow light, two-colour'],
  ['Stern light'],
  ['Deck floodlight'],
  ['Cabin light, LED', { name: 'Saloon lights', quantity: 6 }],
  ['Reading light, LED', { name: 'Fore cabin reading lights', quantity: 2 }],
  ['Cabin light, LED', { name: 'Galley light', quantity: 2, placeId: 'galley' }],
  ['Chart table light'],
  ['Cabin light, LED', { name: 'Aft cabin lights', quantity: 3, placeId: 'aft' }],
  ['Engine space light'],
  [
    'Bilge pump, automatic',
    { mark: "maker's", rating: 4.1, ratingBy: 'A', makerFuseA: 10, makerWire: [{ school: 'metric', size: '1.5', upToM: 6 }] },
  ],
  ['High-water alarm'],
  ['Gas detector'],
  ['Fresh water pump', { mark: 'measured', rating: 5.4, ratingBy: 'A' }],
  ['Shower drain pump', { placeId: 'heads' }],
  ['Deck wash pump'],
  [
    'Refrigerator compressor',
    {
      mark: "maker's",
      rating: 5.8,
      ratingBy: 'A',
      cardId: FRIDGE_CARD,
      makerFuseA: 15,
      makerWire: [
        { school: 'metric', size: '2.5', upToM: 2.5 },
        { school: 'metric', size: '4', upToM: 4 },
        { school: 'metric', size: '6', upToM: 6 },
      ],
    },
  ],
  ['VHF radio', { mark: "maker's", rating: 5.5, ratingBy: 'A', makerFuseA: 10 }],
  ['Position reporting transponder'],
  ['Multifunction display', { placeId: 'helm' }],
  ['Instrument network'],
  ['Radar, solid state'],
  ['Autopilot drive', { makerFuseA: 25, mark: "maker's", rating: 8, ratingBy: 'A', surgeA: 22 }],
  ['Autopilot computer'],
  ['Mobile data router'],
  ['Laptop supply'],
  ['USB outlet, double', { name: 'USB outlets', quantity: 3 }],
  ['Stereo'],
  ['Cabin fan', { name: 'Cabin fans', quantity: 3 }],
  ['Diesel heater', { mark: "maker's", rating: 36, surgeA: 10, surgeS: 90, makerFuseA: 20, minV: 10.5 }],
  ['Battery monitor', { name: 'Battery gauge', placeId: 'chart' }],
  ['Tracker, stand-by'],
  ['Anchor windlass', { mark: "maker's", rating: 82, ratingBy: 'A', surgeA: 240, surgeS: 1, makerFuseA: 150, minV: 9.6 }],
  [
    'Inverter, small',
    {
      mark: "maker's",
      duty: { onS: 900, restS: 3600, repeats: 2 },
      makerFuseA: 150,
      makerWire: [
        { school: 'metric', size: '35', upToM: 1.5 },
        { school: 'metric', size: '50', upToM: 3 },
      ],
      minV: 10.5,
    },
  ],
];

const HOLDS = { backing: 'solid', behind: 'open space', reach: true } as const;
const FACES: Parameters<typeof withFaces>[1] = {
  batteries: [
    { id: 'tray', name: 'Locker sole', lies: 'flat', widthMm: 760, heightMm: 420, depthMm: 340, ...HOLDS },
    {
      id: 'side',
      name: 'Locker side',
      widthMm: 620,
      heightMm: 560,
      depthMm: 180,
      backing: 'thin',
      behind: 'cored or hull skin',
      reach: true,
    },
  ],
  chart: [{ id: 'front', name: 'Panel front', widthMm: 560, heightMm: 640, depthMm: 400, behindMm: 160, ...HOLDS }],
  aft: [{ id: 'bulkhead', name: 'Bunk bulkhead', widthMm: 800, heightMm: 640, depthMm: 260, behindMm: 30, ...HOLDS, behind: 'unknown' }],
};
/** What stands where. */
const MOUNTED: Parameters<typeof withFaces>[2] = [
  ['bank', 'house', 'tray'],
  ['panel', 'panel1', 'front'],
];

export function marram(): Design {
  const blank = blankDesign('Marram', 'metric', 11.6, 3.75, 12);
  const places = [
    ...blank.places,
    { ...blankPlace('batteries', 'Battery locker', { x: 4.4, y: 0.9, z: 0.1 }), ambientC: 32 },
    blankPlace('aft', 'Aft cabin', { x: 2.2, y: 0.8, z: 0.6 }),
    { ...blankPlace('heads', 'Heads', { x: 3.9, y: 1.3, z: 0.5 }), wet: true, drips: true },
    { ...blankPlace('helm', 'Helm', { x: 1.4, y: 0, z: 1.6 }), wet: true },
  ];
  const panel = {
    ...blankPanel('panel1', 'Chart table panel', 'panel', 'chart'),
    family: 'panel-breaker',
    ways: 26,
    maxTotalA: 100,
    maxWayA: 50,
    stud: 'M6',
  };
  const start: Design = {
    ...blank,
    places,
    banks: [{ ...blankBank('house', 12, 'batteries'), blockAh: 110, strings: 3, cca: 1950 }],
    panels: [panel],
    house: { ...blank.house, feederDropPct: 1.2, diversity: 0.5 },
    boat: { ...blank.boat, note: 'Invented boat for the demonstration. Loads as surveyed; figures are our own.' },
  };
  let design = withCircuits({ ...start, loads: demoLoads(start, LOADS) });
  design = tune(design, 'Anchor windlass', (c) => ({
    ...taped(9.2)(c),
    pin: { ...c.pin, size: { school: 'metric', size: '35' } },
    note: 'Owner has 35 mm² on the reel; see what the ladder says.',
  }));
  design = tune(design, 'Masthead tricolour, LED', taped(23.4));
  design = tune(design, 'Refrigerator compressor', taped(4.6));
  design = tune(design, 'Main', (c) => ({
    ...taped(0.6)(c),
    pin: { ...c.pin, size: { school: 'metric', size: '50' } },
    note: 'One size up on what the ladder asks, so that the radio keeps its 3 %.',
  }));
  const whole = withGauges(
    withStudies(withSmallLeads(withMainSide(marramAc(marramCharging(tune(design, 'Inverter, small', taped(1.4))))))),
  );
  return withFaces(whole, FACES, MOUNTED);
}
