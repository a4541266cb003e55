/** Names of places on a plan of the boat. */
interface Spot {
  readonly dx: number;
  readonly dy: number;
}

/** Where each place's name stands beside its mark so that names do not lie over each other: the first free of ten spots. @param at the middle of its mark, and how far what stands under that reaches. @param width of the drawing: a name stays within. */
export function planLabels<P extends { readonly id: string; readonly name: string }>(
  places: readonly P[],
  at: (p: P) => { readonly x: number; readonly y: number; readonly below?: number },
  width = Infinity,
): Map<string, Spot> {
  const taken: { x0: number; x1: number; y0: number; y1: number }[] = places.map((p) => ({
    x0: at(p).x - 6,
    x1: at(p).x + 6,
    y0: at(p).y - 5,
    y1: at(p).y + 5 + (at(p).below ?? 0),
  }));
  const out = new Map<string, Spot>();
  for (const p of places) {
    const { x, y } = at(p);
    const long = p.name.length * 5.8;
    const spots: Spot[] = [
      { dx: 9, dy: 4 },
      { dx: 8, dy: -7 },
      { dx: 8, dy: 15 },
      { dx: -long - 9, dy: 4 },
      { dx: -long - 6, dy: -7 },
      { dx: -long - 6, dy: 15 },
      ...[-19, 27, -31, 39].map((dy) => ({ dx: 4, dy })),
    ];
    const box = (s: Spot) => ({ x0: x + s.dx, x1: x + s.dx + long, y0: y + s.dy - 9, y1: y + s.dy + 2 });
    const free =
      spots
        .filter((s) => box(s).x0 >= 0 && box(s).x1 <= width)
        .find((s) => taken.every((t) => box(s).x1 < t.x0 || box(s).x0 > t.x1 || box(s).y1 < t.y0 || box(s).y0 > t.y1)) ??
      (spots[1] as Spot);
    taken.push(box(free));
    out.set(p.id, free);
  }
  return out;
}
