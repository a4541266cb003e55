'use client';
import type { Growth, GrowthLine } from '@/core';
import { round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** A negative or an earth has no device. */
const withDevice = (cable: string, amps: number): string => (amps > 0 ? `${cable}, ${round3(amps)} A` : cable);

/** Circuits and leads that something grown moves: what stands there, whether it still passes, what it would take. */
export function GrowthTable({ label, lines, growth }: { label: string; lines: readonly GrowthLine[]; growth: Growth }) {
  const units = useDesign().boat;
  if (lines.length === 0) return <p className="text-quiet">Nothing on its path changes.</p>;
  return (
    <Plain
      label={label}
      columns={[
        { title: 'circuit or lead' },
        { title: 'as it is now' },
        { title: 'was', right: true },
        { title: 'becomes', right: true },
        { title: 'verdict' },
        { title: 'would take' },
      ]}
      rows={lines.map((l) => ({
        id: l.id,
        cells: [
          l.name,
          withDevice(l.cable, l.deviceA),
          <Worked key="w" at={{ kind: l.kind, id: l.id }} of={`${l.name} as it is now`}>
            {show(l.beforeA, 'A', units)}
          </Worked>,
          <Worked key="b" at={{ kind: 'grown', id: `${l.id}|${JSON.stringify(growth)}` }} of={`${l.name} then`}>
            {show(l.afterA, 'A', units)}
          </Worked>,
          <b key="v" className={`font-semibold ${l.verdict === 'fails now' ? 'text-lead' : ''}`}>
            {l.verdict}
            {l.failing.length > 0 ? `: ${l.failing.join(', ')}` : ''}
          </b>,
          l.verdict === 'passes still' ? 'as it is' : withDevice(l.wants, l.wantsA),
        ],
      }))}
    />
  );
}
