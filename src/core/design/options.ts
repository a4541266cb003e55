/** Options of a design: one is on the table, the others keep their parts aside. */
import { addOp, type Op, setOp } from './edit';
import type { Design, Option, Parts } from './schema';

export const PART_LISTS = [
  'banks',
  'sources',
  'joins',
  'panels',
  'circuits',
  'bars',
  'leads',
  'smallLeads',
  'acSources',
  'acPanels',
  'acCircuits',
] as const;

/** What the option on the table has for its own. */
export const partsOf = (design: Design): Parts => ({
  banks: design.banks,
  sources: design.sources,
  joins: design.joins,
  panels: design.panels,
  circuits: design.circuits,
  bars: design.bars,
  leads: design.leads,
  smallLeads: design.smallLeads,
  acSources: design.acSources,
  acPanels: design.acPanels,
  acCircuits: design.acCircuits,
});

/** The option on the table; null while the design has none. */
export const onTable = (design: Design): Option | null => design.options.find((o) => o.parts === null) ?? null;

/** The design as one of its options has it. Circuits keep only taps whose loads and places are still aboard. */
export function asOption(design: Design, option: Option): Design {
  if (!option.parts) return design;
  const there = new Set([...design.loads, ...design.places].map((x) => x.id));
  const panels = new Set(option.parts.panels.map((p) => p.id));
  const circuits = option.parts.circuits.map((c) => {
    const taps = c.taps.filter((t) => (t.serves.kind === 'panel' ? panels : there).has(t.serves.id));
    if (taps.length === c.taps.length) return c;
    const kept = new Set(taps.map((t) => t.id));
    return { ...c, taps: taps.map((t) => ({ ...t, parent: t.parent !== null && kept.has(t.parent) ? t.parent : null })) };
  });
  return { ...design, ...option.parts, circuits };
}

/** Puts another option on the table; the one that lies there is kept aside. */
export function switchOps(design: Design, to: Option): Op[] {
  const from = onTable(design);
  if (!to.parts || !from || from.id === to.id) return [];
  const next = asOption(design, to);
  return [
    setOp(design, ['options', from.id, 'parts'], partsOf(design)),
    setOp(design, ['options', to.id, 'parts'], null),
    ...PART_LISTS.map((list) => setOp(design, [list], next[list])),
  ];
}

/** A new option, a copy of what lies on the table. The first one asked for names what lies there, too. */
export function addOptionOps(design: Design, ids: readonly [string, string], nameIt: string): Op[] {
  const ops: Op[] = [];
  if (design.options.length === 0) {
    ops.push(addOp(design, 'options', { id: ids[0], name: 'A', note: '', parts: null }));
    ops.push({ op: 'add', path: ['options'], after: ids[0], row: { id: ids[1], name: nameIt, note: '', parts: partsOf(design) } });
    return ops;
  }
  return [addOp(design, 'options', { id: ids[1], name: nameIt, note: '', parts: partsOf(design) })];
}
