/** Selectors, splitters and relays: how the banks hang together, and where loads and sources land. */
import { answers } from './bank';
import { currentOf, currents, over, overSlope, surplus } from './bus';
import { Bank, bankAt, banks, dt, greater, is, Join, joinAt, joins, Kind, none, Position, Source, sourceAt, sources } from './memory';
import { bracket, MOST_ROUNDS, narrowed } from './search';

/** The first root of the buses the banks make as the joins stand; the others follow it. */
export let firstRoot: Bank = none<Bank>();
/** Whether the joins stand as they are said to. */
export let connected: bool = false;

/** All as at the start: relays open, nothing connected yet. */
export function parted(): void {
  for (let j = 0; j < joins; j++) {
    joinAt(j).closed = false;
    joinAt(j).wantsH = 0;
  }
  connected = false;
}

/** Where a join stands in this step. @param hand position a timetable says; below 0: none. */
function position(join: Join, hand: i32, engineOn: bool): i32 {
  if (join.kind == Kind.relay) return i32(join.closed);
  if (join.kind != Kind.selector) return 0;
  return hand >= 0 ? hand : engineOn ? join.running : join.stopped;
}

/** Connects the banks afresh where a relay or a selector has moved. */
export function follow(hand: i32, engineOn: bool): void {
  let moved = !connected;
  for (let j = 0; j < joins; j++) {
    const join = joinAt(j);
    const now = position(join, hand, engineOn);
    if (join.stands != now) moved = true;
    join.stands = now;
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
  for (let j = 0; j < joins; j++) {
    const join = joinAt(j);
    if (join.kind == Kind.relay && join.stands == 1) merge(join.first, join.second);
    if (join.kind == Kind.selector) select(join);
  }
  line();
}

/** Where a selector's position leads the loads of its first bank and the sources through it. */
function select(join: Join): void {
  if (join.stands == Position.both) merge(join.first, join.second);
  const to = join.stands == Position.off ? none<Bank>() : join.stands == Position.second ? join.second : join.first;
  if (is(join.first)) join.first.loadsOn = to;
  for (let i = 0; i < sources; i++) if (sourceAt(i).via == join) sourceAt(i).home = to;
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
  for (let j = 0; j < joins; j++) {
    const join = joinAt(j);
    if (join.kind != Kind.relay || !is(join.first) || !is(join.second)) continue;
    const high = greater(join.first.volts, join.second.volts);
    const wants = join.closed ? high < join.openV : high >= join.closeV;
    const hours: f64 = wants ? join.wantsH + dt : 0;
    const moves = wants && hours >= join.delayH;
    join.wantsH = moves ? 0 : hours;
    if (!moves) continue;
    join.closed = !join.closed;
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
function nodeSurplus(join: Join, v: f64, firstLive: Source): void {
  sum = 0;
  sumSlope = 0;
  for (let s = firstLive; is(s); s = s.nextLive) {
    if (s.node != join) continue;
    const i = currentOf(s, v);
    sum += i;
    if (i > 0 && i < s.limit) sumSlope -= s.slope;
  }
  branch(join.first.bus, v - join.dropV);
  if (is(join.second) && join.second.bus != join.first.bus) branch(join.second.bus, v - join.dropV);
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
function split(join: Join, firstLive: Source): void {
  let runs = false;
  for (let s = firstLive; is(s); s = s.nextLive) if (s.node == join) runs = true;
  if (!runs || !is(join.first)) return;
  const nominal = join.first.nominal;
  let v = bracket(join.first.bus.volts + join.dropV, 0.7 * nominal, 1.7 * nominal);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    nodeSurplus(join, v, firstLive);
    const to = narrowed(v, sum, sumSlope);
    if (to == v) break;
    v = to;
  }
  join.nodeV = v;
  fed(join.first, v - join.dropV);
  fed(join.second, v - join.dropV);
}

/** All splitters, one after another. @param firstLive the first source that can give. */
export function splitters(firstLive: Source): void {
  for (let root = firstRoot; is(root); root = root.nextRoot) {
    answers(root);
    root.settled = false;
  }
  for (let j = 0; j < joins; j++) if (joinAt(j).kind == Kind.splitter) split(joinAt(j), firstLive);
}
