'use client';
import { useOlderRevision } from './context';

/** Says which revision the answer of long work belongs to, while the newest design's is still being worked out. */
export function ForRevision({ about }: { about: string }) {
  const revision = useOlderRevision(about);
  if (revision === null) return null;
  return (
    <p role="status" className="caution my-2">
      For revision {revision}; the newest is being worked out.
    </p>
  );
}
