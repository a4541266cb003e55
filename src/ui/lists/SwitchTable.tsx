'use client';
import type { Lists } from '@/core';
import { show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** Everything in line that a person or the water works, with what it carries and takes. */
export function SwitchTable({ label, switches }: { label: string; switches: Lists['switches'] }) {
  const units = useDesign().boat;
  return (
    <Plain
      label={label}
      columns={[
        { title: 'circuit' },
        { title: 'what' },
        { title: 'where' },
        { title: 'rated', right: true },
        { title: 'carries', right: true },
        { title: 'cable' },
        { title: 'takes up to' },
        { title: 'note' },
      ]}
      rows={switches.map((s, i) => ({
        id: `${s.circuitId}-${i}`,
        cells: [
          s.circuit,
          s.kind,
          s.place || '–',
          <span key="r" className={s.ratingA !== null && s.ratingA < s.carriesA ? 'font-semibold text-lead' : ''}>
            {s.ratingA === null ? 'not stated' : show(s.ratingA, 'A', units)}
          </span>,
          <Worked key="c" at={{ kind: 'circuit', id: s.circuitId }} of={s.circuit}>
            {show(s.carriesA, 'A', units)}
          </Worked>,
          s.cable,
          s.largest || 'not stated',
          <span key="n" className="text-quiet">
            {s.note}
          </span>,
        ],
      }))}
    />
  );
}
