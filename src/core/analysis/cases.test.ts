/** Worked cases made by an independent program; each names the method it checks. */
import { largestSets, startDip } from '../ac';
import { ampacityA, conductorOhm, conductorTempC, constantPower, derate, sweep } from '../conductor';
import { setpointV } from '../charging';
import { effectiveA } from '../bank';
import { feederDemand } from '../demand';
import { adiabaticK, openingTime, withstandS } from '../protection';
import { findConductor, findFamily, type School } from '../rules';
import cases from '../cases.json';

interface Case {
  id: string;
  given: Record<string, unknown>;
  expect: Record<string, unknown>;
  relTol: number;
}
const all = cases as unknown as Case[];
const of = (prefix: string) => all.filter((c) => c.id.startsWith(prefix)).map((c) => [c.id, c] as const);
const num = (c: Case, key: string) => c.given[key] as number;
const near = (actual: number | null | undefined, expected: unknown, relTol: number) => {
  expect(typeof actual).toBe('number');
  expect(Math.abs((actual as number) - (expected as number))).toBeLessThanOrEqual(Math.abs(expected as number) * relTol);
};

const izOf = (c: Case) => {
  const school = c.given.school as School;
  const conductor = findConductor(school, c.given.size as string);
  const derating = derate(
    school,
    { insulationC: num(c, 'insulation_C'), bundled: num(c, 'bundled'), enclosure: 'open' },
    { ambientC: num(c, 'ambient_C'), engineSpace: c.given.engine_space as boolean, wet: false },
  );
  if (!conductor) throw new Error(c.id);
  return { conductor, derating, izA: ampacityA(conductor, derating) };
};

test.each(of('ampacity'))('%s', (_, c) => near(izOf(c).izA, c.expect.iz_A, c.relTol));

test.each(of('drop'))('%s', (_, c) => {
  const { conductor, derating, izA } = izOf(c);
  const tempC = conductorTempC(num(c, 'ambient_C'), derating.ratingC, num(c, 'current_A'), izA);
  const ohm = 2 * conductorOhm(conductor.r20OhmPerKm, num(c, 'run_m'), tempC);
  near(izA, c.expect.iz_A, c.relTol);
  near(tempC, c.expect.conductor_C, c.relTol);
  near(ohm, c.expect.loop_ohm, c.relTol);
  const source = num(c, 'nominal_V');
  const run = sweep(source, 0, [{ parent: -1, ohm, fixedA: num(c, 'current_A'), powerW: 0 }]);
  near(source - (run.tapV[0] ?? 0), c.expect.drop_V, c.relTol);
  near((100 * (source - (run.tapV[0] ?? 0))) / source, c.expect.drop_pct, c.relTol);
});

test.each(of('constant-power'))('%s', (_, c) => {
  const point = constantPower(num(c, 'source_V'), num(c, 'loop_ohm'), num(c, 'power_W'));
  expect(point === null).toBe(c.expect.collapses);
  if (!point) return;
  near(point.loadV, c.expect.load_V, c.relTol);
  near(point.currentA, c.expect.current_A, c.relTol);
});

test.each(of('curve'))('%s', (_, c) => {
  const family = findFamily(c.given.family as string);
  if (!family) throw new Error(c.id);
  const time = openingTime(family, num(c, 'multiple_of_rating'));
  for (const [key, actual] of [
    ['fastest_s', time.fastestS],
    ['slowest_s', time.slowestS],
  ] as const) {
    if (c.expect[key] === null) expect(actual).toBeNull();
    else near(actual, c.expect[key], c.relTol);
  }
});

test.each(of('adiabatic'))('%s', (_, c) => {
  const k = adiabaticK(num(c, 'rating_C'), num(c, 'limit_C'));
  near(k, c.expect.k, c.relTol);
  near(withstandS(k, num(c, 'area_mm2'), num(c, 'current_A')), c.expect.longest_clearing_s, c.relTol);
});

test.each(of('feeder-demand'))('%s', (_, c) => {
  const items = [
    ...(c.given.together_A as number[]).map((currentA) => ({ currentA, runsLong: true })),
    ...(c.given.other_A as number[]).map((currentA) => ({ currentA, runsLong: false })),
  ];
  near(feederDemand(c.given.school as School, items, 1).demandA, c.expect.demand_A, c.relTol);
});

test.each(of('peukert'))('%s', (_, c) => {
  const [c20, amps] = [num(c, 'c20_Ah'), num(c, 'current_A')];
  const effective = effectiveA(amps, c20, num(c, 'peukert'));
  near(effective, c.expect.effective_A, c.relTol);
  near(c20 / effective, c.expect.hours_to_empty, c.relTol);
});

test.each(of('temperature-setpoint'))('%s', (_, c) =>
  near(
    setpointV(num(c, 'setpoint_V_at_25C'), num(c, 'slope_mV_per_C_per_cell'), num(c, 'cells'), num(c, 'battery_C')),
    c.expect.setpoint_V,
    c.relTol,
  ),
);

test.each(of('together'))('%s', (_, c) => {
  const loads = Object.entries(c.given.loads_W as Record<string, number>).map(([id, watts]) => ({
    id,
    watts,
    powerFactor: 1,
    continuous: false,
    leg: 'first' as const,
    notWith: null,
    keep: 0,
  }));
  const limit = { legs: 1 as const, volts: 1, amps: num(c, 'limit_W'), continuousPart: 1, kw: null, kva: null };
  const named = (sets: readonly (readonly string[])[]) => sets.map((s) => [...s].sort().join(' ')).sort();
  expect(named(largestSets(loads, limit).sets)).toEqual(named(c.expect.maximal_sets as string[][]));
});

test.each(of('generator-dip'))('%s', (_, c) =>
  near(100 * startDip(num(c, 'start_kVA'), num(c, 'generator_kVA'), num(c, 'xd_transient_pu')), c.expect.dip_pct, c.relTol),
);
