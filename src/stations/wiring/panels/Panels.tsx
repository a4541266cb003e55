'use client';
import { useMemo } from 'react';
import { addOp, blankPanel, type Design, type Panel, removePanel, rowOf } from '@/core/design';
import { bare, parseChoice, parseNumber, parseOptional, unitOf } from '@/core/quantity';
import { DC_FAMILIES, STUDS } from '@/core/rules';
import { useDesign, useFreshId, useLists, useSelected, useStore } from '@/ui/boat/context';
import { PanelFace } from '@/ui/lists/PanelFace';
import { opsOf, Sheet, type Column } from '@/ui/sheet';

function panelColumns(design: Design): Column<Panel>[] {
  const units = design.boat;
  const families = DC_FAMILIES.map((f) => f.name);
  const studs = STUDS.map((s) => s.metric);
  const own = (p: Panel) => design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
  const used = (p: Panel) => own(p) + design.panels.reduce((sum, x) => (x.partOfId === p.id ? sum + own(x) : sum), 0);
  const amps = (key: 'maxTotalA' | 'maxWayA', title: string, hint: string): Column<Panel> => ({
    key,
    title,
    unit: 'A',
    hint,
    width: 92,
    align: 'right',
    mono: true,
    text: (r) => bare(r[key], 'A', units),
    write: (_, text) => {
      const parsed = parseOptional(text, 'A', units, 1, key === 'maxTotalA' ? 2000 : 1000);
      return parsed.ok ? { ok: true, value: { [key]: parsed.value } } : parsed;
    },
  });
  return [
    {
      key: 'name',
      title: 'panel or bus',
      width: 180,
      text: (r) => r.name,
      write: (_, text) =>
        text.trim() ? { ok: true, value: { name: text.trim().slice(0, 120) } } : { ok: false, message: 'a name is needed' },
    },
    {
      key: 'kind',
      title: 'kind',
      width: 66,
      options: ['panel', 'bus'],
      text: (r) => r.kind,
      write: (_, text) => {
        const parsed = parseChoice(text, ['panel', 'bus'] as const);
        return parsed.ok ? { ok: true, value: { kind: parsed.value } } : parsed;
      },
    },
    {
      key: 'place',
      title: 'place',
      width: 130,
      options: design.places.map((p) => p.name),
      text: (r) => rowOf(design.places, r.placeId)?.name ?? '',
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { placeId: null } };
        const parsed = parseChoice(
          text,
          design.places.map((p) => p.name),
        );
        return parsed.ok ? { ok: true, value: { placeId: design.places.find((p) => p.name === parsed.value)?.id ?? null } } : parsed;
      },
    },
    {
      key: 'family',
      title: 'its ways take',
      width: 140,
      options: families,
      text: (r) => DC_FAMILIES.find((f) => f.id === r.family)?.name ?? '',
      show: (r) => DC_FAMILIES.find((f) => f.id === r.family)?.name ?? 'any bolted or in line',
      write: (_, text) => {
        if (text.trim() === '') return { ok: true, value: { family: null } };
        const parsed = parseChoice(text, families);
        return parsed.ok ? { ok: true, value: { family: DC_FAMILIES.find((f) => f.name === parsed.value)?.id ?? null } } : parsed;
      },
    },
    {
      key: 'ways',
      title: 'ways',
      hint: 'Used of all',
      width: 72,
      align: 'right',
      mono: true,
      text: (r) => String(r.ways),
      show: (r) => (r.partOfId === null ? `${used(r)} of ${r.ways}` : `${own(r)}, in its block`),
      tone: (r) => (r.partOfId === null && used(r) > r.ways ? 'breaks' : undefined),
      write: (_, text) => {
        const parsed = parseNumber(text, 'none', units, 1, 60);
        return parsed.ok ? { ok: true, value: { ways: Math.round(parsed.value) } } : parsed;
      },
    },
    {
      key: 'partOf',
      title: 'part of',
      hint: 'The block whose body it shares, where some of its ways have a feed of their own: always live beside switched ones',
      width: 120,
      options: design.panels.map((p) => p.name),
      text: (r) => rowOf(design.panels, r.partOfId)?.name ?? '',
      show: (r) => rowOf(design.panels, r.partOfId)?.name ?? 'itself',
      write: (r, text) => {
        if (text.trim() === '') return { ok: true, value: { partOfId: null } };
        const others = design.panels.filter((p) => p.id !== r.id);
        const parsed = parseChoice(
          text,
          others.map((p) => p.name),
        );
        return parsed.ok ? { ok: true, value: { partOfId: others.find((p) => p.name === parsed.value)?.id ?? null } } : parsed;
      },
    },
    amps('maxTotalA', 'in all', 'Most the panel carries, from its maker'),
    amps('maxWayA', 'a way', 'Most one way carries, from its maker'),
    {
      key: 'pitchMm',
      title: 'pitch',
      unit: unitOf('mm', units).name,
      hint: 'From the middle of one way to the next: its legend strip prints to it',
      width: 72,
      align: 'right',
      mono: true,
      text: (r) => bare(r.pitchMm, 'mm', units),
      write: (_, text) => {
        const parsed = parseNumber(text, 'mm', units, 6, 80);
        return parsed.ok ? { ok: true, value: { pitchMm: parsed.value } } : parsed;
      },
    },
    {
      key: 'opens',
      title: 'opens',
      hint: 'Its front opens: what lands on it has slack for that',
      width: 56,
      options: ['yes', 'no'],
      text: (r) => (r.opens ? 'yes' : 'no'),
      write: (_, text) => {
        const parsed = parseChoice(text, ['yes', 'no']);
        return parsed.ok ? { ok: true, value: { opens: parsed.value === 'yes' } } : parsed;
      },
    },
    {
      key: 'stud',
      title: 'stud',
      hint: 'Where its feeder lands',
      width: 60,
      options: studs,
      text: (r) => r.stud,
      write: (_, text) => {
        const parsed = parseChoice(text, studs);
        return parsed.ok ? { ok: true, value: { stud: parsed.value } } : parsed;
      },
    },
  ];
}

/** Panels and buses: where they are, what their ways take, what they may carry. */
export function Panels() {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const columns = useMemo(() => panelColumns(design), [design]);
  const lists = useLists();
  const [, select] = useSelected();
  const faces = (lists?.panels ?? []).flatMap((p) => {
    const panel = rowOf(design.panels, p.panelId);
    return panel?.kind === 'panel' ? [{ panel, ways: p.ways }] : [];
  });
  const remove = (rows: readonly Panel[]) => {
    const [panel] = rows;
    if (!panel || rows.length > 1) return store.say('refused', 'Remove one panel at a time.');
    const ops = removePanel(design, panel.id);
    if (!ops) return store.say('refused', `${panel.name} still feeds circuits: move them first.`);
    store.edit(`remove ${panel.name}`, ops);
  };
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <Sheet
        label="Panels"
        rows={design.panels}
        columns={columns}
        selectedId={null}
        onSelect={() => undefined}
        onChange={(change) => store.edit(change.label, opsOf(store.snapshot().design, 'panels', change))}
        onDelete={remove}
        onRefuse={(m) => store.say('refused', m)}
        blank={() => blankPanel(freshId('p'), 'New panel', 'panel', null)}
        most={60}
      />
      <button
        type="button"
        className="act m-4"
        onClick={() =>
          store.edit('add a panel', [addOp(design, 'panels', blankPanel(freshId('p'), 'New panel', 'panel', design.places[0]?.id ?? null))])
        }
      >
        add a panel
      </button>
      <section aria-label="Faces" className="flex flex-wrap items-start gap-6 px-4 pb-6">
        {faces.map(({ panel, ways }) => (
          <PanelFace
            key={panel.id}
            name={panel.name}
            pitchMm={panel.pitchMm}
            ways={ways}
            onChoose={(id) => select({ kind: 'circuit', id })}
          />
        ))}
      </section>
    </div>
  );
}
