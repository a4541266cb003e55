'use client';
import { useEffect, useRef } from 'react';
import type { Station } from './station';

interface Acts {
  readonly stations: readonly Station[];
  readonly go: (station: string) => void;
  readonly find: () => void;
  readonly list: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** In what takes letters: a field, a list to choose from, a dialog. */
const writing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable], [role="dialog"]') !== null;

/** Where Ctrl Z takes back what was typed: in text, and in dialogs nothing. A box that is ticked or a choice has no undo of its own. */
const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input:not([type=checkbox]):not([type=radio]), textarea, [contenteditable], [role="dialog"]') !== null;

/**
 * Keys that work everywhere. Sheets take letters for themselves, so G waits for its letter only outside them. From when they are heard the
 * document says so (`data-keys`): what the server drew is seen before.
 */
export function useKeys(acts: Acts): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    let waiting = 0;
    const onKey = (e: KeyboardEvent) => {
      const { stations, go, find, list, undo, redo } = latest.current;
      const key = e.key.toLowerCase();
      const mod = e.ctrlKey || e.metaKey;
      if (mod && key === 'k') find();
      else if (typing(e.target)) return;
      else if (mod && key === 'z' && !e.shiftKey) undo();
      else if (mod && (key === 'y' || (key === 'z' && e.shiftKey))) redo();
      else if (writing(e.target)) return;
      else if (mod || e.altKey) return;
      else if (e.key === '?') list();
      else if (e.defaultPrevented) return;
      else if (Date.now() - waiting < 1500) {
        waiting = 0;
        const station = stations.find((s) => s.key === key);
        if (!station) return;
        go(station.id);
      } else if (key === 'g') waiting = Date.now();
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    document.documentElement.dataset.keys = 'heard';
    return () => {
      window.removeEventListener('keydown', onKey);
      delete document.documentElement.dataset.keys;
    };
  }, []);
}
