/**
 * What the time loop keeps: a record for each bank, source and tie, and the books, row by row, where the host reads them. Everything stands at
 * an address fixed when compiled, with room for as many as a design may have (BOUNDS); nothing is allocated.
 */
import { BANKS, CELLS, Curve, DayList, SourceField, SOURCES, Sum, TIES, TraceList } from './layout';

export type Figures = StaticArray<f64>;
export type Wholes = StaticArray<i32>;

/** Cells of all curves of a bank. */
export const STRETCH: i32 = Curve.count * (CELLS + 2);

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
  /** Tie it goes through, and that tie where it is a splitter. */
  via: Tie;
  node: Tie;
  /** Bank it lands on as the ties stand. */
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
export class Tie {
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

const BANK = i32((offsetof<Bank>() + 7) & ~7);
const SOURCE = i32((offsetof<Source>() + 7) & ~7);
const TIE = i32((offsetof<Tie>() + 7) & ~7);
const bankRecords = memory.data(BANKS * BANK);
const sourceRecords = memory.data(SOURCES * SOURCE);
const tieRecords = memory.data(TIES * TIE);

/** The record at a place; below 0: none. */
export function bankAt(place: i32): Bank {
  return place < 0 ? none<Bank>() : changetype<Bank>(bankRecords + place * BANK);
}
export function sourceAt(place: i32): Source {
  return place < 0 ? none<Source>() : changetype<Source>(sourceRecords + place * SOURCE);
}
export function tieAt(place: i32): Tie {
  return place < 0 ? none<Tie>() : changetype<Tie>(tieRecords + place * TIE);
}

/** How many there are of each. */
export let banks: i32 = 0;
export let sources: i32 = 0;
export let ties: i32 = 0;
/** Hours of a step, and one over them. */
export let dt: f64 = 0;
export let perDt: f64 = 0;

export function counted(ofBanks: i32, ofSources: i32, ofTies: i32, stepH: f64): void {
  banks = ofBanks;
  sources = ofSources;
  ties = ofTies;
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
export const sums = changetype<Figures>(memory.data(Sum.count * 8));

/** Row of figures the host fills before it lays a record. */
export const given = changetype<Figures>(memory.data(SourceField.longest * 8));

// The day that is gone through, and where its steps are wanted.
export let phase = none<Figures>();
export let phasePerStep = none<Figures>();
export let idleLph = none<Figures>();
export let selector = none<Wholes>();
export let drawing = none<Wholes>();
export let draws = none<Figures>();
export let able = none<Wholes>();
export let since = none<Wholes>();
export let most = none<Figures>();
export let drawn: i32 = 0;

function figures(lists: Wholes, at: i32): Figures {
  return changetype<Figures>(<usize>lists[at]);
}
function wholes(lists: Wholes, at: i32): Wholes {
  return changetype<Wholes>(<usize>lists[at]);
}

/** Takes up a day by its list of addresses. */
export function opened(day: Wholes): void {
  phase = figures(day, DayList.phase);
  phasePerStep = figures(day, DayList.phasePerStep);
  idleLph = figures(day, DayList.idleLph);
  selector = wholes(day, DayList.selector);
  drawing = wholes(day, DayList.drawing);
  draws = figures(day, DayList.draws);
  able = wholes(day, DayList.able);
  since = wholes(day, DayList.since);
  most = figures(day, DayList.most);
  drawn = day[DayList.drawn];
}

/** A list of a trace. */
export function traced(trace: Wholes, list: TraceList): Figures {
  return figures(trace, list);
}

/** Of two figures neither of which is NaN: in a quarter of the time of the built-in ones, which must look. */
export function lesser(a: f64, b: f64): f64 {
  return a < b ? a : b;
}
export function greater(a: f64, b: f64): f64 {
  return a > b ? a : b;
}
