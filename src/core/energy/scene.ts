/** A design made ready for the time loop: banks, sources, ties and one day of each way of living, in typed arrays. */
import { compensatedV, setpointV } from '../charging';
import { bankSource, bankTempC, c20Ah, cellsOf, coldFactor, tailA } from '../bank';
import {
  asDecided,
  type Bank,
  type Design,
  type BankTie,
  type Living,
  type Load,
  SELECTOR_POSITIONS,
  type Source,
  rowOf,
  startBankOf,
} from '../design';
import { bankOfLoads } from '../topology';
import { type Chemistry, coldAcceptance, TYPICAL_PATH_OHM } from '../rules';
import type { SceneParts } from './parts';
import { drawsOf, enginePhase } from './draws';
import { type Driver, driverOf, limitsOf, stretched, windAmps } from './sources';
import { dayLoads, hostOf } from '../ac';
import { cover, spanH, spansOf } from '../demand';

export interface SceneBank {
  readonly id: string;
  readonly name: string;
  readonly chemistry: Chemistry;
  readonly tempC: number;
  readonly nominalV: number;
  readonly c20Ah: number;
  /** What its cold leaves of it, Ah: the whole of its state of charge. */
  readonly capAh: number;
  readonly ohm: number;
  /** Volts its acceptance is stated at, compensated, V. */
  readonly absorptionV: number;
  /** What cold leaves of its acceptance. */
  readonly accepts: number;
  readonly maxA: number;
  readonly tailA: number;
}

export interface SceneSource {
  readonly id: string;
  readonly name: string;
  readonly driver: Driver;
  /** Index of the bank it charges; -1: none. */
  readonly bank: number;
  /** Index of the splitter or selector it goes through; -1: none. */
  readonly tie: number;
  readonly from: number;
  readonly pathOhm: number;
  readonly absorptionV: number;
  readonly floatV: number;
  readonly staged: boolean;
  readonly bandV: number;
  readonly tailA: number;
  readonly minH: number;
  readonly maxH: number;
  readonly rebulkV: number;
  readonly rebulkH: number;
  readonly sense: Source['regulator']['sense'];
  readonly efficiency: number;
  readonly startV: number;
  readonly stopV: number;
}

export interface SceneTie {
  readonly id: string;
  readonly name: string;
  readonly kind: BankTie['kind'];
  readonly first: number;
  readonly second: number;
  readonly running: number;
  readonly stopped: number;
  readonly dropV: number;
  readonly closeV: number;
  readonly openV: number;
  readonly delayH: number;
}

export interface SceneDay {
  readonly livingId: string;
  readonly name: string;
  /** Banks that loads draw from, and what, step by step, bank by bank: constant power W, conductance S, constant current A. */
  readonly drawing: Int32Array;
  readonly draws: Float64Array;
  /** Sources that can give anything, step by step: those of step t are able[since[t]] to able[since[t + 1] - 1]. */
  readonly able: Int32Array;
  readonly since: Int32Array;
  /** Largest output of each of those: amps, of the sun watts. */
  readonly most: Float64Array;
  /** By source: output of a wind generator at 0, 0.1 ... 3 times the day's mean wind, over that at the mean. */
  readonly windBy: readonly (Float64Array | null)[];
  readonly phase: Float64Array;
  readonly phasePerStep: Float64Array;
  /** Position of the selector by step; -1: as hand and habit do. */
  readonly selector: Int8Array;
  /** L/h the engine burns beside what charging costs, by step; in the stretch too. */
  readonly idleLph: Float64Array;
}

export interface Scene {
  readonly n: number;
  readonly stepH: number;
  readonly banks: readonly SceneBank[];
  readonly sources: readonly SceneSource[];
  readonly joins: readonly SceneTie[];
  /** By way of living; null where it is not gone through. */
  readonly days: readonly (SceneDay | null)[];
  /** Bank the engine cranks from, and what one start takes; -1: none. */
  readonly crankBank: number;
  readonly crankAh: number;
  readonly crankA: number;
  /** Bank the house lives on. */
  readonly house: number;
}

export const WIND_GRID = 31;

function sceneBank(design: SceneParts, bank: Bank): SceneBank {
  const source = bankSource(bank);
  const { chemistry } = source;
  const tempC = bankTempC(design, bank);
  const capacity = c20Ah(bank);
  const cells = cellsOf(bank, chemistry).bank;
  return {
    id: bank.id,
    name: bank.name,
    chemistry,
    tempC,
    nominalV: source.nominalV,
    c20Ah: capacity,
    capAh: Math.max(1e-6, capacity * coldFactor(chemistry, tempC)),
    ohm: Math.max(1e-6, source.ohm),
    absorptionV: setpointV(source.chargingV, chemistry.slopeMvPerCCell, cells, tempC),
    accepts: coldAcceptance(bank.chemistry, tempC, Math.max(chemistry.chargeMinC, bank.bms?.lowChargeC ?? -Infinity)),
    maxA: capacity * chemistry.maxChargeC,
    tailA: tailA(bank),
  };
}

/** What a source's sensor reads, degC: its own place's where it sits in the device, the hottest engine space's near the engine, else the bank's. */
export function sensedC(design: SceneParts, source: Source, bank: Bank): number {
  const own = bankTempC(design, bank);
  const { sensor } = source.regulator;
  if (sensor === 'in the device') return rowOf(design.places, source.placeId)?.ambientC ?? own;
  const engines = design.places.filter((p) => p.engineSpace).map((p) => p.ambientC);
  return sensor === 'near the engine' && engines.length > 0 ? Math.max(...engines) : own;
}

function sceneSource(design: SceneParts, source: Source, at: (id: string | null) => number): SceneSource {
  const { regulator } = source;
  const index = at(source.bankId);
  const bank = design.banks[index];
  const tempC = bank ? sensedC(design, source, bank) : 25;
  return {
    id: source.id,
    name: source.name,
    driver: driverOf(source.kind),
    bank: index,
    tie: source.joinId === null ? -1 : design.joins.findIndex((j) => j.id === source.joinId && j.kind !== 'relay'),
    from: at(source.fromBankId),
    pathOhm: source.pathMohm === null ? TYPICAL_PATH_OHM : source.pathMohm / 1000,
    absorptionV: compensatedV(regulator.absorptionV, source, bank, tempC),
    floatV: compensatedV(Math.min(regulator.floatV, regulator.absorptionV), source, bank, tempC),
    staged: regulator.staged,
    bandV: regulator.bandV,
    tailA: regulator.tailA ?? (bank ? tailA(bank) : 0),
    minH: Math.min(regulator.minMin, regulator.maxMin) / 60,
    maxH: regulator.maxMin / 60,
    rebulkV: regulator.rebulkV ?? -Infinity,
    rebulkH: regulator.rebulkMin / 60,
    sense: regulator.sense,
    efficiency: source.dcdc?.efficiency ?? 1,
    startV: source.dcdc?.startV ?? 0,
    stopV: source.dcdc?.stopV ?? 0,
  };
}

function sceneDay(
  design: SceneParts,
  living: Living,
  byBank: readonly (readonly Load[])[],
  banks: readonly SceneBank[],
  n: number,
  varied: boolean,
): SceneDay {
  const { phase, perStep } = enginePhase(living, n);
  const stepH = 24 / n;
  const selector = new Int8Array(n).fill(-1);
  for (const s of spansOf(living, 'selector'))
    for (let t = 0; t < n; t++)
      if ((t + 0.5) * stepH >= s.fromH && (t + 0.5) * stepH < s.toH) selector[t] = Math.round(Math.min(3, s.level));
  const idleLph = new Float64Array(n);
  for (const s of spansOf(living, 'engine').map(stretched))
    for (let t = 0; t < n; t++) idleLph[t] = Math.max(idleLph[t] as number, cover(s, t * stepH, stepH) * engineLph(design, s.level));
  const limits = design.sources.map((s) => limitsOf(design, s, living, n));
  return {
    livingId: living.id,
    name: living.name,
    ...drawnBy(living, byBank, banks, n),
    ...ableBy(limits, n),
    windBy: design.sources.map((s) => (varied ? windTable(s, living) : null)),
    phase,
    phasePerStep: perStep,
    selector,
    idleLph,
  };
}

/** Outputs by source and step as lists by step. */
function ableBy(limits: readonly ArrayLike<number>[], n: number): Pick<SceneDay, 'able' | 'since' | 'most'> {
  const able: number[] = [];
  const most: number[] = [];
  const since = new Int32Array(n + 1);
  for (let t = 0; t < n; t++) {
    limits.forEach((limit, s) => {
      const x = limit[t] ?? 0;
      if (x <= 0) return;
      able.push(s);
      most.push(x);
    });
    since[t + 1] = able.length;
  }
  return { able: Int32Array.from(able), since, most: Float64Array.from(most) };
}

/** What loads draw in a way of living. @param byBank the loads of each bank. */
function drawnBy(
  living: Living,
  byBank: readonly (readonly Load[])[],
  banks: readonly SceneBank[],
  n: number,
): Pick<SceneDay, 'drawing' | 'draws'> {
  const drawing = Int32Array.from(banks.flatMap((_, b) => ((byBank[b]?.length ?? 0) > 0 ? [b] : [])));
  const draws = new Float64Array(n * drawing.length * 3);
  drawing.forEach((b, g) => {
    drawsOf(living, byBank[b] ?? [], banks[b]?.nominalV ?? 0, n, draws, g * 3, drawing.length * 3);
  });
  return { drawing, draws };
}

/** The same scene with the loads of a design that differs from it in loads and circuits only. */
export function redrawn(scene: Scene, whole: SceneParts): Scene {
  const design = asDecided(whole);
  const byBank = loadsByBank(design);
  return {
    ...scene,
    days: scene.days.map((day, i) => {
      const living = design.living[i];
      return day && living ? { ...day, ...drawnBy(living, byBank, scene.banks, scene.n) } : day;
    }),
  };
}

/** Loads by the bank they are fed from; those on no circuit live on the house bank. */
export function loadsByBank(design: SceneParts): readonly (readonly Load[])[] {
  const house = houseIndex(design.banks);
  const rootOf = bankOfLoads(design);
  const indexOf = new Map(design.banks.map((b, i) => [b.id, i]));
  const byBank: Load[][] = design.banks.map(() => []);
  for (const load of dayLoads(design)) byBank[indexOf.get(rootOf.get(hostOf(load.id)) ?? '') ?? house]?.push(load);
  return byBank;
}

/** Fuel at an engine speed without load on the alternator, L/h: from idle to full by the cube of speed (propeller). */
export function engineLph({ engine }: Pick<Design, 'engine'>, rpm: number): number {
  const x = Math.min(1, Math.max(0, (rpm - engine.idleRpm) / Math.max(1, engine.maxRpm - engine.idleRpm)));
  return engine.idleLph + (engine.fullLph - engine.idleLph) * x ** 3;
}

function windTable(source: Source, living: Living): Float64Array | null {
  if (!source.wind) return null;
  const spans = spansOf(living, 'wind');
  const hours = spans.reduce((sum, s) => sum + spanH(s), 0);
  if (hours <= 0) return null;
  const mean = spans.reduce((sum, s) => sum + s.level * spanH(s), 0) / hours;
  const { curve } = source.wind;
  const base = windAmps(curve, mean);
  return Float64Array.from({ length: WIND_GRID }, (_, i) => (base > 0 ? windAmps(curve, (mean * i) / 10) / base : 0));
}

/** Bank the house lives on: the first with that job, else the first. */
export const houseIndex = (banks: readonly Bank[]): number =>
  Math.max(
    0,
    banks.findIndex((b) => b.job === 'house'),
  );

/** Bank the engine cranks from: the one named, else the first that is for starting, else the house bank. */
export function crankIndex(design: Pick<Design, 'banks' | 'engine'>): number {
  const start = startBankOf(design);
  return start ? design.banks.indexOf(start) : design.banks.length > 0 ? houseIndex(design.banks) : -1;
}

export interface SceneAsked {
  /** Minutes a step, 1 to 60; made to divide the day. */
  readonly stepMin?: number;
  /** Ways of living that are gone through, as indices; the others' days are not made. Missing: all. */
  readonly ways?: ReadonlySet<number>;
  /** Wind may blow otherwise than the day says: tables of it are made. */
  readonly varied?: boolean;
}

/** A scene in the steps of the design's own plan, unless others are asked. */
export const sceneOf = (whole: Design, asked: SceneAsked = {}): Scene => sceneIn(whole, { stepMin: whole.plan.stepMin, ...asked });

export function sceneIn(whole: SceneParts, { stepMin, ways, varied = false }: SceneAsked & { readonly stepMin: number }): Scene {
  const design = asDecided(whole);
  const n = Math.max(24, Math.round(1440 / stepMin));
  const at = (id: string | null): number => (id === null ? -1 : design.banks.findIndex((b) => b.id === id));
  const banks = design.banks.map((b) => sceneBank(design, b));
  const house = houseIndex(design.banks);
  const byBank = loadsByBank(design);
  const { engine } = design;
  return {
    n,
    stepH: 24 / n,
    banks,
    sources: design.sources.map((s) => sceneSource(design, s, at)),
    joins: design.joins.map((j) => ({
      id: j.id,
      name: j.name,
      kind: j.kind,
      first: at(j.firstId),
      second: at(j.secondId),
      running: SELECTOR_POSITIONS.indexOf(j.running),
      stopped: SELECTOR_POSITIONS.indexOf(j.stopped),
      dropV: j.dropV,
      closeV: j.closeV,
      openV: Math.min(j.openV, j.closeV),
      delayH: j.delayS / 3600,
    })),
    days: design.living.map((l, i) => (ways && !ways.has(i) ? null : sceneDay(design, l, byBank, banks, n, varied))),
    crankBank: crankIndex(design),
    crankAh: (engine.crankA * engine.crankS) / 3600,
    crankA: engine.crankA,
    house,
  };
}
