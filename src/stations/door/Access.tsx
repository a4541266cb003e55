'use client';
/** Who is in: devices signed in, keys of programs, links that show one boat. Each is taken back by one press. */
import { forgetOffline } from '@/ui/frame/useKeptOffline';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Plain } from '@/ui/table/Plain';

interface Given {
  readonly id: string;
  readonly name: string;
  readonly boat: string | null;
  readonly createdAt: number;
  readonly seenAt: number | null;
  readonly expiresAt: number | null;
}

const when = (at: number | null): string => (at === null ? '–' : `${new Date(at).toISOString().slice(0, 16).replace('T', ' ')}`);

export function Access({
  guarded,
  sessions,
  keys,
  links,
}: {
  guarded: boolean;
  sessions: readonly Given[];
  keys: readonly Given[];
  links: readonly Given[];
}) {
  const router = useRouter();
  const [made, setMade] = useState('');
  const [failed, setFailed] = useState('');
  const ask = async (url: string, init: RequestInit): Promise<Record<string, string> | null> => {
    setFailed('');
    const answer = await fetch(url, init).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as Record<string, string> | null;
    router.refresh();
    if (answer?.ok && body) return body;
    setFailed(body?.error ?? 'the server does not answer');
    return null;
  };
  const table = (label: string, rows: readonly Given[], gone: string) => (
    <Plain
      label={label}
      columns={[{ title: 'name' }, { title: 'boat' }, { title: 'since, UTC' }, { title: 'last used' }, { title: 'ends' }, { title: '' }]}
      rows={rows.map((g) => ({
        id: g.id,
        cells: [
          g.name,
          g.boat ?? '–',
          when(g.createdAt),
          when(g.seenAt),
          when(g.expiresAt),
          <button
            key="x"
            type="button"
            className="plain"
            aria-label={`${gone} ${g.name}`}
            onClick={() => void ask(`/api/grants/${g.id}`, { method: 'DELETE' })}
          >
            {gone}
          </button>,
        ],
      }))}
    />
  );
  return (
    <main className="mx-auto max-w-[900px] px-10 py-12">
      <p className="flex items-baseline justify-between border-b-[1.5px] border-ink pb-2">
        <span className="text-[18px] font-bold">Who is in</span>
        <Link className="plain" href="/">
          all boats
        </Link>
      </p>
      <p className="mt-2">
        {guarded
          ? 'Other machines reach this server: people come in by its passphrase, programs by a key, an owner or a surveyor by a link.'
          : 'Only this machine reaches this server: nobody has to sign in. Links show a boat to others once HOST lets other machines in.'}
      </p>
      <h2 className="mt-6 font-semibold">Devices signed in</h2>
      {sessions.length > 0 ? table('Devices signed in', sessions, 'sign out') : <p className="text-quiet">None.</p>}
      {guarded ? (
        <button
          type="button"
          className="act mt-2"
          onClick={() =>
            void ask('/api/session', { method: 'DELETE' }).then(async (done) => {
              if (!done) return;
              await forgetOffline();
              router.push('/enter');
            })
          }
        >
          sign out here
        </button>
      ) : null}
      <h2 className="mt-6 font-semibold">Keys of programs</h2>
      {keys.length > 0 ? table('Keys of programs', keys, 'take back') : <p className="text-quiet">None.</p>}
      <form
        className="mt-2 flex items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          const name = String(new FormData(e.currentTarget).get('name') ?? '');
          e.currentTarget.reset();
          void ask('/api/grants', {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ kind: 'key', name }),
          }).then((done) => done && setMade(`Authorization: Bearer ${done.token}`));
        }}
      >
        <label>
          <span className="block text-[11.5px] text-quiet">what it is for</span>
          <input name="name" required maxLength={60} className="box" />
        </label>
        <button type="submit" className="act">
          make a key
        </button>
      </form>
      {made ? (
        <p role="status" className="mt-2">
          Shown this once: <code className="reading break-all">{made}</code>
        </p>
      ) : null}
      <h2 className="mt-6 font-semibold">Links that show one boat</h2>
      {links.length > 0 ? (
        table('Links that show one boat', links, 'take back')
      ) : (
        <p className="text-quiet">None: each boat makes her own, below her figures.</p>
      )}
      {failed ? (
        <p role="alert" className="mt-3 font-semibold text-lead">
          {failed}
        </p>
      ) : null}
    </main>
  );
}
