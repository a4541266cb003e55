/** A boat's bank through a year, minute by minute, with everything known that can be learned from it. */
import { blankBank, blankCircuit, blankDesign, blankLoad, blankSource, type Design } from '@/core/design';
import { alternatorAt } from '@/core/charging';
import type { Measured } from '@/core/measured';
import { random } from '@/core/solve';

export interface KnownYear {
  readonly design: Design;
  readonly series: Measured;
  /** By the id of what is learned: the figure as it really is, and two sigma of what the design says of it, in its unit. */
  readonly truth: ReadonlyMap<string, { readonly value: number; readonly prior: number }>;
  /** Part of the time each load is on, by its id: of the time in which no source holds the volts and covers it. */
  readonly duty: ReadonlyMap<string, number>;
}

const MINUTES = 1440;
const FROM = Date.UTC(2025, 3, 1);

/** What hangs on the bank: amps by its label, and how it runs. */
const LOADS = [
  { id: 'fridge', name: 'Fridge', amps: 4.6 },
  { id: 'pilot', name: 'Autopilot', amps: 8 },
  { id: 'pump', name: 'Pump', amps: 14 },
  { id: 'maker', name: 'Watermaker', amps: 25 },
  { id: 'fan', name: 'Fan', amps: 2 },
  { id: 'fan2', name: 'Other fan', amps: 2.1 },
] as const;
type LoadId = (typeof LOADS)[number]['id'];

const CAPACITY_AH = 200;
const SETPOINT_V = 14.4;
const FLOAT_V = 13.5;
/** Full for so many minutes, its charger goes to float until something is drawn out of it. */
const TO_FLOAT_MIN = 60;
const STANDING_A = 0.8;

function boat(): Design {
  const base = blankDesign('Known', 'metric', 10, 3, 12);
  const loads = LOADS.map(({ id, name, amps }) => ({
    ...blankLoad(id, 12),
    name,
    ratingBy: 'A' as const,
    rating: amps,
    behaviour: 'current' as const,
    placeId: 'saloon',
  }));
  const tracker = { ...blankLoad('tracker', 12), name: 'Tracker', ratingBy: 'A' as const, rating: STANDING_A, standbyA: STANDING_A };
  const solar = blankSource('sun', 'solar', 12, 'house');
  const alternator = blankSource('alt', 'alternator', 12, 'house');
  const held = { staged: true, absorptionV: SETPOINT_V, floatV: FLOAT_V };
  return {
    ...base,
    banks: [{ ...blankBank('house', 12, 'saloon'), blockAh: CAPACITY_AH }],
    loads: [...loads, { ...tracker, placeId: 'saloon' }],
    sources: [solar, alternator].map((s) => ({ ...s, regulator: { ...s.regulator, ...held } })),
    circuits: [...loads, tracker].map((l) => {
      const c = blankCircuit(`c-${l.id}`, '', l.name, { kind: 'bank', id: 'house' });
      return { ...c, taps: [{ id: `t-${l.id}`, parent: null, serves: { kind: 'load' as const, id: l.id }, tapedM: 2 }] };
    }),
  };
}

/** @param days from the first of April on. The same seed gives the same year. */
export function knownYear(seed: number, days = 365): KnownYear {
  const design = boat();
  const { even, normal } = random(seed, 41);
  const real = new Map(LOADS.map((l) => [l.id, l.amps * Math.max(0.5, 1 + 0.125 * normal())] as const));
  const ohm = 0.006 * Math.exp(0.3 * normal());
  const standing = STANDING_A * Math.max(0.3, 1 + 0.125 * normal());
  const efficiency = Math.min(0.97, 0.87 + 0.03 * normal());
  const gain = 1 + 0.005 * normal();
  const zero = 0.025 * normal();
  // Of its own chances, so that all else of a year is as it was.
  const engine = random(seed, 43);
  const curvePart = Math.max(0.6, 1 + 0.075 * engine.normal());
  const pathOhm = 0.008 * Math.exp(0.3 * engine.normal());
  const zeroV = 0.02 * engine.normal();
  const alternator = design.sources.find((s) => s.id === 'alt')?.alternator;
  if (!alternator) throw new Error('no alternator');
  const n = days * MINUTES;
  const series: Measured = {
    at: new Float64Array(n),
    volts: new Float64Array(n),
    amps: new Float64Array(n),
    soc: new Float64Array(n),
    further: {},
  };
  const [rpm, gives, there] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  const onMin = new Map<LoadId, number>(LOADS.map((l) => [l.id, 0]));
  const until = new Map<LoadId, number>();
  let soc = 0.9;
  let seen = 0;
  let fullMin = 0;
  let fridgeNext = 0;
  for (let day = 0; day < days; day++) {
    const season = Math.cos((2 * Math.PI * (day - 90)) / 365);
    const sun = 24 * (0.7 + 0.3 * season) * (0.35 + 0.65 * even());
    const ashore = day % 4 === 3;
    const sailing = even() < 0.4;
    const begins: { readonly id: LoadId; readonly at: number; readonly min: number }[] = [
      ...(sailing ? [{ id: 'pilot' as const, at: 540 + Math.floor(60 * even()), min: 180 + Math.floor(180 * even()) }] : []),
      ...[400, 720, 1150].map((at) => ({ id: 'pump' as const, at: at + Math.floor(40 * even()), min: 6 + Math.floor(8 * even()) })),
      ...(day % 3 === 0 ? [{ id: 'maker' as const, at: 640 + Math.floor(200 * even()), min: 50 + Math.floor(40 * even()) }] : []),
      ...(season > 0 ? (['fan', 'fan2'] as const).map((id) => ({ id, at: 1200 + Math.floor(60 * even()), min: 120 })) : []),
    ];
    let turns = 0;
    for (let m = 0; m < MINUTES; m++) {
      const k = day * MINUTES + m;
      const ran = day % 3 === 1 && m >= 440 && m < 515 ? m - 440 : -1;
      if (ran < 0) turns = 0;
      else if (ran % 15 === 0) turns = 1000 + 400 * Math.floor(4 * engine.even());
      const output = alternatorAt(alternator, 12, turns, 0, Infinity);
      // Cold it gives what its label says; ten minutes later it is warm.
      const able = curvePart * (output.labelA + (output.hotA - output.labelA) * Math.min(1, Math.max(0, ran) / 10));
      for (const b of begins) if (b.at === m) until.set(b.id, k + b.min);
      if (k >= fridgeNext) {
        const run = 14 + Math.floor(10 * even());
        until.set('fridge', k + run);
        fridgeNext = k + Math.round(run / (0.3 + 0.1 * season));
      }
      let drawn = standing;
      const running: LoadId[] = [];
      for (const { id } of LOADS)
        if ((until.get(id) ?? 0) > k) {
          drawn += real.get(id) ?? 0;
          running.push(id);
        }
      const light = Math.max(0, Math.sin((Math.PI * (m - 390)) / 720));
      const other = (ashore && m > 600 ? 30 : 0) + sun * light;
      const offered = other + able;
      // A bank takes less the fuller it is; what it does not take the loads still get.
      const emf = 12 + 0.8 * soc;
      const takes = Math.min(Math.max(0, offered - drawn), CAPACITY_AH * (1 - soc));
      const amps = offered > drawn ? takes : offered - drawn;
      // Taking less than it is offered it stands at the setpoint.
      const held = offered > drawn && takes < offered - drawn;
      fullMin = held && takes < 0.02 * CAPACITY_AH ? fullMin + 1 : held ? fullMin : 0;
      const volts = held ? (fullMin > TO_FLOAT_MIN ? FLOAT_V : SETPOINT_V) : Math.min(SETPOINT_V, emf + amps * ohm + (amps > 0 ? 0.6 : 0));
      if (!(held && takes >= 0)) {
        seen++;
        for (const id of running) onMin.set(id, (onMin.get(id) ?? 0) + 1);
      }
      soc = Math.min(1, Math.max(0.05, soc + ((amps > 0 ? efficiency : 1) * amps) / 60 / CAPACITY_AH));
      series.at[k] = FROM + k * 60_000;
      series.volts[k] = Math.round((volts + 0.002 * normal()) * 100) / 100;
      series.amps[k] = Math.round((amps * gain + zero + 0.03 * normal()) * 10) / 10;
      series.soc[k] = NaN;
      const fromIt = Math.min(able, Math.max(0, drawn + amps - other));
      rpm[k] = Math.round(turns * (1 + 0.003 * engine.normal()));
      gives[k] = Math.round((fromIt * gain + zero + 0.03 * engine.normal()) * 10) / 10;
      there[k] = Math.round((volts + fromIt * pathOhm + zeroV + 0.003 * engine.normal()) * 100) / 100;
    }
  }
  return {
    design,
    series: { ...series, further: { rpm, 'amps of alt': gives, 'volts of alt': there } },
    truth: new Map([
      ...LOADS.map((l) => [`load-${l.id}`, { value: real.get(l.id) ?? 0, prior: 0.25 * l.amps }] as const),
      ['standing', { value: standing, prior: 0.25 * STANDING_A }],
      ['bank-ohm', { value: 1000 * ohm, prior: 0.6 * 6 }],
      ['accepted', { value: 100 * efficiency, prior: 6 }],
      ['curve-alt', { value: 100 * curvePart, prior: 15 }],
      ['path-alt', { value: 1000 * pathOhm, prior: 5 }],
    ]),
    duty: new Map([...onMin].map(([id, min]) => [id, min / seen] as const)),
  };
}
