/** A sheet's change as ops on a list of the design. */
import { addOp, type Design, type Op } from '@/core/design';
import type { Change } from './types';

export function opsOf<Row extends { readonly id: string }>(
  design: Design,
  list:
    | 'loads'
    | 'circuits'
    | 'places'
    | 'panels'
    | 'banks'
    | 'routes'
    | 'bars'
    | 'leads'
    | 'smallLeads'
    | 'acLoads'
    | 'acPanels'
    | 'acCircuits',
  change: Change<Row>,
): Op[] {
  const sets = change.patches.flatMap(({ row, patch }) =>
    Object.entries(patch).map(([key, to]): Op => ({
      op: 'set',
      path: [list, row.id, key],
      from: (row as Record<string, unknown>)[key] ?? null,
      to,
    })),
  );
  let after = design[list][design[list].length - 1]?.id ?? null;
  const adds = change.added.map((row) => {
    const op = addOp(design, list, row, after);
    after = row.id;
    return op;
  });
  return [...sets, ...adds];
}
