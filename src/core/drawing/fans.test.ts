/** What hangs on one line of a hub is stacked beside it, and each row is drawn straight from hub to thing. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { fanned } from './fans';
import { fromElk, toElk } from './layout';
import type { Laid, Layout } from './placed';
import type { Drawing, Drawn, Line, SymbolKind } from './types';

const thing = (id: string, symbol: SymbolKind = 'load', taps = 0): Drawn => ({
  id,
  symbol,
  label: id,
  under: '',
  about: { kind: 'load', id },
  worst: null,
  taps: Array.from({ length: taps }, (_, i) => ({ about: { kind: 'load', id: `${id}${i}` }, label: 'tap', under: '', over: '1 m' })),
  folded: false,
  ways: 0,
  sign: null,
});
const line = (from: string, to: string): Line => ({
  id: `${from}-${to}`,
  from,
  to,
  rail: 'positive',
  symbols: [],
  no: '',
  over: '',
  below: '',
  about: { kind: 'circuit', id: to },
  worst: null,
});

/** A bank that two sources lead to, its panel with two loads, a further panel, and two loads more. */
const boat: Drawing = {
  things: [
    thing('sun', 'sun'),
    thing('alternator', 'generator'),
    thing('bank', 'cell'),
    thing('panel', 'panel'),
    thing('far', 'panel'),
    thing('lamp'),
    thing('row of lamps', 'lamp', 3),
    thing('pump'),
    thing('radio'),
    thing('heater'),
    thing('far lamp'),
    thing('far pump'),
  ],
  lines: [
    // Led from the bank to the source: it stands left of it all the same.
    line('bank', 'sun'),
    line('alternator', 'bank'),
    line('bank', 'panel'),
    line('panel', 'lamp'),
    line('panel', 'row of lamps'),
    line('panel', 'far'),
    line('panel', 'pump'),
    line('panel', 'radio'),
    line('far', 'far lamp'),
    line('far', 'far pump'),
  ],
};

const lay = async (drawing: Drawing): Promise<Layout> => fromElk(drawing, await new ELK().layout(toElk(drawing)));
const placed = (layout: Layout, id: string) => {
  const found = layout.things.find((t) => t.id === id);
  if (!found) throw new Error(`${id} is not laid`);
  return found;
};
const of = (layout: Layout, id: string): Laid => {
  const found = layout.lines.find((l) => l.id === id);
  if (!found) throw new Error(`${id} is not laid`);
  return found;
};

test('what has one line hangs in the fan of its hub; a line that goes on parts a panel’s fan, so that its ways keep their order', () => {
  const { fans, things, lines } = fanned(
    boat,
    () => ({ width: 50, height: 25 }),
    () => 12,
  );
  expect(fans.map((f) => [f.hub, f.leaves, f.rows.map((r) => r.thing.id)])).toEqual([
    ['bank', true, ['sun']],
    ['bank', false, ['alternator']],
    ['panel', true, ['lamp', 'row of lamps']],
    ['panel', true, ['pump', 'radio']],
    ['far', true, ['far lamp', 'far pump']],
  ]);
  expect(things.map((t) => t.id)).toEqual(['bank', 'panel', 'far', 'heater']);
  expect(lines.map((l) => l.id)).toEqual(['bank-panel', 'panel-far']);
});

test('rows stand a pitch apart, farther where a thing is taller, and never on one another', () => {
  const { fans } = fanned(
    boat,
    (t) => ({ width: 50, height: 25 + 13 * t.taps.length }),
    () => 13,
  );
  const [, , lamps] = fans;
  expect(lamps?.rows.map((r) => [r.top, r.at])).toEqual([
    [0, 0],
    [30, 30],
  ]);
  expect(lamps?.size.height).toBe(30 + 64);
  expect(fans[3]?.rows[1]?.at).toBe(30);
});

test('laid: everything once, its rows level at their symbols, in the order of the ways, sources left of what they feed', async () => {
  const layout = await lay(boat);
  expect(layout.things.map((t) => t.id)).toEqual(boat.things.map((t) => t.id));
  expect(layout.lines.map((l) => l.id)).toEqual(boat.lines.map((l) => l.id));
  for (const id of ['lamp', 'row of lamps', 'pump', 'radio']) {
    const run = of(layout, `panel-${id}`);
    const t = placed(layout, id);
    const panel = placed(layout, 'panel');
    const symbolY = t.y + (t.height - 13 * t.taps.length) / 2;
    expect(new Set(run.points.map(([, y]) => Math.round(1e6 * y))).size).toBe(1);
    expect(run.points[0]?.[0]).toBeCloseTo(panel.x + panel.width, 6);
    expect(run.points.at(-1)?.[0]).toBeCloseTo(t.x, 6);
    expect(run.points.at(-1)?.[1]).toBeCloseTo(symbolY, 6);
    expect(symbolY).toBeGreaterThanOrEqual(panel.y);
    expect(symbolY).toBeLessThanOrEqual(panel.y + panel.height);
  }
  const ways = layout.lines.filter((l) => l.from === 'panel').map((l) => l.points[0]?.[1] ?? NaN);
  expect(ways).toEqual([...ways].sort((a, b) => a - b));
  const bank = placed(layout, 'bank');
  for (const id of ['sun', 'alternator']) expect(placed(layout, id).x + placed(layout, id).width).toBeLessThanOrEqual(bank.x);
  // A line keeps its own direction, whichever way it was laid.
  expect(of(layout, 'bank-sun').points[0]?.[0]).toBeCloseTo(bank.x, 6);
  expect(of(layout, 'alternator-bank').points.at(-1)?.[0]).toBeCloseTo(bank.x, 6);
});

test('where a fan’s line turns, its rows turn with it and do not cross', () => {
  const drawing: Drawing = { things: [thing('hub', 'bar'), thing('a'), thing('b')], lines: [line('hub', 'a'), line('hub', 'b')] };
  const graph = toElk(drawing);
  const fan = graph.children?.find((n) => n.id.startsWith('fan'));
  const crossings = (to: number) => {
    const layout = fromElk(drawing, {
      ...graph,
      children: graph.children?.map((n) => (n === fan ? { ...n, x: 300, y: to } : { ...n, x: 0, y: 0 })),
      edges: graph.edges?.map((e) => ({
        ...e,
        sections: [
          {
            id: 's',
            startPoint: { x: 60, y: 40 },
            bendPoints: [
              { x: 150, y: 40 },
              { x: 150, y: to },
            ],
            endPoint: { x: 300, y: to },
          },
        ],
      })),
    });
    const [a, b] = [of(layout, 'hub-a').points, of(layout, 'hub-b').points];
    const level = (p: Laid['points'], i: number) => ({ y: p[i]?.[1] ?? NaN, from: p[i]?.[0] ?? NaN, to: p[i + 1]?.[0] ?? NaN });
    const crosses = (p: Laid['points'], q: Laid['points']) => {
      const [x, y0, y1] = [q[1]?.[0] ?? NaN, q[1]?.[1] ?? NaN, q[2]?.[1] ?? NaN];
      return [level(p, 0), level(p, 2)].filter(
        (l) => l.y > Math.min(y0, y1) && l.y < Math.max(y0, y1) && x > Math.min(l.from, l.to) && x < Math.max(l.from, l.to),
      ).length;
    };
    return crosses(a, b) + crosses(b, a);
  };
  expect([crossings(200), crossings(-200)]).toEqual([0, 0]);
});
