/** The AC side: services, inverters and generators, panels, appliances and the runs between them. Watts W, volts V of one leg, lengths m. */
import * as v from 'valibot';
import { AC_FAMILIES } from '../rules';
import { SizeSchema } from './device';
import { MARKS } from '../quantity';
import { later, between, id, list, name, note, oneOf, whole } from './fields';

export const AC_SERVICES = ['120 V', '120/240 V', '230 V'] as const;
/** Volts of one leg. */
export const SERVICE_V = { '120 V': 120, '120/240 V': 120, '230 V': 230 } as const;
export const AC_SOURCE_KINDS = ['shore', 'generator', 'inverter'] as const;
export const ISOLATIONS = ['none', 'galvanic isolator', 'isolation transformer'] as const;
export const AC_RESTS = ['left on', 'sleeps', 'switched off'] as const;
export const AC_LEGS = ['first', 'second', 'both'] as const;
/** What the conductors are, as they are bought or were found. */
export const AC_CABLES = ['stranded three-core', 'solid', 'household', 'unknown'] as const;
/** How a panel is put on one of several sources. by hand: a selector; relay: by itself. */
export const TRANSFERS = ['none', 'by hand', 'relay'] as const;
/** What keeps a live case from killing, beside the breakers. */
export const EARTHINGS = ['joined to DC negative', 'whole-boat residual current', 'isolation transformer'] as const;
/** Residual current that opens a device, mA. */
export const LEAKAGES = [5, 10, 30] as const;

const colour = v.pipe(v.string(), v.trim(), v.maxLength(40));
const optional = (low: number, high: number) => v.nullable(between(low, high));
const family = v.nullable(oneOf(AC_FAMILIES.map((f) => f.id)));
const leakageMa = v.nullable(v.picklist(LEAKAGES, '5, 10 or 30 mA is needed'));

/** A galvanic isolator or a transformer of an inlet, and the earth that goes through it or ends on it. */
const IsolatorSchema = v.object({
  placeId: v.nullable(id),
  /** What it bears for good, A; null: not asked. */
  ratedA: optional(1, 400),
  /** From the inlet to it, and on to the AC earth bar, along the conductor; null: from where things stand. */
  earthM: optional(0.1, 60),
  /** null: as the main's own. */
  earthSize: v.nullable(SizeSchema),
});

/** Degrees a terminal is good for, °C; null: by school. */
const terminalC = later(v.nullable(v.picklist([60, 75] as const, '60 or 75 °C is needed')), null);

const ShoreSchema = v.object({
  cordM: between(1, 100),
  cordSize: SizeSchema,
  /** Of the pedestal's supply, ohm, asked of the marina or measured; null: 0.5, assumed. */
  pedestalOhm: optional(0, 10),
  /** Volts measured at the pedestal; null: nominal. */
  pedestalV: optional(0, 300),
  /** Along the conductors, from the inlet to the main breaker. */
  breakerAtM: between(0, 30),
  sheathed: v.boolean(),
  isolation: oneOf(ISOLATIONS),
  isolator: later(v.nullable(IsolatorSchema), null),
  /** Of the inlet. */
  terminalC,
});

const GeneratorSchema = v.object({
  kva: between(0, 100),
  powerFactor: between(0, 1),
  /** Transient reactance, per unit; null: 0.25, typical. */
  xd: optional(0.01, 1),
  /** Largest motor start its maker allows, kVA: wins over the reactance; null: not said. */
  startKva: later(optional(0, 400), null),
  /** Lights or electronics hang on it while motors start. */
  lightsOn: v.boolean(),
  idleLph: between(0, 50),
  fullLph: between(0, 100),
  /** Its remote-start solenoid, a row of the load sheet. */
  startLoadId: v.nullable(id),
  /** Its starter and the battery that turns it; null: not entered. */
  starter: later(
    v.nullable(
      v.object({
        /** null: the engine's start battery. */
        bankId: v.nullable(id),
        /** null: not measured, typical of its size. */
        amps: optional(1, 2000),
        /** Battery, cables and return together without the battery's own, mΩ. */
        pathMohm: between(0, 100),
      }),
    ),
    null,
  ),
  /** Volts at which its control coil lets go; null: 40 % of nominal, typical. */
  holdInV: later(optional(0, 60), null),
  /** Heater plugs, a row of the load sheet: on before the starter turns. */
  preheatLoadId: later(v.nullable(id), null),
});

const InverterSchema = v.object({
  /** Continuous, VA, at this temperature, and what it loses a degree above it. */
  va: between(0, 50000),
  /** Alike in parallel, made to run in step: the ratings above and below are of one. */
  units: later(whole(1, 6), 1),
  atC: between(0, 60),
  lossPctPerC: between(0, 10),
  /** What it bears for a time. */
  surges: list(v.object({ id, s: between(0.01, 7200), va: between(0, 100000) }), 6),
  efficiency: between(0.3, 1),
  idleW: between(0, 500),
  /** Searching for a load; null: it does not sleep. */
  sleepW: optional(0, 200),
  /** What becomes of it while nothing draws. */
  rest: oneOf(AC_RESTS),
  /** Its DC side, a row of the load sheet. */
  loadId: v.nullable(id),
  /** The charger within the same case, a source of the Charging station. */
  chargerId: v.nullable(id),
  /** What its transfer relay passes on, A; null: it passes nothing. */
  passA: optional(1, 400),
  /** Its transfer opens the neutral too, before its own bond closes. */
  opensNeutral: v.boolean(),
  /** Current into a short as a multiple of its rating. */
  faultTimes: between(1, 10),
  caseSize: v.nullable(SizeSchema),
  /** Its capacitors are charged through a resistor before its disconnect closes. */
  precharge: later(v.boolean(), false),
  /** Free air all round as its maker asks; nothing can drip into it. */
  aired: v.boolean(),
  dry: v.boolean(),
});

export const AcSourceSchema = v.object({
  id,
  name,
  kind: oneOf(AC_SOURCE_KINDS),
  service: oneOf(AC_SERVICES),
  placeId: v.nullable(id),
  /** Inlet and cord, or the output of the machine, A of a leg. */
  ratedA: between(0, 400),
  /** Neutral and earth joined at this source aboard: the generator's frame, the inverter's own relay. */
  bonded: v.boolean(),
  shore: v.nullable(ShoreSchema),
  generator: v.nullable(GeneratorSchema),
  inverter: v.nullable(InverterSchema),
  mark: oneOf(MARKS),
  /** Its maker sells it as ignition protected. */
  ignitionProtected: later(v.boolean(), false),
  massKg: optional(0, 5000),
  price: optional(0, 10000000),
  note,
});

export const AcPanelSchema = v.object({
  id,
  name,
  placeId: v.nullable(id),
  transfer: oneOf(TRANSFERS),
  /** The transfer takes the neutral along. */
  switchesNeutral: v.boolean(),
  polarityIndicator: v.boolean(),
  /** Neutral and earth on bars of their own. */
  barsApart: v.boolean(),
  /** A link between neutral and earth sits here, as found. */
  linked: v.boolean(),
  /** DC panel in the same case, and whether a barrier stands between. */
  besideDcId: v.nullable(id),
  barrier: v.boolean(),
  /** Ways of its body; null: as many as it has runs. */
  ways: later(v.nullable(whole(1, 60)), null),
  /** Its front opens, and what lands on it needs slack for that. */
  opens: later(v.boolean(), false),
  /** From the middle of one way to the next, mm. */
  pitchMm: later(between(6, 80), 17.5),
});

export const AcLoadSchema = v.object({
  id,
  name,
  placeId: v.nullable(id),
  watts: between(0, 50000),
  powerFactor: between(0, 1),
  /** While it starts, VA, and for how long. */
  surgeVa: optional(0, 200000),
  surgeS: optional(0.01, 120),
  motor: v.boolean(),
  leg: oneOf(AC_LEGS),
  /** Of appliances with the same word only one may run; '': any. */
  notWith: v.pipe(v.string(), v.trim(), v.maxLength(40)),
  /** 1 is dropped first, 9 last. */
  keep: whole(1, 9),
  runsLong: v.boolean(),
  hours: v.record(id, between(0, 24)),
  /** The charger of the Charging station this is; its watts follow from there. */
  chargerId: v.nullable(id),
  mark: oneOf(MARKS),
  note,
});

/** A run: from a source or a panel to a panel, to an inverter's input, or to appliances and outlets. */
export const AcCircuitSchema = v.object({
  id,
  no: v.pipe(v.string(), v.trim(), v.maxLength(12)),
  name,
  from: v.object({ kind: oneOf(['source', 'panel']), id }),
  /** null: a branch. */
  to: v.nullable(v.object({ kind: oneOf(['panel', 'inverter']), id })),
  loadIds: list(id, 20),
  outlets: whole(0, 30),
  /** Outlets in galley, heads, machinery space or on deck. */
  outletsWet: v.boolean(),
  /** Where it ends; null: where what it serves is. */
  placeId: v.nullable(id),
  /** null: as chosen. */
  ratingA: optional(1, 400),
  family,
  /** Conductors its device opens: live alone, or neutral too. */
  poles: whole(1, 3),
  leakageMa,
  size: v.nullable(SizeSchema),
  lengthM: optional(0.1, 120),
  bundled: whole(2, 200),
  enclosure: oneOf(['open', 'conduit', 'insulated']),
  cable: oneOf(AC_CABLES),
  /** Colours of the conductors as found; '': as the scheme has it. */
  liveColour: colour,
  secondColour: later(colour, ''),
  neutralColour: later(colour, ''),
  earthColour: later(colour, ''),
  /** Marked as AC at both ends and wherever it can be opened. */
  labelled: later(v.boolean(), false),
  /** null: as heavy as the live. */
  earthSize: later(v.nullable(SizeSchema), null),
  /** Of its breaker and of what it lands on. */
  terminalC,
  /** Of its panel; null: the next that is free. */
  way: later(v.nullable(whole(1, 60)), null),
  note,
});

export const AcRulesSchema = v.object({
  /** The charger is turned down before anything is dropped. */
  chargerFirst: v.boolean(),
  /** Part of a breaker continuous loads may take together; null: by school. */
  continuousPart: optional(0.5, 1),
  earthing: oneOf(EARTHINGS),
  /** Appliances wanted at the same time. */
  wanted: list(id, 120),
  /** Charge the inverter is judged at. */
  inverterSoc: between(0.05, 1),
  /** Metres from inlet to main breaker; null: by school. */
  breakerWithinM: optional(0.1, 30),
  /** Of AC breakers and inlets. */
  terminalC,
});

export const DEFAULT_AC_RULES: v.InferOutput<typeof AcRulesSchema> = {
  chargerFirst: true,
  continuousPart: null,
  earthing: 'joined to DC negative',
  wanted: [],
  inverterSoc: 0.3,
  breakerWithinM: null,
  terminalC: null,
};
