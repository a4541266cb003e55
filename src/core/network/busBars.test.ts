/** Bus bars, by hand. */
import { analyse } from '../analysis';
import { blankBar, type Design } from '../design';
import { blankBatteryCable } from '../propose';
import { busBars } from './busBars';
import { twoLoads as boat, theStudy as study } from './testing';
import { worstOfStudies } from './worst';

const barsOf = (d: Design) => worstOfStudies(d, analyse(d)).bars;

test('what lasts: with both loads on, 80 A go in by the feeder and out by the ways, through either rail', () => {
  const d: Design = { ...boat(), studies: [study({ small: 'on', large: 'on' })] };
  const [main, negative] = barsOf(d);
  expect(main).toMatchObject({ about: { kind: 'panel', id: 'main' }, by: 'study “both on”' });
  expect(main?.amps).toBeCloseTo(80, 6);
  // By the bank's negative 80 A leave the bus that 80 A of the main's negative come to.
  expect(negative?.amps).toBeCloseTo(80, 6);
  // 80 A want the next bar that is made.
  expect(main?.wants.ratedA).toBe(100);
});
test('what starts does not last: such a study is left out', () => {
  const d: Design = { ...boat(), studies: [study({ small: 'on', large: 'start' }, 'starting')] };
  expect(barsOf(d)[0]?.by).toBe('what its cables are sized for');
});
test('studs: heavy cables have one each, lighter ones lie two to a stud, one in four stays free', () => {
  const d = boat();
  const { circuits, leads, paths } = analyse(d);
  const [, negative] = busBars(d, { circuits, leads, paths }, []);
  const bar = d.bars.find((b) => b.kind === 'negative bus');
  const on = [
    ...leads.filter((_, i) => [d.leads[i]?.from, d.leads[i]?.to].some((e) => e?.id === bar?.id)).map((l) => l.conductor.areaMm2),
    ...circuits.filter((c) => d.circuits.some((x) => x.id === c.id && x.from.kind === 'bank')).map((c) => c.own.state.areaMm2),
  ];
  const heavy = on.filter((mm2) => mm2 >= 16).length;
  const needs = heavy + Math.ceil((on.length - heavy) / 2);
  expect(negative?.terminals).toBe(on.length);
  expect(negative?.wants.studs).toBeGreaterThanOrEqual(needs + 1);
  expect(negative).toMatchObject({ studs: null, spare: null, tooMany: 0 });
  const two = { ...d, bars: d.bars.map((b) => (b.id === bar?.id ? { ...b, studs: 1, ratedA: 100 } : b)) };
  const judged = busBars(two, { circuits, leads, paths }, [])[1];
  expect(judged).toMatchObject({ studs: 1, ratedA: 100, spare: 1 - needs, tooMany: Math.max(0, on.length - 4) });
});
test('a stud that does not take its largest cable asks for one that does', () => {
  const d = boat();
  const thin = { ...d, bars: d.bars.map((b) => ({ ...b, stud: 'M4' })) };
  const { circuits, leads, paths } = analyse(thin);
  const [, negative] = busBars(thin, { circuits, leads, paths }, []);
  expect(negative?.largest?.fits).toBe(false);
  expect(['M5', 'M6', 'M8', 'M10']).toContain(negative?.wants.stud);
});
test('beyond what is made there is no rating; bars of earths and engine blocks are none', () => {
  const d = boat();
  const lead = blankBatteryCable('x', 'x', 'negative', { kind: 'bank', id: 'house' }, { kind: 'bar', id: 'e' });
  const odd: Design = { ...d, bars: [...d.bars, blankBar('e', 'Block', 'engine', null)], leads: [...d.leads, lead] };
  expect(barsOf(odd).some((b) => b.about.id === 'e')).toBe(false);
  const huge = { ...d, loads: d.loads.map((l) => ({ ...l, rating: 900 })) };
  expect(barsOf(huge)[0]?.wants.ratedA).toBeNull();
});
