'use client';
import { useEffect, useState } from 'react';
import { useStore } from './context';

/** A set as the server keeps it. */
export interface KeptSet {
  readonly id: string;
  readonly bankId: string;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly rows: number;
  readonly bytes: number;
  readonly away: boolean;
}

/** Measured days kept with the boat: listed, kept, opened, put away. */
export function useKeptDays() {
  const store = useStore();
  const base = `/api/boats/${store.boatId}/measured`;
  const [sets, setSets] = useState<readonly KeptSet[] | null>(null);
  const [version, setVersion] = useState(0);
  useEffect(() => {
    let gone = false;
    fetch(base)
      .then(async (r) => (r.ok ? ((await r.json()) as { sets: readonly KeptSet[] }).sets : []))
      .then(
        (all) => !gone && setSets(all),
        () => !gone && setSets([]),
      );
    return () => {
      gone = true;
    };
  }, [base, version]);
  const post = async (url: string, body?: Uint8Array): Promise<boolean> => {
    const answer = await fetch(url, {
      method: 'POST',
      ...(body ? { headers: { 'content-type': 'application/gzip' }, body: body as Uint8Array<ArrayBuffer> } : {}),
    }).catch(() => null);
    if (!answer?.ok) {
      const said = answer ? ((await answer.json().catch(() => ({}))) as { error?: string }).error : undefined;
      store.say('refused', `It was not kept: ${said ?? 'the server cannot be reached'}. It is still on this device.`);
      return false;
    }
    setVersion((n) => n + 1);
    return true;
  };
  return {
    sets,
    keep: (bankId: string, name: string, csv: Uint8Array) =>
      post(`${base}?${new URLSearchParams({ set: crypto.randomUUID(), bank: bankId, name }).toString()}`, csv),
    putAway: (id: string, away: boolean) => post(`${base}/${id}?away=${away ? 'yes' : 'no'}`),
    open: async (id: string): Promise<ArrayBuffer> => {
      const answer = await fetch(`${base}/${id}`);
      if (!answer.ok) throw new Error(((await answer.json()) as { error?: string }).error ?? 'the server does not answer');
      return answer.arrayBuffer();
    },
  };
}
