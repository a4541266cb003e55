/** The Design value: everything a vessel's file holds. Types are inferred from here; lengths are metres, volts V, amps A. */
import * as v from 'valibot';
import { CONDITIONS, DC_FAMILIES, JOINTS, SEALS, STUDS, TERMINAL_STYLES } from '../rules';
import { AcCircuitSchema, AcLoadSchema, AcPanelSchema, AcRulesSchema, AcSourceSchema, DEFAULT_AC_RULES } from './ac';
import { BOUNDS } from './bounds';
import { IP_CODES } from './enclosure';
import { LOAD_KINDS } from './loadKind';
import {
  CruiseSchema,
  DEFAULT_ENGINE,
  DEFAULT_SEASON,
  EngineSchema,
  BankTieSchema,
  SeasonSchema,
  SourceSchema,
  SpanSchema,
  WHENS,
} from './charging';
import { MARKS } from '../quantity';
import { between, id, later, list, name, note, oneOf, whole } from './fields';
import { DeviceSchema, SizeSchema, sizesOf } from './device';
import { BarSchema, LeadSchema } from './mainSide';
import { SmallLeadSchema } from './smallLead';
import { SocketSchema } from './socket';
import { StudySchema } from './study';
import { DEFAULT_WORK, WorkSchema } from './work';
import { gaugeList } from './gauge';
import { faceList, mountList } from './mounting';
import { BankSheetSchema, BmsSchema, BoxSchema, LinksSchema } from './bankSheet';

export { id, name } from './fields';

export const FORMAT = 'solenix-design';
export const VERSION = 5;

export const BEHAVIOURS = ['power', 'resistance', 'current'] as const;
export const SUPPLY_CLASSES = ['always live', 'house switch', 'panel breaker', 'engine key', 'relay'] as const;
export const CHEMISTRY_IDS = ['flooded', 'agm', 'gel', 'lfp'] as const;
/** What a bank is for: everything aboard, cranking, or one job apart. */
export const BANK_JOBS = ['house', 'start', 'own'] as const;
export const HULLS = ['glass fibre', 'wood', 'steel', 'aluminium'] as const;
export const LOAD_GROUPS = [
  'navigation',
  'lights',
  'electronics',
  'pump',
  'blower',
  'refrigeration',
  'deck',
  'comfort',
  'heavy',
  /** Not a load but a source: its current flows toward the bank, through a cable and devices judged like any other. */
  'charging',
  'other',
] as const;
export const CONNECTIONS = ['screw clamp', 'blade', 'own lead', ...STUDS.map((s) => s.metric)] as const;
export const ENCLOSURES = ['open', 'conduit', 'insulated'] as const;
/** Which way a run goes along the hull. */
export const ALONGS = ['straight', 'port side', 'starboard side', 'under the sole'] as const;
export const RESEARCH = ['unread', 'researched', 'own lead'] as const;
export const EXTENDING = ['ask the maker', 'not allowed', 'at equal drop'] as const;
export const FOUND_KINDS = ['tinned strands', 'bare strands', 'solid', 'household', 'unknown'] as const;
export const DECISIONS = ['undecided', 'keep', 'replace', 'remove'] as const;
export const WAY_KINDS = ['conduit', 'trunking', 'gland', 'bulkhead'] as const;
export const INSULATIONS = [60, 70, 75, 80, 85, 90, 105, 125] as const;

const familyIds = DC_FAMILIES.map((f) => f.id);

/** Metres from the transom forward, from the centreline to port, and above the waterline. */
const PointSchema = v.object({ x: between(-5, 80), y: between(-15, 15), z: between(-6, 40) });

const PlaceSchema = v.object({
  id,
  name,
  at: PointSchema,
  ambientC: between(-20, 95),
  engineSpace: v.boolean(),
  wet: v.boolean(),
  vapour: v.boolean(),
  drips: v.boolean(),
  /** A compass or its sensor is here; a hot exhaust; belts, shafts or a quadrant that catch what hangs loose. */
  compass: later(v.boolean(), false),
  exhaust: later(v.boolean(), false),
  moving: later(v.boolean(), false),
  /** What things may be mounted on here. */
  faces: faceList,
});

const BankSchema = v.object({
  id,
  name,
  chemistry: oneOf(CHEMISTRY_IDS),
  blockV: v.picklist([2, 6, 12, 24, 48] as const, 'a block is 2, 6, 12, 24 or 48 V'),
  blockAh: between(1, 5000),
  series: whole(1, 24),
  strings: whole(1, 16),
  placeId: v.nullable(id),
  cca: v.nullable(between(50, 20000)),
  shortCircuitA: v.nullable(between(50, 200000)),
  mark: oneOf(MARKS),
  job: later(oneOf(BANK_JOBS), 'house'),
  /** Its negative is on no common bus: nothing it feeds shares a conductor with the rest. A school. */
  isolated: later(v.boolean(), false),
  /** Hours its labelled capacity is rated over: 20 for C20, 100 for C100. */
  ratedH: later(between(0.5, 120), 20),
  /** Its own temperature; null: as warm as its place. */
  tempC: later(v.nullable(between(-30, 60)), null),
  /** The maker's figures; what is null stays typical of the chemistry. */
  sheet: later(BankSheetSchema, {}),
  box: later(v.nullable(BoxSchema), null),
  bms: later(v.nullable(BmsSchema), null),
  /** How it stands, seen aboard; null: nobody has looked. */
  mounting: later(v.object({ held: v.nullable(v.boolean()), covered: v.nullable(v.boolean()), vented: v.nullable(v.boolean()) }), {
    held: null,
    covered: null,
    vented: null,
  }),
  links: later(LinksSchema, {}),
  /** Fuse at each of several batteries in parallel, A. */
  stringFuseA: later(v.nullable(between(1, 2000)), null),
  price: later(v.nullable(between(0, 10000000)), null),
});

const WireRuleSchema = v.object({
  school: oneOf(['awg', 'metric']),
  size: oneOf([...sizesOf('awg'), ...sizesOf('metric')]),
  upToM: v.nullable(between(0.1, 100)),
});

export const LoadSchema = v.object({
  id,
  name,
  group: oneOf(LOAD_GROUPS),
  quantity: whole(1, 99),
  nominalV: between(1, 60),
  ratingBy: oneOf(['W', 'A']),
  rating: between(0, 100000),
  behaviour: oneOf(BEHAVIOURS),
  surgeA: v.nullable(between(0, 20000)),
  surgeS: v.nullable(between(0.001, 600)),
  minV: v.nullable(between(0, 60)),
  /** Drawn by a motor that is held fast, A; null: typical. */
  stalledA: later(v.nullable(between(0, 20000)), null),
  makerFuseA: v.nullable(between(0.1, 1000)),
  makerWire: list(WireRuleSchema, 8),
  critical: v.boolean(),
  runsLong: v.boolean(),
  ownTrip: v.boolean(),
  supply: oneOf(SUPPLY_CLASSES),
  placeId: v.nullable(id),
  at: v.nullable(PointSchema),
  connection: oneOf(CONNECTIONS),
  duty: v.nullable(v.object({ onS: between(0.1, 36000), restS: between(0, 36000), repeats: whole(1, 1000) })),
  hours: v.record(id, between(0, 24)),
  mark: oneOf(MARKS),
  note,
  /** Drawn while it is live and nobody uses it, A. */
  standbyA: later(v.nullable(between(0, 100)), null),
  /** It must be shut down by its own button, or run down, before its supply is cut. */
  shutFirst: later(v.boolean(), false),
  research: later(oneOf(RESEARCH), 'unread'),
  /** The equipment card its figures were taken from. */
  cardId: later(v.nullable(id), null),
  makerFuseFamily: later(v.nullable(oneOf(familyIds)), null),
  maxLeadM: later(v.nullable(between(0.05, 100)), null),
  extending: later(oneOf(EXTENDING), 'ask the maker'),
  minBankAh: later(v.nullable(between(1, 20000)), null),
  page: later(v.pipe(v.string(), v.maxLength(BOUNDS.nameLength)), ''),
  questions: later(note, ''),
  /** Equipment not chosen yet: the candidates draw up to toRating and may stand in any of these places too. */
  /** By way of living, when in the day its hours fall; missing: at any time. */
  when: later(v.record(id, oneOf(WHENS)), {}),
  /** What it is, where rules go by it; null: as its name suggests. */
  kind: later(v.nullable(oneOf(LOAD_KINDS)), null),
  /** Its maker sells it as ignition protected. */
  ignitionProtected: later(v.boolean(), false),
  /** How well its body keeps water out, as its plate says; null: typical of its kind. */
  ip: later(v.nullable(oneOf(IP_CODES)), null),
  /** Of a socket what may go through it; null: nothing is known, or it is none. */
  socket: later(v.nullable(SocketSchema), null),
  range: later(v.nullable(v.object({ toRating: between(0, 100000), placeIds: list(id, 8) })), null),
});

const PanelSchema = v.object({
  id,
  name,
  kind: oneOf(['panel', 'bus']),
  placeId: v.nullable(id),
  family: v.nullable(oneOf(familyIds)),
  ways: whole(1, 60),
  maxTotalA: v.nullable(between(1, 2000)),
  maxWayA: v.nullable(between(1, 1000)),
  stud: oneOf(STUDS.map((s) => s.metric)),
  /** From the middle of one way to the next, mm: the pitch of its legend strip. */
  pitchMm: later(between(6, 80), 20),
  /** The block whose body it shares: ways of their own on a feed of their own, always live beside switched ones. null: a body of its own. */
  partOfId: later(v.nullable(id), null),
  /** Its front opens, and what lands on it needs slack for that. */
  opens: later(v.boolean(), false),
  /** Torque of its studs or screws as its maker says, N m. */
  torqueNm: later(v.nullable(between(0.1, 200)), null),
});

const FaultSchema = v.object({
  id,
  kind: oneOf(CONDITIONS.map((c) => c.id)),
  mohm: v.nullable(between(0, 10000)),
  /** Strands that are gone, of so many. */
  strands: later(v.nullable(v.object({ lost: whole(1, 5000), of: whole(2, 5000) })), null),
  /** So many alike on this wire, counted as one row. */
  alike: later(whole(1, 99), 1),
});

/** A circuit as it was found aboard. ratingA null: nothing protects it. */
const FoundSchema = v.object({
  decision: oneOf(DECISIONS),
  reason: note,
  size: SizeSchema,
  /** Somebody has measured or read it; else the thinnest is calculated with. */
  sizeKnown: later(v.boolean(), true),
  kind: oneOf(FOUND_KINDS),
  colour: v.pipe(v.string(), v.maxLength(40)),
  lengthM: v.nullable(between(0.05, 200)),
  fromEnd: v.pipe(v.string(), v.maxLength(60)),
  toEnd: v.pipe(v.string(), v.maxLength(60)),
  family: v.nullable(oneOf(familyIds)),
  ratingA: v.nullable(between(0.5, 1000)),
  keepProtection: v.boolean(),
  ageYears: v.nullable(between(0, 80)),
  insulationC: v.nullable(v.picklist(INSULATIONS, 'an insulation rating from the table is needed')),
  faults: list(FaultSchema, 12),
});

const TapSchema = v.object({
  id,
  parent: v.nullable(id),
  serves: v.object({ kind: oneOf(['load', 'panel', 'place']), id }),
  tapedM: v.nullable(between(0.05, 120)),
});

const CircuitSchema = v.object({
  id,
  no: v.pipe(v.string(), v.trim(), v.maxLength(12)),
  name,
  from: v.object({ kind: oneOf(['bank', 'panel']), id }),
  supply: oneOf(SUPPLY_CLASSES),
  taps: list(TapSchema, BOUNDS.tapsPerCircuit),
  via: list(id, 20),
  along: later(oneOf(ALONGS), 'straight'),
  bundled: whole(2, 200),
  enclosure: oneOf(ENCLOSURES),
  sheathed: v.boolean(),
  /** Its two conductors are twisted round each other. */
  twisted: later(v.boolean(), false),
  /** Led clear of what is hot and what moves, and clamped there or in a guard. */
  guarded: later(v.boolean(), false),
  insulationC: v.nullable(v.picklist(INSULATIONS, 'an insulation rating from the table is needed')),
  devices: list(DeviceSchema, BOUNDS.devicesPerCircuit),
  deviceAtM: between(0, 30),
  pin: v.object({
    size: v.nullable(SizeSchema),
    legs: whole(1, 4),
    family: v.nullable(oneOf(familyIds)),
    ratingA: v.nullable(between(0.5, 1000)),
    /** A device for each of several legs, at each end that can feed. */
    ownDevices: later(v.boolean(), false),
  }),
  note,
  found: later(v.nullable(FoundSchema), null),
  /** Size chosen together with the others on its path: never under it, until it is asked for again. No pin. */
  together: later(v.nullable(SizeSchema), null),
  /** Where an end takes less than its conductor, a short tail of what it takes, on a junction stud. */
  stepDown: later(v.boolean(), false),
  /** Resistance of its fuse or breaker with its contacts, mΩ, its maker's or measured; null: typical of the kind. */
  deviceMohm: later(v.nullable(between(0, 1000)), null),
  /** Its place in the panel's order. */
  way: later(v.nullable(whole(1, 60)), null),
});

export const HouseSchema = v.object({
  protectionOverLoad: between(1, 3),
  protectionOverLoadMost: v.nullable(between(1, 6)),
  continuousAmpacity: between(1, 2),
  roundUpToNext: v.boolean(),
  thermalInHeat: v.boolean(),
  bundleDc: v.boolean(),
  criticalDropPct: between(0.5, 20),
  generalDropPct: between(0.5, 30),
  feederDropPct: between(0.2, 20),
  surgeVoltsPct: between(30, 100),
  worstCaseCopper: v.nullable(v.boolean()),
  /** Critical loads are held to their run's limit over the whole path. */
  strictDrop: later(v.boolean(), false),
  functionColours: v.boolean(),
  negative: oneOf(['yellow', 'black']),
  minElectronics: v.nullable(SizeSchema),
  insulationC: v.picklist(INSULATIONS, 'an insulation rating from the table is needed'),
  crossLinked: v.boolean(),
  terminalC: between(40, 150),
  postC: between(40, 150),
  upsizeForTerminals: v.boolean(),
  slackM: between(0, 5),
  /** More, at a panel whose front opens. */
  openSlackM: later(between(0, 5), 0.4),
  /** How ends are made and sealed, and which terminals are bought for light conductors. */
  joint: later(oneOf(JOINTS), 'crimp'),
  seal: later(oneOf(SEALS), 'adhesive shrink'),
  terminals: later(oneOf(TERMINAL_STYLES), 'bare, sleeved'),
  /** The largest conductor the firm's own tools crimp; null: not said. */
  largestCrimp: later(v.nullable(SizeSchema), null),
  wastePct: between(0, 50),
  /** Of what a conduit or trunking may take, so much stays free for what comes later. */
  spareFillPct: later(between(0, 60), 0),
  /** A cord is left in every conduit and trunking. */
  drawLines: later(v.boolean(), true),
  diversity: between(0.1, 1),
  studySoc: between(0, 1),
  lowVoltsPct: between(70, 110),
});

const BoatSchema = v.object({
  name,
  lengthM: between(3, 60),
  beamM: between(1, 20),
  draftM: between(0.2, 6),
  freeboardM: between(0.3, 6),
  hull: oneOf(HULLS),
  systemV: v.picklist([12, 24, 48] as const, '12, 24 or 48 V is needed'),
  acRegion: oneOf(['120 V', '120/240 V', '230 V']),
  ruleSet: oneOf(['awg', 'metric']),
  lengthUnit: oneOf(['m', 'ft']),
  tempUnit: oneOf(['C', 'F']),
  massUnit: oneOf(['kg', 'lb']),
  colourScheme: oneOf(['north-american', 'international']),
  note,
  /** The firm's named set of house rules the boat took hers from. */
  houseSet: later(v.nullable(name), null),
  /** What prices are typed in. */
  currency: later(v.pipe(v.string(), v.maxLength(8)), ''),
  /** Prices typed for parts that are weighed but not aboard, by part. */
  prices: later(v.record(id, v.nullable(between(0, 10000000))), {}),
});

/** A conduit, trunking, gland or hole that circuits pass. mm: bore, or width of the inside; heightMm for trunking. */
const RouteSchema = v.object({
  id,
  name,
  kind: oneOf(WAY_KINDS),
  placeId: v.nullable(id),
  boreMm: between(3, 400),
  heightMm: v.nullable(between(3, 400)),
  bends: whole(0, 12),
  drawLine: v.boolean(),
  circuitIds: list(id, 120),
  note,
});

/** A departure from a maker's sheet, a rule or a house rule: what, why, who accepts. */
const DepartureSchema = v.object({
  id,
  findingId: v.pipe(v.string(), v.maxLength(120)),
  what: v.pipe(v.string(), v.trim(), v.minLength(1, 'what is departed from is needed'), v.maxLength(300)),
  why: v.pipe(v.string(), v.trim(), v.minLength(1, 'a reason is needed'), v.maxLength(BOUNDS.noteLength)),
  acceptedBy: v.pipe(v.string(), v.trim(), v.minLength(1, 'who accepts it is needed'), v.maxLength(BOUNDS.nameLength)),
  on: v.pipe(v.string(), v.regex(/^\d{4}-\d{2}-\d{2}$/, 'a date as 2026-05-31 is needed')),
  kind: later(oneOf(['accepted', 'does not apply']), 'accepted'),
  /** What it went by when it was accepted, as a digest: '' in old files, which stand. */
  facts: later(v.pipe(v.string(), v.maxLength(40)), ''),
});

/** A picture kept beside the database; its bytes travel in the zip. */
const PhotoSchema = v.object({
  id,
  caption: v.pipe(v.string(), v.maxLength(300)),
  about: v.variant('kind', [
    v.object({ kind: oneOf(['circuit', 'load', 'panel', 'bank', 'place', 'boat']), id }),
    /** A line of the test sheet, by what it tests. */
    v.object({
      kind: v.literal('test'),
      id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._+-]{0,159}$/, 'an id of a test is needed')),
    }),
  ]),
  widthPx: whole(1, 20000),
  heightPx: whole(1, 20000),
});

const PlanSchema = v.object({
  /** Way of living whose need counts; null: the first. */
  livingId: v.nullable(id),
  days: between(0.1, 60),
  /** Coldest the bank is used at. */
  tempC: between(-20, 50),
  cruiseId: later(v.nullable(id), null),
  /** Step of the computation through time, minutes. */
  stepMin: later(between(1, 60), 5),
  season: later(SeasonSchema, DEFAULT_SEASON),
});

const LivingSchema = v.object({
  id,
  name,
  /** What runs when, over the 24 hours. */
  day: later(list(SpanSchema, 40), []),
  /** With the house switch off only what is always live draws its stand-by. */
  houseSwitch: later(oneOf(['on', 'off']), 'on'),
});

/** What one option of a design has for its own; the boat, her places and loads are shared. */
const PartsSchema = v.object({
  banks: list(BankSchema, BOUNDS.banks),
  sources: list(SourceSchema, BOUNDS.sources),
  joins: list(BankTieSchema, BOUNDS.joins),
  panels: list(PanelSchema, BOUNDS.panels),
  circuits: list(CircuitSchema, BOUNDS.circuits),
  bars: later(list(BarSchema, BOUNDS.bars), []),
  leads: later(list(LeadSchema, BOUNDS.leads), []),
  smallLeads: later(list(SmallLeadSchema, BOUNDS.smallLeads), []),
  acSources: later(list(AcSourceSchema, BOUNDS.acSources), []),
  acPanels: later(list(AcPanelSchema, BOUNDS.acPanels), []),
  acCircuits: later(list(AcCircuitSchema, BOUNDS.acCircuits), []),
});

/** One way to equip her. parts null: it is the one on the table, its parts stand in the design itself. */
const OptionSchema = v.object({ id, name, note, parts: v.nullable(PartsSchema) });

export const DesignSchema = v.object({
  format: v.literal(FORMAT, `the file does not say it is a ${FORMAT} file`),
  version: v.literal(VERSION),
  boat: BoatSchema,
  house: HouseSchema,
  living: list(LivingSchema, BOUNDS.ways),
  places: list(PlaceSchema, BOUNDS.places),
  banks: list(BankSchema, BOUNDS.banks),
  panels: list(PanelSchema, BOUNDS.panels),
  loads: list(LoadSchema, BOUNDS.loads),
  circuits: list(CircuitSchema, BOUNDS.circuits),
  /** What the bank is to be sized for. */
  plan: later(PlanSchema, { livingId: null, days: 2, tempC: 20 }),
  engine: later(EngineSchema, DEFAULT_ENGINE),
  sources: later(list(SourceSchema, BOUNDS.sources), []),
  joins: later(list(BankTieSchema, BOUNDS.joins), []),
  cruises: later(list(CruiseSchema, BOUNDS.cruises), []),
  studies: later(list(StudySchema, BOUNDS.studies), []),
  /** Bars and points of the main side, and the leads between them and the banks. */
  bars: later(list(BarSchema, BOUNDS.bars), []),
  leads: later(list(LeadSchema, BOUNDS.leads), []),
  /** What senses, excites, counts and tells: small conductors of sources and gauges. */
  smallLeads: later(list(SmallLeadSchema, BOUNDS.smallLeads), []),
  acRules: later(AcRulesSchema, DEFAULT_AC_RULES),
  acSources: later(list(AcSourceSchema, BOUNDS.acSources), []),
  acPanels: later(list(AcPanelSchema, BOUNDS.acPanels), []),
  acLoads: later(list(AcLoadSchema, BOUNDS.acLoads), []),
  acCircuits: later(list(AcCircuitSchema, BOUNDS.acCircuits), []),
  options: later(list(OptionSchema, BOUNDS.options), []),
  routes: later(list(RouteSchema, BOUNDS.routes), []),
  departures: later(list(DepartureSchema, BOUNDS.departures), []),
  photos: later(list(PhotoSchema, BOUNDS.photos), []),
  work: later(WorkSchema, DEFAULT_WORK),
  gauges: gaugeList,
  mounts: mountList,
});

type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T;

export type Design = Frozen<v.InferOutput<typeof DesignSchema>>;
export type Boat = Design['boat'];
export type HouseRules = Design['house'];
export type Place = Design['places'][number];
export type Point = Place['at'];
export type Bank = Design['banks'][number];
export type Load = Design['loads'][number];
export type Panel = Design['panels'][number];
export type Circuit = Design['circuits'][number];
export type Tap = Circuit['taps'][number];
export type InlineDevice = Circuit['devices'][number];
export type Found = NonNullable<Circuit['found']>;
export type FoundFault = Found['faults'][number];
export type Plan = Design['plan'];
export type Work = Design['work'];
export type Route = Design['routes'][number];
export type Departure = Design['departures'][number];
export type Photo = Design['photos'][number];
export type Living = Design['living'][number];
export type Span = Living['day'][number];
export type Engine = Design['engine'];
export type Source = Design['sources'][number];
export type Regulator = Source['regulator'];
export type BankTie = Design['joins'][number];
export type Cruise = Design['cruises'][number];
export type Along = (typeof ALONGS)[number];
export type Study = Design['studies'][number];
export type Bar = Design['bars'][number];
export type BatteryCable = Design['leads'][number];
export type SmallLead = Design['smallLeads'][number];
export type BatteryCableEnd = BatteryCable['from'];
export type AcRules = Design['acRules'];
export type AcSource = Design['acSources'][number];
export type AcPanel = Design['acPanels'][number];
export type AcLoad = Design['acLoads'][number];
export type AcCircuit = Design['acCircuits'][number];
export type Option = Design['options'][number];
export type Parts = NonNullable<Option['parts']>;
export type When = (typeof WHENS)[number];
export type WireRule = Load['makerWire'][number];
export type SupplyClass = (typeof SUPPLY_CLASSES)[number];
export type LoadGroup = (typeof LOAD_GROUPS)[number];
