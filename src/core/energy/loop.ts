/**
 * The time loop: every bank, source and join, step by step (docs/methods.md, M9 to M11). The steps themselves are compiled (kernel/), and run
 * without allocating; here a scene is laid into their memory and what comes of it is read.
 */
import { ALTERNATOR_EFFICIENCY, FUEL_L_PER_KWH } from '../charging';
import type { Factors, Loop, Totals, Trace } from './books';
import { instance, type Kernel } from './instance';
import { curvesOf } from './lookup';
import { type Scene, type SceneDay, WIND_GRID } from './scene';

/** In the order the kernel counts them. */
const DRIVERS = ['engine', 'shore', 'sun', 'wind', 'input'] as const;
const JOINS = ['selector', 'splitter', 'relay'] as const;
/** As in the kernel. */
const CELLS = 512;
const HOURS_A_MONTH = 720;

/** Lays banks, sources and joins into their rows. */
function layBoat(kernel: Kernel, { banks, sources, joins, stepH, crankBank, crankA, crankAh }: Scene): void {
  const litresPerWh = FUEL_L_PER_KWH / 1000 / ALTERNATOR_EFFICIENCY;
  kernel.boat(banks.length, sources.length, joins.length, stepH, litresPerWh, crankBank, crankA, crankAh);
  const curves = curvesOf(banks, CELLS);
  new Float64Array(kernel.memory.buffer, kernel.curves.value, curves.length).set(curves);
  banks.forEach((x, b) => {
    const { peukert, windowLowSoc, selfDischargePctMonth, leadAcid, id } = x.chemistry;
    const self = selfDischargePctMonth / 100 / HOURS_A_MONTH;
    const gel = Number(id === 'gel');
    kernel.bank(b, x.capAh, x.c20Ah, peukert, x.ohm, x.maxA, x.absorptionV, x.nominalV, windowLowSoc, self, Number(leadAcid), gel);
  });
  joins.forEach((x, j) => {
    kernel.join(j, JOINS.indexOf(x.kind), x.first, x.second, x.running, x.stopped, x.dropV, x.closeV, x.openV, x.delayH);
  });
  sources.forEach((x, s) => {
    const [staged, atBank] = [Number(x.staged), Number(x.sense === 'the bank')];
    const pathOhm = x.sense === 'its own post' ? x.pathOhm : 0;
    kernel.source(
      ...[s, DRIVERS.indexOf(x.driver), x.bank, x.from, x.join, staged, atBank, pathOhm, x.absorptionV, x.floatV, x.bandV],
      ...[x.tailA, x.minH, x.maxH, x.rebulkV, x.rebulkH, x.efficiency, x.startV, x.stopV],
    );
  });
}

type List = Float64Array | Int32Array;

/** The memory behind the rows, taken list after list. */
function behind({ memory, behind: start }: Kernel) {
  let top = start.value;
  /** @returns the address of a list's place, and of its figures once it is there. */
  return (list: List): number => {
    const at = top;
    top = (top + list.byteLength + 7) & ~7;
    const lacks = top - memory.buffer.byteLength;
    if (lacks > 0) memory.grow(Math.ceil(lacks / 65536));
    if (list instanceof Float64Array) new Float64Array(memory.buffer, at, list.length).set(list);
    else new Int32Array(memory.buffer, at, list.length).set(list);
    return at;
  };
}

/** What loads draw in a day, with room for every bank to be drawn from. */
function drawnIn({ drawing, draws }: SceneDay, { n, banks }: Scene): [Int32Array, Float64Array] {
  const whole: [Int32Array, Float64Array] = [new Int32Array(banks.length), new Float64Array(3 * n * banks.length)];
  whole[0].set(drawing);
  whole[1].set(draws);
  return whole;
}

/** Places of the kernel's Day that move when loads do. */
const [DRAWING, DRAWS, DRAWN] = [4, 5, 9];

/** Lays a day. @returns the address of its list of addresses. */
function layDay(put: (list: List) => number, day: SceneDay, scene: Scene): number {
  const [drawing, draws] = drawnIn(day, scene);
  const { phase, phasePerStep, idleLph, selector, able, since, most } = day;
  const lists = [phase, phasePerStep, idleLph, Int32Array.from(selector), drawing, draws, able, since, most];
  return put(Int32Array.from([...lists.map(put), day.drawing.length]));
}

/** Room for a day's trace, list by list in the order of the kernel's Trace. */
const TRACED = ['soc', 'volts', 'bankA', 'sourceA', 'loadA', 'unmetA'] as const;
function layTrace(put: (list: List) => number, { n, banks, sources }: Scene): Int32Array {
  const wide = { soc: banks.length, volts: banks.length, bankA: banks.length, sourceA: sources.length, loadA: 1, unmetA: 1 };
  const lists = TRACED.map((name) => put(new Float64Array(n * wide[name])));
  return Int32Array.from([put(Int32Array.from(lists)), ...lists]);
}

/**
 * A loop over a scene: reset it, then go through its days.
 * @param lean leaves out the books, but for the lowest and what goes unmet: a season asks for no more.
 */
export function createLoop(scene: Scene, lean = false): Loop {
  const kernel = instance();
  const { banks, sources, n } = scene;
  layBoat(kernel, scene);
  const put = behind(kernel);
  const days = scene.days.map((day) => (day ? layDay(put, day, scene) : 0));
  const [traceAt, ...traced] = lean ? [0] : layTrace(put, scene);
  // The memory grows no more: what is seen of it now stays.
  const { buffer } = kernel.memory;
  const figures = (at: number, length: number) => new Float64Array(buffer, at, length);
  const byBank = (row: keyof Totals | 'soc') => figures(kernel[row].value, banks.length);
  const bySource = (row: 'sourceAh' | 'sourceH' | 'windPart') => figures(kernel[row].value, sources.length);
  const soc = byBank('soc');
  const windPart = bySource('windPart');
  const windy = sources.flatMap((x, s) => (x.driver === 'wind' ? [s] : []));
  const totals: Totals = {
    inAh: byBank('inAh'),
    outAh: byBank('outAh'),
    storedAh: byBank('storedAh'),
    drawnAh: byBank('drawnAh'),
    selfAh: byBank('selfAh'),
    overflowAh: byBank('overflowAh'),
    belowWindowH: byBank('belowWindowH'),
    sinceFullH: byBank('sinceFullH'),
    longestH: byBank('longestH'),
    under70H: byBank('under70H'),
    longest70H: byBank('longest70H'),
    lowest: byBank('lowest'),
    sourceAh: bySource('sourceAh'),
    sourceH: bySource('sourceH'),
    sums: figures(kernel.sums.value, 6),
  };
  return {
    soc,
    totals,
    redraw: (drawn) => {
      drawn.days.forEach((day, i) => {
        const at = days[i];
        if (!day || !at) return;
        const places = new Int32Array(buffer, at, DRAWN + 1);
        const [drawing, draws] = drawnIn(day, drawn);
        new Int32Array(buffer, places[DRAWING], drawing.length).set(drawing);
        figures(places[DRAWS] ?? 0, draws.length).set(draws);
        places[DRAWN] = day.drawing.length;
      });
    },
    reset: (start) => {
      for (let b = 0; b < banks.length; b++) soc[b] = Math.min(1, Math.max(0, typeof start === 'number' ? start : (start[b] ?? 1)));
      kernel.begin();
    },
    day: (index, { sun, wind, use, motor }: Readonly<Factors>, trace?: Trace, step = 0) => {
      for (const s of windy) windPart[s] = wind === 1 ? 1 : windFactor(scene.days[index]?.windBy[s] ?? null, wind);
      kernel.run(days[index] ?? 0, n, sun, use, motor, Number(lean), trace ? (traceAt ?? 0) : 0);
      if (trace)
        TRACED.forEach((name, i) => {
          const list = figures(traced[i] ?? 0, (n * trace[name].length) / trace.loadA.length);
          trace[name].set(list, (step * trace[name].length) / trace.loadA.length);
        });
    },
  };
}

/** What a wind generator makes at a part of the day's mean wind, over what it makes at the mean. @param table at 0, 0.1 ... times the mean. */
function windFactor(table: Float64Array | null, factor: number): number {
  if (!table) return 0;
  const x = Math.min(WIND_GRID - 1.001, Math.max(0, factor * 10));
  const i = Math.floor(x);
  const [low, high] = [table[i] ?? 0, table[i + 1] ?? 0];
  return low + (x - i) * (high - low);
}
