/** A bank: how it answers to volts, what a step leaves of its charge, and its books. */
import { CELLS, Curve } from './layout';
import {
  Bank,
  belowWindowH,
  drawnAh,
  dt,
  Floating,
  greater,
  inAh,
  is,
  lesser,
  longest70H,
  longestH,
  outAh,
  overflowAh,
  perDt,
  selfAh,
  sinceFullH,
  storedAh,
  under70H,
} from './memory';
import { raised } from './power';

const FULL_SOC: f64 = 0.995;
/** Share of its acceptance gel keeps on float. */
const GEL_FLOATING: f64 = 0.2;
/** Least volts between absorption and rest that lead's acceptance is spread over. */
const LEAST_SPAN_V: f64 = 0.05;
/** How far beyond its acceptance lead may be driven. */
const DRIVEN: f64 = 1.1;

/** Load of a bus at its nominal volts, A. */
export function nominalA(root: Bank): f64 {
  return root.loadW * root.perNominal + root.loadS * root.nominal + root.loadA;
}

/**
 * How the banks of a bus answer to volts in this step: amps for each volt above and below rest, and the most they take and give, so that no
 * step overshoots by more than a full bank takes.
 */
export function answers(root: Bank): void {
  const load = nominalA(root);
  for (let b = root; is(b); b = b.next) {
    const x = b.soc * <f64>CELLS;
    const cell = <i32>x;
    const part = x - <f64>cell;
    const curves = b.curves;
    const here = Curve.count * cell;
    const there = here + Curve.count;
    const rest = curves[here] + part * (curves[there] - curves[here]);
    let accepts = curves[here + Curve.acceptsA] + part * (curves[there + Curve.acceptsA] - curves[here + Curve.acceptsA]);
    b.rest = rest;
    b.fills = curves[here + Curve.efficiency] + part * (curves[there + Curve.efficiency] - curves[here + Curve.efficiency]);
    if (b.gel && b.bus.floating == Floating.yes) accepts *= GEL_FLOATING;
    if (b.lead) {
      b.kCharge = accepts / greater(b.absV - rest, LEAST_SPAN_V);
      accepts *= DRIVEN;
    } else b.kCharge = b.perOhm;
    b.capCharge = lesser(lesser(accepts, b.maxA), (1 - b.soc) * b.perFull + b.topA);
    const left = b.soc * b.cap * perDt;
    // Far from empty the rate's own correction cannot bind.
    b.capDraw = left > 12 * load || left <= b.i20 ? left : raised(left * raised(b.i20, b.power), 1 / (1 + b.power));
  }
}

/** Current into a bank at volts, A: positive charges. */
export function flow(b: Bank, v: f64): f64 {
  const over = v - b.rest;
  return over >= 0 ? lesser(over * b.kCharge, b.capCharge) : greater(over * b.perOhm, -b.capDraw);
}

/** What a current drawn counts for by Peukert, A. */
function effective(b: Bank, i: f64): f64 {
  return i <= b.i20 || b.power == 0 ? i : i * raised(i / b.i20, b.power);
}

/** Takes a step's current into a bank's state of charge, and into its books unless they are left out. */
export function keep(b: Bank, lean: bool): void {
  const i = b.amps;
  const was = b.soc * b.cap;
  const stored: f64 = i > 0 ? i * b.fills * dt : 0;
  const drawn: f64 = i < 0 ? lesser(effective(b, -i) * dt, was) : 0;
  const before = was + stored - drawn;
  const self = lesser(before, b.selfStep);
  const now = before - self;
  const level: f64 = now > b.cap ? 1 : now * b.perCap;
  b.soc = level;
  if (level < b.lowest) b.lowest = level;
  if (lean) return;
  if (i > 0) inAh[b.at] += i * dt;
  else outAh[b.at] -= i * dt;
  storedAh[b.at] += stored;
  drawnAh[b.at] += drawn;
  selfAh[b.at] += self;
  if (now > b.cap) overflowAh[b.at] += now - b.cap;
  spells(b);
}

/** Hours since full, under 70 % and below the window. */
function spells(b: Bank): void {
  const at = b.at;
  if (b.soc < b.windowLow) belowWindowH[at] += dt;
  sinceFullH[at] = b.soc >= FULL_SOC ? 0 : sinceFullH[at] + dt;
  longestH[at] = greater(longestH[at], sinceFullH[at]);
  under70H[at] = b.soc >= 0.7 ? 0 : under70H[at] + dt;
  longest70H[at] = greater(longest70H[at], under70H[at]);
}

/** One start of the engine out of a bank. */
export function crank(b: Bank, crankA: f64, crankAh: f64): void {
  const was = b.soc * b.cap;
  const drawn = lesser(was, (effective(b, crankA) / crankA) * crankAh);
  outAh[b.at] += crankAh;
  drawnAh[b.at] += drawn;
  b.soc = (was - drawn) * b.perCap;
  b.lowest = lesser(b.lowest, b.soc);
}
