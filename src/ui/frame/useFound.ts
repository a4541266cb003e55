'use client';
import { useEffect, useState } from 'react';
import * as v from 'valibot';

const Answer = v.object({
  boats: v.array(v.object({ id: v.string(), name: v.string() })),
  entries: v.array(v.object({ kind: v.string(), title: v.string(), text: v.string(), href: v.string() })),
});
export type Found = v.InferOutput<typeof Answer>;
const NOTHING: Found = { boats: [], entries: [] };
const PAUSE_MS = 120;

/** Boats, and pages of the guide, that answer to what is typed; nothing while the server is away. */
export function useFound(typed: string): Found {
  const [found, setFound] = useState<{ readonly of: string; readonly what: Found }>({ of: '', what: NOTHING });
  const sought = typed.trim();
  useEffect(() => {
    if (sought.length < 2) return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      void fetch(`/api/find?q=${encodeURIComponent(sought)}`, { signal: gone.signal })
        .then((r) => (r.ok ? r.json() : null))
        .then((body) => {
          const parsed = v.safeParse(Answer, body);
          setFound({ of: sought, what: parsed.success ? parsed.output : NOTHING });
        })
        // The palette goes on with what is aboard.
        .catch(() => undefined);
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [sought]);
  return sought.length < 2 ? NOTHING : found.what;
}
