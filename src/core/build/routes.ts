/** Where cables run: how full a conduit is, what hole or gland a cable needs, what passes each bulkhead (docs/methods.md, "Routes"). */
import type { CircuitResult } from '../circuit';
import { type Circuit, type Design, type Route, rowOf } from '../design';
import { choiceName } from '../quantity';

export interface RouteCable {
  readonly circuitId: string;
  readonly name: string;
  /** Conductors in it and the outside diameter of one, mm. */
  readonly conductors: number;
  readonly odMm: number;
}

export interface RouteResult {
  readonly id: string;
  readonly cables: readonly RouteCable[];
  /** Sum of the cables' sections and inside section, mm2. */
  readonly filledMm2: number;
  readonly insideMm2: number;
  readonly fill: number;
  readonly mostFill: number;
  readonly passes: boolean;
  /** Smallest bore that would do, mm; null when the stated one does. */
  readonly needsBoreMm: number | null;
  /** Loaded conductors lying together in it. */
  readonly bundled: number;
  readonly notes: readonly string[];
}

/** Draw line of 3 mm, left in. */
const DRAW_LINE_MM2 = (Math.PI * 3 ** 2) / 4;
/** A sheath over a pair or more adds about 1.4 mm to its round. */
const SHEATH_MM = 1.4;

/** Most of the inside that cables may take: one 53 %, two 31 %, more 40 %; trunking 45 %. Building practice, used as good practice aboard. */
export function mostFill(kind: Route['kind'], cables: number): number {
  if (kind === 'trunking') return 0.45;
  if (kind === 'gland') return 1;
  return cables === 1 ? 0.53 : cables === 2 ? 0.31 : 0.4;
}

const section = (odMm: number): number => (Math.PI * odMm ** 2) / 4;

function cableOf(circuit: Circuit, result: CircuitResult): RouteCable {
  const { conductor } = result.own.state;
  const { legs } = result.own.ladder.chosen;
  return { circuitId: circuit.id, name: circuit.name, conductors: 2 * legs, odMm: conductor.odMm };
}

/** Section a circuit takes, mm2: its conductors, or the round of its sheath. */
function takenMm2(circuit: Circuit, cable: RouteCable): number {
  return circuit.sheathed ? section(2 * cable.odMm + SHEATH_MM) * (cable.conductors / 2) : cable.conductors * section(cable.odMm);
}

export function routeResult(design: Design, circuits: readonly CircuitResult[], route: Route): RouteResult {
  const rows = route.circuitIds.flatMap((id) => {
    const circuit = rowOf(design.circuits, id);
    const result = rowOf(circuits, id);
    return circuit && result ? [{ circuit, cable: cableOf(circuit, result) }] : [];
  });
  const cables = rows.map((r) => r.cable);
  const filledMm2 = rows.reduce((sum, r) => sum + takenMm2(r.circuit, r.cable), route.drawLine ? DRAW_LINE_MM2 : 0);
  const insideMm2 = route.kind === 'trunking' ? route.boreMm * (route.heightMm ?? route.boreMm) : section(route.boreMm);
  const pieces = rows.reduce((sum, r) => sum + (r.circuit.sheathed ? 1 : r.cable.conductors), 0);
  const { spareFillPct, drawLines } = design.house;
  // A gland holds one cable: nothing is kept free in it.
  const most = mostFill(route.kind, pieces) * (route.kind === 'gland' ? 1 : 1 - spareFillPct / 100);
  const fill = insideMm2 > 0 ? filledMm2 / insideMm2 : Infinity;
  const passes = fill <= most + 1e-9;
  const bundled = cables.reduce((sum, c) => sum + c.conductors, 0);
  const notes: string[] = [];
  if (route.kind === 'gland' && pieces > 1) notes.push('a gland seals round one cable: use one each, or an insert with a hole for each');
  if (route.kind === 'conduit' && route.bends > 3) notes.push(`${route.bends} bends: no cable pulls past four quarter turns; add a box`);
  if (drawLines && (route.kind === 'conduit' || route.kind === 'trunking') && !route.drawLine) notes.push('leave a draw line in');
  if (route.kind === 'bulkhead') notes.push('bush the edge; seal it where the bulkhead is watertight, and keep it above the highest water');
  const thin = rows.filter((r) => (route.kind === 'conduit' ? r.circuit.enclosure === 'open' : false)).map((r) => r.circuit.name);
  if (thin.length > 0) notes.push(`counted as lying open, though in a conduit: ${thin.join(', ')}`);
  return {
    id: route.id,
    cables,
    filledMm2,
    insideMm2,
    fill,
    mostFill: most,
    passes,
    needsBoreMm: passes || route.kind === 'trunking' ? null : Math.ceil(Math.sqrt((4 * filledMm2) / (Math.PI * most))),
    bundled,
    notes,
  };
}

export interface Penetration {
  readonly route: string;
  readonly kind: Route['kind'];
  readonly place: string;
  readonly circuit: string;
  readonly cable: string;
  /** Clearance hole through the structure and clamping range asked of a gland, mm. */
  readonly holeMm: number;
  readonly clampMm: number;
}

/** Holes and glands to make: one line for each cable through each gland or bulkhead. */
export function penetrations(design: Design, circuits: readonly CircuitResult[]): Penetration[] {
  return design.routes
    .filter((r) => r.kind === 'gland' || r.kind === 'bulkhead')
    .flatMap((route) =>
      route.circuitIds.flatMap((id): Penetration[] => {
        const circuit = rowOf(design.circuits, id);
        const result = rowOf(circuits, id);
        if (!circuit || !result) return [];
        const { odMm } = result.own.state.conductor;
        const acrossMm = circuit.sheathed ? 2 * odMm + SHEATH_MM : odMm;
        return [
          {
            route: route.name,
            kind: route.kind,
            place: rowOf(design.places, route.placeId)?.name ?? '',
            circuit: `${circuit.no} ${circuit.name}`.trim(),
            cable: `${circuit.sheathed ? 'sheathed, ' : '2 of '}${choiceName(result.own.ladder.chosen)}`,
            // Two single conductors side by side need twice the width of one.
            holeMm: Math.ceil((circuit.sheathed ? acrossMm : 2 * acrossMm) * 1.2 + 1),
            clampMm: Math.round(acrossMm * 10) / 10,
          },
        ];
      }),
    );
}
