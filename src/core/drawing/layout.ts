/** From things and lines to a graph for the layered layout, and back with places: sizes are of the symbols, left to right from source to load. */
import type { ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api';
import type { Drawing, Drawn, Line } from './types';

/** Body text of the drawing, in its own units; a letter is about so wide. */
export const TEXT = 10;
const LETTER = 5.3;
/** From one way of a panel to the next. */
const PITCH = 27;
const ROW = 20;
/** From one tap of a run to the next. */
export const TAP_PITCH = 13;

export interface Placed extends Drawn {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Laid extends Line {
  readonly points: readonly (readonly [x: number, y: number])[];
}

export interface Layout {
  readonly things: readonly Placed[];
  readonly lines: readonly Laid[];
  readonly width: number;
  readonly height: number;
}

export const textWidth = (text: string): number => LETTER * text.length;

function sizeOf(thing: Drawn, out: number): { width: number; height: number } {
  const said = Math.max(textWidth(thing.label), textWidth(thing.under));
  if (thing.symbol === 'panel' || thing.symbol === 'bar')
    return { width: Math.max(60, said + 16), height: Math.max(40, 26 + (thing.folded ? 0 : out) * PITCH) };
  if (thing.symbol === 'cell') return { width: Math.max(70, said + 10), height: Math.max(54, out * PITCH) };
  const taps = thing.taps.map((t) => textWidth(`${t.over}  ${t.label} ${t.under}`));
  return { width: 38 + Math.max(said, ...taps), height: ROW + 5 + thing.taps.length * TAP_PITCH };
}

/** Lines that leave a panel, in order of its ways; of other things they leave as they may. */
const leaving = (lines: readonly Line[], { id, symbol }: Drawn): readonly Line[] =>
  symbol === 'panel' ? lines.filter((l) => l.from === id) : [];

/** What the layout works on: no text, only ids and sizes; the same drawing gives the same text. */
export function toElk({ things, lines }: Drawing): ElkNode {
  const out = new Map<string, number>();
  for (const l of lines) out.set(l.from, (out.get(l.from) ?? 0) + 1);
  return {
    id: 'drawing',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
      'elk.layered.crossingMinimization.forceNodeModelOrder': 'false',
      // It changes nothing on boats and takes its time.
      'elk.layered.crossingMinimization.greedySwitch.type': 'OFF',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.layered.spacing.nodeNodeBetweenLayers': '150',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '9',
      'elk.layered.spacing.edgeNodeBetweenLayers': '16',
      'elk.spacing.nodeNode': '4',
      'elk.spacing.portPort': String(PITCH),
      'elk.spacing.edgeNode': '14',
      'elk.spacing.edgeEdge': '22',
      'elk.layered.cycleBreaking.strategy': 'MODEL_ORDER',
      'elk.layered.nodePlacement.networkSimplex.nodeFlexibility.default': 'NODE_SIZE_WHERE_SPACE_PERMITS',
      'elk.separateConnectedComponents': 'true',
      'elk.spacing.componentComponent': '30',
      'elk.padding': '[top=20,left=20,bottom=20,right=20]',
      'elk.layered.thoroughness': '3',
      'elk.randomSeed': '1',
    },
    children: things.map((t) => {
      const leave = leaving(lines, t);
      return {
        id: t.id,
        ...sizeOf(t, out.get(t.id) ?? 0),
        layoutOptions: { 'elk.spacing.portPort': String(PITCH), ...(leave.length > 0 ? { 'elk.portConstraints': 'FIXED_ORDER' } : {}) },
        // Ways leave in their order, top to bottom; ports of the right side are numbered clockwise.
        ports: [
          ...leave.map((l, i) => ({ id: `${l.id} out`, layoutOptions: { 'elk.port.side': 'EAST', 'elk.port.index': String(i) } })),
          ...(leave.length > 0
            ? lines
                .filter((l) => l.to === t.id)
                .map((l, i) => ({ id: `${l.id} in`, layoutOptions: { 'elk.port.side': 'WEST', 'elk.port.index': String(1000 - i) } }))
            : []),
        ],
      };
    }),
    edges: lines.map((l): ElkExtendedEdge => {
      const [from, to] = [things.find((t) => t.id === l.from), things.find((t) => t.id === l.to)];
      return {
        id: l.id,
        sources: [from && leaving(lines, from).length > 0 ? `${l.id} out` : l.from],
        targets: [to && leaving(lines, to).length > 0 ? `${l.id} in` : l.to],
      };
    }),
  };
}

/** @param placed what the layout answered for toElk of the same drawing. */
export function fromElk({ things, lines }: Drawing, placed: ElkNode): Layout {
  const nodes = new Map(placed.children?.map((n) => [n.id, n]));
  const edges = new Map((placed.edges as ElkExtendedEdge[] | undefined)?.map((e) => [e.id, e]));
  return {
    things: things.flatMap((t): Placed[] => {
      const n = nodes.get(t.id);
      return n ? [{ ...t, x: n.x ?? 0, y: n.y ?? 0, width: n.width ?? 0, height: n.height ?? 0 }] : [];
    }),
    lines: lines.flatMap((l): Laid[] => {
      const [section] = edges.get(l.id)?.sections ?? [];
      if (!section) return [];
      const points = [section.startPoint, ...(section.bendPoints ?? []), section.endPoint];
      return [{ ...l, points: points.map((p) => [p.x, p.y] as const) }];
    }),
    width: placed.width ?? 0,
    height: placed.height ?? 0,
  };
}
