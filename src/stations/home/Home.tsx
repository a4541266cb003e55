'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Firm } from './Firm';
import { ScratchPad } from './ScratchPad';
import { type BoatSummary, BOUNDS } from '@/core/design';
import { parseNumber } from '@/core/quantity';

interface Refusal {
  readonly error: string;
  readonly problems?: readonly { where: string; message: string }[];
}

const METRES = { lengthUnit: 'm', tempUnit: 'C', massUnit: 'kg', ruleSet: 'metric' } as const;
const day = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');
const MOST_BYTES = BOUNDS.fileBytes;
const MOST_ZIP_BYTES = 120_000_000;

/** All boats on file; a new one; one from a file. */
export function Home({
  boats,
  total,
  sought,
  from,
  page,
  backups,
}: {
  boats: readonly BoatSummary[];
  /** How many there are in all that answer to what is sought, and the first of those shown. */
  total: number;
  sought: string;
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
  const [ruleSet, setRuleSet] = useState<'metric' | 'awg'>('metric');

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
  const make = (form: FormData) => {
    const text = (key: string) => String(form.get(key) ?? '');
    const units = { ...METRES, lengthUnit: ruleSet === 'awg' ? ('ft' as const) : ('m' as const) };
    const length = parseNumber(text('length'), 'm', units, 3, 60);
    const beam = parseNumber(text('beam'), 'm', units, 1, 20);
    if (!length.ok) return setRefusal({ error: `Length: ${length.message}.` });
    if (!beam.ok) return setRefusal({ error: `Beam: ${beam.message}.` });
    void open('/api/boats', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: text('name'), ruleSet, lengthM: length.value, beamM: beam.value, systemV: Number(text('volts')) }),
    });
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
  const pageAt = (at: number) => `/?${new URLSearchParams({ ...(sought === '' ? {} : { q: sought }), from: String(at) }).toString()}`;
  const unit = ruleSet === 'awg' ? 'ft' : 'm';
  return (
    <main className="mx-auto grid min-h-dvh max-w-[1200px] grid-cols-[minmax(0,1fr)_320px] content-start gap-12 px-10 py-12">
      <header className="col-span-2 border-b-[1.5px] border-ink pb-4">
        <p className="text-[26px] leading-none font-bold tracking-tight">Solenix</p>
        <h1 className="mt-2 text-[15px] text-quiet">
          A cruising boat&apos;s house electrics, calculated: loads, circuits, conductors, protection, and the list to cut from.
        </h1>
      </header>
      <section aria-label="Boats on file">
        <h2 className="text-[15px] font-bold">Boats on file</h2>
        {total > boats.length || sought !== '' ? (
          <form action="/" className="mt-2 flex items-baseline gap-3">
            <input name="q" defaultValue={sought} aria-label="Find a boat by name" placeholder="name" className="box w-[220px]" />
            <button type="submit" className="act">
              find
            </button>
            <span className="text-quiet">{total === 0 ? 'none of that name' : `${from + 1} to ${from + boats.length} of ${total}`}</span>
            {from > 0 ? (
              <Link className="plain" href={pageAt(Math.max(0, from - page))} prefetch={false}>
                newer
              </Link>
            ) : null}
            {from + boats.length < total ? (
              <Link className="plain" href={pageAt(from + page)} prefetch={false}>
                older
              </Link>
            ) : null}
            {sought !== '' ? (
              <Link className="plain" href="/" prefetch={false}>
                all boats
              </Link>
            ) : null}
          </form>
        ) : null}
        {boats.length === 0 && sought === '' ? (
          <p className="mt-2 text-quiet">None yet. Make one from her figures, or open a design file; both stand on the right.</p>
        ) : null}
        <ul className="mt-2 border-t border-line">
          {boats.map((b) => (
            <li key={b.id} className="flex items-baseline gap-4 border-b border-line py-2">
              {b.damaged ? (
                <>
                  <Link
                    href={`/boats/${b.id}/survey`}
                    prefetch={false}
                    className="text-[16px] font-semibold whitespace-nowrap hover:underline"
                  >
                    {b.name}
                  </Link>
                  <span className="truncate font-semibold text-lead" title={b.problem ?? undefined}>
                    {b.problem ?? 'what stands on file cannot be read'}; open it for what can be had back
                  </span>
                  <span className="reading ml-auto text-[11.5px] whitespace-nowrap text-faint">{day(b.updatedAt)} UTC</span>
                  <a
                    className="plain whitespace-nowrap"
                    href={`/api/boats/${b.id}/export?as=raw`}
                    download
                    aria-label={`take it away as it is: ${b.name}`}
                  >
                    take it away as it is
                  </a>
                </>
              ) : (
                <>
                  <Link
                    href={`/boats/${b.id}/survey`}
                    prefetch={false}
                    className="text-[16px] font-semibold whitespace-nowrap hover:underline"
                  >
                    {b.name}
                  </Link>
                  <span className="truncate text-quiet">
                    {b.lengthM.toFixed(1)} m, {b.systemV} V, {b.loads} loads, {b.circuits} circuits
                  </span>
                  <span className="reading ml-auto text-[11.5px] whitespace-nowrap text-faint">{day(b.updatedAt)} UTC</span>
                  <a className="plain" href={`/api/boats/${b.id}/export`} download>
                    export
                  </a>
                  <a
                    className="plain whitespace-nowrap"
                    href={`/api/boats/${b.id}/export?as=zip`}
                    download
                    aria-label={`export ${b.name} with pictures`}
                    title="her pictures and her whole history with her"
                  >
                    with pictures
                  </a>
                </>
              )}
              <button
                type="button"
                className="plain whitespace-nowrap text-quiet"
                disabled={busy}
                onClick={() => void putAway(b)}
                aria-label={`remove ${b.name}`}
              >
                remove
              </button>
            </li>
          ))}
        </ul>
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
        <form
          className="space-y-2"
          onSubmit={(e) => {
            e.preventDefault();
            make(new FormData(e.currentTarget));
          }}
        >
          <h2 className="text-[15px] font-bold">A new boat</h2>
          <label className="block">
            <span className="text-[11.5px] text-quiet">name</span>
            <input name="name" required maxLength={120} className="box w-full" />
          </label>
          <label className="block">
            <span className="text-[11.5px] text-quiet">rule set and units</span>
            <select className="box w-full" value={ruleSet} onChange={(e) => setRuleSet(e.target.value as 'metric' | 'awg')}>
              <option value="metric">mm², metres, ISO small craft</option>
              <option value="awg">AWG, feet, North American small craft</option>
            </select>
          </label>
          <div className="grid grid-cols-3 gap-2">
            <label>
              <span className="text-[11.5px] text-quiet">length, {unit}</span>
              <input name="length" required className="box reading w-full" />
            </label>
            <label>
              <span className="text-[11.5px] text-quiet">beam, {unit}</span>
              <input name="beam" required className="box reading w-full" />
            </label>
            <label>
              <span className="text-[11.5px] text-quiet">DC, V</span>
              <select name="volts" className="box w-full" defaultValue="12">
                <option>12</option>
                <option>24</option>
                <option>48</option>
              </select>
            </label>
          </div>
          <button type="submit" className="act" disabled={busy}>
            add the boat
          </button>
        </form>
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
