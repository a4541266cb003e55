import { analyse, studied } from '../analysis';
import type { Design } from '../design';
import { theStudy, twoLoads } from '../network/testing';
import { usualBoat } from '@/testing/usualBoat';
import { barWorking } from './bar';

const both: Design = { ...twoLoads(), studies: [theStudy({ small: 'on', large: 'on' })] };
const boats = [both, usualBoat(3), usualBoat(8)].map((d) => ({ d, bars: studied(d, analyse(d)).worst.bars }));

test('half of what ends on a bar flows through it: what flows in flows out', () => {
  let counted = 0;
  for (const { d, bars } of boats)
    for (const bar of bars) {
      const [lasts] = barWorking(d, bar, d.boat).sections;
      const through = lasts?.lines.find((l) => l.label === 'through the bar');
      expect(through?.value).toBe(bar.amps);
      if (bar.flows.length === 0) continue;
      counted++;
      const ends = lasts?.lines.slice(0, -2) ?? [];
      expect(ends.reduce((sum, l) => sum + l.value, 0) / 2).toBeCloseTo(bar.amps, 9);
      expect(lasts?.title).toBe(`What lasts: ${bar.by}`);
    }
  expect(counted).toBeGreaterThan(0);
});
// By hand: 20 A and 60 A leave the bus, 80 A come by its feeder.
test('20 and 60 A leave by the ways, 80 A come by the feeder', () => {
  const bar = boats[0]?.bars[0];
  const values = bar
    ? barWorking(both, bar, both.boat)
        .sections[0]?.lines.slice(0, 3)
        .map((l) => Math.round(l.value))
    : [];
  expect(values).toEqual([80, 60, 20]);
});

test('a bar that carries more than it is rated for, or has no stud left, says which', () => {
  const [{ d, bars } = { d: usualBoat(3), bars: [] }] = boats;
  const [bar] = bars;
  if (!bar) throw new Error('no bar');
  const lines = barWorking(d, { ...bar, ratedA: bar.amps / 2, studs: 1, spare: -1 }, d.boat).sections.flatMap((s) => s.lines);
  expect(lines.filter((l) => l.breaks).map((l) => l.label)).toEqual(['through the bar', 'studs']);
});
