/** One day, step by step. */
import { crank, keep } from './bank';
import { settle } from './bus';
import { connected, firstRoot, follow, relays, splitters } from './ties';
import { Kind, Sum, TraceList } from './layout';
import {
  Bank,
  bankAt,
  banks,
  drawing,
  drawn,
  draws,
  dt,
  Floating,
  idleLph,
  is,
  lesser,
  lowest,
  none,
  opened,
  phase,
  phasePerStep,
  selector,
  soc,
  Source,
  sources,
  sums,
  tieAt,
  ties,
  traced,
  Wholes,
} from './memory';
import { dumps, firstLive, give, ready } from './sources';

/** Bank the engine cranks from, and what one start takes. */
let crankBank: Bank = none<Bank>();
let crankA: f64 = 0;
let crankAh: f64 = 0;
export function cranking(bank: Bank, a: f64, ah: f64): void {
  crankBank = bank;
  crankA = a;
  crankAh = ah;
}

/** Whether the engine ran in the step before. */
let ran: bool = false;
export function engineStopped(): void {
  ran = false;
}

/** Drawn by loads whose bank is cut off, A. */
let cutOffA: f64 = 0;

/** Loads, and what a DC-DC took in the last step, onto the bus of their bank. */
function load(t: i32, use: f64): void {
  for (let root = firstRoot; is(root); root = root.nextRoot) {
    root.loadW = root.loadS = root.loadA = root.lost = 0;
    root.firstSource = none<Source>();
  }
  for (let i = 0; i < banks; i++) {
    const b = bankAt(i);
    b.bus.loadW += b.inputW;
    b.inputW = 0;
  }
  cutOffA = 0;
  let row = t * drawn * 3;
  for (let g = 0; g < drawn; g++, row += 3) {
    const b = bankAt(drawing[g]);
    const w = draws[row] * use;
    const s = draws[row + 1] * use;
    const a = draws[row + 2] * use;
    if (!is(b.loadsOn)) {
      cutOffA += w * b.perNominal + s * b.nominal + a;
      continue;
    }
    const root = b.loadsOn.bus;
    root.loadW += w;
    root.loadS += s;
    root.loadA += a;
  }
}

/** Banks and sources as step t left them. */
function record(trace: Wholes, t: i32, drawnA: f64, unmetA: f64): void {
  traced(trace, TraceList.loadA)[t] = drawnA;
  traced(trace, TraceList.unmetA)[t] = unmetA;
  const ofSoc = traced(trace, TraceList.soc);
  const ofVolts = traced(trace, TraceList.volts);
  const ofBanks = traced(trace, TraceList.bankA);
  for (let i = 0, row = t * banks; i < banks; i++, row++) {
    const b = bankAt(i);
    ofSoc[row] = b.soc;
    ofVolts[row] = b.volts;
    ofBanks[row] = b.amps;
  }
  const row = t * sources;
  const ofSources = traced(trace, TraceList.sourceA);
  for (let s = 0; s < sources; s++) ofSources[row + s] = 0;
  for (let s = firstLive; is(s); s = s.nextLive) ofSources[row + s.at] = s.gives;
}

function has(kind: i32): bool {
  for (let j = 0; j < ties; j++) if (tieAt(j).kind == kind) return true;
  return false;
}

/**
 * One day in a way of living, with the sun, use and motoring it has of what the way says; of wind, windPart has it.
 * @param lean leaves out the books, but for the lowest and what goes unmet.
 * @param trace where every step is wanted; 0: nowhere.
 */
export function run(day: Wholes, steps: i32, sun: f64, use: f64, motor: f64, lean: bool, trace: usize): void {
  opened(day);
  const anyRelay = has(Kind.relay);
  const anySplitter = has(Kind.splitter);
  const anySelector = has(Kind.selector);
  for (let i = 0; i < banks; i++) bankAt(i).lowest = bankAt(i).soc;
  let hand: i32 = -1;
  for (let t = 0; t < steps; t++) {
    const starts = phase[t];
    const engine: f64 = starts >= 0 && starts < motor ? lesser(1, (motor - starts) / phasePerStep[t]) : 0;
    const runs = engine > 0;
    if (runs) {
      if (!ran && is(crankBank)) crank(crankBank, crankA, crankAh);
      sums[Sum.engineH] += engine * dt;
      sums[Sum.litres] += idleLph[t] * engine * dt;
    }
    const turned = anySelector && (selector[t] != hand || runs != ran);
    hand = selector[t];
    ran = runs;
    if (turned || !connected) follow(hand, runs);
    load(t, use);
    ready(t, engine, sun);
    if (dumps) sums[Sum.dumps] += 1;
    // Volts: splitters' nodes first, then what stands alone.
    if (anySplitter) splitters(firstLive);
    let drawnA = cutOffA;
    let unmetA = cutOffA;
    for (let root = firstRoot; is(root); root = root.nextRoot) {
      if (!anySplitter || !root.settled) settle(root);
      const v = root.volts;
      if (!lean) drawnA += root.loadW / v + root.loadS * v + root.loadA + root.lost;
      unmetA += root.lost;
      for (let b = root; is(b); b = b.next) {
        b.volts = v;
        b.floating = Floating.unsaid;
        keep(b, lean);
      }
    }
    sums[Sum.load] += drawnA * dt;
    sums[Sum.unmet] += unmetA * dt;
    if (is(firstLive)) give(lean);
    if (trace != 0) record(changetype<Wholes>(trace), t, drawnA, unmetA);
    if (anyRelay) relays();
  }
  for (let i = 0; i < banks; i++) {
    soc[i] = bankAt(i).soc;
    lowest[i] = bankAt(i).lowest;
  }
}
