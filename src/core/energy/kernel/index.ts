/** What the host calls: the boat laid record by record, all of it at the start, and days. The rows the host reads stand at the addresses exported here. */
import { cranking, engineStopped } from './day';
import { parted } from './ties';
import * as m from './memory';
import { BankField, BoatField, CELLS, Curve, Kind, SourceField, Sum, TieField } from './layout';
import { Bank, bankAt, counted, dt, Figures, given, is, none, sourceAt, STRETCH, Tie, tieAt } from './memory';
import { burning, rested } from './sources';

export {
  belowWindowH,
  curves,
  drawnAh,
  given,
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

function bankIn(field: i32): Bank {
  return bankAt(<i32>given[field]);
}

/** How many there are of each, and the engine: first of all. */
export function boat(): void {
  counted(<i32>given[BoatField.banks], <i32>given[BoatField.sources], <i32>given[BoatField.ties], given[BoatField.stepH]);
  burning(given[BoatField.litresPerWh]);
  cranking(bankIn(BoatField.crankBank), given[BoatField.crankA], given[BoatField.crankAh]);
}

/** A bank, after its curves. */
export function bank(at: i32): void {
  const b = bankAt(at);
  const capAh = given[BankField.capAh];
  b.at = at;
  b.curves = changetype<Figures>(changetype<usize>(m.curves) + at * STRETCH * 8);
  b.cap = capAh;
  b.perCap = 1 / capAh;
  b.i20 = given[BankField.c20Ah] / 20;
  b.power = given[BankField.peukert] - 1;
  b.perOhm = 1 / given[BankField.ohm];
  b.maxA = given[BankField.maxA];
  b.absV = given[BankField.absorptionV];
  b.nominal = given[BankField.nominalV];
  b.perNominal = 1 / b.nominal;
  b.windowLow = given[BankField.windowLowSoc];
  b.selfStep = given[BankField.selfPerH] * capAh * dt;
  b.perFull = capAh / (dt * b.curves[Curve.count * CELLS + Curve.efficiency]);
  b.topA = b.curves[Curve.count * CELLS + Curve.acceptsA] * 1.1;
  b.lead = given[BankField.lead] != 0;
  b.gel = given[BankField.gel] != 0;
}

/** What ties two banks, before the sources. */
export function tie(at: i32): void {
  const t = tieAt(at);
  t.kind = <i32>given[TieField.kind];
  t.first = bankIn(TieField.first);
  t.second = bankIn(TieField.second);
  t.running = <i32>given[TieField.running];
  t.stopped = <i32>given[TieField.stopped];
  t.dropV = given[TieField.dropV];
  t.closeV = given[TieField.closeV];
  t.openV = given[TieField.openV];
  t.delayH = given[TieField.delayH];
}

export function source(at: i32): void {
  const s = sourceAt(at);
  s.at = at;
  s.driver = <i32>given[SourceField.driver];
  s.into = bankIn(SourceField.into);
  s.from = bankIn(SourceField.from);
  s.via = tieAt(<i32>given[SourceField.via]);
  s.node = is(s.via) && s.via.kind == Kind.splitter ? s.via : none<Tie>();
  s.staged = given[SourceField.staged] != 0;
  s.sensesBank = given[SourceField.sensesBank] != 0;
  s.pathOhm = given[SourceField.pathOhm];
  s.absorptionV = given[SourceField.absorptionV];
  s.floatV = given[SourceField.floatV];
  s.bandV = given[SourceField.bandV];
  s.tailA = given[SourceField.tailA];
  s.minH = given[SourceField.minH];
  s.maxH = given[SourceField.maxH];
  s.rebulkV = given[SourceField.rebulkV];
  s.rebulkH = given[SourceField.rebulkH];
  s.efficiency = given[SourceField.efficiency];
  s.startV = given[SourceField.startV];
  s.stopV = given[SourceField.stopV];
}

/** All at the start, from the states of charge that stand in soc, the books empty. */
export function begin(): void {
  for (let i = 0; i < m.banks; i++) {
    const b = bankAt(i);
    b.soc = m.soc[i];
    b.volts = b.curves[Curve.count * <i32>(b.soc * <f64>CELLS)];
    b.inputW = 0;
    b.floating = m.Floating.unsaid;
    m.lowest[i] = m.inAh[i] = m.outAh[i] = m.storedAh[i] = m.drawnAh[i] = m.selfAh[i] = m.overflowAh[i] = 0;
    m.belowWindowH[i] = m.sinceFullH[i] = m.longestH[i] = m.under70H[i] = m.longest70H[i] = 0;
  }
  for (let i = 0; i < m.sources; i++) m.sourceAh[i] = m.sourceH[i] = 0;
  for (let i = 0; i < Sum.count; i++) m.sums[i] = 0;
  rested();
  parted();
  engineStopped();
}
