/** Names on a plan lie beside their marks, over no other name, within the drawing. */
import { planLabels } from './labels';

const at = (x: number, y: number, name: string) => ({ id: `${x},${y}`, name, x, y });
const boxOf = (p: { x: number; y: number; name: string }, { dx, dy }: { dx: number; dy: number }) => ({
  x0: p.x + dx,
  x1: p.x + dx + 5.8 * p.name.length,
  y0: p.y + dy - 9,
  y1: p.y + dy + 2,
});

test('eight marks in a row of a hand’s breadth are named without one name over another', () => {
  const places = Array.from({ length: 8 }, (_, i) => at(300 + 14 * i, 100, `place ${i}`));
  const spots = planLabels(places, (p) => p, 760);
  const boxes = places.map((p) => boxOf(p, spots.get(p.id) ?? { dx: 0, dy: 0 }));
  for (const [i, a] of boxes.entries())
    for (const b of boxes.slice(i + 1)) expect(a.x1 < b.x0 || b.x1 < a.x0 || a.y1 < b.y0 || b.y1 < a.y0).toBe(true);
});

test('at the edge of the drawing a name turns inward', () => {
  const bow = at(740, 100, 'anchor locker');
  const right = planLabels([bow], (p) => p, 760).get(bow.id);
  expect(boxOf(bow, right ?? { dx: 0, dy: 0 }).x1).toBeLessThanOrEqual(760);
  const stern = at(4, 100, 'lazarette');
  expect(planLabels([stern], (p) => p, 760).get(stern.id)?.dx).toBeGreaterThan(0);
});
