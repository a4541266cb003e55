'use client';
import { useState } from 'react';
import type { Together } from '@/core/analysis';
import { show } from '@/core/quantity';
import { useAsked, useDesign, useStore } from '@/ui/boat/context';
import { Dialog } from '@/ui/frame/Dialog';

/** Mains, feeders and branches sized together: what it would change is shown first, and taken as one edit. */
export function SharedSizes() {
  const design = useDesign();
  const store = useStore();
  const [open, setOpen] = useState(false);
  const together = useAsked<Together>('shared sizes', (r) => r.sharedSizes([]), REST);
  const gain = together ? gains(together, (kg) => show(kg, 'kg', design.boat)) : null;
  const take = () => {
    if (together) store.edit(`${together.ops.length} sizes chosen together`, together.ops);
    setOpen(false);
  };
  return (
    <>
      {gain ? (
        <span className="text-[12px] text-quiet" data-testid="could-save">
          {gain}
        </span>
      ) : null}
      <button
        type="button"
        className="act"
        disabled={together === null}
        onClick={() =>
          together && together.ops.length > 0
            ? setOpen(true)
            : store.say('said', 'Nothing to change: every path holds with the least copper, or no copper in it helps.')
        }
        aria-description="Least copper in mains and feeders with which every load’s whole path holds; kept until it is asked for again"
      >
        size shared parts
      </button>
      {together ? (
        <Dialog
          open={open}
          onClose={() => setOpen(false)}
          wide
          title="Sizes chosen together"
          about="The least copper with which every load’s whole path holds, with the currents as they are. Pinned and found sizes stay. Nothing is changed until you take it; then it is one step to undo."
        >
          <table className="w-full text-left">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                <th className="font-medium">no</th>
                <th className="font-medium">circuit</th>
                <th className="font-medium">is</th>
                <th className="font-medium">becomes</th>
                <th className="text-right font-medium">copper</th>
              </tr>
            </thead>
            <tbody>
              {together.changes.map((c) => (
                <tr key={c.circuitId} className="border-b border-line">
                  <td className="reading">{c.no}</td>
                  <td>{c.name}</td>
                  <td className="reading">{c.from}</td>
                  <td className="reading font-semibold">{c.to}</td>
                  <td className="reading text-right">
                    {c.kg < 0 ? '−' : '+'}
                    {show(Math.abs(c.kg), 'kg', design.boat)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-2">
            All circuits: {show(together.kgBefore, 'kg', design.boat)}, then {show(together.kgAfter, 'kg', design.boat)}, of{' '}
            {together.sizesBefore} sizes, then {together.sizesAfter}. Loads that get too few volts: {together.missingBefore}, then{' '}
            {together.missingAfter}.{together.missingAfter > 0 ? ' What is left is no cable’s to cure: see the findings.' : ''}
          </p>
          <div className="mt-3 flex gap-3">
            <button type="button" className="act" onClick={take}>
              take all
            </button>
            <button type="button" className="plain" onClick={() => setOpen(false)}>
              leave it
            </button>
          </div>
        </Dialog>
      ) : null}
    </>
  );
}

const REST = { restMs: 1000 };
/** Less than this is no reason to change anything, kg. */
const WORTH_KG = 0.1;

/** What choosing sizes together would be good for; null where it is for nothing. */
function gains(
  { ops, kgBefore, kgAfter, sizesBefore, sizesAfter, missingBefore, missingAfter }: Together,
  kg: (x: number) => string,
): string | null {
  if (ops.length === 0) return null;
  if (missingAfter < missingBefore) {
    const n = missingBefore - missingAfter;
    return `${n} ${n === 1 ? 'path' : 'paths'} could hold`;
  }
  if (kgBefore - kgAfter >= WORTH_KG) return `${kg(kgBefore - kgAfter)} could be saved`;
  const fewer = sizesBefore - sizesAfter;
  return fewer > 0 ? `${fewer} ${fewer === 1 ? 'size' : 'sizes'} fewer could do` : null;
}
