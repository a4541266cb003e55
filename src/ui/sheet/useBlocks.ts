import { useCallback, useEffect, useState } from 'react';

const fetchBlocks = () => import('./blocks');
type Blocks = Awaited<ReturnType<typeof fetchBlocks>>;

const LATER_MS = 4000;

export interface BlocksAtHand {
  /** null: not fetched yet. */
  readonly now: Blocks | null;
  /** Fetches them: they will be wanted. */
  readonly soon: () => void;
  readonly ready: () => Promise<Blocks>;
}

/** What reads and writes blocks of cells: fetched when the sheet is entered, and some time after its first view at the latest. */
export function useBlocks(): BlocksAtHand {
  const [now, setNow] = useState<Blocks | null>(null);
  // A fetch that fails is tried again by what needs it, which says so.
  const soon = useCallback(() => {
    if (!now) void fetchBlocks().then(setNow, () => undefined);
  }, [now]);
  useEffect(() => {
    if (now) return;
    const timer = setTimeout(soon, LATER_MS);
    return () => clearTimeout(timer);
  }, [now, soon]);
  return { now, soon, ready: fetchBlocks };
}
