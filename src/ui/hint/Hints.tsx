'use client';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';

const HintShown = dynamic(() => import('./HintShown'), { ssr: false });
const WAIT_MS = 500;

const hinted = (target: EventTarget | null): Element | null => (target instanceof Element ? target.closest('[aria-description]') : null);

/** Shows what a thing's `aria-description` says beside it, while a mouse rests on it or the keyboard is there. Once for a page. */
export function Hints() {
  const [at, setAt] = useState<Element | null>(null);
  useEffect(() => {
    let over: Element | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const rest = (next: Element | null) => {
      if (next === over) return;
      over = next;
      clearTimeout(timer);
      setAt(null);
      if (next) timer = setTimeout(() => setAt(next.isConnected ? next : null), WAIT_MS);
    };
    const leave = () => rest(null);
    const onOver = (e: PointerEvent) => e.pointerType !== 'touch' && rest(hinted(e.target));
    const onFocus = (e: FocusEvent) => rest(e.target instanceof Element && e.target.matches(':focus-visible') ? hinted(e.target) : null);
    const heard: readonly [string, (e: never) => void][] = [
      ['pointerover', onOver],
      ['focusin', onFocus],
      ['pointerdown', leave],
      ['keydown', leave],
      ['scroll', leave],
    ];
    for (const [name, on] of heard) document.addEventListener(name, on as EventListener, { capture: true, passive: true });
    return () => {
      clearTimeout(timer);
      for (const [name, on] of heard) document.removeEventListener(name, on as EventListener, { capture: true });
    };
  }, []);
  return at ? <HintShown at={at} /> : null;
}
