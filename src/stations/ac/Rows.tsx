'use client';
import { type Design, dropOps } from '@/core/design';
import { useDesign, useStore } from '@/ui/boat/context';
import { opsOf, Sheet, type Change, type Column } from '@/ui/sheet';

type ListOf = 'acLoads' | 'acPanels' | 'acCircuits';

/** A list of the AC side as a sheet: edits, looks and removals go to the design. */
export function Rows<Row extends { readonly id: string; readonly name: string }>({
  label,
  list,
  rows,
  columns,
  selectedId,
  onSelect,
  blank,
  most,
  filter = '',
}: {
  label: string;
  list: ListOf;
  rows: readonly Row[];
  columns: readonly Column<Row>[];
  selectedId: string | null;
  onSelect: (row: Row) => void;
  blank?: () => Row;
  most: number;
  filter?: string;
}) {
  const design = useDesign();
  const store = useStore();
  return (
    <Sheet
      label={label}
      rows={rows}
      columns={columns}
      selectedId={selectedId}
      onSelect={onSelect}
      onChange={(c: Change<Row>) => store.edit(c.label, opsOf(store.snapshot().design, list, c))}
      onLook={(c: Change<Row> | null) => store.look(c && opsOf(store.snapshot().design, list, c))}
      onDelete={(doomed: readonly Row[]) =>
        store.edit(
          `remove ${doomed.length === 1 ? (doomed[0]?.name ?? '') : `${doomed.length} rows`}`,
          removal(
            design,
            list,
            doomed.map((r) => r.id),
          ),
        )
      }
      onRefuse={(m: string) => store.say('refused', m)}
      filter={filter}
      {...(blank ? { blank, most } : {})}
    />
  );
}

/** A row out of its list; an appliance out of the runs that serve it and of what is wanted together, too. */
function removal(design: Design, list: ListOf, ids: readonly string[]) {
  const gone = new Set(ids);
  const drops = dropOps(design, list, ids);
  if (list !== 'acLoads') return drops;
  const served = design.acCircuits
    .filter((c) => c.loadIds.some((id) => gone.has(id)))
    .map((c) => ({
      op: 'set' as const,
      path: ['acCircuits', c.id, 'loadIds'],
      from: c.loadIds,
      to: c.loadIds.filter((id) => !gone.has(id)),
    }));
  const { wanted } = design.acRules;
  const kept = wanted.filter((id) => !gone.has(id));
  return [
    ...served,
    ...(kept.length === wanted.length ? [] : [{ op: 'set' as const, path: ['acRules', 'wanted'], from: wanted, to: kept }]),
    ...drops,
  ];
}
