'use client';
import { andTheirRows, dropOps, removeMachines } from '@/core/design';
import { useDesign, useStore } from '@/ui/boat/context';
import { opsOf, Sheet, type Change, type Column } from '@/ui/sheet';

type ListOf = 'acLoads' | 'acPanels' | 'acCircuits';

const idsOf = (rows: readonly { readonly id: string }[]): string[] => rows.map((r) => r.id);

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
          `remove ${doomed.length === 1 ? (doomed[0]?.name ?? '') : `${doomed.length} rows`}${list === 'acLoads' ? andTheirRows(design, list, idsOf(doomed)) : ''}`,
          list === 'acLoads' ? removeMachines(design, list, idsOf(doomed)) : dropOps(design, list, idsOf(doomed)),
        )
      }
      onRefuse={(m: string) => store.say('refused', m)}
      filter={filter}
      {...(blank ? { blank, most } : {})}
    />
  );
}
