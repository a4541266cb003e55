/** What charges, what joins the banks, and how the boat is lived in through the day. Volts are of the whole bank, at 25 degC. */
import * as v from 'valibot';
import { SlopeSchema } from './bankSheet';
import { SizeSchema } from './device';
import { MARKS } from '../quantity';
import { SuppressorSchema } from './smallLead';
import { between, id, later, list, name, note, oneOf, whole } from './fields';

/** When in the day a load's hours fall. */
export const WHENS = ['any time', 'by day', 'by night', 'engine running'] as const;

export const SPAN_KINDS = ['engine', 'generator', 'shore', 'sun', 'wind', 'selector'] as const;

/**
 * A stretch of the day. level: engine rpm; shore and generator: largest AC current for charging, A (0: no limit);
 * sun: peak sun hours of the day; wind: mean m/s; selector: 0 off, 1 first bank, 2 second, 3 both.
 */
export const SpanSchema = v.object({ id, what: oneOf(SPAN_KINDS), fromH: between(0, 24), toH: between(0, 24), level: between(0, 20000) });

export const SOURCE_KINDS = ['alternator', 'shore charger', 'DC–DC', 'solar', 'wind', 'portable'] as const;
export const SENSE_AT = ['its own post', 'the bank', 'before the splitter'] as const;
export const SENSORS = ['none', 'on the bank', 'in the device', 'near the engine'] as const;
export const EXCITATION = ['one-wire', 'three-wire', 'external'] as const;
export const BELTS = ['V-belt 10 mm', 'V-belt 13 mm', 'two V-belts', 'multi-rib'] as const;
export const MOUNTINGS = ['unknown', 'single foot', 'dual foot', 'saddle', 'pad'] as const;
export const PULLEYS = ['unknown', 'V 10 mm', 'V 13 mm', 'double V', 'multi-rib'] as const;
export const ROTATIONS = ['unknown', 'either', 'clockwise', 'anticlockwise'] as const;

const volts = between(1, 80);
const optional = (low: number, high: number) => v.nullable(between(low, high));

export const RegulatorSchema = v.object({
  /** Three stages, or one fixed voltage for ever. */
  staged: v.boolean(),
  absorptionV: volts,
  floatV: volts,
  /** null: off. */
  equaliseV: optional(1, 85),
  /** Output tapers to nothing over this band below the setpoint. */
  bandV: between(0.01, 2),
  /** Bank current that ends absorption; null: by time alone. */
  tailA: optional(0.1, 500),
  minMin: between(0, 600),
  maxMin: between(1, 1440),
  /** Back to bulk below this for that long; null: never before the next start. */
  rebulkV: optional(1, 70),
  rebulkMin: between(0, 240),
  slope: SlopeSchema,
  sensor: oneOf(SENSORS),
  /** A lost sensor stops charging or falls to float; else it charges on as if at 25 degC. */
  safeOnSensorLoss: v.boolean(),
  sense: oneOf(SENSE_AT),
  toleranceV: between(0, 2),
});

const FitSchema = v.object({
  mounting: oneOf(MOUNTINGS),
  pivotMm: optional(10, 400),
  pulley: oneOf(PULLEYS),
  rotation: oneOf(ROTATIONS),
  /** Of the machine its largest diameter and its length with the pulley; of the engine the room there is, mm. */
  bodyMm: later(optional(30, 600), null),
  longMm: later(optional(30, 800), null),
  /** Of the engine: from its pulley's middle to the machine's, nearest and farthest on the arm, mm. */
  nearMm: later(optional(50, 2000), null),
  farMm: later(optional(50, 2000), null),
  /** Round its pulleys alone; where a pump is in the loop too it is measured with a string: length of the belt that is on, mm. */
  beltMm: later(optional(200, 5000), null),
  /** Of the machine: its fan blows either way round, or only as it is made. */
  fan: later(oneOf(['unknown', 'either', 'one way']), 'unknown'),
  /** Of the machine: torque of its pulley nut, N m. */
  nutNm: later(optional(1, 400), null),
});

export const UNKNOWN_FIT: v.InferOutput<typeof FitSchema> = {
  mounting: 'unknown',
  pivotMm: null,
  pulley: 'unknown',
  rotation: 'unknown',
  bodyMm: null,
  longMm: null,
  nearMm: null,
  farMm: null,
  beltMm: null,
  fan: 'unknown',
  nutNm: null,
};

const AlternatorSchema = v.object({
  curve: list(v.object({ id, rpm: between(0, 30000), amps: between(0, 1000) }), 24),
  /** Alternator turns per engine turn; the pulleys' diameters give it where both are known. */
  ratio: between(0.3, 8),
  enginePulleyMm: optional(20, 600),
  pulleyMm: optional(20, 300),
  belt: oneOf(BELTS),
  maxRpm: between(1000, 30000),
  hotFactor: between(0.2, 1),
  /** Its regulator lowers the field before it overheats: no worse than hotFactor at any speed. */
  fieldLimited: v.boolean(),
  excitation: oneOf(EXCITATION),
  tacho: v.boolean(),
  /** Rated for a petrol engine space. */
  ignitionProtected: v.boolean(),
  /** Something at the alternator itself catches its surge when the main cable is opened. */
  suppressor: v.boolean(),
  /** The same as a part; null: nothing is known of it. */
  suppressorPart: later(v.nullable(SuppressorSchema), null),
  fit: FitSchema,
});

const ChargerSchema = v.object({
  efficiency: between(0.3, 1),
  powerFactor: between(0.3, 1),
  /** Terminals it has for batteries. */
  outputs: whole(1, 6),
  /** The most its first output gives alone, A; null: all it gives. */
  firstA: later(optional(0, 2000), null),
});
const DcdcSchema = v.object({
  efficiency: between(0.3, 1),
  startV: volts,
  stopV: volts,
  /** Its input and output share no conductor. */
  isolated: later(v.boolean(), false),
});
const SolarSchema = v.object({
  /** Of one panel at standard conditions. */
  wp: between(1, 2000),
  derate: between(0.1, 1),
  vocV: between(1, 200),
  iscA: between(0.1, 60),
  vmpV: between(1, 200),
  impA: between(0.1, 60),
  /** Volts by temperature, % a degC: negative. */
  vocPctPerC: between(-1, 0),
  series: whole(1, 12),
  parallel: whole(1, 12),
  seriesFuseA: optional(1, 100),
  /** Largest fuse a panel's maker allows in its string; null: not known. */
  maxFuseA: later(optional(1, 100), null),
  coldC: between(-40, 30),
  controllerV: between(10, 1000),
  controllerA: between(1, 400),
});
const WindSchema = v.object({
  curve: list(v.object({ id, mps: between(0, 60), amps: between(0, 500) }), 24),
  brake: v.boolean(),
});

export const SourceSchema = v.object({
  id,
  name,
  kind: oneOf(SOURCE_KINDS),
  /** Bank it charges; null: none yet. */
  bankId: v.nullable(id),
  /** The splitter or selector its output goes through; null: straight to the bank. */
  joinId: v.nullable(id),
  /** Bank a DC–DC draws from. */
  fromBankId: v.nullable(id),
  /** Its row on the load sheet, whose cable carries it. */
  loadId: v.nullable(id),
  placeId: v.nullable(id),
  ratedA: between(0, 2000),
  /** The source it may take the place of: a candidate is compared with it, and never counted beside it. null: it is aboard. */
  insteadOfId: later(v.nullable(id), null),
  /** The charger this is another output of; null: a machine of its own. Its rated amps are the most this output gives. */
  outputOf: later(v.nullable(id), null),
  /** Output path, out and back; null: 5 mohm, typical. */
  pathMohm: optional(0, 1000),
  regulator: RegulatorSchema,
  alternator: v.nullable(AlternatorSchema),
  charger: v.nullable(ChargerSchema),
  dcdc: v.nullable(DcdcSchema),
  solar: v.nullable(SolarSchema),
  wind: v.nullable(WindSchema),
  mark: oneOf(MARKS),
  /** Its maker sells it as ignition protected; of an alternator its own field says so. */
  ignitionProtected: later(v.boolean(), false),
  massKg: optional(0, 1000),
  price: optional(0, 10000000),
  /** Programming sheet: by setting, the maker's default and what was set aboard. */
  sheet: v.record(id, v.object({ maker: v.pipe(v.string(), v.maxLength(60)), asSet: v.pipe(v.string(), v.maxLength(60)) })),
  note,
});

export const TIE_KINDS = ['selector', 'splitter', 'relay'] as const;
export const SELECTOR_POSITIONS = ['off', 'first', 'second', 'both'] as const;

export const BankTieSchema = v.object({
  id,
  name,
  kind: oneOf(TIE_KINDS),
  firstId: v.nullable(id),
  secondId: v.nullable(id),
  /** Selector: what hand and habit do with the engine running and stopped. */
  running: oneOf(SELECTOR_POSITIONS),
  stopped: oneOf(SELECTOR_POSITIONS),
  makeBeforeBreak: v.boolean(),
  fieldDisconnect: v.boolean(),
  /** Splitter: what it takes, V (diode 0.7, field-effect 0.05). */
  dropV: between(0, 2),
  /** Relay. */
  closeV: volts,
  openV: volts,
  delayS: between(0, 3600),
  ratedA: between(1, 2000),
  massKg: optional(0, 200),
  price: optional(0, 10000000),
});

export const EngineSchema = v.object({
  fuel: oneOf(['diesel', 'petrol']),
  kw: between(1, 2000),
  idleRpm: between(200, 3000),
  cruiseRpm: between(300, 8000),
  maxRpm: between(500, 10000),
  /** Fuel at idle and at full power, L/h; between them by the cube of speed. */
  idleLph: between(0, 100),
  fullLph: between(0.1, 1000),
  crankA: between(10, 5000),
  crankS: between(0.2, 60),
  /** Lowest volts at the starter that still turn it, V. */
  crankMinV: between(3, 48),
  /** Starts in a row wanted from the bank alone. */
  starts: whole(1, 30),
  coldC: between(-30, 40),
  startBankId: v.nullable(id),
  crankPathMohm: between(0, 50),
  /** Least cable to its starter, by its maker; null: not said. */
  starterCable: later(v.nullable(SizeSchema), null),
  fit: FitSchema,
});

export const DEFAULT_ENGINE: v.InferOutput<typeof EngineSchema> = {
  fuel: 'diesel',
  kw: 30,
  idleRpm: 850,
  cruiseRpm: 2200,
  maxRpm: 3200,
  idleLph: 0.9,
  fullLph: 8,
  crankA: 350,
  crankS: 3,
  crankMinV: 9,
  starts: 6,
  coldC: 0,
  startBankId: null,
  crankPathMohm: 1.5,
  starterCable: null,
  fit: UNKNOWN_FIT,
};

export const CruiseSchema = v.object({
  id,
  name,
  legs: list(v.object({ id, livingId: id, days: whole(0, 366) }), 40),
  repeat: whole(1, 366),
  /** State of charge it begins with. */
  startSoc: later(between(0, 1), 1),
});

export const SeasonSchema = v.object({
  runs: whole(20, 20000),
  seed: whole(0, 2147483647),
  /** Spread of a day's sun, wind, use and motoring about what the day says, as parts of it. */
  sunSpread: between(0, 1),
  windSpread: between(0, 1),
  useSpread: between(0, 1),
  motorSpread: between(0, 1),
});
export const DEFAULT_SEASON: v.InferInput<typeof SeasonSchema> = {
  runs: 2000,
  seed: 1,
  sunSpread: 0.35,
  windSpread: 0.4,
  useSpread: 0.15,
  motorSpread: 0.5,
};
