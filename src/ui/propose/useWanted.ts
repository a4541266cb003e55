import { useRef } from 'react';
import type { Rows } from '@/core/design';
import type { proposedRows } from '@/core/propose';
import { useFreshId, useStore } from '@/ui/boat/context';

/**
 * What a list wants of a proposal now; its rules arrive when they are first asked for.
 * @returns null where they did not, which is said, or where it is being asked already
 */
export function useWanted(): (what: Parameters<typeof proposedRows>[1]) => Promise<Rows | null> {
  const store = useStore();
  const fresh = useFreshId();
  const asking = useRef(false);
  return async (what) => {
    if (asking.current) return null;
    asking.current = true;
    try {
      const { proposedRows } = await import('@/core/propose');
      return proposedRows(store.snapshot().design, what, fresh);
    } catch {
      store.say('refused', 'What is proposed could not be worked out: its rules did not arrive. Press it again once the server answers.');
      return null;
    } finally {
      asking.current = false;
    }
  };
}
