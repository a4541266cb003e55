/** What a proposal would add, as a cure: the rows wanted, and what they land on. */
import { addOp, type BatteryCable, type Design, idsFor, type Op, sourcesAboard } from '../../design';
import { proposeCircuits, proposeMainSide } from '../../propose';

const ends = (l: BatteryCable) => [l.from, l.to];

/** Battery cables of the main side's proposal, with the new bars they land on and what feeds those. null: it has none that is wanted. */
export function cablesProposed(design: Design, wanted: (lead: BatteryCable, bars: Design['bars']) => boolean): Op[] | null {
  const { bars, leads } = proposeMainSide({ ...design, sources: sourcesAboard(design.sources) }, idsFor(design));
  const own = leads.filter((l) => wanted(l, [...design.bars, ...bars]));
  if (own.length === 0) return null;
  const onBars = new Set(own.flatMap((l) => ends(l).flatMap((e) => (e.kind === 'bar' ? [e.id] : []))));
  const feeds = leads.filter(
    (l) => !own.includes(l) && l.rail === 'positive' && l.from.kind === 'bank' && ends(l).some((e) => e.kind === 'bar' && onBars.has(e.id)),
  );
  return [
    ...bars.filter((b) => onBars.has(b.id)).map((b) => addOp(design, 'bars', b)),
    ...[...feeds, ...own].map((l) => addOp(design, 'leads', l)),
  ];
}

/** The circuit a load would get, with what feeds it. null: none is proposed. */
export function circuitProposed(design: Design, loadId: string): Op[] | null {
  const on = new Set(design.circuits.flatMap((c) => c.taps.map((t) => t.serves.id)));
  const { panels, circuits } = proposeCircuits(
    { ...design, loads: design.loads.filter((l) => on.has(l.id) || l.id === loadId) },
    idsFor(design),
  );
  if (circuits.length === 0) return null;
  return [...panels.map((p) => addOp(design, 'panels', p)), ...circuits.map((c) => addOp(design, 'circuits', c))];
}
