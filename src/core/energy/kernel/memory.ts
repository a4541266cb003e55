/**
 * What the time loop keeps: a record for each bank, source and join, and the books, row by row, where the host reads them. Everything stands at
 * an address fixed when compiled, with room for as many as a design may have (BOUNDS); nothing is allocated.
 */
export type Figures = StaticArray<f64>;
export type Wholes = StaticArray<i32>;

/** As many as a design may have. */
export const BANKS: i32 = 12;
export const SOURCES: i32 = 24;
export const JOINS: i32 = 12;

/** Cells of a curve over state of charge; a bank's stretch has two more, so that full has a neighbour. */
export const CELLS: i32 = 512;
/** Curves side by side in a cell: rest volts, amps accepted at absorption, efficiency. */
export const CURVES: i32 = 3;
export const STRETCH: i32 = CURVES * (CELLS + 2);

/** Stage of a source that has stages. */
export enum Stage {
  bulk,
  absorption,
  float,
}
/** Whether a bank floats: nobody has said yet. */
export enum Floating {
  no,
  yes,
  unsaid,
}
/** What a source runs by, in the order the host counts them. */
export enum By {
  engine,
  shore,
  sun,
  wind,
  input,
}
/** Kinds of join, in the order the host counts them. */
export enum Kind {
  selector,
  splitter,
  relay,
}
/** Positions of a selector. */
export enum Position {
  off,
  first,
  second,
  both,
}
/** Sums in the order the host reads them; dumps: steps in which a selector stood off with a source running into it. */
export enum Sum {
  load,
  unmet,
  litres,
  engineH,
  chargingH,
  dumps,
}

/** Whether a record is there. */
export function is<T>(record: T): bool {
  return changetype<usize>(record) != 0;
}
export function none<T>(): T {
  return changetype<T>(0);
}

@unmanaged
export class Bank {
  // What it is.
  cap: f64;
  perCap: f64;
  i20: f64;
  /** Peukert exponent less one. */
  power: f64;
  perOhm: f64;
  maxA: f64;
  absV: f64;
  nominal: f64;
  perNominal: f64;
  windowLow: f64;
  /** Self-discharge of a step, Ah. */
  selfStep: f64;
  /** Current that fills it from empty within a step, and what it goes on taking when full, A. */
  perFull: f64;
  topA: f64;

  // Where it stands.
  soc: f64;
  volts: f64;
  /** Current into it, A. */
  amps: f64;
  /** Watts a DC-DC took from it in the last step. */
  inputW: f64;
  /** Lowest state of charge since the day began. */
  lowest: f64;

  // How it answers to volts in this step.
  rest: f64;
  /** Efficiency at its state of charge. */
  fills: f64;
  /** Amps a volt above rest, and the most it takes and gives, A. */
  kCharge: f64;
  capCharge: f64;
  capDraw: f64;

  // As the root of a bus: the load on it as constant power, conductance and constant current, and what of it is shed.
  loadW: f64;
  loadS: f64;
  loadA: f64;
  lost: f64;

  curves: Figures;
  /** Root of the bus it stands on: the first bank there. */
  bus: Bank;
  /** The next bank on its bus. */
  next: Bank;
  /** Where its loads land; none: they are cut off. */
  loadsOn: Bank;
  /** As a root: the next root, and the first source on the bus. */
  nextRoot: Bank;
  firstSource: Source;
  floating: i32;
  /** Its place in the rows. */
  at: i32;
  lead: bool;
  gel: bool;
  /** As a root: whether the volts of the bus are known. */
  settled: bool;
}

@unmanaged
export class Source {
  // What it is.
  pathOhm: f64;
  absorptionV: f64;
  floatV: f64;
  bandV: f64;
  tailA: f64;
  minH: f64;
  maxH: f64;
  rebulkV: f64;
  rebulkH: f64;
  efficiency: f64;
  startV: f64;
  stopV: f64;

  // Where it stands: hours in absorption, and hours its volts stood low in float.
  timer: f64;
  lowTimer: f64;

  // This step: the most it gives, its setpoint, amps a volt below it, how far what it sees lies below the node it feeds, and what it gives.
  limit: f64;
  setV: f64;
  slope: f64;
  offset: f64;
  gives: f64;

  driver: i32;
  stage: i32;
  /** Step in which it last could give. */
  ranAt: i32;
  /** Its place in the rows. */
  at: i32;
  into: Bank;
  from: Bank;
  /** Join it goes through, and that join where it is a splitter. */
  via: Join;
  node: Join;
  /** Bank it lands on as the joins stand. */
  home: Bank;
  /** Root of the bus it gives to in this step; none: it gives to a node. */
  bus: Bank;
  /** The next source on its bus, and the next that can give. */
  next: Source;
  nextLive: Source;
  staged: bool;
  sensesBank: bool;
}

@unmanaged
export class Join {
  dropV: f64;
  closeV: f64;
  openV: f64;
  delayH: f64;
  /** Hours a relay has wanted to move. */
  wantsH: f64;
  /** Volts of a splitter's node. */
  nodeV: f64;
  kind: i32;
  first: Bank;
  second: Bank;
  /** Positions of a selector with the engine running and stopped. */
  running: i32;
  stopped: i32;
  /** Where it stands. */
  stands: i32;
  closed: bool;
}

/** One day in a way of living, laid by the host: an address for each of SceneDay's lists. */
@unmanaged
export class Day {
  phase: Figures;
  phasePerStep: Figures;
  idleLph: Figures;
  selector: Wholes;
  drawing: Wholes;
  draws: Figures;
  able: Wholes;
  since: Wholes;
  most: Figures;
  /** How many banks loads draw from. */
  drawn: i32;
}

/** Where the host wants every step of a day: banks and sources row by row. */
@unmanaged
export class Trace {
  soc: Figures;
  volts: Figures;
  bankA: Figures;
  sourceA: Figures;
  loadA: Figures;
  unmetA: Figures;
}

const BANK = i32((offsetof<Bank>() + 7) & ~7);
const SOURCE = i32((offsetof<Source>() + 7) & ~7);
const JOIN = i32((offsetof<Join>() + 7) & ~7);
const bankRecords = memory.data(BANKS * BANK);
const sourceRecords = memory.data(SOURCES * SOURCE);
const joinRecords = memory.data(JOINS * JOIN);

/** The record at a place; below 0: none. */
export function bankAt(place: i32): Bank {
  return place < 0 ? none<Bank>() : changetype<Bank>(bankRecords + place * BANK);
}
export function sourceAt(place: i32): Source {
  return place < 0 ? none<Source>() : changetype<Source>(sourceRecords + place * SOURCE);
}
export function joinAt(place: i32): Join {
  return place < 0 ? none<Join>() : changetype<Join>(joinRecords + place * JOIN);
}

/** How many there are of each. */
export let banks: i32 = 0;
export let sources: i32 = 0;
export let joins: i32 = 0;
/** Hours of a step, and one over them. */
export let dt: f64 = 0;
export let perDt: f64 = 0;

export function counted(ofBanks: i32, ofSources: i32, ofJoins: i32, stepH: f64): void {
  banks = ofBanks;
  sources = ofSources;
  joins = ofJoins;
  dt = stepH;
  perDt = 1 / stepH;
}

// Rows the host writes or reads. By bank:
export const curves = changetype<Figures>(memory.data(BANKS * STRETCH * 8));
/** At the reset and at the end of a day. */
export const soc = changetype<Figures>(memory.data(BANKS * 8));
export const lowest = changetype<Figures>(memory.data(BANKS * 8));
export const inAh = changetype<Figures>(memory.data(BANKS * 8));
export const outAh = changetype<Figures>(memory.data(BANKS * 8));
export const storedAh = changetype<Figures>(memory.data(BANKS * 8));
export const drawnAh = changetype<Figures>(memory.data(BANKS * 8));
export const selfAh = changetype<Figures>(memory.data(BANKS * 8));
export const overflowAh = changetype<Figures>(memory.data(BANKS * 8));
export const belowWindowH = changetype<Figures>(memory.data(BANKS * 8));
export const sinceFullH = changetype<Figures>(memory.data(BANKS * 8));
export const longestH = changetype<Figures>(memory.data(BANKS * 8));
export const under70H = changetype<Figures>(memory.data(BANKS * 8));
export const longest70H = changetype<Figures>(memory.data(BANKS * 8));
// By source; windPart is what wind there is makes of a generator's output, day by day:
export const windPart = changetype<Figures>(memory.data(SOURCES * 8));
export const sourceAh = changetype<Figures>(memory.data(SOURCES * 8));
export const sourceH = changetype<Figures>(memory.data(SOURCES * 8));
// Alone, by Sum:
export const sums = changetype<Figures>(memory.data(6 * 8));

/** Of two figures neither of which is NaN: in a quarter of the time of the built-in ones, which must look. */
export function lesser(a: f64, b: f64): f64 {
  return a < b ? a : b;
}
export function greater(a: f64, b: f64): f64 {
  return a > b ? a : b;
}
