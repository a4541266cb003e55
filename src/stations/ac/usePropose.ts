'use client';
import { addOp, type Design, type Op } from '@/core/design';
import { proposeAc } from '@/core/ac/propose';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';

const LISTS = ['acSources', 'acPanels', 'acLoads', 'acCircuits'] as const;

/** Adds what the other stations know of, as one edit. */
export function usePropose(): () => void {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  return () => {
    const made = proposeAc(design, fresh);
    let growing: Design = design;
    const ops: Op[] = [];
    for (const list of LISTS)
      for (const row of made[list]) {
        ops.push(addOp(growing, list, row));
        growing = { ...growing, [list]: [...growing[list], row] };
      }
    if (ops.length === 0) return store.say('said', 'Everything the other stations know of is there.');
    store.edit(`propose the AC side, ${ops.length} rows`, ops);
  };
}
