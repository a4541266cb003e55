'use client';
/** A boat that is on file and cannot be read: what is wrong, what can be had back, what can be taken away. */
import Link from 'next/link';
import { useState } from 'react';

export interface DamagedProps {
  readonly boatId: string;
  readonly problem: string;
  /** The newest design that can be made from what is kept; null: none. */
  readonly good: { readonly revision: number; readonly at: number } | null;
}

export function Damaged({ boatId, problem, good }: DamagedProps) {
  const [failed, setFailed] = useState('');
  const [busy, setBusy] = useState(false);
  const recover = async () => {
    setBusy(true);
    const answer = await fetch(`/api/boats/${boatId}/recover`, { method: 'POST' }).catch(() => null);
    if (answer?.ok) return window.location.reload();
    const body = (await answer?.json().catch(() => null)) as { error?: string } | null;
    setFailed(body?.error ?? 'the server does not answer');
    setBusy(false);
  };
  return (
    <main className="mx-auto max-w-[640px] p-12">
      <h1 className="text-[18px] font-bold">This boat cannot be read</h1>
      <p className="mt-2 first-letter:uppercase">
        <b className="font-semibold text-lead">{problem}.</b> The other boats are not touched.
      </p>
      {good ? (
        <>
          <p className="mt-4">
            The last good one that can be made from what is kept is revision {good.revision}, saved{' '}
            <span className="reading">{new Date(good.at).toISOString().slice(0, 16).replace('T', ' ')} UTC</span>. What stands on file now
            is kept beside it.
          </p>
          <button type="button" className="act mt-3" disabled={busy} onClick={() => void recover()}>
            go on from revision {good.revision}
          </button>
        </>
      ) : (
        <p className="mt-4">Nothing that is kept of her can be read: restore a backup (docs/operations.md).</p>
      )}
      {failed ? (
        <p role="alert" className="caution mt-3">
          Not done: {failed}.
        </p>
      ) : null}
      <p className="mt-6 flex gap-5">
        <a className="plain" href={`/api/boats/${boatId}/export?as=raw`} download>
          take away what stands on file
        </a>
        <Link className="plain" href="/">
          all boats
        </Link>
      </p>
    </main>
  );
}
