/** Volts of a bus: its banks and sources are straight pieces, so that only the constant power is curved. */
import { answers, flow, nominalA } from './bank';
import { Bank, is, lesser, Source } from './memory';
import { bracket, MOST_ROUNDS, narrowed } from './search';

/** Rounds in which volts are found by pieces before they are searched for. */
const ROUNDS: i32 = 6;
/** Between these parts of a bus's nominal volts its volts lie. */
const FLOOR: f64 = 0.7;
const CEILING: f64 = 1.6;

/** Current of a source at volts of its bus or node, A. */
export function currentOf(s: Source, v: f64): f64 {
  const below = s.setV - v + s.offset;
  return below <= 0 ? 0 : lesser(below * s.slope, s.limit);
}

/** What surplus was last asked for: current left over, A, and its slope, A a volt. */
export let over: f64 = 0;
export let overSlope: f64 = 0;

/** Surplus current of a bus at volts v into over, and its slope. */
export function surplus(root: Bank, v: f64): void {
  over = -(root.loadW / v) - root.loadS * v - root.loadA;
  overSlope = root.loadW / (v * v) - root.loadS;
  for (let b = root; is(b); b = b.next) {
    const above = v - b.rest;
    const k = above >= 0 ? b.kCharge : b.perOhm;
    const most = above >= 0 ? b.capCharge : -b.capDraw;
    const i = above * k;
    if (above >= 0 ? i >= most : i <= most) over -= most;
    else {
      over -= i;
      overSlope -= k;
    }
  }
  for (let s = root.firstSource; is(s); s = s.next) {
    const below = s.setV - v;
    if (below <= 0) continue;
    if (below * s.slope >= s.limit) over += s.limit;
    else {
      over += below * s.slope;
      overSlope -= s.slope;
    }
  }
}

/**
 * Volts by pieces: with every bank and source on one straight piece, c - k v - W / v = 0 is solved in one go, until the pieces are those it was
 * solved for. Leaves the volts of the bus in its root, and the current into each bank in it.
 * @returns false where that does not end, or ends near the floor: it is to be searched for.
 */
function byPieces(root: Bank): bool {
  let v = root.volts;
  let wasC: f64 = NaN;
  let wasK: f64 = NaN;
  let again = true;
  for (let round = 0; round < ROUNDS; round++) {
    let c = -root.loadA;
    let k = root.loadS;
    for (let b = root; is(b); b = b.next) {
      const steep = v >= b.rest ? b.kCharge : b.perOhm;
      const i = (v - b.rest) * steep;
      if (i >= b.capCharge) {
        b.amps = b.capCharge;
        c -= b.capCharge;
      } else if (i <= -b.capDraw) {
        b.amps = -b.capDraw;
        c += b.capDraw;
      } else {
        b.amps = i;
        c += b.rest * steep;
        k += steep;
      }
    }
    for (let s = root.firstSource; is(s); s = s.next) {
      const below = s.setV - v;
      if (below <= 0) continue;
      if (below * s.slope >= s.limit) c += s.limit;
      else {
        c += s.setV * s.slope;
        k += s.slope;
      }
    }
    if (c == wasC && k == wasK) {
      root.volts = v;
      return true;
    }
    const to = (c + sqrt(c * c - 4 * k * root.loadW)) * (0.5 / k);
    if (to > FLOOR * root.nominal && to < CEILING * root.nominal) {
      wasC = c;
      wasK = k;
      v = to;
    } else if (!again) return false;
    else {
      // Everything at its limit: begin where the banks give.
      again = false;
      wasC = NaN;
      v = root.rest - 1e-3;
    }
  }
  return false;
}

/** The same of one bank without a source: all current comes out of it. */
function resting(b: Bank): bool {
  if (b.loadW == 0 && b.loadS == 0 && b.loadA == 0) {
    b.amps = 0;
    b.volts = b.rest;
    return true;
  }
  const k = b.perOhm + b.loadS;
  const c = b.rest * b.perOhm - b.loadA;
  const v = (c + sqrt(c * c - 4 * k * b.loadW)) * (0.5 / k);
  const i = (v - b.rest) * b.perOhm;
  if (!(v > FLOOR * b.nominal) || -i > b.capDraw) return false;
  b.amps = lesser(i, 0);
  b.volts = v;
  return true;
}

/** The same by search, near the floor too; what cannot be carried is shed. */
function bySearch(root: Bank): void {
  let v = bracket(root.volts, FLOOR * root.nominal, CEILING * root.nominal);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    surplus(root, v);
    const to = narrowed(v, over, overSlope);
    if (to == v) break;
    v = to;
  }
  surplus(root, v);
  if (over < -1e-6) shed(root, v);
  root.volts = v;
  currents(root);
}

/** Volts of a bus that stands alone, and the current into each of its banks. */
export function settle(root: Bank): void {
  answers(root);
  if (is(root.firstSource) || is(root.next) ? byPieces(root) : resting(root)) return;
  bySearch(root);
}

/** Currents into the banks of a bus at its volts. */
export function currents(root: Bank): void {
  for (let b = root; is(b); b = b.next) b.amps = flow(b, root.volts);
}

/** Nothing carries all of the load: as much of it as there is current for. */
function shed(root: Bank, v: f64): void {
  const wanted = root.loadW / v + root.loadS * v + root.loadA;
  const part: f64 = wanted > 0 && wanted + over > 0 ? (wanted + over) / wanted : 0;
  root.lost = (1 - part) * nominalA(root);
  root.loadW *= part;
  root.loadS *= part;
  root.loadA *= part;
}
