'use client';
import { setOp } from '@/core/design';
import { useStore } from './context';

/** Sets one field of the design by its path, with a label for undo. */
/** Writes one field: its path below what it belongs to, its value, and how history names the edit. */
export type Put = (path: readonly string[], value: unknown, label: string) => void;

export function usePut(): Put {
  const store = useStore();
  return (path, value, label) => store.edit(label, [setOp(store.snapshot().design, path, value)]);
}
