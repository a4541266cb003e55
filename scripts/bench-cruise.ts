/** Times the boat through time: a cruise, a season, and a bare loop doing as much arithmetic. */
import { blankSource, type Design, type Source } from '../src/core/design';
import { AS_ENTERED, createLoop, cruise, cruiseOf, sceneOf, seasonBlock, seasonResult, seasonScene } from '../src/core/energy';
import { APPLIANCES, loadFrom } from '../src/core';
import { marram } from '../src/server/demo/marram';

const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;

/** Marram with 60 loads, six sources and thirty days. */
function boat(): Design {
  const base = marram();
  const places = new Set(base.places.map((p) => p.id));
  const loads = Array.from({ length: 60 }, (_, i) => {
    const appliance = APPLIANCES[i % APPLIANCES.length];
    if (!appliance) throw new Error('no appliance');
    const load = loadFrom(appliance, `n${i}`, 12, places);
    return { ...load, rating: load.rating / 3 };
  });
  const more: Source[] = [
    blankSource('wind', 'wind', 12, 'house'),
    blankSource('port', 'portable', 12, 'house'),
    { ...blankSource('sun2', 'solar', 12, 'house'), name: 'Solar on the arch' },
  ];
  return {
    ...base,
    loads,
    sources: [...base.sources, ...more],
    cruises: [
      {
        id: 'c',
        name: 'thirty days',
        legs: [
          { id: 'l1', livingId: 'anchor', days: 5 },
          { id: 'l2', livingId: 'passage', days: 2 },
          { id: 'l3', livingId: 'alongside', days: 1 },
          { id: 'l4', livingId: 'anchor', days: 2 },
        ],
        repeat: 3,
        startSoc: 1,
      },
    ],
    plan: { ...base.plan, cruiseId: 'c' },
  };
}

const design = boat();
const times = (n: number, work: () => void): number[] =>
  Array.from({ length: n }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });

if (process.argv[2] === 'season') timeSeason();
else timeCruise();

function timeCruise(): void {
  for (let i = 0; i < 5; i++) cruise(design);
  const whole = median(times(20, () => cruise(design)));
  const scene = sceneOf(design, { stepMin: 5 });
  const loop = createLoop(scene);
  const days = 30;
  const inLoop = median(
    times(20, () => {
      loop.reset(1);
      for (let d = 0; d < days; d++) loop.day(d % 2, AS_ENTERED);
    }),
  );
  console.log(`cruise: ${days} days at 5 min, ${design.sources.length} sources, ${design.loads.length} loads, ${scene.banks.length} banks`);
  console.log(`  whole, scene and books: median ${whole.toFixed(1)} ms (aim: 10 ms); the loop alone ${inLoop.toFixed(1)} ms`);
}

function timeSeason(): void {
  const season = seasonScene(design);
  const asked = { ...design.plan.season, runs: 2000 };
  seasonBlock(season, asked, 0, 50);
  const block = seasonBlock(season, asked, 0, 2000);
  const took = times(5, () => seasonBlock(season, asked, 0, 2000));
  const tookMs = median(took);
  const steps = 2000 * season.days.length * season.scene.n;
  const result = seasonResult([block], season.windowLow);
  const bare = median(times(3, () => void bareLoop(steps, season.scene.banks.length, 4)));
  console.log(
    `season of ${cruiseOf(design).name}, 2000 cruises at 15 min, one core: median of five ${(tookMs / 1000).toFixed(2)} s, fastest ${(Math.min(...took) / 1000).toFixed(2)} s (aim: 1.5 s); median of the lowest ${(100 * result.medianLowest).toFixed(1)} %`,
  );
  console.log(
    `  ${(steps / tookMs / 1000).toFixed(2)} million steps a second; a bare loop of the same arithmetic ${(steps / bare / 1000).toFixed(2)}; ratio ${(tookMs / bare).toFixed(1)}`,
  );
}

/**
 * The arithmetic of a step without the model: per bank three look-ups, a division and the books; three rounds of the search for volts
 * over banks and sources; in plain local figures.
 */
function bareLoop(n: number, banks: number, sources: number): void {
  const table = Float64Array.from({ length: 514 }, (_, i) => 11.8 + i / 400);
  let soc = 0.8;
  let v = 12.8;
  let sum = 0;
  for (let t = 0; t < n; t++) {
    let into = 0;
    for (let b = 0; b < banks; b++) {
      const x = soc * 512;
      const i = x | 0;
      const f = x - i;
      const ocv = (table[i] as number) + f * ((table[i + 1] as number) - (table[i] as number));
      const accepts = (table[i] as number) + f * ((table[i + 1] as number) - (table[i] as number));
      const eff = (table[i] as number) + f * ((table[i + 1] as number) - (table[i] as number));
      const k = accepts / Math.max(0.05, 14.4 - ocv);
      for (let round = 0; round < 3; round++) {
        let flow = -60 / v - 0.1 * v - 2;
        let slope = 60 / (v * v) - 0.1;
        flow -= (v - ocv) * k;
        slope -= k;
        for (let s = 0; s < sources; s++) {
          const d = 14.4 - v + s * 0.01;
          const a = d * 40;
          flow += a < 20 ? a : 20;
          slope -= a < 20 ? 40 : 0;
        }
        v -= (0.1 * flow) / slope;
        if (v < 11 || v > 15) v = 12.8;
      }
      into = (v - ocv) * k;
      sum += into * eff;
    }
    soc += into * 1e-6;
    if (soc > 0.99 || soc < 0.1) soc = 0.5;
  }
  if (!Number.isFinite(sum)) throw new Error('the bare loop ran away');
}
