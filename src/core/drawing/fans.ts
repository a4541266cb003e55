/**
 * Fans: things that hang on one line of a hub (loads of a panel, sources of a bus), stacked beside it. The layout takes a fan as one node on
 * one line, as tall as its rows, which spares it most of a boat; then each row is drawn straight from hub to thing.
 */
import type { Drawing, Drawn, Line } from './types';

/** From one way of a panel to the next; even, as every span is: the layout computes with half of it in whole units. */
export const PITCH = 26;
/** Least between two things of a fan. */
const GAP = 4;

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Row {
  readonly thing: Drawn;
  readonly line: Line;
  readonly size: Size;
  /** From the fan's top edge to the thing's, and from its first line to this one. */
  readonly top: number;
  readonly at: number;
}

export interface Fan {
  readonly id: string;
  /** The hub, and whether lines leave it. */
  readonly hub: string;
  readonly leaves: boolean;
  readonly rows: readonly Row[];
  readonly size: Size;
  /** From its top edge to its first line, and from that to its last. */
  readonly first: number;
  readonly span: number;
}

export interface Fanned {
  readonly fans: readonly Fan[];
  /** Things in no fan, and the lines between them. */
  readonly things: readonly Drawn[];
  readonly lines: readonly Line[];
}

/** Lines to things that hang on nothing else, by hub and side, in order. */
interface Group {
  readonly hub: string;
  readonly leaves: boolean;
  readonly of: { readonly thing: Drawn; readonly line: Line }[];
}

/** @param levelOf how far below a thing's top edge its line meets it. */
export function fanned(drawing: Drawing, sizeOf: (thing: Drawn) => Size, levelOf: (thing: Drawn) => number): Fanned {
  const fans = groupsOf(drawing).map((g) => stacked(g, sizeOf, levelOf));
  const rows = fans.flatMap((f) => f.rows);
  const stackedThings = new Set(rows.map((r) => r.thing.id));
  const stackedLines = new Set(rows.map((r) => r.line.id));
  return {
    fans,
    things: drawing.things.filter((t) => !stackedThings.has(t.id)),
    lines: drawing.lines.filter((l) => !stackedLines.has(l.id)),
  };
}

function groupsOf({ things, lines }: Drawing): readonly Group[] {
  const ends = new Map<string, number>();
  for (const l of lines) for (const end of [l.from, l.to]) ends.set(end, (ends.get(end) ?? 0) + 1);
  const alone = (id: string) => ends.get(id) === 1;
  const byId = new Map(things.map((t) => [t.id, t]));
  const open = new Map<string, Group>();
  const groups: Group[] = [];
  for (const line of lines) {
    const leaves = alone(line.to);
    const thing = leaves || alone(line.from) ? byId.get(leaves ? line.to : line.from) : undefined;
    const hub = leaves ? line.from : line.to;
    const key = `${hub} ${leaves ? 'out' : 'in'}`;
    if (!thing) {
      // A panel's ways keep their order: what follows a line that goes on begins a new fan.
      if (byId.get(line.from)?.symbol === 'panel') open.delete(`${line.from} out`);
      continue;
    }
    const group = open.get(key) ?? { hub, leaves, of: [] };
    if (group.of.length === 0) groups.push(group);
    group.of.push({ thing, line });
    open.set(key, group);
  }
  return groups;
}

function stacked({ hub, leaves, of }: Group, sizeOf: (thing: Drawn) => Size, levelOf: (thing: Drawn) => number): Fan {
  const rows: Row[] = [];
  let first = 0;
  let bottom = 0;
  for (const { thing, line } of of) {
    const size = sizeOf(thing);
    const level = levelOf(thing);
    const before = rows.at(-1);
    if (!before) first = Math.ceil(level);
    const at = before ? Math.max(before.at + PITCH, 2 * Math.ceil((bottom + GAP + level - first) / 2)) : 0;
    const top = first + at - level;
    rows.push({ thing, line, size, top, at });
    bottom = Math.max(bottom, top + size.height);
  }
  const width = Math.max(...rows.map((r) => r.size.width));
  return {
    id: `fan ${of[0]?.line.id ?? ''}`,
    hub,
    leaves,
    rows,
    size: { width, height: Math.ceil(bottom) },
    first,
    span: rows.at(-1)?.at ?? 0,
  };
}
