'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { BoatRow } from './BoatRow';
import { Firm } from './Firm';
import { NewBoat, type NewBoatAsked } from './NewBoat';
import { ScratchPad } from './ScratchPad';
import { useStates } from './useStates';
import { type BoatSummary, BOUNDS } from '@/core/design';

interface Refusal {
  readonly error: string;
  readonly problems?: readonly { where: string; message: string }[];
}

const MOST_BYTES = BOUNDS.fileBytes;
const MOST_ZIP_BYTES = 120_000_000;

type BoatOrder = 'changed' | 'name' | 'open';
const ORDERS = [
  ['changed', 'last change'],
  ['name', 'name'],
  ['open', 'what is open'],
] as const satisfies readonly (readonly [BoatOrder, string])[];

/** All boats on file; a new one; one from a file. */
export function Home({
  boats,
  total,
  sought,
  order,
  from,
  page,
  backups,
}: {
  boats: readonly BoatSummary[];
  /** How many there are in all that answer to what is sought, and the first of those shown. */
  total: number;
  sought: string;
  order: BoatOrder;
  from: number;
  /** Boats on a page. */
  page: number;
  /** What is said of backups made by themselves; null: none are. */
  backups: string | null;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const [gone, setGone] = useState<{ id: string; name: string } | null>(null);
  const told = useStates(boats);
  /** A boat with enough on file to be shown through. */
  const guided = boats.find((b) => !b.damaged && b.loads > 0 && b.circuits > 0);

  const ask = async (url: string, init: RequestInit): Promise<Record<string, unknown> | null> => {
    setBusy(true);
    setRefusal(null);
    try {
      const answer = await fetch(url, init);
      const body = (await answer.json()) as Record<string, unknown>;
      if (answer.ok) return body;
      setRefusal(body as unknown as Refusal);
    } catch {
      setRefusal({ error: 'The server does not answer. Nothing was changed.' });
    } finally {
      setBusy(false);
    }
    return null;
  };
  const open = async (url: string, init: RequestInit) => {
    const body = await ask(url, init);
    if (body && typeof body.id === 'string') router.push(`/boats/${body.id}/survey`);
  };
  const make = (boat: NewBoatAsked) =>
    void open('/api/boats', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(boat) });
  const copy = async (boat: BoatSummary) => {
    const made = await ask(`/api/boats/${boat.id}/duplicate`, { method: 'POST' });
    if (!made) return;
    if (Number(made.unread) > 0)
      setRefusal({ error: `${boat.name} was duplicated; ${Number(made.unread)} of her pictures could not be read.` });
    router.refresh();
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const zip = file.name.toLowerCase().endsWith('.zip');
    const most = zip ? MOST_ZIP_BYTES : MOST_BYTES;
    if (file.size > most)
      return setRefusal({
        error: `${file.name} is ${(file.size / 1e6).toFixed(0)} MB; ${zip ? 'an archive' : 'a design file'} is at most ${most / 1e6} MB. Nothing was changed.`,
      });
    await open('/api/boats?from=file', {
      method: 'POST',
      headers: { 'content-type': zip ? 'application/zip' : 'application/json' },
      body: file,
    });
  };
  const putAway = async (boat: BoatSummary) => {
    if (!(await ask(`/api/boats/${boat.id}`, { method: 'DELETE' }))) return;
    setGone(boat);
    router.refresh();
  };
  const takeBack = async () => {
    if (gone && (await ask(`/api/boats/${gone.id}/restore`, { method: 'POST' }))) setGone(null);
    router.refresh();
  };
  const address = (asked: { readonly from?: number; readonly order?: BoatOrder; readonly q?: string }) => {
    const { q = sought, order: by = order, from: at = 0 } = asked;
    const all = new URLSearchParams({
      ...(q === '' ? {} : { q }),
      ...(by === 'changed' ? {} : { order: by }),
      ...(at === 0 ? {} : { from: String(at) }),
    });
    return all.size === 0 ? '/' : `/?${all.toString()}`;
  };
  return (
    <main className="mx-auto grid min-h-dvh max-w-[1200px] grid-cols-[minmax(0,1fr)_320px] max-[999px]:grid-cols-1 content-start gap-12 px-10 py-12 max-[999px]:gap-8 max-[999px]:px-5 max-[999px]:py-6">
      <header className="col-span-full border-b-[1.5px] border-ink pb-4">
        <p className="text-[26px] leading-none font-bold tracking-tight">Solenix</p>
        <h1 className="mt-2 text-[15px] text-quiet">
          A cruising boat&apos;s house electrics, calculated: loads, circuits, conductors, protection, and the list to cut from.
        </h1>
      </header>
      <section aria-label="Boats on file">
        <h2 className="text-[15px] font-bold">Boats on file</h2>
        {total > 1 || sought !== '' ? (
          <form action="/" className="mt-2 flex items-baseline gap-3">
            {order === 'changed' ? null : <input type="hidden" name="order" value={order} />}
            <input name="q" defaultValue={sought} aria-label="Find a boat by name" placeholder="name" className="box w-[220px]" />
            <button type="submit" className="act">
              find
            </button>
            <span className="text-quiet">{total === 0 ? 'none of that name' : `${from + 1} to ${from + boats.length} of ${total}`}</span>
            {from > 0 ? (
              <Link className="plain" href={address({ from: Math.max(0, from - page) })} prefetch={false}>
                those before
              </Link>
            ) : null}
            {from + boats.length < total ? (
              <Link className="plain" href={address({ from: from + page })} prefetch={false}>
                those after
              </Link>
            ) : null}
            {sought !== '' ? (
              <Link className="plain" href={address({ q: '' })} prefetch={false}>
                all boats
              </Link>
            ) : null}
            <span className="ml-auto flex gap-3 text-[12.5px]">
              <span className="text-faint">in order of</span>
              {ORDERS.map(([by, words]) => (
                <Link
                  key={by}
                  className={by === order ? 'font-semibold' : 'plain'}
                  aria-current={by === order ? 'true' : undefined}
                  href={address({ order: by })}
                  prefetch={false}
                >
                  {words}
                </Link>
              ))}
            </span>
          </form>
        ) : null}
        {boats.length === 0 && sought === '' ? (
          <p className="mt-2 text-quiet">None yet. Make one from her figures, or open a design file; both stand on the right.</p>
        ) : null}
        <ul className="mt-2 border-t border-line">
          {boats.map((b) => (
            <BoatRow key={b.id} boat={b} told={told(b)} busy={busy} onCopy={() => void copy(b)} onRemove={() => void putAway(b)} />
          ))}
        </ul>
        {guided ? (
          <p className="mt-3">
            <Link className="plain font-semibold" href={`/boats/${guided.id}/survey?run=1`} prefetch={false}>
              Two minutes through {guided.name}
            </Link>
            : a guided run on her real screens, to be left at any step.
          </p>
        ) : null}
        <Firm backups={backups} busy={busy} ask={ask} />
        {gone ? (
          <p role="status" className="mt-3">
            {gone.name} was removed.{' '}
            <button type="button" className="plain font-semibold" onClick={() => void takeBack()}>
              take back
            </button>
          </p>
        ) : null}
        {refusal ? (
          <div role="alert" className="caution mt-4">
            <p className="font-semibold">{refusal.error}</p>
            {refusal.problems?.map((p) => (
              <p key={p.where + p.message}>
                <span className="reading">{p.where}</span>: {p.message}
              </p>
            ))}
          </div>
        ) : null}
        <ScratchPad boats={boats} />
      </section>
      <aside className="row-span-2 space-y-8">
        <NewBoat busy={busy} onMake={make} onRefused={(error) => setRefusal({ error })} />
        <div>
          <h2 className="text-[15px] font-bold">From a design file</h2>
          <label className="mt-1 block">
            <span className="text-[11.5px] text-quiet">a .solenix.json file made by “export”, or the zip with its pictures</span>
            <input
              type="file"
              accept=".json,.zip,application/json,application/zip"
              className="mt-1 block w-full"
              disabled={busy}
              onChange={(e) => void take(e.target.files?.[0])}
            />
          </label>
        </div>
        <p className="caution text-[12px]">
          Calculations support a competent person. Shock, fire, explosion and stray current kill: local code, the maker&apos;s instructions
          and licensed practice come first.
        </p>
        <p className="text-[12px] text-quiet">
          <a className="plain" href="/notices.txt">
            licences of what it is made of
          </a>
        </p>
      </aside>
    </main>
  );
}
