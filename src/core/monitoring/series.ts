/** Volts, amps and charge of a bank through the chosen cruise, minute by minute, with broken cloud where it is asked for. */
import { asDecided, type Design } from '../design';
import { createLoop, cruiseOf, type CruiseResult, runDays, sceneOf } from '../energy';
import { random } from '../solve';
import type { Series } from './gauge';

type Scene = CruiseResult['scene'];
type Trace = CruiseResult['trace'];

/** Steps of the run, minutes; days of it at most. */
export const STEP_MIN = 1;
export const RUN_DAYS = 30;

/** Broken cloud: the sun at this part, for so many minutes at most. */
const CLOUD = 0.3;
const CLOUD_MIN = 20;
/** Of daylight minutes, how often a cloud begins. */
const CLOUD_EVERY = 1 / 25;

/** Ways of living in turn as the chosen cruise has them, repeated to the days asked for. */
function daysRun(design: Design, days: number): readonly number[] {
  const legs = cruiseOf(design).legs.flatMap((l) =>
    Array.from({ length: l.days }, () => design.living.findIndex((x) => x.id === l.livingId)),
  );
  const known = legs.filter((i) => i >= 0);
  return Array.from({ length: days }, (_, d) => known[d % known.length] ?? 0);
}

/** null: the bank is gone, or nobody lives aboard. */
export function seriesOf(whole: Design, bankId: string, days = RUN_DAYS): Series | null {
  const design = asDecided({ ...whole, plan: { ...whole.plan, stepMin: STEP_MIN } });
  if (design.living.length === 0) return null;
  const run = daysRun(design, days);
  const scene = sceneOf(design);
  const at = scene.banks.findIndex((b) => b.id === bankId);
  if (at < 0) return null;
  const result = runDays(scene, run, cruiseOf(design).startSoc, 'gauge', createLoop(scene));
  const steps = scene.n * days;
  const wide = scene.banks.length;
  const of = (list: Float64Array): Float64Array => Float64Array.from({ length: steps }, (_, t) => list[t * wide + at] ?? 0);
  return {
    stepH: scene.stepH,
    volts: of(result.trace.volts),
    amps: of(result.trace.bankA),
    soc: of(result.trace.soc),
    startSoc: result.banks[at]?.startSoc ?? 1,
    sunA: sunOf(scene, result.trace, at, steps),
    sources: scene.sources.flatMap((s, i) =>
      s.bank === at
        ? [{ id: s.id, amps: Float64Array.from({ length: steps }, (_, t) => result.trace.sourceA[t * scene.sources.length + i] ?? 0) }]
        : [],
    ),
  };
}

/** What the sun gives a bank, step by step, A. */
function sunOf({ sources }: Scene, trace: Trace, bank: number, steps: number): Float64Array {
  const sunny = sources.flatMap((s, i) => (s.driver === 'sun' && s.bank === bank ? [i] : []));
  return Float64Array.from({ length: steps }, (_, t) => sunny.reduce((sum, i) => sum + (trace.sourceA[t * sources.length + i] ?? 0), 0));
}

/**
 * The same with days of broken cloud, three in ten: while the sun gives anything, clouds of 1 to 20 minutes leave 0.3 of it, and volts fall with
 * the current to what the bank rests near. What a cloud takes is lacking until the sun has made it up.
 * @param restV of the full bank, V. @param capacityAh of it.
 */
export function clouded(series: Series, restV: number, capacityAh: number, seed: number): Series {
  const { sunA, stepH } = series;
  if (!sunA) return series;
  const { even } = random(seed, 9);
  const n = series.amps.length;
  const [amps, volts, soc] = [Float64Array.from(series.amps), Float64Array.from(series.volts), Float64Array.from(series.soc)];
  const perMinute = 1 / (60 * stepH);
  const perDay = Math.round(24 / stepH);
  let broken = false;
  let left = 0;
  let lackingAh = 0;
  for (let t = 0; t < n; t++) {
    if (t % perDay === 0) broken = even() < CLOUDY_DAYS;
    const sun = sunA[t] ?? 0;
    const was = amps[t] ?? 0;
    if (left === 0 && broken && sun > 0 && even() < CLOUD_EVERY / perMinute) left = Math.ceil((1 + even() * (CLOUD_MIN - 1)) * perMinute);
    if (left > 0) {
      left--;
      const is = was - (1 - CLOUD) * sun;
      amps[t] = is;
      lackingAh += (was - is) * stepH;
      if (was > 0) volts[t] = restV + ((volts[t] ?? restV) - restV) * Math.max(0, is / was);
    } else if (lackingAh > 0 && sun > 0) {
      const more = Math.min(MADE_UP * sun, lackingAh / stepH);
      amps[t] = was + more;
      lackingAh -= more * stepH;
    }
    soc[t] = Math.max(0, (soc[t] ?? 0) - lackingAh / capacityAh);
  }
  return { ...series, amps, volts, soc };
}
/** Days of broken cloud, of all; and what the sun gives more until what a cloud took is made up. */
const CLOUDY_DAYS = 0.3;
const MADE_UP = 0.5;
