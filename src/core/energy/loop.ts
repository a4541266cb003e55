/* eslint-disable @typescript-eslint/no-non-null-assertion -- every index is bounded by the loop over its own row; a check would cost in each of millions of steps */
/**
 * The time loop: every bank, source and join, step by step (docs/methods.md, M9 to M11). It allocates nothing once made.
 *
 * All figures stand in one array and all whole numbers in another, row after row, and are handed from function to function: so they stay in
 * registers, which makes a step several times as fast as an array by name. That is why this file is one.
 */
import { ALTERNATOR_EFFICIENCY, FUEL_L_PER_KWH } from '../charge/alternator';
import { CHARGING_H, DUMPS, ENGINE_H, FULL_SOC, LITRES, LOAD, UNMET, type Factors, type Loop, type Totals, type Trace } from './books';
import { tablesOf } from './lookup';
import { WIND_GRID, type Scene, type SceneDay } from './scene';

const DRIVERS = ['engine', 'shore', 'sun', 'wind', 'input'] as const;
const JOINS = ['selector', 'splitter', 'relay'] as const;

/*
 * Numbers that are read in every step are enumerated: they are compiled in, where a named constant would be looked up.
 */
const enum K {
  nowhere = -1,
  /** Rounds in which volts are found by pieces. */
  rounds = 6,
  /** Cells of a curve over state of charge, and of one bank's stretch in the table: one more beyond full. */
  cells = 512,
  row = 514,
  /** Curves side by side in a cell. */
  curves = 3,
}
/** Columns of the table of curves. */
const enum Curve {
  ocv = 0,
  accepts = 1,
  efficiency = 2,
}
const enum Stage {
  bulk = 0,
  absorption = 1,
  float = 2,
}
/** Whether a bank floats: nobody has said yet. */
const enum Floating {
  no = 0,
  yes = 1,
  unsaid = 2,
}
/** DRIVERS. */
const enum By {
  engine = 0,
  sun = 2,
  wind = 3,
  input = 4,
}
/** JOINS. */
const enum Kind {
  selector = 0,
  splitter = 1,
  relay = 2,
}

/** Where each row of figures begins: 12 banks, 24 sources and 12 joins at most (BOUNDS). */
const enum F {
  // By bank.
  soc = 0,
  volts = 12,
  /** Watts a DC–DC took from it in the last step. */
  inputW = 24,
  /** Lowest state of charge since the day began. */
  lowest = 36,
  inAh = 48,
  outAh = 60,
  storedAh = 72,
  drawnAh = 84,
  selfAh = 96,
  overflowAh = 108,
  belowWindowH = 120,
  sinceFullH = 132,
  longestH = 144,
  under70H = 156,
  longest70H = 168,
  cap = 180,
  perCap = 192,
  i20 = 204,
  /** Peukert exponent less one. */
  power = 216,
  perOhm = 228,
  maxA = 240,
  absV = 252,
  nominal = 264,
  perNominal = 276,
  windowLow = 288,
  /** Self-discharge of a step, Ah. */
  selfStep = 300,
  /** Current that fills it from empty within a step, A. */
  perFull = 312,
  /** What it goes on taking when full, A. */
  topA = 324,
  ocv = 336,
  kCharge = 348,
  capCharge = 360,
  capDraw = 372,
  /** Current into it, A. */
  amps = 384,
  /** Load on a bus, by its root: constant power, conductance, constant current; and what of it is shed. */
  loadW = 396,
  loadS = 408,
  loadA = 420,
  lost = 432,
  // By source.
  sourceAh = 444,
  sourceH = 468,
  timer = 492,
  lowTimer = 516,
  pathOhm = 540,
  setAbsV = 564,
  setFloatV = 588,
  bandV = 612,
  tailA = 636,
  minH = 660,
  maxH = 684,
  rebulkV = 708,
  rebulkH = 732,
  eff = 756,
  startV = 780,
  stopV = 804,
  limit = 828,
  setV = 852,
  /** Amps a volt below its setpoint. */
  slope = 876,
  /** What it sees below the node it feeds, V. */
  offset = 900,
  gives = 924,
  // By join.
  relayH = 948,
  dropV = 960,
  closeV = 972,
  openV = 984,
  delayH = 996,
  nodeV = 1008,
  // Alone.
  /** LOAD, UNMET, LITRES, ENGINE_H, CHARGING_H, DUMPS. */
  sums = 1020,
  /** Surplus current of what was last asked about, and its slope. */
  surplus = 1026,
  slopeOf = 1027,
  dt = 1028,
  perDt = 1029,
  /** Litres a step for each watt of an alternator. */
  litresPerW = 1030,
  crankA = 1031,
  crankAh = 1032,
  /** Steps since the loop was made. */
  tick = 1033,
  /** Step in which a source last could give. */
  ranAt = 1034,
  /** What wind there is makes of a generator's output, by source. */
  windPart = 1058,
  /** Charging efficiency at its state of charge, by bank. */
  fills = 1082,
  /** Curves over state of charge, bank by bank, cell by cell: rest volts, amps accepted, efficiency. */
  table = 1094,
}

/** Where each row of indices and switches begins. */
const enum W {
  // By bank.
  lead = 0,
  gel = 12,
  floating = 24,
  /** Root of the bus it stands on: the lowest bank there. */
  bus = 36,
  /** Where its loads land; -1: nowhere. */
  loadBus = 48,
  /** Next bank on its bus; -1: the last. */
  next = 60,
  /** Roots one after another. */
  root = 72,
  /** First source on the bus, by its root; -1: none. */
  firstSource = 84,
  /** Whether the volts of the bus are known. */
  settled = 96,
  // By source.
  stage = 132,
  driver = 156,
  fixed = 180,
  atBank = 204,
  into = 228,
  from = 252,
  /** Join it goes through; -1: none. */
  via = 276,
  /** Splitter it feeds; -1: none. */
  node = 300,
  /** Bank it lands on as the joins stand; -1: none. */
  home = 324,
  sBus = 348,
  /** Next source on its bus; -1: the last. */
  nextSource = 372,
  /** Sources that can give anything in this step, one after another. */
  live = 396,
  // By join.
  kind = 420,
  first = 432,
  second = 444,
  whenOn = 456,
  whenOff = 468,
  /** Where it stands. */
  at = 480,
  relayOn = 492,
  // Alone.
  banks = 504,
  sources = 505,
  joins = 506,
  roots = 507,
  lives = 508,
  steps = 509,
  lean = 510,
  crankBank = 511,
  engineWas = 512,
  /** Whether the joins stand as they are said to. */
  connected = 513,
  anyInput = 514,
  anySplitter = 515,
  anyRelay = 516,
  anySelector = 517,
  size = 518,
}

type Figures = Float64Array;
type Wholes = Int16Array;

/** Lays a scene into memory. */
function lay(f: Figures, w: Wholes, scene: Scene, lean: boolean): void {
  const { banks, sources, joins, stepH } = scene;
  w[W.banks] = banks.length;
  w[W.sources] = sources.length;
  w[W.joins] = joins.length;
  w[W.steps] = scene.n;
  w[W.lean] = lean ? 1 : 0;
  w[W.crankBank] = scene.crankBank;
  w[W.anyInput] = sources.some((x) => x.driver === 'input') ? 1 : 0;
  w[W.anySplitter] = joins.some((x) => x.kind === 'splitter') ? 1 : 0;
  w[W.anySelector] = joins.some((x) => x.kind === 'selector') ? 1 : 0;
  w[W.anyRelay] = joins.some((x) => x.kind === 'relay') ? 1 : 0;
  f[F.dt] = stepH;
  f[F.perDt] = 1 / stepH;
  f[F.litresPerW] = (FUEL_L_PER_KWH / 1000 / ALTERNATOR_EFFICIENCY) * stepH;
  f[F.crankA] = scene.crankA;
  f[F.crankAh] = scene.crankAh;
  const tables = tablesOf(banks, K.cells);
  for (let i = 0; i < tables.ocvV.length; i++) {
    f[F.table + 3 * i + Curve.ocv] = tables.ocvV[i]!;
    f[F.table + 3 * i + Curve.accepts] = tables.acceptA[i]!;
    f[F.table + 3 * i + Curve.efficiency] = tables.efficiency[i]!;
  }
  banks.forEach((bank, b) => {
    const { chemistry } = bank;
    f[F.cap + b] = bank.capAh;
    f[F.perCap + b] = 1 / bank.capAh;
    f[F.i20 + b] = bank.c20Ah / 20;
    f[F.power + b] = chemistry.peukert - 1;
    f[F.perOhm + b] = 1 / bank.ohm;
    f[F.maxA + b] = bank.maxA;
    f[F.absV + b] = bank.absorptionV;
    f[F.nominal + b] = bank.nominalV;
    f[F.perNominal + b] = 1 / bank.nominalV;
    f[F.windowLow + b] = chemistry.windowLowSoc;
    f[F.selfStep + b] = (chemistry.selfDischargePctMonth / 100 / 720) * bank.capAh * stepH;
    f[F.perFull + b] = bank.capAh / (stepH * f[rowOf(b, K.cells) + Curve.efficiency]!);
    f[F.topA + b] = f[rowOf(b, K.cells) + Curve.accepts]! * 1.1;
    w[W.lead + b] = chemistry.leadAcid ? 1 : 0;
    w[W.gel + b] = chemistry.id === 'gel' ? 1 : 0;
  });
  sources.forEach((x, s) => {
    w[W.via + s] = x.join;
    w[W.node + s] = x.join >= 0 && joins[x.join]?.kind === 'splitter' ? x.join : K.nowhere;
    w[W.into + s] = x.bank;
    w[W.from + s] = x.from;
    w[W.driver + s] = DRIVERS.indexOf(x.driver);
    w[W.fixed + s] = x.staged ? 0 : 1;
    w[W.atBank + s] = x.sense === 'the bank' ? 1 : 0;
    f[F.pathOhm + s] = x.sense === 'its own post' ? x.pathOhm : 0;
    f[F.setAbsV + s] = x.absorptionV;
    f[F.setFloatV + s] = x.floatV;
    f[F.bandV + s] = x.bandV;
    f[F.tailA + s] = x.tailA;
    f[F.minH + s] = x.minH;
    f[F.maxH + s] = x.maxH;
    f[F.rebulkV + s] = x.rebulkV;
    f[F.rebulkH + s] = x.rebulkH;
    f[F.eff + s] = x.efficiency;
    f[F.startV + s] = x.startV;
    f[F.stopV + s] = x.stopV;
  });
  joins.forEach((x, j) => {
    w[W.kind + j] = JOINS.indexOf(x.kind);
    w[W.first + j] = x.first;
    w[W.second + j] = x.second;
    w[W.whenOn + j] = x.running;
    w[W.whenOff + j] = x.stopped;
    f[F.dropV + j] = x.dropV;
    f[F.closeV + j] = x.closeV;
    f[F.openV + j] = x.openV;
    f[F.delayH + j] = x.delayH;
  });
}

/**
 * A loop over a scene: reset it, then go through days.
 * @param lean leaves out the books, but for the lowest and what goes unmet: a season asks for no more.
 */
export function createLoop(scene: Scene, lean = false): Loop {
  const f = new Float64Array(F.table + 3 * K.row * scene.banks.length);
  const w = new Int16Array(W.size);
  lay(f, w, scene, lean);
  const row = (from: F, length: number) => f.subarray(from, from + length);
  const nB = scene.banks.length;
  const totals: Totals = {
    inAh: row(F.inAh, nB),
    outAh: row(F.outAh, nB),
    storedAh: row(F.storedAh, nB),
    drawnAh: row(F.drawnAh, nB),
    selfAh: row(F.selfAh, nB),
    overflowAh: row(F.overflowAh, nB),
    belowWindowH: row(F.belowWindowH, nB),
    sinceFullH: row(F.sinceFullH, nB),
    longestH: row(F.longestH, nB),
    under70H: row(F.under70H, nB),
    longest70H: row(F.longest70H, nB),
    lowest: row(F.lowest, nB),
    sourceAh: row(F.sourceAh, scene.sources.length),
    sourceH: row(F.sourceH, scene.sources.length),
    sums: row(F.sums, 6),
  };
  return {
    soc: row(F.soc, nB),
    totals,
    reset: (start) => {
      begin(f, w, start);
      for (const sum of Object.values(totals)) sum.fill(0);
    },
    day: (day, factors, trace, step) => {
      oneDay(f, w, day, factors, trace, step ?? 0);
    },
  };
}

function begin(f: Figures, w: Wholes, start: number | ArrayLike<number>): void {
  for (let b = 0; b < w[W.banks]!; b++) {
    const soc = Math.min(1, Math.max(0, typeof start === 'number' ? start : (start[b] ?? 1)));
    f[F.soc + b] = soc;
    f[F.volts + b] = f[rowOf(b, Math.floor(soc * K.cells)) + Curve.ocv]!;
    f[F.inputW + b] = 0;
    w[W.floating + b] = Floating.unsaid;
  }
  for (let s = 0; s < w[W.sources]!; s++) {
    w[W.stage + s] = Stage.bulk;
    f[F.ranAt + s] = K.nowhere;
    f[F.timer + s] = f[F.lowTimer + s] = 0;
  }
  f[F.tick] = 0;
  for (let j = 0; j < w[W.joins]!; j++) w[W.relayOn + j] = f[F.relayH + j] = 0;
  w[W.engineWas] = w[W.connected] = 0;
}

/** Where a cell of a bank's curves stands. */
const rowOf = (b: number, cell: number): number => F.table + 3 * (b * K.row + cell);

/** Current of a source at its bus's (or node's) volts, A. */
function currentOf(f: Figures, s: number, v: number): number {
  const x = f[F.setV + s]! - v + f[F.offset + s]!;
  if (x <= 0) return 0;
  const i = x * f[F.slope + s]!;
  return i < f[F.limit + s]! ? i : f[F.limit + s]!;
}

/** Surplus current of a bus at volts v, and its slope. */
function surplus(f: Figures, w: Wholes, root: number, v: number): void {
  let sum = -(f[F.loadW + root]! / v) - f[F.loadS + root]! * v - f[F.loadA + root]!;
  let slope = f[F.loadW + root]! / (v * v) - f[F.loadS + root]!;
  for (let b = root; b >= 0; b = w[W.next + b]!) {
    const over = v - f[F.ocv + b]!;
    const k = over >= 0 ? f[F.kCharge + b]! : f[F.perOhm + b]!;
    const most = over >= 0 ? f[F.capCharge + b]! : -f[F.capDraw + b]!;
    const i = over * k;
    if (over >= 0 ? i >= most : i <= most) sum -= most;
    else {
      sum -= i;
      slope -= k;
    }
  }
  for (let s = w[W.firstSource + root]!; s >= 0; s = w[W.nextSource + s]!) {
    const x = f[F.setV + s]! - v;
    if (x <= 0) continue;
    const i = x * f[F.slope + s]!;
    if (i >= f[F.limit + s]!) sum += f[F.limit + s]!;
    else {
      sum += i;
      slope -= f[F.slope + s]!;
    }
  }
  f[F.surplus] = sum;
  f[F.slopeOf] = slope;
}

/** Surplus of a splitter's node at volts v: what its sources give less what its branches take. */
function nodeSurplus(f: Figures, w: Wholes, j: number, v: number): void {
  const first = w[W.first + j]!;
  const second = w[W.second + j]!;
  const branchV = v - f[F.dropV + j]!;
  let sum = 0;
  let slope = 0;
  for (let k = 0; k < w[W.lives]!; k++) {
    const s = w[W.live + k]!;
    if (w[W.node + s] !== j) continue;
    const i = currentOf(f, s, v);
    sum += i;
    if (i > 0 && i < f[F.limit + s]!) slope -= f[F.slope + s]!;
  }
  for (let k = 0; k < 2; k++) {
    const b = k === 0 ? first : second;
    if (b < 0 || (k === 1 && first >= 0 && w[W.bus + b] === w[W.bus + first])) continue;
    surplus(f, w, w[W.bus + b]!, branchV);
    // The branch takes what it lacks; it never gives back.
    if (f[F.surplus]! < 0) {
      sum += f[F.surplus]!;
      slope += f[F.slopeOf]!;
    }
  }
  f[F.surplus] = sum;
  f[F.slopeOf] = slope;
}

/** Root of a falling function by Newton within a bracket. @param j a splitter's index, or nowhere for the bus itself. */
function search(f: Figures, w: Wholes, root: number, j: number, guess: number, lowV: number, highV: number): number {
  let low = lowV;
  let high = highV;
  let v = guess > low && guess < high ? guess : (low + high) / 2;
  for (let round = 0; round < 60; round++) {
    if (j === K.nowhere) surplus(f, w, root, v);
    else nodeSurplus(f, w, j, v);
    const sum = f[F.surplus]!;
    const slope = f[F.slopeOf]!;
    if (sum < 1e-7 && sum > -1e-7) return v;
    if (sum > 0) low = v;
    else high = v;
    if (high - low < 1e-9) return v;
    const next = v - sum / slope;
    v = slope < 0 && next > low && next < high ? next : (low + high) / 2;
  }
  return v;
}

/**
 * Volts of a bus of one bank whose answers are known, into f[F.volts], and the current into it, into f[F.amps]. The bank and every source are on one of their straight pieces, so that
 * only the constant power is curved: c - k v - W / v = 0 is solved in one go, until the pieces are those it was solved for.
 * @returns false where that does not end, or ends near the floor: it is to be searched for.
 */
function alone(f: Figures, w: Wholes, b: number): boolean {
  const watts = f[F.loadW + b]!;
  const loadS = f[F.loadS + b]!;
  const loadA = f[F.loadA + b]!;
  const rest = f[F.ocv + b]!;
  const perOhm = f[F.perOhm + b]!;
  const firstSource = w[W.firstSource + b]!;
  if (firstSource < 0) {
    // Without a source all current comes out of the bank.
    if (watts === 0 && loadA === 0 && loadS === 0) {
      f[F.amps + b] = 0;
      f[F.volts + b] = rest;
      return true;
    }
    const k = perOhm + loadS;
    const c = rest * perOhm - loadA;
    const v = (c + Math.sqrt(c * c - 4 * k * watts)) / (2 * k);
    const i = (v - rest) * perOhm;
    if (!(v > 0.7 * f[F.nominal + b]! && -i <= f[F.capDraw + b]!)) return false;
    f[F.amps + b] = i < 0 ? i : 0;
    f[F.volts + b] = v;
    return true;
  }
  const kCharge = f[F.kCharge + b]!;
  const capCharge = f[F.capCharge + b]!;
  const capDraw = f[F.capDraw + b]!;
  let v = f[F.volts + b]!;
  let wasC = NaN;
  let wasK = NaN;
  for (let round = 0; round < K.rounds; round++) {
    const over = v - rest;
    const slope = over >= 0 ? kCharge : perOhm;
    let i = over * slope;
    let c = -loadA;
    let k = loadS;
    if (i >= capCharge || i <= -capDraw) {
      i = over >= 0 ? capCharge : -capDraw;
      c -= i;
    } else {
      c += rest * slope;
      k += slope;
    }
    for (let s = firstSource; s >= 0; s = w[W.nextSource + s]!) {
      const setV = f[F.setV + s]!;
      const below = setV - v;
      if (below <= 0) continue;
      const given = below * f[F.slope + s]!;
      if (given >= f[F.limit + s]!) c += f[F.limit + s]!;
      else {
        c += setV * f[F.slope + s]!;
        k += f[F.slope + s]!;
      }
    }
    if (c === wasC && k === wasK) {
      f[F.amps + b] = i;
      f[F.volts + b] = v;
      return true;
    }
    const next = (c + Math.sqrt(c * c - 4 * k * watts)) / (2 * k);
    if (next > 0.7 * f[F.nominal + b]! && next < 1.6 * f[F.nominal + b]!) {
      wasC = c;
      wasK = k;
      v = next;
    } else if (v === rest - 1e-3) break;
    else {
      // Everything at its limit: begin where the bank gives.
      wasC = NaN;
      v = rest - 1e-3;
    }
  }
  return false;
}

/** The same for a bus of two banks, as two stand while a relay or a selector ties them: as alone, all in plain figures. */
function pair(f: Figures, w: Wholes, a: number, b: number): boolean {
  const watts = f[F.loadW + a]!;
  const loadS = f[F.loadS + a]!;
  const loadA = f[F.loadA + a]!;
  const restA = f[F.ocv + a]!;
  const chargeA = f[F.kCharge + a]!;
  const drawA = f[F.perOhm + a]!;
  const inA = f[F.capCharge + a]!;
  const outA = -f[F.capDraw + a]!;
  const restB = f[F.ocv + b]!;
  const chargeB = f[F.kCharge + b]!;
  const drawB = f[F.perOhm + b]!;
  const inB = f[F.capCharge + b]!;
  const outB = -f[F.capDraw + b]!;
  const low = 0.7 * f[F.nominal + a]!;
  const high = 1.6 * f[F.nominal + a]!;
  const firstSource = w[W.firstSource + a]!;
  let v = f[F.volts + a]!;
  let wasC = NaN;
  let wasK = NaN;
  let again = true;
  for (let round = 0; round < K.rounds; round++) {
    let c = -loadA;
    let k = loadS;
    const slopeA = v >= restA ? chargeA : drawA;
    let iA = (v - restA) * slopeA;
    if (iA >= inA || iA <= outA) {
      iA = iA >= inA ? inA : outA;
      c -= iA;
    } else {
      c += restA * slopeA;
      k += slopeA;
    }
    const slopeB = v >= restB ? chargeB : drawB;
    let iB = (v - restB) * slopeB;
    if (iB >= inB || iB <= outB) {
      iB = iB >= inB ? inB : outB;
      c -= iB;
    } else {
      c += restB * slopeB;
      k += slopeB;
    }
    for (let s = firstSource; s >= 0; s = w[W.nextSource + s]!) {
      const setV = f[F.setV + s]!;
      const slope = f[F.slope + s]!;
      const given = (setV - v) * slope;
      if (given <= 0) continue;
      if (given >= f[F.limit + s]!) c += f[F.limit + s]!;
      else {
        c += setV * slope;
        k += slope;
      }
    }
    if (c === wasC && k === wasK) {
      f[F.amps + a] = iA;
      f[F.amps + b] = iB;
      f[F.volts + a] = v;
      return true;
    }
    const next = (c + Math.sqrt(c * c - 4 * k * watts)) / (2 * k);
    if (next > low && next < high) {
      wasC = c;
      wasK = k;
      v = next;
    } else if (!again) break;
    else {
      // Everything at its limit: begin where the banks give.
      again = false;
      wasC = NaN;
      v = restA - 1e-3;
    }
  }
  return false;
}

/** The same for a bus of several banks, whose answers are known. */
function together(f: Figures, w: Wholes, root: number): boolean {
  const watts = f[F.loadW + root]!;
  let v = f[F.volts + root]!;
  let wasC = NaN;
  let wasK = NaN;
  let again = true;
  for (let round = 0; round < K.rounds; round++) {
    let c = -f[F.loadA + root]!;
    let k = f[F.loadS + root]!;
    for (let b = root; b >= 0; b = w[W.next + b]!) {
      const rest = f[F.ocv + b]!;
      const slope = v >= rest ? f[F.kCharge + b]! : f[F.perOhm + b]!;
      const i = (v - rest) * slope;
      f[F.amps + b] = i;
      if (i >= f[F.capCharge + b]!) {
        f[F.amps + b] = f[F.capCharge + b]!;
        c -= f[F.capCharge + b]!;
      } else if (i <= -f[F.capDraw + b]!) {
        f[F.amps + b] = -f[F.capDraw + b]!;
        c += f[F.capDraw + b]!;
      } else {
        c += rest * slope;
        k += slope;
      }
    }
    for (let s = w[W.firstSource + root]!; s >= 0; s = w[W.nextSource + s]!) {
      const below = f[F.setV + s]! - v;
      if (below <= 0) continue;
      const slope = f[F.slope + s]!;
      if (below * slope >= f[F.limit + s]!) c += f[F.limit + s]!;
      else {
        c += f[F.setV + s]! * slope;
        k += slope;
      }
    }
    if (c === wasC && k === wasK) {
      f[F.volts + root] = v;
      return true;
    }
    const next = (c + Math.sqrt(c * c - 4 * k * watts)) / (2 * k);
    if (next > 0.7 * f[F.nominal + root]! && next < 1.6 * f[F.nominal + root]!) {
      wasC = c;
      wasK = k;
      v = next;
    } else if (!again) break;
    else {
      // Everything at its limit: begin where the banks give.
      again = false;
      wasC = NaN;
      v = f[F.ocv + root]! - 1e-3;
    }
  }
  return false;
}

/** The same of any bus by search, near the floor too; what cannot be carried is shed. */
function searched(f: Figures, w: Wholes, root: number): void {
  const v = search(f, w, root, K.nowhere, f[F.volts + root]!, 0.7 * f[F.nominal + root]!, 1.6 * f[F.nominal + root]!);
  surplus(f, w, root, v);
  if (f[F.surplus]! < -1e-6) shed(f, root, v);
  f[F.volts + root] = v;
  currents(f, w, root);
}

/** Volts of a bus of its own and the current into each of its banks. */
function settle(f: Figures, w: Wholes, root: number): void {
  answers(f, w, root);
  const second = w[W.next + root]!;
  if (!(second < 0 ? alone(f, w, root) : w[W.next + second]! < 0 ? pair(f, w, root, second) : together(f, w, root))) searched(f, w, root);
}

/** Currents into the banks of a bus at its volts. */
function currents(f: Figures, w: Wholes, root: number): void {
  for (let b = root; b >= 0; b = w[W.next + b]!) f[F.amps + b] = flow(f, b, f[F.volts + root]!);
}

/** Nothing carries all of the load: as much of it as there is current for. */
function shed(f: Figures, root: number, v: number): void {
  const wanted = f[F.loadW + root]! / v + f[F.loadS + root]! * v + f[F.loadA + root]!;
  const part = wanted > 0 ? Math.max(0, (wanted + f[F.surplus]!) / wanted) : 0;
  f[F.lost + root] = (1 - part) * nominalA(f, root);
  f[F.loadW + root] = f[F.loadW + root]! * part;
  f[F.loadS + root] = f[F.loadS + root]! * part;
  f[F.loadA + root] = f[F.loadA + root]! * part;
}

/** Load of a bus at its nominal volts, A. */
const nominalA = (f: Figures, root: number): number =>
  f[F.loadW + root]! * f[F.perNominal + root]! + f[F.loadS + root]! * f[F.nominal + root]! + f[F.loadA + root]!;

function merge(w: Wholes, a: number, b: number): void {
  if (a < 0 || b < 0) return;
  const to = Math.min(w[W.bus + a]!, w[W.bus + b]!);
  const gone = Math.max(w[W.bus + a]!, w[W.bus + b]!);
  for (let i = 0; i < w[W.banks]!; i++) if (w[W.bus + i] === gone) w[W.bus + i] = to;
}

/** Where a join stands in this step. */
function stands(w: Wholes, j: number, position: number, engineOn: boolean): number {
  if (w[W.kind + j] === Kind.relay) return w[W.relayOn + j]!;
  if (w[W.kind + j] !== Kind.selector) return 0;
  return position >= 0 ? position : engineOn ? w[W.whenOn + j]! : w[W.whenOff + j]!;
}

/** Whether a relay or a selector has moved since the banks were last connected. */
function moved(w: Wholes, position: number, engineOn: boolean): boolean {
  let any = w[W.connected] === 0;
  for (let j = 0; j < w[W.joins]!; j++) {
    const at = stands(w, j, position, engineOn);
    if (w[W.at + j] !== at) any = true;
    w[W.at + j] = at;
  }
  return any;
}

/** How the banks hang together, and where loads and sources land. */
function connect(w: Wholes): void {
  const nB = w[W.banks]!;
  const nS = w[W.sources]!;
  w[W.connected] = 1;
  for (let b = 0; b < nB; b++) w[W.bus + b] = w[W.loadBus + b] = b;
  for (let s = 0; s < nS; s++) w[W.home + s] = w[W.via + s]! >= 0 ? K.nowhere : w[W.into + s]!;
  for (let j = 0; j < w[W.joins]!; j++) {
    const first = w[W.first + j]!;
    const second = w[W.second + j]!;
    const at = w[W.at + j]!;
    if (w[W.kind + j] === Kind.relay && at === 1) merge(w, first, second);
    if (w[W.kind + j] !== Kind.selector) continue;
    if (at === 3) merge(w, first, second);
    const to = at === 0 ? K.nowhere : at === 2 ? second : first;
    if (first >= 0) w[W.loadBus + first] = to;
    for (let s = 0; s < nS; s++) if (w[W.via + s] === j) w[W.home + s] = to;
  }
  let roots = 0;
  for (let b = 0; b < nB; b++) {
    const root = w[W.bus + b]!;
    w[W.next + b] = K.nowhere;
    if (root === b) {
      w[W.root + roots++] = b;
      continue;
    }
    let last = root;
    while (w[W.next + last]! >= 0) last = w[W.next + last]!;
    w[W.next + last] = b;
  }
  w[W.roots] = roots;
}

function oneDay(f: Figures, w: Wholes, d: SceneDay, factors: Readonly<Factors>, trace: Trace | undefined, step: number): void {
  const nB = w[W.banks]!;
  const nS = w[W.sources]!;
  const n = w[W.steps]!;
  const dt = f[F.dt]!;
  const anySelector = w[W.anySelector] === 1;
  const anyInput = w[W.anyInput] === 1;
  const anySplitter = w[W.anySplitter] === 1;
  const anyRelay = w[W.anyRelay] === 1;
  const lean = w[W.lean] === 1;
  const { phase, phasePerStep, idleLph, selector, drawing, draws, able, since, most } = d;
  const nD = drawing.length;
  const { use, motor } = factors;
  for (let b = 0; b < nB; b++) f[F.lowest + b] = f[F.soc + b]!;
  for (let s = 0; s < nS; s++)
    if (w[W.driver + s] === By.wind) f[F.windPart + s] = factors.wind === 1 ? 1 : windFactor(d.windBy[s] ?? null, factors.wind);
  let [loadAh, unmetAh, engineH, litres, dumpSteps] = [0, 0, 0, 0, 0];
  /** Position of the selector in the step before. */
  let hand = NaN;
  for (let t = 0; t < n; t++) {
    const x = phase[t]!;
    const engine = x >= 0 && x < motor ? Math.min(1, (motor - x) / phasePerStep[t]!) : 0;
    if (engine > 0) {
      if (w[W.engineWas] === 0 && w[W.crankBank]! >= 0) crank(f, w[W.crankBank]!);
      engineH += engine * dt;
      litres += idleLph[t]! * engine * dt;
    }
    const runs = engine > 0 ? 1 : 0;
    const turned = anySelector && (selector[t]! !== hand || runs !== w[W.engineWas]);
    hand = selector[t]!;
    w[W.engineWas] = runs;
    if ((turned || w[W.connected] === 0) && moved(w, hand, runs === 1)) connect(w);

    // Loads, and what a DC–DC took in the last step, onto the bus of their bank.
    for (let r = 0; r < w[W.roots]!; r++) {
      const root = w[W.root + r]!;
      f[F.loadW + root] = f[F.loadS + root] = f[F.loadA + root] = f[F.lost + root] = 0;
      w[W.firstSource + root] = K.nowhere;
    }
    if (anyInput)
      for (let b = 0; b < nB; b++) {
        const bus = w[W.bus + b]!;
        f[F.loadW + bus] = f[F.loadW + bus]! + f[F.inputW + b]!;
        f[F.inputW + b] = 0;
      }
    let lostA = 0;
    for (let g = 0; g < nD; g++) {
      const b = drawing[g]!;
      const at = (t * nD + g) * 3;
      const to = w[W.loadBus + b]!;
      if (to < 0) {
        lostA += (draws[at]! * f[F.perNominal + b]! + draws[at + 1]! * f[F.nominal + b]! + draws[at + 2]!) * use;
        continue;
      }
      const root = w[W.bus + to]!;
      f[F.loadW + root] = f[F.loadW + root]! + draws[at]! * use;
      f[F.loadS + root] = f[F.loadS + root]! + draws[at + 1]! * use;
      f[F.loadA + root] = f[F.loadA + root]! + draws[at + 2]! * use;
    }

    // Sources: what each could give now.
    let dumps = 0;
    let lives = 0;
    const tick = f[F.tick]! + 1;
    f[F.tick] = tick;
    for (let u = since[t]!; u < since[t + 1]!; u++) {
      const s = able[u]!;
      let can = most[u]! * partOf(f, w, s, engine, factors.sun);
      const node = w[W.node + s]!;
      const home = node >= 0 ? w[W.first + node]! : w[W.home + s]!;
      if (can > 0) {
        if (home < 0) {
          dumps = 1;
          can = 0;
        } else if (w[W.driver + s] === By.sun) can /= Math.max(1, f[F.volts + home]!);
      }
      if (can <= 0) continue;
      const ran = f[F.ranAt + s]!;
      f[F.ranAt + s] = tick;
      if (ran !== tick - 1) {
        w[W.stage + s] = Stage.bulk;
        f[F.timer + s] = f[F.lowTimer + s] = 0;
      }
      w[W.live + lives++] = s;
      f[F.limit + s] = can;
      f[F.setV + s] = w[W.stage + s] === Stage.float ? f[F.setFloatV + s]! : f[F.setAbsV + s]!;
      f[F.slope + s] = can / (f[F.bandV + s]! + f[F.pathOhm + s]! * can);
      if (node >= 0) {
        w[W.sBus + s] = K.nowhere;
        f[F.offset + s] = w[W.atBank + s] === 1 ? f[F.dropV + node]! : 0;
        continue;
      }
      const root = w[W.bus + home]!;
      f[F.offset + s] = 0;
      w[W.sBus + s] = root;
      w[W.nextSource + s] = w[W.firstSource + root]!;
      w[W.firstSource + root] = s;
    }
    w[W.lives] = lives;
    dumpSteps += dumps;

    // Volts: splitters' nodes first, then what stands alone.
    if (anySplitter) {
      for (let r = 0; r < w[W.roots]!; r++) {
        answers(f, w, w[W.root + r]!);
        w[W.settled + w[W.root + r]!] = 0;
      }
      for (let j = 0; j < w[W.joins]!; j++) if (w[W.kind + j] === Kind.splitter) split(f, w, j);
    }
    let drawnA = lostA;
    let unmetA = lostA;
    for (let r = 0; r < w[W.roots]!; r++) {
      const root = w[W.root + r]!;
      if (!anySplitter || w[W.settled + root] === 0) settle(f, w, root);
      const v = f[F.volts + root]!;
      if (!lean) drawnA += f[F.loadW + root]! / v + f[F.loadS + root]! * v + f[F.loadA + root]! + f[F.lost + root]!;
      unmetA += f[F.lost + root]!;
      for (let b = root; b >= 0; b = w[W.next + b]!) {
        f[F.volts + b] = v;
        w[W.floating + b] = Floating.unsaid;
        keep(f, w, b);
      }
    }
    loadAh += drawnA * dt;
    unmetAh += unmetA * dt;
    if (lives > 0) give(f, w, lives);
    if (trace) {
      trace.loadA[step + t] = drawnA;
      trace.unmetA[step + t] = unmetA;
      record(f, w, trace, step + t);
    }
    if (anyRelay) relays(f, w);
  }
  const add = (to: number, x: number) => (f[F.sums + to] = f[F.sums + to]! + x);
  add(LOAD, loadAh);
  add(UNMET, unmetAh);
  add(ENGINE_H, engineH);
  add(LITRES, litres);
  add(DUMPS, dumpSteps);
}

/** What is there of a source's output as entered. */
function partOf(f: Figures, w: Wholes, s: number, engine: number, sun: number): number {
  const by = w[W.driver + s]!;
  if (by === By.sun) return sun;
  if (by === By.engine) return engine;
  if (by === By.wind) return f[F.windPart + s]!;
  if (by === By.input) return drawsInput(f, w, s) ? 1 : 0;
  return 1;
}

const windFactor = (table: Float64Array | null, factor: number): number => {
  if (!table) return 0;
  const x = Math.min(WIND_GRID - 1.001, Math.max(0, factor * 10));
  const i = x | 0;
  return table[i]! + (x - i) * (table[i + 1]! - table[i]!);
};

/** Whether a DC–DC runs: its input stood high enough, and it is not tied to its own output. */
function drawsInput(f: Figures, w: Wholes, s: number): boolean {
  const from = w[W.from + s]!;
  const to = w[W.into + s]!;
  if (from < 0 || to < 0 || w[W.bus + from] === w[W.bus + to]) return false;
  const v = f[F.volts + from]!;
  return f[F.ranAt + s] === f[F.tick]! - 1 ? v > f[F.stopV + s]! : v >= f[F.startV + s]!;
}

/**
 * How the banks of a bus answer to volts in this step: amps for each volt above and below rest, and the most they take and give, so that no
 * step overshoots by more than a full bank takes. In one piece: a function that is handed a figure has it wrapped unless it is compiled in.
 */
function answers(f: Figures, w: Wholes, root: number): void {
  const load = f[F.loadW + root]! * f[F.perNominal + root]! + f[F.loadS + root]! * f[F.nominal + root]! + f[F.loadA + root]!;
  for (let b = root; b >= 0; b = w[W.next + b]!) {
    const soc = f[F.soc + b]!;
    const x = soc * K.cells;
    const cell = x | 0;
    const part = x - cell;
    const row = rowOf(b, cell);
    const rest = f[row + Curve.ocv]! + part * (f[row + K.curves + Curve.ocv]! - f[row + Curve.ocv]!);
    f[F.ocv + b] = rest;
    f[F.fills + b] = f[row + Curve.efficiency]! + part * (f[row + K.curves + Curve.efficiency]! - f[row + Curve.efficiency]!);
    let accepts = f[row + Curve.accepts]! + part * (f[row + K.curves + Curve.accepts]! - f[row + Curve.accepts]!);
    if (w[W.gel + b] === 1 && w[W.floating + w[W.bus + b]!] === Floating.yes) accepts *= 0.2;
    let most = f[F.maxA + b]!;
    if (w[W.lead + b] === 0) f[F.kCharge + b] = f[F.perOhm + b]!;
    else {
      const span = f[F.absV + b]! - rest;
      f[F.kCharge + b] = accepts / (span > 0.05 ? span : 0.05);
      accepts *= 1.1;
    }
    if (accepts < most) most = accepts;
    const room = (1 - soc) * f[F.perFull + b]! + f[F.topA + b]!;
    f[F.capCharge + b] = room < most ? room : most;
    const left = soc * f[F.cap + b]! * f[F.perDt]!;
    const i20 = f[F.i20 + b]!;
    // Far from empty the rate's own correction cannot bind.
    f[F.capDraw + b] = left > 12 * load || left <= i20 ? left : (left * i20 ** f[F.power + b]!) ** (1 / (1 + f[F.power + b]!));
  }
}

/** A splitter's node with what it feeds. Without a running source its diodes block. */
function split(f: Figures, w: Wholes, j: number): void {
  const first = w[W.first + j]!;
  const dropV = f[F.dropV + j]!;
  let any = false;
  for (let k = 0; k < w[W.lives]!; k++) if (w[W.node + w[W.live + k]!] === j) any = true;
  if (!any || first < 0) return;
  const nominal = f[F.nominal + first]!;
  const v = search(f, w, 0, j, f[F.volts + w[W.bus + first]!]! + dropV, 0.7 * nominal, 1.7 * nominal);
  f[F.nodeV + j] = v;
  for (let k = 0; k < 2; k++) {
    const b = k === 0 ? first : w[W.second + j]!;
    if (b < 0) continue;
    const root = w[W.bus + b]!;
    if (w[W.settled + root] === 1) continue;
    surplus(f, w, root, v - dropV);
    if (f[F.surplus]! < 0 && v - dropV > 0.71 * f[F.nominal + root]!) {
      f[F.volts + root] = v - dropV;
      w[W.settled + root] = 1;
      currents(f, w, root);
    }
  }
}

/** Current into a bank at volts, A: positive charges. */
function flow(f: Figures, b: number, v: number): number {
  const over = v - f[F.ocv + b]!;
  if (over >= 0) {
    const i = over * f[F.kCharge + b]!;
    return i < f[F.capCharge + b]! ? i : f[F.capCharge + b]!;
  }
  const i = over * f[F.perOhm + b]!;
  return i > -f[F.capDraw + b]! ? i : -f[F.capDraw + b]!;
}

function effective(f: Figures, b: number, i: number): number {
  const i20 = f[F.i20 + b]!;
  const power = f[F.power + b]!;
  return i <= i20 || power === 0 ? i : i * (i / i20) ** power;
}

/** Takes a step's current into a bank's state of charge, and into its books unless they are left out. */
function keep(f: Figures, w: Wholes, b: number): void {
  const i = f[F.amps + b]!;
  const dt = f[F.dt]!;
  const cap = f[F.cap + b]!;
  const soc = f[F.soc + b]!;
  const was = soc * cap;
  let stored = 0;
  let drawn = 0;
  if (i > 0) {
    stored = i * f[F.fills + b]! * dt;
  } else if (i < 0) {
    const wants = effective(f, b, -i) * dt;
    drawn = wants < was ? wants : was;
  }
  const before = was + stored - drawn;
  const self = before < f[F.selfStep + b]! ? before : f[F.selfStep + b]!;
  const now = before - self;
  const level = now > cap ? 1 : now * f[F.perCap + b]!;
  f[F.soc + b] = level;
  if (level < f[F.lowest + b]!) f[F.lowest + b] = level;
  if (w[W.lean] === 1) return;
  if (i > 0) f[F.inAh + b] = f[F.inAh + b]! + i * dt;
  else f[F.outAh + b] = f[F.outAh + b]! - i * dt;
  f[F.storedAh + b] = f[F.storedAh + b]! + stored;
  f[F.drawnAh + b] = f[F.drawnAh + b]! + drawn;
  f[F.selfAh + b] = f[F.selfAh + b]! + self;
  if (now > cap) f[F.overflowAh + b] = f[F.overflowAh + b]! + now - cap;
  spells(f, b);
}

/** Hours since full, under 70 % and below the window. */
function spells(f: Figures, b: number): void {
  const level = f[F.soc + b]!;
  const dt = f[F.dt]!;
  if (level < f[F.windowLow + b]!) f[F.belowWindowH + b] = f[F.belowWindowH + b]! + dt;
  const sinceFull = level >= FULL_SOC ? 0 : f[F.sinceFullH + b]! + dt;
  f[F.sinceFullH + b] = sinceFull;
  if (sinceFull > f[F.longestH + b]!) f[F.longestH + b] = sinceFull;
  const under70 = level >= 0.7 ? 0 : f[F.under70H + b]! + dt;
  f[F.under70H + b] = under70;
  if (under70 > f[F.longest70H + b]!) f[F.longest70H + b] = under70;
}

function crank(f: Figures, b: number): void {
  const was = f[F.soc + b]! * f[F.cap + b]!;
  const drawn = Math.min(was, (effective(f, b, f[F.crankA]!) / f[F.crankA]!) * f[F.crankAh]!);
  f[F.outAh + b] = f[F.outAh + b]! + f[F.crankAh]!;
  f[F.drawnAh + b] = f[F.drawnAh + b]! + drawn;
  f[F.soc + b] = (was - drawn) * f[F.perCap + b]!;
  f[F.lowest + b] = Math.min(f[F.lowest + b]!, f[F.soc + b]!);
}

/** What the sources give at the volts found, and what their regulators make of it. */
function give(f: Figures, w: Wholes, lives: number): void {
  const lean = w[W.lean] === 1;
  for (let a = 0; a < lives; a++) {
    const s = w[W.live + a]!;
    const bus = w[W.sBus + s]!;
    const v = bus < 0 ? f[F.nodeV + w[W.node + s]!]! : f[F.volts + bus]!;
    const i = currentOf(f, s, v);
    f[F.gives + s] = i;
    if (w[W.driver + s] === By.input) {
      const from = w[W.from + s]!;
      f[F.inputW + from] = f[F.inputW + from]! + (v * i) / f[F.eff + s]!;
    }
    const home = bus >= 0 ? bus : w[W.bus + w[W.first + w[W.node + s]!]!]!;
    // A bank floats when nothing on its bus charges harder.
    if (w[W.stage + s] !== Stage.float) w[W.floating + home] = Floating.no;
    else if (w[W.floating + home] === Floating.unsaid) w[W.floating + home] = Floating.yes;
    if (w[W.fixed + s] === 0) regulate(f, w, s, home);
    if (!lean) count(f, w, s, v);
  }
  if (lean) return;
  let charging = 0;
  for (let a = 0; a < lives; a++) if (f[F.gives + w[W.live + a]!]! > 0) charging = f[F.dt]!;
  f[F.sums + CHARGING_H] = f[F.sums + CHARGING_H]! + charging;
}

/** The books of a source for a step at the volts it works into. */
function count(f: Figures, w: Wholes, s: number, v: number): void {
  const i = f[F.gives + s]!;
  const dt = f[F.dt]!;
  f[F.sourceAh + s] = f[F.sourceAh + s]! + i * dt;
  f[F.sourceH + s] = f[F.sourceH + s]! + dt;
  if (w[W.driver + s] === By.engine) f[F.sums + LITRES] = f[F.sums + LITRES]! + v * i * f[F.litresPerW]!;
}

/** Banks and sources as the step left them. */
function record(f: Figures, w: Wholes, { soc, volts, bankA, sourceA }: Trace, step: number): void {
  const nB = w[W.banks]!;
  for (let b = 0, at = step * nB; b < nB; b++, at++) {
    soc[at] = f[F.soc + b]!;
    volts[at] = f[F.volts + b]!;
    bankA[at] = f[F.amps + b]!;
  }
  const row = step * w[W.sources]!;
  for (let k = 0; k < w[W.lives]!; k++) sourceA[row + w[W.live + k]!] = f[F.gives + w[W.live + k]!]!;
}

/** Stages: to absorption when the setpoint is reached, to float when the bank takes little or time is up, back when volts stay low. */
function regulate(f: Figures, w: Wholes, s: number, home: number): void {
  const dt = f[F.dt]!;
  const stage = w[W.stage + s];
  if (stage === Stage.bulk) {
    if (f[F.gives + s]! < f[F.limit + s]! * (1 - 1e-9)) w[W.stage + s] = Stage.absorption;
  } else if (stage === Stage.absorption) {
    const hours = f[F.timer + s]! + dt;
    f[F.timer + s] = hours;
    const bank = w[W.into + s]! >= 0 ? w[W.into + s]! : home;
    const done = hours >= f[F.minH + s]! && f[F.amps + bank]! <= f[F.tailA + s]!;
    if (done || hours >= f[F.maxH + s]!) {
      w[W.stage + s] = Stage.float;
      f[F.lowTimer + s] = 0;
    }
  } else if (f[F.volts + home]! < f[F.rebulkV + s]!) {
    f[F.lowTimer + s] = f[F.lowTimer + s]! + dt;
    if (f[F.lowTimer + s]! >= f[F.rebulkH + s]!) {
      w[W.stage + s] = Stage.bulk;
      f[F.timer + s] = 0;
    }
  } else f[F.lowTimer + s] = 0;
}

function relays(f: Figures, w: Wholes): void {
  const dt = f[F.dt]!;
  for (let j = 0; j < w[W.joins]!; j++) {
    const first = w[W.first + j]!;
    const second = w[W.second + j]!;
    if (w[W.kind + j] !== Kind.relay || first < 0 || second < 0) continue;
    const high = Math.max(f[F.volts + first]!, f[F.volts + second]!);
    const wants = w[W.relayOn + j] === 1 ? high < f[F.openV + j]! : high >= f[F.closeV + j]!;
    const hours = wants ? f[F.relayH + j]! + dt : 0;
    const moves = wants && hours >= f[F.delayH + j]!;
    f[F.relayH + j] = moves ? 0 : hours;
    if (!moves) continue;
    w[W.relayOn + j] = 1 - w[W.relayOn + j]!;
    w[W.connected] = 0;
  }
}
