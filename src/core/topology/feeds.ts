/** What feeds what, DC and AC: panels and machines that would feed themselves. */
import type { AcCircuit, Circuit, Design } from '../design';
import { type Edge, type Ring, ringsIn } from '../solve';

/** Circuits from one panel to another, or to itself. */
export const panelFeeds = (circuits: readonly Circuit[]): Edge[] =>
  circuits.flatMap((c) =>
    c.from.kind === 'panel'
      ? c.taps.flatMap((t) => (t.serves.kind === 'panel' ? [{ id: c.id, from: c.from.id, to: t.serves.id }] : []))
      : [],
  );

/** AC runs from panel or machine to panel or machine; an inverter passes on what feeds it. */
const acFeeds = (circuits: readonly AcCircuit[]): Edge[] =>
  circuits.flatMap((c) => (c.to === null ? [] : [{ id: c.id, from: c.from.id, to: c.to.id }]));

type Fed = Pick<Design, 'circuits' | 'acCircuits'>;

const ringsOf = (design: Fed): Ring[] => [...ringsIn(panelFeeds(design.circuits)), ...ringsIn(acFeeds(design.acCircuits))];

/** The first ring of feeds that a change brings about; null where it brings none. One that was there before, or becomes smaller, is not new. */
export function newRing(before: Fed, after: Fed): Ring | null {
  if (before.circuits === after.circuits && before.acCircuits === after.acCircuits) return null;
  const rings = ringsOf(after);
  if (rings.length === 0) return null;
  const known = new Set(ringsOf(before).flatMap((r) => r.edges));
  return rings.find((r) => r.edges.some((e) => !known.has(e))) ?? null;
}

/** A ring as a person would say it: its panels in order, back to the first. */
export function ringWords(design: Pick<Design, 'panels' | 'acPanels' | 'acSources'>, ring: Ring): string {
  const rows: readonly { readonly id: string; readonly name: string }[] = [...design.panels, ...design.acPanels, ...design.acSources];
  const names = ring.nodes.map((id) => rows.find((r) => r.id === id)?.name ?? id);
  return [...names, names[0] ?? ''].join(' → ');
}

/** The ring of panels a circuit would close, were it fed from there, in words; null: none. */
export function ringFrom(design: Design, circuit: Circuit, from: Circuit['from']): string | null {
  const ring = newRing(design, { ...design, circuits: design.circuits.map((c) => (c.id === circuit.id ? { ...c, from } : c)) });
  return ring && ringWords(design, ring);
}
