/**
 * The time loop: every bank, source and join, step by step (docs/methods.md, M9 to M11). The steps themselves are compiled (kernel/), and run
 * without allocating; here a scene is laid into their memory and what comes of it is read.
 */
import { ALTERNATOR_EFFICIENCY, FUEL_L_PER_KWH } from '../charging';
import type { Factors, Loop, Totals, Trace } from './books';
import { instance, type Kernel } from './instance';
import { BankField, BoatField, By, DayList, Kind, SourceField, Sum, TieField, TraceList } from './kernel/layout';
import { curvesOf } from './lookup';
import { type Scene, type SceneDay, WIND_GRID } from './scene';

type Fields = Readonly<Record<string, string | number>>;
/** A figure for each field of a row of the layout. */
type Row<F> = Readonly<Record<Exclude<keyof F, 'longest' | 'count'>, number>>;

/** Lays banks, sources and ties into their records. */
function layBoat(kernel: Kernel, { banks, sources, joins, stepH, crankBank, crankA, crankAh }: Scene): void {
  const given = new Float64Array(kernel.memory.buffer, kernel.given.value, SourceField.longest);
  const give = <F extends Fields>(fields: F, row: Row<F>): void => {
    for (const [name, figure] of Object.entries<number>(row)) given[fields[name] as number] = figure;
  };
  const litresPerWh = FUEL_L_PER_KWH / 1000 / ALTERNATOR_EFFICIENCY;
  const counts = { banks: banks.length, sources: sources.length, ties: joins.length };
  give(BoatField, { ...counts, stepH, litresPerWh, crankBank, crankA, crankAh });
  kernel.boat();
  const curves = curvesOf(banks);
  new Float64Array(kernel.memory.buffer, kernel.curves.value, curves.length).set(curves);
  banks.forEach((bank, b) => {
    const { capAh, c20Ah, ohm, maxA, absorptionV, nominalV, chemistry } = bank;
    const { peukert, windowLowSoc, selfDischargePctMonth, leadAcid, id } = chemistry;
    const selfPerH = selfDischargePctMonth / 100 / HOURS_A_MONTH;
    const [lead, gel] = [Number(leadAcid), Number(id === 'gel')];
    give(BankField, { capAh, c20Ah, peukert, ohm, maxA, absorptionV, nominalV, windowLowSoc, selfPerH, lead, gel });
    kernel.bank(b);
  });
  joins.forEach(({ kind, first, second, running, stopped, dropV, closeV, openV, delayH }, j) => {
    give(TieField, { kind: Kind[kind], first, second, running, stopped, dropV, closeV, openV, delayH });
    kernel.tie(j);
  });
  sources.forEach((source, s) => {
    const { from, absorptionV, floatV, bandV, tailA, minH, maxH, rebulkV, rebulkH, efficiency, startV, stopV, sense } = source;
    const stages = { absorptionV, floatV, bandV, tailA, minH, maxH, rebulkV, rebulkH, efficiency, startV, stopV };
    const [staged, sensesBank] = [Number(source.staged), Number(sense === 'the bank')];
    const pathOhm = sense === 'its own post' ? source.pathOhm : 0;
    give(SourceField, { driver: By[source.driver], into: source.bank, from, via: source.tie, staged, sensesBank, pathOhm, ...stages });
    kernel.source(s);
  });
}

const HOURS_A_MONTH = 720;

/** An object's keys, as its type knows them. */
const namesOf = <T extends object>(of: T): readonly (keyof T)[] => Object.keys(of) as (keyof T)[];

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

/** Lays a day. @returns the address of its list of addresses. */
function layDay(put: (list: List) => number, day: SceneDay, scene: Scene): number {
  const [drawing, draws] = drawnIn(day, scene);
  const { phase, phasePerStep, idleLph, selector, able, since, most } = day;
  const lists = { phase, phasePerStep, idleLph, selector: Int32Array.from(selector), drawing, draws, able, since, most };
  const at = new Int32Array(DayList.count);
  for (const name of namesOf(lists)) at[DayList[name]] = put(lists[name]);
  at[DayList.drawn] = day.drawing.length;
  return put(at);
}

/** Room for a day's trace. @returns the address of its list of addresses, and that list. */
function layTrace(put: (list: List) => number, { n, banks, sources }: Scene): readonly [number, Int32Array] {
  const wide: Row<typeof TraceList> = {
    soc: banks.length,
    volts: banks.length,
    bankA: banks.length,
    sourceA: sources.length,
    loadA: 1,
    unmetA: 1,
  };
  const at = new Int32Array(TraceList.count);
  for (const name of namesOf(wide)) at[TraceList[name]] = put(new Float64Array(n * wide[name]));
  return [put(at), at];
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
  const [traceAt, traced] = lean ? [0, new Int32Array(0)] : layTrace(put, scene);
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
    sums: figures(kernel.sums.value, Sum.count),
  };
  return {
    soc,
    totals,
    redraw: (drawn) => {
      drawn.days.forEach((day, i) => {
        const at = days[i];
        if (!day || !at) return;
        const places = new Int32Array(buffer, at, DayList.count);
        const [drawing, draws] = drawnIn(day, drawn);
        new Int32Array(buffer, places[DayList.drawing], drawing.length).set(drawing);
        figures(places[DayList.draws] ?? 0, draws.length).set(draws);
        places[DayList.drawn] = day.drawing.length;
      });
    },
    reset: (start) => {
      for (let b = 0; b < banks.length; b++) soc[b] = Math.min(1, Math.max(0, typeof start === 'number' ? start : (start[b] ?? 1)));
      kernel.begin();
    },
    day: (index, { sun, wind, use, motor }: Readonly<Factors>, trace?: Trace, step = 0) => {
      for (const s of windy) windPart[s] = wind === 1 ? 1 : windFactor(scene.days[index]?.windBy[s] ?? null, wind);
      kernel.run(days[index] ?? 0, n, sun, use, motor, Number(lean), trace ? traceAt : 0);
      if (trace)
        for (const name of namesOf(trace)) {
          const list = figures(traced[TraceList[name]] ?? 0, (n * trace[name].length) / trace.loadA.length);
          trace[name].set(list, (step * trace[name].length) / trace.loadA.length);
        }
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
