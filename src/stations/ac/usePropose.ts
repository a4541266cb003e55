'use client';
import { addRows, rowCount } from '@/core/design';
import { proposedRows } from '@/core/propose';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';

/** Adds what the other stations know of, as one edit. */
export function usePropose(): () => void {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  return () => {
    const rows = proposedRows(design, 'ac', fresh);
    if (rowCount(rows) === 0) return store.say('said', 'Everything the other stations know of is there.');
    store.edit(`propose the AC side, ${rowCount(rows)} rows`, addRows(design, rows));
  };
}
