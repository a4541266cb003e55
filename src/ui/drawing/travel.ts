/** From thing to thing with the arrow keys: the nearest that lies that way, straight ahead before aside. */
import type { About, Layout, Placed } from '@/core/drawing';

const middle = (t: Placed): readonly [number, number] => [t.x + t.width / 2, t.y + t.height / 2];

/** @param step one of the four directions. From nothing, the first thing; null where nothing lies that way. */
export function nextThing(layout: Layout, chosen: About | null, step: readonly [number, number]): Placed | null {
  const from = chosen && (layout.things.find((t) => t.about.kind === chosen.kind && t.about.id === chosen.id) ?? endOf(layout, chosen));
  if (!from) return layout.things[0] ?? null;
  const [x, y] = middle(from);
  let best: Placed | null = null;
  let least = Infinity;
  for (const t of layout.things) {
    const [dx, dy] = [middle(t)[0] - x, middle(t)[1] - y];
    const ahead = dx * step[0] + dy * step[1];
    const aside = Math.abs(dx * step[1]) + Math.abs(dy * step[0]);
    if (t === from || ahead < 4) continue;
    const far = ahead + 2.5 * aside;
    if (far < least) [best, least] = [t, far];
  }
  return best;
}

/** A line stands where it ends. */
function endOf(layout: Layout, about: About): Placed | undefined {
  const line = layout.lines.find((l) => l.about.kind === about.kind && l.about.id === about.id);
  return layout.things.find((t) => t.id === line?.to);
}
