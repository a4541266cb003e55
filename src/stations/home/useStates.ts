'use client';
import { useEffect, useState } from 'react';
import * as v from 'valibot';
import { type BoatState, BoatStateSchema, type BoatSummary } from '@/core/design';

const Answer = v.object({ revision: v.number(), state: BoatStateSchema });

export interface Told {
  readonly state: BoatState | null;
  /** It is being calculated: what is shown is of an older revision, or nothing yet. */
  readonly pending: boolean;
  /** It could not be had. */
  readonly failed: boolean;
}

/** How far each boat of the page is: what the server knew, and what it calculates on being asked, one boat after another. */
export function useStates(boats: readonly BoatSummary[]): (boat: BoatSummary) => Told {
  const [fresh, setFresh] = useState<ReadonlyMap<string, { readonly revision: number; readonly state: BoatState | null }>>(new Map());
  const wanted = boats
    .filter((b) => !b.damaged && b.stateOld)
    .map((b) => `${b.id}@${b.revision}`)
    .join(' ');
  useEffect(() => {
    const gone = new AbortController();
    void (async () => {
      for (const key of wanted === '' ? [] : wanted.split(' ')) {
        const [id = '', revision = '0'] = key.split('@');
        const state = await fetch(`/api/boats/${id}/state`, { signal: gone.signal })
          .then((r) => (r.ok ? r.json() : null))
          .then((body) => {
            const parsed = v.safeParse(Answer, body);
            return parsed.success ? parsed.output.state : null;
          })
          .catch(() => null);
        if (gone.signal.aborted) return;
        setFresh((had) => new Map([...had, [id, { revision: Number(revision), state }]]));
      }
    })();
    return () => gone.abort();
  }, [wanted]);
  return (boat) => {
    const got = fresh.get(boat.id);
    const known = got?.revision === boat.revision ? got : null;
    if (!boat.stateOld) return { state: boat.state, pending: false, failed: false };
    return { state: known?.state ?? boat.state, pending: known === null, failed: known !== null && known.state === null };
  };
}
