/** New values with the defaults of a rule set: an empty design, a place, a load, a circuit. */
import type { School } from '../rules/conductors';
import {
  FORMAT,
  VERSION,
  type Bank,
  type Circuit,
  type Design,
  type Found,
  type House,
  type InlineDevice,
  type Load,
  type Panel,
  type Place,
  type Route,
} from './schema';

export const defaultHouse = (school: School): House => ({
  protectionOverLoad: 1.25,
  protectionOverLoadMost: null,
  continuousAmpacity: 1,
  roundUpToNext: false,
  thermalInHeat: true,
  bundleDc: true,
  criticalDropPct: 3,
  generalDropPct: 10,
  feederDropPct: 1,
  surgeVoltsPct: 85,
  worstCaseCopper: null,
  functionColours: school === 'awg',
  negative: school === 'awg' ? 'yellow' : 'black',
  minElectronics: null,
  insulationC: 105,
  crossLinked: false,
  terminalC: 75,
  postC: 60,
  upsizeForTerminals: false,
  slackM: 0.3,
  wastePct: 5,
  diversity: 0.7,
  studySoc: 0.5,
  lowVoltsPct: 95,
});

export const blankPlace = (id: string, name: string, at: Place['at']): Place => ({
  id,
  name,
  at,
  ambientC: 30,
  engineSpace: false,
  wet: false,
  vapour: false,
  drips: false,
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
  research: 'unread',
  cardId: null,
  makerFuseFamily: null,
  maxLeadM: null,
  extending: 'ask the maker',
  minBankAh: null,
  page: '',
  questions: '',
  range: null,
});

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
});

export const UNPINNED: Circuit['pin'] = { size: null, legs: 1, family: null, ratingA: null, ownDevices: false };

export const blankDevice = (id: string, kind: InlineDevice['kind']): InlineDevice => ({
  id,
  kind,
  ratingA: null,
  mohm: null,
  placeId: null,
  largest: null,
  bypass: false,
});

export const blankFound = (school: School): Found => ({
  decision: 'undecided',
  reason: '',
  size: school === 'awg' ? { school, size: '14' } : { school, size: '2.5' },
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
  bundled: 2,
  enclosure: 'open',
  sheathed: false,
  insulationC: null,
  devices: [],
  deviceAtM: 0,
  pin: UNPINNED,
  note: '',
  found: null,
  way: null,
});

/** An empty vessel of a school: the usual places of her length and nothing else. */
export function blankDesign(name: string, school: School, lengthM: number, beamM: number, systemV: 12 | 24 | 48): Design {
  const american = school === 'awg';
  const spot = (fx: number, fy: number, z: number) => ({ x: round(lengthM * fx), y: round((beamM / 2) * fy), z });
  return {
    format: FORMAT,
    version: VERSION,
    boat: {
      name,
      lengthM,
      beamM,
      draftM: round(lengthM * 0.16),
      freeboardM: round(0.5 + lengthM * 0.06),
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
    },
    house: defaultHouse(school),
    living: [
      { id: 'anchor', name: 'at anchor' },
      { id: 'passage', name: 'on passage' },
    ],
    places: [
      { ...blankPlace('engine', 'Engine space', spot(0.3, 0, -0.1)), ambientC: 50, engineSpace: true },
      { ...blankPlace('lazarette', 'Lazarette', spot(0.08, 0, 0.5)), ambientC: 35 },
      { ...blankPlace('chart', 'Chart table', spot(0.42, 0.6, 0.6)) },
      { ...blankPlace('galley', 'Galley', spot(0.42, -0.6, 0.5)) },
      { ...blankPlace('saloon', 'Saloon', spot(0.52, 0.3, 0.6)) },
      { ...blankPlace('mast', 'Mast foot', spot(0.58, 0, 0.2)) },
      { ...blankPlace('bilge', 'Bilge', spot(0.5, 0, -0.5)), wet: true },
      { ...blankPlace('fore', 'Fore cabin', spot(0.78, 0, 0.6)) },
      { ...blankPlace('bow', 'Bow locker', spot(0.93, 0, 0.8)), wet: true },
    ],
    banks: [],
    panels: [],
    loads: [],
    circuits: [],
    plan: { livingId: null, days: 2, tempC: 20 },
    routes: [],
    departures: [],
    photos: [],
  };
}

const round = (x: number): number => Math.round(x * 100) / 100;
