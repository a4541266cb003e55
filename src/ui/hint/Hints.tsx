'use client';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';

const HintShown = dynamic(() => import('./HintShown'), { ssr: false });
const WAIT_MS = 500;

const hinted = (target: EventTarget | null): Element | null => (target instanceof Element ? target.closest('[aria-description]') : null);

/** What a finger was held on to be read is not pressed when the finger goes. */
const noPress = (e: Event): void => {
  e.preventDefault();
  e.stopPropagation();
};
const AFTER_MS = 400;

/** Shows what a thing's `aria-description` says beside it, while a mouse rests on it, a finger is held on it or the keyboard is there. Once for a page. */
export function Hints() {
  const [at, setAt] = useState<Element | null>(null);
  useEffect(() => {
    let over: Element | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let shown = false;
    let held = false;
    const rest = (next: Element | null) => {
      if (next === over) return;
      over = next;
      shown = false;
      clearTimeout(timer);
      setAt(null);
      if (next)
        timer = setTimeout(() => {
          shown = next.isConnected;
          setAt(shown ? next : null);
        }, WAIT_MS);
    };
    const leave = () => rest(null);
    const onOver = (e: PointerEvent) => e.pointerType !== 'touch' && rest(hinted(e.target));
    // Tabs are given the focus by their own script, and a browser takes that for the keyboard's.
    const onKey = () => {
      delete document.documentElement.dataset.by;
      leave();
    };
    const onDown = (e: PointerEvent) => {
      document.documentElement.dataset.by = 'pointer';
      leave();
      held = e.pointerType === 'touch' && hinted(e.target) !== null;
      if (held) rest(hinted(e.target));
    };
    const onUp = (e: PointerEvent) => {
      if (e.pointerType !== 'touch') return;
      if (!shown) return leave();
      // Read: it stays until the next touch.
      document.addEventListener('click', noPress, { capture: true, once: true });
      setTimeout(() => document.removeEventListener('click', noPress, { capture: true }), AFTER_MS);
    };
    const onMenu = (e: Event) => held && e.preventDefault();
    const onFocus = (e: FocusEvent) => rest(e.target instanceof Element && e.target.matches(':focus-visible') ? hinted(e.target) : null);
    const heard: readonly [string, (e: never) => void][] = [
      ['pointerover', onOver],
      ['focusin', onFocus],
      ['pointerdown', onDown],
      ['pointerup', onUp],
      ['pointercancel', leave],
      ['keydown', onKey],
      ['scroll', leave],
    ];
    for (const [name, on] of heard) document.addEventListener(name, on as EventListener, { capture: true, passive: true });
    document.addEventListener('contextmenu', onMenu, { capture: true });
    return () => {
      clearTimeout(timer);
      document.removeEventListener('contextmenu', onMenu, { capture: true });
      for (const [name, on] of heard) document.removeEventListener(name, on as EventListener, { capture: true });
    };
  }, []);
  return at ? <HintShown at={at} /> : null;
}
