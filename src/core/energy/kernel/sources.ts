/** Sources: what each could give in a step, what it gives at the volts found, and what its regulator makes of it. */
import { currentOf } from './bus';
import { By, Sum } from './layout';
import {
  able,
  Bank,
  dt,
  Floating,
  greater,
  is,
  most,
  none,
  Source,
  sourceAh,
  sourceAt,
  sourceH,
  sources,
  since,
  Stage,
  sums,
  windPart,
} from './memory';

/** The first source that can give anything in this step, and whether one runs into nothing. */
export let firstLive: Source = none<Source>();
export let dumps: bool = false;

/** Steps since the loop was reset. */
let tick: i32 = 0;

/** All as at the start: in bulk, none has run. */
export function rested(): void {
  tick = 0;
  for (let i = 0; i < sources; i++) {
    const s = sourceAt(i);
    s.stage = Stage.bulk;
    s.ranAt = -1;
    s.timer = 0;
    s.lowTimer = 0;
  }
}

/** What there is of a source's output as entered. @param engine part of the step it runs. */
function partOf(s: Source, engine: f64, sun: f64): f64 {
  const by = s.driver;
  if (by == By.sun) return sun;
  if (by == By.engine) return engine;
  if (by == By.wind) return windPart[s.at];
  return by == By.input && !drawsInput(s) ? 0 : 1;
}

/** Whether a DC-DC runs: its input stood high enough, and it is not tied to its own output. */
function drawsInput(s: Source): bool {
  if (!is(s.from) || !is(s.into) || s.from.bus == s.into.bus) return false;
  const v = s.from.volts;
  return s.ranAt == tick - 1 ? v > s.stopV : v >= s.startV;
}

/** Sets out what each source could give in step t: its line of amps over volts, on the bus or the node it feeds. */
export function ready(t: i32, engine: f64, sun: f64): void {
  firstLive = none<Source>();
  dumps = false;
  tick++;
  const first = since[t];
  // The last first: so they come to stand in their order.
  for (let u = since[t + 1] - 1; u >= first; u--) {
    const s = sourceAt(able[u]);
    let can = most[u] * partOf(s, engine, sun);
    if (can <= 0) continue;
    const lands = is(s.node) ? s.node.first : s.home;
    if (!is(lands)) {
      dumps = true;
      continue;
    }
    if (s.driver == By.sun) can /= greater(1, lands.volts);
    if (s.ranAt != tick - 1) {
      s.stage = Stage.bulk;
      s.timer = 0;
      s.lowTimer = 0;
    }
    s.ranAt = tick;
    s.nextLive = firstLive;
    firstLive = s;
    s.limit = can;
    s.setV = s.stage == Stage.float ? s.floatV : s.absorptionV;
    s.slope = can / (s.bandV + s.pathOhm * can);
    if (is(s.node)) {
      s.bus = none<Bank>();
      s.offset = s.sensesBank ? s.node.dropV : 0;
      continue;
    }
    s.bus = lands.bus;
    s.offset = 0;
    s.next = s.bus.firstSource;
    s.bus.firstSource = s;
  }
}

/** What the sources give at the volts found, and what their regulators make of it. */
export function give(lean: bool): void {
  let charging = false;
  for (let s = firstLive; is(s); s = s.nextLive) {
    const v = is(s.bus) ? s.bus.volts : s.node.nodeV;
    const lands = is(s.bus) ? s.bus : s.node.first.bus;
    s.gives = currentOf(s, v);
    if (s.gives > 0) charging = true;
    if (s.driver == By.input) s.from.inputW += (v * s.gives) / s.efficiency;
    // A bank floats when nothing on its bus charges harder.
    if (s.stage != Stage.float) lands.floating = Floating.no;
    else if (lands.floating == Floating.unsaid) lands.floating = Floating.yes;
    if (s.staged) regulate(s, lands);
    if (!lean) count(s, v);
  }
  if (charging && !lean) sums[Sum.chargingH] += dt;
}

/** Litres a step for each watt of an alternator. */
let litresPerW: f64 = 0;
export function burning(litresPerWh: f64): void {
  litresPerW = litresPerWh * dt;
}

/** The books of a source for a step at the volts it works into. */
function count(s: Source, v: f64): void {
  sourceAh[s.at] += s.gives * dt;
  sourceH[s.at] += dt;
  if (s.driver == By.engine) sums[Sum.litres] += v * s.gives * litresPerW;
}

/** Stages: to absorption when the setpoint is reached, to float when the bank takes little or time is up, back when volts stay low. */
function regulate(s: Source, lands: Bank): void {
  if (s.stage == Stage.bulk) {
    if (s.gives < s.limit * (1 - 1e-9)) s.stage = Stage.absorption;
  } else if (s.stage == Stage.absorption) {
    s.timer += dt;
    const bank = is(s.into) ? s.into : lands;
    const done = s.timer >= s.minH && bank.amps <= s.tailA;
    if (!done && s.timer < s.maxH) return;
    s.stage = Stage.float;
    s.lowTimer = 0;
  } else if (lands.volts >= s.rebulkV) s.lowTimer = 0;
  else {
    s.lowTimer += dt;
    if (s.lowTimer < s.rebulkH) return;
    s.stage = Stage.bulk;
    s.timer = 0;
  }
}
