'use client';
import { rowCount } from '@/core/design';
import { proposedRows } from '@/core/propose';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { counted, useProposal } from '@/ui/propose/useProposal';

/** Adds what the other stations know of: at once where there is no AC side yet, else row by row. */
export function usePropose() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const { propose, dialog } = useProposal();
  return {
    dialog,
    propose: () => {
      const rows = proposedRows(design, 'ac', fresh);
      if (rowCount(rows) === 0) return store.say('said', 'Everything the other stations know of is there.');
      propose({
        rows,
        label: (taken) => `propose the AC side, ${rowCount(taken)} rows`,
        stays: counted(
          [design.acSources.length, 'source', 'sources'],
          [design.acPanels.length, 'panel', 'panels'],
          [design.acCircuits.length, 'run', 'runs'],
        ),
      });
    },
  };
}
