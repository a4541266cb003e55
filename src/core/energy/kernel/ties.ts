/** Selectors, splitters and relays: how the banks hang together, and where loads and sources land. */
import { answers } from './bank';
import { currentOf, currents, over, overSlope, surplus } from './bus';
import { Kind, Position } from './layout';
import { Bank, bankAt, banks, dt, greater, is, none, Source, sourceAt, sources, Tie, tieAt, ties } from './memory';
import { bracket, MOST_ROUNDS, narrowed } from './search';

/** The first root of the buses the banks make as the ties stand; the others follow it. */
export let firstRoot: Bank = none<Bank>();
/** Whether the ties stand as they are said to. */
export let connected: bool = false;

/** All as at the start: relays open, nothing connected yet. */
export function parted(): void {
  for (let j = 0; j < ties; j++) {
    tieAt(j).closed = false;
    tieAt(j).wantsH = 0;
  }
  connected = false;
}

/** Where a tie stands in this step. @param hand position a timetable says; below 0: none. */
function position(tie: Tie, hand: i32, engineOn: bool): i32 {
  if (tie.kind == Kind.relay) return i32(tie.closed);
  if (tie.kind != Kind.selector) return 0;
  return hand >= 0 ? hand : engineOn ? tie.running : tie.stopped;
}

/** Connects the banks afresh where a relay or a selector has moved. */
export function follow(hand: i32, engineOn: bool): void {
  let moved = !connected;
  for (let j = 0; j < ties; j++) {
    const tie = tieAt(j);
    const now = position(tie, hand, engineOn);
    if (tie.stands != now) moved = true;
    tie.stands = now;
  }
  if (moved) connect();
}

function merge(a: Bank, b: Bank): void {
  if (!is(a) || !is(b)) return;
  const to = a.bus.at < b.bus.at ? a.bus : b.bus;
  const gone = a.bus.at < b.bus.at ? b.bus : a.bus;
  for (let i = 0; i < banks; i++) if (bankAt(i).bus == gone) bankAt(i).bus = to;
}

function connect(): void {
  connected = true;
  for (let i = 0; i < banks; i++) bankAt(i).bus = bankAt(i).loadsOn = bankAt(i);
  for (let i = 0; i < sources; i++) {
    const s = sourceAt(i);
    s.home = is(s.via) ? none<Bank>() : s.into;
  }
  for (let j = 0; j < ties; j++) {
    const tie = tieAt(j);
    if (tie.kind == Kind.relay && tie.stands == 1) merge(tie.first, tie.second);
    if (tie.kind == Kind.selector) select(tie);
  }
  line();
}

/** Where a selector's position leads the loads of its first bank and the sources through it. */
function select(tie: Tie): void {
  if (tie.stands == Position.both) merge(tie.first, tie.second);
  const to = tie.stands == Position.off ? none<Bank>() : tie.stands == Position.second ? tie.second : tie.first;
  if (is(tie.first)) tie.first.loadsOn = to;
  for (let i = 0; i < sources; i++) if (sourceAt(i).via == tie) sourceAt(i).home = to;
}

/** The banks of each bus one after another behind their root, and the roots one after another. */
function line(): void {
  firstRoot = none<Bank>();
  for (let i = banks - 1; i >= 0; i--) {
    const b = bankAt(i);
    b.next = none<Bank>();
    if (b.bus != b) continue;
    b.nextRoot = firstRoot;
    firstRoot = b;
  }
  for (let i = banks - 1; i >= 0; i--) {
    const b = bankAt(i);
    if (b.bus == b) continue;
    b.next = b.bus.next;
    b.bus.next = b;
  }
}

/** Relays after a step: each closes and opens when its volts have stood long enough. */
export function relays(): void {
  for (let j = 0; j < ties; j++) {
    const tie = tieAt(j);
    if (tie.kind != Kind.relay || !is(tie.first) || !is(tie.second)) continue;
    const high = greater(tie.first.volts, tie.second.volts);
    const wants = tie.closed ? high < tie.openV : high >= tie.closeV;
    const hours: f64 = wants ? tie.wantsH + dt : 0;
    const moves = wants && hours >= tie.delayH;
    tie.wantsH = moves ? 0 : hours;
    if (!moves) continue;
    tie.closed = !tie.closed;
    connected = false;
  }
}

/** What nodeSurplus was last asked for, A, and its slope, A a volt. */
let sum: f64 = 0;
let sumSlope: f64 = 0;

/** Takes in what a splitter's branch takes at volts v: what it lacks; it never gives back. */
function branch(root: Bank, v: f64): void {
  surplus(root, v);
  if (over >= 0) return;
  sum += over;
  sumSlope += overSlope;
}

/** Surplus of a splitter's node at volts v: what its sources give less what its branches take. */
function nodeSurplus(tie: Tie, v: f64, firstLive: Source): void {
  sum = 0;
  sumSlope = 0;
  for (let s = firstLive; is(s); s = s.nextLive) {
    if (s.node != tie) continue;
    const i = currentOf(s, v);
    sum += i;
    if (i > 0 && i < s.limit) sumSlope -= s.slope;
  }
  branch(tie.first.bus, v - tie.dropV);
  if (is(tie.second) && tie.second.bus != tie.first.bus) branch(tie.second.bus, v - tie.dropV);
}

/** Settles the bus of a splitter's branch where the node feeds it. */
function fed(bank: Bank, v: f64): void {
  if (!is(bank) || bank.bus.settled) return;
  const root = bank.bus;
  surplus(root, v);
  if (over >= 0 || v <= 0.71 * root.nominal) return;
  root.volts = v;
  root.settled = true;
  currents(root);
}

/** A splitter's node with the buses it feeds. Without a running source its diodes block. */
function split(tie: Tie, firstLive: Source): void {
  let runs = false;
  for (let s = firstLive; is(s); s = s.nextLive) if (s.node == tie) runs = true;
  if (!runs || !is(tie.first)) return;
  const nominal = tie.first.nominal;
  let v = bracket(tie.first.bus.volts + tie.dropV, 0.7 * nominal, 1.7 * nominal);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    nodeSurplus(tie, v, firstLive);
    const to = narrowed(v, sum, sumSlope);
    if (to == v) break;
    v = to;
  }
  tie.nodeV = v;
  fed(tie.first, v - tie.dropV);
  fed(tie.second, v - tie.dropV);
}

/** All splitters, one after another. @param firstLive the first source that can give. */
export function splitters(firstLive: Source): void {
  for (let root = firstRoot; is(root); root = root.nextRoot) {
    answers(root);
    root.settled = false;
  }
  for (let j = 0; j < ties; j++) if (tieAt(j).kind == Kind.splitter) split(tieAt(j), firstLive);
}
