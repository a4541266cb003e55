/** What the host calls: the boat laid record by record, all of it at the start, and days. The rows the host reads stand at the addresses exported here. */
import { cranking, engineStopped } from './day';
import { parted } from './joins';
import * as m from './memory';
import { bankAt, CELLS, counted, CURVES, dt, Figures, Join, joinAt, Kind, none, sourceAt, STRETCH } from './memory';
import { burning, rested } from './sources';

export {
  belowWindowH,
  curves,
  drawnAh,
  inAh,
  longest70H,
  longestH,
  lowest,
  outAh,
  overflowAh,
  selfAh,
  sinceFullH,
  soc,
  sourceAh,
  sourceH,
  storedAh,
  sums,
  under70H,
  windPart,
} from './memory';
export { run } from './day';
export { raised } from './power';

/** Where the memory behind the records begins. */
export const behind: usize = __heap_base;

/** How many banks, sources and joins there are, and the engine: first of all. Litres are for each watt hour of an alternator. */
export function boat(banks: i32, sources: i32, joins: i32, stepH: f64, litres: f64, crankBank: i32, crankA: f64, crankAh: f64): void {
  counted(banks, sources, joins, stepH);
  burning(litres);
  cranking(bankAt(crankBank), crankA, crankAh);
}

/** A bank, after its curves; its lead or gel 1 or 0, its self-discharge a part of it an hour. */
export function bank(
  at: i32,
  capAh: f64,
  c20Ah: f64,
  peukert: f64,
  ohm: f64,
  maxA: f64,
  absorptionV: f64,
  nominalV: f64,
  windowLowSoc: f64,
  selfPerH: f64,
  lead: bool,
  gel: bool,
): void {
  const b = bankAt(at);
  b.at = at;
  b.curves = changetype<Figures>(changetype<usize>(m.curves) + at * STRETCH * 8);
  b.cap = capAh;
  b.perCap = 1 / capAh;
  b.i20 = c20Ah / 20;
  b.power = peukert - 1;
  b.perOhm = 1 / ohm;
  b.maxA = maxA;
  b.absV = absorptionV;
  b.nominal = nominalV;
  b.perNominal = 1 / nominalV;
  b.windowLow = windowLowSoc;
  b.selfStep = selfPerH * capAh * dt;
  b.perFull = capAh / (dt * b.curves[CURVES * CELLS + 2]);
  b.topA = b.curves[CURVES * CELLS + 1] * 1.1;
  b.lead = lead;
  b.gel = gel;
}

/** A join, before the sources; banks by their places, below 0: none. */
export function join(
  at: i32,
  kind: i32,
  first: i32,
  second: i32,
  running: i32,
  stopped: i32,
  dropV: f64,
  closeV: f64,
  openV: f64,
  delayH: f64,
): void {
  const j = joinAt(at);
  j.kind = kind;
  j.first = bankAt(first);
  j.second = bankAt(second);
  j.running = running;
  j.stopped = stopped;
  j.dropV = dropV;
  j.closeV = closeV;
  j.openV = openV;
  j.delayH = delayH;
}

/** A source; the bank it charges, the one it draws from and the join it goes through by their places, below 0: none. */
export function source(
  at: i32,
  driver: i32,
  into: i32,
  from: i32,
  via: i32,
  staged: bool,
  sensesBank: bool,
  pathOhm: f64,
  absorptionV: f64,
  floatV: f64,
  bandV: f64,
  tailA: f64,
  minH: f64,
  maxH: f64,
  rebulkV: f64,
  rebulkH: f64,
  efficiency: f64,
  startV: f64,
  stopV: f64,
): void {
  const s = sourceAt(at);
  s.at = at;
  s.driver = driver;
  s.into = bankAt(into);
  s.from = bankAt(from);
  s.via = joinAt(via);
  s.node = via >= 0 && s.via.kind == Kind.splitter ? s.via : none<Join>();
  s.staged = staged;
  s.sensesBank = sensesBank;
  s.pathOhm = pathOhm;
  s.absorptionV = absorptionV;
  s.floatV = floatV;
  s.bandV = bandV;
  s.tailA = tailA;
  s.minH = minH;
  s.maxH = maxH;
  s.rebulkV = rebulkV;
  s.rebulkH = rebulkH;
  s.efficiency = efficiency;
  s.startV = startV;
  s.stopV = stopV;
}

/** All at the start, from the states of charge that stand in soc, the books empty. */
export function begin(): void {
  for (let i = 0; i < m.banks; i++) {
    const b = bankAt(i);
    b.soc = m.soc[i];
    b.volts = b.curves[CURVES * <i32>(b.soc * <f64>CELLS)];
    b.inputW = 0;
    b.floating = m.Floating.unsaid;
    m.lowest[i] = m.inAh[i] = m.outAh[i] = m.storedAh[i] = m.drawnAh[i] = m.selfAh[i] = m.overflowAh[i] = 0;
    m.belowWindowH[i] = m.sinceFullH[i] = m.longestH[i] = m.under70H[i] = m.longest70H[i] = 0;
  }
  for (let i = 0; i < m.sources; i++) m.sourceAh[i] = m.sourceH[i] = 0;
  for (let i = 0; i < 6; i++) m.sums[i] = 0;
  rested();
  parted();
  engineStopped();
}
