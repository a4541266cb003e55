import { useEffect } from 'react';

const LATER_MS = 4000;

/**
 * Fetches parts of a screen some time after its first view, so that they are there when the server no longer is.
 * @param fetchers the same at every call, and the very ones their parts are opened by: each place that imports a part has a file of its own. One that fails is asked for again when its part is opened.
 */
export function useLater(fetchers: readonly (() => Promise<unknown>)[]): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const fetchPart of fetchers) fetchPart().catch(() => undefined);
    }, LATER_MS);
    return () => clearTimeout(timer);
  }, [fetchers]);
}
