/** A cruise: days in ways of living one after another, every bank carried through (docs/methods.md, M11). */
import { BOUNDS, type Cruise, type Design, rowOf } from '../design';
import { AS_ENTERED, FULL_SOC, type Loop, type Trace, traceFor } from './books';
import { Sum } from './kernel/layout';
import { createLoop } from './loop';
import { type Scene, sceneOf } from './scene';

export interface DayResult {
  readonly livingId: string;
  readonly name: string;
  /** Drawn by the loads and not to be had, Ah. */
  readonly loadAh: number;
  readonly unmetAh: number;
  /** Given by all sources but DC–DC, and by each, Ah. */
  readonly madeAh: number;
  readonly bySource: readonly number[];
  readonly chargingH: number;
  readonly engineH: number;
  readonly litres: number;
  /** By bank. */
  readonly lowest: readonly number[];
  readonly endSoc: readonly number[];
  /** House bank: hours of the day gone when it first stands at 80, 95, 100 %, 0 from the start; null when it does not get there. */
  readonly reaches: readonly (number | null)[];
}

export interface BankYear {
  readonly id: string;
  readonly name: string;
  readonly startSoc: number;
  readonly lowest: number;
  readonly endSoc: number;
  readonly longestSinceFullDays: number;
  readonly longestUnder70H: number;
  readonly belowWindowH: number;
  readonly inAh: number;
  readonly outAh: number;
  /** What of the charge stayed. */
  readonly storedAh: number;
  readonly selfAh: number;
  /** What left it as it counts by rate, and what that makes in full cycles. */
  readonly effectiveAh: number;
  readonly fullCycles: number;
  readonly overflowAh: number;
}

export interface Warning {
  readonly id: string;
  readonly severity: 'stop' | 'fix' | 'note';
  readonly title: string;
  readonly why: string;
}

export interface CruiseResult {
  readonly name: string;
  readonly scene: Scene;
  readonly days: readonly DayResult[];
  readonly banks: readonly BankYear[];
  readonly warnings: readonly Warning[];
  /** Of the house bank over the later half of the cruise, state of charge a day. */
  readonly driftPerDay: number;
  readonly trace: Trace;
  /** Largest difference between stored change and its terms, of all throughput. */
  readonly imbalance: number;
}

export const REACHES = [0.8, 0.95, FULL_SOC] as const;

/** The ways of living of a cruise, day by day, as indices; legs in a way that is gone are left out. */
export function daysOf(design: Design, cruise: Cruise): number[] {
  const once = cruise.legs.flatMap((leg) => {
    const at = design.living.findIndex((l) => l.id === leg.livingId);
    return at < 0 ? [] : new Array<number>(leg.days).fill(at);
  });
  const out: number[] = [];
  for (let i = 0; i < cruise.repeat && out.length < BOUNDS.cruiseDays; i++) out.push(...once.slice(0, BOUNDS.cruiseDays - out.length));
  return out;
}

const sum = (xs: ArrayLike<number>, keep: (i: number) => boolean = () => true): number => {
  let out = 0;
  for (let i = 0; i < xs.length; i++) if (keep(i)) out += xs[i] ?? 0;
  return out;
};

/** Runs the days given. @param startSoc of every bank, or bank by bank. */
export function runDays(
  scene: Scene,
  days: readonly number[],
  startSoc: number | ArrayLike<number>,
  name: string,
  loop: Loop = createLoop(scene),
): CruiseResult {
  const trace = traceFor(scene, days.length);
  const { totals, soc } = loop;
  loop.reset(startSoc);
  const start = Float64Array.from(soc);
  const before = { sums: new Float64Array(6), source: new Float64Array(scene.sources.length) };
  const results = days.flatMap((at, d): DayResult[] => {
    const day = scene.days[at];
    if (!day) return [];
    before.sums.set(totals.sums);
    before.source.set(totals.sourceAh);
    loop.day(at, AS_ENTERED, trace, d * scene.n);
    const since = (i: number) => (totals.sums[i] ?? 0) - (before.sums[i] ?? 0);
    const bySource = Array.from(totals.sourceAh, (x, s) => x - (before.source[s] ?? 0));
    return [
      {
        livingId: day.livingId,
        name: day.name,
        loadAh: since(Sum.load),
        unmetAh: since(Sum.unmet),
        madeAh: sum(bySource, (s) => scene.sources[s]?.driver !== 'input'),
        bySource,
        chargingH: since(Sum.chargingH),
        engineH: since(Sum.engineH),
        litres: since(Sum.litres),
        lowest: Array.from(totals.lowest),
        endSoc: Array.from(soc),
        reaches: REACHES.map((level) => firstAt(scene, trace, d, level)),
      },
    ];
  });
  const banks = scene.banks.map((b, i): BankYear => {
    const drawn = totals.drawnAh[i] ?? 0;
    return {
      id: b.id,
      name: b.name,
      lowest: Math.min(start[i] ?? 1, ...results.map((r) => r.lowest[i] ?? 1)),
      startSoc: start[i] ?? 1,
      endSoc: soc[i] ?? 0,
      longestSinceFullDays: (totals.longestH[i] ?? 0) / 24,
      longestUnder70H: totals.longest70H[i] ?? 0,
      belowWindowH: totals.belowWindowH[i] ?? 0,
      inAh: totals.inAh[i] ?? 0,
      outAh: totals.outAh[i] ?? 0,
      storedAh: totals.storedAh[i] ?? 0,
      selfAh: totals.selfAh[i] ?? 0,
      effectiveAh: drawn,
      fullCycles: drawn / b.capAh,
      overflowAh: totals.overflowAh[i] ?? 0,
    };
  });
  return {
    name,
    scene,
    days: results,
    banks,
    warnings: warningsOf(scene, results, banks, totals.sums[Sum.dumps] ?? 0),
    driftPerDay: drift(results.map((r) => r.endSoc[scene.house] ?? 0)),
    trace,
    imbalance: imbalance(scene, loop, start),
  };
}

/** change of stored = stored by charge - drawn - self-discharge - overflow, relative to all that moved. */
function imbalance(scene: Scene, { soc, totals }: Loop, start: Float64Array): number {
  let worst = 0;
  scene.banks.forEach((b, i) => {
    const [stored, drawn, self, over] = [totals.storedAh[i] ?? 0, totals.drawnAh[i] ?? 0, totals.selfAh[i] ?? 0, totals.overflowAh[i] ?? 0];
    const change = ((soc[i] ?? 0) - (start[i] ?? 0)) * b.capAh;
    worst = Math.max(worst, Math.abs(change - (stored - drawn - self - over)) / Math.max(1, stored + drawn + self + over));
  });
  return worst;
}

function firstAt(scene: Scene, trace: Trace, day: number, level: number): number | null {
  const nB = scene.banks.length;
  for (let t = 0; t < scene.n; t++)
    if ((trace.soc[(day * scene.n + t) * nB + scene.house] ?? 0) >= level) return t === 0 ? 0 : (t + 1) * scene.stepH;
  return null;
}

/** Slope of a straight line through the later half, a day. */
function drift(levels: readonly number[]): number {
  const late = levels.slice(Math.floor(levels.length / 2));
  const n = late.length;
  if (n < 2) return 0;
  const meanX = (n - 1) / 2;
  const meanY = late.reduce((a, b) => a + b, 0) / n;
  let up = 0;
  let down = 0;
  late.forEach((y, x) => {
    up += (x - meanX) * (y - meanY);
    down += (x - meanX) ** 2;
  });
  return up / down;
}

/** Drift below this a day is none, part of the capacity. */
const STEADY = 0.002;

export interface CruiseVerdict {
  readonly holds: boolean;
  readonly words: string;
}

/** Whether the house bank can go on like this: neither empty, nor below its window, nor on its way there. */
export function cruiseVerdict(run: CruiseResult): CruiseVerdict {
  const { scene, days, driftPerDay } = run;
  const soc = (d: DayResult) => d.endSoc[scene.house] ?? 0;
  const unmetAh = days.reduce((sum, d) => sum + d.unmetAh, 0);
  const empty = days.findIndex((d) => d.unmetAh > 0.05 || (d.lowest[scene.house] ?? 1) < 0.005);
  if (empty >= 0)
    return {
      holds: false,
      words: `It does not last: the house bank is empty on day ${empty + 1}${unmetAh > 0.05 ? `, and ${unmetAh.toFixed(0)} Ah of what the loads need cannot be supplied` : ''}.`,
    };
  const late = days.slice(Math.floor(days.length / 2));
  const level = late.reduce((sum, d) => sum + soc(d), 0) / Math.max(1, late.length);
  const windowLow = scene.banks[scene.house]?.chemistry.windowLowSoc ?? 0;
  if (Math.abs(driftPerDay) < STEADY)
    return level < windowLow - 1e-9
      ? { holds: false, words: `It settles at ${pct(level)}, below its window of ${pct(windowLow)}: each day like this costs cycles.` }
      : { holds: true, words: `It stays steady at about ${pct(level)} over the later half of the cruise.` };
  const change = `${(100 * Math.abs(driftPerDay)).toPrecision(3)} % a day`;
  return { holds: driftPerDay > 0, words: `It drifts ${driftPerDay < 0 ? 'down' : 'up'} by ${change} over the later half of the cruise.` };
}

const pct = (x: number) => `${Math.round(100 * x)} %`;

function warningsOf(scene: Scene, days: readonly DayResult[], banks: readonly BankYear[], dumps: number): Warning[] {
  const out: Warning[] = [];
  const unmet = days.reduce((a, d) => a + d.unmetAh, 0);
  if (unmet > 0.05)
    out.push({
      id: 'unmet',
      severity: 'stop',
      title: `${unmet.toFixed(0)} Ah of the loads' need is not to be had`,
      why: 'The bank is empty, or cut off: lights, pumps and radio are dead then.',
    });
  banks.forEach((b, i) => {
    const chemistry = scene.banks[i]?.chemistry;
    if (!chemistry) return;
    if (b.lowest < chemistry.windowLowSoc - 1e-9)
      out.push({
        id: `window:${b.id}`,
        severity: 'fix',
        title: `${b.name} goes down to ${pct(b.lowest)}`,
        why: `Its window ends at ${pct(chemistry.windowLowSoc)}; it is below it for ${b.belowWindowH.toFixed(0)} h, and each such spell costs cycles.`,
      });
    if (!chemistry.leadAcid) return;
    if (b.longestSinceFullDays > 7)
      out.push({
        id: `full:${b.id}`,
        severity: 'fix',
        title: `${b.name} is not full for ${b.longestSinceFullDays.toFixed(1)} days`,
        why: 'Lead-acid left short of full for more than a week sulphates and loses capacity for good.',
      });
    if (b.longestUnder70H > 24)
      out.push({
        id: `under70:${b.id}`,
        severity: 'note',
        title: `${b.name} is under 70 % for ${b.longestUnder70H.toFixed(0)} h on end`,
        why: 'Lead-acid ages fast while it is low.',
      });
  });
  if (dumps > 0)
    out.push({
      id: 'dump',
      severity: 'stop',
      title: 'a source runs into a selector that is off',
      why: 'Opening the charging circuit with the engine running destroys diodes and electronics.',
    });
  return out;
}

/** The cruise chosen in the plan, or one week of the way of living the bank is sized for. */
export function cruiseOf(design: Design): Cruise {
  const chosen = rowOf(design.cruises, design.plan.cruiseId) ?? design.cruises[0];
  if (chosen) return chosen;
  const living = rowOf(design.living, design.plan.livingId) ?? design.living[0];
  return {
    id: 'week',
    name: `a week ${living?.name ?? ''}`,
    legs: living ? [{ id: 'l', livingId: living.id, days: 7 }] : [],
    repeat: 1,
    startSoc: 1,
  };
}

/** The chosen cruise of a design, whole. Total: a boat without a bank has no days. */
export function cruise(design: Design, chosen: Cruise = cruiseOf(design)): CruiseResult {
  const days = design.banks.length === 0 ? [] : daysOf(design, chosen);
  return runDays(sceneOf(design, { ways: new Set(days) }), days, chosen.startSoc, chosen.name);
}
