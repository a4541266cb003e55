/**
 * What the time loop and its host agree on, once: this file is compiled as AssemblyScript into the loop and as TypeScript into the host, so
 * that neither can count a field, a list or a kind in another order than the other. Fields are laid one by one behind `given`, a list of
 * addresses for a day and for its trace.
 */

/** As many as a design may have. */
export const BANKS = 12;
export const SOURCES = 24;
export const TIES = 12;

/** Cells of a curve over state of charge; a bank's stretch has two more, so that full has a neighbour. */
export const CELLS = 512;
/** Curves side by side in a cell: volts at rest, amps accepted at absorption volts, efficiency of charging. */
export enum Curve {
  restV,
  acceptsA,
  efficiency,
  count,
}

/** What a source runs by. */
export enum By {
  engine,
  shore,
  sun,
  wind,
  input,
}

/** What ties two banks together. */
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

/** The boat: how many there are of each, and the engine. Litres are for each watt hour of an alternator; no bank to crank from: -1. */
export enum BoatField {
  banks,
  sources,
  ties,
  stepH,
  litresPerWh,
  crankBank,
  crankA,
  crankAh,
}

/** A bank; lead and gel 1 or 0, its self-discharge a part of it an hour. */
export enum BankField {
  capAh,
  c20Ah,
  peukert,
  ohm,
  maxA,
  absorptionV,
  nominalV,
  windowLowSoc,
  selfPerH,
  lead,
  gel,
}

/** What ties two banks; banks by their places, below 0: none. */
export enum TieField {
  kind,
  first,
  second,
  running,
  stopped,
  dropV,
  closeV,
  openV,
  delayH,
}

/** A source; the bank it charges, the one it draws from and the tie it goes through by their places, below 0: none; flags 1 or 0. */
export enum SourceField {
  driver,
  into,
  from,
  via,
  staged,
  sensesBank,
  pathOhm,
  absorptionV,
  floatV,
  bandV,
  tailA,
  minH,
  maxH,
  rebulkV,
  rebulkH,
  efficiency,
  startV,
  stopV,
  /** As many figures as the longest row has. */
  longest,
}

/** Lists of one day in a way of living, as addresses; drawn: how many banks loads draw from. */
export enum DayList {
  phase,
  phasePerStep,
  idleLph,
  selector,
  drawing,
  draws,
  able,
  since,
  most,
  drawn,
  count,
}

/** Where every step of a day is wanted, as addresses: banks and sources row by row. */
export enum TraceList {
  soc,
  volts,
  bankA,
  sourceA,
  loadA,
  unmetA,
  count,
}

/** Sums; dumps: steps in which a selector stood off with a source running into it. */
export enum Sum {
  load,
  unmet,
  litres,
  engineH,
  chargingH,
  dumps,
  count,
}
