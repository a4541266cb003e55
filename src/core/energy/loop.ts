/* eslint-disable @typescript-eslint/no-non-null-assertion -- every index is bounded by the loop over its own typed array; a check would cost in each of millions of steps */
/** The time loop: every bank, source and join, step by step (docs/methods.md, M9 to M11). It allocates nothing once made. */
import { ALTERNATOR_EFFICIENCY, FUEL_L_PER_KWH } from '../charge/alternator';
import { CELLS, ROW, tablesOf } from './lookup';
import { WIND_GRID, type Scene, type SceneDay } from './scene';

/** What one day has of what the way of living says: 1 is as entered. */
export interface Factors {
  sun: number;
  wind: number;
  use: number;
  motor: number;
}
export const AS_ENTERED: Readonly<Factors> = { sun: 1, wind: 1, use: 1, motor: 1 };

/** What is kept of every step, row by row. */
export interface Trace {
  /** By step and bank. */
  readonly soc: Float64Array;
  readonly volts: Float64Array;
  readonly bankA: Float64Array;
  /** By step and source. */
  readonly sourceA: Float64Array;
  /** By step. */
  readonly loadA: Float64Array;
  readonly unmetA: Float64Array;
}

/** Running sums since the reset, Ah unless named otherwise. By bank, by source, or alone. */
export interface Totals {
  readonly inAh: Float64Array;
  readonly outAh: Float64Array;
  readonly storedAh: Float64Array;
  readonly drawnAh: Float64Array;
  readonly selfAh: Float64Array;
  readonly overflowAh: Float64Array;
  readonly belowWindowH: Float64Array;
  /** Hours since full, and the longest spell; hours in a row under 70 %, and the longest. */
  readonly sinceFullH: Float64Array;
  readonly longestH: Float64Array;
  readonly under70H: Float64Array;
  readonly longest70H: Float64Array;
  /** Lowest state of charge since the day began. */
  readonly lowest: Float64Array;
  readonly sourceAh: Float64Array;
  readonly sourceH: Float64Array;
  /** LOAD, UNMET, LITRES, ENGINE_H, CHARGING_H, DUMPS. */
  readonly sums: Float64Array;
}
export const LOAD = 0;
export const UNMET = 1;
export const LITRES = 2;
export const ENGINE_H = 3;
export const CHARGING_H = 4;
/** Steps in which a selector stood off with a source running into it. */
export const DUMPS = 5;

export interface Loop {
  readonly soc: Float64Array;
  readonly totals: Totals;
  /** All banks at these states of charge (one figure: all alike), stages and sums at their start. */
  readonly reset: (soc: number | ArrayLike<number>) => void;
  /** One day in a way of living. */
  readonly day: (day: SceneDay, factors: Readonly<Factors>, trace?: Trace, step?: number) => void;
}

export const FULL_SOC = 0.995;
const NOWHERE = -1;
const BULK = 0;
const ABSORPTION = 1;
const FLOAT = 2;

export function traceFor(scene: Scene, days: number): Trace {
  const steps = scene.n * days;
  return {
    soc: new Float64Array(steps * scene.banks.length),
    volts: new Float64Array(steps * scene.banks.length),
    bankA: new Float64Array(steps * scene.banks.length),
    sourceA: new Float64Array(steps * scene.sources.length),
    loadA: new Float64Array(steps),
    unmetA: new Float64Array(steps),
  };
}

const of = (n: number, value: (i: number) => number): Float64Array => Float64Array.from({ length: n }, (_, i) => value(i));

/** @param lean leaves out the spells (hours since full, under 70 %, below the window): a season asks for the lowest only. */
export function createLoop(scene: Scene, lean = false): Loop {
  const { banks, sources, joins, n, stepH: dt } = scene;
  const nB = banks.length;
  const nS = sources.length;
  const tables = tablesOf(banks);
  const { ocvV, acceptA, efficiency } = tables;
  // What does not move.
  const cap = of(nB, (b) => banks[b]!.capAh);
  const i20 = of(nB, (b) => banks[b]!.c20Ah / 20);
  const power = of(nB, (b) => banks[b]!.chemistry.peukert - 1);
  const perOhm = of(nB, (b) => 1 / banks[b]!.ohm);
  const maxA = of(nB, (b) => banks[b]!.maxA);
  const absV = of(nB, (b) => banks[b]!.absorptionV);
  const nominal = of(nB, (b) => banks[b]!.nominalV);
  const windowLow = of(nB, (b) => banks[b]!.chemistry.windowLowSoc);
  const selfStep = of(nB, (b) => (banks[b]!.chemistry.selfDischargePctMonth / 100 / 720) * cap[b]! * dt);
  const lead = Uint8Array.from(banks, (b) => (b.chemistry.leadAcid ? 1 : 0));
  const gel = Uint8Array.from(banks, (b) => (b.chemistry.id === 'gel' ? 1 : 0));
  const viaJoin = Int32Array.from(sources, (s) => s.join);
  const intoBank = Int32Array.from(sources, (s) => s.bank);
  const fromBank = Int32Array.from(sources, (s) => s.from);
  const driver = Uint8Array.from(sources, (s) => ['engine', 'shore', 'sun', 'wind', 'input'].indexOf(s.driver));
  const fixed = Uint8Array.from(sources, (s) => (s.staged ? 0 : 1));
  const pathOhm = of(nS, (s) => (sources[s]!.sense === 'its own post' ? sources[s]!.pathOhm : 0));
  const setAbsV = of(nS, (s) => sources[s]!.absorptionV);
  const setFloatV = of(nS, (s) => sources[s]!.floatV);
  const bandV = of(nS, (s) => sources[s]!.bandV);
  const tailA = of(nS, (s) => sources[s]!.tailA);
  const minH = of(nS, (s) => sources[s]!.minH);
  const maxH = of(nS, (s) => sources[s]!.maxH);
  const rebulkV = of(nS, (s) => sources[s]!.rebulkV);
  const rebulkH = of(nS, (s) => sources[s]!.rebulkH);
  const eff = of(nS, (s) => sources[s]!.efficiency);
  const startV = of(nS, (s) => sources[s]!.startV);
  const stopV = of(nS, (s) => sources[s]!.stopV);
  const atBank = Uint8Array.from(sources, (s) => (s.sense === 'the bank' ? 1 : 0));
  const ENGINE = 0;
  const SUN = 2;
  const WIND = 3;
  const INPUT = 4;
  // State from step to step.
  const soc = new Float64Array(nB);
  const volts = new Float64Array(nB);
  const stage = new Uint8Array(nS);
  const timer = new Float64Array(nS);
  const lowTimer = new Float64Array(nS);
  const running = new Uint8Array(nS);
  const relayOn = new Uint8Array(joins.length);
  const relayH = new Float64Array(joins.length);
  let engineWas = false;
  // Of one step.
  const bus = new Int32Array(nB);
  const loadBus = new Int32Array(nB);
  const ocv = new Float64Array(nB);
  const kCharge = new Float64Array(nB);
  const kDraw = perOhm;
  const capCharge = new Float64Array(nB);
  const capDraw = new Float64Array(nB);
  const loadW = new Float64Array(nB);
  const loadS = new Float64Array(nB);
  const loadA = new Float64Array(nB);
  const served = new Float64Array(nB);
  const lost = new Float64Array(nB);
  const members = new Int32Array(nB);
  const active = new Int32Array(nB);
  const inputW = new Float64Array(nB);
  const sBus = new Int32Array(nS);
  const limit = new Float64Array(nS);
  const setV = new Float64Array(nS);
  const kSource = new Float64Array(nS);
  const offset = new Float64Array(nS);
  const sourceA = new Float64Array(nS);
  /** Sources that can give anything in this step. */
  const live = new Int32Array(nS);
  const count = new Int32Array(1);
  const anyInput = sources.some((x) => x.driver === 'input');
  const nodeV = new Float64Array(joins.length);
  const floating = new Uint8Array(nB);
  /** Surplus current and its slope, as last asked for: in an array, since a captured number would be allocated anew at each write. */
  const fd = new Float64Array(2);

  const totals: Totals = {
    inAh: new Float64Array(nB),
    outAh: new Float64Array(nB),
    storedAh: new Float64Array(nB),
    drawnAh: new Float64Array(nB),
    selfAh: new Float64Array(nB),
    overflowAh: new Float64Array(nB),
    belowWindowH: new Float64Array(nB),
    sinceFullH: new Float64Array(nB),
    longestH: new Float64Array(nB),
    under70H: new Float64Array(nB),
    longest70H: new Float64Array(nB),
    lowest: new Float64Array(nB),
    sourceAh: new Float64Array(nS),
    sourceH: new Float64Array(nS),
    sums: new Float64Array(6),
  };
  const { sums } = totals;

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
    const { first, second, dropV } = joins[j]!;
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

  function reset(start: number | ArrayLike<number>): void {
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
    for (const sum of Object.values(totals) as Float64Array[]) sum.fill(0);
  }

  /** How the banks hang together in this step, and where loads and sources land. */
  function connect(day: SceneDay, t: number, engineOn: boolean): void {
    for (let b = 0; b < nB; b++) bus[b] = loadBus[b] = b;
    for (let s = 0; s < nS; s++) sBus[s] = viaJoin[s]! >= 0 ? NOWHERE : intoBank[s]!;
    for (let j = 0; j < joins.length; j++) {
      const join = joins[j]!;
      if (join.kind === 'relay') {
        if (relayOn[j]) merge(join.first, join.second);
        continue;
      }
      if (join.kind !== 'selector') continue;
      const at = day.selector[t]! >= 0 ? day.selector[t]! : engineOn ? join.running : join.stopped;
      if (at === 3) merge(join.first, join.second);
      const to = at === 0 ? NOWHERE : at === 2 ? join.second : join.first;
      if (join.first >= 0) loadBus[join.first] = to;
      for (let s = 0; s < nS; s++) if (viaJoin[s] === j) sBus[s] = to;
    }
  }

  function day(d: SceneDay, factors: Readonly<Factors>, trace?: Trace, step = 0): void {
    for (let b = 0; b < nB; b++) totals.lowest[b] = soc[b]!;
    for (let s = 0; s < nS; s++) if (!d.used.includes(s)) running[s] = 0;
    for (let t = 0; t < n; t++) {
      const phase = d.phase[t]!;
      const engine = phase >= 0 && phase < factors.motor ? Math.min(1, (factors.motor - phase) / d.phasePerStep[t]!) : 0;
      const engineOn = engine > 0;
      if (engineOn && !engineWas && scene.crankBank >= 0) crank(scene.crankBank);
      engineWas = engineOn;
      sums[ENGINE_H] = sums[ENGINE_H]! + engine * dt;
      sums[LITRES] = sums[LITRES]! + d.idleLph[t]! * engine * dt;
      connect(d, t, engineOn);

      for (let b = 0; b < nB; b++) {
        loadW[b] = inputW[b]!;
        loadS[b] = loadA[b] = 0;
        inputW[b] = members[b] = active[b] = lost[b] = 0;
      }
      for (let b = 0; b < nB; b++) {
        members[bus[b]!] = members[bus[b]!]! + 1;
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
        const home = viaJoin[s]! >= 0 && joins[viaJoin[s]!]!.kind === 'splitter' ? joins[viaJoin[s]!]!.first : sBus[s]!;
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
        if (sBus[s]! >= 0) {
          sBus[s] = bus[sBus[s]!]!;
          active[sBus[s]!] = active[sBus[s]!]! + 1;
        } else if (atBank[s]) offset[s] = joins[viaJoin[s]!]!.dropV;
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
        if (gel[b] && floating[b]) accepts *= 0.2;
        if (lead[b]) {
          kCharge[b] = accepts / Math.max(0.05, absV[b]! - ocv[b]!);
          capCharge[b] = Math.min(1.1 * accepts, maxA[b]!);
        } else {
          kCharge[b] = perOhm[b]!;
          capCharge[b] = Math.min(accepts, maxA[b]!);
        }
        const root = bus[b]!;
        const left = (soc[b]! * cap[b]!) / dt;
        const load = loadW[root]! / nominal[b]! + loadA[root]! + loadS[root]! * nominal[b]!;
        // Far from empty the rate's own correction cannot bind.
        capDraw[b] =
          left > 12 * load && left > i20[b]! ? left : left <= i20[b]! ? left : (left * i20[b]! ** power[b]!) ** (1 / (1 + power[b]!));
        floating[b] = 0;
      }

      // Volts: splitters' nodes first, then what is fed by a DC–DC, then the rest.
      for (let b = 0; b < nB; b++) served[b] = -1;
      for (let j = 0; j < joins.length; j++) if (joins[j]!.kind === 'splitter') split(j);
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
    const { first, second, dropV } = joins[j]!;
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
    const drawn = Math.min(was, (effective(b, scene.crankA) / scene.crankA) * scene.crankAh);
    totals.outAh[b] = totals.outAh[b]! + scene.crankAh;
    totals.drawnAh[b] = totals.drawnAh[b]! + drawn;
    soc[b] = (was - drawn) / cap[b]!;
    if (soc[b]! < totals.lowest[b]!) totals.lowest[b] = soc[b]!;
  }

  /** Stages: to absorption when the setpoint is reached, to float when the bank takes little or time is up, back when volts stay low. */
  function regulate(): void {
    for (let k = 0; k < count[0]!; k++) {
      const s = live[k]!;
      const home = sBus[s]! >= 0 ? sBus[s]! : viaJoin[s]! >= 0 ? bus[joins[viaJoin[s]!]!.first]! : 0;
      if (stage[s] === FLOAT) floating[home] = 1;
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
    for (let j = 0; j < joins.length; j++) {
      const { kind, first, second, closeV, openV, delayH } = joins[j]!;
      if (kind !== 'relay' || first < 0 || second < 0) continue;
      const high = Math.max(volts[first]!, volts[second]!);
      const wants = relayOn[j] ? high < openV : high >= closeV;
      relayH[j] = wants ? relayH[j]! + dt : 0;
      if (!wants || relayH[j]! < delayH) continue;
      relayOn[j] = relayOn[j] ? 0 : 1;
      relayH[j] = 0;
    }
  }

  return { soc, totals, reset, day };
}
