/* eslint-disable @typescript-eslint/no-non-null-assertion -- every index is bounded by the loop over its own typed array; a check would cost in each of millions of steps */
/** The time loop: every bank, source and join, step by step (docs/methods.md, M9 to M11). It allocates nothing once made. */
import { ALTERNATOR_EFFICIENCY, FUEL_L_PER_KWH } from '../charge/alternator';
import { BOUNDS } from '../design/bounds';
import { CHARGING_H, DUMPS, ENGINE_H, FULL_SOC, LITRES, LOAD, UNMET, type Factors, type Loop, type Totals, type Trace } from './books';
import { CELLS, ROW, tablesOf } from './lookup';
import { WIND_GRID, type Scene, type SceneDay } from './scene';

const NOWHERE = -1;
const BULK = 0;
const ABSORPTION = 1;
const FLOAT = 2;
const UNSAID = 2;

/*
 * One memory for whatever scene is being reckoned, in arrays of fixed size: the engine knows where each lies, which makes a step several
 * times as fast as arrays made by scene. A loop takes it over when it is reset; two loops may take turns, but not within a cruise.
 */
const MOST_BANKS = BOUNDS.banks;
const MOST_SOURCES = BOUNDS.sources;
const MOST_JOINS = BOUNDS.joins;
let owner: object | null = null;
let nB = 0;
let nS = 0;
let nJ = 0;
let n = 0;
let dt = 0;
let lean = false;
let anyInput = false;
let crankBank = -1;
let crankAh = 0;
let crankA = 0;
let engineWas = false;
/** Whether the joins stand as joinAt says. */
let connected = false;

// What does not move: of banks,
const cap = new Float64Array(MOST_BANKS);
const i20 = new Float64Array(MOST_BANKS);
const power = new Float64Array(MOST_BANKS);
const perOhm = new Float64Array(MOST_BANKS);
const maxA = new Float64Array(MOST_BANKS);
const absV = new Float64Array(MOST_BANKS);
const nominal = new Float64Array(MOST_BANKS);
const windowLow = new Float64Array(MOST_BANKS);
const selfStep = new Float64Array(MOST_BANKS);
const lead = new Uint8Array(MOST_BANKS);
const gel = new Uint8Array(MOST_BANKS);
const ocvV = new Float64Array(MOST_BANKS * ROW);
const acceptA = new Float64Array(MOST_BANKS * ROW);
const efficiency = new Float64Array(MOST_BANKS * ROW);
// of sources,
const viaJoin = new Int32Array(MOST_SOURCES);
const intoBank = new Int32Array(MOST_SOURCES);
const fromBank = new Int32Array(MOST_SOURCES);
const driver = new Uint8Array(MOST_SOURCES);
const fixed = new Uint8Array(MOST_SOURCES);
const atBank = new Uint8Array(MOST_SOURCES);
const pathOhm = new Float64Array(MOST_SOURCES);
const setAbsV = new Float64Array(MOST_SOURCES);
const setFloatV = new Float64Array(MOST_SOURCES);
const bandV = new Float64Array(MOST_SOURCES);
const tailA = new Float64Array(MOST_SOURCES);
const minH = new Float64Array(MOST_SOURCES);
const maxH = new Float64Array(MOST_SOURCES);
const rebulkV = new Float64Array(MOST_SOURCES);
const rebulkH = new Float64Array(MOST_SOURCES);
const eff = new Float64Array(MOST_SOURCES);
const startV = new Float64Array(MOST_SOURCES);
const stopV = new Float64Array(MOST_SOURCES);
// of joins.
const joinKind = new Uint8Array(MOST_JOINS);
const joinFirst = new Int32Array(MOST_JOINS);
const joinSecond = new Int32Array(MOST_JOINS);
const joinRunning = new Int32Array(MOST_JOINS);
const joinStopped = new Int32Array(MOST_JOINS);
/** Where each join stands. */
const joinAt = new Int32Array(MOST_JOINS);
const joinDropV = new Float64Array(MOST_JOINS);
const joinCloseV = new Float64Array(MOST_JOINS);
const joinOpenV = new Float64Array(MOST_JOINS);
const joinDelayH = new Float64Array(MOST_JOINS);
// State from step to step.
const soc = new Float64Array(MOST_BANKS);
const volts = new Float64Array(MOST_BANKS);
const stage = new Uint8Array(MOST_SOURCES);
const running = new Uint8Array(MOST_SOURCES);
const timer = new Float64Array(MOST_SOURCES);
const lowTimer = new Float64Array(MOST_SOURCES);
const relayOn = new Uint8Array(MOST_JOINS);
const relayH = new Float64Array(MOST_JOINS);
const floating = new Uint8Array(MOST_BANKS);
const inputW = new Float64Array(MOST_BANKS);
// Of one step.
const bus = new Int32Array(MOST_BANKS);
const loadBus = new Int32Array(MOST_BANKS);
const members = new Int32Array(MOST_BANKS);
const active = new Int32Array(MOST_BANKS);
const ocv = new Float64Array(MOST_BANKS);
const kCharge = new Float64Array(MOST_BANKS);
const capCharge = new Float64Array(MOST_BANKS);
const capDraw = new Float64Array(MOST_BANKS);
const loadW = new Float64Array(MOST_BANKS);
const loadS = new Float64Array(MOST_BANKS);
const loadA = new Float64Array(MOST_BANKS);
const served = new Float64Array(MOST_BANKS);
const lost = new Float64Array(MOST_BANKS);
const kDraw = perOhm;
const sHome = new Int32Array(MOST_SOURCES);
const sBus = new Int32Array(MOST_SOURCES);
const limit = new Float64Array(MOST_SOURCES);
const setV = new Float64Array(MOST_SOURCES);
const kSource = new Float64Array(MOST_SOURCES);
const offset = new Float64Array(MOST_SOURCES);
const sourceA = new Float64Array(MOST_SOURCES);
/** Sources that can give anything in this step, and how many. */
const live = new Int32Array(MOST_SOURCES);
const count = new Int32Array(1);
const nodeV = new Float64Array(MOST_JOINS);
/** Surplus current and its slope, as last asked for: in an array, since a captured number would be allocated anew at each write. */
const fd = new Float64Array(2);
const totals: Totals = {
  inAh: new Float64Array(MOST_BANKS),
  outAh: new Float64Array(MOST_BANKS),
  storedAh: new Float64Array(MOST_BANKS),
  drawnAh: new Float64Array(MOST_BANKS),
  selfAh: new Float64Array(MOST_BANKS),
  overflowAh: new Float64Array(MOST_BANKS),
  belowWindowH: new Float64Array(MOST_BANKS),
  sinceFullH: new Float64Array(MOST_BANKS),
  longestH: new Float64Array(MOST_BANKS),
  under70H: new Float64Array(MOST_BANKS),
  longest70H: new Float64Array(MOST_BANKS),
  lowest: new Float64Array(MOST_BANKS),
  sourceAh: new Float64Array(MOST_SOURCES),
  sourceH: new Float64Array(MOST_SOURCES),
  sums: new Float64Array(6),
};
const { sums } = totals;

const ENGINE = 0;
const SUN = 2;
const WIND = 3;
const INPUT = 4;
const DRIVERS = ['engine', 'shore', 'sun', 'wind', 'input'] as const;
const SELECTOR = 0;
const SPLITTER = 1;
const RELAY = 2;
const JOINS = ['selector', 'splitter', 'relay'] as const;

/** Lays a scene into the memory. */
function load(scene: Scene, isLean: boolean): void {
  const { banks, sources, joins } = scene;
  nB = banks.length;
  nS = sources.length;
  nJ = joins.length;
  n = scene.n;
  dt = scene.stepH;
  lean = isLean;
  ({ crankBank, crankAh, crankA } = scene);
  anyInput = sources.some((x) => x.driver === 'input');
  const tables = tablesOf(banks);
  ocvV.set(tables.ocvV);
  acceptA.set(tables.acceptA);
  efficiency.set(tables.efficiency);
  banks.forEach((bank, b) => {
    const { chemistry } = bank;
    cap[b] = bank.capAh;
    i20[b] = bank.c20Ah / 20;
    power[b] = chemistry.peukert - 1;
    perOhm[b] = 1 / bank.ohm;
    maxA[b] = bank.maxA;
    absV[b] = bank.absorptionV;
    nominal[b] = bank.nominalV;
    windowLow[b] = chemistry.windowLowSoc;
    selfStep[b] = (chemistry.selfDischargePctMonth / 100 / 720) * bank.capAh * dt;
    lead[b] = chemistry.leadAcid ? 1 : 0;
    gel[b] = chemistry.id === 'gel' ? 1 : 0;
  });
  sources.forEach((x, s) => {
    viaJoin[s] = x.join;
    intoBank[s] = x.bank;
    fromBank[s] = x.from;
    driver[s] = DRIVERS.indexOf(x.driver);
    fixed[s] = x.staged ? 0 : 1;
    atBank[s] = x.sense === 'the bank' ? 1 : 0;
    pathOhm[s] = x.sense === 'its own post' ? x.pathOhm : 0;
    setAbsV[s] = x.absorptionV;
    setFloatV[s] = x.floatV;
    bandV[s] = x.bandV;
    tailA[s] = x.tailA;
    minH[s] = x.minH;
    maxH[s] = x.maxH;
    rebulkV[s] = x.rebulkV;
    rebulkH[s] = x.rebulkH;
    eff[s] = x.efficiency;
    startV[s] = x.startV;
    stopV[s] = x.stopV;
  });
  joins.forEach((x, j) => {
    joinKind[j] = JOINS.indexOf(x.kind);
    joinFirst[j] = x.first;
    joinSecond[j] = x.second;
    joinRunning[j] = x.running;
    joinStopped[j] = x.stopped;
    joinDropV[j] = x.dropV;
    joinCloseV[j] = x.closeV;
    joinOpenV[j] = x.openV;
    joinDelayH[j] = x.delayH;
  });
}

/**
 * A loop over a scene: reset it, then go through days. Between its reset and its last day no other loop may be reset.
 * @param isLean leaves out the spells (hours since full, under 70 %, below the window): a season asks for the lowest only.
 */
export function createLoop(scene: Scene, isLean = false): Loop {
  const me = {};
  const ofBanks = (x: Float64Array) => x.subarray(0, scene.banks.length);
  const ofSources = (x: Float64Array) => x.subarray(0, scene.sources.length);
  return {
    soc: ofBanks(soc),
    totals: {
      inAh: ofBanks(totals.inAh),
      outAh: ofBanks(totals.outAh),
      storedAh: ofBanks(totals.storedAh),
      drawnAh: ofBanks(totals.drawnAh),
      selfAh: ofBanks(totals.selfAh),
      overflowAh: ofBanks(totals.overflowAh),
      belowWindowH: ofBanks(totals.belowWindowH),
      sinceFullH: ofBanks(totals.sinceFullH),
      longestH: ofBanks(totals.longestH),
      under70H: ofBanks(totals.under70H),
      longest70H: ofBanks(totals.longest70H),
      lowest: ofBanks(totals.lowest),
      sourceAh: ofSources(totals.sourceAh),
      sourceH: ofSources(totals.sourceH),
      sums,
    },
    reset: (start) => {
      if (owner !== me) load(scene, isLean);
      owner = me;
      begin(start);
    },
    day: (day, factors, trace, step) => {
      if (owner !== me) throw new Error('another scene is being reckoned: reset this one first');
      oneDay(day, factors, trace, step);
    },
  };
}

/** Current of a source at its bus's (or node's) volts, A. */
function currentOf(s: number, v: number): number {
  const x = setV[s]! - v + offset[s]!;
  if (x <= 0) return 0;
  const i = x * kSource[s]!;
  return i < limit[s]! ? i : limit[s]!;
}

/** Surplus current of a bus at volts v, and its slope. */
function surplus(root: number, v: number): void {
  let f = -(loadW[root]! / v) - loadS[root]! * v - loadA[root]!;
  let d = loadW[root]! / (v * v) - loadS[root]!;
  for (let b = 0; b < nB; b++) {
    if (bus[b] !== root) continue;
    const over = v - ocv[b]!;
    if (over >= 0) {
      const i = over * kCharge[b]!;
      if (i >= capCharge[b]!) f -= capCharge[b]!;
      else {
        f -= i;
        d -= kCharge[b]!;
      }
    } else {
      const i = -over * kDraw[b]!;
      if (i >= capDraw[b]!) f += capDraw[b]!;
      else {
        f += i;
        d -= kDraw[b]!;
      }
    }
  }
  if (active[root]! > 0)
    for (let k = 0; k < count[0]!; k++) {
      const s = live[k]!;
      if (sBus[s] !== root) continue;
      const x = setV[s]! - v + offset[s]!;
      if (x <= 0) continue;
      const i = x * kSource[s]!;
      if (i >= limit[s]!) f += limit[s]!;
      else {
        f += i;
        d -= kSource[s]!;
      }
    }
  fd[0] = f;
  fd[1] = d;
}

/** Surplus of a splitter's node at volts v: what its sources give less what its branches take. */
function nodeSurplus(j: number, v: number): void {
  const first = joinFirst[j]!;
  const second = joinSecond[j]!;
  const dropV = joinDropV[j]!;
  let f = 0;
  let d = 0;
  for (let k = 0; k < count[0]!; k++) {
    const s = live[k]!;
    if (viaJoin[s] !== j) continue;
    const x = setV[s]! - v + offset[s]!;
    if (x <= 0) continue;
    const i = x * kSource[s]!;
    if (i >= limit[s]!) f += limit[s]!;
    else {
      f += i;
      d -= kSource[s]!;
    }
  }
  for (let k = 0; k < 2; k++) {
    const b = k === 0 ? first : second;
    if (b < 0 || (k === 1 && first >= 0 && bus[b] === bus[first])) continue;
    surplus(bus[b]!, v - dropV);
    // The branch takes what it lacks; it never gives back.
    if (fd[0]! < 0) {
      f += fd[0]!;
      d += fd[1]!;
    }
  }
  fd[0] = f;
  fd[1] = d;
}

/** Root of a falling function by Newton within a bracket. @param node a splitter's index, or NOWHERE for the bus itself. */
function solve(root: number, node: number, guess: number, lowV: number, highV: number): number {
  let low = lowV;
  let high = highV;
  let v = guess > low && guess < high ? guess : (low + high) / 2;
  for (let round = 0; round < 60; round++) {
    if (node === NOWHERE) surplus(root, v);
    else nodeSurplus(node, v);
    const f = fd[0]!;
    const slope = fd[1]!;
    if (f < 1e-7 && f > -1e-7) return v;
    if (f > 0) low = v;
    else high = v;
    if (high - low < 1e-9) return v;
    const next = v - f / slope;
    v = slope < 0 && next > low && next < high ? next : (low + high) / 2;
  }
  return v;
}

/** Volts of a bus that stands alone. One bank and no source: the constant-power quadratic; else the root. */
function settle(root: number): void {
  const floorV = 0.7 * nominal[root]!;
  served[root] = 1;
  if (active[root] === 0 && members[root] === 1) {
    let b = root;
    while (bus[b] !== root) b++;
    const w = loadW[root]!;
    const g = loadS[root]!;
    const a = loadA[root]!;
    if (w === 0 && g === 0 && a === 0) {
      volts[root] = ocv[b]!;
      return;
    }
    const k = kDraw[b]!;
    const q = ocv[b]! * k - a;
    const under = q * q - 4 * (k + g) * w;
    if (under >= 0) {
      const v = (q + Math.sqrt(under)) / (2 * (k + g));
      if (v > floorV && (ocv[b]! - v) * k <= capDraw[b]!) {
        volts[root] = v;
        return;
      }
    }
  }
  const v = solve(root, NOWHERE, volts[root]!, floorV, 1.6 * nominal[root]!);
  volts[root] = v;
  surplus(root, v);
  if (fd[0]! < -1e-6) shed(root, v);
}

/** Nothing carries all of the load: as much of it as there is current for. */
function shed(root: number, v: number): void {
  const wanted = loadW[root]! / v + loadS[root]! * v + loadA[root]!;
  const part = wanted > 0 ? Math.max(0, (wanted + fd[0]!) / wanted) : 0;
  served[root] = part;
  const atNominal = loadW[root]! / nominal[root]! + loadS[root]! * nominal[root]! + loadA[root]!;
  lost[root] = (1 - part) * atNominal;
  loadW[root] = loadW[root]! * part;
  loadS[root] = loadS[root]! * part;
  loadA[root] = loadA[root]! * part;
}

function merge(a: number, b: number): void {
  if (a < 0 || b < 0) return;
  const to = Math.min(bus[a]!, bus[b]!);
  const gone = Math.max(bus[a]!, bus[b]!);
  if (to === gone) return;
  for (let i = 0; i < nB; i++) if (bus[i] === gone) bus[i] = to;
}

function begin(start: number | ArrayLike<number>): void {
  for (let b = 0; b < nB; b++) {
    soc[b] = Math.min(1, Math.max(0, typeof start === 'number' ? start : (start[b] ?? 1)));
    volts[b] = ocvV[b * ROW + Math.floor(soc[b]! * CELLS)]!;
  }
  stage.fill(BULK);
  timer.fill(0);
  lowTimer.fill(0);
  running.fill(0);
  relayOn.fill(0);
  relayH.fill(0);
  engineWas = false;
  connected = false;
  for (const sum of Object.values(totals)) sum.fill(0);
}

/** How the banks hang together, and where loads and sources land: worked out again only when a relay or a selector has moved. */
function connect(day: SceneDay, t: number, engineOn: boolean): void {
  let moved = !connected;
  for (let j = 0; j < nJ; j++) {
    const at =
      joinKind[j] === RELAY
        ? relayOn[j]!
        : joinKind[j] === SELECTOR
          ? day.selector[t]! >= 0
            ? day.selector[t]!
            : engineOn
              ? joinRunning[j]!
              : joinStopped[j]!
          : 0;
    if (joinAt[j] !== at) moved = true;
    joinAt[j] = at;
  }
  if (!moved) return;
  connected = true;
  for (let b = 0; b < nB; b++) bus[b] = loadBus[b] = b;
  for (let s = 0; s < nS; s++) sHome[s] = viaJoin[s]! >= 0 ? NOWHERE : intoBank[s]!;
  for (let j = 0; j < nJ; j++) {
    const first = joinFirst[j]!;
    const second = joinSecond[j]!;
    const at = joinAt[j]!;
    if (joinKind[j] === RELAY && at === 1) merge(first, second);
    if (joinKind[j] !== SELECTOR) continue;
    if (at === 3) merge(first, second);
    const to = at === 0 ? NOWHERE : at === 2 ? second : first;
    if (first >= 0) loadBus[first] = to;
    for (let s = 0; s < nS; s++) if (viaJoin[s] === j) sHome[s] = to;
  }
  for (let b = 0; b < nB; b++) members[b] = 0;
  for (let b = 0; b < nB; b++) members[bus[b]!] = members[bus[b]!]! + 1;
}

function oneDay(d: SceneDay, factors: Readonly<Factors>, trace?: Trace, step = 0): void {
  for (let b = 0; b < nB; b++) totals.lowest[b] = soc[b]!;
  for (let s = 0; s < nS; s++) if (!d.used.includes(s)) running[s] = 0;
  for (let t = 0; t < n; t++) {
    const phase = d.phase[t]!;
    const engine = phase >= 0 && phase < factors.motor ? Math.min(1, (factors.motor - phase) / d.phasePerStep[t]!) : 0;
    const engineOn = engine > 0;
    if (engineOn && !engineWas && crankBank >= 0) crank(crankBank);
    engineWas = engineOn;
    sums[ENGINE_H] = sums[ENGINE_H]! + engine * dt;
    sums[LITRES] = sums[LITRES]! + d.idleLph[t]! * engine * dt;
    connect(d, t, engineOn);

    for (let b = 0; b < nB; b++) {
      loadW[b] = inputW[b]!;
      loadS[b] = loadA[b] = 0;
      inputW[b] = active[b] = lost[b] = 0;
    }
    for (let b = 0; b < nB; b++) {
      // What a DC–DC took in the last step moves with its bank's bus.
      if (bus[b] !== b && loadW[b]! > 0) {
        loadW[bus[b]!] = loadW[bus[b]!]! + loadW[b]!;
        loadW[b] = 0;
      }
    }
    let lostA = 0;
    for (let b = 0; b < nB; b++) {
      const draws = d.draws[b]!;
      const to = loadBus[b]!;
      if (to < 0) {
        lostA += (draws.powerW[t]! / nominal[b]! + draws.siemens[t]! * nominal[b]! + draws.amps[t]!) * factors.use;
        continue;
      }
      const root = bus[to]!;
      loadW[root] = loadW[root]! + draws.powerW[t]! * factors.use;
      loadS[root] = loadS[root]! + draws.siemens[t]! * factors.use;
      loadA[root] = loadA[root]! + draws.amps[t]! * factors.use;
    }
    sums[LOAD] = sums[LOAD]! + lostA * dt;
    sums[UNMET] = sums[UNMET]! + lostA * dt;

    // Sources: what each could give now.
    let dumps = 0;
    let lives = 0;
    for (let u = 0; u < d.used.length; u++) {
      const s = d.used[u]!;
      const { limit: curve, watts } = d.limits[s]!;
      const by = driver[s]!;
      let most = curve[t]!;
      if (by === ENGINE) most *= engine;
      else if (by === SUN) most *= factors.sun;
      else if (by === WIND && factors.wind !== 1) most *= windFactor(d.windBy[s] ?? null, factors.wind);
      else if (by === INPUT) most = drawsInput(s) ? most : 0;
      const home = viaJoin[s]! >= 0 && joinKind[viaJoin[s]!] === SPLITTER ? joinFirst[viaJoin[s]!]! : sHome[s]!;
      if (home < 0) {
        if (most > 0) dumps = 1;
        most = 0;
      } else if (watts && most > 0) most /= Math.max(1, volts[home]!);
      limit[s] = most;
      if (most <= 0) {
        running[s] = 0;
        continue;
      }
      if (!running[s]) {
        running[s] = 1;
        stage[s] = BULK;
        timer[s] = lowTimer[s] = 0;
      }
      live[lives++] = s;
      setV[s] = stage[s] === FLOAT ? setFloatV[s]! : setAbsV[s]!;
      kSource[s] = 1 / (bandV[s]! / most + pathOhm[s]!);
      offset[s] = 0;
      sBus[s] = sHome[s]! >= 0 ? bus[sHome[s]!]! : NOWHERE;
      if (sBus[s]! >= 0) {
        active[sBus[s]!] = active[sBus[s]!]! + 1;
      } else if (atBank[s]) offset[s] = joinDropV[viaJoin[s]!]!;
    }
    count[0] = lives;
    sums[DUMPS] = sums[DUMPS]! + dumps;

    // Banks: how they answer to volts now.
    for (let b = 0; b < nB; b++) {
      const x = soc[b]! * CELLS;
      const cell = x | 0;
      const part = x - cell;
      const row = b * ROW + cell;
      ocv[b] = ocvV[row]! + part * (ocvV[row + 1]! - ocvV[row]!);
      let accepts = acceptA[row]! + part * (acceptA[row + 1]! - acceptA[row]!);
      if (gel[b] && floating[b] === 1) accepts *= 0.2;
      // Alone and with no source running it can only give.
      if (lives === 0 && members[bus[b]!] === 1) kCharge[b] = capCharge[b] = 0;
      else if (lead[b]) {
        kCharge[b] = accepts / Math.max(0.05, absV[b]! - ocv[b]!);
        capCharge[b] = Math.min(1.1 * accepts, maxA[b]!, roomA(b));
      } else {
        kCharge[b] = perOhm[b]!;
        capCharge[b] = Math.min(accepts, maxA[b]!, roomA(b));
      }
      const root = bus[b]!;
      const left = (soc[b]! * cap[b]!) / dt;
      const load = loadW[root]! / nominal[b]! + loadA[root]! + loadS[root]! * nominal[b]!;
      // Far from empty the rate's own correction cannot bind.
      capDraw[b] =
        left > 12 * load && left > i20[b]! ? left : left <= i20[b]! ? left : (left * i20[b]! ** power[b]!) ** (1 / (1 + power[b]!));
      floating[b] = UNSAID;
    }

    // Volts: splitters' nodes first, then what is fed by a DC–DC, then the rest.
    for (let b = 0; b < nB; b++) served[b] = -1;
    for (let j = 0; j < nJ; j++) if (joinKind[j] === SPLITTER) split(j);
    for (let pass = anyInput ? 0 : 1; pass < 2; pass++)
      for (let b = 0; b < nB; b++) {
        if (bus[b] !== b || served[b]! >= 0) continue;
        if (pass === 0 && !hasInput(b)) continue;
        settle(b);
      }

    // What flows, and what it does.
    let charging = 0;
    for (let k = 0; k < lives; k++) {
      const s = live[k]!;
      const node = sBus[s]! < 0;
      const v = node ? nodeV[viaJoin[s]!]! : volts[sBus[s]!]!;
      const i = currentOf(s, v);
      sourceA[s] = i;
      if (i > 0) charging = 1;
      totals.sourceAh[s] = totals.sourceAh[s]! + i * dt;
      totals.sourceH[s] = totals.sourceH[s]! + dt;
      if (driver[s] === ENGINE) sums[LITRES] = sums[LITRES]! + ((v * i) / ALTERNATOR_EFFICIENCY / 1000) * FUEL_L_PER_KWH * dt;
      if (driver[s] === INPUT) {
        const from = fromBank[s]!;
        inputW[from] = inputW[from]! + (v * i) / eff[s]!;
      }
    }
    sums[CHARGING_H] = sums[CHARGING_H]! + charging * dt;
    let drawnA = lostA;
    let unmetA = lostA;
    for (let b = 0; b < nB; b++) {
      if (bus[b] !== b) {
        volts[b] = volts[bus[b]!]!;
        continue;
      }
      const v = volts[b]!;
      const a = loadW[b]! / v + loadS[b]! * v + loadA[b]!;
      drawnA += a + lost[b]!;
      unmetA += lost[b]!;
      sums[LOAD] = sums[LOAD]! + (a + lost[b]!) * dt;
      sums[UNMET] = sums[UNMET]! + lost[b]! * dt;
    }
    for (let b = 0; b < nB; b++) {
      const i = flow(b, volts[bus[b]!]!);
      keep(b, i);
      if (trace) {
        const at = (step + t) * nB + b;
        trace.soc[at] = soc[b]!;
        trace.volts[at] = volts[b]!;
        trace.bankA[at] = i;
      }
    }
    if (trace) {
      for (let k = 0; k < lives; k++) trace.sourceA[(step + t) * nS + live[k]!] = sourceA[live[k]!]!;
      trace.loadA[step + t] = drawnA;
      trace.unmetA[step + t] = unmetA;
    }
    regulate();
    relays();
  }
}

const windFactor = (table: Float64Array | null, factor: number): number => {
  if (!table) return 0;
  const x = Math.min(WIND_GRID - 1.001, Math.max(0, factor * 10));
  const i = x | 0;
  return table[i]! + (x - i) * (table[i + 1]! - table[i]!);
};

/** Whether a DC–DC runs: its input stood high enough, and it is not tied to its own output. */
function drawsInput(s: number): boolean {
  const from = fromBank[s]!;
  const to = intoBank[s]!;
  if (from < 0 || to < 0 || bus[from] === bus[to]) return false;
  const v = volts[from]!;
  return running[s] ? v > stopV[s]! : v >= startV[s]!;
}

function hasInput(root: number): boolean {
  for (let k = 0; k < count[0]!; k++) if (driver[live[k]!] === INPUT && sBus[live[k]!] === root) return true;
  return false;
}

/** A splitter's node with what it feeds. Without a running source its diodes block. */
function split(j: number): void {
  const first = joinFirst[j]!;
  const second = joinSecond[j]!;
  const dropV = joinDropV[j]!;
  let any = false;
  for (let k = 0; k < count[0]!; k++) if (viaJoin[live[k]!] === j) any = true;
  if (!any || first < 0) return;
  const v = solve(0, j, volts[bus[first]!]! + dropV, 0.7 * nominal[first]!, 1.7 * nominal[first]!);
  nodeV[j] = v;
  for (let k = 0; k < 2; k++) {
    const b = k === 0 ? first : second;
    if (b < 0) continue;
    const root = bus[b]!;
    if (served[root]! >= 0) continue;
    surplus(root, v - dropV);
    if (fd[0]! < 0 && v - dropV > 0.71 * nominal[root]!) {
      volts[root] = v - dropV;
      served[root] = 1;
    }
  }
}

/** Charge that fills a bank within the step and keeps it full, A: no step overshoots by more than a full bank takes. */
const roomA = (b: number): number => ((1 - soc[b]!) * cap[b]!) / (dt * efficiency[b * ROW + CELLS]!) + acceptA[b * ROW + CELLS]! * 1.1;

/** Current into a bank at volts, A: positive charges. */
function flow(b: number, v: number): number {
  const over = v - ocv[b]!;
  if (over >= 0) return Math.min(over * kCharge[b]!, capCharge[b]!);
  return -Math.min(-over * kDraw[b]!, capDraw[b]!);
}

const effective = (b: number, i: number): number => (i <= i20[b]! || power[b] === 0 ? i : i * (i / i20[b]!) ** power[b]!);

/** Takes a step's current into a bank's state of charge and its books. */
function keep(b: number, i: number): void {
  const was = soc[b]! * cap[b]!;
  let now = was;
  if (i > 0) {
    const x = soc[b]! * CELLS;
    const cell = x | 0;
    const row = b * ROW + cell;
    const stored = i * (efficiency[row]! + (x - cell) * (efficiency[row + 1]! - efficiency[row]!)) * dt;
    totals.inAh[b] = totals.inAh[b]! + i * dt;
    totals.storedAh[b] = totals.storedAh[b]! + stored;
    now += stored;
  } else if (i < 0) {
    const drawn = Math.min(was, effective(b, -i) * dt);
    totals.outAh[b] = totals.outAh[b]! - i * dt;
    totals.drawnAh[b] = totals.drawnAh[b]! + drawn;
    now -= drawn;
  }
  const self = Math.min(now, selfStep[b]!);
  totals.selfAh[b] = totals.selfAh[b]! + self;
  now -= self;
  if (now > cap[b]!) {
    totals.overflowAh[b] = totals.overflowAh[b]! + now - cap[b]!;
    now = cap[b]!;
  }
  const level = now / cap[b]!;
  soc[b] = level;
  if (level < totals.lowest[b]!) totals.lowest[b] = level;
  if (lean) return;
  if (level < windowLow[b]!) totals.belowWindowH[b] = totals.belowWindowH[b]! + dt;
  if (level >= FULL_SOC) totals.sinceFullH[b] = 0;
  else if ((totals.sinceFullH[b] = totals.sinceFullH[b]! + dt) > totals.longestH[b]!) totals.longestH[b] = totals.sinceFullH[b]!;
  if (level >= 0.7) totals.under70H[b] = 0;
  else if ((totals.under70H[b] = totals.under70H[b]! + dt) > totals.longest70H[b]!) totals.longest70H[b] = totals.under70H[b]!;
}

function crank(b: number): void {
  const was = soc[b]! * cap[b]!;
  const drawn = Math.min(was, (effective(b, crankA) / crankA) * crankAh);
  totals.outAh[b] = totals.outAh[b]! + crankAh;
  totals.drawnAh[b] = totals.drawnAh[b]! + drawn;
  soc[b] = (was - drawn) / cap[b]!;
  if (soc[b]! < totals.lowest[b]!) totals.lowest[b] = soc[b]!;
}

/** Stages: to absorption when the setpoint is reached, to float when the bank takes little or time is up, back when volts stay low. */
function regulate(): void {
  for (let k = 0; k < count[0]!; k++) {
    const s = live[k]!;
    const home = sBus[s]! >= 0 ? sBus[s]! : viaJoin[s]! >= 0 ? bus[joinFirst[viaJoin[s]!]!]! : 0;
    // A bank floats when nothing on its bus charges harder.
    if (stage[s] !== FLOAT) floating[home] = 0;
    else if (floating[home] === UNSAID) floating[home] = 1;
    if (fixed[s]) continue;
    if (stage[s] === BULK) {
      if (sourceA[s]! < limit[s]! * (1 - 1e-9)) stage[s] = ABSORPTION;
    } else if (stage[s] === ABSORPTION) {
      timer[s] = timer[s]! + dt;
      const bank = intoBank[s]! >= 0 ? intoBank[s]! : home;
      const done = timer[s]! >= minH[s]! && flow(bank, volts[bank]!) <= tailA[s]!;
      if (done || timer[s]! >= maxH[s]!) {
        stage[s] = FLOAT;
        lowTimer[s] = 0;
      }
    } else if (volts[home]! < rebulkV[s]!) {
      lowTimer[s] = lowTimer[s]! + dt;
      if (lowTimer[s]! >= rebulkH[s]!) {
        stage[s] = BULK;
        timer[s] = 0;
      }
    } else lowTimer[s] = 0;
  }
}

function relays(): void {
  for (let j = 0; j < nJ; j++) {
    const first = joinFirst[j]!;
    const second = joinSecond[j]!;
    if (joinKind[j] !== RELAY || first < 0 || second < 0) continue;
    const high = Math.max(volts[first]!, volts[second]!);
    const wants = relayOn[j] ? high < joinOpenV[j]! : high >= joinCloseV[j]!;
    relayH[j] = wants ? relayH[j]! + dt : 0;
    if (!wants || relayH[j]! < joinDelayH[j]!) continue;
    relayOn[j] = relayOn[j] ? 0 : 1;
    relayH[j] = 0;
  }
}
