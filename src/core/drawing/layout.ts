/** From things and lines to a graph for the layered layout, and back with places: sizes are of the symbols, left to right from source to load. */
import type { ElkExtendedEdge, ElkNode, ElkPort } from 'elkjs/lib/elk-api';
import { type Fan, fanned, type Fanned, PITCH, type Size } from './fans';
import { type Laid, type Layout, type Placed, TAP_PITCH, textWidth } from './placed';
import type { Drawing, Drawn, Line, SymbolKind } from './types';
import { withWords } from './words';

const ROW = 20;

/** @param ways room its lines ask for on the side that has the most of them. */
function sizeOf(thing: Drawn, ways: number): Size {
  // What is dead says so behind its name.
  const said = Math.max(textWidth(`${thing.label}, dead`), textWidth(thing.under));
  if (thing.symbol === 'panel' || thing.symbol === 'bar') return { width: Math.max(60, said + 16), height: Math.max(40, 26 + ways) };
  if (thing.symbol === 'cell') return { width: Math.max(70, said + 10), height: Math.max(54, ways) };
  const taps = thing.taps.map((t) => textWidth(`${t.over}  ${t.label} ${t.under}`));
  return {
    width: 38 + Math.max(said, ...taps),
    height: Math.max(ROW + 5, ways > PITCH ? ways + PITCH : 0) + thing.taps.length * TAP_PITCH,
  };
}

/** How far below its top edge a thing's line meets it: at its symbol, the taps hang below. */
const levelOf = (thing: Drawn): number => (sizeOf(thing, 0).height - thing.taps.length * TAP_PITCH) / 2;

/** Lines run from the thing named first to the one named later, whichever way they are led: so sources come to stand left of what they feed. */
function onward({ things, lines }: Drawing): Drawing {
  const place = new Map(things.map((t, i) => [t.id, i]));
  const back = (l: Line) => (place.get(l.from) ?? 0) > (place.get(l.to) ?? 0);
  return { things, lines: lines.map((l) => (back(l) ? { ...l, from: l.to, to: l.from } : l)) };
}

/** What begins and ends on one thing is no matter for the layout: it is drawn as an ear of its thing. */
const turnsBack = (l: Line): boolean => l.from === l.to;

const fansOf = ({ things, lines }: Drawing): Fanned =>
  fanned(onward({ things, lines: lines.filter((l) => !turnsBack(l)) }), (t) => sizeOf(t, 0), levelOf);

/** A place where lines meet a hub: one line, or those of a fan. */
interface Way {
  readonly id: string;
  readonly span: number;
}

/** By hub and side, what meets it there, in order. */
function waysOf({ fans, lines }: Fanned, order: ReadonlyMap<string, number>): ReadonlyMap<string, readonly Way[]> {
  const all = [
    ...lines.flatMap((l) => [
      { end: `${l.from} out`, place: order.get(l.id) ?? 0, id: l.id, span: 0 },
      { end: `${l.to} in`, place: order.get(l.id) ?? 0, id: l.id, span: 0 },
    ]),
    ...fans.map((f) => ({
      end: `${f.hub} ${f.leaves ? 'out' : 'in'}`,
      place: order.get(f.rows[0]?.line.id ?? '') ?? 0,
      id: f.id,
      span: f.span,
    })),
  ].sort((a, b) => a.place - b.place);
  const ways = new Map<string, Way[]>();
  for (const { end, id, span } of all) ways.set(end, [...(ways.get(end) ?? []), { id, span }]);
  return ways;
}

const LONG: ReadonlySet<SymbolKind> = new Set(['panel', 'bar', 'cell']);

const room = (ways: readonly Way[]): number => ways.reduce((sum, w) => sum + w.span + PITCH, 0);

/** What the layout works on: no text, only ids and sizes; the same drawing gives the same text. */
export function toElk(drawing: Drawing): ElkNode {
  const parts = fansOf(drawing);
  const placeOf = new Map<string, number>(drawing.lines.map((l, i) => [l.id, i]));
  const ways = waysOf(parts, placeOf);
  const thingAt = new Map(drawing.things.map((t, i) => [t.id, i]));
  const nodes = [
    ...parts.things.map((t) => ({
      at: thingAt.get(t.id) ?? 0,
      node: hubNode(t, ways.get(`${t.id} out`) ?? [], ways.get(`${t.id} in`) ?? []),
    })),
    ...parts.fans.map((f) => ({ at: thingAt.get(f.rows[0]?.thing.id ?? '') ?? 0, node: fanNode(f) })),
  ];
  const edges = [
    ...parts.lines.map((l) => ({ at: placeOf.get(l.id) ?? 0, edge: edge(l.id, `${l.id} out`, `${l.id} in`) })),
    ...parts.fans.map((f) => ({
      at: placeOf.get(f.rows[0]?.line.id ?? '') ?? 0,
      edge: { ...(f.leaves ? edge(f.id, `${f.id} out`, `${f.id} end`) : edge(f.id, `${f.id} end`, `${f.id} in`)), layoutOptions: STRAIGHT },
    })),
  ];
  const inOrder = <T extends { readonly at: number }>(xs: readonly T[]) => [...xs].sort((a, b) => a.at - b.at);
  return { id: 'drawing', layoutOptions: OPTIONS, children: inOrder(nodes).map((n) => n.node), edges: inOrder(edges).map((e) => e.edge) };
}

const edge = (id: string, from: string, to: string): ElkExtendedEdge => ({ id, sources: [from], targets: [to] });
/** A fan stands beside its hub rather than that another line is straight. */
const STRAIGHT = { 'elk.layered.priority.straightness': '10' };

function hubNode(thing: Drawn, out: readonly Way[], into: readonly Way[]): ElkNode {
  const port = (way: Way, side: 'out' | 'in', index: number): ElkPort => ({
    id: `${way.id} ${side}`,
    width: 0,
    height: way.span,
    layoutOptions: { 'elk.port.side': side === 'out' ? 'EAST' : 'WEST', 'elk.port.index': String(index) },
  });
  return {
    id: thing.id,
    ...sizeOf(thing, thing.folded ? 0 : Math.max(room(out), room(into))),
    layoutOptions: {
      'elk.spacing.portPort': String(PITCH),
      // A panel's ways leave in their order, top to bottom.
      'elk.portConstraints': thing.symbol === 'panel' ? 'FIXED_ORDER' : 'FIXED_SIDE',
      // What is drawn as a bar grows with its lines, so that they are straight.
      ...(LONG.has(thing.symbol) ? { 'elk.layered.nodePlacement.networkSimplex.nodeFlexibility': 'NODE_SIZE_WHERE_SPACE_PERMITS' } : {}),
    },
    // Ports are numbered clockwise: those of the left side from below.
    ports: [...out.map((w, i) => port(w, 'out', i)), ...into.map((w, i) => port(w, 'in', 1000 - i))],
  };
}

const fanNode = (fan: Fan): ElkNode => ({
  id: fan.id,
  ...fan.size,
  layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
  ports: [
    {
      id: `${fan.id} end`,
      x: fan.leaves ? 0 : fan.size.width,
      y: fan.first,
      width: 0,
      height: fan.span,
      layoutOptions: { 'elk.port.side': fan.leaves ? 'WEST' : 'EAST' },
    },
  ],
});

const OPTIONS = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.crossingMinimization.forceNodeModelOrder': 'false',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.spacing.nodeNodeBetweenLayers': '150',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '9',
  'elk.layered.spacing.edgeNodeBetweenLayers': '16',
  'elk.spacing.nodeNode': '24',
  'elk.spacing.portPort': String(PITCH),
  'elk.spacing.edgeNode': '14',
  'elk.spacing.edgeEdge': '22',
  'elk.layered.cycleBreaking.strategy': 'MODEL_ORDER',
  'elk.separateConnectedComponents': 'true',
  'elk.spacing.componentComponent': '30',
  'elk.padding': '[top=20,left=20,bottom=20,right=20]',
  'elk.randomSeed': '2',
};

type Points = readonly (readonly [x: number, y: number])[];

/** @param placed what the layout answered for toElk of the same drawing. */
export function fromElk(drawing: Drawing, placed: ElkNode): Layout {
  const { fans, things, lines } = fansOf(drawing);
  const nodes = new Map(placed.children?.map((n) => [n.id, n]));
  const ways = new Map((placed.edges as ElkExtendedEdge[] | undefined)?.map((e) => [e.id, pointsOf(e)]));
  const places = new Map<string, Placed>();
  const runs = new Map<string, Points>();
  for (const t of things) {
    const n = nodes.get(t.id);
    if (n) places.set(t.id, { ...t, x: n.x ?? 0, y: n.y ?? 0, width: n.width ?? 0, height: n.height ?? 0 });
  }
  for (const l of lines) runs.set(l.id, ways.get(l.id) ?? []);
  const ahead = new Map([...lines, ...fans.flatMap((f) => f.rows.map((r) => r.line))].map((l) => [l.id, l.from]));
  for (const fan of fans) {
    const n = nodes.get(fan.id);
    for (const row of n ? fan.rows : []) {
      const { thing, size, top } = row;
      // Things that lines leave stand at the line's beginning.
      const x = (n?.x ?? 0) + (fan.leaves ? 0 : fan.size.width - size.width);
      places.set(thing.id, { ...thing, x, y: (n?.y ?? 0) + top, ...size });
      runs.set(row.line.id, rowRun(ways.get(fan.id) ?? [], row.at - fan.span / 2, row.at));
    }
  }
  for (const l of drawing.lines) {
    const thing = turnsBack(l) ? places.get(l.from) : undefined;
    if (thing) runs.set(l.id, earOf(thing));
  }
  return withWords({
    things: drawing.things.flatMap((t) => places.get(t.id) ?? []),
    lines: drawing.lines.flatMap((l): Omit<Laid, 'words'>[] => {
      const points = runs.get(l.id) ?? [];
      return points.length > 1 ? [{ ...l, points: ahead.get(l.id) === l.from ? points : [...points].reverse() }] : [];
    }),
    width: placed.width ?? 0,
    height: placed.height ?? 0,
  });
}

/** Out at the right of a thing, over it, and back in at its left. */
function earOf({ x, y, width, height }: Placed): Points {
  const [middle, right] = [y + height / 2, x + width];
  return [
    [right, middle],
    [right + EAR, middle],
    [right + EAR, y - EAR],
    [x - EAR, y - EAR],
    [x - EAR, middle],
    [x, middle],
  ];
}
const EAR = 12;

function pointsOf({ sections }: ElkExtendedEdge): Points {
  const [section] = sections ?? [];
  if (!section) return [];
  return [section.startPoint, ...(section.bendPoints ?? []), section.endPoint].map((p) => [p.x, p.y] as const);
}

/** How far apart the rows of a fan turn, where its line has to. */
const TURN = 4;

/** The way of one row of a fan: beside the fan's own line by so much; where that turns, lower rows turn first on the way down, last on the way up. */
function rowRun(way: Points, beside: number, at: number): Points {
  const [start, end] = [way[0], way.at(-1)];
  if (!start || !end) return [];
  const turn = (Math.sign(start[1] - end[1]) * TURN * at) / PITCH;
  return way.map(([x, y], i) => [i === 0 || i === way.length - 1 ? x : x + turn, y + beside] as const);
}
