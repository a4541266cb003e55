'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useStore } from './context';

/** What is heard of one moment, as the server passes it on. */
export interface Heard {
  readonly at: number;
  readonly volts: number | null;
  readonly amps: number | null;
  readonly soc: number | null;
}

/** Of what was heard: shown the newest, held to be kept two days of a reading a second. */
const MOST_SHOWN = 2000;
const MOST_HELD = 172_800;

export interface Feed {
  readonly heard: readonly Heard[];
  /** How many are held to be kept. */
  readonly held: number;
  /** Gives out what is held; once it is kept, it is held no more. */
  readonly take: (keep: (list: readonly Heard[]) => Promise<boolean>) => Promise<void>;
  /** '' while it runs or nobody has asked. */
  readonly ended: string;
}

/**
 * Readings of a meter while it is listened to.
 * @param asked null: nobody listens
 * @param of the meter and the bank: what is held stays while they do, however else it is asked; null: nothing is held
 */
export function useFeed(asked: string | null, of: string | null): Feed {
  const store = useStore();
  const [heard, setHeard] = useState<readonly Heard[]>([]);
  const [held, setHeld] = useState(0);
  const [ended, setEnded] = useState('');
  const all = useRef<Heard[]>([]);
  const heldOf = useRef(of);
  const take = useCallback(async (keep: (list: readonly Heard[]) => Promise<boolean>) => {
    const from = all.current;
    const list = [...from];
    if (!(await keep(list)) || all.current !== from) return;
    from.splice(0, list.length);
    setHeld(from.length);
  }, []);
  useEffect(() => {
    if (asked === null) return;
    const source = new EventSource(`/api/boats/${store.boatId}/meter?${asked}`);
    let waiting: Heard[] = [];
    // Drawn ten times a second at the most, however fast they come.
    const timer = setInterval(() => {
      if (waiting.length === 0) return;
      const more = waiting;
      waiting = [];
      if (of !== null && all.current.length < MOST_HELD) all.current.push(...more);
      setHeld(all.current.length);
      setHeard((had) => [...had, ...more].slice(-MOST_SHOWN));
    }, 100);
    if (heldOf.current !== of) all.current = [];
    heldOf.current = of;
    const begin = setTimeout(() => {
      setHeld(all.current.length);
      setHeard([]);
      setEnded('');
    }, 0);
    source.addEventListener('reading', (e: MessageEvent<string>) => waiting.push(JSON.parse(e.data) as Heard));
    const end = (why: string) => {
      setEnded(why);
      source.close();
    };
    source.addEventListener('ended', (e: MessageEvent<string>) => end((JSON.parse(e.data) as { why: string }).why));
    source.onerror = () => end('the server does not pass it on');
    return () => {
      clearTimeout(begin);
      clearInterval(timer);
      source.close();
    };
  }, [asked, of, store.boatId]);
  return { heard, held, take, ended };
}

/** Meters that may be listened to; null while they are asked for. */
export function useMeters(): readonly { readonly name: string; readonly simulated: boolean }[] | null {
  const store = useStore();
  const [meters, setMeters] = useState<readonly { readonly name: string; readonly simulated: boolean }[] | null>(null);
  useEffect(() => {
    let live = true;
    fetch(`/api/boats/${store.boatId}/meter`)
      .then(async (r) => (r.ok ? ((await r.json()) as { meters: readonly { name: string; simulated: boolean }[] }).meters : []))
      .catch(() => [])
      .then((list) => {
        if (live) setMeters(list);
      });
    return () => {
      live = false;
    };
  }, [store.boatId]);
  return meters;
}
