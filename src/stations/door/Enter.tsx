'use client';
/** Before the door: the passphrase, and who asks. */
import { useState } from 'react';
import { nameDevice, who } from '@/ui/boat/who';

export function Enter({ to }: { to: string }) {
  const [failed, setFailed] = useState('');
  const [busy, setBusy] = useState(false);
  const enter = async (form: FormData) => {
    setBusy(true);
    setFailed('');
    const name = String(form.get('name') ?? '');
    const answer = await fetch('/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: String(form.get('passphrase') ?? ''), name }),
    }).catch(() => null);
    if (answer?.ok) {
      if (who().name === null) nameDevice(name);
      return window.location.assign(to);
    }
    const body = (await answer?.json().catch(() => null)) as { error?: string } | null;
    setFailed(body?.error ?? 'the server does not answer');
    setBusy(false);
  };
  return (
    <main className="mx-auto max-w-[420px] p-12">
      <h1 className="text-[26px] leading-none font-bold tracking-tight">Solenix</h1>
      <form
        // Sent before its script is there, the passphrase stands in no address.
        method="post"
        className="mt-6 space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void enter(new FormData(e.currentTarget));
        }}
      >
        <label className="block">
          <span className="text-[11.5px] text-quiet">your name, for the history</span>
          <input name="name" required maxLength={60} autoComplete="name" className="box w-full" />
        </label>
        <label className="block">
          <span className="text-[11.5px] text-quiet">passphrase of this server</span>
          <input name="passphrase" type="password" required maxLength={300} autoComplete="current-password" className="box w-full" />
        </label>
        <button type="submit" className="act" disabled={busy}>
          come in
        </button>
        {failed ? (
          <p role="alert" className="font-semibold text-lead first-letter:uppercase">
            {failed}.
          </p>
        ) : null}
      </form>
    </main>
  );
}
