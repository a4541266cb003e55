/** Parts of a drawing that is too much for one sheet: a panel with what its circuits lead on to, then what meets at a bar or a bank. */
import type { Drawing, Drawn, Line, SymbolKind } from './types';

/** Part of a drawing, by the panel, bar or bank it hangs on; null: what comes before those. */
export interface Part {
  readonly hub: Drawn | null;
  readonly drawing: Drawing;
}

/** Panels go first to a sheet of their own, then bars, then banks. */
const HUBS: readonly SymbolKind[] = ['panel', 'bar', 'cell'];
/** A part that takes less than this of all lines is no sheet, while it may be taken elsewhere. */
const WORTH = 0.2;

/** Lines that leave a hub; of a panel with all that its circuits lead on to. */
function behind(hub: Drawn, lines: readonly Line[]): ReadonlySet<string> {
  const deep = hub.symbol === 'panel';
  const taken = new Set<string>();
  let ends = new Set([hub.id]);
  while (ends.size > 0) {
    const next = lines.filter((l) => ends.has(l.from) && l.to !== l.from && !taken.has(l.id) && (!deep || l.about.kind !== 'lead'));
    for (const l of next) taken.add(l.id);
    ends = new Set(deep ? next.map((l) => l.to) : []);
  }
  return taken;
}

/** The part that these lines make: the things they meet, in the drawing's order. @param alone with the things no line meets */
function partOf(hub: Drawn | null, { drawing }: Part, takes: (line: Line) => boolean, alone = false): Part {
  const ends = (lines: readonly Line[]) => new Set(lines.flatMap((l) => [l.from, l.to]));
  const lines = drawing.lines.filter(takes);
  const [met, all] = [ends(lines), ends(drawing.lines)];
  return { hub, drawing: { things: drawing.things.filter((t) => met.has(t.id) || (alone && !all.has(t.id))), lines } };
}

/**
 * In smaller parts: a hub's lines apart from the others; or, where all hang on one hub, its ways shared out in their order.
 * @param pieces into how many, at least, its ways are shared. @returns null: it cannot be parted
 */
export function parted(part: Part, pieces = 2): readonly Part[] | null {
  const { things, lines } = part.drawing;
  const hubs = things
    .filter((t) => HUBS.includes(t.symbol))
    .map((hub) => ({ hub, own: behind(hub, lines) }))
    .filter(({ own }) => own.size > 1);
  const small = (own: ReadonlySet<string>) => Number(own.size < WORTH * lines.length);
  const [off] = hubs
    .filter(({ own }) => own.size < lines.length)
    .sort(
      (a, b) =>
        small(a.own) - small(b.own) ||
        HUBS.indexOf(a.hub.symbol) - HUBS.indexOf(b.hub.symbol) ||
        Math.abs(2 * a.own.size - lines.length) - Math.abs(2 * b.own.size - lines.length),
    );
  const whole = hubs.find(({ own }) => own.size === lines.length);
  if (whole && (!off || small(off.own))) return shared(part, whole.hub, pieces);
  if (!off) return null;
  const here = (l: Line) => !off.own.has(l.id);
  return [partOf(part.hub, part, here, true), partOf(off.hub, part, (l) => !here(l))];
}

function shared(part: Part, hub: Drawn, pieces: number): readonly Part[] | null {
  const { lines } = part.drawing;
  const ways = lines.filter((l) => l.from === hub.id);
  if (ways.length < 2) return null;
  const piece = new Map<string, number>();
  for (const [i, way] of ways.entries())
    for (const id of [way.id, ...behind({ ...hub, id: way.to }, lines)])
      if (!piece.has(id)) piece.set(id, Math.floor((i * Math.max(2, Math.min(pieces, ways.length))) / ways.length));
  const nos = [...new Set(piece.values())];
  return nos.length < 2 ? null : nos.map((no) => partOf(part.hub, part, (l) => (piece.get(l.id) ?? 0) === no));
}
