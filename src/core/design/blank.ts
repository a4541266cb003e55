/** New values with the defaults of a rule set: an empty design, a place, a load, a circuit. */
import { type School, AMBIENT_C } from '../rules';
import { DEFAULT_AC_RULES } from './ac';
import { DEFAULT_SEASON } from './charging';
import { DEFAULT_WORK } from './work';
import { BLANK_SHEET, engineFor, usualWays } from './blankCharging';
import {
  type Bank,
  type Bar,
  type Circuit,
  type Design,
  FORMAT,
  type Found,
  type FoundFault,
  type HouseRules,
  type InlineDevice,
  type Load,
  type Panel,
  type Place,
  type Route,
  VERSION,
} from './schema';

export const defaultHouse = (school: School): HouseRules => ({
  protectionOverLoad: 1.25,
  protectionOverLoadMost: null,
  continuousAmpacity: 1,
  roundUpToNext: false,
  thermalInHeat: true,
  bundleDc: true,
  criticalDropPct: 3,
  generalDropPct: 10,
  feederDropPct: 3,
  surgeVoltsPct: 85,
  worstCaseCopper: null,
  strictDrop: false,
  functionColours: school === 'awg',
  negative: school === 'awg' ? 'yellow' : 'black',
  minElectronics: null,
  insulationC: 105,
  crossLinked: false,
  terminalC: 75,
  postC: 60,
  upsizeForTerminals: false,
  joint: 'crimp',
  seal: 'adhesive shrink',
  terminals: 'bare, sleeved',
  largestCrimp: null,
  slackM: 0.3,
  openSlackM: 0.4,
  spareFillPct: 0,
  drawLines: true,
  wastePct: 5,
  diversity: 0.7,
  studySoc: 0.5,
  lowVoltsPct: 95,
});

export const blankPlace = (id: string, name: string, at: Place['at']): Place => ({
  id,
  name,
  at,
  ambientC: AMBIENT_C,
  engineSpace: false,
  wet: false,
  vapour: false,
  drips: false,
  compass: false,
  exhaust: false,
  moving: false,
  faces: [],
});

export const blankLoad = (id: string, nominalV: number): Load => ({
  id,
  name: 'New load',
  group: 'other',
  quantity: 1,
  nominalV,
  ratingBy: 'W',
  rating: 0,
  behaviour: 'power',
  surgeA: null,
  surgeS: null,
  minV: null,
  stalledA: null,
  makerFuseA: null,
  makerWire: [],
  critical: false,
  runsLong: false,
  ownTrip: false,
  supply: 'panel breaker',
  placeId: null,
  at: null,
  connection: 'screw clamp',
  duty: null,
  hours: {},
  mark: 'estimated',
  note: '',
  standbyA: null,
  shutFirst: false,
  research: 'unread',
  cardId: null,
  makerFuseFamily: null,
  maxLeadM: null,
  extending: 'ask the maker',
  minBankAh: null,
  page: '',
  questions: '',
  when: {},
  kind: null,
  ignitionProtected: false,
  ip: null,
  socket: null,
  range: null,
});

/** Where a battery goes until somebody says: the first place that is dry, cool and free of vapour, and below deck. */
export const usualBankPlace = (places: Design['places']): string | null =>
  (places.find((p) => !p.engineSpace && !p.wet && !p.vapour && !p.drips && p.at.z < 3) ?? places[0])?.id ?? null;

export const blankBank = (id: string, systemV: number, placeId: string | null): Bank => ({
  id,
  name: 'House bank',
  chemistry: 'agm',
  blockV: 12,
  blockAh: 100,
  series: Math.max(1, systemV / 12),
  strings: 2,
  placeId,
  cca: null,
  shortCircuitA: null,
  mark: 'typical',
  job: 'house',
  isolated: false,
  ratedH: 20,
  tempC: null,
  sheet: BLANK_SHEET,
  box: null,
  bms: null,
  mounting: { held: null, covered: null, vented: null },
  stringFuseA: null,
  links: { way: 'diagonal', size: null, lengthM: 0.3, measured: false },
  price: null,
});

export const blankPanel = (id: string, name: string, kind: Panel['kind'], placeId: string | null): Panel => ({
  id,
  name,
  kind,
  placeId,
  family: null,
  ways: kind === 'bus' ? 8 : 12,
  maxTotalA: null,
  maxWayA: null,
  stud: kind === 'bus' ? 'M8' : 'M6',
  pitchMm: 20,
  partOfId: null,
  opens: false,
  torqueNm: null,
});

export const blankBar = (id: string, name: string, kind: Bar['kind'], placeId: string | null): Bar => ({
  id,
  name,
  kind,
  placeId,
  stud: 'M8',
  ratedA: null,
  studs: null,
  torqueNm: null,
});

export const UNPINNED: Circuit['pin'] = { size: null, legs: 1, family: null, ratingA: null, ownDevices: false };

export const blankDevice = (id: string, kind: InlineDevice['kind']): InlineDevice => ({
  id,
  kind,
  ratingA: null,
  mohm: null,
  placeId: null,
  fromM: null,
  largest: null,
  bypass: false,
});

export const blankFound = (school: School): Found => ({
  decision: 'undecided',
  reason: '',
  // Nothing is known of it yet: the thinnest there is, so that knowing less never warns less.
  size: school === 'awg' ? { school, size: '18' } : { school, size: '0.75' },
  sizeKnown: false,
  kind: 'unknown',
  colour: '',
  lengthM: null,
  fromEnd: '',
  toEnd: '',
  family: null,
  ratingA: null,
  keepProtection: false,
  ageYears: null,
  insulationC: null,
  faults: [],
});

/** A condition a wire is found in; mohm null: typical of the condition. */
export const blankFault = (id: string, kind: FoundFault['kind'], mohm: number | null = null): FoundFault => ({
  id,
  kind,
  mohm,
  strands: null,
  alike: 1,
});

export const blankRoute = (id: string): Route => ({
  id,
  name: 'New run',
  kind: 'conduit',
  placeId: null,
  boreMm: 25,
  heightMm: null,
  bends: 2,
  drawLine: true,
  circuitIds: [],
  note: '',
});

export const blankCircuit = (id: string, no: string, name: string, from: Circuit['from']): Circuit => ({
  id,
  no,
  name,
  from,
  supply: 'panel breaker',
  taps: [],
  via: [],
  along: 'straight',
  bundled: 2,
  enclosure: 'open',
  sheathed: false,
  twisted: false,
  guarded: false,
  insulationC: null,
  devices: [],
  deviceAtM: 0,
  pin: UNPINNED,
  note: '',
  found: null,
  together: null,
  stepDown: false,
  deviceMohm: null,
  way: null,
});

/** An empty vessel of a school: the usual places of her length and nothing else. */
/** Heights above the waterline over length: usual of one mast, ours. */
const SPREADERS = 0.8;
const MASTHEAD = 1.4;

export function blankDesign(name: string, school: School, lengthM: number, beamM: number, systemV: 12 | 24 | 48): Design {
  const american = school === 'awg';
  const aloft = (part: number): number => Math.min(40, round(part * lengthM));
  const spot = (fx: number, fy: number, z: number) => ({ x: round(lengthM * fx), y: round((beamM / 2) * fy), z });
  return {
    format: FORMAT,
    version: VERSION,
    boat: {
      name,
      lengthM,
      beamM,
      draftM: Math.min(6, round(lengthM * 0.16)),
      freeboardM: Math.min(6, round(0.5 + lengthM * 0.06)),
      hull: 'glass fibre',
      systemV,
      acRegion: american ? '120 V' : '230 V',
      ruleSet: school,
      lengthUnit: american ? 'ft' : 'm',
      tempUnit: american ? 'F' : 'C',
      massUnit: american ? 'lb' : 'kg',
      colourScheme: american ? 'north-american' : 'international',
      note: '',
      houseSet: null,
      currency: '',
      prices: {},
    },
    house: defaultHouse(school),
    living: usualWays(),
    places: [
      { ...blankPlace('engine', 'Engine space', spot(0.3, 0, -0.1)), ambientC: 50, engineSpace: true },
      { ...blankPlace('lazarette', 'Lazarette', spot(0.08, 0, 0.5)), ambientC: 35 },
      { ...blankPlace('chart', 'Chart table', spot(0.42, 0.6, 0.6)) },
      { ...blankPlace('galley', 'Galley', spot(0.42, -0.6, 0.5)) },
      { ...blankPlace('saloon', 'Saloon', spot(0.52, 0.3, 0.6)) },
      { ...blankPlace('mast', 'Mast foot', spot(0.58, 0, 0.2)) },
      { ...blankPlace('spreaders', 'Spreaders', spot(0.58, 0, aloft(SPREADERS))), wet: true },
      { ...blankPlace('masthead', 'Masthead', spot(0.58, 0, aloft(MASTHEAD))), wet: true },
      { ...blankPlace('bilge', 'Bilge', spot(0.5, 0, -0.5)), wet: true },
      { ...blankPlace('fore', 'Fore cabin', spot(0.78, 0, 0.6)) },
      { ...blankPlace('bow', 'Bow locker', spot(0.93, 0, 0.8)), wet: true },
    ],
    banks: [],
    panels: [],
    loads: [],
    circuits: [],
    plan: { livingId: null, days: 2, tempC: 20, cruiseId: null, stepMin: 5, season: DEFAULT_SEASON },
    engine: engineFor(systemV),
    sources: [],
    joins: [],
    cruises: [],
    studies: [],
    bars: [],
    leads: [],
    smallLeads: [],
    acRules: DEFAULT_AC_RULES,
    acSources: [],
    acPanels: [],
    acLoads: [],
    acCircuits: [],
    options: [],
    routes: [],
    departures: [],
    photos: [],
    work: DEFAULT_WORK,
    gauges: [],
    mounts: [],
  };
}

const round = (x: number): number => Math.round(x * 100) / 100;
