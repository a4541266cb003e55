'use client';
import type { Lists } from '@/core';
import { Plain } from '@/ui/table/Plain';

/** Holes and glands to make: one line for each cable through each. */
export function PenetrationTable({ penetrations }: { penetrations: Lists['penetrations'] }) {
  return (
    <Plain
      label="Penetrations"
      columns={[
        { title: 'where' },
        { title: 'kind' },
        { title: 'circuit' },
        { title: 'cable' },
        { title: 'hole, mm', right: true },
        { title: 'clamps, mm', right: true },
      ]}
      rows={penetrations.map((p, i) => ({
        id: String(i),
        cells: [`${p.route}${p.place ? `, ${p.place}` : ''}`, p.kind, p.circuit, p.cable, String(p.holeMm), String(p.clampMm)],
      }))}
    />
  );
}
