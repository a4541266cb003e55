'use client';
import type { Lists } from '@/core';
import { round3, unitOf } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

/** Holes and glands to make: one line for each cable through each. */
export function PenetrationTable({ penetrations }: { penetrations: Lists['penetrations'] }) {
  const mm = unitOf('mm', useDesign().boat);
  return (
    <Plain
      label="Penetrations"
      columns={[
        { title: 'where' },
        { title: 'kind' },
        { title: 'circuit' },
        { title: 'cable' },
        { title: `hole, ${mm.name}`, right: true },
        { title: `clamps, ${mm.name}`, right: true },
      ]}
      rows={penetrations.map((p, i) => ({
        id: String(i),
        cells: [
          `${p.route}${p.place ? `, ${p.place}` : ''}`,
          p.kind,
          p.circuit,
          p.cable,
          round3(mm.to(p.holeMm)),
          round3(mm.to(p.clampMm)),
        ],
      }))}
    />
  );
}
