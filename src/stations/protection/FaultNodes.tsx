'use client';
import { rowOf } from '@/core/design';
import { largestFaultA, smallestFaultA } from '@/core/circuit';
import { round3, show } from '@/core/quantity';
import { useAnalysis, useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

/** Prospective fault current where circuits begin: at each battery's posts with all that can feed them, at each panel and bus. */
export function FaultNodes() {
  const design = useDesign();
  const { banks, circuits } = useAnalysis();
  const units = design.boat;
  const posts = banks.map((b) => ({
    id: b.bankId,
    at: { kind: 'bank', id: b.bankId } as const,
    name: `${rowOf(design.banks, b.bankId)?.name ?? ''}, posts`,
    largestA: b.postsFaultA,
    leastA: b.smallestV / b.smallestOhm,
    by: [`${round3(b.largestFaultA)} A of its own${b.faultIsMakers ? ", the maker's" : ', typical'}`, b.postsFaultBy]
      .filter(Boolean)
      .join('; '),
  }));
  const panels = design.panels.flatMap((p) => {
    const up = circuits.flatMap((r) => {
      const at = rowOf(design.circuits, r.id)?.taps.findIndex((t) => t.serves.kind === 'panel' && t.serves.id === p.id) ?? -1;
      const below = at >= 0 ? r.below[at] : undefined;
      return below ? [{ runId: r.id, below }] : [];
    })[0];
    return up
      ? [
          {
            id: p.id,
            // The run that feeds it: its dead short is worked there.
            at: { kind: 'circuit', id: up.runId } as const,
            name: p.name,
            largestA: largestFaultA(up.below, 0),
            leastA: smallestFaultA(up.below, 0),
            by: `behind ${up.below.chain.length} ${up.below.chain.length === 1 ? 'run' : 'runs'} of cable`,
          },
        ]
      : [];
  });
  if (posts.length === 0) return null;
  return (
    <>
      <h2 className="mt-2 font-semibold">Where circuits begin</h2>
      <Plain
        label="Faults where circuits begin"
        columns={[{ title: 'at' }, { title: 'largest', right: true }, { title: 'least', right: true }, { title: 'from' }]}
        rows={[...posts, ...panels].map((n) => ({
          id: n.id,
          cells: [
            n.name,
            <Worked key="w" at={n.at} of={n.name}>
              {show(n.largestA, 'A', units)}
            </Worked>,
            show(n.leastA, 'A', units),
            n.by,
          ],
        }))}
      />
    </>
  );
}
